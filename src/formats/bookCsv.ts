import Papa from 'papaparse';
import type { BookDay } from '@/core/afterwards/day';
import type { Miss } from '@/core/afterwards/miss';
import type { Garment } from '@/core/clothing/garment';
import { localTimeText } from './dates';

/** One day of the book, as a table has it. */
export interface BookRow {
  name: string;
  startMs: number;
  day: BookDay | null;
  miss: Miss | null;
  kept: boolean;
  leftOut: boolean;
}

const fixed = (v: number, digits: number): number => Number(v.toFixed(digits));

/** The book as CSV, a day a row, SI units in the heads; a day that cannot be laid out any more has its name and date. */
export function bookCsv(rows: readonly BookRow[], closet: readonly Garment[]): string {
  const names = new Map(closet.map((g) => [g.id, g.name]));
  const list = (ids: readonly string[]) => ids.map((id) => names.get(id) ?? id).join('; ');
  return Papa.unparse(
    rows.map(({ name, startMs, day: d, miss, kept, leftOut }) => ({
      start: localTimeText(startMs),
      name,
      sport: d?.sport ?? '',
      minutes: d ? Math.round(d.seconds / 60) : '',
      distance_m: d ? Math.round(d.distanceM) : '',
      climb_m: d ? Math.round(d.climbM) : '',
      air_c: d ? fixed(d.airC, 1) : '',
      wind_ms: d ? fixed(d.windMs, 1) : '',
      feels_c: d ? fixed(d.feelsC, 1) : '',
      was: d?.was ?? '',
      came_wet: d ? (d.cameWet ? 'yes' : 'no') : '',
      worst_part: d?.worst?.part ?? '',
      base_water_g: d?.baseG ?? '',
      felt_minus_said_votes: miss ? fixed(miss.votes, 2) : '',
      said_sd_votes: miss ? fixed(miss.sd, 2) : '',
      worn: d ? list(d.worn) : '',
      carried: d ? list(d.carried) : '',
      cues_done: d?.cuesDone ?? '',
      cues: d?.cues ?? '',
      learned: leftOut ? 'left out' : kept ? 'kept' : 'no',
      note: d?.note ?? '',
    })),
    // A cell that a spreadsheet would run as a formula is a word.
    { escapeFormulae: true },
  );
}
