import { isInside, type Miss } from './miss';
import { hasFault } from './causes';
import type { BookDay } from './day';

/** One day for counting: what was told of it, and how far off what was said of it was. */
export interface Counted {
  id: string;
  day: BookDay;
  miss: Miss | null;
}

/** How a winter went. */
export interface Season {
  days: number;
  hours: number;
  right: number;
  /** right and not wet */
  rightAndDry: number;
  /** days of which something was said before and felt after, and of how many the feeling lay within eight in ten */
  foretold: number;
  inside: number;
  /** mean of how far off the first and the last few were, votes; null: too few */
  first: number | null;
  last: number | null;
}

/** So many days make a beginning and an end, and fewer than twice as many make neither. */
export const FEW = 7;

export function seasonOf(list: readonly Counted[]): Season {
  const told = list.filter((c) => c.day.was !== null);
  const misses = list.flatMap((c) => (c.miss ? [c.miss] : []));
  const off = (some: readonly Miss[]) => some.reduce((sum, m) => sum + Math.abs(m.votes), 0) / some.length;
  const right = told.filter((c) => c.day.was === 'right');
  return {
    days: list.length,
    hours: list.reduce((sum, c) => sum + c.day.seconds, 0) / 3600,
    right: right.length,
    rightAndDry: right.filter((c) => !hasFault(c.day, 'wet')).length,
    foretold: misses.length,
    inside: misses.filter(isInside).length,
    first: misses.length >= 2 * FEW ? off(misses.slice(0, FEW)) : null,
    last: misses.length >= 2 * FEW ? off(misses.slice(-FEW)) : null,
  };
}

/** How a piece did over the days. */
export interface Wear {
  garment: string;
  /** ids of days on which it was worn, came home wet, or was only carried */
  worn: Set<string>;
  wet: Set<string>;
  carried: Set<string>;
}

/** Water in a piece that makes a line in the book, g: less is dry to the hand. */
const WET_G = 8;

export function wearOf(list: readonly Counted[], garments: readonly string[]): Wear[] {
  return garments.map((garment) => {
    const of = (holds: (d: BookDay) => boolean) => new Set(list.filter((c) => holds(c.day)).map((c) => c.id));
    return {
      garment,
      worn: of((d) => d.worn.includes(garment)),
      wet: of((d) => d.worn.includes(garment) && d.wet.some((w) => w.garment === garment && w.waterG >= WET_G)),
      carried: of((d) => d.carried.includes(garment)),
    };
  });
}

/** Days on either side that belong to one mean of a week, ms. */
const HALF_WEEK_MS = 3.5 * 86_400_000;

/** What it felt like in the mean of the seven days round each day, °C. */
export function weekMean(list: readonly { startMs: number; feelsC: number }[]): number[] {
  return list.map(({ startMs }) => {
    const near = list.filter((o) => Math.abs(o.startMs - startMs) <= HALF_WEEK_MS);
    return near.reduce((sum, o) => sum + o.feelsC, 0) / near.length;
  });
}

/**
 * Places on one stretched axis: true dates, pushed apart only where marks would touch.
 * @param days ms, rising @param least share of the axis that a mark needs @returns 0–1 each
 */
export function stretched(days: readonly number[], least: number): number[] {
  const n = days.length;
  if (n === 0) return [];
  const span = Math.max(1, days[n - 1] - days[0]);
  const room = Math.min(least, 1 / Math.max(1, n - 1));
  // What is left over after every mark has its room is shared out by time.
  const free = Math.max(0, 1 - room * (n - 1));
  return days.map((d, i) => room * i + (free * (d - days[0])) / span);
}
