import type { Stretch, Timeline } from './timeline';

/** Longest stretch of a coarser timeline, s, and how alike its parts must be: K, m/s, W and mm/h. */
const LONGEST_S = 1800;
const ALIKE = { airC: 0.8, relativeWind: 0.8, metabolicW: 30, precipitationMmH: 0.3 } as const;

/** Averaged over the parts by their length. */
const MEANS = [
  'airC',
  'pressurePa',
  'vapourPa',
  'relativeWind',
  'sunWm2',
  'skyWm2',
  'precipitationMmH',
  'metabolicW',
  'externalW',
  'pumping',
  'wind10',
  'humidity',
  'speedMs',
] as const;

/**
 * The same outing in fewer stretches, for a search that takes long steps: neighbours on one leg that hardly differ become
 * one. Sums over time stay what they were.
 * @param cuts s, rising: no stretch runs across one of them
 */
export function mergeStretches(timeline: Timeline, cuts: readonly number[] = []): Timeline {
  const out: Stretch[] = [];
  let first: Stretch | null = null;
  for (const s of timeline.stretches.flatMap((x) => cutAt(x, cuts))) {
    const last = out[out.length - 1];
    if (last && first && !cuts.includes(s.startS) && joins(first, s) && s.endS - last.startS <= LONGEST_S + 1e-6) {
      const a = last.endS - last.startS;
      const b = s.endS - s.startS;
      const joined: Stretch = { ...last, endS: s.endS };
      for (const k of MEANS) joined[k] = (last[k] * a + s[k] * b) / (a + b);
      if (last.stillWind !== undefined && s.stillWind !== undefined)
        joined.stillWind = (last.stillWind * a + s.stillWind * b) / (a + b);
      out[out.length - 1] = joined;
    } else {
      first = s;
      out.push(s);
    }
  }
  return { ...timeline, stretches: out };
}

function cutAt(s: Stretch, cuts: readonly number[]): Stretch[] {
  const ends = [...cuts.filter((c) => c > s.startS && c < s.endS), s.endS];
  return ends.map((endS, i) => ({ ...s, startS: i > 0 ? ends[i - 1] : s.startS, endS }));
}

function joins(a: Stretch, b: Stretch): boolean {
  return (
    a.leg === b.leg &&
    a.precipitation === b.precipitation &&
    (Object.keys(ALIKE) as (keyof typeof ALIKE)[]).every((k) => Math.abs(a[k] - b[k]) <= ALIKE[k])
  );
}
