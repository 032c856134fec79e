import { AVERAGE_PERSON } from '@/core/body/person';
import { bodyParameters } from '@/core/body/bodyParameters';
import { scorePlan } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import { homeLine } from '@/features/home/lines';
import { garmentWater } from '@/core/judge/garmentWater';
import { lanesOf, stateAt, wetLevel } from '@/features/score/drawing/laneSegments';
import { areaPath, barTop, linear, linePath, runsOf } from '@/ui/draw/scale';
import { aLeg, SKI_CLOSET, upStopDown } from '#tests/support/outings';

/** What the screens draw is worked out by small pure functions: these. */
const byId = new Map(SKI_CLOSET.map((g) => [g.id, g]));
const plan: Plan = {
  worn: ['thin-merino-base', 'wind-shell-pits', 'thin-tights', 'wool-socks', 'touring-boots'],
  carried: ['standby-puffy'],
  openings: { 'wind-shell-pits': { pits: 1 } },
  cues: [
    { atS: 1800, actions: [{ do: 'set', garment: 'wind-shell-pits', opening: 'zip', setting: 1 }] },
    {
      atS: 4200,
      actions: [
        { do: 'putOn', garment: 'standby-puffy' },
        { do: 'takeOff', garment: 'wind-shell-pits' },
      ],
    },
  ],
};

test('a lane for each garment, by zone from the head down, in unbroken segments', () => {
  const groups = lanesOf(plan, byId, 6600);
  expect(groups.map((g) => g.group)).toEqual(['torso', 'legs', 'feet']);
  const torso = groups[0].lanes;
  expect(torso.map((l) => l.garment.id)).toEqual(['thin-merino-base', 'wind-shell-pits', 'standby-puffy']);
  expect(torso[1].segments).toEqual([
    { fromS: 0, toS: 1800, state: 'part' },
    { fromS: 1800, toS: 4200, state: 'open' },
    { fromS: 4200, toS: 6600, state: 'off' },
  ]);
  expect(torso[1].cues).toEqual([0, 1]);
  expect(torso[0].segments).toEqual([{ fromS: 0, toS: 6600, state: 'worn' }]);
});

test('a hood down or a tube down is no vent', () => {
  const shell = byId.get('wind-shell-pits')!;
  expect(stateAt({ ...plan, openings: { [shell.id]: { hood: 1 } }, cues: [] }, shell, 0)).toBe('worn');
});

test('the water a lane shows is the water the run holds in that garment', () => {
  const used = SKI_CLOSET.filter((g) => [...plan.worn, ...plan.carried].includes(g.id));
  const scored = scorePlan(AVERAGE_PERSON, used, upStopDown(), plan);
  const area = [...bodyParameters(AVERAGE_PERSON).area];
  const row = 65;
  const worn = used.filter((g) => scored.series.worn[row * scored.series.garments + scored.garmentIds.indexOf(g.id)]);
  const sum = worn.reduce((s, g) => s + garmentWater(scored, area, g, row).waterG, 0);
  expect(Math.abs(sum - Math.max(0, scored.metrics.waterG[row]))).toBeLessThan(12);
  expect([0, 0.1, 0.2, 0.5, 0.9].map(wetLevel)).toEqual([0, 1, 2, 3, 4]);
});

test('scales go there and back; paths are what they say; runs cover everything once', () => {
  const x = linear(0, 3600, 100, 460);
  expect(x(1800)).toBe(280);
  expect(x.invert(x(777))).toBeCloseTo(777, 9);
  // A day that never leaves one height still has a scale.
  expect(linear(5, 5, 0, 10)(5)).toBe(0);
  expect(Number.isFinite(linear(5, 5, 0, 10).invert(3))).toBe(true);
  expect(linePath([0, 1], [2, 3])).toBe('M0,2L1,3');
  expect(areaPath([0, 1], [2, 3], [9, 9])).toBe('M0,2L1,3L1,9L0,9Z');
  expect(runsOf(5, (i) => i > 2)).toEqual([
    { from: 0, to: 3, level: false },
    { from: 3, to: 5, level: true },
  ]);
});

describe('a line of the home screen', () => {
  const outing = {
    id: 'x',
    name: 'Round',
    sport: 'ski tour' as const,
    startMs: 0,
    utcOffsetMin: 60,
    loadKg: 5,
    forecastEleM: 0,
    startEleM: 400,
    version: 1,
    albedo: 0.6,
    profile: null,
    legs: [aLeg({ minutes: 60, climbM: 400, effort: { by: 'exertion', value: 4 } })],
    forecast: [
      {
        timeMs: 0,
        airC: -6,
        humidity: 0.8,
        wind: 6,
        gust: 9,
        fromDeg: 0,
        precipitationMmH: 1,
        kind: 'dry snow' as const,
        cloud: 1,
      },
    ],
  };
  test('says how long, how high, how cold, what falls, and what the newest plan comes to', () => {
    const line = homeLine(outing, AVERAGE_PERSON, plan, SKI_CLOSET, {});
    expect(line.seconds).toBe(3600);
    expect(line.climbM).toBeWithin(300, 400);
    expect(line.airLowC).toBeLessThan(-6);
    expect(line.feelsC).toBeLessThan(line.airLowC);
    expect(line.falls).toBe('dry snow');
    expect(line.cues).toBe(2);
    expect(line.verdict!.lead.length).toBeGreaterThan(3);
  });
  test('knows the forecast alone, and so never says that a plan holds; what is weak on it already is said in full', () => {
    const at = (airC: number) => {
      const colder = {
        ...outing,
        forecast: outing.forecast.map((h) => ({ ...h, airC, wind: 1, gust: 2, precipitationMmH: 0 })),
      };
      const layers = ['briefs', 'thin-merino-base', 'grid-fleece', 'wind-shell-pits', 'soft-trousers'];
      const worn = [...layers, 'wool-socks', 'touring-boots', 'warm-mitts', 'thin-cap', 'neck-tube'];
      const sensible = { worn, carried: [], openings: {}, cues: [] };
      return homeLine(colder, AVERAGE_PERSON, sensible, SKI_CLOSET, {}).verdict!;
    };
    const verdicts = [-2, -6, -10, -35].map(at);
    expect(verdicts.map((v) => v.tone)).toContain('holds');
    expect(at(-35).tone).not.toBe('holds');
    for (const v of verdicts) {
      expect(v.lead + v.rest).not.toMatch(/holds|stay dry/);
      expect(v.lead === 'Nothing weak as forecast.').toBe(v.tone === 'holds');
    }
  });
  test('an outing that cannot be laid out says why instead of breaking the page', () => {
    const line = homeLine({ ...outing, legs: [] }, AVERAGE_PERSON, null, SKI_CLOSET, {});
    expect(line.problem).toContain('number of legs is 0');
    expect(line.verdict).toBeNull();
  });
});

test('bars go to the dearest, but a hopeless case does not flatten the others, nor is one’s own cut off', () => {
  expect(barTop([1, 2, 2.5])).toBe(2.5);
  expect(barTop([1, 2, 40])).toBe(3);
  expect(barTop([1, 7, 40], 7)).toBe(7);
  expect(barTop([0, 0])).toBeGreaterThan(0);
});
