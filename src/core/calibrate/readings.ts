import { bodyParameters } from '@/core/body/bodyParameters';
import type { Person } from '@/core/body/person';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import type { Garment } from '@/core/clothing/garment';
import { garmentWater } from '@/core/judge/garmentWater';
import { LIMIT, SETTLE_S } from '@/core/judge/limits';
import type { Scored } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import type { Timeline } from '@/core/outing/timeline';
import { bodyLossG } from './bodyLoss';
import { PARAMETERS, type Parameter } from './learned';
import type { Scale } from './ordinal';
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
export const OFFSET: Record<Part, Parameter | null> = { torso: null, hands: 'hands', feet: 'feet', face: 'face' };
/** What is remembered of a while is its coldest tenth. */
const REMEMBERED = 0.1;

/** How far scales as they stand in a home are off, one standard deviation, g: in the kitchen, and in the bathroom read twice. */
export const HOME_SCALE_G = { kitchen: 2, bathroom: 140 } as const;
/** The model's own error of a weight from day to day, as a share of it, beside the scale's and what the piece is; heavy tails, so that one absurd number says little. */
const MODEL_SHARE = 0.22;
const MODEL_G = 3;
/** The same of what a whole body loses: the sweat of one person at one work differs by so much from day to day (from memory). */
const BODY_SHARE = 0.12;

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
    const own = OFFSET[f.part];
    // An offset of comfort is no physics: it shifts what is said of the same skin.
    return sorted[Math.floor(REMEMBERED * (sorted.length - 1))] + (own ? (person[PARAMETERS[own].person] ?? 0) : 0);
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

/** How far a weight may be from what a run says of it, one standard deviation, g: of a piece, and of the whole body. */
export const weighedSd = (scaleG: number, saidG: number): number => rss(scaleG, MODEL_G, MODEL_SHARE * saidG);
export const bodySd = (scaleG: number, saidG: number): number => rss(scaleG, BODY_SHARE * saidG);

/** Errors that do not know of each other, together. */
const rss = (...errors: number[]): number => Math.sqrt(errors.reduce((sum, e) => sum + e * e, 0));

/** Whether a parameter only shifts what is said of the same skin. */
export const isOffset = (p: Parameter): boolean => p === 'hands' || p === 'feet' || p === 'face';
