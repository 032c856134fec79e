import { feltSplit } from '@/core/outing/feltSplit';
import type { Timeline } from '@/core/outing/timeline';
import { clock } from '@/formats/dates';
import { difference, temperature, type Units } from '@/formats/measures';

/** What is less than this is not worth a word, K. */
const WORTH_K = { wind: 0.5, sun: 1, calm: 2 } as const;

/** Is it cold or is it the wind? In a sentence, at the moment that feels coldest. */
export function coldOrWind(timeline: Timeline, units: Units): string {
  const s = feltSplit(timeline);
  if (s === null) return '';
  const { worst } = s;
  if (s.windK + s.ownK < WORTH_K.calm && s.sunK > -WORTH_K.sun)
    return `It is the cold, hardly any wind: at worst ${temperature(worst.airC, units)} on bare skin.`;
  const parts = [
    s.windK > WORTH_K.wind && `${difference(s.windK, units, 0)} is the wind`,
    s.ownK > WORTH_K.wind && `${difference(s.ownK, units, 0)} your own speed`,
    s.ownK < -WORTH_K.wind && `your own speed takes ${difference(-s.ownK, units, 0)} off`,
    s.sunK < -WORTH_K.sun && `the sun gives ${difference(-s.sunK, units, 0)} back`,
  ].filter(Boolean);
  return `On bare skin at ${clock(worst.startS)}, beyond the air’s ${temperature(worst.airC, units)}, ${parts.join(' and ')}.`;
}
