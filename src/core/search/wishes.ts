import { WEIGHT_RANGE, type Weights } from '@/core/judge/cost';
import type { Garment } from '@/core/clothing/garment';
import { isIndoors } from '@/core/effort/sports';
import type { Timeline } from '@/core/outing/timeline';
import { within } from '@/core/quantity/range';

/** Share of the breath from which a piece counts as covering the mouth. */
export const MOUTH_COVERED = 0.15;
/** Nobody remembers more cues. */
export const MOST_CUES = 12;
/** Beyond this many people nobody waits for each other's zips. */
export const MOST_WAITING = 30;

/** How an athlete wants a plan made, whatever the outing. */
export interface Wishes {
  weights: Weights;
  /** the most cues they want to remember, 0–12 */
  maxCues: number;
  /** people who usually wait while they change something */
  waiting: number;
  /** feels-like temperature below which they do not go, °C; null: none */
  floorC: number | null;
  /** air below which they cover the mouth, °C; null or left out: no rule */
  mouthBelowC?: number | null;
}

export const PLAIN_WISHES: Wishes = {
  weights: { caution: 1, fuss: 1, weight: 1 },
  maxCues: 8,
  waiting: 0,
  floorC: null,
  mouthBelowC: null,
};

export const WISH_RANGE = {
  weight: WEIGHT_RANGE,
  maxCues: [0, MOST_CUES],
  waiting: [0, MOST_WAITING],
  floorC: [-60, 10],
  mouthBelowC: [-40, 10],
} as const;

/** Whether the athlete's own rule has the mouth covered on an outing, where something for it is owned. */
export function mouthRuleHolds(
  { mouthBelowC }: Pick<Wishes, 'mouthBelowC'>,
  timeline: Timeline,
  closet: readonly Garment[],
): boolean {
  if (mouthBelowC == null || !closet.some((g) => g.group === 'face' && g.mouthCover >= MOUTH_COVERED)) return false;
  return timeline.stretches.some((s) => !isIndoors(s.sport) && s.airC < mouthBelowC);
}

/** @throws OutOfRange naming the wish, its value and its range */
export function checkWishes(w: Wishes): Wishes {
  for (const k of Object.keys(w.weights) as (keyof Weights)[])
    within(`weight of ${k}`, w.weights[k], ...WISH_RANGE.weight);
  within('most cues', w.maxCues, ...WISH_RANGE.maxCues);
  within('people waiting', w.waiting, ...WISH_RANGE.waiting);
  if (w.floorC !== null) within('own floor', w.floorC, ...WISH_RANGE.floorC, '°C');
  if (w.mouthBelowC != null) within('own rule for the mouth', w.mouthBelowC, ...WISH_RANGE.mouthBelowC, '°C');
  return w;
}
