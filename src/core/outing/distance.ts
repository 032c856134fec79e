import { clamp } from '@/core/quantity/range';
import type { Timeline } from './timeline';

/** How far one has come at a time, m: even along each leg. @param timeS s from the start */
export function distanceAt(timeline: Timeline, timeS: number): number {
  return timeline.legs.reduce((sum, leg, i) => {
    const from = timeline.legStartS[i];
    const share = clamp((timeS - from) / (timeline.legStartS[i + 1] - from), 0, 1);
    return sum + Math.max(0, leg.distanceM) * share;
  }, 0);
}

/** When one has come so far, s; the end where the way is shorter. */
export function timeAtDistance(timeline: Timeline, distanceM: number): number {
  let before = 0;
  for (let i = 0; i < timeline.legs.length; i++) {
    const length = Math.max(0, timeline.legs[i].distanceM);
    const from = timeline.legStartS[i];
    if (length > 0 && before + length >= distanceM)
      return from + ((distanceM - before) / length) * (timeline.legStartS[i + 1] - from);
    before += length;
  }
  return timeline.endS;
}

/** Metres climbed on the way, by the heights of the stretches. The one climb of an outing: screens and print take it from here. */
export const climbedM = (timeline: Timeline): number =>
  timeline.stretches.reduce((up, s, i) => up + (i > 0 ? Math.max(0, s.eleM - timeline.stretches[i - 1].eleM) : 0), 0);
