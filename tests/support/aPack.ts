import { AVERAGE_PERSON } from '@/core/body/person';
import type { Plan } from '@/core/kit/plan';
import type { Outing } from '@/core/outing/outing';
import { PLAIN_WISHES } from '@/core/search/wishes';
import { openPack, plannedStartMs, type Pack } from '@/core/underway/pack';
import type { Tap, Told } from '@/core/underway/taps';
import { aLeg, SKI_CLOSET } from './outings';

/** A tour of two hours: up an hour, a windy top, down; in the morning at 56° north. */
export const tourOuting: Outing = {
  name: 'Skarn Head round',
  sport: 'ski tour',
  startMs: Date.UTC(2027, 0, 16, 9),
  utcOffsetMin: 60,
  loadKg: 6,
  forecastEleM: 300,
  startEleM: 300,
  albedo: 0.7,
  legs: [
    aLeg({
      name: 'Skarn Rake',
      minutes: 60,
      distanceM: 3600,
      climbM: 420,
      effort: { by: 'metabolic', value: 650 },
      packOn: true,
    }),
    aLeg({ name: 'Skarn Head', sport: 'stand', minutes: 12, effort: { by: 'usual' }, shelter: 'ridge' }),
    aLeg({
      name: 'Long Shoulder',
      sport: 'downhill ski',
      minutes: 40,
      distanceM: 6000,
      climbM: -420,
      effort: { by: 'usual' },
    }),
  ],
  forecast: Array.from({ length: 12 }, (_, h) => ({
    timeMs: Date.UTC(2027, 0, 16, 7 + h),
    airC: -9,
    humidity: 0.75,
    wind: 5,
    gust: 8,
    fromDeg: 250,
    precipitationMmH: 0,
    kind: 'none' as const,
    cloud: 0.6,
  })),
  profile: null,
  place: { latitude: 56, longitude: 12 },
};

export const tourPlan: Plan = {
  worn: [
    'thin-merino-base',
    'wind-shell-pits',
    'briefs',
    'thin-tights',
    'soft-trousers',
    'wool-socks',
    'touring-boots',
    'liner-gloves',
    'thin-cap',
  ],
  carried: ['standby-puffy', 'warm-mitts', 'grid-fleece', 'neck-tube'],
  openings: {},
  cues: [
    { atS: 600, actions: [{ do: 'set', garment: 'wind-shell-pits', opening: 'zip', setting: 1 }] },
    {
      atS: 3600,
      actions: [
        { do: 'putOn', garment: 'standby-puffy' },
        { do: 'putOn', garment: 'warm-mitts' },
      ],
    },
  ],
};

export const aPack = (over: Partial<Pack> = {}): Pack => ({
  outingId: '11111111-1111-4111-8111-111111111111',
  planId: '22222222-2222-4222-8222-222222222222',
  planVersion: 1,
  packedMs: Date.UTC(2027, 0, 16, 6),
  forecastMs: Date.UTC(2027, 0, 16, 5, 40),
  outing: tourOuting,
  person: AVERAGE_PERSON,
  units: 'metric',
  closet: SKI_CLOSET,
  inCloset: SKI_CLOSET.map((g) => g.id),
  damp: {},
  wishes: PLAIN_WISHES,
  plan: tourPlan,
  track: null,
  ...over,
});

export const opened = openPack(aPack());
export const T0 = plannedStartMs(aPack());

let count = 0;
/** A tap so many seconds after the planned start. */
export const tap = (atS: number, told: Told, over: Partial<Tap> = {}): Tap => ({
  id: `t${++count}`,
  atMs: T0 + atS * 1000,
  device: 'phone',
  told,
  ...over,
});
