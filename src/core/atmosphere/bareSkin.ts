import { power } from '@/core/quantity/exact';
import { radiation } from './boundaryLayer';

/** Tissue behind the cheek of the most susceptible, m²K/W, and the core behind it, °C (Osczevski & Bluestein 2005, from memory). */
export const CHEEK_TISSUE = 0.091;
const CORE_C = 38;
/** Air is never calmer to a face than a slow walk, m/s. */
const CALM_MS = 0.5;
/** Convection from the face, 8.18 v^0.6 with the face's own factor of 1.25 (their fit to heads in a wind tunnel). */
const FACE_CONVECTION = 8.18 * 1.25;

/** Steady temperature of bare skin of the face, °C. @param windMs relative to the face @param tissue behind it, m²K/W */
export function bareSkinC(airC: number, windMs: number, tissue: number): number {
  const h = FACE_CONVECTION * power(Math.max(CALM_MS, windMs), 0.6) + radiation(airC);
  return airC + (CORE_C - airC) / tissue / (h + 1 / tissue);
}
