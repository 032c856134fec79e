import { saturationFast } from '@/core/atmosphere/humidity';
import { exhaledC } from '@/core/body/respiration';

/**
 * How warm a lens is between air (0) and face (1), by how closed the eyewear is; and how much of the breath's vapour rises
 * behind it: grows with the square of what the mouth's cover gives back (a loose or vented one lets the breath go forward),
 * and is flushed by wind. Engineering values set on what people report: a tube over the mouth fogs glasses at a standstill
 * and in deep cold, a vented mask or a bare mouth does not.
 */
const LENS_WARMTH = { goggles: 0.45, glasses: 0.25 };
const RISES = 2.2;
const BARE_RISES = 0.01;
const FLUSH_MS = 1.5;

/** What sits before the eyes and over the mouth. */
export interface Eyewear {
  eyewear: 'goggles' | 'glasses';
  /** skin of the face, °C */
  faceC: number;
  /** share of the breath its cover gives back, 0–0.6 */
  mouth: number;
}

/** Vapour pressure behind a lens over what the lens can bear before it fogs; over 1 it fogs (below 0 °C: freezes). */
export function lensFog(
  { airC, vapourPa, relativeWind }: { airC: number; vapourPa: number; relativeWind: number },
  { eyewear, faceC, mouth }: Eyewear,
): number {
  const rises = (BARE_RISES + RISES * mouth * mouth) / (1 + relativeWind / FLUSH_MS);
  const behind = vapourPa + rises * (saturationFast(exhaledC(airC)) - vapourPa);
  const lensC = airC + LENS_WARMTH[eyewear] * Math.max(0, faceC - airC);
  return behind / saturationFast(lensC);
}
