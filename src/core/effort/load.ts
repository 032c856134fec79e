import { power } from '@/core/quantity/exact';
import { within } from '@/core/quantity/range';
import { RESTING_W_PER_KG } from './gait';

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

/** Walking or standing with a load. */
export interface LoadedWalk {
  /** body, 30–200 kg */
  massKg: number;
  /** 0–80 kg */
  loadKg: number;
  /** 0–3 m/s */
  speedMs: number;
  /** rise over distance, −0.6 to 0.6 */
  slope: number;
  /** terrain factor η, 1–5 */
  terrain: number;
}

/**
 * Metabolic rate of walking or standing with a load, W.
 * Pandolf, Givoni & Goldman, J Appl Physiol 43:577, 1977:
 * `M = 1.5 W + 2.0 (W+L)(L/W)² + η (W+L)(1.5 V² + 0.35 V G)`, V in m/s, G in percent; plus the downhill correction of
 * Santee et al. 2001, `−η[(G (W+L) V)/3.5 − ((W+L)(G+6)²)/W + 25 − V²]` with G the downhill grade as a positive number
 * (both from memory of the papers). Held at the standing value from below.
 * @throws OutOfRange naming what of the walk it is
 */
export function pandolf({ massKg, loadKg, speedMs, slope, terrain }: LoadedWalk): number {
  within('mass', massKg, 30, 200, 'kg');
  within('load', loadKg, 0, 80, 'kg');
  within('walking speed', speedMs, 0, 3, 'm/s');
  within('slope', slope, -0.6, 0.6);
  within('terrain factor', terrain, 1, 5);
  const total = massKg + loadKg;
  const standing = RESTING_W_PER_KG * massKg + 2.0 * total * (loadKg / massKg) * (loadKg / massKg);
  const g = slope * 100;
  const level = standing + terrain * total * (1.5 * speedMs * speedMs + 0.35 * speedMs * Math.max(0, g));
  if (g >= 0 || speedMs === 0) return level;
  const down = -g;
  const correction =
    terrain * ((down * total * speedMs) / 3.5 - (total * (down + 6) * (down + 6)) / massKg + (25 - speedMs * speedMs));
  return Math.max(standing, level - correction);
}

/**
 * Load carriage decision aid, walking, W/kg: Looney et al., Med Sci Sports Exerc 51:2019 (from memory of the paper):
 * `1.44 + 1.94 V^0.43 + 0.24 V⁴ + 0.34 V G (1 − 1.05^(1 − 1.1^(G+32)))`, V m/s, G percent.
 * Used as a cross-check on Pandolf, which runs low for slow level walking.
 */
export function lcdaWalking(speedMs: number, slope: number): number {
  within('walking speed', speedMs, 0, 2.5, 'm/s');
  within('slope', slope, -0.4, 0.4);
  const g = slope * 100;
  return (
    1.44 +
    1.94 * power(speedMs, 0.43) +
    0.24 * speedMs * speedMs * speedMs * speedMs +
    0.34 * speedMs * g * (1 - power(1.05, 1 - power(1.1, g + 32)))
  );
}
