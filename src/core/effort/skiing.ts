import { within } from '@/core/quantity/range';

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

/** External propulsive power on skis, W; 0 when gravity does the work. */
export function skiPower(massKg: number, speedMs: number, slope: number, style: SkiStyle, airDensity: number): number {
  within('mass', massKg, 30, 250, 'kg');
  within('ski speed', speedMs, 0, 35, 'm/s');
  within('slope', slope, -1, 0.6);
  const s = SKI[style];
  const gravity = massKg * 9.81 * speedMs * slope;
  const glide = s.friction * massKg * 9.81 * (speedMs / Math.sqrt(1 + slope * slope));
  const air = 0.5 * airDensity * s.dragArea * speedMs * speedMs * speedMs;
  return Math.max(0, gravity + glide + air);
}

/**
 * Metabolic rate of skiing, W: resting plus propulsive power over delta efficiency, not below gliding posture work
 * (2.5 met held crouch). Cross-checked against the Compendium of Physical Activities MET values in the tests.
 */
export function skiMetabolicRate(
  massKg: number,
  bodyKg: number,
  speedMs: number,
  slope: number,
  style: SkiStyle,
  airDensity: number,
): number {
  const rest = 1.5 * bodyKg;
  const power = skiPower(massKg, speedMs, slope, style, airDensity);
  return Math.max(rest * 2.5, rest + power / SKI[style].efficiency);
}
