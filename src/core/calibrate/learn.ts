import { Matrix, inverse, solve } from 'ml-matrix';
import type { Person } from '@/core/body/person';
import { bodyParameters } from '@/core/body/bodyParameters';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import type { Garment } from '@/core/clothing/garment';
import { garmentWater } from '@/core/judge/garmentWater';
import { LIMIT, SETTLE_S } from '@/core/judge/limits';
import type { Scored } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import type { Timeline } from '@/core/outing/timeline';
import { runPlan } from '@/core/questions/question';
import { clamp } from '@/core/quantity/range';
import { bodyLossG } from './bodyLoss';
import { athleteWith, PARAMETER_NAMES, PARAMETERS, type Learned, type Parameter } from './learned';
import { wordSays, type Scale } from './ordinal';
import { COLD_HANDS, SLIP, VOTE } from './votes';
import { FELT, type Felt, type Part } from './words';

/** How a part felt between two moments, s. */
export interface FeltThen {
  part: Part;
  word: Felt;
  fromS: number;
  toS: number;
}

/** Water in a piece when one came home, g, by a scale that errs by so much. */
export interface WeighedThen {
  garment: string;
  waterG: number;
  scaleG: number;
}

/** One outing as it was: how it was gone, what was worn when, and what was told of it. */
export interface Outed {
  timeline: Timeline;
  plan: Plan;
  closet: readonly Garment[];
  damp?: Record<string, number>;
  felt: readonly FeltThen[];
  weighed: readonly WeighedThen[];
  /** what the body itself lost by the scale, g, and the scale's error; left out where nobody stood on it */
  body?: { lossG: number; scaleG: number };
}

/** A reading of a run with what was told of it: what was said before, how surely (one standard deviation), and after learning. */
export interface Said {
  said: number;
  sd: number;
  after: number;
}

/** What one outing taught. */
export interface Lesson {
  before: Learned;
  after: Learned;
  felt: (FeltThen & Said)[];
  weighed: (WeighedThen & Said)[];
  body: (NonNullable<Outed['body']> & Said) | null;
}

/** ISO 7730's scatter is that of many people; what one and the same differs by from day to day is what comfort among people leaves of it. */
const VOTES_A_K = 0.5;
const VOTE_WITHIN = Math.sqrt(
  VOTE.sd * VOTE.sd - VOTES_A_K * PARAMETERS.comfort.sd * (VOTES_A_K * PARAMETERS.comfort.sd),
);
/**
 * Where the words part, on the scale each is read on: votes for the torso (ISO 10551, with the scatter of ISO 7730), °C of skin for the
 * rest (hands and feet between ISO 11079's limits; face by pain and comfort; engineering values).
 */
export const SCALES: Record<Part, Scale> = {
  torso: { cuts: [-VOTE.too, -0.5, 0.5, VOTE.too], sd: VOTE_WITHIN, slip: SLIP },
  hands: { cuts: [COLD_HANDS.atC - COLD_HANDS.sdK, LIMIT.fingerComfort, 32, 34.5], sd: COLD_HANDS.sdK, slip: SLIP },
  feet: { cuts: [COLD_HANDS.atC - COLD_HANDS.sdK, LIMIT.fingerComfort, 32, 34.5], sd: COLD_HANDS.sdK, slip: SLIP },
  face: { cuts: [LIMIT.facePain, 15, 31, 34], sd: 2.5, slip: SLIP },
};
const SKIN = { hands: zoneIndex('fingers'), feet: zoneIndex('toes'), face: zoneIndex('face') } as const;
/** Of these an offset of comfort shifts the reading. */
const OFFSET: Record<Part, Parameter | null> = { torso: null, hands: 'hands', feet: 'feet', face: 'face' };
/** What is remembered of a while is its coldest tenth. */
const REMEMBERED = 0.1;
/** The model's own error of a weight, as a share of it, beside the scale's; heavy tails, so that one absurd number says little. */
const MODEL_SHARE = 0.3;
const MODEL_G = 3;
/** The same of what a whole body loses: the sweat of one person at one work differs by so much from day to day (from memory). */
const BODY_SHARE = 0.12;
const TAILS = 4;

const STEP_S = 60;
const SAMPLE_S = 120;
/** Rounds until the estimate rests, by how little it then moves, in standard deviations. */
const ROUNDS = 5;
const RESTS = 0.02;
/** No outing by itself moves anything by more than this, in standard deviations of what was known before. */
const MOST_MOVED = 1;
/** Step of the differences by which the simulator is linearised, in prior standard deviations. */
const DIFFERENCE = 0.25;

/** Readings of what was told: of words and weights in the order of the outing, and of the body's loss, g. */
export interface Readings {
  felt: number[];
  weighed: number[];
  bodyG: number;
}

/** What a run says where something was told: readings of the words, and weights, in the order of the outing. */
export function readTold(
  o: Pick<Outed, 'felt' | 'weighed' | 'closet' | 'timeline'>,
  scored: Scored,
  person: Person,
): Readings {
  const { series, metrics } = scored;
  const area = [...bodyParameters(person).area];
  const felt = o.felt.map((f) => {
    const rows = Array.from({ length: series.rows }, (_, r) => r).filter(
      (r) => series.timeS[r] >= Math.max(f.fromS, SETTLE_S) && series.timeS[r] <= f.toS,
    );
    const list = rows.length > 0 ? rows : [series.rows - 1];
    if (f.part === 'torso') return list.reduce((sum, r) => sum + metrics.sensation[r], 0) / list.length;
    const z = SKIN[f.part];
    const at = (r: number) =>
      f.part === 'face'
        ? Math.min(series.skinC[r * ZONE_COUNT + z], series.bareFaceC[r])
        : series.skinC[r * ZONE_COUNT + z];
    const sorted = list.map(at).sort((a, b) => a - b);
    return sorted[Math.floor(REMEMBERED * (sorted.length - 1))];
  });
  const weighed = o.weighed.map((w) => {
    const g = o.closet.find((c) => c.id === w.garment);
    return g ? garmentWater(scored, area, g, series.rows - 1).waterG : 0;
  });
  return { felt, weighed, bodyG: bodyLossG(scored, person, o.timeline) };
}

/** The word that belongs to a reading. */
export const wordAt = (part: Part, reading: number): Felt =>
  FELT[SCALES[part].cuts.filter((cut) => reading >= cut).length];

/** What is to be expected of an outing by an athlete with these parameters. */
export function expects(o: Outed, person: Person, theta: readonly number[]): Readings {
  const as = athleteWith(person, theta);
  const { timeline, plan, closet, damp } = o;
  const scored = runPlan({ person: as, closet, timeline, plan, damp }, plan, { stepS: STEP_S, sampleS: SAMPLE_S });
  const out = readTold(o, scored, as);
  // An offset of comfort is no physics: it shifts what is said of the same skin.
  out.felt = out.felt.map((v, i) => {
    const p = OFFSET[o.felt[i].part];
    return p ? v + theta[PARAMETER_NAMES.indexOf(p)] : v;
  });
  return out;
}

const isOffset = (p: Parameter): boolean => p === 'hands' || p === 'feet' || p === 'face';

/**
 * Learns from one outing: maximum a posteriori by Gauss–Newton on the simulator (Fisher scoring for the words), with what was known before
 * as the prior, and the curvature at the end as what is known after (Laplace). The simulator is linearised by differences: a run for each
 * parameter that is physics.
 * @param before what was known @param person as they gave themselves @returns null where nothing was told @throws OutOfRange
 */
export function lessonOf(before: Learned, person: Person, o: Outed): Lesson | null {
  const n = PARAMETER_NAMES.length;
  if (o.felt.length + o.weighed.length === 0 && !o.body) return null;
  const prior = new Matrix(before.covariance);
  const precision = inverse(prior);
  const sds = PARAMETER_NAMES.map((_, i) => Math.sqrt(before.covariance[i][i]));
  let theta = [...before.mean];
  let curvature = precision;
  const first = linearised(o, person, theta, sds);
  let line = first;
  for (let round = 0; round < ROUNDS; round++) {
    if (round > 0) line = linearised(o, person, theta, sds);
    const { gradient, information } = evidence(o, line);
    const pull = precision.mmul(Matrix.columnVector(theta.map((t, i) => t - before.mean[i])));
    curvature = Matrix.add(precision, information);
    const step = solve(curvature, Matrix.sub(gradient, pull)).to1DArray();
    const next = theta.map((t, i) =>
      clamp(t + step[i], before.mean[i] - MOST_MOVED * sds[i], before.mean[i] + MOST_MOVED * sds[i]),
    );
    const moved = Math.max(...next.map((t, i) => Math.abs(t - theta[i]) / sds[i]));
    theta = next;
    if (moved < RESTS) break;
  }
  const inverted = inverse(curvature);
  const covariance = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (_, j) => (inverted.get(i, j) + inverted.get(j, i)) / 2),
  );
  const then = expects(o, person, theta);
  const sure = (slope: readonly number[]) => Math.sqrt(spreadOf(before.covariance, slope));
  return {
    before,
    after: { mean: theta, covariance, outings: before.outings + 1 },
    felt: o.felt.map((f, k) => ({
      ...f,
      said: first.here.felt[k],
      sd: sure(first.slopes.map((s) => s.felt[k])),
      after: then.felt[k],
    })),
    weighed: o.weighed.map((w, k) => ({
      ...w,
      said: first.here.weighed[k],
      sd: sure(first.slopes.map((s) => s.weighed[k])),
      after: then.weighed[k],
    })),
    body: o.body
      ? { ...o.body, said: first.here.bodyG, sd: sure(first.slopes.map((s) => s.bodyG)), after: then.bodyG }
      : null,
  };
}

/** What is known after an outing; the same as before where nothing was told of it. */
export const learn = (before: Learned, person: Person, o: Outed): Learned =>
  lessonOf(before, person, o)?.after ?? before;

/** Variance of a reading that changes so with each parameter. */
export const spreadOf = (covariance: readonly number[][], slope: readonly number[]): number =>
  slope.reduce((sum, a, i) => sum + slope.reduce((row, b, j) => row + a * covariance[i][j] * b, 0), 0);

/** A run at some parameters, and how its readings change with each of them. */
export interface Linearised {
  here: Readings;
  slopes: Readings[];
}

/** A run and its slopes by differences: one more run for each parameter that is physics. */
export function linearised(o: Outed, person: Person, theta: readonly number[], sds: readonly number[]): Linearised {
  const here = expects(o, person, theta);
  const slopes = PARAMETER_NAMES.map((p, i): Readings => {
    if (isOffset(p))
      return { felt: o.felt.map((f) => (OFFSET[f.part] === p ? 1 : 0)), weighed: o.weighed.map(() => 0), bodyG: 0 };
    const h = DIFFERENCE * sds[i];
    const there = expects(
      o,
      person,
      theta.map((t, j) => (i === j ? t + h : t)),
    );
    const by = (a: number[], b: number[]) => b.map((v, k) => (v - a[k]) / h);
    return {
      felt: by(here.felt, there.felt),
      weighed: by(here.weighed, there.weighed),
      bodyG: (there.bodyG - here.bodyG) / h,
    };
  });
  return { here, slopes };
}

/** Gradient of the log-likelihood of what was told, and its information. */
function evidence(o: Outed, { here, slopes }: Linearised): { gradient: Matrix; information: Matrix } {
  const n = slopes.length;
  const gradient = Matrix.zeros(n, 1);
  const information = Matrix.zeros(n, n);
  const add = (slope: number[], score: number, info: number) => {
    for (let i = 0; i < n; i++) {
      gradient.set(i, 0, gradient.get(i, 0) + slope[i] * score);
      for (let j = 0; j < n; j++) information.set(i, j, information.get(i, j) + slope[i] * slope[j] * info);
    }
  };
  const weight = (slope: number[], { off, sd }: { off: number; sd: number }) => {
    // Student's t with few degrees of freedom: the farther off, the less it counts.
    const trust = (TAILS + 1) / (TAILS + (off / sd) * (off / sd));
    add(slope, (trust * off) / (sd * sd), Math.min(1, trust) / (sd * sd));
  };
  o.felt.forEach((f, k) => {
    const { score, information: info } = wordSays(SCALES[f.part], FELT.indexOf(f.word), here.felt[k]);
    add(
      slopes.map((s) => s.felt[k]),
      score,
      info,
    );
  });
  o.weighed.forEach((w, k) =>
    weight(
      slopes.map((s) => s.weighed[k]),
      { off: w.waterG - here.weighed[k], sd: weighedSd(w.scaleG, here.weighed[k]) },
    ),
  );
  if (o.body)
    weight(
      slopes.map((s) => s.bodyG),
      { off: o.body.lossG - here.bodyG, sd: bodySd(o.body.scaleG, here.bodyG) },
    );
  return { gradient, information };
}

/** How far a weight may be from what a run says of it, one standard deviation, g: of a piece, and of the whole body. */
export const weighedSd = (scaleG: number, saidG: number): number => rss(scaleG, MODEL_G, MODEL_SHARE * saidG);
export const bodySd = (scaleG: number, saidG: number): number => rss(scaleG, BODY_SHARE * saidG);

/** Errors that do not know of each other, together. */
const rss = (...errors: number[]): number => Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0));
