import { sunPosition } from '@/core/atmosphere/sun';
import { LIMIT } from '@/core/judge/limits';
import type { Outing } from '@/core/outing/outing';

/** How long there is light, how long the way still is, and when to turn. All s since the start, on the wrist. */
export interface Light {
  /** night begins; null: not within a day, or nobody knows the place */
  darkS: number | null;
  /** the end by the plan, as late as one is */
  endS: number;
  /** how long the way back takes from here */
  backS: number;
  /** turning at this moment one is back before night; null without a night */
  turnByS: number | null;
  /** the plan itself meant to go in the dark */
  meant: boolean;
}

const LOOK_S = 300;
const DAY_S = 24 * 3600;

/** First moment after the start at which the evening's night begins there, s: who starts before dawn has the day before them. */
function nightAfter(outing: Outing, startMs: number): number | null {
  const place = outing.profile ?? outing.place;
  if (!place) return null;
  const dark = (s: number) =>
    sunPosition(startMs + s * 1000, place.latitude, place.longitude).altitudeDeg < LIMIT.darkDeg;
  let s = 0;
  while (s <= DAY_S && dark(s)) s += LOOK_S;
  while (s <= DAY_S && !dark(s)) s += LOOK_S;
  return s <= DAY_S ? s : null;
}

/**
 * @param planned the outing, its length in s, and when it was meant to begin, ms since 1970 UTC
 * @param real when it was begun; now, where on the way that is, and the end as it looks now, s
 */
export function lightAt(
  planned: { outing: Outing; lengthS: number; startMs: number },
  real: { startMs: number; nowS: number; wayS: number; endS: number },
): Light {
  const { nowS, wayS, endS } = real;
  const darkS = nightAfter(planned.outing, real.startMs);
  const plannedDark = nightAfter(planned.outing, planned.startMs);
  const meant = plannedDark !== null && planned.lengthS > plannedDark;
  // Who turns at t has gone t less what they are late, and goes that again.
  const turnByS = darkS === null ? null : (darkS + (nowS - wayS)) / 2;
  return { darkS, endS, backS: wayS, turnByS, meant };
}

/** Before the moment to turn it is said so long ahead, s. */
const AHEAD_S = 300;

/** Whether one must turn now: the way on ends in a night nobody meant, and the way back is the shorter one. */
export function mustTurn({ darkS, endS, backS, turnByS, meant }: Light, nowS: number): boolean {
  if (darkS === null || turnByS === null || meant || endS <= darkS) return false;
  return nowS >= turnByS - AHEAD_S && backS < endS - nowS;
}
