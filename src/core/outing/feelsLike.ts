import { chillHazard, freezingMinutes, windChillC, type ChillHazard } from '@/core/atmosphere/windChill';
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

/** What is bare about the eyes alone is not reckoned bare down to the first of these felt temperatures, °C, and is in full at the second, where bare skin begins to freeze (engineering values). */
const ABOUT_EYES = { free: -10, from: -20, full: -28 } as const;

/**
 * What the air feels like, °C, as it counts where hat and mask leave nothing bare but the lids and what lies about them, the warmest skin of
 * the face: between moderate cold and the cold in which bare skin freezes it catches up.
 */
export function feltAboutEyes(feelsC: number): number {
  const { free, from, full } = ABOUT_EYES;
  if (feelsC >= free || feelsC <= full) return feelsC;
  return feelsC >= from ? free : free + ((feelsC - from) * (full - free)) / (full - from);
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
