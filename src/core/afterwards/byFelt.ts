import type { BookDay } from './day';

/** Days of one band of what it felt like, and how they were. */
export interface FeltBand {
  /** lower end, in the unit that the bands are of */
  from: number;
  right: number;
  warm: number;
  cold: number;
}

/**
 * Told days by what it felt like, in bands from the coldest to the mildest, none left out between.
 * @param feltOf a day's number in the unit of the bands @param wide how wide a band is, over 0
 */
export function byFelt(days: readonly BookDay[], feltOf: (d: BookDay) => number, wide: number): FeltBand[] {
  const told = days.filter((d) => d.was !== null);
  if (told.length === 0) return [];
  const bandOf = (d: BookDay) => Math.floor(feltOf(d) / wide);
  const first = Math.min(...told.map(bandOf));
  const last = Math.max(...told.map(bandOf));
  const count = (band: number, was: BookDay['was']) => told.filter((d) => bandOf(d) === band && d.was === was).length;
  return Array.from({ length: last - first + 1 }, (_, i) => first + i).map((band) => ({
    from: band * wide,
    right: count(band, 'right'),
    warm: count(band, 'too warm'),
    cold: count(band, 'too cold'),
  }));
}
