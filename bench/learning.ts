import seedrandom from 'seedrandom';
import { AVERAGE_PERSON, type Person } from '@/core/body/person';
import { aheadOf } from '@/core/calibrate/belief';
import { athleteWith, nothingLearned, of, PARAMETER_NAMES, PARAMETERS, type Learned } from '@/core/calibrate/learned';
import { expects, learn } from '@/core/calibrate/learn';
import { SCALES, type FeltThen, type Outed } from '@/core/calibrate/readings';
import { FELT, type Part } from '@/core/calibrate/words';
import { oddsOf } from '@/core/calibrate/ordinal';
import type { Plan } from '@/core/kit/plan';
import { EIGHT_IN_TEN } from '@/core/quantity/normal';
import { runPlan } from '@/core/questions/question';
import { aLeg, dayOf, SKI_CLOSET } from '#tests/support/outings';

const OUTINGS = 6;

const person: Person = AVERAGE_PERSON;
const base = [
  'thin-merino-base',
  'briefs',
  'thin-tights',
  'soft-trousers',
  'wool-socks',
  'touring-boots',
  'liner-gloves',
  'thin-cap',
];
const planOf = (mid: 'fleece' | 'none', warmAtS: number): Plan => ({
  worn: [...base, 'wind-shell-pits', ...(mid === 'fleece' ? ['grid-fleece'] : [])],
  carried: ['standby-puffy', 'warm-mitts'],
  openings: {},
  cues: [{ atS: warmAtS, actions: [{ do: 'putOn', garment: 'standby-puffy' }] }],
});
const dayAt = (airC: number, wind: number, watts: number) =>
  dayOf(
    [
      aLeg({ name: 'Up', minutes: 55, effort: { by: 'metabolic', value: watts } }),
      aLeg({ name: 'Top', sport: 'stand', minutes: 12, effort: { by: 'usual' }, air: { wind: wind + 2 } }),
      aLeg({ name: 'Down', sport: 'downhill ski', minutes: 25, effort: { by: 'usual' }, air: { wind: wind + 4 } }),
    ],
    airC,
    wind,
  );
/** Of each part and phase so many are answered; the rest is skipped, as in every hall. */
const ANSWERED = 0.85;
const UP_S = 55 * 60;
const END_S = 92 * 60;

/** Days of a winter: mild and cold, easy and hard, thinly and thickly dressed. */
const DAYS: Outed[] = [
  [-4, 2, 620, 'none'],
  [-12, 3, 650, 'fleece'],
  [-7, 5, 520, 'fleece'],
  [-2, 2, 700, 'fleece'],
  [-16, 2, 600, 'fleece'],
  [-9, 4, 680, 'none'],
].map(([airC, wind, watts, mid]) => ({
  timeline: dayAt(airC as number, wind as number, watts as number),
  plan: planOf(mid as 'fleece' | 'none', UP_S),
  closet: SKI_CLOSET,
  felt: [],
  weighed: [],
}));
/** The day that is to be foretold, which nobody learned from. */
const NEXT: Outed = {
  timeline: dayAt(-8, 3, 640),
  plan: planOf('fleece', UP_S),
  closet: SKI_CLOSET,
  felt: [],
  weighed: [],
};

type Random = () => number;
const normal = (r: Random): number => Math.sqrt(-2 * Math.log(1 - r())) * Math.cos(2 * Math.PI * r());

/** What somebody with a hidden truth would tell of a day: words at their own odds, weights by a kitchen scale in a damp hall. */
function told(day: Outed, truth: readonly number[], r: Random): Outed {
  const parts: Part[] = ['torso', 'hands', 'feet', 'face'];
  const asked = parts.flatMap((part): FeltThen[] => [
    { part, word: 'fine', fromS: 0, toS: UP_S / 2 },
    { part, word: 'fine', fromS: UP_S / 2, toS: UP_S },
    { part, word: 'fine', fromS: UP_S, toS: END_S },
  ]);
  const weighed = ['thin-merino-base', 'wool-socks'].map((garment) => ({ garment, waterG: 0, scaleG: 1 }));
  const is = expects({ ...day, felt: asked, weighed }, person, truth);
  const felt = asked.flatMap((f, k): FeltThen[] => {
    if (r() > ANSWERED) return [];
    let left = r();
    const word = FELT.find((_, w) => (left -= oddsOf(SCALES[f.part], w, is.felt[k])) <= 0) ?? 'fine';
    return [{ ...f, word }];
  });
  return {
    ...day,
    felt,
    weighed: weighed.map((w, k) => ({ ...w, waterG: Math.max(0, is.weighed[k] * (1 + 0.15 * normal(r)) + normal(r)) })),
  };
}

interface Foretold {
  waterG: number;
  fingersC: number;
  vote: number;
}
function foretell(theta: readonly number[]): Foretold {
  const { timeline, plan, closet } = NEXT;
  const scored = runPlan({ person: athleteWith(person, theta), closet, timeline, plan }, plan, {
    stepS: 60,
    sampleS: 120,
  });
  const up = Math.floor(UP_S / scored.series.stepS);
  return { ...aheadOf(scored, 0), vote: scored.metrics.sensation[up] };
}
const KINDS = ['waterG', 'fingersC', 'vote'] as const;

/** How learning does over many simulated athletes. */
export interface LearningProof {
  athletes: number;
  /** mean error after so many outings over that before, by what is foretold */
  error: Record<(typeof KINDS)[number], number[]>;
  /** how many of a hundred truths lie in the eight-in-ten interval, over all parameters, after six outings */
  held: number;
  /** the worst error after six outings of the whole, over that of knowing nothing */
  worstShare: number;
}

export function learningProof(athletes: number, seed = 1): LearningProof {
  const sums = Object.fromEntries(KINDS.map((k) => [k, Array.from({ length: OUTINGS + 1 }, () => 0)])) as Record<
    (typeof KINDS)[number],
    number[]
  >;
  let held = 0;
  for (let a = 0; a < athletes; a++) {
    const r = seedrandom(`learning ${seed} ${a}`);
    const truth = PARAMETER_NAMES.map((p) => Math.max(-2, Math.min(2, normal(r))) * PARAMETERS[p].sd);
    const real = foretell(truth);
    let known: Learned = nothingLearned();
    for (let k = 0; k <= OUTINGS; k++) {
      const guess = foretell(known.mean);
      for (const kind of KINDS) sums[kind][k] += Math.abs(guess[kind] - real[kind]);
      if (k < OUTINGS) known = learn(known, person, told(DAYS[k], truth, r));
    }
    PARAMETER_NAMES.forEach((p, i) => {
      const { mean, sd } = of(known, p);
      if (Math.abs(truth[i] - mean) <= EIGHT_IN_TEN * sd) held++;
    });
  }
  const error = Object.fromEntries(KINDS.map((k) => [k, sums[k].map((v) => v / sums[k][0])])) as LearningProof['error'];
  return {
    athletes,
    error,
    held: (100 * held) / (athletes * PARAMETER_NAMES.length),
    worstShare: Math.max(...KINDS.map((k) => error[k][OUTINGS])),
  };
}
