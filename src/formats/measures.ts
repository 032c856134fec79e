import { cToFahrenheit, inchToMm, kmhToMs, milesToM, mphToKmh, poundToKg } from '@/core/quantity/units';

/** An ounce, g. */
export const OUNCE_G = poundToKg(1000) / 16;

export type Units = 'metric' | 'imperial';

/** Numbers with units in the athlete's system. A real minus sign, no decimals that nobody can feel. */
export function temperature(c: number, units: Units, digits = 0): string {
  const v = units === 'metric' ? c : cToFahrenheit(c);
  return `${minus(v, digits)} ${units === 'metric' ? '°C' : '°F'}`;
}

/** Just the degree sign, where the unit stands at the head of the column. */
export const temperatureUnit = (units: Units): string => (units === 'imperial' ? '°F' : '°C');
/** °C as the number a form shows, and back. */
export const fromTemperature = (c: number, units: Units): number => (units === 'imperial' ? c * 1.8 + 32 : c);
export const toTemperature = (shown: number, units: Units): number =>
  units === 'imperial' ? (shown - 32) / 1.8 : shown;

export function degrees(c: number, units: Units, digits = 0): string {
  return `${minus(units === 'metric' ? c : cToFahrenheit(c), digits)}°`;
}

export function difference(k: number, units: Units, digits = 1): string {
  return `${minus(units === 'metric' ? k : k * 1.8, digits)} ${units === 'metric' ? '°C' : '°F'}`;
}

export function minus(v: number, digits: number): string {
  const text = Math.abs(v).toFixed(digits);
  return v < 0 && Number(text) !== 0 ? `−${text}` : text;
}

export function distance(m: number, units: Units, digits = 1): string {
  return units === 'metric' ? `${(m / 1000).toFixed(digits)} km` : `${(m / milesToM(1)).toFixed(digits)} mi`;
}

export function height(m: number, units: Units): string {
  return units === 'metric' ? `${minus(m, 0)} m` : `${minus(m / 0.3048, 0)} ft`;
}

export function windSpeed(ms: number, units: Units): string {
  return units === 'metric' ? `${ms.toFixed(0)} m/s` : `${fromWind(ms, units).toFixed(0)} mph`;
}

/** Water and small masses: grams, or ounces. */
export function grams(g: number, units: Units): string {
  return units === 'metric' ? `${minus(g, 0)} g` : `${minus(g / OUNCE_G, 1)} oz`;
}

export function kilograms(kg: number, units: Units): string {
  return units === 'metric' ? `${kg.toFixed(1)} kg` : `${(kg / poundToKg(1)).toFixed(1)} lb`;
}

/** Water that falls as the number a column shows, mm or in, and what stands at the head of that column. */
export const fall = (mm: number, units: Units): string =>
  units === 'metric' ? mm.toFixed(1) : (mm / inchToMm(1)).toFixed(2);
export const fallUnit = (units: Units): string => (units === 'metric' ? 'mm' : 'in');

/** How thick cloth is drawn, mm or in. */
export const thickness = (mm: number, units: Units): string =>
  units === 'metric' ? `${Math.round(mm * 10) / 10} mm` : `${(mm / inchToMm(1)).toFixed(2)} in`;

/** m/s as the number a form shows, and back; and what stands at the head of the column. */
const MPH = 1 / kmhToMs(mphToKmh(1));
export const windUnit = (units: Units): string => (units === 'imperial' ? 'mph' : 'm/s');
export const fromWind = (ms: number, units: Units): number => (units === 'imperial' ? ms * MPH : ms);
export const toWind = (shown: number, units: Units): number => (units === 'imperial' ? shown / MPH : shown);
