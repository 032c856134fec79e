import { power } from '@/core/quantity/exact';
import { clamp, within } from '@/core/quantity/range';
import { gaitSlope, RESTING_W_PER_KG, runningMetabolicRate } from './gait';

/**
 * Terrain factor η for walking in snow by footprint depth: `1.30 + 0.082 D`, D in cm.
 * Pandolf, Haisman & Goldman, Ergonomics 19:683, 1976 (from memory of the paper).
 */
export function snowTerrainFactor(footprintCm: number): number {
  within('footprint depth', footprintCm, 0, 45, 'cm');
  return 1.3 + 0.082 * footprintCm;
}

/** Terrain factors, Soule & Goldman 1972: treadmill 1.0, dirt road 1.1, light brush 1.2, heavy brush 1.5, swamp 1.8, sand 2.1. */
export const TERRAIN_FACTOR = { road: 1.0, path: 1.1, rough: 1.2, scrub: 1.5 } as const;

/** Going on foot, or standing, with a load. */
export interface LoadedWalk {
  /** body, 30–200 kg */
  massKg: number;
  /** 0–80 kg */
  loadKg: number;
  /** 0–8 m/s */
  speedMs: number;
  /** rise over distance, −0.6 to 0.6; beyond ±0.45, where nobody was measured, that of ±0.45 */
  slope: number;
  /** terrain factor η, 1–5 */
  terrain: number;
}

/** Standing with a load, W: 1.5 W/kg of body and `2.0 (W+L)(L/W)²` for the load (Pandolf, Givoni & Goldman 1977). */
const standingRate = (massKg: number, loadKg: number): number =>
  RESTING_W_PER_KG * massKg + 2.0 * (massKg + loadKg) * (loadKg / massKg) * (loadKg / massKg);

/** LCDA's price of going on the level, W/kg, without what standing costs. */
const levelPrice = (speedMs: number): number =>
  1.94 * power(speedMs, 0.43) + 0.24 * speedMs * speedMs * speedMs * speedMs;

/** LCDA's price of a grade, W/kg: what climbing adds, and what a descent gives back until braking takes it again. */
const gradePrice = (speedMs: number, slope: number): number => {
  const g = slope * 100;
  return 0.34 * speedMs * g * (1 - power(1.05, 1 - power(1.1, g + 32)));
};

/** Standing, in the same relation, W/kg. */
const LCDA_STANDING = 1.44;

/**
 * Load carriage decision aid, walking without a load, W/kg: Looney et al., Med Sci Sports Exerc 51, 2019 (from memory of the
 * paper): `1.44 + 1.94 V^0.43 + 0.24 V⁴ + 0.34 V G (1 − 1.05^(1 − 1.1^(G+32)))`, V m/s, G percent.
 */
export function lcdaWalking(speedMs: number, slope: number): number {
  within('walking speed', speedMs, 0, 2.5, 'm/s');
  within('slope', slope, -0.45, 0.45);
  return LCDA_STANDING + levelPrice(speedMs) + gradePrice(speedMs, slope);
}

/**
 * Metabolic rate of walking with a load on any grade, W: LCDA's price of going for body and load together, on top of standing
 * with the load. What the ground costs (η) counts for the level and for the climb as in Pandolf's equation, and not for what
 * a descent gives back.
 */
function walkingRate({ massKg, loadKg, speedMs, slope, terrain }: LoadedWalk): number {
  const grade = gradePrice(speedMs, slope);
  const moving = terrain * levelPrice(speedMs) + (slope > 0 ? terrain : 1) * grade;
  return standingRate(massKg, loadKg) + (massKg + loadKg) * Math.max(0, moving);
}

/** The same at a run, W: Minetti's cost of running for body and load together. */
const runningRate = ({ massKg, loadKg, speedMs, slope, terrain }: LoadedWalk): number =>
  standingRate(massKg, loadKg) +
  terrain * (runningMetabolicRate(massKg + loadKg, speedMs, slope) - RESTING_W_PER_KG * (massKg + loadKg));

/** Nobody runs slower than the first of these, and from the second on running is as free a choice as walking, m/s (engineering values). */
const RUNS_FROM_MS = 1;
const RUNS_FREELY_MS = 1.3;

/**
 * Metabolic rate on foot, W: of walking and running whichever costs less at this speed on this grade, since people change
 * gait close to where the costs cross (Minetti 1994; Margaria 1938, from memory). One curve without a step over all speeds.
 * @throws OutOfRange naming what of the walk it is
 */
export function onFootRate(walk: LoadedWalk): number {
  within('mass', walk.massKg, 30, 200, 'kg');
  within('load', walk.loadKg, 0, 80, 'kg');
  within('speed on foot', walk.speedMs, 0, 8, 'm/s');
  within('slope', walk.slope, -0.6, 0.6);
  within('terrain factor', walk.terrain, 1, 5);
  const on = { ...walk, slope: gaitSlope(walk.slope) };
  if (on.speedMs === 0) return standingRate(on.massKg, on.loadKg);
  const walking = walkingRate(on);
  const free = clamp((on.speedMs - RUNS_FROM_MS) / (RUNS_FREELY_MS - RUNS_FROM_MS), 0, 1);
  return free === 0 ? walking : walking - free * Math.max(0, walking - runningRate(on));
}
