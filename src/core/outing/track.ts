import { clamp } from '@/core/quantity/range';
import { distanceM } from './route';

/** A route as places at even distance, for a phone to find itself on: latitude and longitude in degrees, one a sample. */
export interface Track {
  stepM: number;
  lat: number[];
  lon: number[];
}

/** What a phone says of where it is. */
export interface Fix {
  lat: number;
  lon: number;
  /** how far off it may be, m */
  accuracyM: number;
}

export interface Found {
  /** along the route, m */
  metres: number;
  /** beside it, m */
  offM: number;
}

/** A fix this vague says nothing, m; one farther from the route than this and than its own error is off it (engineering values). */
export const VAGUE_M = 150;
const OFF_M = 60;
/** On a way that meets itself the place nearest to where one is expected counts: so many metres along weigh as one beside it. */
const ALONG_WEIGHS = 0.05;

export const isOff = (found: Found, fix: Pick<Fix, 'accuracyM'>): boolean =>
  found.offM > Math.max(OFF_M, 2 * fix.accuracyM);

/**
 * Where on a route a phone is. @param expectedM along the route, by the clock
 * @returns null when the fix is too vague to say
 */
export function findOn(track: Track, fix: Fix, expectedM: number): Found | null {
  if (fix.accuracyM > VAGUE_M || track.lat.length < 2) return null;
  let best = 0;
  let least = Infinity;
  const off = (i: number) => distanceM({ lat: track.lat[i], lon: track.lon[i] }, fix);
  for (let i = 0; i < track.lat.length; i++) {
    const d = off(i);
    const cost = d + ALONG_WEIGHS * Math.abs(i * track.stepM - expectedM);
    if (cost < least) {
      least = cost;
      best = i;
    }
  }
  // Between samples: the foot of the fix on the nearer neighbour's side, by the law of cosines.
  const d0 = off(best);
  const sides = [best - 1, best + 1].filter((i) => i >= 0 && i < track.lat.length);
  const [near] = sides.sort((a, b) => off(a) - off(b));
  const share = clamp((d0 ** 2 - off(near) ** 2 + track.stepM ** 2) / (2 * track.stepM ** 2), 0, 1);
  const metres = (best + (near - best) * share) * track.stepM;
  return { metres, offM: Math.sqrt(Math.max(0, d0 ** 2 - (share * track.stepM) ** 2)) };
}
