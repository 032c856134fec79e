import { within } from '@/core/quantity/range';
import { WATTS_PER_LITRE_MIN } from './gait';

/**
 * Metabolic rate from heart rate, W, by heart-rate reserve ≈ oxygen-uptake reserve (Swain & Leutholtz 1997; ACSM).
 * @param bpm 30–220  @param restBpm 30–100  @param maxBpm 120–220
 * @param vo2maxMl maximal uptake, ml/kg/min, 20–90  @param massKg body mass
 */
export function metabolicFromHeartRate(
  bpm: number,
  restBpm: number,
  maxBpm: number,
  vo2maxMl: number,
  massKg: number,
): number {
  within('heart rate', bpm, 30, 230, 'bpm');
  within('resting heart rate', restBpm, 30, 110, 'bpm');
  within('maximum heart rate', maxBpm, restBpm + 20, 230, 'bpm');
  return reserveToWatts(Math.min(1, Math.max(0, (bpm - restBpm) / (maxBpm - restBpm))), vo2maxMl, massKg);
}

/** The pulse that goes with a metabolic rate, bpm, by the same relation turned round; between resting and highest. */
export function heartRateAt(
  metabolicW: number,
  { restBpm, maxBpm, vo2maxMl, massKg }: { restBpm: number; maxBpm: number; vo2maxMl: number; massKg: number },
): number {
  const none = reserveToWatts(0, vo2maxMl, massKg);
  const share = (metabolicW - none) / (reserveToWatts(1, vo2maxMl, massKg) - none);
  return restBpm + Math.min(1, Math.max(0, share)) * (maxBpm - restBpm);
}

/** Metabolic rate at a share of oxygen-uptake reserve (0 to 1), W. */
export function reserveToWatts(share: number, vo2maxMl: number, massKg: number): number {
  within('maximal oxygen uptake', vo2maxMl, 15, 95, 'ml/kg/min');
  const uptake = 3.5 + share * (vo2maxMl - 3.5);
  return (uptake * massKg * WATTS_PER_LITRE_MIN) / 1000;
}

/** The share of oxygen-uptake reserve that goes with a metabolic rate, 0–1: the inverse of `reserveToWatts`. */
export function reserveOf(metabolicW: number, vo2maxMl: number, massKg: number): number {
  const uptake = (1000 * metabolicW) / (massKg * WATTS_PER_LITRE_MIN);
  return Math.min(1, Math.max(0, (uptake - 3.5) / (vo2maxMl - 3.5)));
}

/** Maximal metabolic rate, W. */
export function maximalMetabolicRate(vo2maxMl: number, massKg: number): number {
  return reserveToWatts(1, vo2maxMl, massKg);
}

/**
 * Share of oxygen-uptake reserve by perceived exertion 0–10 (Borg CR10 against percent reserve, ACSM intensity table from
 * memory): 0 rest, 2 light 30 %, 3 easy 40 %, 5 steady 60 %, 7 hard 80 %, 10 all out.
 */
const EXERTION: [number, number][] = [
  [0, 0],
  [1, 0.2],
  [2, 0.3],
  [3, 0.4],
  [4, 0.5],
  [5, 0.6],
  [6, 0.7],
  [7, 0.8],
  [8, 0.88],
  [9, 0.95],
  [10, 1],
];

/** Share of oxygen-uptake reserve, 0–1, that goes with perceived exertion 0 to 10. @throws OutOfRange */
export function exertionReserve(cr10: number): number {
  within('perceived exertion', cr10, 0, 10);
  const i = Math.min(9, Math.floor(cr10));
  const [x0, y0] = EXERTION[i];
  const [, y1] = EXERTION[i + 1];
  return y0 + (y1 - y0) * (cr10 - x0);
}

/** Metabolic rate from perceived exertion 0 to 10, W. */
export const metabolicFromExertion = (cr10: number, vo2maxMl: number, massKg: number): number =>
  reserveToWatts(exertionReserve(cr10), vo2maxMl, massKg);

/** Talk test against exertion: can sing, can talk in sentences, short phrases, single words. */
export const TALK_TEST: Record<'sing' | 'sentences' | 'phrases' | 'words', number> = {
  sing: 1.5,
  sentences: 3,
  phrases: 5,
  words: 7,
};
