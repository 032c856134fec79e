import { scaleLinear } from 'd3-scale';
import { cToFahrenheit, fahrenheitToC } from '@/core/quantity/units';
import type { Units } from '@/formats/measures';

const ABOUT = 7;
const round = (low: number, high: number): number[] => scaleLinear([low, high], [0, 1]).ticks(ABOUT);

/** Round numbers of the athlete's own scale between two temperatures, °C each. */
export const feelsTicks = (low: number, high: number, units: Units): number[] =>
  units === 'metric' ? round(low, high) : round(cToFahrenheit(low), cToFahrenheit(high)).map(fahrenheitToC);
