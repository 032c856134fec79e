import { exertionReserve } from '@/core/effort/fromAthlete';
import {
  LADDER_EFFORTS,
  LADDER_WINDS,
  type Band,
  type LadderEffort,
  type LadderWet,
  type LadderWind,
} from '@/core/search/ladderTerms';
import { msToKmh } from '@/core/quantity/units';
import type { Sport } from '@/core/effort/sports';
import { RAINS_MM } from './causes';
import type { BookDay, Was } from './day';

/** What of a logged day supports a cell of the ladder, or is remembered at the door. */
export interface Tried {
  id: string;
  name: string;
  startMs: number;
  sport: Sport;
  airC: number;
  windMs: number;
  /** share of oxygen-uptake reserve while going, 0–1 */
  going: number;
  wet: LadderWet;
  was: Was;
  cameWet: boolean;
  worn: string[];
}

/** A told day as what was tried; null: nobody told how it was. */
export function triedOf({ id, name, startMs }: Pick<Tried, 'id' | 'name' | 'startMs'>, d: BookDay): Tried | null {
  if (d.was === null) return null;
  const { sport, airC, windMs, was, cameWet, worn, facts } = d;
  const wet = facts.fallsMm > RAINS_MM ? 'wet' : 'dry';
  return { id, name, startMs, sport, airC, windMs, going: facts.going, wet, was, cameWet, worn };
}

/** Which effort of the ladder a day was gone at: the nearest of its three. */
export function effortOf(going: number): LadderEffort {
  const names = Object.keys(LADDER_EFFORTS) as LadderEffort[];
  const off = (e: LadderEffort) => Math.abs(exertionReserve(LADDER_EFFORTS[e]) - going);
  return names.reduce((a, b) => (off(b) < off(a) ? b : a));
}

/** Which wind of the ladder, by its bounds; what is over the last is windy too. */
export function windOf(windMs: number): LadderWind {
  const kmh = msToKmh(windMs);
  return kmh < LADDER_WINDS.calm.to ? 'calm' : kmh < LADDER_WINDS.breezy.to ? 'breezy' : 'windy';
}

/** The days that support a cell: same sport, effort, wind and wetness, and air within its band. */
export function triedIn(
  list: readonly Tried[],
  cell: { sport: Sport; effort: LadderEffort; wind: LadderWind; wet: LadderWet; band: Band },
): Tried[] {
  return list.filter(
    (t) =>
      t.sport === cell.sport &&
      t.wet === cell.wet &&
      t.airC <= cell.band.warmC &&
      t.airC > cell.band.coldC &&
      windOf(t.windMs) === cell.wind &&
      effortOf(t.going) === cell.effort,
  );
}

/** How alike two days may be and still remind one of the other: K, m/s (engineering values: one rung is about three kelvin). */
const ALIKE = { airK: 3, windMs: 3 } as const;

/** The last day like this one: same sport, about this air and wind, as wet; null: none. */
export function lastLike(
  list: readonly Tried[],
  now: { sport: Sport; airC: number; windMs: number; wet: LadderWet },
): Tried | null {
  const like = list.filter(
    (t) =>
      t.sport === now.sport &&
      t.wet === now.wet &&
      Math.abs(t.airC - now.airC) <= ALIKE.airK &&
      Math.abs(t.windMs - now.windMs) <= ALIKE.windMs,
  );
  return like.length > 0 ? like.reduce((a, b) => (b.startMs > a.startMs ? b : a)) : null;
}
