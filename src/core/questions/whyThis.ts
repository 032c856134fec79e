import { warmthOverBody, type Garment, type Group } from '@/core/clothing/garment';
import { staysPossible } from '@/core/kit/followable';
import type { Plan } from '@/core/kit/plan';
import { byText } from '@/core/quantity/exact';
import { runPlan, type Question } from './question';
import { isBarrier, suitsSport } from '@/core/clothing/purpose';
import { alongOf, isAlong, swapGarment } from '@/core/kit/edit';
import { mostMoved, type Moved } from './mostMoved';
import type { Scored } from '@/core/judge/scorePlan';

/** What one other piece in the same place would do. */
export interface Instead {
  garment: string;
  name: string;
  direction: 'warmer' | 'cooler';
  /** points of cost it adds; negative: it would be better */
  adds: number;
  /** what it moves most */
  moves: Moved;
}

/** Why this piece and not the next warmer or cooler one. */
export interface Why {
  garment: string;
  name: string;
  group: Group;
  warmer: Instead | null;
  cooler: Instead | null;
}

/** The next warmer and the next cooler piece of the same kind that is owned, not along, and can be worn in its place. */
function neighbours(
  g: Garment,
  { closet, sport, plan }: Question,
  possible: (from: Plan, to: Plan) => boolean,
): Record<Instead['direction'], Garment | undefined> {
  const kind = closet.filter(
    (o) =>
      o.group === g.group &&
      o.role === g.role &&
      o.handForm === g.handForm &&
      // A vapour barrier is another habit, not the next warmer or cooler piece.
      isBarrier(o) === isBarrier(g) &&
      !isAlong(plan, o.id) &&
      suitsSport(o, sport) &&
      possible(plan, swapGarment(plan, g.id, o)),
  );
  const warmth = warmthOverBody(g);
  return {
    warmer: kind.filter((o) => warmthOverBody(o) > warmth).sort(byWarmth)[0],
    cooler: kind
      .filter((o) => warmthOverBody(o) <= warmth)
      .sort(byWarmth)
      .at(-1),
  };
}

/** For each piece worn or carried: the plan run again with the next warmer and the next cooler of its kind from the closet. */
export function whyThis(r: Question): Why[] {
  const { closet, plan, timeline, person } = r;
  const possible = staysPossible(timeline, person, new Map(closet.map((o) => [o.id, o])));
  const run = (p: Plan): Scored => runPlan(r, p);
  const now = run(plan);
  const instead = (from: Garment, to: Garment | undefined, direction: Instead['direction']): Instead | null => {
    if (!to) return null;
    const then = run(swapGarment(plan, from.id, to));
    return { garment: to.id, name: to.name, direction, adds: then.total - now.total, moves: mostMoved(now, then) };
  };
  return alongOf(closet, plan).map((g) => {
    const { warmer, cooler } = neighbours(g, r, possible);
    return {
      garment: g.id,
      name: g.name,
      group: g.group,
      warmer: instead(g, warmer, 'warmer'),
      cooler: instead(g, cooler, 'cooler'),
    };
  });
}

const byWarmth = (a: Garment, b: Garment): number => warmthOverBody(a) - warmthOverBody(b) || byText(a.id, b.id);
