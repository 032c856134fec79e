import { power } from '@/core/quantity/exact';
import { STANDARD_PRESSURE } from './air';

/**
 * Heat transfer from the outer surface to the air.
 * Convection `max(natural, 8.3 v^0.6)` W/m²K over the whole body (Mitchell 1974), times the zone's shape
 * factor; radiation about 4 W/m²K at winter temperatures (4 ε σ T³ at 0 °C is 4.4, view factor 0.9).
 * Vapour by the Lewis relation, 16.5 K/kPa at sea level.
 */
/** Free convection of a standing person, W/m²K: Fanger's 2.38 ΔT^0.25 for a surface 7 K above the air. */
export const NATURAL_CONVECTION = 3.9;
export const RADIATION = 4.0;
export const LEWIS_PER_PA = 0.0165;

/**
 * Mean convection coefficient, W/m²K.
 * @param v relative air speed, m/s  @param pressurePa thin air carries less: (p/p₀)^0.55 (ASHRAE Fundamentals ch. 9, from memory)
 */
export function convection(v: number, pressurePa = STANDARD_PRESSURE): number {
  const thin = pressurePa === STANDARD_PRESSURE ? 1 : power(pressurePa / STANDARD_PRESSURE, 0.55);
  return Math.max(NATURAL_CONVECTION, 8.3 * power(v, 0.6)) * thin;
}

/** Lewis relation, K/Pa: vapour leaves more easily in thin air, by p₀/p (ASHRAE Fundamentals ch. 9, from memory). */
export function lewis(pressurePa: number): number {
  return (LEWIS_PER_PA * STANDARD_PRESSURE) / pressurePa;
}
