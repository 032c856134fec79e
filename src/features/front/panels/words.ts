import { TALK_TEST } from '@/core/effort/fromAthlete';
import { msToKmh } from '@/core/quantity/units';
import { fromWind, type Units } from '@/formats/measures';

/** Wind at the front door is said in km/h or mph, as it is typed. */
export const windWords = (ms: number, units: Units): string =>
  units === 'imperial' ? `${fromWind(ms, units).toFixed(0)} mph` : `${msToKmh(ms).toFixed(0)} km/h`;

/** What one can still say at an effort, after the talk test. */
export function talk(exertion: number): string {
  if (exertion <= TALK_TEST.sing) return 'you could sing';
  if (exertion <= TALK_TEST.sentences) return 'whole sentences';
  if (exertion <= TALK_TEST.phrases) return 'short phrases';
  return exertion <= TALK_TEST.words ? 'single words' : 'gasps';
}

export const effortWord = (e: number): string =>
  e < 2.5 ? 'very easy' : e < 4 ? 'easy' : e < 6 ? 'steady' : e < 8 ? 'hard' : 'race';
