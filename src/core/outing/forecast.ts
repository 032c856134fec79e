import { USUAL_GUST } from '@/core/atmosphere/windAtBody';
import { kindFromWetBulb, type PrecipitationKind } from '@/core/atmosphere/precipitation';
import { OutOfRange, within } from '@/core/quantity/range';

/** One hour of forecast; times are local milliseconds on the outing's own calendar (no time zone in the core). */
export interface ForecastHour {
  timeMs: number;
  airC: number;
  /** 0–1 */
  humidity: number;
  /** m/s at 10 m */
  wind: number;
  gust: number;
  /** direction the wind comes from, degrees */
  fromDeg: number;
  precipitationMmH: number;
  kind: PrecipitationKind;
  /** 0–1 */
  cloud: number;
}

export const FORECAST_RANGE = {
  airC: [-60, 40, '°C'],
  humidity: [0.02, 1, ''],
  wind: [0, 60, 'm/s'],
  gust: [0, 90, 'm/s'],
  fromDeg: [0, 360, '°'],
  precipitationMmH: [0, 60, 'mm/h'],
  cloud: [0, 1, ''],
} as const;

/** What a forecast that does not say is taken to mean: gusts of so many times the wind, half the sky covered. */
export const UNSAID = { gust: USUAL_GUST, cloud: 0.5 } as const;

/** @throws OutOfRange naming the hour's field; hours must rise strictly, and no gust is less than its wind */
export function checkForecast(hours: ForecastHour[]): ForecastHour[] {
  if (hours.length === 0) throw new OutOfRange('forecast', 'no hours', 'at least one hour');
  hours.forEach((h, i) => {
    for (const key of Object.keys(FORECAST_RANGE) as (keyof typeof FORECAST_RANGE)[]) {
      const [low, high, unit] = FORECAST_RANGE[key];
      within(`forecast hour ${i + 1} ${key}`, h[key], low, high, unit);
    }
    if (h.gust < h.wind - 1e-9)
      throw new OutOfRange(`forecast hour ${i + 1} gust`, h.gust, `at least the wind, ${h.wind} m/s`);
    if (i > 0 && h.timeMs <= hours[i - 1].timeMs)
      throw new OutOfRange(`forecast hour ${i + 1} time`, 'not after the hour before', 'rising times, each once');
  });
  return hours;
}

/** Temperature falls with height at the standard 6.5 K/km. */
export const LAPSE_K_PER_M = 0.0065;

/**
 * Weather at a moment, linear between hours (wind direction by the shorter way), held at the ends.
 * @param heightAboveM height above the place the forecast is for, m
 */
export function weatherAt(hours: readonly ForecastHour[], timeMs: number, heightAboveM = 0): ForecastHour {
  let i = 0;
  while (i < hours.length - 2 && hours[i + 1].timeMs <= timeMs) i++;
  const a = hours[i];
  const b = hours[Math.min(i + 1, hours.length - 1)];
  const span = b.timeMs - a.timeMs;
  const f = span > 0 ? Math.min(1, Math.max(0, (timeMs - a.timeMs) / span)) : 0;
  const mix = (x: number, y: number) => x + (y - x) * f;
  const turn = ((b.fromDeg - a.fromDeg + 540) % 360) - 180;
  const nearest = f < 0.5 ? a : b;
  const airC = mix(a.airC, b.airC) - LAPSE_K_PER_M * heightAboveM;
  const humidity = mix(a.humidity, b.humidity);
  const precipitationMmH = mix(a.precipitationMmH, b.precipitationMmH);
  // Higher and colder, sleet becomes snow: the kind follows the wet bulb where the forecast fell as anything liquid.
  const kind =
    precipitationMmH <= 0.005
      ? 'none'
      : nearest.kind === 'none' || Math.abs(heightAboveM) > 150
        ? kindFromWetBulb(airC, Math.min(1, humidity))
        : nearest.kind;
  return {
    timeMs,
    airC,
    humidity,
    wind: mix(a.wind, b.wind),
    gust: mix(a.gust, b.gust),
    fromDeg: (a.fromDeg + turn * f + 360) % 360,
    precipitationMmH: kind === 'none' ? 0 : precipitationMmH,
    kind,
    cloud: mix(a.cloud, b.cloud),
  };
}
