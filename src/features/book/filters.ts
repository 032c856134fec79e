import { hasFault } from '@/core/afterwards/causes';
import type { Counted } from '@/core/afterwards/season';
import type { Garment } from '@/core/clothing/garment';
import { day as dayWords, month } from '@/formats/dates';
import type { BookEntry } from '@/store/book';
import { goingOf, type Going } from './Marks';

export const FEELINGS = ['right', 'too warm', 'too cold', 'wet'] as const;
export type Feeling = (typeof FEELINGS)[number];

/** What of the book is looked at; empty sets and nulls: everything. */
export interface Filter {
  find: string;
  goings: ReadonlySet<Going>;
  feelings: ReadonlySet<Feeling>;
  /** °C and m/s, from and to */
  air: readonly [number, number] | null;
  wind: readonly [number, number] | null;
  /** garments that were along */
  pieces: ReadonlySet<string>;
}

export const EVERYTHING: Filter = {
  find: '',
  goings: new Set(),
  feelings: new Set(),
  air: null,
  wind: null,
  pieces: new Set(),
};

/** An entry of which everything is known. */
export type Told = BookEntry & Counted;
export const isLaidOut = (e: BookEntry): e is Told => e.day !== null;

export const feels = (e: Told, f: Feeling): boolean => (f === 'wet' ? hasFault(e.day, 'wet') : e.day.was === f);

const within = (v: number, range: readonly [number, number] | null): boolean =>
  range === null || (v >= range[0] && v <= range[1]);

/** Whether a day is among those looked at. Search knows place, piece, word, month and feeling. */
export function shows(f: Filter, e: Told, garments: ReadonlyMap<string, Garment>): boolean {
  const { day } = e;
  const along = [...day.worn, ...day.carried];
  const words = [
    e.name,
    dayWords(e.startMs),
    month(e.startMs),
    day.was ?? 'not told',
    day.cameWet ? 'wet' : 'dry',
    day.worst?.part ?? '',
    day.note,
    ...along.map((id) => garments.get(id)?.name ?? ''),
  ]
    .join(' ')
    .toLowerCase();
  return (
    f.find
      .toLowerCase()
      .split(/\s+/)
      .every((w) => words.includes(w)) &&
    (f.goings.size === 0 || f.goings.has(goingOf(day.sport))) &&
    (f.feelings.size === 0 || FEELINGS.some((w) => f.feelings.has(w) && feels(e, w))) &&
    within(day.airC, f.air) &&
    within(day.windMs, f.wind) &&
    [...f.pieces].every((p) => along.includes(p))
  );
}

/** Ways of going that there are days of, in one order: that of the buttons and of the keys. */
export const goingsOf = (days: readonly Told[]): Going[] => [...new Set(days.map((d) => goingOf(d.day.sport)))].sort();

/** Winters run from July to June. */
export const winterOf = (ms: number): number => new Date(ms - 181 * 86_400_000).getUTCFullYear();
