import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { bodyParameters } from '@/core/body/bodyParameters';
import type { Person } from '@/core/body/person';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { closetAs, garmentKnown, type GarmentsLearned } from '@/core/calibrate/garments';
import { athleteWith, type Learned } from '@/core/calibrate/learned';
import type { Outed } from '@/core/calibrate/readings';
import { garmentWater } from '@/core/judge/garmentWater';
import { members, UNKNOWNS } from '@/core/questions/chances';
import { runPlan } from '@/core/questions/question';
import { exp } from '@/core/quantity/exact';
import { quantileSorted } from 'simple-statistics';

/** What a run says over time: water in all layers, g; fingers, °C; vote. */
interface Line {
  waterG: number;
  fingersC: number;
  vote: number;
}
export type Trace = keyof Line;

/** What was said before, with eight in ten by what was known then, and what is said after learning. */
export interface SpreadRow {
  atS: number;
  said: Line;
  low: Line;
  high: Line;
  after: Line;
}

/** Water that came home in one piece: said, eight in ten, and after learning, g. */
export interface SpreadPiece {
  garment: string;
  said: number;
  low: number;
  high: number;
  after: number;
}

export interface Spread {
  rows: SpreadRow[];
  pieces: SpreadPiece[];
}

/** Athletes drawn from what was known: enough for a tenth at each end. */
const DRAWN = 24;
const STEP_S = 60;
const SAMPLE_S = 120;
const FINGERS = zoneIndex('fingers');
const LOW = 0.1;
const HIGH = 0.9;
/** Water in a piece that is worth a line, g. */
const LEAST_G = 1;

/** Athletes as they may be by what is known, always the same ones for the same knowledge; the first is the likeliest. */
export function drawn({ mean, covariance }: Learned, count: number): number[][] {
  // A hair on the diagonal: what is known for certain has no spread to draw from.
  const lower = new CholeskyDecomposition(
    new Matrix(covariance.map((row, i) => row.map((v, j) => v + (i === j ? 1e-9 : 0)))),
  ).lowerTriangularMatrix;
  return members(count).map(({ z }) => {
    const by = lower.mmul(Matrix.columnVector(UNKNOWNS.map((u) => z[u]))).to1DArray();
    return mean.map((m, i) => m + by[i]);
  });
}

/** One outing as it was gone, by an athlete who may be anybody that was known before, and by the one who is known after. */
export function spreadOf(o: Outed, person: Person, { before, after }: { before: Learned; after: Learned }): Spread {
  const athletes = [...drawn(before, DRAWN), after.mean];
  // Pieces as they were known then, and as they are known now.
  const runs = athletes.map((theta, i) => run(o, athleteWith(person, theta), (i < DRAWN ? before : after).garments));
  const last = runs.pop()!;
  const at = (r: number, of: Trace) => runs.map((x) => x.lines[r][of]).sort((a, b) => a - b);
  const each = (value: (of: Trace) => number): Line => ({
    waterG: value('waterG'),
    fingersC: value('fingersC'),
    vote: value('vote'),
  });
  const rows = runs[0].lines.map((said, r): SpreadRow => {
    const sorted = { waterG: at(r, 'waterG'), fingersC: at(r, 'fingersC'), vote: at(r, 'vote') };
    return {
      atS: r * SAMPLE_S,
      said,
      low: each((of) => quantileSorted(sorted[of], LOW)),
      high: each((of) => quantileSorted(sorted[of], HIGH)),
      after: last.lines[r],
    };
  });
  const pieces = o.closet.flatMap((g, k): SpreadPiece[] => {
    const sorted = runs.map((x) => x.water[k]).sort((a, b) => a - b);
    const high = quantileSorted(sorted, HIGH);
    const told = o.weighed.some((w) => w.garment === g.id);
    if (high < LEAST_G && !told) return [];
    return [{ garment: g.id, said: runs[0].water[k], low: quantileSorted(sorted, LOW), high, after: last.water[k] }];
  });
  return { rows, pieces: pieces.sort((a, b) => b.said - a.said) };
}

function run(
  { closet: owned, timeline, plan, damp }: Outed,
  person: Person,
  known: GarmentsLearned | undefined,
): { lines: Line[]; water: number[] } {
  const closet = closetAs(owned, known);
  const scored = runPlan({ person, closet, timeline, plan, damp }, plan, { stepS: STEP_S, sampleS: SAMPLE_S });
  const area = [...bodyParameters(person).area];
  const { series, metrics } = scored;
  const lines = Array.from({ length: series.rows }, (_, r): Line => ({
    waterG: metrics.waterG[r],
    fingersC: series.skinC[r * ZONE_COUNT + FINGERS],
    vote: metrics.sensation[r],
  }));
  const water = closet.map(
    (g) => garmentWater(scored, area, g, series.rows - 1).waterG * exp(garmentKnown(known, g.id).wets.mean),
  );
  return { lines, water };
}
