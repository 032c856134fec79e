import type { NeutralState } from '@/core/body/neutral';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { DRY_WETTEDNESS } from '@/core/moisture/film';
import * as L from './layout';

/**
 * The whole memory of one simulator, and the state of its dressed athlete as views into it. The state is the tail of the
 * array, so that snapshot and restore are one copy.
 * Water is g per m² of skin under the garment; `ice` is the frozen part of `water`.
 */
export interface State {
  /** everything, by `layout` */
  memory: Float64Array;
  /** the state alone */
  all: Float64Array;
  /** see HEAD */
  head: Float64Array;
  tissue: Float64Array;
  skin: Float64Array;
  film: Float64Array;
  skinOwed: Float64Array;
  /** per garment and zone, g*ZONE_COUNT+z; and where each begins in `memory` */
  temperature: Float64Array;
  water: Float64Array;
  ice: Float64Array;
  evaporation: Float64Array;
  slope: Float64Array;
  owed: Float64Array;
  at: GarmentPlaces;
  /** 1 while worn */
  worn: Float64Array;
  /** heat left in a garment that gives off heat, J */
  fuel: Float64Array;
  /** opening settings g*4+o */
  open: Float64Array;
}

/** Where the arrays over garments and zones begin in the memory. */
export interface GarmentPlaces {
  temperature: number;
  water: number;
  ice: number;
  evaporation: number;
  slope: number;
  owed: number;
}

/** Places in `head`: see `layout`. */
export const HEAD = {
  central: 0,
  metabolic: 1,
  external: 2,
  time: 3,
  habit: 4,
  fatigue: 5,
  fuel: 6,
  bareFace: 7,
  centralRate: 8,
} as const;

export function newState(garments: number, openings: number): State {
  const gz = garments * ZONE_COUNT;
  const at = {
    temperature: L.GARMENTS,
    water: L.GARMENTS + gz,
    ice: L.GARMENTS + 2 * gz,
    evaporation: L.GARMENTS + 3 * gz,
    slope: L.GARMENTS + 4 * gz,
    owed: L.GARMENTS + 5 * gz,
  };
  const worn = L.GARMENTS + 6 * gz;
  const fuel = worn + garments;
  const open = fuel + garments;
  const memory = new Float64Array(open + openings);
  const zones = (from: number) => memory.subarray(from, from + ZONE_COUNT);
  const over = (from: number) => memory.subarray(from, from + gz);
  return {
    memory,
    all: memory.subarray(L.CENTRAL),
    head: memory.subarray(L.CENTRAL, L.TISSUE),
    tissue: zones(L.TISSUE),
    skin: zones(L.SKIN),
    film: zones(L.FILM),
    skinOwed: zones(L.SKIN_OWED),
    temperature: over(at.temperature),
    water: over(at.water),
    ice: over(at.ice),
    evaporation: over(at.evaporation),
    slope: over(at.slope),
    owed: over(at.owed),
    at,
    worn: memory.subarray(worn, fuel),
    fuel: memory.subarray(fuel, open),
    open: memory.subarray(open),
  };
}

/** Puts a rested, fed, comfortable body into the state; garments are left as they are. */
export function restBody(s: State, neutral: NeutralState, restingW: number, fuelJ: number): void {
  s.head[HEAD.central] = neutral.centralC;
  s.head[HEAD.metabolic] = restingW;
  s.head[HEAD.external] = 0;
  s.head[HEAD.time] = 0;
  s.head[HEAD.habit] = restingW;
  s.head[HEAD.fatigue] = 0;
  s.head[HEAD.fuel] = fuelJ;
  s.head[HEAD.bareFace] = neutral.skinC[zoneIndex('face')];
  s.head[HEAD.centralRate] = 0;
  s.tissue.set(neutral.tissueC);
  s.skin.set(neutral.skinC);
  s.film.fill(0);
  s.skinOwed.fill(0);
  s.memory.fill(0, L.SKIN_EVAPORATION, L.SKIN_OWED);
  s.memory.fill(DRY_WETTEDNESS, L.WETNESS, L.SKIN_RATE);
  s.memory.fill(0, L.SKIN_RATE, L.GARMENTS);
}
