/**
 * Pandolf, Givoni & Goldman, J Appl Physiol 43:577, 1977, level and uphill, typed as an independent second opinion, W:
 * `M = 1.5 W + 2.0 (W+L)(L/W)² + η (W+L)(1.5 V² + 0.35 V G)`, V in m/s, G in percent.
 */
export function pandolf(walk: {
  massKg: number;
  loadKg: number;
  speedMs: number;
  slope: number;
  terrain: number;
}): number {
  const { massKg: w, loadKg: l, speedMs: v, slope, terrain } = walk;
  return 1.5 * w + 2.0 * (w + l) * (l / w) ** 2 + terrain * (w + l) * (1.5 * v * v + 0.35 * v * 100 * slope);
}
