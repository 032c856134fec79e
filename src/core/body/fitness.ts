import { exp } from '@/core/quantity/exact';
import { clamp } from '@/core/quantity/range';

/**
 * Fitness, ml/kg/min from the average: sweating grows by so much a point, between the ends, and begins so much later, K a point,
 * in people less fit than that (trained against untrained: 20–60 % and 0.1–0.3 K; Gisolfi & Robinson, Nadel, from memory).
 */
const FIT_ML = 50;
const GAIN_A_POINT = 0.018;
const GAIN_ENDS = [0.6, 1.6] as const;
const LATER_A_POINT = 0.01;
const LATEST_K = 0.25;

/** How a person's sweating differs by fitness: times the drive, and K of core before it begins. */
export function fitSweating(vo2maxMl: number): { gain: number; laterK: number } {
  const points = vo2maxMl - FIT_ML;
  return {
    gain: clamp(exp(GAIN_A_POINT * points), ...GAIN_ENDS),
    laterK: clamp(-LATER_A_POINT * points, 0, LATEST_K),
  };
}
