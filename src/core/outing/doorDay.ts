import { kindFromWetBulb, type PrecipitationKind } from '@/core/atmosphere/precipitation';
import type { Shelter } from '@/core/atmosphere/windAtBody';
import { SPORT, type Sport } from '@/core/effort/sports';
import { OutOfRange, within } from '@/core/quantity/range';
import { UNSAID, type ForecastHour } from './forecast';
import type { Leg } from './leg';
import type { Outing } from './outing';
import { SNOW_ALBEDO } from './timeline';

/** The sports one can start from a door, without a lift or a guide. */
export const DOOR_SPORTS = [
  'run',
  'classic ski',
  'skate ski',
  'ski tour',
  'cycle',
  'hike',
  'walk',
  'snowshoe',
] as const satisfies readonly Sport[];
export type DoorSport = (typeof DOOR_SPORTS)[number];

/** What is usual for a sport where nobody says: minutes, effort 0–10, where, and kg beyond clothes (engineering values). */
export const USUAL_DOOR: Record<DoorSport, Pick<DoorDay, 'minutes' | 'exertion' | 'shelter' | 'packKg'>> = {
  run: { minutes: 50, exertion: 5, shelter: 'street', packKg: 0 },
  'classic ski': { minutes: 75, exertion: 5, shelter: 'forest', packKg: 0 },
  'skate ski': { minutes: 75, exertion: 5, shelter: 'forest', packKg: 0 },
  'ski tour': { minutes: 180, exertion: 4, shelter: 'open', packKg: 6 },
  cycle: { minutes: 90, exertion: 4, shelter: 'open', packKg: 0 },
  hike: { minutes: 180, exertion: 3, shelter: 'open', packKg: 6 },
  walk: { minutes: 45, exertion: 2, shelter: 'street', packKg: 0 },
  snowshoe: { minutes: 120, exertion: 3, shelter: 'forest', packKg: 4 },
};

/** Where one stands still on the way: at lights, waiting at the start or for others, for lunch outdoors, or inside a hut. */
export const DOOR_STOPS = ['lights', 'start', 'wait', 'lunch', 'hut'] as const;
export type DoorStopKind = (typeof DOOR_STOPS)[number];

export interface DoorStop {
  kind: DoorStopKind;
  /** how often */
  times: number;
  /** each, min */
  minutes: number;
}

/** What falls, mm/h of water, and from when and until when on the clock, local ms; left out: all the way. */
export interface DoorFall {
  kind: PrecipitationKind;
  mmH: number;
  fromMs?: number;
  untilMs?: number;
}

export const DOOR_SKIES = { clear: 0.1, 'some cloud': 0.5, overcast: 1 } as const;
export type DoorSky = keyof typeof DOOR_SKIES;

/** What somebody at the door knows of the day: how it is outside, and what they are about to do. */
export interface DoorDay {
  sport: DoorSport;
  /** of going, without the stops, min */
  minutes: number;
  /** how hard, 0–10 as perceived */
  exertion: number;
  airC: number;
  /** at 10 m in the open, m/s */
  windMs: number;
  falls: DoorFall;
  sky: DoorSky;
  shelter: Exclude<Shelter, 'indoor'>;
  stops: DoorStop[];
  /** local wall clock, ms */
  startMs: number;
  /** beyond clothes, kg */
  packKg: number;
}

export const DOOR_RANGE = {
  minutes: [5, 1440, 'min'],
  exertion: [1, 10, 'of 10'],
  airC: [-50, 25, '°C'],
  windMs: [0, 30, 'm/s'],
  mmH: [0, 20, 'mm/h'],
  packKg: [0, 40, 'kg'],
  stopMinutes: [0.5, 240, 'min'],
  stopTimes: [1, 12, ''],
} as const;

/** Snow below this is dry whatever is said, and rain above freezing only: the kind that can fall in such air, °C (engineering values). */
const RAIN_FROM_C = -3;

/** @throws OutOfRange naming field, value and range */
export function checkDoorDay(d: DoorDay): DoorDay {
  for (const key of ['minutes', 'exertion', 'airC', 'windMs', 'packKg'] as const)
    within(WORDS[key], d[key], DOOR_RANGE[key][0], DOOR_RANGE[key][1], DOOR_RANGE[key][2]);
  within('what falls', d.falls.mmH, ...DOOR_RANGE.mmH);
  within('kinds of stop', d.stops.length, 0, DOOR_STOPS.length);
  for (const s of d.stops) {
    within('minutes of a stop', s.minutes, ...DOOR_RANGE.stopMinutes);
    within('how many stops', s.times, ...DOOR_RANGE.stopTimes);
  }
  if (d.stops.some((s, i) => d.stops.findIndex((o) => o.kind === s.kind) !== i))
    throw new OutOfRange('stops', 'one kind twice', 'each kind once, with how often');
  return d;
}

const WORDS = {
  minutes: 'minutes',
  exertion: 'effort',
  airC: 'air temperature',
  windMs: 'wind',
  packKg: 'pack',
} as const;

/** Humidity where nobody says, 0–1: of air that nothing falls from, and of air that something does. */
export const DOOR_HUMIDITY = { dry: 0.75, wet: 0.92 } as const;

/** Water that falls when somebody only says that it does, mm/h (engineering values: light snow, steady rain). */
export const USUAL_FALL_MMH: Record<PrecipitationKind, number> = {
  none: 0,
  'dry snow': 1,
  'wet snow': 1.5,
  sleet: 1.5,
  rain: 2,
  'freezing drizzle': 0.5,
};

/** What can fall in such air of what was said; the same where it can. */
export function fallsIn(airC: number, kind: PrecipitationKind): PrecipitationKind {
  if (kind === 'rain' || kind === 'sleet' || kind === 'wet snow')
    return airC < RAIN_FROM_C ? 'dry snow' : kind === 'rain' && airC < 0 ? 'freezing drizzle' : kind;
  if (kind === 'dry snow') return kindFromWetBulb(airC, DOOR_HUMIDITY.wet) === 'rain' ? 'wet snow' : kind;
  return kind;
}

const NAME: Record<DoorStopKind, string> = {
  lights: 'At the lights',
  start: 'Waiting at the start',
  wait: 'Waiting',
  lunch: 'Lunch stop',
  hut: 'Hut break',
};
const STOP_SPORT: Record<DoorStopKind, Sport> = {
  lights: 'stand',
  start: 'stand',
  wait: 'stand',
  lunch: 'sit',
  hut: 'hut',
};

/** Where the stops of one kind are, as shares of the going. Lights and waits are spread over it, the meal is half way. */
const placesOf = (s: DoorStop): number[] =>
  s.kind === 'start'
    ? Array.from({ length: s.times }, () => 0)
    : Array.from({ length: s.times }, (_, i) => (i + 1) / (s.times + 1));

/** The legs of such a day: going at one effort, parted by its stops. */
export function doorLegs(d: DoorDay): Leg[] {
  const { label } = SPORT[d.sport];
  const stops = d.stops
    .flatMap((s) => placesOf(s).map((at) => ({ s, at })))
    .sort((a, b) => a.at - b.at || DOOR_STOPS.indexOf(a.s.kind) - DOOR_STOPS.indexOf(b.s.kind));
  const common = { distanceM: 0, climbM: 0, noStopping: false };
  const legs: Leg[] = [];
  let gone = 0;
  const goTo = (share: number) => {
    const minutes = (share - gone) * d.minutes;
    if (minutes < 0.5) return;
    const part = legs.filter((l) => l.sport === d.sport).length + 1;
    legs.push({
      ...common,
      name: stops.some(({ at }) => at > 0) ? `${label}, part ${part}` : label,
      sport: d.sport,
      minutes,
      effort: { by: 'exertion', value: d.exertion },
      shelter: d.shelter,
      packOn: d.packKg > 0,
    });
    gone = share;
  };
  for (const { s, at } of stops) {
    goTo(at);
    legs.push({
      ...common,
      name: NAME[s.kind],
      sport: STOP_SPORT[s.kind],
      minutes: s.minutes,
      effort: { by: 'usual' },
      shelter: s.kind === 'hut' ? 'indoor' : d.shelter,
      packOn: false,
    });
  }
  goTo(1);
  return legs;
}

const HOUR_MS = 3600_000;
/** How fast it begins and ends to fall, ms: the forecast is drawn in straight lines between its hours. */
const TURNS_MS = 60_000;
const DAY_H = 30;

/** The weather of such a day as a forecast: the same air all the way, and what falls from when to when. */
export function doorForecast(d: DoorDay): ForecastHour[] {
  const falls = d.falls.mmH > 0 && d.falls.kind !== 'none';
  const first = d.startMs - HOUR_MS;
  const last = d.startMs + DAY_H * HOUR_MS;
  const { fromMs = first, untilMs = last } = d.falls;
  const at = (timeMs: number): ForecastHour => {
    const falling = falls && timeMs >= fromMs && timeMs <= untilMs;
    return {
      timeMs,
      airC: d.airC,
      humidity: falls ? DOOR_HUMIDITY.wet : DOOR_HUMIDITY.dry,
      wind: d.windMs,
      gust: d.windMs * UNSAID.gust,
      fromDeg: 0,
      precipitationMmH: falling ? d.falls.mmH : 0,
      kind: falling ? d.falls.kind : 'none',
      cloud: falls ? DOOR_SKIES.overcast : DOOR_SKIES[d.sky],
    };
  };
  const marks = [first, fromMs - TURNS_MS, fromMs, untilMs, untilMs + TURNS_MS, last];
  const inside = [...new Set(marks)].filter((t) => t >= first && t <= last).sort((a, b) => a - b);
  return inside.map(at);
}

/** Where the outing is: latitude and longitude for the sun, the clock's offset from UTC, and the height of its weather, m. */
export interface DoorPlace {
  latitude: number;
  longitude: number;
  utcOffsetMin: number;
  eleM: number;
}

/**
 * The outing of such a day, with legs and weather on one clock.
 * @param place null: nowhere in particular, at sea level and without sun
 * @throws OutOfRange for a day outside DOOR_RANGE
 */
export function outingAtDoor(day: DoorDay, place: DoorPlace | null, name: string = SPORT[day.sport].label): Outing {
  const d = checkDoorDay(day);
  const eleM = place?.eleM ?? 0;
  return {
    name,
    sport: d.sport,
    startMs: d.startMs,
    utcOffsetMin: place?.utcOffsetMin ?? 0,
    loadKg: d.packKg,
    forecastEleM: eleM,
    startEleM: eleM,
    ...(place ? { place: { latitude: place.latitude, longitude: place.longitude } } : {}),
    albedo: SNOW_ALBEDO,
    legs: doorLegs(d),
    forecast: doorForecast(d),
    profile: null,
  };
}

/** Whether an outing is of such a day: its legs, its air and its start, wherever it is. */
export function isOfDay(outing: Outing, day: DoorDay): boolean {
  const { legs, forecast, startMs, loadKg } = outingAtDoor(day, null);
  const said = (o: Pick<Outing, 'legs' | 'forecast' | 'startMs' | 'loadKg'>) =>
    JSON.stringify([o.legs, o.forecast, o.startMs, o.loadKg]);
  return said(outing) === said({ legs, forecast, startMs, loadKg });
}
