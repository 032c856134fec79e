import fc from 'fast-check';
import { AVERAGE_PERSON, type Person } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import type { Garment } from '@/core/clothing/garment';
import { vapourPressure } from '@/core/atmosphere/humidity';
import { PRECIPITATION_KINDS } from '@/core/atmosphere/precipitation';
import { SPORTS, pumpingSpeed } from '@/core/effort/sports';
import { WETTINGS, type Wetting } from '@/core/outing/wetting';
import type { Conditions } from '@/core/outing/conditions';
import type { Plan } from '@/core/kit/plan';

/** Any outfit, any winter weather from +15 to −45 °C, any going, as the core may meet it. */
export interface RandomCase {
  person: Person;
  garments: Garment[];
  conditions: Conditions[];
  plan: Plan;
  damp: Record<string, number>;
}

const outfit = (group: Garment['group'], most: number) =>
  fc.subarray(
    CATALOGUE.filter((g) => g.group === group),
    { maxLength: most },
  );

const stretch = fc.record({
  minutes: fc.integer({ min: 2, max: 40 }),
  airC: fc.double({ min: -45, max: 15, noNaN: true }),
  pressurePa: fc.double({ min: 60000, max: 103000, noNaN: true }),
  humidity: fc.double({ min: 0.2, max: 1, noNaN: true }),
  relativeWind: fc.double({ min: 0.15, max: 22, noNaN: true }),
  sport: fc.constantFrom(...SPORTS),
  metabolicW: fc.double({ min: 70, max: 1200, noNaN: true }),
  work: fc.double({ min: 0, max: 0.22, noNaN: true }),
  speed: fc.double({ min: 0, max: 6, noNaN: true }),
  precipitation: fc.constantFrom(...PRECIPITATION_KINDS),
  mmH: fc.double({ min: 0, max: 6, noNaN: true }),
  sunWm2: fc.double({ min: 0, max: 200, noNaN: true }),
  packOn: fc.boolean(),
  packUnder: fc.boolean(),
  wetting: fc.constantFrom<Wetting | null>(null, null, null, ...WETTINGS),
});

export const anyPerson: fc.Arbitrary<Person> = fc
  .record({
    massKg: fc.double({ min: 45, max: 110, noNaN: true }),
    heightM: fc.double({ min: 1.5, max: 1.98, noNaN: true }),
    fatPercent: fc.double({ min: 7, max: 35, noNaN: true }),
    sweatGain: fc.double({ min: 0.4, max: 2, noNaN: true }),
    constriction: fc.double({ min: 0.4, max: 2, noNaN: true }),
  })
  .map((p) => ({ ...AVERAGE_PERSON, ...p }));

export const anyCase: fc.Arbitrary<RandomCase> = fc
  .record({
    person: anyPerson,
    groups: fc.tuple(
      outfit('torso', 4),
      outfit('legs', 3),
      outfit('hands', 2),
      outfit('head', 2),
      outfit('feet', 3),
      outfit('face', 1),
    ),
    stretches: fc.array(stretch, { minLength: 1, maxLength: 5 }),
    wornShare: fc.double({ min: 0, max: 1, noNaN: true }),
    settings: fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 }),
    dampGm2: fc.double({ min: 0, max: 200, noNaN: true }),
  })
  .map(({ person, groups, stretches, wornShare, settings, dampGm2 }) => {
    const garments = groups.flat();
    let t = 0;
    const conditions: Conditions[] = stretches.map((s) => {
      const startS = t;
      t += s.minutes * 60;
      return {
        startS,
        endS: t,
        airC: s.airC,
        pressurePa: s.pressurePa,
        vapourPa: vapourPressure(s.airC, s.humidity),
        relativeWind: s.relativeWind,
        sunWm2: s.sunWm2,
        skyWm2: 0,
        precipitation: s.precipitation,
        precipitationMmH: s.precipitation === 'none' ? 0 : s.mmH,
        sport: s.sport,
        metabolicW: s.metabolicW,
        externalW: s.work * s.metabolicW,
        pumping: pumpingSpeed(s.sport, s.speed),
        packOn: s.packOn,
        packUnder: s.packUnder,
        wetting: s.wetting,
      };
    });
    const first = garments.slice(0, Math.ceil(garments.length * wornShare));
    const rest = garments.slice(first.length);
    const openings: Plan['openings'] = {};
    garments.forEach((g, i) => {
      if (g.openings.length > 0)
        openings[g.id] = Object.fromEntries(g.openings.map((o, k) => [o.id, settings[(i + k) % settings.length]]));
    });
    const cues = conditions.slice(1).map((c, i): Plan['cues'][number] => ({
      atS: c.startS,
      actions: [
        ...rest
          .filter((_, k) => k % 2 === i % 2)
          .map((g) => ({ do: (i % 4 < 2 ? 'putOn' : 'takeOff') as 'putOn', garment: g.id })),
        ...first.slice(0, i % 3).map((g) => ({ do: 'takeOff' as const, garment: g.id })),
        ...first.slice(-1).map((g) => ({ do: 'brush' as const, garment: g.id })),
      ],
    }));
    return {
      person,
      garments,
      conditions,
      plan: {
        worn: first.map((g) => g.id),
        carried: rest.map((g) => g.id),
        openings,
        cues: cues.filter((c) => c.actions.length > 0),
      },
      damp: Object.fromEntries(garments.slice(0, 2).map((g) => [g.id, dampGm2])),
    };
  });

/** The same outfit throughout and one steady stretch: for questions of "more of this, less of that". */
export const steadyCase: fc.Arbitrary<RandomCase> = anyCase.map((c) => ({
  ...c,
  plan: { ...c.plan, worn: c.garments.map((g) => g.id), carried: [], cues: [] },
  conditions: [
    {
      ...c.conditions[0],
      startS: 0,
      endS: 2400,
      precipitationMmH: 0,
      precipitation: 'none',
      sunWm2: 0,
      skyWm2: 0,
      wetting: null,
    },
  ],
}));
