// Longer than a file should be: laying a leg on the clock asks for pace, air, light and work of the leg before; each step is a function here.
import { pressureAt } from '@/core/atmosphere/air';
import { skyLoss } from '@/core/atmosphere/boundaryLayer';
import { vapourPressure } from '@/core/atmosphere/humidity';
import { sunOnBody, sunPosition, type Light } from '@/core/atmosphere/sun';
import {
  headwindCosine,
  relativeWind,
  SHELTER_FACTOR,
  STILL_AIR,
  withGusts,
  type Shelter,
} from '@/core/atmosphere/windAtBody';
import { isIndoors, isMoving, LIFT_MS, pumpingSpeed, SPORT } from '@/core/effort/sports';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { legEffort, type Engine, type Work } from '@/core/effort/legEffort';
import { sustainableShare } from '@/core/effort/sustainable';
import { OutOfRange, within } from '@/core/quantity/range';
import type { Conditions } from './conditions';
import { checkForecast, weatherAt, type ForecastHour } from './forecast';
import { isUnderRoof, LEG_RANGE, MAX_LEGS, type Leg } from './leg';
import { handPace } from './pace';
import type { Profile } from './route';

/** The integrator's conditions plus where and in what weather it is. */
export interface Stretch extends Conditions {
  leg: number;
  /** for the picture */
  wind10: number;
  gust: number;
  humidity: number;
  distanceM: number;
  eleM: number;
  speedMs: number;
  cloud: number;
  /** sun above the horizon, degrees; undefined where nobody knows the place */
  sunDeg?: number;
  effortFrom: string;
}

/** A leg that asks more than the athlete can hold for its length, and what became of it. */
export interface Slowed {
  leg: number;
  atS: number;
  /** W */
  askedW: number;
  heldW: number;
  /** minutes as given, and as it takes */
  given: number;
  takes: number;
}

export interface Timeline {
  stretches: Stretch[];
  /** as given, with the distance worked out where only minutes and climb were, and more minutes where it was too fast */
  legs: Leg[];
  slowed: Slowed[];
  /** where the forecast ends (or has not begun) and the weather is only held on: from when, s, and by how many hours at most */
  beyond: { atS: number; hours: number } | null;
  /** s at which each leg starts; one more for the end */
  legStartS: number[];
  endS: number;
}

export interface TimelineInput {
  legs: Leg[];
  forecast: ForecastHour[];
  /** local ms of the start */
  startMs: number;
  /** minutes the local clock is ahead of UTC, for the sun */
  utcOffsetMin: number;
  engine: Engine;
  loadKg: number;
  /** height the forecast is for, m */
  forecastEleM: number;
  startEleM: number;
  latitude?: number;
  longitude?: number;
  profile?: Profile;
  /** ground brightness, 0–1; fresh snow 0.8 */
  albedo?: number;
}

/** Share of the sky that is seen there (engineering values). */
const SKY_OPEN: Record<Shelter, number> = { open: 1, ridge: 1, street: 0.4, forest: 0.3, indoor: 0 };

/** Longest stretch before weather is looked up again, s. */
const SLICE_S = 300;
/** Indoor air where a leg names none. */
const INDOOR = { airC: 19, humidity: 0.4 };

/** Ground brightness where nobody says: old snow and what sticks out of it, 0–1. */
export const SNOW_ALBEDO = 0.6;

/**
 * Lays legs and forecast on one clock.
 * @throws OutOfRange for no legs, too many, or values outside LEG_RANGE
 */
export function buildTimeline(input: TimelineInput): Timeline {
  const { legs } = input;
  within('number of legs', legs.length, 1, MAX_LEGS);
  checkForecast(input.forecast);
  const stretches: Stretch[] = [];
  const legStartS: number[] = [];
  const gone: Leg[] = [];
  const slowed: Slowed[] = [];
  let t = 0;
  let distance = 0;
  let ele = input.startEleM;
  legs.forEach((leg, index) => {
    for (const key of Object.keys(LEG_RANGE) as (keyof typeof LEG_RANGE)[])
      within(
        `leg ${index + 1} "${leg.name}" ${key}`,
        leg[key],
        LEG_RANGE[key][0],
        LEG_RANGE[key][1],
        LEG_RANGE[key][2],
      );
    legStartS.push(t);
    const way = going(input, leg, index);
    const on = (f0: number, f1: number, how: Pick<Going, 'speed' | 'seconds' | 'mostW'>): Piece => {
      const here = placeOn(input.profile, leg, (f0 + f1) / 2, ele);
      return {
        index,
        startS: t + f0 * how.seconds,
        endS: t + f1 * how.seconds,
        speed: how.speed,
        slope: way.slope,
        distanceM: distance + ((f0 + f1) / 2) * way.length,
        eleM: leg.air?.altitudeM ?? here.eleM,
        course: here.bearing,
        mostW: how.mostW,
      };
    };
    const held = heldBy(input, leg, way, (how) => stretch(input, leg, on(0, 1, how)));
    const { seconds } = held;
    if (held.askedW > held.mostW)
      slowed.push({
        leg: index,
        atS: t,
        askedW: held.askedW,
        heldW: held.mostW,
        given: leg.minutes,
        takes: seconds / 60,
      });
    const pieces = Math.max(1, Math.ceil(seconds / SLICE_S));
    for (let k = 0; k < pieces; k++) stretches.push(stretch(input, leg, on(k / pieces, (k + 1) / pieces, held)));
    t += seconds;
    distance += way.length;
    gone.push({ ...leg, distanceM: way.length, minutes: seconds / 60 });
    ele = placeOn(input.profile, leg, 1, ele).eleM;
  });
  legStartS.push(t);
  within('outing length', t / 3600, 0, 72, 'h');
  return { stretches, legs: gone, slowed, beyond: beyondForecast(input, stretches, gone), legStartS, endS: t };
}

/** Weather held on for longer than this after the last hour of a forecast, or before its first, is a guess and refused, h. */
export const MOST_BEYOND_H = 12;
const HOUR_MS = 3600_000;

/**
 * How far the outing runs past its forecast. A forecast of one hour is weather given by hand and holds all day; legs whose air is
 * given by hand need none.
 * @throws OutOfRange beyond MOST_BEYOND_H
 */
function beyondForecast(
  { forecast, startMs }: TimelineInput,
  stretches: readonly Stretch[],
  legs: readonly Leg[],
): Timeline['beyond'] {
  if (forecast.length < 2) return null;
  const last = forecast[forecast.length - 1].timeMs;
  const untilMs = last + Math.max(HOUR_MS, last - forecast[forecast.length - 2].timeMs);
  const fromMs = forecast[0].timeMs - HOUR_MS;
  const hours = (s: Stretch): number => {
    if (isIndoors(s.sport) || legs[s.leg].air?.airC !== undefined) return 0;
    return Math.max(0, startMs + s.endS * 1000 - untilMs, fromMs - startMs - s.startS * 1000) / HOUR_MS;
  };
  const past = stretches.filter((s) => hours(s) > 1e-9);
  if (past.length === 0) return null;
  const most = Math.max(...past.map(hours));
  if (most > MOST_BEYOND_H)
    throw new OutOfRange(
      'forecast',
      `${most.toFixed(0)} h short of the outing`,
      `at most ${MOST_BEYOND_H} h; add later (or earlier) hours, or start nearer to them`,
    );
  return { atS: past[0].startS, hours: most };
}

/** How a leg is gone: m/s, rise over distance, m, s, and the most metabolic rate that can be held, W. */
interface Going {
  speed: number;
  slope: number;
  length: number;
  seconds: number;
  mostW: number;
}

/** @throws OutOfRange for a speed nobody reaches */
function going(input: TimelineInput, leg: Leg, index: number): Going {
  const seconds = leg.minutes * 60;
  const moving = isMoving(leg.sport);
  const byHand = moving && leg.distanceM === 0 ? handPace(input.engine, leg, input.loadKg) : null;
  const slope = byHand?.slope ?? (leg.distanceM > 0 ? Math.max(-0.6, Math.min(0.6, leg.climbM / leg.distanceM)) : 0);
  const speed = moving
    ? (byHand?.speedMs ?? leg.distanceM / seconds)
    : SPORT[leg.sport].going === 'carried'
      ? LIFT_MS
      : 0;
  if (speed > 30)
    throw new OutOfRange(
      `leg ${index + 1} "${leg.name}" speed`,
      `${speed.toFixed(1)} m/s`,
      'at most 30 m/s; check minutes and distance',
    );
  return { speed, slope, length: byHand ? speed * seconds : leg.distanceM, seconds, mostW: Infinity };
}

/** Rounds in which the pace and what can be held at its length settle on each other, and the slowest a leg is made. */
const SETTLES = 4;
const SLOWEST_SHARE = 0.1;

/**
 * The leg at an effort that can be held for its length: where it asks more, the effort is cut, and what covers ground is
 * gone slower by as much as the effort above rest is cut, so that it takes longer. Stops are as they are.
 */
function heldBy(
  { engine }: TimelineInput,
  leg: Leg,
  way: Going,
  at: (how: Going) => Stretch,
): Going & { askedW: number } {
  const most = maximalMetabolicRate(engine.vo2maxMl, engine.massKg);
  const holds = (seconds: number) => most * sustainableShare(seconds / 60, engine.vo2maxMl);
  const asked = at(way);
  const askedW = asked.metabolicW;
  if (SPORT[leg.sport].going !== 'own effort') return { ...way, mostW: most, askedW };
  if (askedW <= holds(way.seconds)) return { ...way, mostW: holds(way.seconds), askedW };
  const rest = Math.min(asked.restW ?? 0, askedW * 0.5);
  let { seconds } = way;
  if (leg.distanceM > 0)
    for (let k = 0; k < SETTLES; k++) {
      const share = Math.max(SLOWEST_SHARE, Math.min(1, (holds(seconds) - rest) / (askedW - rest)));
      seconds = Math.min(LEG_RANGE.minutes[1] * 60, way.seconds / share);
    }
  const mostW = holds(seconds);
  return { ...way, seconds, speed: (way.speed * way.seconds) / seconds, mostW, askedW };
}

function placeOn(
  profile: Profile | undefined,
  leg: Leg,
  f: number,
  startEle: number,
): { eleM: number; bearing: number | null } {
  if (profile && leg.profileFrom !== undefined && leg.profileTo !== undefined) {
    const i = Math.min(profile.eleM.length - 1, Math.round(leg.profileFrom + (leg.profileTo - leg.profileFrom) * f));
    return { eleM: profile.eleM[i], bearing: profile.bearingDeg[i] };
  }
  return { eleM: startEle + leg.climbM * f, bearing: null };
}

/** Trees keep the sun off unless the leg says it lies on the sunny side. */
function lightOn(leg: Leg, shelter: Shelter): Light {
  const shaded = leg.side === undefined ? shelter === 'forest' : leg.side === 'shaded';
  return shaded ? 'shade' : 'sun';
}

/** Where and when a piece of a leg is. */
interface Piece {
  index: number;
  startS: number;
  endS: number;
  /** m/s */
  speed: number;
  slope: number;
  distanceM: number;
  eleM: number;
  /** degrees from north; null where nobody knows */
  course: number | null;
  /** W that can be held */
  mostW: number;
}

function stretch(input: TimelineInput, leg: Leg, piece: Piece): Stretch {
  const { index, startS, endS, speed, slope, distanceM, eleM, course, mostW } = piece;
  const mid = input.startMs + ((startS + endS) / 2) * 1000;
  const w = weatherAt(input.forecast, mid, eleM - input.forecastEleM);
  const indoors = isUnderRoof(leg);
  const airC = leg.air?.airC ?? (indoors ? INDOOR.airC : w.airC);
  const humidity = leg.air?.humidity ?? (indoors ? INDOOR.humidity : w.humidity);
  const wind10 = indoors ? 0 : (leg.air?.wind ?? withGusts(w.wind, w.gust));
  const shelter = indoors ? 'indoor' : leg.shelter;
  const cos = course === null ? 0 : headwindCosine(course, w.fromDeg);
  const relative = leg.air?.windAtBody
    ? Math.max(STILL_AIR, leg.air.wind ?? 0)
    : relativeWind(Math.min(80, wind10), shelter, speed, cos);
  const load = leg.packOn ? input.loadKg : 0;
  const asked = legEffort(input.engine, {
    sport: leg.sport,
    slope,
    loadKg: load,
    airC,
    footprintCm: leg.footprintCm,
    surface: leg.surface,
    headwindMs: wind10 * SHELTER_FACTOR[shelter] * cos,
    speedMs: leg.effort.by === 'speed' || leg.effort.by === 'usual' ? speed : undefined,
    metabolicW: leg.effort.by === 'metabolic' ? leg.effort.value : undefined,
    powerW: leg.effort.by === 'power' ? leg.effort.value : undefined,
    heartRateBpm: leg.effort.by === 'heartRate' ? leg.effort.value : undefined,
    exertion: leg.effort.by === 'exertion' ? leg.effort.value : undefined,
  });
  const work = atMost(asked, mostW);
  const sunDeg =
    input.latitude === undefined
      ? undefined
      : sunPosition(mid - input.utcOffsetMin * 60000, input.latitude, input.longitude ?? 0).altitudeDeg;
  const sun =
    leg.air?.sunWm2 !== undefined
      ? leg.air.sunWm2
      : indoors || sunDeg === undefined
        ? 0
        : sunOnBody(sunDeg, w.cloud, input.albedo ?? SNOW_ALBEDO, lightOn(leg, shelter));
  return {
    startS,
    endS,
    leg: index,
    airC,
    pressurePa: pressureAt(Math.max(-500, Math.min(9000, eleM))),
    vapourPa: vapourPressure(airC, humidity),
    relativeWind: relative,
    sunWm2: sun,
    skyWm2: indoors || leg.air?.airC !== undefined ? 0 : skyLoss(airC, w.cloud, SKY_OPEN[shelter]),
    precipitation: indoors ? 'none' : (leg.air?.precipitation ?? w.kind),
    precipitationMmH: indoors ? 0 : (leg.air?.precipitationMmH ?? w.precipitationMmH),
    sport: leg.sport,
    metabolicW: work.metabolicW,
    externalW: Math.min(
      leg.effort.by === 'metabolic' ? (leg.effort.externalW ?? work.externalW) : work.externalW,
      work.metabolicW * 0.3,
    ),
    pumping: pumpingSpeed(leg.sport, speed),
    packOn: leg.packOn,
    packUnder: leg.packOn && (leg.packUnder ?? false),
    wetting: indoors ? null : (leg.wetting ?? null),
    restW: indoors ? undefined : legEffort(input.engine, { sport: 'stand' }).metabolicW,
    stillWind: leg.air?.windAtBody ? relative : relativeWind(Math.min(80, wind10), shelter, 0, 0),
    wind10,
    gust: indoors ? 0 : Math.max(wind10, w.gust),
    humidity,
    distanceM,
    eleM,
    speedMs: speed,
    cloud: w.cloud,
    sunDeg,
    effortFrom: work.from,
  };
}

/** The same work at most at this metabolic rate, W. */
const atMost = (work: Work, mostW: number): Work =>
  work.metabolicW <= mostW
    ? work
    : { ...work, metabolicW: mostW, externalW: (work.externalW * mostW) / work.metabolicW };
