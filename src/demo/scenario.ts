import type { Person } from '@/core/body/person';
import { outingFromRoute, type Outing } from '@/core/outing/outing';
import type { Effort, Leg } from '@/core/outing/leg';
import type { RoutePoint } from '@/core/outing/route';
import type { Sport } from '@/core/effort/sports';
import { readLocalTime } from '@/formats/dates';
import { readForecastCsv } from '@/formats/forecastCsv';
import { readGpx } from '@/formats/gpx';

/** The Tarnholt fells: an invented upland with a forest valley, a ski loop, a ridge and two huts. Our own scenario. */

export const DEMO_PERSON: Person = {
  massKg: 71,
  heightM: 1.77,
  fatPercent: 16,
  vo2maxMl: 50,
  restBpm: 52,
  maxBpm: 186,
  sweatGain: 1.1,
  metabolicBias: 1,
  constriction: 1.15,
  warmth: 0,
};

interface DemoOuting {
  name: string;
  sport: Sport;
  effort: Effort;
  gpx: string;
  csv: string;
  start: string;
  loadKg: number;
  /** name of the stop on the highest point */
  summit?: string;
  /** names and shelter by leg, in order; stops to put in after a leg */
  legs: Partial<Leg>[];
  stops?: { after: number; leg: Partial<Leg> & Pick<Leg, 'name' | 'sport' | 'minutes'> }[];
}

export const DEMO_OUTINGS: DemoOuting[] = [
  {
    name: 'Skarn Head round',
    sport: 'ski tour',
    effort: { by: 'exertion', value: 4.2 },
    gpx: 'skarn-head-round.gpx',
    csv: 'saturday-tarnholt.csv',
    start: '2027-01-16T08:10',
    loadKg: 7,
    legs: [
      { name: 'Birkshaw wood', shelter: 'forest' },
      { name: 'Lang Tarn', shelter: 'open' },
      { name: 'Skarn Rake', shelter: 'open' },
      { name: 'Long Shoulder', shelter: 'open' },
    ],
    summit: 'Skarn Head',
  },
  {
    name: 'Mill Lane loop',
    sport: 'run',
    effort: { by: 'exertion', value: 4.5 },
    gpx: 'mill-lane-loop.gpx',
    csv: 'weekday-evening.csv',
    start: '2027-01-12T18:00',
    loadKg: 0,
    legs: [{ name: 'Mill Lane', shelter: 'street' }],
  },
  {
    name: 'Tarnholt valley ride',
    sport: 'cycle',
    effort: { by: 'power', value: 155 },
    gpx: 'valley-ride.gpx',
    csv: 'sunday-ride-imperial.csv',
    start: '2027-01-17T10:00',
    loadKg: 2,
    legs: [{ name: 'Valley road' }, { name: 'Kiln Bank' }, { name: 'Ravenbeck road' }],
  },
  {
    name: 'Lang Tarn hut and back',
    sport: 'hike',
    effort: { by: 'usual' },
    gpx: 'lang-tarn-hut.gpx',
    csv: 'thaw-monday.csv',
    start: '2027-01-18T09:30',
    loadKg: 9,
    legs: [
      { name: 'Up through Birkshaw', shelter: 'forest' },
      { name: 'Down by the beck', shelter: 'open' },
    ],
    stops: [{ after: 0, leg: { name: 'Lang Tarn hut', sport: 'hut', minutes: 35 } }],
  },
];

/** A demo outing with the points of its route. */
export interface DemoDay {
  outing: Outing;
  route: RoutePoint[];
}

/** Builds the demo outings from the shipped files, through the same door as any athlete's own. */
export function buildDemoOutings(readFile: (name: string) => string, person: Person): DemoDay[] {
  return DEMO_OUTINGS.map((d) => {
    const route = readGpx(readFile(d.gpx), d.gpx);
    const forecast = readForecastCsv(readFile(d.csv), d.csv);
    const outing = outingFromRoute(
      {
        name: d.name,
        sport: d.sport,
        effort: d.effort,
        startMs: readLocalTime(d.start, 'demo'),
        utcOffsetMin: 60,
        loadKg: d.loadKg,
        clock: 'by effort',
        route: route.points,
        forecast,
      },
      person,
    );
    // Names go to the moving legs in order; stops found on the summit keep their own.
    let k = 0;
    let legs = outing.legs.map((leg) =>
      leg.distanceM > 0 ? { ...leg, ...d.legs[k++] } : { ...leg, name: d.summit ?? leg.name },
    );
    for (const s of d.stops ?? []) {
      if (legs.some((l) => l.distanceM === 0)) legs = legs.filter((l) => l.distanceM > 0);
      const at = legs[Math.min(s.after, legs.length - 1)];
      const stop: Leg = {
        distanceM: 0,
        climbM: 0,
        effort: { by: 'usual' },
        shelter: 'indoor',
        packOn: false,
        noStopping: false,
        profileFrom: at.profileTo,
        profileTo: at.profileTo,
        ...s.leg,
      };
      legs = [...legs.slice(0, s.after + 1), stop, ...legs.slice(s.after + 1)];
    }
    return { outing: { ...outing, legs }, route: route.points };
  });
}

/** What the demo athlete owns, by catalogue id; a few pieces are damp from yesterday. */
export const DEMO_DAMP: Record<string, number> = { 'wool-pullover': 60, 'storm-shell': 20 };
