import { relativeWind, SHELTER_FACTOR, STILL_AIR } from '@/core/atmosphere/windAtBody';
import { vapourPressure } from '@/core/atmosphere/humidity';
import type { Person } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { pumpingSpeed, SPORT } from '@/core/effort/sports';
import { clamp } from '@/core/quantity/range';
import { CONDITIONS_RANGE } from './conditions';
import type { Leg } from './leg';
import { isInRoom, meanOver } from './meanOver';
import { windWhen } from './pacing';
import { inWeather } from './shiftedDay';
import type { Stretch, Timeline } from './timeline';

/** Even days lie so far apart in their means: K, m/s, and share of the athlete's maximal metabolic rate (engineering values). */
export const EVEN = { airK: 5, windMs: 5, effort: 0.125 } as const;

/**
 * What else moves with weather and pace is rounded so far, so that days near one another come to the same even day to the last bit: °C, m/s, W,
 * W/m².
 */
const ROUNDED = {
  airC: 0.1,
  relativeWind: 0.2,
  wind10: 0.2,
  gust: 0.2,
  metabolicW: 20,
  externalW: 10,
  skyWm2: 5,
} as const;

/** The same of speed, m/s: with it go wind and pumping. */
const SPEED_MS = 0.5;

const nearest = (value: number, grid: number): number => Math.round(value / grid) * grid;

/** Wind under which nothing can be scaled up, m/s at the body. */
const CALM = 0.05;

/** A stretch with so much more wind, m/s at 10 m; where it is calm, from the side. */
function inWind(s: Stretch, leg: Leg, airK: number, windMs: number): Stretch {
  const wind10 = clamp(s.wind10 + windMs, 0, CONDITIONS_RANGE.relativeWind[1]);
  const scaled = s.wind10 * SHELTER_FACTOR[leg.shelter] >= CALM;
  const there = inWeather(s, leg, { airK, wind: scaled ? wind10 / s.wind10 : 1, fall: 1 });
  const atBody = leg.air?.windAtBody ? Math.max(STILL_AIR, wind10) : null;
  if (scaled && atBody === null) return there;
  const from = (speedMs: number) => atBody ?? relativeWind(wind10, leg.shelter, speedMs);
  const stillWind = s.stillWind === undefined ? undefined : from(0);
  return { ...there, wind10, relativeWind: from(s.relativeWind), stillWind };
}

/**
 * The nearest of evenly spaced days: the same outing with the means of its air and wind, and of the effort of what is gone, moved to the
 * nearest multiples of `EVEN`. Small changes of a forecast leave it the same, so that what is found for it is the same. Rooms stay as they are.
 */
export function evenDay(timeline: Timeline, { vo2maxMl, massKg }: Pick<Person, 'vo2maxMl' | 'massKg'>): Timeline {
  const out = timeline.stretches.filter((s) => !isInRoom(s));
  const gone = out.filter((s) => isOwnEffort(s));
  if (out.length === 0) return timeline;
  const toEven = (mean: number, grid: number): number => nearest(mean, grid) - mean;
  const airK = toEven(
    meanOver(out, (s) => s.airC),
    EVEN.airK,
  );
  const windMs = toEven(
    meanOver(out, (s) => s.wind10),
    EVEN.windMs,
  );
  const workW = toEven(
    meanOver(gone, (s) => s.metabolicW),
    EVEN.effort * maximalMetabolicRate(vo2maxMl, massKg),
  );
  const stretches = timeline.stretches.map((s): Stretch => {
    if (isInRoom(s)) return s;
    const leg = timeline.legs[s.leg];
    return rounded(inWind(isOwnEffort(s) ? atWork(s, leg, workW) : s, leg, airK, windMs));
  });
  return { ...timeline, stretches };
}

const isOwnEffort = (s: Stretch): boolean => SPORT[s.sport].going === 'own effort';

/** A stretch gone with so many watts more: what lies above standing still, and speed with it, is scaled. */
function atWork(s: Stretch, leg: Pick<Leg, 'shelter'>, moreW: number): Stretch {
  const rest = Math.min(s.restW ?? 0, s.metabolicW);
  const workW = s.metabolicW - rest;
  const share = workW > 0 ? Math.max(0, workW + moreW) / workW : 1;
  const speedMs = nearest(s.speedMs * share, SPEED_MS);
  return {
    ...s,
    metabolicW: rest + workW * share,
    externalW: s.externalW * share,
    speedMs,
    pumping: pumpingSpeed(s.sport, speedMs),
    relativeWind: windWhen(s, leg, 1, s.speedMs > 0 ? speedMs / s.speedMs : 1),
  };
}

function rounded(s: Stretch): Stretch {
  const even = { ...s };
  for (const key of Object.keys(ROUNDED) as (keyof typeof ROUNDED)[]) even[key] = nearest(s[key], ROUNDED[key]);
  if (s.stillWind !== undefined) even.stillWind = nearest(s.stillWind, ROUNDED.relativeWind);
  if (s.restW !== undefined) even.restW = nearest(s.restW, ROUNDED.metabolicW);
  return { ...even, vapourPa: vapourPressure(even.airC, s.humidity) };
}
