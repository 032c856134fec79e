import { metresAt, turnedBack, wayOfMetres } from '@/core/outing/wayClock';
import { timelineOf } from '@/core/outing/outing';
import { bearing } from '@/core/outing/route';
import type { Timeline } from '@/core/outing/timeline';
import { placeOf } from '@/core/outing/track';
import type { Opened } from './pack';

/** The way of somebody who turned back, on one clock: there, and the same way home. */
export interface BackWay {
  timeline: Timeline;
  /** m along the route at which they turned */
  turnM: number;
}

/** @param wayS where they turned, on the way @throws OutOfRange */
export const backWay = ({ pack, timeline }: Opened, wayS: number): BackWay => ({
  timeline: timelineOf(turnedBack(pack.outing, timeline, wayS), pack.person),
  turnM: metresAt(timeline, wayS),
});

/** When on that way somebody is who is so many metres along the route: on the way home the metres run down. */
export const wayOfMetresBack = ({ timeline, turnM }: BackWay, metres: number, clockS: number): number =>
  wayOfMetres(timeline, Math.max(turnM, 2 * turnM - metres), clockS);

/** How far it still is to the start, m, how far one has come, and in which direction the way leads from here, degrees from north; null: nobody knows the place. */
export interface WayHome {
  metres: number;
  /** m gone so far, there and back */
  goneM: number;
  towardsDeg: number | null;
}

/** So far ahead the way is looked at for its direction, m: nearer it wavers with the paths. */
const AHEAD_M = 120;

/** The way home of somebody who turned back. @param out with where they turned; null: they did not */
export function wayHome(
  opened: Opened,
  out: { turnedBackWayS: number | null; wayS: number; place: { metres: number; off: boolean } | null },
): WayHome | null {
  if (out.turnedBackWayS === null) return null;
  const { timeline, turnM } = backWay(opened, out.turnedBackWayS);
  const at = out.place && !out.place.off ? out.place.metres : 2 * turnM - metresAt(timeline, out.wayS);
  const metres = Math.max(0, Math.min(turnM, at));
  const { track } = opened.pack;
  const here = track && out.place ? placeOf(track, metres) : null;
  return {
    metres,
    goneM: 2 * turnM - metres,
    towardsDeg: here && track && metres > 1 ? bearing(here, placeOf(track, Math.max(0, metres - AHEAD_M))) : null,
  };
}
