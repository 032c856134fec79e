import { AVERAGE_PERSON, engineOf } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { zoneIndex, ZONE_COUNT } from '@/core/body/zones';
import { readWaiting, stuckHere, stuckOut } from '@/core/questions/stuckOut';
import type { Plan } from '@/core/kit/plan';
import type { Shelter } from '@/core/atmosphere/windAtBody';
import type { Leg } from '@/core/outing/leg';
import { buildTimeline, type Timeline } from '@/core/outing/timeline';
import { aLeg, dayOf, garmentsOf, SKI_CLOSET, upStopDown } from '#tests/support/outings';

const WORN = SKI_CLOSET.filter((g) => !['standby-puffy', 'warm-mitts', 'warm-hat'].includes(g.id)).map((g) => g.id);
const plan = (carried: string[]): Plan => ({ worn: WORN, carried, openings: {}, cues: [] });
const ask = (carried: string[], closet = [...CATALOGUE], timeline = upStopDown()) =>
  stuckOut({ person: AVERAGE_PERSON, closet, timeline, plan: plan(carried) });
const never = (h: number | null) => h ?? 99;

test('the worst place is where it blows, the farthest half way round', () => {
  const { stuck } = ask(['standby-puffy']);
  expect(stuck.map((s) => s.place)).toEqual(['worst', 'farthest']);
  expect(stuck[0].where).toBe('Shoulder');
  expect(stuck[0].feelsC).toBeLessThan(stuck[0].airC);
  expect(stuck[0].after.map((a) => a.hours)).toEqual([1, 2, 4, 12]);
});

test('of places as cold as each other the worst is far from a door; a colder one is the worst wherever it is', () => {
  const way = (secondAirK: number) => {
    const day = dayOf([aLeg({ name: 'Out', minutes: 60 }), aLeg({ name: 'Round', minutes: 60 })], -8, 4);
    const stretches = day.stretches.map((s) => (s.leg === 1 ? { ...s, airC: s.airC + secondAirK } : s));
    return ask([], [...CATALOGUE], { ...day, stretches }).stuck[0].where;
  };
  expect(way(0)).toBe('Round');
  expect(way(0.02)).toBe('Round');
  expect(way(1)).toBe('Out');
});

test('a big parka, mitts and warmers in the pack put danger and useless hands off', () => {
  const bare = ask([]).stuck[0];
  const kit = ask(['belay-parka', 'warm-mitts', 'warm-hat', 'puffy-overtrousers', 'hand-warmers']).stuck[0];
  expect(never(kit.dangerH)).toBeGreaterThan(never(bare.dangerH));
  expect(never(kit.handsH)).toBeGreaterThan(never(bare.handsH));
  expect(kit.after[0].coreC).toBeGreaterThan(bare.after[0].coreC);
  expect(bare.dangerH).not.toBeNull();
});

test('danger says what it is: a cold core with little on, worn out by shivering with nearly enough', () => {
  const cold = dayOf([aLeg({ minutes: 60, effort: { by: 'metabolic', value: 600 } })], -25, 8);
  const mild = dayOf([aLeg({ minutes: 60, effort: { by: 'metabolic', value: 600 } })], -3, 3);
  expect(ask([], [...CATALOGUE], cold).stuck[0].dangerBy).toBe('cold core');
  expect(ask([], [...CATALOGUE], mild).stuck[0].dangerBy).toBe('worn out by shivering');
  const warm = ask(['standby-puffy', 'warm-mitts', 'warm-hat'], [...CATALOGUE], mild).stuck[0];
  expect([warm.dangerH, warm.dangerBy]).toEqual([null, null]);
});

test('one more piece from the closet is named when it helps, and never something already along', () => {
  const { oneMore } = ask([]).stuck[0];
  expect(oneMore).not.toBeNull();
  expect(WORN).not.toContain(oneMore!.garment);
  expect(ask([], garmentsOf(...WORN)).stuck[0].oneMore).toBeNull();
});

test('who is stuck meets the wind of standing there: a tailwind one ran with blows again, shelter stays shelter', () => {
  const hour = {
    ...{ timeMs: 0, airC: -5, humidity: 0.7, wind: 6, gust: 6 },
    ...{ fromDeg: 0, precipitationMmH: 0, kind: 'none' as const, cloud: 1 },
  };
  const place = { startMs: 0, utcOffsetMin: 0, loadKg: 0, forecastEleM: 0, startEleM: 0 };
  const day = (...legs: Leg[]) => buildTimeline({ legs, forecast: [hour], engine: engineOf(AVERAGE_PERSON), ...place });
  const run = (shelter: Shelter, name: string = shelter) =>
    aLeg({ name, sport: 'run', minutes: 20, distanceM: 4000, shelter });
  const feels = (t: Timeline) => ask([], [...CATALOGUE], t).stuck[0].feelsC;
  const standing = feels(day(aLeg({ sport: 'stand', minutes: 20, effort: { by: 'usual' } })));
  const ran = day(run('open'));
  const withTheWind = { ...ran, stretches: ran.stretches.map((s) => ({ ...s, relativeWind: 0.3 })) };
  expect(Math.abs(feels(ran) - standing)).toBeLessThan(0.01);
  expect(Math.abs(feels(withTheWind) - standing)).toBeLessThan(0.01);
  expect(feels(day(run('forest')))).toBeGreaterThan(standing + 2);
  // The same wind over the trees and on the fell: it is the fell that chills.
  expect(ask([], [...CATALOGUE], day(run('forest'), run('open'))).stuck[0].where).toBe('open');
});

test('the safety list says what is along, with the hours of warmers, and what no closet knows', () => {
  const { safety } = ask(['standby-puffy', 'hand-warmers', 'thick-socks']);
  const item = (word: string) => safety.find((s) => s.item.includes(word))!;
  expect(item('warm layer')).toMatchObject({ have: true, says: 'Standby puffy' });
  expect(item('Warmers').says).toContain('10 h');
  expect(item('socks').have).toBe(true);
  expect(item('gloves').have).toBe(false);
  expect(item('Drink').says).toContain('freezes');
  expect(item('light').have).toBe(false);
  expect(safety).toHaveLength(8);
});

test('an outing that never leaves the spot still has a worst and a farthest place', () => {
  const { stuck } = ask([], [...CATALOGUE], dayOf([aLeg({ sport: 'camp', minutes: 30, effort: { by: 'usual' } })]));
  expect(stuck).toHaveLength(2);
});

/** A wait of twelve hours, sampled every five minutes, in which one number is what the test says it is. */
function waited(over: {
  shiverW?: (h: number) => number;
  fingersC?: (h: number) => number;
  coreC?: (h: number) => number;
  fatigue?: (h: number) => number;
}) {
  const rows = 145;
  const hours = Array.from({ length: rows }, (_, r) => r / 12);
  const skinC = new Float64Array(rows * ZONE_COUNT).fill(25);
  hours.forEach((h, r) => (skinC[r * ZONE_COUNT + zoneIndex('fingers')] = over.fingersC?.(h) ?? 25));
  return readWaiting(
    {
      rows,
      stepS: 300,
      timeS: Float64Array.from(hours, (h) => 3600 + h * 3600),
      skinC,
      coreC: Float64Array.from(hours, (h) => over.coreC?.(h) ?? 36.8),
      shiverW: Float64Array.from(hours, (h) => over.shiverW?.(h) ?? 0),
      fatigue: Float64Array.from(hours, (h) => over.fatigue?.(h) ?? 0),
    },
    3600,
  );
}

test('shivering in earnest begins at 60 W, hands are useless below 10 °C, and a core below 35 °C is danger', () => {
  expect(waited({})).toMatchObject({ shiversH: null, handsH: null, dangerH: null, dangerBy: null });
  expect(waited({ shiverW: (h) => 60 + 12 * (h - 2.03) }).shiversH).toBeCloseTo(2.03, 6);
  expect(waited({ shiverW: () => 59 }).shiversH).toBeNull();
  expect(waited({ fingersC: (h) => 10 - 2 * (h - 3.01) }).handsH).toBeCloseTo(3.01, 6);
  expect(waited({ fingersC: () => 10.1 }).handsH).toBeNull();
  expect(waited({ coreC: (h) => 35 - 0.3 * (h - 5.05) })).toMatchObject({ dangerBy: 'cold core' });
  expect(waited({ coreC: (h) => 35 - 0.3 * (h - 5.05) }).dangerH).toBeCloseTo(5.05, 6);
  expect(waited({ coreC: () => 35.1 }).dangerH).toBeNull();
});

test('shivering that has come to the end of its endurance is danger too', () => {
  expect(waited({ fatigue: (h) => Math.min(1, h / 6) })).toMatchObject({ dangerBy: 'worn out by shivering' });
  expect(waited({ fatigue: (h) => Math.min(1, h / 6) }).dangerH).toBeCloseTo(6, 6);
  // Of two dangers in the same five minutes the first is told.
  const both = { coreC: (h: number) => 35 - 0.3 * (h - 5.05), fatigue: (h: number) => h / 5.02 };
  expect(waited(both)).toMatchObject({ dangerBy: 'worn out by shivering' });
  expect(waited({ fatigue: () => 0.99 }).dangerH).toBeNull();
});

test('a bag, a hole in the snow, company and a mat each put danger off', () => {
  const night = dayOf([aLeg({ minutes: 60, packOn: false, effort: { by: 'metabolic', value: 600 } })], -15, 7);
  const { dangerH, means } = ask([], garmentsOf(...WORN), night).stuck[0];
  expect(means.map((m) => m.name)).toEqual([
    'a foam mat to sit on',
    'a bivouac bag',
    'a hole in the snow',
    'two others close by',
  ]);
  for (const m of means) expect(never(m.dangerH)).toBeGreaterThan(never(dangerH));
  // Out of the wind and the cold is worth more than a seat.
  expect(never(means[2].dangerH)).toBeGreaterThan(never(means[0].dangerH) + 1);
});

test('company is there for those who have it: alone none, of two the other one, of more two, and each worth more than the last', () => {
  const night = dayOf([aLeg({ minutes: 60, effort: { by: 'metabolic', value: 600 } })], -15, 7);
  const closet = garmentsOf(...WORN);
  const here = (people?: number) =>
    stuckHere({ person: AVERAGE_PERSON, closet, timeline: night, plan: plan([]) }, 1800, people);
  const company = (people?: number) => here(people).means.filter((m) => m.name.includes('close by'));
  expect(company()).toEqual([]);
  expect(company(1)).toEqual([]);
  expect(company(2).map((m) => m.name)).toEqual(['the other close by']);
  expect(company(3).map((m) => m.name)).toEqual(['two others close by']);
  expect(never(company(2)[0].dangerH)).toBeGreaterThan(never(here(1).dangerH));
  expect(never(company(3)[0].dangerH)).toBeGreaterThan(never(company(2)[0].dangerH));
});

test('danger comes the sooner the colder it is, the harder it blows and the less is worn; no two the same', () => {
  const danger = (airC: number, wind: number, carried: string[]) =>
    never(
      ask(
        carried,
        garmentsOf(...WORN, ...carried),
        dayOf([aLeg({ minutes: 60, effort: { by: 'metabolic', value: 600 } })], airC, wind),
      ).stuck[0].dangerH,
    );
  const byCold = [-40, -30, -20, -10].map((airC) => danger(airC, 6, ['standby-puffy']));
  const byWind = [16, 10, 5].map((wind) => danger(-15, wind, ['standby-puffy']));
  const byClothes = [[], ['standby-puffy'], ['belay-parka', 'puffy-overtrousers']].map((c) => danger(-20, 6, c));
  for (const list of [byCold, byWind, byClothes])
    for (let i = 1; i < list.length; i++) expect(list[i]).toBeGreaterThan(list[i - 1] * 1.1);
});

test('the way to the nearest door is told', () => {
  const far = ask(['standby-puffy']).stuck.find((s) => s.place === 'farthest')!;
  expect(far.doorH).toBeGreaterThan(0.3);
  expect(far.doorH).toBeLessThanOrEqual(upStopDown().endS / 3600 / 2 + 1e-9);
});

test('the body is told after 1, 2, 4 and 12 hours', () => {
  const { after } = waited({ coreC: (h) => 37 - h / 10 });
  expect(after.map((a) => a.hours)).toEqual([1, 2, 4, 12]);
  after.forEach((a) => expect(Math.abs(a.coreC - (37 - a.hours / 10))).toBeLessThan(0.02));
});
