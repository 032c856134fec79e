import type { DoorDay, DoorStop } from '@/core/outing/doorDay';
import { cToFahrenheit, msToKmh } from '@/core/quantity/units';
import { format } from 'date-fns';
import { UTCDate } from '@date-fns/utc';
import { enGB } from 'date-fns/locale';
import { fromWind, minus, type Units } from './measures';
import { readLine, type DoorKey, type Spoken, type Unsaid } from './spokenLine';
import { EFFORT_WORDS, SPORT_WORDS } from './spokenWords';

const STOP_WORDS: Record<DoorStop['kind'], (s: DoorStop) => string> = {
  lights: (s) => `${s.times} lights`,
  start: (s) => `${plain(s.minutes)} min start pen`,
  wait: (s) => `${s.times} x ${plain(s.minutes)} min wait`,
  lunch: (s) => `${s.times > 1 ? `${s.times} x ` : ''}${plain(s.minutes)} min lunch`,
  hut: (s) => `${s.times > 1 ? `${s.times} x ` : ''}${plain(s.minutes)} min hut`,
};

const plain = (v: number): string => String(Math.round(v * 10) / 10);

/** One thing of a day in the words of the line, which reads it back as it was (to the whole degree, km/h and minute). */
export function wordsOf(key: DoorKey, d: DoorDay, units: Units): string {
  switch (key) {
    case 'sport':
      return SPORT_WORDS.find(([s]) => s === d.sport)![1][0];
    case 'minutes':
      return `${plain(d.minutes)} min`;
    case 'exertion':
      return EFFORT_WORDS.find(([e]) => e === d.exertion)?.[1][0] ?? `effort ${plain(d.exertion)}`;
    case 'airC':
      return units === 'imperial' ? `${minus(cToFahrenheit(d.airC), 0)}F` : `${minus(d.airC, 0)}°`;
    case 'windMs':
      return `wind ${(units === 'imperial' ? fromWind(d.windMs, units) : msToKmh(d.windMs)).toFixed(0)}`;
    case 'falls':
      return fallWords(d);
    case 'sky':
      return d.sky;
    case 'shelter':
      return d.shelter;
    case 'stops':
      return d.stops.length === 0 ? 'no stops' : d.stops.map((s) => STOP_WORDS[s.kind](s)).join(', ');
    case 'startMs':
      return `${at(d.startMs, 'd MMM yyyy')} at ${at(d.startMs, 'HH:mm')}`;
    case 'packKg':
      return d.packKg === 0 ? 'no pack' : `pack ${plain(d.packKg)} kg`;
  }
}

const at = (ms: number, pattern: string): string => format(new UTCDate(ms), pattern, { locale: enGB });

function fallWords({ falls }: DoorDay): string {
  if (falls.kind === 'none' || falls.mmH === 0) return 'dry';
  const clock = (word: string, ms: number | undefined) => (ms === undefined ? '' : ` ${word} ${at(ms, 'HH:mm')}`);
  return `${falls.kind} ${plain(falls.mmH)} mm${clock('from', falls.fromMs)}${clock('until', falls.untilMs)}`;
}

/** The line with one thing said anew: in its place where it was said, else at the end. */
export function rewriteLine(spoken: Spoken, key: DoorKey, day: DoorDay, unsaid: Unsaid): Spoken {
  const places = spoken.said.filter((s) => s.key === key);
  const words = wordsOf(key, day, unsaid.units);
  let text = spoken.text;
  // From the end, so that earlier places stay where they are; only the first keeps the words.
  [...places].reverse().forEach((p, i) => {
    text = text.slice(0, p.from) + (i === places.length - 1 ? words : '') + text.slice(p.to);
  });
  if (places.length === 0) text = `${text.trimEnd()}${text.trim() === '' ? '' : ', '}${words}`;
  return readLine(text.replace(/(,\s*){2,}/g, ', '), unsaid);
}

/** A day as a line, all of it that somebody would say. */
export const lineOf = (day: DoorDay, units: Units): string =>
  (['sport', 'minutes', 'exertion', 'airC', 'windMs', 'falls', 'stops'] as const)
    .filter((k) => k !== 'stops' || day.stops.length > 0)
    .map((k) => wordsOf(k, day, units))
    .join(' ');
