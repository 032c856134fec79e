import { power } from '@/core/quantity/exact';
import { clamp, within } from '@/core/quantity/range';

/**
 * Wind chill temperature index, °C.
 * JAG/TI 2001 formula used by the US and Canadian weather services (Osczevski & Bluestein, Bull. Am. Meteorol. Soc. 86,
 * 2005, eq. 2.3): `13.12 + 0.6215 T − 11.37 V^0.16 + 0.3965 T V^0.16`, and Environment Canada's light-wind line below
 * 5 km/h: `T + (−1.59 + 0.1345 T)/5 · V`.
 *
 * Above 10 °C the index is not defined and the air temperature is returned. The light-wind line is used below 4.8 km/h.
 *
 * @param airC air temperature, °C, −80 to 60
 * @param wind10Kmh wind at 10 m, km/h, 0 to 300
 * @throws OutOfRange
 */
export function windChillC(airC: number, wind10Kmh: number): number {
  within('air temperature', airC, -80, 60, '°C');
  within('wind at 10 m', wind10Kmh, 0, 300, 'km/h');
  if (airC > 10) return airC;
  if (wind10Kmh < 4.8) return airC + ((-1.59 + 0.1345 * airC) / 5) * wind10Kmh;
  const v = power(wind10Kmh, 0.16);
  return 13.12 + 0.6215 * airC - 11.37 * v + 0.3965 * airC * v;
}

/**
 * Wind chill, °F, from °F and mph: the US National Weather Service form of the same index,
 * `35.74 + 0.6215 T − 35.75 V^0.16 + 0.4275 T V^0.16` (T ≤ 50 °F, V ≥ 3 mph).
 * Kept beside the metric one because the published US table is rounded from these coefficients.
 */
export function windChillF(airF: number, windMph: number): number {
  within('air temperature', airF, -112, 140, '°F');
  within('wind', windMph, 0, 190, 'mph');
  if (airF > 50 || windMph < 3) return airF;
  const v = power(windMph, 0.16);
  return 35.74 + 0.6215 * airF - 35.75 * v + 0.4275 * airF * v;
}

/** The least wind for which freezing times are stated, km/h: 15 mph in the American chart. */
const LEAST_WIND_KMH = 24;

/**
 * Minutes until bare facial skin may freeze for the most susceptible 5 % of people; Infinity where the relation does not
 * apply (air warmer than −15 °C, or a result over 30 min: "low risk").
 * Environment Canada: `(−24.5·(0.667 V10 + 4.8) + 2111)·(−4.8 − T)^−1.668` (from memory of the published relation),
 * valid for 2 to 30 min; results under 2 are given as 2. It rests on wind of about 25 km/h and more: in calmer air nothing is
 * claimed, and the hazard band of the index speaks instead.
 */
export function freezingMinutes(airC: number, wind10Kmh: number): number {
  within('air temperature', airC, -80, 60, '°C');
  within('wind at 10 m', wind10Kmh, 0, 300, 'km/h');
  if (airC >= -15 || wind10Kmh < LEAST_WIND_KMH) return Infinity;
  const minutes = (-24.5 * (0.667 * clamp(wind10Kmh, 0, 80) + 4.8) + 2111) * power(-4.8 - airC, -1.668);
  if (minutes > 30) return Infinity;
  return Math.max(2, minutes);
}

export type ChillHazard = 'low' | 'moderate' | 'high' | 'very high' | 'severe' | 'extreme';

/** Environment Canada wind chill hazard bands (index, °C): 0, −10, −28, −40, −48, −55. */
export const CHILL_BANDS: { below: number; hazard: ChillHazard; says: string }[] = [
  { below: -55, hazard: 'extreme', says: 'bare skin freezes in less than 2 minutes' },
  { below: -48, hazard: 'severe', says: 'bare skin freezes in 2 to 5 minutes' },
  { below: -40, hazard: 'very high', says: 'bare skin freezes in 5 to 10 minutes' },
  { below: -28, hazard: 'high', says: 'bare skin freezes in 10 to 30 minutes' },
  { below: -10, hazard: 'moderate', says: 'uncomfortable; long exposure chills' },
  { below: Infinity, hazard: 'low', says: 'slight discomfort' },
];

/** The hazard band of a wind chill index, °C. */
export function chillHazard(indexC: number): { hazard: ChillHazard; says: string } {
  return CHILL_BANDS.find((b) => indexC <= b.below) ?? CHILL_BANDS[CHILL_BANDS.length - 1];
}
