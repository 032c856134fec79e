import { isIndoors, isStop } from '@/core/effort/sports';
import type { Stretch, Timeline } from './timeline';

/** A stretch between two natural decision moments; the cue, if any, falls on its start. */
export interface Phase {
  startS: number;
  endS: number;
  /** where the moment is, in words a cue can say */
  where: string;
  /** standing here (trailhead, stop): changes cost nobody a halt */
  halted: boolean;
  /** no stopping: only what can be done on the move */
  onTheMove: boolean;
  stop: boolean;
}

/** A moment that may become a phase's start; of those that lie too near one another the higher rank stays. */
interface Mark {
  atS: number;
  where: string;
  halted: boolean;
  rank: number;
  /** the leg it is for: it may lie a little before that leg begins */
  leg: number;
}

/** A moment is planned to the half minute, the stop itself begins on its second, s. */
const BESIDE = 30;

/** The shortest time between two moments, s: nobody stops twice in five minutes. */
const LEAST_GAP = 240;

/**
 * Natural decision moments of an outing: the start, eight minutes in, where the going changes, six minutes before a stop,
 * on arrival, on leaving, where the weather turns, and the middle of very long stretches. Where the way leaves shelter for wind, or a roof, the moment is
 * before it: nobody opens a jacket on the ridge who could have done so below it, or steps out of a hut to dress.
 */
export function phases(timeline: Timeline): readonly Phase[] {
  let found = known.get(timeline);
  if (!found) known.set(timeline, (found = newPhases(timeline)));
  return found;
}

/** Every trial of a plan asks for the moments of the same day. */
const known = new WeakMap<Timeline, readonly Phase[]>();

function newPhases(timeline: Timeline): Phase[] {
  const marks: Mark[] = [];
  timeline.legs.forEach((leg, i) => {
    const from = timeline.legStartS[i];
    const to = timeline.legStartS[i + 1];
    const { name } = leg;
    const mark = (m: Omit<Mark, 'leg'>) => marks.push({ ...m, leg: i });
    const stopped = i > 0 && isStop(timeline.legs[i - 1]);
    mark({ ...entering(timeline, i), halted: i === 0 || isStop(leg) || stopped, rank: 3 });
    const next = timeline.legs[i + 1];
    const long = to - from;
    if (i === 0 && !isStop(leg) && long > 15 * 60)
      mark({ atS: from + 480, where: 'eight minutes in', halted: false, rank: 2 });
    if (stopped && !isStop(leg) && long > 25 * 60)
      mark({ atS: from + 600, where: 'once warm again', halted: false, rank: 2 });
    if (next && isStop(next) && !isStop(leg) && long > 20 * 60)
      mark({ atS: to - 360, where: `six minutes before ${next.name}`, halted: false, rank: 2 });
    if (!isStop(leg) && long > 55 * 60)
      mark({ atS: from + long / 2, where: `half way through ${name}`, halted: false, rank: 1 });
    const turn = weatherTurns(timeline, i);
    if (turn !== null) mark({ atS: turn.atS, where: `${turn.what}, ${name}`, halted: isStop(leg), rank: 1 });
    if (isStop(leg) && long > 15 * 60)
      mark({ atS: from + 300, where: `five minutes into ${name}`, halted: true, rank: 1 });
  });
  marks.sort((a, b) => a.atS - b.atS || b.rank - a.rank);
  const kept: typeof marks = [];
  for (const m of marks) {
    const last = kept[kept.length - 1];
    if (last && m.atS - last.atS < LEAST_GAP) {
      if (m.rank > last.rank) kept[kept.length - 1] = m;
      continue;
    }
    kept.push({ ...m, atS: toHalfMinute(timeline, m) });
  }
  kept[0] = { ...kept[0], atS: 0 };
  return kept.map((m, i) => {
    const leg = timeline.legs[legAt(timeline, m.atS)];
    return {
      startS: m.atS,
      endS: i + 1 < kept.length ? kept[i + 1].atS : timeline.endS,
      where: m.where,
      halted: m.halted,
      onTheMove: leg.noStopping && !m.halted,
      // Who dresses under a roof for what comes next is at a stop no longer.
      stop: isStop(timeline.legs[m.leg]),
    };
  });
}

/** To the half minute, but not before one stands, nor after one went on: nobody bares the face for the hut on the last of the descent. */
function toHalfMinute(timeline: Timeline, { atS, leg }: Pick<Mark, 'atS' | 'leg'>): number {
  const halves = atS / BESIDE;
  const stops = isStop(timeline.legs[leg]);
  const stopped = leg > 0 && isStop(timeline.legs[leg - 1]);
  const within = stops === stopped || Math.abs(atS - timeline.legStartS[leg]) > 1;
  if (within) return Math.round(halves) * BESIDE;
  return (stops ? Math.ceil(halves - ALMOST) : Math.floor(halves + ALMOST)) * BESIDE;
}
/** Leg times are sums, and a second is nothing: so much of half a minute counts as none. */
const ALMOST = 1 / 30;

/** A change of wind or air within a leg that is worth a moment of its own, m/s and K; what falls begins at this, mm/h. */
const WIND_TURNS = 3;
const AIR_TURNS = 4;
const FALLS = 0.2;

/** So long before the wind one dresses for it, s, on a leg that lasts at least so long. */
const STILL_SHELTERED = 180;
const WORTH_SHELTER = 900;

/** Wind on somebody who stands there, m/s. */
const standing = (s: Stretch): number => s.stillWind ?? s.relativeWind;

/** When one dresses for a leg, and in what words. */
function entering(timeline: Timeline, leg: number): Pick<Mark, 'atS' | 'where'> {
  const { name } = timeline.legs[leg];
  const atS = timeline.legStartS[leg];
  if (leg === 0) return { atS, where: 'at the start' };
  if (leavesRoof(timeline, leg)) return { atS: atS - STILL_SHELTERED, where: `before leaving, ${name}` };
  if (isStop(timeline.legs[leg])) return { atS, where: `on arrival, ${name}` };
  if (isStop(timeline.legs[leg - 1])) return { atS, where: `leaving, ${name}` };
  if (leavesShelter(timeline, leg)) return { atS: atS - STILL_SHELTERED, where: `before the wind of ${name}` };
  return { atS, where: `into ${name}` };
}

/** Whether one goes on into a leg from another in much less wind. */
function leavesShelter(timeline: Timeline, leg: number): boolean {
  const [before, here] = [timeline.legs[leg - 1], timeline.legs[leg]];
  if (isStop(before) || isStop(here) || before.noStopping) return false;
  if (timeline.legStartS[leg] - timeline.legStartS[leg - 1] < WORTH_SHELTER) return false;
  const last = stretchAt(timeline, timeline.legStartS[leg] - 1);
  return standing(stretchAt(timeline, timeline.legStartS[leg])) - standing(last) > WIND_TURNS;
}

/** Whether one goes on into a leg from under a roof, after long enough there to dress without haste. */
function leavesRoof(timeline: Timeline, leg: number): boolean {
  if (timeline.legs[leg - 1].sport !== 'hut' || timeline.legs[leg].sport === 'hut') return false;
  return timeline.legStartS[leg] - timeline.legStartS[leg - 1] >= WORTH_SHELTER;
}

/** Where the weather first turns within a leg, and how; null when it stays what it was. */
function weatherTurns(timeline: Timeline, leg: number): { atS: number; what: string } | null {
  const list = timeline.stretches.filter((s) => s.leg === leg);
  const first = list[0];
  if (!first || timeline.legs[leg].shelter === 'indoor') return null;
  for (const s of list.slice(1)) {
    if (s.precipitationMmH >= FALLS && first.precipitationMmH < FALLS / 2)
      return {
        atS: s.startS,
        what: s.precipitation.includes('snow') ? 'when the snow begins' : 'when it begins to fall',
      };
    if (s.wind10 - first.wind10 > WIND_TURNS) return { atS: s.startS, what: 'when the wind rises' };
    if (first.airC - s.airC > AIR_TURNS) return { atS: s.startS, what: 'when it turns colder' };
  }
  return null;
}

export function legAt(timeline: Timeline, timeS: number): number {
  let i = 0;
  while (i < timeline.legs.length - 1 && timeline.legStartS[i + 1] <= timeS + 1e-6) i++;
  return i;
}

/** What one works at or was asked to, W: a leg that asks for more than can be held is slowed, and is a race all the same. */
export function askedAt(timeline: Timeline, timeS: number): number {
  const { leg, metabolicW } = stretchAt(timeline, timeS);
  return Math.max(metabolicW, timeline.slowed.find((s) => s.leg === leg)?.askedW ?? 0);
}

/** The stretch that holds at a time, s; the last one after the end. */
export function stretchAt(timeline: Timeline, timeS: number): Stretch {
  const list = timeline.stretches;
  let low = 0;
  let high = list.length - 1;
  while (low < high) {
    const mid = (low + high) >> 1;
    if (timeS < list[mid].endS - 1e-6) high = mid;
    else low = mid + 1;
  }
  return list[low];
}

/** Tells of a moment, s, whether a change of kit there makes nobody halt who would have gone on. */
export function haltsNobody(timeline: Timeline): (atS: number) => boolean {
  const list = phases(timeline);
  return (atS) =>
    list.some((p) => Math.abs(p.startS - atS) < 1 && p.halted) ||
    list.some((p) => p.stop && atS >= p.startS && atS < p.endS);
}

/**
 * Whether the place itself reminds one of a change, at a moment, s: one comes in under a roof, goes out from under it or is there; or a
 * stop begins or ends, within half a minute. Later in a stop outdoors nothing does.
 */
export const isReminded = (timeline: Timeline, atS: number): boolean =>
  underRoof(timeline, atS) ||
  timeline.legs.some(
    (leg, i) =>
      isStop(leg) && [timeline.legStartS[i], timeline.legStartS[i + 1]].some((s) => Math.abs(atS - s) <= BESIDE),
  );

/** Whether one changes under a roof at a moment, s: from when one comes in until one goes out, within half a minute. */
export const underRoof = (timeline: Timeline, atS: number): boolean =>
  timeline.legs.some(
    (leg, i) =>
      isIndoors(leg.sport) && atS >= timeline.legStartS[i] - BESIDE && atS <= timeline.legStartS[i + 1] + BESIDE,
  );
