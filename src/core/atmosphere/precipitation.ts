import { wetBulb } from './humidity';

export type PrecipitationKind = 'none' | 'dry snow' | 'wet snow' | 'sleet' | 'rain' | 'freezing drizzle';

export const PRECIPITATION_KINDS: PrecipitationKind[] = [
  'none',
  'dry snow',
  'wet snow',
  'sleet',
  'rain',
  'freezing drizzle',
];

/**
 * Kind of precipitation when the forecast gives only an amount, from wet-bulb temperature.
 * Thresholds are the usual operational ones (snow below about +0.5 °C wet bulb, rain above about 1.5 °C); dry snow is
 * taken below −2 °C. Our engineering values.
 */
export function kindFromWetBulb(tC: number, relativeHumidity: number): PrecipitationKind {
  const tw = wetBulb(tC, relativeHumidity);
  if (tw < -2) return 'dry snow';
  if (tw < 0.5) return 'wet snow';
  if (tw < 1.5) return 'sleet';
  return 'rain';
}

/** Share of the fall that is liquid on arrival, 0 to 1: what wets cloth whatever its temperature. */
export const LIQUID_SHARE: Record<PrecipitationKind, number> = {
  none: 0,
  'dry snow': 0,
  'wet snow': 0.3,
  sleet: 0.6,
  rain: 1,
  'freezing drizzle': 1,
};
