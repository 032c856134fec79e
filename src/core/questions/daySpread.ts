import { ANYBODY_SPREAD } from './athleteSpread';

/**
 * Spread of a forecast by lead time and of one athlete about the population's mean (one standard deviation).
 * Air 1 K on the day and 0.35 K more a day ahead, wind 15 % and 4 % more a day, precipitation 40 % and 10 %: the order of
 * published verification scores; engineering values. Athlete: effort 7 %, sweat and constriction 25 %, comfort 0.7 K.
 */
export const SPREAD = {
  airK: (days: number): number => 1 + 0.35 * days,
  windShare: (days: number): number => 0.15 + 0.04 * days,
  fallShare: (days: number): number => 0.4 + 0.1 * days,
  ...ANYBODY_SPREAD,
};

/** No forecast is worth the name beyond, days. */
export const MOST_LEAD_DAYS = 10;
