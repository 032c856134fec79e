import type { Belief } from '@/core/calibrate/belief';
import type { Person } from '@/core/body/person';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { heartRateAt } from '@/core/effort/fromAthlete';
import type { Scored } from '@/core/judge/scorePlan';
import { clamp } from '@/core/quantity/range';

export type TraceName = 'pulse' | 'sweat' | 'fingers' | 'toes' | 'water';

/** One line of the body: from a while ago to a while ahead. bpm, g/h, °C or g. */
export interface Trace {
  name: TraceName;
  now: number;
  points: { atS: number; value: number }[];
  /** eight in ten of what is still ahead; empty where that is not worked out */
  band: { atS: number; low: number; high: number }[];
  /** lowest ahead, and at the end of the window */
  least: { atS: number; value: number };
  end: number;
}

export interface BodyNow {
  fromS: number;
  toS: number;
  traces: Trace[];
}

const POINTS = 25;
/** A while back, and at least and at most so far ahead, s. */
const BACK_S = 1200;
const AHEAD_S = [900, 3600] as const;

/** From when to when the body is shown: to the next cue where that is neither near nor far. */
export function windowAt(nowS: number, nextS: number | null, endS: number): { fromS: number; toS: number } {
  const ahead = clamp((nextS ?? nowS + AHEAD_S[1] / 2) - nowS, ...AHEAD_S);
  return { fromS: Math.max(0, nowS - BACK_S), toS: Math.max(nowS + 60, Math.min(endS, nowS + ahead)) };
}

/** Moments ahead of which the belief is asked, s. */
export const momentsIn = (nowS: number, toS: number): number[] =>
  Array.from({ length: 7 }, (_, i) => nowS + ((toS - nowS) * i) / 6);

const FINGERS = zoneIndex('fingers');
const TOES = zoneIndex('toes');

/** The lines of the body round now. @param belief with the bands of `momentsIn`; null: not worked out yet */
export function bodyNow(
  scored: Pick<Scored, 'series' | 'metrics'>,
  person: Person,
  nowS: number,
  { fromS, toS }: { fromS: number; toS: number },
  belief: Pick<Belief, 'bands'> | null,
): BodyNow {
  const { series, metrics } = scored;
  const reads: Record<TraceName, (r: number) => number> = {
    pulse: (r) => heartRateAt(series.metabolicW[r] / person.metabolicBias, person),
    sweat: (r) => series.sweatGh[r],
    fingers: (r) => series.skinC[r * ZONE_COUNT + FINGERS],
    toes: (r) => series.skinC[r * ZONE_COUNT + TOES],
    water: (r) => metrics.waterG[r],
  };
  const at = (read: (r: number) => number, s: number): number => {
    const x = clamp(s / series.stepS, 0, series.rows - 1);
    const r = Math.floor(x);
    const next = Math.min(series.rows - 1, r + 1);
    return read(r) + (read(next) - read(r)) * (x - r);
  };
  const banded = { fingers: 'fingersC', toes: 'toesC', water: 'waterG' } as const;
  const traces = (Object.keys(reads) as TraceName[]).map((name): Trace => {
    const read = reads[name];
    const times = Array.from({ length: POINTS }, (_, i) => fromS + ((toS - fromS) * i) / (POINTS - 1));
    const points = [...times, nowS].sort((a, b) => a - b).map((atS) => ({ atS, value: at(read, atS) }));
    const ahead = points.filter((p) => p.atS >= nowS);
    const of = name in banded ? banded[name as keyof typeof banded] : null;
    return {
      name,
      now: at(read, nowS),
      points,
      band: of ? (belief?.bands ?? []).map((b) => ({ atS: b.atS, low: b[of].low, high: b[of].high })) : [],
      least: ahead.reduce((a, b) => (b.value < a.value ? b : a)),
      end: ahead[ahead.length - 1].value,
    };
  });
  return { fromS, toS, traces };
}
