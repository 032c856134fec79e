import type { DoorDay, DoorSport } from '@/core/outing/doorDay';
import { fallsIn, USUAL_FALL_MMH, type DoorFall } from '@/core/outing/doorDay';
import type { BodyPart } from '@/core/judge/clothesHold';
import type { Plan } from '@/core/kit/plan';
import type { Reach } from './reach';

/** What a ladder is made of, apart from how it is worked out: pages draw it and simulate nothing. */

/** How hard, as a ladder says it, 0–10 as perceived (the talk test: sentences, phrases, words). */
export const LADDER_EFFORTS = { easy: 3, steady: 5, hard: 7 } as const;
export type LadderEffort = keyof typeof LADDER_EFFORTS;

/** The winds of a ladder: what stands for each, and where each ends, km/h at 10 m in the open. */
export const LADDER_WINDS = {
  calm: { kmh: 5, from: 0, to: 10, says: 'smoke rises' },
  breezy: { kmh: 20, from: 10, to: 30, says: 'twigs move' },
  windy: { kmh: 40, from: 30, to: 50, says: 'boughs move' },
} as const;
export type LadderWind = keyof typeof LADDER_WINDS;

export type LadderWet = 'dry' | 'wet';

/** One outfit of the ladder, from light to warm. */
export interface Rung {
  /** 1 the lightest */
  n: number;
  plan: Plan;
  /** intrinsic insulation closed up, clo (ISO 9920) */
  clo: number;
}

/** An hour without stops: what a rung is tried on, min. */
export const LADDER_MINUTES = 60;
/** One band of air, °C. */
export interface Band {
  warmC: number;
  coldC: number;
}

/** The usual seven bands, of 5 °C or of 10 °F. */
export const METRIC_BANDS: readonly Band[] = [10, 5, 0, -5, -10, -15, -20].map((c) => ({ warmC: c, coldC: c - 5 }));
export const IMPERIAL_BANDS: readonly Band[] = [50, 40, 30, 20, 10, 0, -10].map((f) => ({
  warmC: (f - 32) / 1.8,
  coldC: (f - 42) / 1.8,
}));
export const middle = (b: Band): number => (b.warmC + b.coldC) / 2;

/** One cell of a ladder: what to wear in one band, wind and wetness at one effort. */
export interface Cell {
  band: number;
  wind: LadderWind;
  wet: LadderWet;
  effort: LadderEffort;
  /** which rung; the plan may be it with what keeps the wet off */
  rung: number;
  plan: Plan;
  /** what gives out: grave findings of the best there is; empty where it works */
  fails: { zone: BodyPart; what: string; says: string; severity: number }[];
  /** one stews in the lightest there is */
  hot: boolean;
  /** °C from the middle of the band to the rung's own cold end; null where it has none */
  spareC: number | null;
  first: BodyPart | null;
  /** where nothing owned works: the cheapest piece of others that would */
  would: { id: string; name: string; price: number } | null;
}

export interface RungReach extends Reach {
  rung: number;
  wind: LadderWind;
  effort: LadderEffort;
}

export interface Ladder {
  sport: DoorSport;
  shelter: DoorDay['shelter'];
  bands: readonly Band[];
  rungs: Rung[];
  cells: Cell[];
  reach: RungReach[];
}

/** Wet bands end here: below it snow falls dry and is brushed off, °C. */
export const DRY_BELOW_C = -5;
export const WETS: readonly LadderWet[] = ['dry', 'wet'];
/** What falls in a wet band; null where nothing wet does. */
export function wetIn(band: Band): DoorFall | null {
  const airC = middle(band);
  if (airC < DRY_BELOW_C) return null;
  const kind = fallsIn(airC, airC > 1.5 ? 'rain' : 'wet snow');
  return { kind, mmH: USUAL_FALL_MMH[kind] };
}
