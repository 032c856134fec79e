import type { Person } from '@/core/body/person';
import { timelineOf, type Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { asGone, turnedBack } from '@/core/outing/wayClock';
import type { OutThere } from './outThere';
import { plannedStartMs, type Opened } from './pack';
import { isAsSaid } from './taps';
import { asItWas, underSky } from './underSky';

/** An outing laid out on one clock. */
export interface LaidOut {
  outing: Outing;
  timeline: Timeline;
}

const laid = (outing: Outing, person: Person): LaidOut => ({ outing, timeline: timelineOf(outing, person) });

/** The outing as it is meant now, on the clock of the way: under the sky that was seen, and back where somebody turned. */
export function meantNow(
  { pack, timeline }: Opened,
  { sky, turnedBackWayS, was }: Pick<OutThere, 'sky' | 'turnedBackWayS' | 'was'>,
): LaidOut {
  // What was measured counts before what was seen out of the door.
  const seen = was ? asItWas(pack.outing, timeline, was) : isAsSaid(sky) ? pack.outing : underSky(pack.outing, sky);
  if (turnedBackWayS !== null) return laid(turnedBack(seen, timeline, turnedBackWayS), pack.person);
  return seen === pack.outing ? { outing: seen, timeline } : laid(seen, pack.person);
}

/** The outing as it really is gone, on the wrist's clock. Before the start it is the outing as it is meant. */
export function goneNow(
  opened: Opened,
  out: Pick<OutThere, 'sky' | 'turnedBackWayS' | 'was' | 'marks' | 'startMs'>,
): LaidOut {
  const meant = meantNow(opened, out);
  const { utcOffsetMin } = meant.outing;
  const startMs = (out.startMs ?? plannedStartMs(opened.pack)) + utcOffsetMin * 60_000;
  if (out.marks.length === 0 && startMs === meant.outing.startMs) return meant;
  return laid(asGone(meant.outing, meant.timeline, out.marks, startMs), opened.pack.person);
}
