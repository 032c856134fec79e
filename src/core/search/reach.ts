import type { Garment } from '@/core/clothing/garment';
import { coldIn, hotIn, partOf, type BodyPart } from '@/core/judge/clothesHold';
import { LIMIT } from '@/core/judge/limits';
import type { Scored } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import { closedUp, openedLater, openedUp } from './rungs';

/** Between which air an outfit is asked about, °C. */
export const REACH_C = [-45, 20] as const;

/** What is asked of a run: what goes wrong, and how warm it feels. */
interface Judged extends Pick<Scored, 'findings'> {
  metrics: Pick<Scored['metrics'], 'feltHot'>;
}

/** Where one outfit works: from the coldest air in which nothing gets too cold to the warmest in which one does not stew. */
export interface Reach {
  /** °C; null: it is too cold everywhere between the ends of what is asked about, or too hot */
  coldC: number | null;
  warmC: number | null;
  /** what gives out first below the cold end; null where it holds to the end */
  first: BodyPart | null;
}

/**
 * Where a plan works, to a whole degree: shut against the cold, open from the start or once warm against the heat, by bisection (colder
 * air is never the warmer for anybody).
 * @param at runs a plan in air of so many °C, all else as it is asked about
 * @param most zips that are opened at once
 */
export function reachOf(
  plan: Plan,
  closet: readonly Garment[],
  at: (airC: number, worn: Plan) => Judged,
  most: number,
): Reach {
  const [low, high] = REACH_C;
  const shut = closedUp(plan, closet);
  const opens = [openedUp(plan, closet), openedLater(plan, closet, most)];
  const cold = (airC: number) => coldIn(at(airC, shut));
  // Warmth that bothers is too much of it for whoever has a lighter rung, long before it is a weak point.
  const tooWarm = (s: Judged) => hotIn(s) !== undefined || s.metrics.feltHot.value > LIMIT.feltWarm;
  const stews = (airC: number) => opens.every((open) => tooWarm(at(airC, open)));
  const coldC = lastThatHolds(high, low, (c) => cold(c) === undefined);
  const below = coldC === null ? cold(high) : coldC > low ? cold(coldC - 1) : undefined;
  return { coldC, warmC: lastThatHolds(low, high, (c) => !stews(c)), first: below ? partOf(below) : null };
}

/** The last whole number on the way from one end to another at which something still holds; null where it does not at the first. */
export function lastThatHolds(from: number, to: number, holds: (n: number) => boolean): number | null {
  if (!holds(from)) return null;
  if (holds(to)) return to;
  let [good, bad] = [from, to];
  while (Math.abs(good - bad) > 1) {
    const mid = Math.round((good + bad) / 2);
    if (holds(mid)) good = mid;
    else bad = mid;
  }
  return good;
}
