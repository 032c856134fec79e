import type { PrecipitationKind } from '@/core/atmosphere/precipitation';
import { within } from '@/core/quantity/range';
import type { Wetting } from './wetting';
import type { Sport } from '@/core/effort/sports';

/**
 * What holds for a while on the one clock of an outing: air, effort, contact. Everything the integrator needs and nothing
 * it would have to look up. Built by `outing`; `simulate` reads it.
 */
export interface Conditions {
  /** s from the start of the outing */
  startS: number;
  endS: number;
  airC: number;
  /** air pressure, Pa */
  pressurePa: number;
  vapourPa: number;
  /** wind relative to the moving body, m/s */
  relativeWind: number;
  /** short-wave on the body, W/m² of body surface */
  sunWm2: number;
  /** long-wave lost to a clear sky, W/m² of body surface */
  skyWm2: number;
  precipitation: PrecipitationKind;
  /** mm/h of water */
  precipitationMmH: number;
  sport: Sport;
  metabolicW: number;
  externalW: number;
  /** walking-equivalent limb speed, m/s */
  pumping: number;
  packOn: boolean;
  /** the outer layers go over the pack */
  packUnder: boolean;
  /** what wets or chills by touch, beside the weather */
  wetting: Wetting | null;
  /** the same place standing still: metabolic rate, W, and wind, m/s. Left out: a halt changes nothing */
  restW?: number;
  stillWind?: number;
}

/** The same air for somebody who has stopped to change something. At stops, and indoors, it is as it was. */
export function atHalt<C extends Conditions>(c: C): C {
  if (c.restW === undefined || c.stillWind === undefined || c.metabolicW <= c.restW) return c;
  return { ...c, sport: 'stand', metabolicW: c.restW, externalW: 0, relativeWind: c.stillWind, pumping: 0 };
}

/** For what air and effort the integrator is believed. */
export const CONDITIONS_RANGE = {
  airC: [-60, 45, '°C'],
  pressurePa: [30000, 110000, 'Pa'],
  vapourPa: [0, 10000, 'Pa'],
  relativeWind: [0, 80, 'm/s'],
  sunWm2: [0, 1000, 'W/m²'],
  skyWm2: [0, 200, 'W/m²'],
  precipitationMmH: [0, 60, 'mm/h'],
  metabolicW: [30, 2500, 'W'],
  externalW: [0, 900, 'W'],
  pumping: [0, 3, 'm/s'],
} as const satisfies Record<string, readonly [number, number, string]>;

/** @throws OutOfRange naming the stretch, the field, the value and the range; or stretches that do not follow one another */
export function checkConditions(list: readonly Conditions[]): void {
  within('stretches of conditions', list.length, 1, 100_000);
  list.forEach((c, i) => {
    for (const key of Object.keys(CONDITIONS_RANGE) as (keyof typeof CONDITIONS_RANGE)[]) {
      const [low, high, unit] = CONDITIONS_RANGE[key];
      within(`stretch ${i + 1} ${key}`, c[key], low, high, unit);
    }
    within(`stretch ${i + 1} endS`, c.endS, c.startS, 100 * 24 * 3600, 's (not before its start)');
  });
}
