import { ln } from '@/core/quantity/exact';
import { within } from '@/core/quantity/range';

/**
 * Share of the maximal metabolic rate that can be held for so many minutes: all of it for two, about 90 % for ten, 80 % for an
 * hour, 62 % for four, half for eight (after Åstrand & Rodahl and the times of races, from memory), 40 % round the clock.
 */
const HOLDS: readonly (readonly [minutes: number, share: number])[] = [
  [2, 1],
  [10, 0.9],
  [60, 0.8],
  [240, 0.625],
  [480, 0.5],
  [1440, 0.4],
];

/** The share, 0.4–1, linear in the logarithm of time between the known points. @param minutes 0–14 400 @throws OutOfRange */
export function sustainableShare(minutes: number): number {
  within('minutes', minutes, 0, 14_400, 'min');
  const i = HOLDS.findIndex(([m]) => minutes <= m);
  if (i === 0) return HOLDS[0][1];
  if (i < 0) return HOLDS[HOLDS.length - 1][1];
  const [m0, s0] = HOLDS[i - 1];
  const [m1, s1] = HOLDS[i];
  return s0 + ((s1 - s0) * ln(minutes / m0)) / ln(m1 / m0);
}
