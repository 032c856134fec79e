import { type Lesson } from '@/core/calibrate/learn';
import { SCALES } from '@/core/calibrate/readings';
import { EIGHT_IN_TEN } from '@/core/quantity/normal';
import { FELT, type Felt } from '@/core/calibrate/words';

/** Each word in votes (ISO 10551: cold −2 to hot 2), and how far within one word what is felt may lie (a uniform step of 1). */
const voteOf = (word: Felt): number => FELT.indexOf(word) - 2;
const WITHIN_A_WORD = Math.sqrt(1 / 12);

/** What was felt of the torso less what was said before, votes, and how far off that may be by what was known, one standard deviation. */
export interface Miss {
  votes: number;
  sd: number;
  /** the same after learning from it */
  after: number;
}

/** How far a day was from what was said of it: the mean over what was told of the torso; null: nothing was. */
export function missOf({ felt }: Pick<Lesson, 'felt'>): Miss | null {
  const torso = felt.filter((f) => f.part === 'torso');
  if (torso.length === 0) return null;
  const n = torso.length;
  const mean = (of: (f: (typeof torso)[number]) => number) => torso.reduce((sum, f) => sum + of(f), 0) / n;
  // What is said of one day rests on one knowledge: its error does not average away. The scatter of words does.
  const knows = mean((f) => f.sd);
  const scatter = (SCALES.torso.sd * SCALES.torso.sd + WITHIN_A_WORD * WITHIN_A_WORD) / n;
  return {
    votes: mean((f) => voteOf(f.word) - held(f.said)),
    sd: Math.sqrt(knows * knows + scatter),
    after: mean((f) => voteOf(f.word) - held(f.after)),
  };
}

/** Nobody has a word beyond hot and cold. */
const held = (vote: number): number => Math.max(-2.5, Math.min(2.5, vote));

export const isInside = ({ votes, sd }: Miss): boolean => Math.abs(votes) <= EIGHT_IN_TEN * sd;
