import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { plainGarment } from '@/core/clothing/garment';
import type { ForecastHour } from '@/core/outing/forecast';
import type { Leg } from '@/core/outing/leg';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { SNOW_ALBEDO } from '@/core/outing/timeline';
import { makePlan } from '@/core/search/planner';

/** After how long a slice stops searching, ms; what it has is then explained, and the worker listens again. */
const SLICE_MS = 50;

const leg = (sport: Leg['sport'], minutes: number): Leg => ({
  name: '',
  sport,
  minutes,
  distanceM: 0,
  climbM: 0,
  effort: { by: 'usual' },
  shelter: 'open',
  packOn: true,
  noStopping: false,
});

const HOUR: ForecastHour = {
  timeMs: 0,
  airC: -8,
  humidity: 0.7,
  wind: 6,
  gust: 9,
  fromDeg: 0,
  precipitationMmH: 0,
  kind: 'none',
  cloud: 0.5,
};

/** An outing that nobody goes on: up, a stop and down, so that all of the planner has something to do. */
const PRACTICE: Outing = {
  name: '',
  sport: 'ski tour',
  startMs: 0,
  utcOffsetMin: 0,
  loadKg: 6,
  forecastEleM: 500,
  startEleM: 500,
  albedo: SNOW_ALBEDO,
  legs: [leg('ski tour', 40), leg('stand', 10), leg('downhill ski', 20)],
  forecast: [HOUR],
  profile: null,
};

/**
 * Plans an outing that nobody asked for, for a slice of time: a browser runs code fast only after it has run for a while, and
 * a first plan that starts cold takes about a third longer.
 */
export function practise(): void {
  const until = performance.now() + SLICE_MS;
  const timeline = timelineOf(PRACTICE, AVERAGE_PERSON);
  makePlan(
    { person: AVERAGE_PERSON, closet: CATALOGUE.map(plainGarment), timeline, sport: PRACTICE.sport },
    () => performance.now() < until,
  );
}
