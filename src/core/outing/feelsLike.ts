import { chillHazard, freezingMinutes, windChillC, type ChillHazard } from '@/core/atmosphere/windChill';
import { bareSkinC, CHEEK_TISSUE } from '@/core/atmosphere/bareSkin';
import { SHELTER_FACTOR } from '@/core/atmosphere/windAtBody';
import { msToKmh } from '@/core/quantity/units';
import type { Stretch, Timeline } from './timeline';

/**
 * The wind at 10 m, km/h, that the wind chill index would need in the open for the wind the body meets here: shelter and one's
 * own speed are in it. The index takes the body to meet 0.67 of the wind at 10 m (Osczevski & Bluestein 2005).
 */
export const chillWindKmh = (s: Pick<Stretch, 'relativeWind'>): number => msToKmh(s.relativeWind / SHELTER_FACTOR.open);

/**
 * What the air feels like to bare skin at a moment of an outing, °C: the wind chill index in the wind the body meets. The one
 * definition for screens, print, command line and the athlete's own floor.
 */
export const feelsLikeC = (s: Pick<Stretch, 'airC' | 'relativeWind'>): number => windChillC(s.airC, chillWindKmh(s));

/** How far a cheek follows each kelvin of the air before it at the wind of the index's reference, a walk of 4.8 km/h in calm air. */
const WALKS_MS = 4.8 / 3.6;
const FOLLOWS = bareSkinC(-20, WALKS_MS, CHEEK_TISSUE) - bareSkinC(-21, WALKS_MS, CHEEK_TISSUE);

/**
 * What the air feels like to a bare part of the face, °C. The index is about the cheek of the most susceptible; skin with less tissue between it and its blood
 * (the brow, the lids and what lies about them) is warmer in the same air, as a cheek would be in air so much warmer. May lie above the air's temperature.
 * @param tissue behind the part, m²K/W, up to a cheek's 0.091
 */
export function feltByPart(s: Pick<Stretch, 'airC' | 'relativeWind'>, tissue: number): number {
  if (tissue === CHEEK_TISSUE) return feelsLikeC(s);
  const warmer = bareSkinC(s.airC, s.relativeWind, tissue) - bareSkinC(s.airC, s.relativeWind, CHEEK_TISSUE);
  return feelsLikeC(s) + warmer / FOLLOWS;
}

/** The stretch that feels coldest. @param list at least one */
export const coldestFelt = <S extends Pick<Stretch, 'airC' | 'relativeWind'>>(list: readonly S[]): S =>
  list.reduce((a, b) => (feelsLikeC(b) < feelsLikeC(a) ? b : a));

/** What bare skin risks at a moment: the index's class, and minutes until it may freeze (Infinity: none stated). */
export interface Exposure {
  feelsC: number;
  hazard: ChillHazard;
  says: string;
  freezesMin: number;
}

export function exposureAt(s: Pick<Stretch, 'airC' | 'relativeWind'>): Exposure {
  const feelsC = feelsLikeC(s);
  return { feelsC, ...chillHazard(feelsC), freezesMin: freezingMinutes(s.airC, chillWindKmh(s)) };
}

/** What it feels like where it feels coldest on the way, °C: what the athlete's floor is held against. */
export const feelsAtWorst = (t: Pick<Timeline, 'stretches'>): number => feelsLikeC(coldestFelt(t.stretches));
