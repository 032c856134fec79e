import { kindFromWetBulb } from '@/core/atmosphere/precipitation';
import { LAPSE_K_PER_M, type ForecastHour } from '@/core/outing/forecast';
import { SPREAD } from '@/core/questions/daySpread';
import type { StationObserved, StationWeather } from '@/formats/stationJson';
import { readLocalTime } from '@/formats/dates';
import { RECORD } from './record';
import { SITES, type Site } from './stations';

/**
 * Weather that ships with the application, so that it can be used and tried without any service: made up, but of the kind that such
 * hills have, and always the same for a seed and a moment. Slow waves stand for highs and fronts, a day's course rides on them.
 */

const HOUR_MS = 3600_000;
const DAY_MS = 24 * HOUR_MS;
/** A forecast reaches so far, h; from then on none is worth the name. */
export const FORECAST_HOURS = 240;

/** A number of 0–1 that is always the same for the same seed and index. */
function dice(seed: number, index: number): number {
  let x = Math.imul(seed ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(index + 0x7f4a7c15, 0xc2b2ae35);
  x = Math.imul(x ^ (x >>> 15), 0x2c1b3c6d);
  x = Math.imul(x ^ (x >>> 12), 0x297a2d39);
  return ((x ^ (x >>> 15)) >>> 0) / 2 ** 32;
}

/** Waves of some days that never repeat for long: their sum is about −1 to 1. */
function waves(seed: number, days: number): number {
  const periods = [3.1, 5.3, 8.9, 13.7];
  const heights = [0.3, 0.35, 0.25, 0.15];
  return periods.reduce((s, p, i) => s + heights[i] * Math.sin(2 * Math.PI * (days / p + dice(seed, i))), 0);
}

/** Coldest about 20 January: mean of the valley over the year, °C. */
const seasonal = (days: number): number => 3.5 - 7.5 * Math.cos((2 * Math.PI * (days - 20)) / 365.25);
const round = (v: number, to: number): number => Math.round(v * to) / to;

/** For so long about a time on record the weather is what was recorded, h (one standard deviation of the bell that it fades with). */
const RECORD_H = 7;
const MEASURED = RECORD.map(([time, airC, windMs, fallsMmH]) => ({
  atMs: readLocalTime(time, 'the record'),
  airC,
  windMs,
  fallsMmH,
}));

/** How much what was measured counts at a moment, 0–1, and what that was; null: nothing near was. */
function onRecord(atMs: number) {
  for (const m of MEASURED) {
    const far = (atMs - m.atMs) / (RECORD_H * HOUR_MS);
    if (Math.abs(far) < 4) return { ...m, share: Math.exp(-0.5 * far * far) };
  }
  return null;
}

/** What there really is at a site at a moment of its wall clock: made up, but where there is a record as that says. */
export function weatherOf(siteId: string, atMs: number, seed: number): ForecastHour {
  const site = SITES.find((s) => s.station.id === siteId);
  if (!site) throw new Error(`no station ${siteId}`);
  const made = madeUp(site, atMs, seed);
  const record = onRecord(atMs);
  if (!record) return made;
  // The valley measured: the other sites differ from it then as they always do.
  const valley = madeUp(SITES[0], record.atMs, seed);
  const airC = made.airC + record.share * (record.airC - valley.airC);
  const wind = Math.max(0.3, made.wind * (record.windMs / valley.wind) ** record.share);
  const falls = Math.max(0, made.precipitationMmH + record.share * (record.fallsMmH - valley.precipitationMmH));
  const precipitationMmH = falls < 0.05 ? 0 : round(falls, 10);
  return {
    ...made,
    airC: round(airC, 10),
    wind: round(wind, 10),
    gust: round((made.gust / made.wind) * wind, 10),
    precipitationMmH,
    kind: precipitationMmH > 0 ? kindFromWetBulb(airC, made.humidity) : 'none',
  };
}

function madeUp(site: Site, atMs: number, seed: number): ForecastHour {
  const days = atMs / DAY_MS;
  const hour = (atMs % DAY_MS) / HOUR_MS;
  const front = waves(seed, days);
  const cloud = Math.min(1, Math.max(0, 0.5 + 0.8 * waves(seed + 1, days) + 0.3 * front));
  const course = Math.cos((2 * Math.PI * (hour - 14)) / 24);
  const airC =
    seasonal(days % 365.25) +
    5 * waves(seed + 2, days) +
    site.nightK * (1.1 - cloud) * course -
    LAPSE_K_PER_M * (site.station.eleM - SITES[0].station.eleM);
  const free = Math.max(0.5, 4.5 + 5 * front + 2 * waves(seed + 3, days * 4));
  const wind = Math.max(0.3, free * site.exposure * (1 + 0.12 * course));
  const wet = Math.max(0, front + 0.4 * waves(seed + 4, days * 6) - 0.55);
  const humidity = Math.min(0.99, Math.max(0.35, 0.78 - 0.1 * course + 0.15 * (cloud - 0.5) + 0.2 * Math.min(1, wet)));
  const precipitationMmH = wet <= 0.02 ? 0 : round(3.2 * wet, 10);
  return {
    timeMs: atMs,
    airC: round(airC, 10),
    humidity: round(humidity, 100),
    wind: round(wind, 10),
    gust: round(wind * (1.4 + 0.2 * Math.max(0, front)), 10),
    fromDeg: round((((250 + 90 * waves(seed + 5, days)) % 360) + 360) % 360, 1),
    precipitationMmH,
    kind: precipitationMmH > 0 ? kindFromWetBulb(airC, humidity) : 'none',
    cloud: round(precipitationMmH > 0 ? 1 : cloud, 100),
  };
}

/** How far off a forecast is at some lead: the same for the run of forecasts of six hours. @returns about a standard normal number */
function miss(seed: number, atMs: number, leadH: number, what: number): number {
  const run = Math.floor(atMs / (6 * HOUR_MS));
  return 1.2 * waves(seed * 31 + run * 7 + what, leadH / 24 + what);
}

/** What a site says at a moment: what it measures, and ten days of hours that are less sure the further off they are. */
export function stationWeather(siteId: string, atMs: number, seed: number): StationWeather {
  const { station } = SITES.find((s) => s.station.id === siteId)!;
  const first = Math.floor(atMs / HOUR_MS) * HOUR_MS;
  const spread: StationWeather['spread'] = [];
  const hours = Array.from({ length: FORECAST_HOURS + 1 }, (_, i): ForecastHour => {
    const truth = weatherOf(siteId, first + i * HOUR_MS, seed);
    const days = i / 24;
    const sd = {
      airK: round(i === 0 ? 0.3 : SPREAD.airK(days), 100),
      windShare: round(SPREAD.windShare(days), 100),
      fallShare: round(SPREAD.fallShare(days), 100),
    };
    spread.push(sd);
    const airC = round(truth.airC + sd.airK * miss(seed, atMs, i, 1) * Math.min(1, i / 6), 10);
    const factor = Math.exp(sd.windShare * miss(seed, atMs, i, 2) * Math.min(1, i / 6));
    const falls = round(
      truth.precipitationMmH * Math.exp(sd.fallShare * miss(seed, atMs, i, 3) * Math.min(1, i / 6)),
      10,
    );
    return {
      ...truth,
      airC,
      wind: round(truth.wind * factor, 10),
      gust: round(truth.gust * factor, 10),
      precipitationMmH: falls,
      kind: falls > 0 ? kindFromWetBulb(airC, truth.humidity) : 'none',
    };
  });
  return { station, issuedMs: atMs, now: weatherOf(siteId, atMs, seed), hours, spread };
}

/** What a site measured, hour by hour, from the hour before one moment to the hour after another. */
export function stationObserved(siteId: string, fromMs: number, toMs: number, seed: number): StationObserved {
  const { station } = SITES.find((s) => s.station.id === siteId)!;
  const hours: ForecastHour[] = [];
  for (let t = Math.floor(fromMs / HOUR_MS) * HOUR_MS; t < toMs + HOUR_MS; t += HOUR_MS)
    hours.push(weatherOf(siteId, t, seed));
  return { station, hours };
}
