import { PERSON_RANGE, type Person } from '@/core/body/person';
import { exp, ln } from '@/core/quantity/exact';
import { clamp } from '@/core/quantity/range';
import type { GarmentsLearned } from './garments';

/**
 * What outings teach of one athlete, each with what people differ by (one standard deviation). Gains are learned as logarithms, comfort as
 * K of skin: over 0 warmer, so that a cooler skin feels right.
 */
export const PARAMETERS = {
  /** sweat rate at one drive differs by a quarter among people (coefficients of variation near 25 % in the exercise literature, from memory) */
  sweat: { sd: 0.25, person: 'sweatGain', as: 'share' },
  /** energy cost of walking and running at one speed differs by some 5–8 % (from memory) */
  heat: { sd: 0.07, person: 'metabolicBias', as: 'share' },
  /** how firmly hands and feet close (engineering value, as the spread of the chances) */
  closing: { sd: 0.25, person: 'constriction', as: 'share' },
  /** whole-body comfort: about 0.7 K (ISO 7730's spread of votes over the slope of the sensation used here) */
  comfort: { sd: 0.7, person: 'warmth', as: 'K' },
  /** hands, feet and face are called cold at skins that differ by about 2 K among people (engineering value) */
  hands: { sd: 2, person: 'handsK', as: 'K' },
  feet: { sd: 2, person: 'feetK', as: 'K' },
  face: { sd: 2, person: 'faceK', as: 'K' },
} as const satisfies Record<string, { sd: number; person: keyof Person; as: 'share' | 'K' }>;

export type Parameter = keyof typeof PARAMETERS;
export const PARAMETER_NAMES = Object.keys(PARAMETERS) as Parameter[];

/** What is known of one athlete, against the numbers they gave: a normal distribution over `PARAMETER_NAMES`. */
export interface Learned {
  mean: number[];
  covariance: number[][];
  /** outings it rests on */
  outings: number;
  /** what was learned of single pieces; left out where nothing was */
  garments?: GarmentsLearned;
}

/** Before the first outing: what people differ by. */
export const nothingLearned = (): Learned => ({
  mean: PARAMETER_NAMES.map(() => 0),
  covariance: PARAMETER_NAMES.map((p, i) =>
    PARAMETER_NAMES.map((_, j) => (i === j ? PARAMETERS[p].sd * PARAMETERS[p].sd : 0)),
  ),
  outings: 0,
});

/** One parameter of it: its mean and standard deviation. */
export const of = (l: Learned, p: Parameter): { mean: number; sd: number } => {
  const i = PARAMETER_NAMES.indexOf(p);
  return { mean: l.mean[i], sd: Math.sqrt(Math.max(0, l.covariance[i][i])) };
};

/** The athlete with parameters as they may be. @param theta one number for each of `PARAMETER_NAMES` */
export function athleteWith(person: Person, theta: readonly number[]): Person {
  const out = { ...person };
  PARAMETER_NAMES.forEach((p, i) => {
    const { person: key, as } = PARAMETERS[p];
    const given = person[key] ?? 0;
    // What is as most people's stays left out.
    if (as === 'K' && theta[i] === 0 && person[key] === undefined) return;
    const value = as === 'share' ? given * exp(theta[i]) : given + theta[i];
    out[key] = clamp(value, PERSON_RANGE[key][0], PERSON_RANGE[key][1]);
  });
  return out;
}

/** The athlete as they are known by now. */
export const athleteAs = (person: Person, l: Learned): Person => athleteWith(person, l.mean);

/**
 * The same knowledge when the athlete now gives another number of themselves: outings stay as sure of the truth as they were, and where
 * they say little, the new number counts. In the parameters as they lie from what is given: θ' = θ + Σ Π d − d, with Σ the covariance now
 * and Π the precision before any outing (a normal prior moved by d).
 */
export function givenMoved(l: Learned, from: Person, to: Person): Learned {
  const d = PARAMETER_NAMES.map((p): number => {
    const { person: key, as } = PARAMETERS[p];
    const [was, is] = [from[key] ?? 0, to[key] ?? 0];
    if (was === is) return 0;
    return as === 'share' ? ln(is / was) : is - was;
  });
  if (d.every((v) => v === 0)) return l;
  const pull = d.map((v, i) => v / (PARAMETERS[PARAMETER_NAMES[i]].sd * PARAMETERS[PARAMETER_NAMES[i]].sd));
  const mean = l.mean.map((v, i) => v + l.covariance[i].reduce((sum, c, j) => sum + c * pull[j], 0) - d[i]);
  return { ...l, mean };
}
