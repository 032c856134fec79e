/** Unit conversions used at the doors; inside the core all is SI and °C. Exact by definition unless said. */

export const KELVIN = 273.15;
/** 1 clo = 0.155 m²K/W (ISO 9920). */
export const CLO = 0.155;
/** 1 met = 58.15 W/m² (ISO 8996 / ASHRAE 55). */
export const MET = 58.15;
/** Latent heat of vaporisation, J/g: of sweat at skin temperature (ISO 7933), and by which ISO 11092 expresses Ret. */
export const LATENT_VAPOUR = 2430;
/** Standard acceleration of free fall, m/s², as the effort relations round it. */
export const GRAVITY = 9.81;
/** Latent heat of fusion of ice, J/g. */
export const LATENT_FUSION = 334;
/** Specific heat of liquid water, J/gK. */
export const CP_WATER = 4.18;
/** Heat carried by air exchange per volume, J/m³K near 0 °C at sea level (density 1.29 × 1005). */
export const AIR_HEAT = 1300;
/** Vapour carried by air exchange, g/m³Pa: M/(R·T) = 18.015/(8.314·288) g/J. */
export const AIR_VAPOUR = 18.015 / (8.314 * 288);

export const fahrenheitToC = (f: number): number => ((f - 32) * 5) / 9;
export const cToFahrenheit = (c: number): number => (c * 9) / 5 + 32;
export const mphToKmh = (v: number): number => v * 1.609344;
export const kmhToMs = (v: number): number => v / 3.6;
export const msToKmh = (v: number): number => v * 3.6;
export const knotsToMs = (v: number): number => (v * 1852) / 3600;
export const milesToM = (v: number): number => v * 1609.344;
export const feetToM = (v: number): number => v * 0.3048;
export const inchToMm = (v: number): number => v * 25.4;
export const poundToKg = (v: number): number => v * 0.45359237;
