import type { Leg } from '@/core/outing/leg';
import type { Outing } from '@/core/outing/outing';

/** Edits of an outing's legs by hand. Each returns a new outing; the old one is kept for undo. */

export const setLeg = (outing: Outing, i: number, patch: Partial<Leg>): Outing => ({
  ...outing,
  legs: outing.legs.map((l, k) => (k === i ? { ...l, ...patch } : l)),
});

const inserted = (outing: Outing, at: number, leg: Leg): Outing => ({
  ...outing,
  legs: [...outing.legs.slice(0, at), leg, ...outing.legs.slice(at)],
});

/** Minutes of a stop, and of a leg, where nobody has said yet. */
const STOP_MIN = 10;
const LEG_MIN = 30;

/** A standing stop where a leg ends. */
export function addStop(outing: Outing, after: number): Outing {
  const before = outing.legs[after];
  const end = before.profileTo;
  return inserted(outing, after + 1, {
    name: 'Stop',
    sport: 'stand',
    minutes: STOP_MIN,
    distanceM: 0,
    climbM: 0,
    effort: { by: 'usual' },
    shelter: before.shelter,
    packOn: false,
    noStopping: false,
    ...(end !== undefined ? { profileFrom: end, profileTo: end } : {}),
  });
}

/** A leg like the last, off the route. */
export function addLeg(outing: Outing): Outing {
  const { profileFrom: _f, profileTo: _t, ...last } = outing.legs[outing.legs.length - 1];
  return inserted(outing, outing.legs.length, { ...last, name: 'Next leg', distanceM: 0, climbM: 0, minutes: LEG_MIN });
}

export const duplicateLeg = (outing: Outing, i: number): Outing => inserted(outing, i + 1, { ...outing.legs[i] });

export const removeLeg = (outing: Outing, i: number): Outing => ({
  ...outing,
  legs: outing.legs.filter((_, k) => k !== i),
});

/** Puts a leg in another place. */
export function moveLeg(outing: Outing, from: number, to: number): Outing {
  const legs = [...outing.legs];
  const [leg] = legs.splice(from, 1);
  legs.splice(to, 0, leg);
  return { ...outing, legs };
}
