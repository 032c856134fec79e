import { Matrix, inverse, solve } from 'ml-matrix';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { runPlan } from '@/core/questions/question';
import { exp } from '@/core/quantity/exact';
import { clamp } from '@/core/quantity/range';
import { everWorn } from '@/core/kit/replay';
import { garmentKnown, withLoft, type Factor, type FactorName, type GarmentsLearned } from './garments';
import { athleteWith, PARAMETER_NAMES, type Learned, type Parameter } from './learned';
import { wordSays } from './ordinal';
import {
  bodySd,
  isOffset,
  OFFSET,
  readTold,
  SCALES,
  weighedSd,
  type FeltThen,
  type Outed,
  type Readings,
  type WeighedThen,
} from './readings';
import { FELT, type Part } from './words';

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

const STEP_S = 60;
const SAMPLE_S = 120;
/** Degrees of freedom of Student's t: heavy tails, so that one absurd weight says little. */
const TAILS = 4;
/** Rounds until the estimate rests, by how little it then moves, in standard deviations. */
const ROUNDS = 5;
const RESTS = 0.02;
/** No outing by itself moves anything by more than this, in standard deviations of what was known before. */
const MOST_MOVED = 1;
/** Step of the differences by which the simulator is linearised, in prior standard deviations. */
const DIFFERENCE = 0.25;

/** Factors of single pieces as they may be, as logarithms; what is not named is as its numbers say. */
type FactorsTried = Record<string, Partial<Record<FactorName, number>>>;

/** What is to be expected of an outing by an athlete with these parameters, in pieces with these factors. */
export function expects(o: Outed, person: Person, theta: readonly number[], factors: FactorsTried = {}): Readings {
  const as = athleteWith(person, theta);
  const { timeline, plan, damp } = o;
  const closet = o.closet.map((g) => withLoft(g, factors[g.id]?.loft ?? 0));
  const scored = runPlan({ person: as, closet, timeline, plan, damp }, plan, { stepS: STEP_S, sampleS: SAMPLE_S });
  const out = readTold(o, scored, as);
  // How wet one cloth comes home is no physics: it shifts what is weighed.
  out.weighed = out.weighed.map((v, i) => v * exp(factors[o.weighed[i].garment]?.wets ?? 0));
  return out;
}

/** A factor of one piece that an outing may teach. */
interface FactorAsked {
  garment: string;
  name: FactorName;
}
/** Of more pieces than these one day's words say nothing, and cloth thinner than this carries no loft, mm. */
const MOST_LOFTS = 3;
const LEAST_LOFT_MM = 1.5;
/** Whose warmth a part's words are about. */
const CLOTHES: Partial<Record<Part, Garment['group']>> = { torso: 'torso', hands: 'hands', feet: 'feet' };

/** Factors that an outing may teach: of what was weighed how wet it comes home, of the thickest worn where it was felt how thick it is. */
function factorsAsked(o: Outed): FactorAsked[] {
  const told = new Set(o.felt.map((f) => CLOTHES[f.part]));
  const worn = everWorn(o.plan);
  const lofts = o.closet
    .filter((g) => worn.has(g.id) && told.has(g.group) && g.thicknessMm >= LEAST_LOFT_MM && g.role !== 'footwear')
    .sort((a, b) => b.thicknessMm - a.thicknessMm)
    .slice(0, MOST_LOFTS);
  const weighed = [...new Set(o.weighed.map((w) => w.garment))];
  return [
    ...lofts.map((g): FactorAsked => ({ garment: g.id, name: 'loft' })),
    ...weighed.map((garment): FactorAsked => ({ garment, name: 'wets' })),
  ];
}

/** Everything unknown of one outing as one vector: the athlete first, then factors of pieces. */
interface Unknown {
  person: Person;
  asked: readonly FactorAsked[];
  /** what is known of pieces that are not asked about */
  known: GarmentsLearned | undefined;
}

function factorsOf({ asked, known }: Unknown, vector: readonly number[]): FactorsTried {
  const out: FactorsTried = {};
  for (const [id, g] of Object.entries(known ?? {})) out[id] = { loft: g.loft.mean, wets: g.wets.mean };
  asked.forEach(({ garment, name }, k) => {
    out[garment] = { ...out[garment], [name]: vector[PARAMETER_NAMES.length + k] };
  });
  return out;
}

const expectsAll = (o: Outed, u: Unknown, vector: readonly number[]): Readings =>
  expects(o, u.person, vector.slice(0, PARAMETER_NAMES.length), factorsOf(u, vector));

/**
 * Learns from one outing: maximum a posteriori by Gauss–Newton on the simulator (Fisher scoring for the words), with what was known before
 * as the prior, and the curvature at the end as what is known after (Laplace). The simulator is linearised by differences: a run for each
 * parameter that is physics. Factors of single pieces are unknown beside the athlete's, so that a sodden jersey is not all sweat; what
 * hangs together between athlete and piece is not kept, only how sure each is.
 * @param before what was known @param person as they gave themselves @returns null where nothing was told @throws OutOfRange
 */
export function lessonOf(before: Learned, person: Person, o: Outed): Lesson | null {
  const n = PARAMETER_NAMES.length;
  if (o.felt.length + o.weighed.length === 0 && !o.body) return null;
  const u: Unknown = { person, asked: factorsAsked(o), known: before.garments };
  const factors = u.asked.map(({ garment, name }) => garmentKnown(before.garments, garment)[name]);
  const m = n + factors.length;
  const mean = [...before.mean, ...factors.map((f) => f.mean)];
  const precision = Matrix.zeros(m, m);
  precision.setSubMatrix(inverse(new Matrix(before.covariance)), 0, 0);
  factors.forEach((f, k) => precision.set(n + k, n + k, 1 / (f.sd * f.sd)));
  const sds = [...before.covariance.map((row, i) => Math.sqrt(row[i])), ...factors.map((f) => f.sd)];
  let vector = [...mean];
  let curvature = precision;
  const first = linearisedAll(o, u, vector, sds);
  let line = first;
  for (let round = 0; round < ROUNDS; round++) {
    if (round > 0) line = linearisedAll(o, u, vector, sds);
    const { gradient, information } = evidence(o, line);
    const pull = precision.mmul(Matrix.columnVector(vector.map((t, i) => t - mean[i])));
    curvature = Matrix.add(precision, information);
    const step = solve(curvature, Matrix.sub(gradient, pull)).to1DArray();
    const next = vector.map((t, i) => clamp(t + step[i], mean[i] - MOST_MOVED * sds[i], mean[i] + MOST_MOVED * sds[i]));
    const moved = Math.max(...next.map((t, i) => Math.abs(t - vector[i]) / sds[i]));
    vector = next;
    if (moved < RESTS) break;
  }
  const inverted = inverse(curvature);
  const covariance = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (_, j) => (inverted.get(i, j) + inverted.get(j, i)) / 2),
  );
  const then = expectsAll(o, u, vector);
  const wide = togetherApart(before.covariance, factors);
  const sure = (slope: readonly number[]) => Math.sqrt(spreadOf(wide, slope));
  return {
    before,
    after: {
      mean: vector.slice(0, n),
      covariance,
      outings: before.outings + 1,
      ...garmentsAfter(before.garments, u.asked, (k) => ({
        mean: vector[n + k],
        sd: Math.sqrt(Math.max(0, inverted.get(n + k, n + k))),
      })),
    },
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

/** Covariance of athlete and factors together, as they are held: apart. */
function togetherApart(athlete: readonly number[][], factors: readonly Factor[]): number[][] {
  const n = athlete.length;
  const m = n + factors.length;
  return Array.from({ length: m }, (_, i) =>
    Array.from({ length: m }, (_, j) =>
      i < n && j < n ? athlete[i][j] : i === j ? factors[i - n].sd * factors[i - n].sd : 0,
    ),
  );
}

/** What is known of pieces after an outing that asked for some. */
function garmentsAfter(
  before: GarmentsLearned | undefined,
  asked: readonly FactorAsked[],
  found: (k: number) => Factor,
): { garments?: GarmentsLearned } {
  if (asked.length === 0) return before ? { garments: before } : {};
  const garments: GarmentsLearned = { ...before };
  for (const id of new Set(asked.map((a) => a.garment))) {
    const was = garmentKnown(before, id);
    garments[id] = { ...was, outings: was.outings + 1 };
  }
  asked.forEach(({ garment, name }, k) => (garments[garment] = { ...garments[garment], [name]: found(k) }));
  return { garments };
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

/** A run and its slopes by differences, of the athlete's parameters alone: one more run for each that is physics. */
export const linearised = (o: Outed, person: Person, theta: readonly number[], sds: readonly number[]): Linearised =>
  linearisedAll(o, { person, asked: [], known: undefined }, theta, sds);

function linearisedAll(o: Outed, u: Unknown, vector: readonly number[], sds: readonly number[]): Linearised {
  const here = expectsAll(o, u, vector);
  const none = o.weighed.map(() => 0);
  const slopes = vector.map((_, i): Readings => {
    const p = PARAMETER_NAMES[i] as Parameter | undefined;
    if (p && isOffset(p)) return { felt: o.felt.map((f) => (OFFSET[f.part] === p ? 1 : 0)), weighed: none, bodyG: 0 };
    const factor = p ? null : u.asked[i - PARAMETER_NAMES.length];
    if (factor?.name === 'wets')
      return {
        felt: o.felt.map(() => 0),
        weighed: o.weighed.map((w, k) => (w.garment === factor.garment ? here.weighed[k] : 0)),
        bodyG: 0,
      };
    const h = DIFFERENCE * sds[i];
    const there = expectsAll(
      o,
      u,
      vector.map((t, j) => (i === j ? t + h : t)),
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
