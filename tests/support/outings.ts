import { AVERAGE_PERSON, engineOf } from '@/core/body/person';
import { fromCatalogue } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import type { Leg } from '@/core/outing/leg';
import { buildTimeline, type Timeline } from '@/core/outing/timeline';

export const garmentsOf = (...ids: string[]): Garment[] =>
  ids.map((id) => {
    const g = fromCatalogue(id);
    if (!g) throw new Error(`no garment ${id}`);
    return g;
  });

export const aLeg = (over: Partial<Leg> = {}): Leg => ({
  name: 'Leg',
  sport: 'ski tour',
  minutes: 30,
  distanceM: 0,
  climbM: 0,
  effort: { by: 'metabolic', value: 600 },
  shelter: 'open',
  packOn: false,
  noStopping: false,
  ...over,
});

/** Legs in the same air all day, on one clock. */
export function dayOf(legs: Leg[], airC = -8, windAtBody = 3): Timeline {
  return buildTimeline({
    legs: legs.map((l) => ({
      ...l,
      air: { airC, humidity: 0.7, wind: windAtBody, windAtBody: true, sunWm2: 0, ...l.air },
    })),
    forecast: [
      {
        timeMs: 0,
        airC,
        humidity: 0.7,
        wind: windAtBody,
        gust: windAtBody,
        fromDeg: 0,
        precipitationMmH: 0,
        kind: 'none',
        cloud: 1,
      },
    ],
    startMs: 0,
    utcOffsetMin: 0,
    engine: engineOf(AVERAGE_PERSON),
    loadKg: 6,
    forecastEleM: 0,
    startEleM: 0,
  });
}

/** Up, a stop on top, and down: the day that tests every decision. */
export const upStopDown = (airC = -8): Timeline =>
  dayOf(
    [
      aLeg({ name: 'Rake', minutes: 70, effort: { by: 'metabolic', value: 680 } }),
      aLeg({ name: 'Top', sport: 'stand', minutes: 15, effort: { by: 'usual' }, air: { wind: 7 } }),
      aLeg({ name: 'Shoulder', sport: 'downhill ski', minutes: 25, effort: { by: 'usual' }, air: { wind: 9 } }),
    ],
    airC,
  );

export const SKI_CLOSET = garmentsOf(
  'thin-merino-base',
  'grid-fleece',
  'wind-shell-pits',
  'standby-puffy',
  'briefs',
  'thin-tights',
  'soft-trousers',
  'wool-socks',
  'touring-boots',
  'liner-gloves',
  'warm-mitts',
  'thin-cap',
  'warm-hat',
  'neck-tube',
);
