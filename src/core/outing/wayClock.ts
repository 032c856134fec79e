import { isStop } from '@/core/effort/sports';
import { clamp } from '@/core/quantity/range';
import { LEG_RANGE, type Leg } from './leg';
import { stretchAt } from './moments';
import type { Outing } from './outing';
import type { Timeline } from './timeline';

/**
 * Two clocks: the one on the wrist, s since the start, and that of the way, s of the outing as it was planned. Somebody who is late
 * is on the way where the plan was earlier; somebody who stands still stays there.
 */
export interface WayMark {
  /** on the wrist, s */
  atS: number;
  /** on the way, s */
  wayS: number;
}

/** Both begin together. */
const START: WayMark = { atS: 0, wayS: 0 };

/**
 * Adds a mark that goes back on neither clock: whoever turns out to be farther back than was thought has stood still since.
 * @param marks in order
 */
export function marked(marks: readonly WayMark[], next: WayMark): WayMark[] {
  const last = marks[marks.length - 1] ?? START;
  if (next.atS < last.atS) return [...marks];
  return [...marks, { atS: next.atS, wayS: Math.max(last.wayS, next.wayS) }];
}

/** From the last mark on both clocks run alike. */
function between(marks: readonly WayMark[], by: keyof WayMark, value: number): number {
  const other = by === 'atS' ? 'wayS' : 'atS';
  const list = [START, ...marks];
  const last = list[list.length - 1];
  if (value >= last[by]) return last[other] + value - last[by];
  // Of a time at which the other clock stood still the end counts on the wrist: that is when one goes on.
  let i = 0;
  while (i < list.length - 2 && (list[i + 1][by] < value || (by === 'wayS' && list[i + 1][by] === value))) i++;
  const [a, b] = [list[i], list[i + 1]];
  const span = b[by] - a[by];
  return span > 0 ? a[other] + ((value - a[by]) / span) * (b[other] - a[other]) : b[other];
}

/** Where on the way somebody is at a time on the wrist, s. */
export const wayAt = (marks: readonly WayMark[], atS: number): number => between(marks, 'atS', Math.max(0, atS));

/** When on the wrist somebody comes, or came, to a moment of the way, s. */
export const wristAt = (marks: readonly WayMark[], wayS: number): number => between(marks, 'wayS', Math.max(0, wayS));

/** How late somebody is at a time on the wrist, s; negative: early. */
export const lateBy = (marks: readonly WayMark[], atS: number): number => atS - wayAt(marks, atS);

/** Two marks this far apart on the wrist with nothing between them on the way are a halt, s; a shorter one is slow going. */
const HALT_S = 60;

/** A stand nobody planned. */
const HALT: Leg = {
  name: 'Halt',
  sport: 'stand',
  minutes: 1,
  distanceM: 0,
  climbM: 0,
  effort: { by: 'usual' },
  shelter: 'open',
  packOn: true,
  noStopping: false,
};

/** One piece of a leg of the plan, or a halt in it, with its time on the wrist, s. */
interface Piece {
  leg: number;
  from: number;
  to: number;
  seconds: number;
  halt: boolean;
}

/**
 * The outing as it really is gone: legs slower or faster between marks, and halts where somebody stood. Weather, effort and light
 * follow, since it is laid out on its clock like any other.
 * @param timeline of the outing as planned: its legs have their distances
 */
export function asGone(outing: Outing, timeline: Timeline, marks: readonly WayMark[], startMs: number): Outing {
  const legs = pieces(timeline, marks).map((p): Leg => {
    const leg = timeline.legs[p.leg];
    const place = placeIn(leg, p.from, p.to);
    const minutes = clamp(p.seconds / 60, ...(LEG_RANGE.minutes.slice(0, 2) as [number, number]));
    // Who stays longer at a stop stays as they are there; who halts on the way stands.
    if (p.halt && isStop(leg)) return { ...leg, ...placeIn(leg, p.from, p.from), minutes };
    if (p.halt) return { ...HALT, shelter: leg.shelter, packOn: leg.packOn, ...placeIn(leg, p.from, p.from), minutes };
    const share = p.to - p.from;
    return { ...leg, ...place, minutes, distanceM: leg.distanceM * share, climbM: leg.climbM * share };
  });
  return { ...outing, startMs, legs };
}

/**
 * The outing of somebody who turns back: as planned up to there, and then the same way home, each part in its own time. What was
 * gone down is gone up again; stops are left out.
 * @param wayS where they turn, on the way
 */
export function turnedBack(outing: Outing, timeline: Timeline, wayS: number): Outing {
  const there = timeline.legs.flatMap((leg, i): Leg[] => {
    const [from, to] = [timeline.legStartS[i], timeline.legStartS[i + 1]];
    if (from >= wayS) return [];
    const share = clamp((wayS - from) / (to - from), 0, 1);
    const minutes = Math.max(LEG_RANGE.minutes[0], leg.minutes * share);
    const place = placeIn(leg, 0, share);
    return [{ ...leg, ...place, minutes, distanceM: leg.distanceM * share, climbM: leg.climbM * share }];
  });
  const back = [...there]
    .reverse()
    .filter((leg) => !isStop(leg))
    .map((leg): Leg => {
      const { profileFrom, profileTo } = leg;
      const place = profileFrom === undefined ? {} : { profileFrom: profileTo, profileTo: profileFrom };
      return { ...leg, ...place, name: `Back, ${leg.name}`.slice(0, 120), climbM: -leg.climbM };
    });
  return { ...outing, legs: [...there, ...back] };
}

/** Which samples of the route a part of a leg covers. */
function placeIn(leg: Leg, from: number, to: number): Pick<Leg, 'profileFrom' | 'profileTo'> {
  const { profileFrom: a, profileTo: b } = leg;
  if (a === undefined || b === undefined) return {};
  return { profileFrom: Math.round(a + (b - a) * from), profileTo: Math.round(a + (b - a) * to) };
}

function pieces(timeline: Timeline, marks: readonly WayMark[]): Piece[] {
  const list = [START, ...marks];
  const halts = list.slice(1).flatMap((m, i) => {
    const seconds = m.atS - list[i].atS;
    return m.wayS - list[i].wayS < 1 && seconds >= HALT_S ? [{ wayS: m.wayS, seconds }] : [];
  });
  const halted = (from: number, to: number) =>
    halts.filter((h) => h.wayS >= from + 1 && h.wayS <= to - 1).reduce((sum, h) => sum + h.seconds, 0);
  const out: Piece[] = [];
  timeline.legs.forEach((_, leg) => {
    const [from, to] = [timeline.legStartS[leg], timeline.legStartS[leg + 1]];
    const inLeg = halts.filter((h) => h.wayS >= from && h.wayS < to);
    let at = from;
    const go = (until: number) => {
      if (until - at < 1) return;
      // The hand of the wrist at both ends, without halts that fall exactly on them.
      const seconds = leaving(list, until, 'before') - leaving(list, at, 'after') - halted(at, until);
      out.push({ leg, from: (at - from) / (to - from), to: (until - from) / (to - from), seconds, halt: false });
      at = until;
    };
    for (const h of joinedHalts(inLeg)) {
      go(h.wayS);
      const share = (h.wayS - from) / (to - from);
      out.push({ leg, from: share, to: share, seconds: h.seconds, halt: true });
    }
    go(to);
  });
  return out;
}

/** When on the wrist a moment of the way is reached, or left. */
function leaving(list: readonly WayMark[], wayS: number, which: 'before' | 'after'): number {
  const at = list.filter((m) => Math.abs(m.wayS - wayS) < 1);
  if (at.length > 0) return which === 'before' ? at[0].atS : at[at.length - 1].atS;
  return wristAt(list.slice(1), wayS);
}

function joinedHalts(list: readonly { wayS: number; seconds: number }[]): { wayS: number; seconds: number }[] {
  const out: { wayS: number; seconds: number }[] = [];
  for (const h of list) {
    const last = out[out.length - 1];
    if (last && h.wayS - last.wayS < 1) last.seconds += h.seconds;
    else out.push({ ...h });
  }
  return out;
}

/** Metres of the way at a time on it, s. */
export function metresAt(timeline: Timeline, wayS: number): number {
  const here = stretchAt(timeline, wayS);
  const span = here.endS - here.startS;
  // A stretch carries the distance of its middle.
  const middle = (here.startS + here.endS) / 2;
  return Math.max(0, here.distanceM + (span > 0 ? (clamp(wayS, here.startS, here.endS) - middle) * here.speedMs : 0));
}

/**
 * When on the way somebody is who has come so many metres, s. During a stop the metres do not change: then it is the time within it
 * that lies nearest to what the clock says.
 */
export function wayOfMetres(timeline: Timeline, metres: number, clockS: number): number {
  let from = 0;
  let to = timeline.endS;
  for (let k = 0; k < 50 && to - from > 0.5; k++) {
    const mid = (from + to) / 2;
    if (metresAt(timeline, mid) < metres - 1) from = mid;
    else to = mid;
  }
  const first = to;
  from = first;
  to = timeline.endS;
  for (let k = 0; k < 50 && to - from > 0.5; k++) {
    const mid = (from + to) / 2;
    if (metresAt(timeline, mid) <= metres + 1) from = mid;
    else to = mid;
  }
  return clamp(clockS, first, Math.max(first, from));
}

/** Kinds of place out of the wind. */
const LEE: ReadonlySet<string> = new Set(['forest', 'indoor', 'street']);
/** Farther than this nobody waits for a lee, s. */
const LEE_AHEAD_S = 1200;

/** Metres to the next place out of the wind that the way comes to soon; null: none. @param wayS on the way */
export function nextLee(timeline: Timeline, wayS: number): number | null {
  const leg = timeline.legs.findIndex(
    (l, i) => LEE.has(l.shelter) && timeline.legStartS[i] > wayS && timeline.legStartS[i] < wayS + LEE_AHEAD_S,
  );
  return leg < 0 ? null : metresAt(timeline, timeline.legStartS[leg]) - metresAt(timeline, wayS);
}
