import { vapourPressure } from '@/core/atmosphere/humidity';
import { clamp } from '@/core/quantity/range';
import { CONDITIONS_RANGE } from './conditions';
import type { Leg } from './leg';
import { windWhen } from './pacing';
import type { Stretch } from './timeline';

/** Weather other than forecast: K more, and so many times the wind and what falls. */
export interface Shift {
  airK: number;
  wind: number;
  fall: number;
}

/** A stretch out of doors in other weather than forecast: as humid, gone as before, and held to what the integrator is believed for. */
export function inWeather(s: Stretch, leg: Pick<Leg, 'shelter'>, { airK, wind, fall }: Shift): Stretch {
  const [coldC, warmC] = CONDITIONS_RANGE.airC;
  const airC = clamp(s.airC + airK, coldC, warmC);
  return {
    ...s,
    airC,
    vapourPa: vapourPressure(airC, s.humidity),
    wind10: s.wind10 * wind,
    gust: s.gust * wind,
    relativeWind: windWhen(s, leg, wind, 1),
    stillWind: s.stillWind === undefined ? undefined : Math.min(CONDITIONS_RANGE.relativeWind[1], s.stillWind * wind),
    precipitationMmH: Math.min(CONDITIONS_RANGE.precipitationMmH[1], s.precipitationMmH * fall),
  };
}
