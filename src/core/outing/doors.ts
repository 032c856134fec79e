import { isIndoors } from '@/core/effort/sports';
import type { Stretch, Timeline } from './timeline';

/** Among houses somebody opens, h (engineering value). */
const STREET_DOOR_H = 0.1;

/** Hours to the nearest door, going on or back as the outing is gone; among houses one is always near. */
export function hoursToDoor(t: Timeline, place: Stretch): number {
  if (t.legs[place.leg].shelter === 'street') return STREET_DOOR_H;
  const doors = [0, t.endS, ...t.stretches.filter((s) => isIndoors(s.sport)).map((s) => s.startS)];
  return Math.min(...doors.map((d) => Math.abs(d - place.startS))) / 3600;
}
