import { within } from '@/core/quantity/range';
import { GRAVITY } from '@/core/quantity/units';
import { RESTING_W_PER_KG } from './gait';

export type SkiStyle = 'classic' | 'skate' | 'touring';

/**
 * Gliding friction coefficients and efficiencies of skiing.
 * Friction 0.03–0.05 on cold packed snow (classic and skate), with skins about 0.08 (engineering values within the range
 * of the ski-friction literature; with these efficiencies the level cost is 2.4–2.7 J/kg/m, where Saibene et al. 1989
 * measured 2.3–3.2, from memory). Gross efficiency 0.17–0.20 on roller skis uphill (Sandbakk et al., from memory);
 * touring carries boot and binding mass with every stride, hence lower.
 */
export const SKI: Record<SkiStyle, { friction: number; efficiency: number; dragArea: number }> = {
  classic: { friction: 0.05, efficiency: 0.18, dragArea: 0.55 },
  skate: { friction: 0.04, efficiency: 0.16, dragArea: 0.5 },
  touring: { friction: 0.08, efficiency: 0.18, dragArea: 0.6 },
};

/** Going on skis. */
export interface SkiGoing {
  /** body and load, 30–250 kg */
  massKg: number;
  /** 0–35 m/s */
  speedMs: number;
  /** rise over distance, −1 to 0.6 */
  slope: number;
  style: SkiStyle;
  /** kg/m³ */
  airDensity: number;
}

/** External propulsive power on skis, W; 0 when gravity does the work. @throws OutOfRange for mass, speed or slope */
export function skiPower({ massKg, speedMs, slope, style, airDensity }: SkiGoing): number {
  within('mass', massKg, 30, 250, 'kg');
  within('ski speed', speedMs, 0, 35, 'm/s');
  within('slope', slope, -1, 0.6);
  const s = SKI[style];
  const gravity = massKg * GRAVITY * speedMs * slope;
  const glide = s.friction * massKg * GRAVITY * (speedMs / Math.sqrt(1 + slope * slope));
  const air = 0.5 * airDensity * s.dragArea * speedMs * speedMs * speedMs;
  return Math.max(0, gravity + glide + air);
}

/** Posture held on skis while gravity does the work, METs: a crouch (engineering value). */
const CROUCH_MET = 2.5;

/**
 * Metabolic rate of skiing, W: resting plus propulsive power over delta efficiency, not below gliding posture work.
 * Cross-checked against the Compendium of Physical Activities MET values in the tests.
 * @param bodyKg without the load @throws OutOfRange as `skiPower`
 */
export function skiMetabolicRate(going: SkiGoing, bodyKg: number): number {
  const rest = RESTING_W_PER_KG * bodyKg;
  return Math.max(rest * CROUCH_MET, rest + skiPower(going) / SKI[going.style].efficiency);
}
