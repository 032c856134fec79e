import { errorFunction } from 'simple-statistics';
import { exp } from './exact';

/** Share of a standard normal distribution below x, 0–1. */
export const normalBelow = (x: number): number => 0.5 * (1 + errorFunction(x / Math.SQRT2));

/** Its density at x; 0 at either infinity. */
export const normalDensity = (x: number): number =>
  Number.isFinite(x) ? exp(-0.5 * x * x) / Math.sqrt(2 * Math.PI) : 0;

/** Eight in ten of a normal distribution lie within so many standard deviations. */
export const EIGHT_IN_TEN = 1.2816;
