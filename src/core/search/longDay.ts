import type { DoorDay } from '@/core/outing/doorDay';

/**
 * A day this long, or with a stop this long outdoors, min, or in which this much falls, mm/h, is more than a rung with small changes (rungs are
 * climbed dry): the whole planner looks at it too.
 */
const LONG = { minutes: 100, stop: 4, falls: 0.5 } as const;
export const isLong = ({ minutes, stops, falls }: DoorDay): boolean =>
  minutes > LONG.minutes ||
  (falls.kind !== 'none' && falls.mmH >= LONG.falls) ||
  stops.some((s) => s.kind !== 'hut' && s.kind !== 'lights' && s.minutes >= LONG.stop);
