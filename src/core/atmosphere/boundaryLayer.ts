import { power } from '@/core/quantity/exact';
import { KELVIN } from '@/core/quantity/units';
import { STANDARD_PRESSURE } from './air';

/**
 * Heat transfer from the outer surface to the air.
 * Convection `max(natural, 8.3 v^0.6)` W/m²K over the whole body (Mitchell 1974), times the zone's shape
 * factor; radiation by `radiation`.
 * Vapour by the Lewis relation, 16.5 K/kPa at sea level.
 */
/** Free convection of a standing person, W/m²K: Fanger's 2.38 ΔT^0.25 for a surface 7 K above the air. */
export const NATURAL_CONVECTION = 3.9;
/**
 * Stefan–Boltzmann, W/m²K⁴; emissivity of skin and cloth; share of a standing body that sees
 * its surroundings, set by the usual 4.7 W/m²K in a room (ASHRAE Fundamentals ch. 9; 0.73 to 0.85 are published).
 */
const SIGMA = 5.67e-8;
const EMISSIVITY = 0.95;
const SEES = 0.85;
/** Outer surfaces of the dressed are about this much warmer than halfway to the air, K (engineering value). */
const WARMER_K = 6;

/** Radiation coefficient, W/m²K: `4 ε σ T³` at a temperature between outer surface and surroundings: 4.7 in a room, 2.7 at −30 °C. */
export function radiation(airC: number): number {
  const t = airC + KELVIN + WARMER_K;
  return 4 * EMISSIVITY * SIGMA * SEES * t * t * t;
}

/**
 * Long-wave radiation lost to a clear sky beyond what surroundings at air temperature would take, W per m² of body, never
 * negative: half of what the body sees is sky at Swinbank's temperature, 0.0552 T^1.5 (Swinbank 1963), the clouds' share of it
 * at air temperature.
 * @param cloud 0–1 @param open share of the sky that is not hidden by trees or walls, 0–1
 */
export function skyLoss(airC: number, cloud: number, open: number): number {
  const t = airC + KELVIN;
  const sky = 0.0552 * power(t, 1.5);
  return Math.max(0, 0.5 * open * (1 - cloud) * radiation(airC) * (t - sky));
}

/**
 * Free convection from bare skin, W/m²K: Fanger's 2.38 ΔT^0.25 for skin near 32 °C. Stronger in the cold than under clothes,
 * whose outside is hardly warmer than the air.
 */
export const bareConvection = (airC: number): number => 2.38 * power(Math.max(1, 32 - airC), 0.25);

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
