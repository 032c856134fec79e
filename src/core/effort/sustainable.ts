import { ln } from '@/core/quantity/exact';
import { ramp, within } from '@/core/quantity/range';

type Held = readonly (readonly [minutes: number, share: number])[];

/** Share of the maximal metabolic rate that somebody untrained can hold for so many minutes (after Åstrand & Rodahl, Textbook of Work Physiology, from memory). */
const UNTRAINED: Held = [
  [2, 1],
  [10, 0.9],
  [60, 0.8],
  [240, 0.625],
  [480, 0.5],
  [1440, 0.4],
];

/**
 * The same of those who race: 95 % for twenty minutes, 89 for an hour and 83 for two and a half (Daniels & Gilbert 1979), 67 for seven hours and 47 round the
 * clock (Davies & Thompson 1979, ultramarathons), both from memory.
 */
const RACING: Held = [
  [8, 1],
  [20, 0.95],
  [60, 0.89],
  [150, 0.825],
  [410, 0.67],
  [1440, 0.47],
];

/** Between these maximal oxygen uptakes, ml/kg/min, people are the one or the other in part (engineering value). */
const TRAINED = [35, 55] as const;

/**
 * Share of the maximal metabolic rate that can be held, 0.4–1.
 * @param minutes 0–14 400
 * @param vo2maxMl maximal oxygen uptake, ml/kg/min
 * @throws OutOfRange
 */
export function sustainableShare(minutes: number, vo2maxMl: number): number {
  within('minutes', minutes, 0, 14_400, 'min');
  const trained = ramp(vo2maxMl, TRAINED);
  return (1 - trained) * heldBy(UNTRAINED, minutes) + trained * heldBy(RACING, minutes);
}

/** Linear in the logarithm of time between the known points. */
function heldBy(held: Held, minutes: number): number {
  const i = held.findIndex(([m]) => minutes <= m);
  if (i === 0) return held[0][1];
  if (i < 0) return held[held.length - 1][1];
  const [m0, s0] = held[i - 1];
  const [m1, s1] = held[i];
  return s0 + ((s1 - s0) * ln(minutes / m0)) / ln(m1 / m0);
}
