import { readLocalTime } from '@/formats/dates';

/**
 * The wall clock of a place, ms. `EMBER_NOW` (such as 2027-01-12T07:05) stops it there: for pictures, tests and trying out a day that
 * is not today.
 */
export function wallClock(utcOffsetMin: number): number {
  const stopped = process.env.EMBER_NOW;
  return stopped ? readLocalTime(stopped, 'EMBER_NOW') : Date.now() + utcOffsetMin * 60_000;
}
