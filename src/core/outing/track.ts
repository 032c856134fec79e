import { clamp } from '@/core/quantity/range';
import { distanceM, type Profile, type RoutePoint } from './route';

/** A route as places at even distance, for a phone to find itself on: latitude and longitude in degrees, one a sample. */
export interface Track {
  stepM: number;
  lat: number[];
  lon: number[];
}

/** The places of a route at the even distances of its profile. @param points at least two */
export function trackOf(points: readonly RoutePoint[], profile: Pick<Profile, 'stepM' | 'distanceM'>): Track {
  const along = [0];
  for (let i = 1; i < points.length; i++) along.push(along[i - 1] + distanceM(points[i - 1], points[i]));
  const lat: number[] = [];
  const lon: number[] = [];
  let i = 0;
  for (const d of profile.distanceM) {
    while (i < along.length - 2 && along[i + 1] < d) i++;
    const span = along[i + 1] - along[i];
    const f = span > 0 ? clamp((d - along[i]) / span, 0, 1) : 0;
    const [a, b] = [points[i], points[i + 1]];
    lat.push(a.lat + f * (b.lat - a.lat));
    lon.push(a.lon + f * (b.lon - a.lon));
  }
  return { stepM: profile.stepM, lat, lon };
}

/** Where on the globe a place of the route is, m along it. */
export function placeOf(track: Track, metres: number): { lat: number; lon: number } {
  const x = clamp(metres / track.stepM, 0, track.lat.length - 1);
  const i = Math.min(track.lat.length - 2, Math.floor(x));
  const f = x - i;
  return {
    lat: track.lat[i] + f * (track.lat[i + 1] - track.lat[i]),
    lon: track.lon[i] + f * (track.lon[i + 1] - track.lon[i]),
  };
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
  const d1 = off(near);
  const step = track.stepM;
  const share = clamp((d0 * d0 - d1 * d1 + step * step) / (2 * step * step), 0, 1);
  const metres = (best + (near - best) * share) * track.stepM;
  return { metres, offM: Math.sqrt(Math.max(0, d0 * d0 - share * share * step * step)) };
}
