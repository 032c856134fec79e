import type { Lesson } from '@/core/calibrate/learn';
import { of, PARAMETER_NAMES, type Parameter } from '@/core/calibrate/learned';
import { exp } from '@/core/quantity/exact';
import { isInside, missOf } from './miss';

/** A parameter that moved by this share of what was unknown of it is worth a sentence (engineering value). */
export const MOVED = 0.3;

const SAYS: Record<Parameter, (by: number) => string> = {
  sweat: (v) => `You sweated ${percent(v)} ${v > 0 ? 'more' : 'less'} than I thought`,
  heat: (v) => `You made ${percent(v)} ${v > 0 ? 'more' : 'less'} heat than I thought`,
  closing: (v) => (v > 0 ? 'Your hands and feet closed sooner' : 'Your hands and feet stayed open longer'),
  comfort: (v) => (v > 0 ? 'You ran warmer than I thought' : 'You felt the cold more than I thought'),
  hands: (v) => (v > 0 ? 'Your hands felt warm sooner' : 'Your hands felt cold sooner'),
  feet: (v) => (v > 0 ? 'Your feet felt warm sooner' : 'Your feet felt cold sooner'),
  face: (v) => (v > 0 ? 'Your face felt warm sooner' : 'Your face felt cold sooner'),
};
const percent = (v: number): string => `${Math.abs(Math.round(100 * (exp(v) - 1)))} %`;

/** What a day said, in a lead and at most two sentences of what it taught. */
export function afterWords(lesson: Lesson | null): { lead: string; rest: string } {
  if (!lesson) return { lead: 'Not told yet.', rest: 'A word, a weight or a track, and it teaches.' };
  const moved = PARAMETER_NAMES.map((p) => {
    const [a, b] = [of(lesson.before, p), of(lesson.after, p)];
    return { p, by: b.mean - a.mean, share: Math.abs(b.mean - a.mean) / a.sd };
  })
    .filter((m) => m.share > MOVED)
    .sort((a, b) => b.share - a.share)
    .slice(0, 2);
  const miss = missOf(lesson);
  const cold = lesson.felt.some((f) => f.word === 'cold');
  const hot = lesson.felt.some((f) => f.part === 'torso' && f.word === 'hot');
  // Nothing here may sound rosier than what was told.
  const lead = cold
    ? 'It was too cold somewhere.'
    : hot
      ? 'It was too warm.'
      : miss === null
        ? 'Weighed, not felt.'
        : isInside(miss)
          ? 'It was as I said.'
          : 'I was off.';
  const rest =
    moved.length === 0
      ? 'Nothing in your numbers moves for it.'
      : `${moved.map((m, i) => (i === 0 ? SAYS[m.p](m.by) : lower(SAYS[m.p](m.by)))).join(', and ')}.`;
  return { lead, rest };
}

const lower = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1);
