import { clamp, within } from '@/core/quantity/range';
import { GRAVITY } from '@/core/quantity/units';

/**
 * Energy cost of running, J per kg body mass per metre, against slope i (rise over distance, −0.45 to 0.45).
 * Minetti et al., J Appl Physiol 93:1039, 2002: `155.4 i⁵ − 30.4 i⁴ − 43.3 i³ + 46.3 i² + 19.5 i + 3.6`.
 */
export function runningCost(slope: number): number {
  within('slope', slope, -0.45, 0.45);
  const i = slope;
  return ((((155.4 * i - 30.4) * i - 43.3) * i + 46.3) * i + 19.5) * i + 3.6;
}

/**
 * Energy cost of walking, J/kg/m. Minetti et al. 2002: `280.5 i⁵ − 58.7 i⁴ − 76.8 i³ + 51.9 i² + 19.6 i + 2.5`.
 */
export function walkingCost(slope: number): number {
  within('slope', slope, -0.45, 0.45);
  const i = slope;
  return ((((280.5 * i - 58.7) * i - 76.8) * i + 51.9) * i + 19.6) * i + 2.5;
}

/**
 * Efficiency-free external work rate against gravity, W: positive uphill. Downhill the work the body absorbs is given
 * back as heat, so it is counted as zero rather than negative (costs: heat downhill low by at most the braking work).
 */
export function climbPower(massKg: number, speedMs: number, slope: number): number {
  return Math.max(0, massKg * GRAVITY * speedMs * slope);
}

/** Gross oxygen uptake, ml/kg/min, walking at 1.9–3.7 mph. ACSM Guidelines metabolic equations: 0.1 S + 1.8 S G + 3.5 (S in m/min). */
export function acsmWalking(speedMs: number, slope: number): number {
  const s = speedMs * 60;
  return 0.1 * s + 1.8 * s * slope + 3.5;
}

/** Gross oxygen uptake, ml/kg/min, running above 5 mph. ACSM: 0.2 S + 0.9 S G + 3.5. */
export function acsmRunning(speedMs: number, slope: number): number {
  const s = speedMs * 60;
  return 0.2 * s + 0.9 * s * slope + 3.5;
}

/** Gross oxygen uptake, ml/kg/min, leg cycling 50–200 W. ACSM: 1.8·(kgm/min)/mass + 7, with 1 W = 6.12 kgm/min. */
export function acsmCycling(powerW: number, massKg: number): number {
  return (1.8 * powerW * 6.12) / massKg + 7;
}

/** Metabolic power from oxygen uptake, W per L/min: 20.9 kJ/L ÷ 60 (RQ about 0.9; ISO 8996 gives 5.8 Wh/L). */
export const WATTS_PER_LITRE_MIN = 348;

/** Resting metabolic rate standing or sitting quietly, W/kg, added to net costs (1 met on 70 kg, 1.8 m²). */
export const RESTING_W_PER_KG = 1.5;

/**
 * Metabolic rate of running on grade, W, gross. Minetti's costs are net of standing, so rest is added.
 * @param massKg body plus load, 30–200  @param speedMs 0–7  @param slope −0.45 to 0.45
 */
export function runningMetabolicRate(massKg: number, speedMs: number, slope: number): number {
  within('mass', massKg, 30, 250, 'kg');
  within('running speed', speedMs, 0, 8, 'm/s');
  return massKg * (runningCost(slope) * speedMs + RESTING_W_PER_KG);
}

/** Slope limited to the range in which the gait polynomials were measured. */
export function gaitSlope(slope: number): number {
  return clamp(slope, -0.45, 0.45);
}
