import { engineOf, type Person } from '@/core/body/person';
import { checkConditions } from './conditions';
import type { Sport } from '@/core/effort/sports';
import { legsFromRoute, type Going } from './legsFromRoute';
import type { ForecastHour } from './forecast';
import type { Leg } from './leg';
import { buildProfile, type Profile, type RoutePoint } from './route';
import { buildTimeline, SNOW_ALBEDO, type Timeline } from './timeline';

/** One outing as it is edited and asked about: legs and weather, and the route they came from, resampled. */
export interface Outing {
  name: string;
  sport: Sport;
  /** local wall clock, ms */
  startMs: number;
  utcOffsetMin: number;
  /** pack mass beyond clothing, kg */
  loadKg: number;
  /** height the forecast is for, m */
  forecastEleM: number;
  startEleM: number;
  /** ground brightness 0–1 */
  albedo: number;
  legs: Leg[];
  forecast: ForecastHour[];
  /** null: legs by hand */
  profile: Profile | null;
  /** where it is, for the sun, where no route says */
  place?: { latitude: number; longitude: number };
}

export interface FromRoute extends Going {
  name: string;
  startMs: number;
  utcOffsetMin: number;
  route: RoutePoint[];
  forecast: ForecastHour[];
}

/** A new outing from a route and a forecast: legs cut and paced by the athlete's effort. The forecast is taken for the start's height. */
export function outingFromRoute(input: FromRoute, person: Person): Outing {
  const profile = buildProfile(input.route);
  const legs = legsFromRoute(profile, engineOf(person), input);
  const startEleM = profile.eleM[0];
  return {
    name: input.name,
    sport: input.sport,
    startMs: input.startMs,
    utcOffsetMin: input.utcOffsetMin,
    loadKg: input.loadKg,
    forecastEleM: startEleM,
    startEleM,
    albedo: SNOW_ALBEDO,
    legs,
    forecast: input.forecast,
    profile,
  };
}

/**
 * Legs, weather and route on one clock for one person.
 * @throws OutOfRange when a leg, an hour or the air that follows from them lies beyond what the integrator is believed for
 */
export function timelineOf(outing: Outing, person: Person): Timeline {
  const profile = outing.profile ?? undefined;
  const timeline = buildTimeline({
    legs: outing.legs,
    forecast: outing.forecast,
    startMs: outing.startMs,
    utcOffsetMin: outing.utcOffsetMin,
    engine: engineOf(person),
    loadKg: outing.loadKg,
    forecastEleM: outing.forecastEleM,
    startEleM: outing.startEleM,
    latitude: profile?.latitude ?? outing.place?.latitude,
    longitude: profile?.longitude ?? outing.place?.longitude,
    profile,
    albedo: outing.albedo,
  });
  checkConditions(timeline.stretches);
  return timeline;
}
