import { UTCDate } from '@date-fns/utc';
import { format, isValid, parse } from 'date-fns';
import { enGB } from 'date-fns/locale';
import { refuse } from './problem';

/** The years that are taken: an integer of seconds since 1970 holds them, and no outing lies outside. */
export const FIRST_TIME_MS = 0;
export const LAST_TIME_MS = Date.UTC(2096, 11, 31, 23, 59, 59);

/** Moments are wall-clock milliseconds of the place: no zone is ever applied to them. */
const at = (ms: number, pattern: string): string => format(new UTCDate(ms), pattern, { locale: enGB });

/** Time of day, `08:10`. */
export const timeOfDay = (ms: number): string => at(ms, 'HH:mm');

/** `Sat 16 Jan`. */
export const day = (ms: number): string => at(ms, 'EEE d MMM');

/** `16`. */
export const dayOfMonth = (ms: number): string => at(ms, 'd');

/** `January`. */
export const month = (ms: number): string => at(ms, 'MMMM');

/** `16 January 2027`. */
export const wholeDay = (ms: number): string => at(ms, 'd MMMM yyyy');

/** What a date field shows: `2027-01-16T08:00`. */
export const localTimeText = (ms: number): string => at(ms, "yyyy-MM-dd'T'HH:mm");

/** Time out, `1:05`. */
export function clock(seconds: number): string {
  const m = Math.round(seconds / 60);
  return `${Math.floor(m / 60)}:${String(m % 60).padStart(2, '0')}`;
}

/** What may stand behind the minutes: seconds, and a zone that is not applied. */
const TAIL = /(:\d{2}(\.\d+)?)?(Z|[+-]\d{2}:?\d{2})?$/;
const SHAPE = /^\d{4}-\d{2}-\d{2}[T ]\d{2}:\d{2}$/;

/**
 * Local time `2027-01-16T08:00` (a blank instead of T, seconds and a zone are tolerated; the zone is not applied: a
 * forecast is read on the clock of the place). @returns milliseconds of that wall clock @throws Refused
 */
export function readLocalTime(value: string, file: string, line?: number): number {
  const minutes = value.slice(0, 16);
  const whole = SHAPE.test(minutes) && TAIL.exec(value.slice(16))?.index === 0;
  const moment = parse(minutes.replace(' ', 'T'), "yyyy-MM-dd'T'HH:mm", new UTCDate(0));
  if (!whole || !isValid(moment))
    refuse(file, 'time', value || 'empty', 'local date and time such as 2027-01-16T08:00', line);
  if (moment.getTime() < FIRST_TIME_MS || moment.getTime() > LAST_TIME_MS)
    refuse(file, 'time', value, 'a time of the years 1970 to 2096', line);
  return moment.getTime();
}
