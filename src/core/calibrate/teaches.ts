import type { Person } from '@/core/body/person';
import { ln } from '@/core/quantity/exact';
import { linearised, spreadOf } from './learn';
import { HOME_SCALE_G, SCALES, bodySd, weighedSd, type FeltThen, type Outed } from './readings';
import type { Learned } from './learned';
import { PARAMETER_NAMES } from './learned';
import { wordSays } from './ordinal';
import { FELT } from './words';

/** Something that may be told of an outing: a word of a part in a while, a piece on the kitchen scale, or the body on the bathroom scale. */
export type Ask =
  { kind: 'word'; felt: Omit<FeltThen, 'word'>; where: string } | { kind: 'weigh'; garment: string } | { kind: 'body' };

/** How much an answer would teach: what it takes off the spread of all that is unknown, in nats of information (half the log of the variance). */
export interface Teaches {
  ask: Ask;
  gain: number;
}

/**
 * What would teach the most of an outing like this one, the most first: the information each answer is expected to bring
 * (Lindley 1956; for a linearised model ½ ln(1 + variance of what is said over that of the answer)).
 */
export function teachesMost(known: Learned, person: Person, o: Outed, asks: readonly Ask[]): Teaches[] {
  const felt = asks.flatMap((a) => (a.kind === 'word' ? [{ ...a.felt, word: 'fine' as const }] : []));
  const weighed = asks.flatMap((a) =>
    a.kind === 'weigh' ? [{ garment: a.garment, waterG: 0, scaleG: HOME_SCALE_G.kitchen }] : [],
  );
  const asked: Outed = { ...o, felt, weighed, body: { lossG: 0, scaleG: HOME_SCALE_G.bathroom } };
  const sds = PARAMETER_NAMES.map((_, i) => Math.sqrt(known.covariance[i][i]));
  const { here, slopes } = linearised(asked, person, known.mean, sds);
  let word = 0;
  let weight = 0;
  const gainOf = (a: Ask): number => {
    if (a.kind === 'word') {
      const k = word++;
      const spread = spreadOf(
        known.covariance,
        slopes.map((s) => s.felt[k]),
      );
      const { information } = wordSays(SCALES[a.felt.part], FELT.indexOf('fine'), here.felt[k]);
      return ln(1 + spread * information) / 2;
    }
    const k = a.kind === 'weigh' ? weight++ : -1;
    const slope = slopes.map((s) => (k >= 0 ? s.weighed[k] : s.bodyG));
    const sd = k >= 0 ? weighedSd(HOME_SCALE_G.kitchen, here.weighed[k]) : bodySd(HOME_SCALE_G.bathroom, here.bodyG);
    return ln(1 + spreadOf(known.covariance, slope) / (sd * sd)) / 2;
  };
  return asks.map((ask) => ({ ask, gain: gainOf(ask) })).sort((a, b) => b.gain - a.gain);
}
