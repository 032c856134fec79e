import { within } from '@/core/quantity/range';
import { GRAVITY } from '@/core/quantity/units';

export type RidingSurface = 'tarmac' | 'gravel' | 'packed snow' | 'soft snow';

/** Rolling resistance coefficients: tarmac and gravel after Martin et al. 1998 and common tables; snow is our engineering value. */
export const ROLLING: Record<RidingSurface, number> = {
  tarmac: 0.005,
  gravel: 0.012,
  'packed snow': 0.025,
  'soft snow': 0.06,
};

export interface RoadLoad {
  massKg: number;
  speedMs: number;
  slope: number;
  /** air speed along the course, m/s: own speed plus headwind */
  airSpeedMs: number;
  airDensity: number;
  surface: RidingSurface;
  /** drag area, m²: about 0.4 upright in winter clothes */
  dragArea?: number;
}

/** Drivetrain efficiency, clean chain in cold grease (Martin et al. 1998 give 0.977). */
export const DRIVETRAIN = 0.96;

/**
 * Power at the crank to hold a speed, W, not below 0 (coasting).
 * Martin et al., J Appl Biomech 14:276, 1998: air + rolling + slope over drivetrain efficiency.
 */
export function roadLoadPower(r: RoadLoad): number {
  within('mass', r.massKg, 30, 250, 'kg');
  within('cycling speed', r.speedMs, 0, 30, 'm/s');
  within('slope', r.slope, -0.5, 0.5);
  const air = 0.5 * r.airDensity * (r.dragArea ?? 0.4) * r.airSpeedMs * Math.abs(r.airSpeedMs) * r.speedMs;
  const rolling = ROLLING[r.surface] * r.massKg * GRAVITY * r.speedMs;
  const climb = r.massKg * GRAVITY * r.slope * r.speedMs;
  return Math.max(0, (air + rolling + climb) / DRIVETRAIN);
}

/** Speed, m/s, that a crank power holds on this road, by bisection up to 22 m/s. */
export function speedForPower(powerW: number, road: Omit<RoadLoad, 'speedMs' | 'airSpeedMs'>, headwindMs = 0): number {
  let low = 0.5;
  let high = 22;
  for (let k = 0; k < 50; k++) {
    const mid = (low + high) / 2;
    if (roadLoadPower({ ...road, speedMs: mid, airSpeedMs: mid + headwindMs }) > powerW) high = mid;
    else low = mid;
  }
  return (low + high) / 2;
}

/** Gross efficiency of cycling, 0.20–0.24 in trained riders (Coyle 1992, from memory); winter riding at the middle. */
export const CYCLING_EFFICIENCY = 0.22;
