import { power } from '@/core/quantity/exact';
import { within } from '@/core/quantity/range';
import { KELVIN } from '@/core/quantity/units';

/** Air pressure at sea level, Pa (standard atmosphere). */
export const STANDARD_PRESSURE = 101325;

/** Standard atmosphere pressure, Pa, at altitude −500 to 9000 m. ASHRAE 2017 ch. 1 eq. 3. */
export function pressureAt(altitudeM: number): number {
  within('altitude', altitudeM, -500, 9000, 'm');
  return STANDARD_PRESSURE * power(1 - 2.25577e-5 * altitudeM, 5.2559);
}

/** Density of dry air, kg/m³ (ideal gas, 287.055 J/kgK). Moisture is left out: under 0.5 % below 10 °C. */
export function airDensity(tC: number, pressurePa = STANDARD_PRESSURE): number {
  return pressurePa / (287.055 * (tC + KELVIN));
}

/** Thermal conductivity of still air, W/mK: 0.0241 at 0 °C, +7.2e-5 per K (handbook values, −50 to 50 °C within 1 %). */
export function airConductivity(tC: number): number {
  return 0.0241 + 7.2e-5 * tC;
}

/** Thermal conductivity of liquid water, W/mK, 0 to 40 °C: 0.561 at 0 °C, 0.598 at 20 °C (handbook). */
export function waterConductivity(tC: number): number {
  return 0.561 + 0.00187 * tC;
}
