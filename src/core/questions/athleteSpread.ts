/** How unsure an athlete is known: one standard deviation each, as a share, or K of comfort. */
export interface AthleteSpread {
  effortShare: number;
  sweatShare: number;
  constrictionShare: number;
  comfortK: number;
}

/** Of somebody of whom nothing but what they gave is known: what people differ by (the coefficients of the exercise literature, from memory). */
export const ANYBODY_SPREAD: AthleteSpread = {
  effortShare: 0.07,
  sweatShare: 0.25,
  constrictionShare: 0.25,
  comfortK: 0.7,
};
