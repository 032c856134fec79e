import { normalBelow as below, normalDensity as density } from '@/core/quantity/normal';

/** Words in their order, parted at thresholds on the scale of a reading, and how much people scatter on it. */
export interface Scale {
  /** rising; one fewer than there are words */
  cuts: readonly number[];
  sd: number;
  /** share of answers that are slips, spread over all words alike */
  slip: number;
}

const edge = (s: Scale, word: number, reading: number, side: 0 | 1): number => {
  const cut = s.cuts[word - 1 + side];
  return cut === undefined ? (side === 0 ? -Infinity : Infinity) : (cut - reading) / s.sd;
};

/** How likely a word is said at a reading, 0–1: ordinal probit (McKelvey & Zavoina 1975) with slips. @param word 0 the lowest */
export function oddsOf(s: Scale, word: number, reading: number): number {
  const p = below(edge(s, word, reading, 1)) - below(edge(s, word, reading, 0));
  return s.slip / (s.cuts.length + 1) + (1 - s.slip) * Math.max(0, p);
}

/** By how much the odds change with the reading. */
const slope = (s: Scale, word: number, reading: number): number =>
  ((1 - s.slip) * (density(edge(s, word, reading, 0)) - density(edge(s, word, reading, 1)))) / s.sd;

/**
 * What a word says of the reading: the score (change of its log-likelihood with the reading) and the information that a word carries
 * there in the mean over all words (Fisher), so that one surprising word is no more certain than a usual one.
 */
export function wordSays(s: Scale, word: number, reading: number): { score: number; information: number } {
  let information = 0;
  for (let k = 0; k <= s.cuts.length; k++) {
    const p = oddsOf(s, k, reading);
    const d = slope(s, k, reading);
    if (p > 1e-12) information += (d * d) / p;
  }
  return { score: slope(s, word, reading) / Math.max(1e-12, oddsOf(s, word, reading)), information };
}
