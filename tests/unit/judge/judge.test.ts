import { AVERAGE_PERSON, checkPerson } from '@/core/body/person';
import { chillingWater } from '@/core/judge/chillingWater';
import { addMoment, deciding, noCost, totalCost } from '@/core/judge/cost';
import { coldTorso, comfortableSkin, sensation, sensationWord } from '@/core/judge/sensation';
import { EXTREME, newExtremes, noteMoment } from '@/core/judge/extremes';
import { LIMIT } from '@/core/judge/limits';
import { noMoment } from '@/core/judge/moment';
import { judge } from '@/core/judge/judgement';
import { verdict } from '@/core/judge/verdict';
import { phases, legAt } from '@/core/outing/moments';
import { scorePlan } from '@/core/judge/scorePlan';
import { clock, timeOfDay, day } from '@/formats/dates';
import {
  degrees,
  difference,
  distance,
  grams,
  height,
  kilograms,
  minus,
  temperature,
  thickness,
  windSpeed,
} from '@/formats/measures';
import { fillSlots, plainVerdict } from '@/formats/sentences';
import { aLeg, dayOf, garmentsOf, SKI_CLOSET, upStopDown } from '#tests/support/outings';
import { run } from '#tests/support/runCase';
import type { Moment } from '@/core/judge/moment';

describe('sensation', () => {
  test('Fanger’s comfortable skin: 34 °C at rest, cool skin at work (ISO 7730)', () => {
    expect(comfortableSkin(58)).toBeCloseTo(34.1, 1);
    expect(comfortableSkin(300)).toBeCloseTo(27.45, 1);
    expect(coldTorso(58)).toBeLessThan(comfortableSkin(58) - 5);
  });
  test('colder skin feels colder, the athlete’s own warmth shifts it, and words follow ISO 10551', () => {
    expect(sensation(34, 60, 37, 0.06, 0)).toBeWithin(-0.3, 0.3);
    expect(sensation(30, 60, 37, 0.06, 0)).toBeLessThan(-1);
    expect(sensation(30, 60, 37, 0.06, 1)).toBeGreaterThan(sensation(30, 60, 37, 0.06, 0));
    expect(sensation(20, 60, 36, 0.06, 0)).toBe(-3);
    expect([-3, -2, -1, 0, 1, 2, 3].map(sensationWord)).toEqual([
      'very cold',
      'cold',
      'cool',
      'neutral',
      'warm',
      'hot',
      'very hot',
    ]);
  });
});

const moment = (over: Partial<Moment>): Moment => ({
  timeS: 3600,
  sensation: 0,
  torsoC: 33,
  heatWm2: 80,
  torsoWet: 0.1,
  feetWet: 0,
  coreC: 37,
  hotCoreC: 37,
  shiverW: 0,
  fingersC: 30,
  toesC: 30,
  faceC: 25,
  limbsC: 28,
  scalpC: 30,
  waterG: 0,
  legWaterG: 0,
  feetWaterG: 0,
  feelsC: -5,
  feelsBareC: -5,
  earC: Infinity,
  eyes: 0,
  rained: 0,
  scant: 0,
  hinders: 0,
  flaps: 0,
  masked: 0,
  fog: 0,
  wornKg: 2,
  warmOn: 0,
  layers: 3,
  coats: 0,
  effort: 0.3,
  ...over,
});
const cost = (over: Partial<Moment>) => {
  const c = noCost();
  addMoment(c, moment(over), AVERAGE_PERSON, 1);
  return totalCost({ ...c, alarms: 0, changes: 0, mass: 0, lacking: 0 });
};

test('comfort costs nothing; safety is priced beyond any comfort; the first minutes may feel cool', () => {
  expect(cost({})).toBe(0);
  expect(cost({ fingersC: 5 })).toBeGreaterThan(10 * cost({ fingersC: 16 }));
  expect(cost({ faceC: -2 })).toBeGreaterThan(20 * cost({ faceC: 11 }));
  expect(cost({ scalpC: 8 })).toBeGreaterThan(0.5);
  expect(cost({ sensation: -2, timeS: 300 })).toBeLessThan(0.3 * cost({ sensation: -2 }));
  expect(cost({ torsoWet: 0.9 })).toBeGreaterThan(cost({ torsoWet: 0.5 }));
  expect(cost({ waterG: 300 })).toBeGreaterThan(cost({ waterG: 50 }));
});

test('the jacket for stops is to be kept dry at work: at a stop that is what it is for, however hot one comes to it', () => {
  const on = (heatWm2: number, effort: number) =>
    cost({ warmOn: 1, wornKg: 0, sensation: 0, torsoC: 34, heatWm2, effort });
  expect([on(260, 0.25), on(400, 0.9), on(195, 0.3)]).toEqual([0.5, 0.5, 0.25]);
  expect([on(130, 0.3), on(300, 0.15)]).toEqual([0, 0]);
  expect(on(132, 0.3)).toBeWithin(0.001, 0.02);
  expect(on(300, 0.16)).toBeWithin(0.01, 0.1);
  expect(on(258, 0.3)).toBeLessThan(0.5);
  expect(on(300, 0.24)).toBeLessThan(0.5);
});

test('a fourth layer of the torso binds at work, not at rest; a coat under a roof is a nuisance; rain wets hair and chest each', () => {
  expect(cost({ layers: 4 })).toBeCloseTo(0.15, 9);
  expect(cost({ layers: 6 })).toBeCloseTo(0.45, 9);
  expect([cost({ layers: 6, effort: 0.15 }), cost({ layers: 6, effort: 0.25 })]).toEqual([0, expect.closeTo(0.45, 9)]);
  expect(cost({ layers: 6, effort: 0.16 })).toBeWithin(0.001, 0.1);
  expect(cost({ coats: 2 })).toBeCloseTo(2.4, 9);
  // Feet that are wet all over cost what is said, half of it nothing.
  expect(cost({ feetWet: 0.5 })).toBe(0);
  expect(cost({ feetWet: 0.52 })).toBeGreaterThan(0);
  expect(cost({ feetWet: 1 })).toBeCloseTo(0.15, 9);
  expect(cost({ rained: 2 })).toBeCloseTo(1.6, 9);
  expect(cost({ masked: 1 })).toBeCloseTo(0.06, 9);
  expect(cost({ eyes: 1 })).toBeCloseTo(0.4, 9);
  // Ears ache from 12 °C on, the first ten minutes hardly; hands that sweat too.
  expect([cost({ earC: 6 }), cost({ earC: 12 })]).toEqual([expect.closeTo(0.4, 9), 0]);
  expect(cost({ earC: 6, timeS: 300 })).toBeCloseTo(0.15 * 0.4, 9);
  expect([cost({ fingersC: 35.2 }), cost({ fingersC: 34.2 })]).toEqual([expect.closeTo(0.25, 9), 0]);
  expect(cost({ fingersC: 35.2, timeS: 300 })).toBeCloseTo(0.15 * 0.25, 9);
  expect(cost({ scant: 2 })).toBeCloseTo(0.2, 9);
});

test('water on legs that work counts less the harder they work, in full where one stands; water of the torso always', () => {
  const at = (waterG: number, legWaterG: number, effort: number, feetWaterG = 0) =>
    chillingWater({ waterG, legWaterG, feetWaterG, effort });
  expect([at(150, 150, 0.1), at(150, 150, 0.35), at(150, 0, 0.1), at(150, 0, 0.9)]).toEqual([150, 150, 150, 150]);
  expect(at(150, 150, 0.36)).toBeLessThan(150);
  expect([at(150, 150, 0.5), at(150, 150, 0.9)]).toEqual([37.5, 37.5]);
  expect(at(150, 150, 0.49)).toBeGreaterThan(37.5);
  // Together they are what both hold; at work each is borne by itself.
  expect(at(280, 200, 0.2)).toBeCloseTo(280, 9);
  expect(at(280, 200, 0.6)).toBeCloseTo(Math.hypot(80, 50), 9);
  expect([at(-5, -9, 0.2), at(-5, 10, 0.2)]).toEqual([0, 10]);
  // What the feet hold chills the feet, at a stop and at work: a quarter of it counts.
  expect([at(200, 200, 0.1, 200), at(200, 200, 0.9, 200)]).toEqual([50, 50]);
  expect(at(280, 200, 0.2, 100)).toBeCloseTo(80 + 100 + 25, 9);
  expect(at(280, 200, 0.6, 100)).toBeCloseTo(Math.hypot(80, 25 + 25), 9);
  expect([at(200, 100, 0.1, 150), at(200, 100, 0.1, -5)]).toEqual([125, 200]);
});

test('what chills is priced, and is what nears a weak point', () => {
  expect(cost({ waterG: 150, legWaterG: 150, effort: 0.1 })).toBeCloseTo(1, 9);
  expect(cost({ waterG: 150, legWaterG: 150, effort: 0.5 })).toBeCloseTo(0.0625, 9);
  const worst = (effort: number) => {
    const w = newExtremes();
    noteMoment(w, { ...noMoment(), waterG: 200, legWaterG: 200, effort }, 0, 0, 1);
    return w[EXTREME.waterG];
  };
  expect([worst(0.1), worst(0.6)]).toEqual([200, 50]);
});

test('what hinders the work has its price', () => {
  expect(cost({ hinders: 1 })).toBeCloseTo(0.6, 9);
});

test('a front that flaps in a gale bothers', () => {
  expect(cost({ flaps: 1 })).toBeCloseTo(0.3, 9);
});

test('the part that decided is the largest one', () => {
  const parts = { ...noCost(), alarms: 0, changes: 0.4, mass: 0.1, lacking: 0, extremities: 2 };
  expect(deciding(parts)).toEqual({ part: 'extremities', share: 0.8 });
});

test('the ISO limits stand as the standards have them', () => {
  expect([LIMIT.fingerComfort, LIMIT.fingerClumsy, LIMIT.heatDebt, LIMIT.coreHot]).toEqual([24, 15, 40, 38.5]);
});

describe('the verdict', () => {
  const scored = (airC: number, worn: string[]) =>
    run({ airC, wind: 5, legs: [{ minutes: 60, sport: 'hike', metabolicW: 380, worn }] }).scored;
  const WARM = [
    'midweight-merino-base',
    'pile-fleece',
    'wind-shell',
    'briefs',
    'brushed-tights',
    'soft-trousers',
    'warm-hat',
    'neck-tube',
    'warm-mitts',
    'wool-socks',
    'winter-boots',
  ];
  test('says what fails first, with its number, its time and what it means', () => {
    const s = scored(
      -15,
      WARM.filter((id) => id !== 'warm-mitts'),
    );
    expect(s.findings[0].kind).toBe('fingers');
    expect(s.verdict.tone).toBe('fails');
    const words = plainVerdict(s.verdict);
    expect(words).toMatch(/^Your fingers: this plan is not safe\. .*°C at \d:\d\d, numb/);
  });
  test('holds when nothing is wrong', () => {
    const s = scored(0, WARM);
    expect(s.findings.filter((f) => f.severity > 1)).toEqual([]);
    expect(judge(s.findings, s.metrics).verdict.lead).toContain('It holds');
    // The run alone knows nothing of other days.
    expect(s.verdict.lead).toBe('Nothing weak as forecast.');
  });
  test('far too much on a climb is called what it is: heat, and water in the layers', () => {
    const worn = [
      'cotton-tee',
      'wool-pullover',
      'down-puffy',
      'storm-shell',
      'briefs',
      'brushed-tights',
      'storm-trousers',
      'warm-hat',
      'ski-gloves',
      'thick-socks',
      'winter-boots',
    ];
    const s = run({
      airC: 0,
      wind: 1,
      legs: [{ minutes: 90, sport: 'hike', metabolicW: 650, pack: true, worn }],
    }).scored;
    expect(s.findings.map((f) => f.kind)).toEqual(expect.arrayContaining(['overheated', 'wet layers']));
    expect(s.verdict.tone).toBe('weak');
    expect(s.verdict.rest).toMatch(/min, worst at|\{mass:/);
  });
  test('a long cold wait says shivering, even where nothing freezes', () => {
    const worn = [
      'thin-merino-base',
      'grid-fleece',
      'wind-shell',
      'briefs',
      'thin-tights',
      'soft-trousers',
      'warm-hat',
      'neck-tube',
      'warm-mitts',
      'wool-socks',
      'winter-boots',
    ];
    const s = run({ airC: -4, wind: 1, legs: [{ minutes: 60, sport: 'stand', worn }] }).scored;
    const shivering = s.findings.find((f) => f.kind === 'shivering')!;
    expect(shivering.value).toBeGreaterThan(20);
    expect(s.metrics.coldMinutes).toBeGreaterThan(10);
  });
  test('cold torso and heat debt are seen before the core falls', () => {
    const s = scored(-15, [
      'thin-merino-base',
      'briefs',
      'thin-tights',
      'warm-mitts',
      'warm-hat',
      'wool-socks',
      'winter-boots',
    ]);
    expect(s.findings.map((f) => f.kind)).toContain('torso cold');
    expect(s.verdict.tone).toBe('fails');
  });
  test('rain on frozen ground is ice, whatever one wears', () => {
    const day = dayOf([
      aLeg({ sport: 'hike', minutes: 30, air: { airC: -1, precipitation: 'freezing drizzle', precipitationMmH: 0.5 } }),
    ]);
    const s = scorePlan(AVERAGE_PERSON, SKI_CLOSET, day, {
      worn: SKI_CLOSET.map((g) => g.id).slice(0, 8),
      carried: [],
      openings: {},
      cues: [],
    });
    expect(s.findings.map((f) => f.kind)).toContain('ice');
  });
  test.each([
    [17, true],
    [19, false],
  ])('a shirt wet from rain in %s °C is a weak point: %s, in warmer air than 18 °C it chills nobody', (airC, weak) => {
    const worn = ['synthetic-tee', 'running-shorts', 'thin-socks', 'running-shoes'];
    const rain = { kind: 'rain' as const, mmH: 6 };
    const leg = { minutes: 60, sport: 'run', speedMs: 2.6, worn, precipitation: rain };
    const { metrics, findings } = run({ airC, humidity: 0.95, wind: 2, legs: [leg] }).scored;
    // Soaked it is in any air, and the chances say so.
    expect(metrics.basePeak.value).toBeGreaterThan(0.7);
    expect(findings.some((f) => f.kind === 'soaked base')).toBe(weak);
  });

  test('with no findings at all it names the water and the fingers', () => {
    const m = scored(0, WARM).metrics;
    expect(verdict([], { ...m, waterPeak: { value: 40, atS: 600 } }, 'all').rest).toContain(
      '{mass:40} of water in your clothes at {time:600}',
    );
    expect(verdict([], { ...m, waterPeak: { value: 0.4, atS: 0 } }, 'all').rest).toContain('Hardly any water');
  });
});

test('natural moments: start, eight minutes in, before, at and after a stop; never two within four minutes', () => {
  const list = phases(upStopDown());
  expect(list[0].startS).toBe(0);
  expect(list.map((p) => p.startS)).toEqual(expect.arrayContaining([480, 70 * 60 - 360, 70 * 60, 85 * 60]));
  for (let i = 1; i < list.length; i++) expect(list[i].startS - list[i - 1].startS).toBeGreaterThanOrEqual(240);
  expect(list[list.length - 1].endS).toBe(110 * 60);
  expect(list.find((p) => p.startS === 4200)).toMatchObject({ halted: true, stop: true, where: 'on arrival, Top' });
  expect(legAt(upStopDown(), 4200)).toBe(1);
});

test('a plan that names a garment or opening nobody gave is refused', () => {
  const day = upStopDown();
  const plan = { worn: ['cape'], carried: [], openings: {}, cues: [] };
  expect(() => scorePlan(AVERAGE_PERSON, garmentsOf('wind-shell'), day, plan)).toThrow('garment is cape');
  expect(() =>
    scorePlan(AVERAGE_PERSON, garmentsOf('wind-shell'), day, {
      ...plan,
      worn: [],
      openings: { 'wind-shell': { pits: 1 } },
    }),
  ).toThrow('opening of "Wind shell" is pits');
});

test('a person outside human range is refused by field', () => {
  expect(() => checkPerson({ ...AVERAGE_PERSON, massKg: 12 })).toThrow('athlete.massKg is 12; allowed: 35 to 160 kg');
  expect(() => checkPerson({ ...AVERAGE_PERSON, restBpm: 90, maxBpm: 105 + 15 - 11 })).toThrow('athlete.maxBpm');
  expect(checkPerson(AVERAGE_PERSON)).toBe(AVERAGE_PERSON);
});

describe('numbers in words, both unit systems', () => {
  test.each([
    [temperature(-9.4, 'metric'), '−9 °C'],
    [temperature(-10, 'imperial'), '14 °F'],
    [temperature(-0.2, 'metric'), '0 °C'],
    [degrees(15.6, 'metric'), '16°'],
    [difference(5, 'imperial'), '9.0 °F'],
    [distance(18400, 'metric'), '18.4 km'],
    [distance(16093.44, 'imperial'), '10.0 mi'],
    [height(1184, 'metric'), '1184 m'],
    [height(304.8, 'imperial'), '1000 ft'],
    [thickness(2.54, 'metric'), '2.5 mm'],
    [thickness(2.54, 'imperial'), '0.10 in'],
    [windSpeed(10, 'metric'), '10 m/s'],
    [windSpeed(10, 'imperial'), '22 mph'],
    [grams(85, 'metric'), '85 g'],
    [grams(28.35, 'imperial'), '1.0 oz'],
    [kilograms(1.2, 'imperial'), '2.6 lb'],
    [clock(3900), '1:05'],
    [timeOfDay(Date.UTC(2027, 0, 16, 8, 10)), '08:10'],
    [day(Date.UTC(2027, 0, 16)), 'Sat 16 Jan'],
    [minus(-3.26, 1), '−3.3'],
  ])('%s', (ours, expected) => {
    expect(ours).toBe(expected);
  });
  test('slots of a verdict follow the athlete’s units', () => {
    expect(fillSlots('{temp:12.3} at {time:10320}, {share:0.42}, {mass:85}, {delta:2}', 'metric')).toBe(
      '12 °C at 2:52, 42 %, 85 g, 2.0 °C',
    );
    expect(fillSlots('{temp:0}', 'imperial')).toBe('32 °F');
    expect(fillSlots('{core:38.56}', 'metric')).toBe('38.6 °C');
  });
});
