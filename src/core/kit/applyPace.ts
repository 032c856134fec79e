import { atPace, inShelter } from '@/core/outing/pacing';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import type { Cue } from './plan';

/** The outing as a plan's cues have it gone: slower before the top, faster in the cold, stops in shelter. */
export function applyPace(timeline: Timeline, cues: readonly Cue[]): Timeline {
  const changes = cues.filter((c) => c.pace || c.shelter);
  if (changes.length === 0) return timeline;
  let stretches = timeline.stretches;
  for (const c of changes) {
    const untilS = (c.pace ?? c.shelter)!.untilS;
    stretches = stretches.flatMap((s): Stretch[] => {
      if (s.endS <= c.atS + 1e-6 || s.startS >= untilS - 1e-6) return [s];
      const leg = timeline.legs[s.leg];
      const from = Math.max(s.startS, c.atS);
      const to = Math.min(s.endS, untilS);
      let changed: Stretch = { ...s, startS: from, endS: to };
      if (c.pace) changed = atPace(changed, leg, c.pace.share);
      if (c.shelter) changed = inShelter(changed, leg);
      return [
        ...(from > s.startS + 1e-6 ? [{ ...s, endS: from }] : []),
        changed,
        ...(to < s.endS - 1e-6 ? [{ ...s, startS: to }] : []),
      ];
    });
  }
  return { ...timeline, stretches };
}
