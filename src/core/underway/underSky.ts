import { kindFromWetBulb } from '@/core/atmosphere/precipitation';
import type { ForecastHour } from '@/core/outing/forecast';
import type { Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { clamp } from '@/core/quantity/range';
import { meanOver } from '@/core/outing/meanOver';
import type { Sky } from './taps';

/** What one step of a look at the sky is worth: K, and shares of the wind (engineering values: what a person tells apart without instruments). */
const AIR_K = { colder: -3, 'as said': 0, warmer: 3 } as const;
const WIND = { less: 0.6, 'as said': 1, more: 1.6 } as const;
/** What falls, where it does and was not forecast, mm/h, and for how long a look out of the door holds, h. */
const FALLS_MMH = 1;
const FALLS_H = 3;
const HOUR_MS = 3600_000;
/** Less wind than this is no wind, m/s. */
const CALM_MS = 0.5;

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

/** The outing in the weather that really was, by its means over the outing: the whole forecast is shifted in air and scaled in wind. */
export function asItWas(
  outing: Outing,
  { stretches }: Timeline,
  was: { airC: number | null; windMs: number | null },
): Outing {
  const airK = was.airC === null ? 0 : was.airC - meanOver(stretches, (s) => s.airC);
  const blew = meanOver(stretches, (s) => s.wind10);
  const share = was.windMs === null ? 1 : blew > CALM_MS ? was.windMs / blew : 1;
  // Out of a calm forecast no share makes a wind.
  const windMs = was.windMs !== null && blew <= CALM_MS ? was.windMs : 0;
  const forecast = outing.forecast.map((h): ForecastHour => {
    const wind = clamp(h.wind * share + windMs, 0, 60);
    return { ...h, airC: clamp(h.airC + airK, -60, 45), wind, gust: clamp(h.gust * share + windMs, wind, 80) };
  });
  return { ...outing, forecast };
}
