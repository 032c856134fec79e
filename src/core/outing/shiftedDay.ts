import { vapourPressure } from '@/core/atmosphere/humidity';
import { clamp } from '@/core/quantity/range';
import type { Leg } from './leg';
import { windWhen } from './pacing';
import type { Stretch } from './timeline';

/** Weather other than forecast: K more, and so many times the wind and what falls. */
export interface Shift {
  airK: number;
  wind: number;
  fall: number;
}

/** Air, wind and precipitation that stretches, integrator and forecast are believed for: °C, m/s, mm/h. */
const MOST = { coldC: -60, warmC: 45, wind: 80, fallMmH: 60 } as const;

/** A stretch out of doors in other weather than forecast: as humid, gone as before. */
export function inWeather(s: Stretch, leg: Pick<Leg, 'shelter'>, { airK, wind, fall }: Shift): Stretch {
  const airC = clamp(s.airC + airK, MOST.coldC, MOST.warmC);
  return {
    ...s,
    airC,
    vapourPa: vapourPressure(airC, s.humidity),
    wind10: s.wind10 * wind,
    gust: s.gust * wind,
    relativeWind: windWhen(s, leg, wind, 1),
    stillWind: s.stillWind === undefined ? undefined : Math.min(MOST.wind, s.stillWind * wind),
    precipitationMmH: Math.min(MOST.fallMmH, s.precipitationMmH * fall),
  };
}
