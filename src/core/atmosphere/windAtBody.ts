import { cosine } from '@/core/quantity/exact';
import { within } from '@/core/quantity/range';

export type Shelter = 'open' | 'forest' | 'ridge' | 'indoor' | 'street';

/**
 * Share of the 10 m wind that reaches the body at 1 to 2 m.
 * Open 0.67 is the factor inside the 2001 wind chill index; forest, street and ridge are our engineering values
 * (dense trees damp to a quarter; ridges speed the wind up).
 */
export const SHELTER_FACTOR: Record<Shelter, number> = {
  open: 0.67,
  forest: 0.25,
  ridge: 1.0,
  street: 0.4,
  indoor: 0,
};

/** Still air is never quite still: people and convection keep about 0.15 m/s indoors. */
export const STILL_AIR = 0.15;

/**
 * Wind speed relative to the moving athlete, m/s: wind at body height, added as a vector to the own velocity.
 * @param wind10 wind at 10 m, m/s, 0 to 80  @param shelter  @param ownSpeed ground speed, m/s, 0 to 40
 * @param headwindCos cosine of the angle between course and the direction the wind comes from: 1 headwind, −1 tailwind.
 *   When the bearing is unknown pass 0 (side wind): the relative wind is then the root of the squares.
 */
export function relativeWind(wind10: number, shelter: Shelter, ownSpeed: number, headwindCos = 0): number {
  within('wind at 10 m', wind10, 0, 80, 'm/s');
  within('own speed', ownSpeed, 0, 40, 'm/s');
  const w = wind10 * SHELTER_FACTOR[shelter];
  const squared = w * w + ownSpeed * ownSpeed + 2 * w * ownSpeed * headwindCos;
  return Math.max(STILL_AIR, Math.sqrt(Math.max(0, squared)));
}

/** Headwind cosine from the course bearing and the direction the wind comes from, both degrees from north. */
export function headwindCosine(courseDeg: number, windFromDeg: number): number {
  return cosine(((courseDeg - windFromDeg) * Math.PI) / 180);
}

/** Gusts over the mean wind where nobody said more (engineering value). */
export const USUAL_GUST = 1.5;

/**
 * The wind that chills where gusts are stronger than wind of this strength has them anyway (half as much again): a share of
 * what they have beyond that counts (engineering value). @param gust m/s, at least the wind
 */
const GUST_COUNTS = 0.3;
export const withGusts = (wind: number, gust: number): number =>
  wind + GUST_COUNTS * Math.max(0, gust - USUAL_GUST * wind);
