/**
 * Heat transfer from the outer surface to the air.
 * Convection `max(natural, 8.3 v^0.6)` W/m²K over the whole body (Mitchell 1974), times the zone's shape
 * factor; radiation about 4 W/m²K at winter temperatures (4 ε σ T³ at 0 °C is 4.4, view factor 0.9).
 * Vapour by the Lewis relation, 16.5 K/kPa.
 */
/** Free convection of a standing person, W/m²K: Fanger's 2.38 ΔT^0.25 for a surface 7 K above the air. */
export const NATURAL_CONVECTION = 3.9;
export const RADIATION = 4.0;
export const LEWIS_PER_PA = 0.0165;

/** Mean convection coefficient, W/m²K, at relative air speed v, m/s. */
export function convection(v: number): number {
  return Math.max(NATURAL_CONVECTION, 8.3 * Math.pow(v, 0.6));
}
