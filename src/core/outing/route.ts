import { bearing as turfBearing } from '@turf/bearing';
import { distance as turfDistance } from '@turf/distance';
import { steady } from '@/core/quantity/exact';
import { OutOfRange, within } from '@/core/quantity/range';

export interface RoutePoint {
  lat: number;
  lon: number;
  /** m, null when the file has none */
  eleM: number | null;
  /** ms since 1970 UTC, null when the file has none */
  timeMs: number | null;
}

/** A route resampled at even distance. */
export interface Profile {
  stepM: number;
  /** one value a sample */
  distanceM: number[];
  eleM: number[];
  bearingDeg: number[];
  latitude: number;
  longitude: number;
  /** seconds from the first point where the track was recorded with times; null without */
  recordedS: number[] | null;
  /** what was missing or mended, in words for the athlete */
  notes: string[];
}

type Place = Pick<RoutePoint, 'lat' | 'lon'>;

/**
 * Great-circle distance, m (spherical Earth: within 0.5 %). The library uses the engine's own sine; the last bits are rounded
 * away, to a micrometre, so that every engine gets the same.
 */
export const distanceM = (a: Place, b: Place): number =>
  steady(turfDistance([a.lon, a.lat], [b.lon, b.lat], { units: 'meters' }));

/** Initial course from a to b, degrees from north, 0–360. */
export const bearing = (a: Place, b: Place): number =>
  steady((turfBearing([a.lon, a.lat], [b.lon, b.lat]) + 360) % 360);

/**
 * Resamples a route at even steps and smooths its elevation (moving mean over about 150 m: handheld elevation wanders by
 * metres, which would turn into false slopes).
 * Missing elevations are filled between known ones; none at all gives a flat profile. Both are said in `notes`.
 * @throws OutOfRange for fewer than two points, places off the globe, or a route under 100 m or over 400 km
 */
export function buildProfile(points: readonly RoutePoint[]): Profile {
  if (points.length < 2) throw new OutOfRange('route points', points.length, 'at least 2');
  const notes: string[] = [];
  const along: number[] = [0];
  points.forEach((p, i) => {
    within(`route point ${i + 1} latitude`, p.lat, -90, 90, '°');
    within(`route point ${i + 1} longitude`, p.lon, -180, 180, '°');
    if (p.eleM !== null) within(`route point ${i + 1} elevation`, p.eleM, -430, 8850, 'm');
    if (i > 0) along.push(along[i - 1] + distanceM(points[i - 1], p));
  });
  const total = along[along.length - 1];
  within('route length', total / 1000, 0.1, 400, 'km');

  const ele = fillElevation(points, along, notes);
  const timed = points.every((p) => p.timeMs !== null);
  if (timed) {
    for (let i = 1; i < points.length; i++)
      if (points[i].timeMs! < points[i - 1].timeMs!)
        throw new OutOfRange(
          `route point ${i + 1} time`,
          'before the point in front of it',
          'times that rise along the track',
        );
  } else if (points.some((p) => p.timeMs !== null))
    notes.push('Some points have no time; the recorded pace is left out.');
  else notes.push('The file has no times; pace follows from your effort.');

  const stepM = Math.max(25, total / 2000);
  const n = Math.max(3, Math.round(total / stepM) + 1);
  const step = total / (n - 1);
  const at = (values: number[], d: number, hint: { i: number }) => {
    while (hint.i < along.length - 2 && along[hint.i + 1] < d) hint.i++;
    const span = along[hint.i + 1] - along[hint.i];
    const f = span > 0 ? Math.min(1, Math.max(0, (d - along[hint.i]) / span)) : 0;
    return values[hint.i] + (values[hint.i + 1] - values[hint.i]) * f;
  };
  const raw: number[] = [];
  const dist: number[] = [];
  const course: number[] = [];
  const recorded: number[] = [];
  const hint = { i: 0 };
  const times = timed ? points.map((p) => (p.timeMs! - points[0].timeMs!) / 1000) : [];
  for (let k = 0; k < n; k++) {
    const d = k * step;
    dist.push(d);
    raw.push(at(ele, d, hint));
    course.push(bearing(points[hint.i], points[Math.min(points.length - 1, hint.i + 1)]));
    if (timed) recorded.push(at(times, d, hint));
  }
  const half = Math.max(1, Math.round(75 / step));
  return {
    stepM: step,
    distanceM: dist,
    eleM: smooth(raw, half),
    bearingDeg: course,
    latitude: points[0].lat,
    longitude: points[0].lon,
    recordedS: timed && times[times.length - 1] > 60 ? recorded : null,
    notes,
  };
}

function fillElevation(points: readonly RoutePoint[], along: number[], notes: string[]): number[] {
  const known = points
    .map((p, i) => ({ d: along[i], e: p.eleM }))
    .filter((p): p is { d: number; e: number } => p.e !== null);
  if (known.length === 0) {
    notes.push('The file has no elevation: the route is taken as flat. Climbs must be given by hand.');
    return points.map(() => 0);
  }
  if (known.length < points.length)
    notes.push(
      `${points.length - known.length} of ${points.length} points have no elevation; filled between their neighbours.`,
    );
  let i = 0;
  return points.map((_, k) => {
    const d = along[k];
    while (i < known.length - 2 && known[i + 1].d < d) i++;
    const a = known[i];
    const b = known[Math.min(i + 1, known.length - 1)];
    const f = b.d > a.d ? Math.min(1, Math.max(0, (d - a.d) / (b.d - a.d))) : 0;
    return a.e + (b.e - a.e) * f;
  });
}

function smooth(values: number[], half: number): number[] {
  return values.map((_, i) => {
    const h = Math.min(half, i, values.length - 1 - i);
    let s = 0;
    for (let k = i - h; k <= i + h; k++) s += values[k];
    return s / (2 * h + 1);
  });
}

/** Metres up and down over a profile between two samples. */
export function climbOf(p: Profile, from = 0, to = p.eleM.length - 1): { up: number; down: number } {
  let up = 0;
  let down = 0;
  for (let i = from + 1; i <= to; i++) {
    const d = p.eleM[i] - p.eleM[i - 1];
    if (d > 0) up += d;
    else down -= d;
  }
  return { up, down };
}
