import { kindFromWetBulb } from '@/core/atmosphere/precipitation';
import type { ForecastHour } from '@/core/outing/forecast';
import type { Outing } from '@/core/outing/outing';
import { clamp } from '@/core/quantity/range';
import type { Sky } from './taps';

/** What one step of a look at the sky is worth: K, and shares of the wind (engineering values: what a person tells apart without instruments). */
const AIR_K = { colder: -3, 'as said': 0, warmer: 3 } as const;
const WIND = { less: 0.6, 'as said': 1, more: 1.6 } as const;
/** What falls, where it does and was not forecast, mm/h, and for how long a look out of the door holds, h. */
const FALLS_MMH = 1;
const FALLS_H = 3;
const HOUR_MS = 3600_000;

/** The outing in the weather that somebody sees who looks out of the door: air and wind all day, what falls for some hours. */
export function underSky(outing: Outing, sky: Sky): Outing {
  const untilMs = outing.startMs + FALLS_H * HOUR_MS;
  const forecast = outing.forecast.map((h): ForecastHour => {
    const airC = clamp(h.airC + AIR_K[sky.air], -60, 45);
    const now = outing.forecast.length === 1 || h.timeMs < untilMs;
    const wind = Math.min(60, h.wind * WIND[sky.wind]);
    return {
      ...h,
      airC,
      wind,
      gust: Math.max(wind, Math.min(80, h.gust * WIND[sky.wind])),
      ...(now ? falling(h, sky.falls, airC) : {}),
    };
  });
  return { ...outing, forecast };
}

function falling(h: ForecastHour, falls: Sky['falls'], airC: number): Partial<ForecastHour> {
  if (falls === 'dry') return { precipitationMmH: 0, kind: 'none' };
  if (falls === 'as said' || h.precipitationMmH >= FALLS_MMH) return {};
  return { precipitationMmH: FALLS_MMH, kind: kindFromWetBulb(airC, h.humidity) };
}
