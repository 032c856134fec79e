import { vapourPressure } from '@/core/atmosphere/humidity';
import type { Person } from '@/core/body/person';
import { fromCatalogue } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import type { Conditions } from '@/core/outing/conditions';
import type { Plan } from '@/core/kit/plan';
import type { Simulator } from './simulator';

/** Nobody in particular; no number of theirs is whole, so that the engine keeps all of them as fractions. */
export const SOMEBODY: Person = {
  massKg: 72.5,
  heightM: 1.76,
  fatPercent: 16.5,
  vo2maxMl: 50.5,
  restBpm: 55.5,
  maxBpm: 185.5,
  sweatGain: 1.05,
  metabolicBias: 0.95,
  constriction: 1.05,
  warmth: 0.1,
};

/**
 * A few minutes of every kind of weather, run once before the second simulation of a process. JavaScript engines compile a step for
 * what it has seen: one compiled before anything was wet, frozen or bare is thrown away at the first wet, frozen or bare
 * zone, and in one process in ten the engine goes on falling into the stale version, at a fifth of the speed. So it is
 * shown every branch first. Costs some 50 ms, once; changes no number.
 */
export function rehearse(make: (garments: Garment[]) => Simulator): void {
  const ids = ['mesh-base', 'cotton-tee', 'wind-shell', 'thin-tights', 'neck-tube', 'liner-gloves', 'wool-socks'];
  const garments = ids.flatMap((id) => fromCatalogue(id) ?? []);
  const plan: Plan = {
    worn: ids.filter((id) => id !== 'liner-gloves'),
    carried: ['liner-gloves'],
    openings: { 'neck-tube': { up: 0 } },
    cues: [
      { atS: 60, actions: [{ do: 'putOn', garment: 'liner-gloves' }] },
      { atS: 200, actions: [{ do: 'brush', garment: 'wind-shell' }] },
      { atS: 260, actions: [{ do: 'takeOff', garment: 'wind-shell' }] },
    ],
  };
  const still: Omit<Conditions, 'startS' | 'endS'> = {
    airC: 5,
    pressurePa: 95000,
    vapourPa: vapourPressure(5, 0.9),
    relativeWind: 1,
    sunWm2: 20,
    skyWm2: 5,
    precipitation: 'none',
    precipitationMmH: 0,
    sport: 'hike',
    metabolicW: 300,
    externalW: 10,
    pumping: 0.5,
    packOn: false,
    packUnder: false,
    wetting: null,
  };
  const kinds: Partial<Conditions>[] = [
    { metabolicW: 1100, airC: 15 },
    { precipitation: 'rain', precipitationMmH: 8, packOn: true },
    { airC: -30, vapourPa: 20, relativeWind: 12, metabolicW: 1000 },
    { airC: -30, vapourPa: 20, sport: 'stand', metabolicW: 100 },
    { wetting: 'wading' },
    { wetting: 'sitting on snow', airC: -5, vapourPa: 300, sport: 'sit', metabolicW: 90 },
    { precipitation: 'wet snow', precipitationMmH: 3, airC: 1, vapourPa: 600 },
    { airC: 30, vapourPa: 200, relativeWind: 8, metabolicW: 500 },
    { airC: 20, vapourPa: 500, sport: 'hut', metabolicW: 100 },
  ];
  const lastS = 40;
  for (const kit of [garments, garments.slice(0, 2), []]) {
    const sim = make(kit);
    const known = new Set(kit.map((g) => g.id));
    const own: Plan = {
      worn: plan.worn.filter((id) => known.has(id)),
      carried: plan.carried.filter((id) => known.has(id)),
      openings: known.has('neck-tube') ? plan.openings : {},
      cues: kit === garments ? plan.cues : [],
    };
    sim.start(own, kit.length > 0 ? { 'mesh-base': 30, 'cotton-tee': 300 } : {});
    sim.run(
      kinds.map((k, i) => ({ ...still, ...k, startS: i * lastS, endS: (i + 1) * lastS })),
      own,
      { stepS: 10, sampleS: 20 },
    );
  }
}
