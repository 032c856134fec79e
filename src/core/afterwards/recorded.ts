import { findOn, isOff, type Track } from '@/core/outing/track';
import { distanceM } from '@/core/outing/route';
import { MOST_RECORDED, type RecordedMoment } from '@/core/underway/taps';
import { OutOfRange } from '@/core/quantity/range';

/** One point that a watch recorded. */
export interface RecordedPoint {
  timeMs: number;
  /** null: a pulse without a place */
  lat: number | null;
  lon: number | null;
  bpm?: number;
  airC?: number;
  powerW?: number;
  cadence?: number;
}

/** How an outing was gone, from a watch. */
export interface Recorded {
  /** ms since 1970 UTC */
  startMs: number;
  endMs: number;
  moments: RecordedMoment[];
  /** share of the points that lie on the route; null where there is none to lie on */
  onRoute: number | null;
}

/** A place from a watch is about so good, m (engineering value). */
const ACCURACY_M = 15;

/**
 * Reads how an outing was gone off what a watch recorded. On a route each place is looked for near where the last one was; without a route
 * the way is that of the recording, stretched to the length of the outing.
 * @param track null: legs by hand @param lengthM of the outing @throws OutOfRange with fewer than two points, or a clock that stands
 */
export function recordedOf(points: readonly RecordedPoint[], track: Track | null, lengthM: number): Recorded {
  const sorted = [...points].sort((a, b) => a.timeMs - b.timeMs);
  const [first, last] = [sorted[0], sorted[sorted.length - 1]];
  if (sorted.length < 2 || last.timeMs - first.timeMs < 60_000)
    throw new OutOfRange('recorded points', sorted.length, 'two or more over at least a minute');
  // The last point is kept whatever the step.
  const every = Math.ceil((sorted.length - 1) / (MOST_RECORDED - 1));
  const kept = sorted.filter((_, i) => i % every === 0 || i === sorted.length - 1);
  const along = track ? onTrack(kept, track) : byDistance(kept, lengthM);
  return {
    startMs: first.timeMs,
    endMs: last.timeMs,
    onRoute: track ? along.filter((m) => m !== null).length / Math.max(1, kept.filter(hasPlace).length) : null,
    moments: kept.map((p, i) => ({
      atS: (p.timeMs - first.timeMs) / 1000,
      metres: along[i],
      bpm: p.bpm ?? null,
      airC: p.airC ?? null,
      powerW: p.powerW ?? null,
      cadence: p.cadence ?? null,
    })),
  };
}

const hasPlace = (p: RecordedPoint): p is RecordedPoint & { lat: number; lon: number } =>
  p.lat !== null && p.lon !== null;

function onTrack(points: readonly RecordedPoint[], track: Track): (number | null)[] {
  let expected = 0;
  return points.map((p) => {
    if (!hasPlace(p)) return null;
    const fix = { lat: p.lat, lon: p.lon, accuracyM: ACCURACY_M };
    const found = findOn(track, fix, expected);
    if (!found || isOff(found, fix)) return null;
    expected = found.metres;
    return found.metres;
  });
}

function byDistance(points: readonly RecordedPoint[], lengthM: number): (number | null)[] {
  const steps = points.map((p, i): number | null => {
    const before = points[i - 1];
    return i > 0 && hasPlace(p) && hasPlace(before) ? distanceM(before, p) : hasPlace(p) ? 0 : null;
  });
  const all = steps.reduce<number>((sum, s) => sum + (s ?? 0), 0);
  if (all <= 0 || lengthM <= 0) return points.map(() => null);
  let gone = 0;
  return steps.map((s) => {
    if (s === null) return null;
    gone += s;
    return (gone / all) * lengthM;
  });
}
