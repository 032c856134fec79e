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

/** What a run says where something was told: readings of the words, and weights, in the order of the outing. */
export function readTold(
  o: Pick<Outed, 'felt' | 'weighed' | 'closet'>,
  scored: Scored,
  person: Person,
): { felt: number[]; weighed: number[] } {
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
  return { felt, weighed };
}

/** The word that belongs to a reading. */
export const wordAt = (part: Part, reading: number): Felt =>
  FELT[SCALES[part].cuts.filter((cut) => reading >= cut).length];

/** What is to be expected of an outing by an athlete with these parameters. */
export function expects(o: Outed, person: Person, theta: readonly number[]): { felt: number[]; weighed: number[] } {
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
 * @param before what was known @param person as they gave themselves @throws OutOfRange
 */
export function learn(before: Learned, person: Person, o: Outed): Learned {
  const n = PARAMETER_NAMES.length;
  if (o.felt.length + o.weighed.length === 0) return before;
  const prior = new Matrix(before.covariance);
  const precision = inverse(prior);
  const sds = PARAMETER_NAMES.map((_, i) => Math.sqrt(before.covariance[i][i]));
  let theta = [...before.mean];
  let curvature = precision;
  for (let round = 0; round < ROUNDS; round++) {
    const { gradient, information } = said(o, person, theta, sds);
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
  const after = inverse(curvature);
  const covariance = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (_, j) => (after.get(i, j) + after.get(j, i)) / 2),
  );
  return { mean: theta, covariance, outings: before.outings + 1 };
}

/** Gradient of the log-likelihood and its information at some parameters. */
function said(
  o: Outed,
  person: Person,
  theta: readonly number[],
  sds: readonly number[],
): { gradient: Matrix; information: Matrix } {
  const n = theta.length;
  const here = expects(o, person, theta);
  const slopes = PARAMETER_NAMES.map((p, i) => {
    if (isOffset(p))
      return { felt: o.felt.map((f) => (OFFSET[f.part] === p ? 1 : 0)), weighed: o.weighed.map(() => 0) };
    const h = DIFFERENCE * sds[i];
    const there = expects(
      o,
      person,
      theta.map((t, j) => (i === j ? t + h : t)),
    );
    const by = (a: number[], b: number[]) => b.map((v, k) => (v - a[k]) / h);
    return { felt: by(here.felt, there.felt), weighed: by(here.weighed, there.weighed) };
  });
  const gradient = Matrix.zeros(n, 1);
  const information = Matrix.zeros(n, n);
  const add = (slope: number[], score: number, info: number) => {
    for (let i = 0; i < n; i++) {
      gradient.set(i, 0, gradient.get(i, 0) + slope[i] * score);
      for (let j = 0; j < n; j++) information.set(i, j, information.get(i, j) + slope[i] * slope[j] * info);
    }
  };
  o.felt.forEach((f, k) => {
    const { score, information: info } = wordSays(SCALES[f.part], FELT.indexOf(f.word), here.felt[k]);
    add(
      slopes.map((s) => s.felt[k]),
      score,
      info,
    );
  });
  o.weighed.forEach((w, k) => {
    const sd = Math.sqrt(
      w.scaleG * w.scaleG + MODEL_G * MODEL_G + MODEL_SHARE * here.weighed[k] * (MODEL_SHARE * here.weighed[k]),
    );
    const off = (w.waterG - here.weighed[k]) / sd;
    // Student's t with few degrees of freedom: the farther off, the less it counts.
    const weight = (TAILS + 1) / (TAILS + off * off);
    add(
      slopes.map((s) => s.weighed[k]),
      (weight * off) / sd,
      Math.min(1, weight) / (sd * sd),
    );
  });
  return { gradient, information };
}
