import { AVERAGE_PERSON, type Person } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import type { Plan } from '@/core/kit/plan';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { SNOW_ALBEDO } from '@/core/outing/timeline';
import { PLAIN_WISHES } from '@/core/search/wishes';
import type { Pack } from '@/core/underway/pack';
import { aLeg, garmentsOf } from '../tests/support/outings';

/** What is timed: one closet, cut to size, and one kind of day, cut to hours. */
export const KIT: readonly Garment[] = garmentsOf(
  'mesh-base',
  'thin-merino-base',
  'grid-fleece',
  'wind-shell-pits',
  'standby-puffy',
  'briefs',
  'thin-tights',
  'soft-trousers',
  'puffy-overtrousers',
  'liner-gloves',
  'fleece-mitts',
  'shell-mitts',
  'thin-cap',
  'warm-hat',
  'neck-tube',
  'liner-socks',
  'wool-socks',
  'touring-boots',
);

/** So many garments; every n-th of the catalogue, so that a small closet still has something for every part of the body. */
export function closetOf(size: number): Garment[] {
  const rest = CATALOGUE.filter((g) => !KIT.includes(g));
  const step = rest.length / Math.max(1, size - KIT.length);
  const more = Array.from({ length: Math.max(0, size - KIT.length) }, (_, i) => rest[Math.floor(i * step)]);
  return [...KIT, ...more];
}

/** Up, a stop on top, and down, all in the same air. */
export function outingOf(hours: number): Outing {
  const air = { airC: -8, humidity: 0.7, wind: 3, windAtBody: true, sunWm2: 0 };
  return {
    name: `${hours} h`,
    sport: 'ski tour',
    startMs: 0,
    utcOffsetMin: 0,
    loadKg: 6,
    forecastEleM: 0,
    startEleM: 0,
    albedo: SNOW_ALBEDO,
    legs: [
      aLeg({ minutes: hours * 30, effort: { by: 'metabolic', value: 650 }, air }),
      aLeg({ sport: 'stand', minutes: 15, effort: { by: 'usual' }, air }),
      aLeg({ sport: 'downhill ski', minutes: hours * 30 - 15, effort: { by: 'usual' }, air }),
    ],
    forecast: [
      {
        timeMs: 0,
        airC: air.airC,
        humidity: air.humidity,
        wind: air.wind,
        gust: air.wind,
        fromDeg: 0,
        precipitationMmH: 0,
        kind: 'none',
        cloud: 1,
      },
    ],
    profile: null,
  };
}

export const timelineFor = (hours: number) => timelineOf(outingOf(hours), AVERAGE_PERSON);

/** A logged outing as its phone had it: everything owned, nothing damp, legs by hand. */
export const loggedPack = ({ id, outing, plan }: { id: string; outing: Outing; plan: Plan }, person: Person): Pack => ({
  outingId: id,
  planId: id,
  planVersion: 1,
  packedMs: outing.startMs,
  forecastMs: outing.startMs,
  outing,
  person,
  units: 'metric',
  closet: [...CATALOGUE],
  inCloset: CATALOGUE.map((g) => g.id),
  damp: {},
  wishes: PLAIN_WISHES,
  plan,
  track: null,
});
