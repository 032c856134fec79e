import { alarmCost } from '@/core/judge/cost';
import { alarms, EXTREME, extremesOf, weakness } from '@/core/judge/extremes';
import { findings, isSafe, isUnsafe, type FindingKind, type Severity } from '@/core/judge/findings';
import type { Metrics } from '@/core/judge/metrics';
import type { Leg } from '@/core/outing/leg';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import { calm, calmExtremes } from '#tests/support/calm';

/**
 * Every limit from both sides. The numbers stand here once more on purpose: they are what docs/model.md prints and what its
 * sources say (ISO 11079 annex B and duration limits, from memory; the contact and wind-chill literature for skin; engineering
 * values where the table says so), so that a changed limit is noticed here.
 */
const at = (value: number) => ({ value, atS: 600 });
/** What findings read of an outing: what falls on which ground. */
const under = (s: Partial<Stretch>, leg: Partial<Leg> = {}) =>
  ({
    stretches: [{ startS: 0, leg: 0, wind10: 3, sport: 'hike', ...s }],
    legs: [{ shelter: 'open', ...leg }],
    slowed: [],
    beyond: null,
  }) as unknown as Timeline;
const dry = under({ airC: -5, precipitation: 'none', precipitationMmH: 0 });

type Case = [
  name: string,
  limit: number,
  step: number,
  bad: 'below' | 'above',
  kind: FindingKind,
  severity: Severity,
  put: (v: number) => Partial<Metrics>,
];

const LIMITS: Case[] = [
  ['skin of the face freezes', -0.5, 0.1, 'below', 'face', 3, (v) => ({ face: at(v) })],
  ['the face goes numb', 7, 0.1, 'below', 'face', 2, (v) => ({ face: at(v) })],
  ['the face stings', 10, 0.1, 'below', 'face', 1, (v) => ({ face: at(v) })],
  ['ears ache', 10, 0.1, 'below', 'head', 1, (v) => ({ ears: at(v) })],
  ['fingers go numb', 8, 0.1, 'below', 'fingers', 3, (v) => ({ fingers: at(v) })],
  ['fingers get clumsy', 15, 0.1, 'below', 'fingers', 2, (v) => ({ fingers: at(v) })],
  ['arms or legs are stiff', 10, 0.1, 'below', 'limbs', 2, (v) => ({ limbs: at(v) })],
  ['arms or legs are cold', 13, 0.1, 'below', 'limbs', 1, (v) => ({ limbs: at(v) })],
  ['toes go numb', 8, 0.1, 'below', 'toes', 3, (v) => ({ toes: at(v) })],
  ['toes hurt', 15, 0.1, 'below', 'toes', 2, (v) => ({ toes: at(v) })],
  ['hypothermia is near', 35.5, 0.05, 'below', 'core cold', 3, (v) => ({ coreLow: at(v) })],
  ['chilled through, unsafe', -3, 0.1, 'below', 'torso cold', 3, (v) => ({ torsoMargin: { ...at(v), torsoC: 27 } })],
  ['chilled through', 0, 0.1, 'below', 'torso cold', 2, (v) => ({ torsoMargin: { ...at(v), torsoC: 29 } })],
  ['heat debt, unsafe', 64, 0.5, 'above', 'heat debt', 3, (v) => ({ heatDebt: at(v) })],
  ['heat debt', 40, 0.5, 'above', 'heat debt', 2, (v) => ({ heatDebt: at(v) })],
  ['a stop chills', 20, 0.2, 'above', 'after-chill', 2, (v) => ({ stopLoss: at(v) })],
  ['a stop is felt', 10, 0.2, 'above', 'after-chill', 1, (v) => ({ stopLoss: at(v) })],
  ['it feels cold', -2, 0.05, 'below', 'felt cold', 2, (v) => ({ feltCold: at(v) })],
  ['it feels cool', -1.5, 0.05, 'below', 'felt cold', 1, (v) => ({ feltCold: at(v) })],
  ['air nobody belongs in', -48, 0.5, 'below', 'exposure', 3, (v) => ({ felt: at(v) })],
  ['air in which nothing may be bare', -40, 0.5, 'below', 'exposure', 2, (v) => ({ felt: at(v) })],
  ['air that freezes skin', -28, 0.5, 'below', 'exposure', 1, (v) => ({ felt: at(v) })],
  ['a bare face in very cold air', -40, 0.5, 'below', 'exposure', 3, (v) => ({ feltBare: at(v) })],
  ['a bare face in cold air', -28, 0.5, 'below', 'exposure', 2, (v) => ({ feltBare: at(v) })],
  ['the base is soaked', 0.7, 0.01, 'above', 'soaked base', 2, (v) => ({ baseChills: at(v) })],
  ['the base is damp', 0.3, 0.01, 'above', 'damp base', 1, (v) => ({ baseChills: at(v) })],
  ['shivering, unsafe', 45, 0.5, 'above', 'shivering', 3, (v) => ({ shiverMinutes: v })],
  ['shivering', 10, 0.5, 'above', 'shivering', 2, (v) => ({ shiverMinutes: v })],
  ['too hot for long', 10, 0.5, 'above', 'overheated', 2, (v) => ({ hotMinutes: v })],
  ['water in the layers', 300, 2, 'above', 'wet layers', 2, (v) => ({ chillingWater: at(v) })],
  ['legs and feet are wet', 150, 2, 'above', 'wet legs', 1, (v) => ({ legWaterPeak: at(v) })],
  ['the core is unsafely hot', 39.2, 0.05, 'above', 'too hot', 3, (v) => ({ hotCore: { ...at(v), coreC: v } })],
  ['the core is hot', 38.5, 0.05, 'above', 'too hot', 1, (v) => ({ hotCore: { ...at(v), coreC: v } })],
  ['eyewear fogs', 5, 0.2, 'above', 'fog', 2, (v) => ({ fogMinutes: v })],
  ['the mouth ices up', 0.3, 0.01, 'above', 'iced mouth', 1, (v) => ({ mouthIce: at(v) })],
];

test('a calm run has nothing to say', () => {
  expect(findings(calm(), dry)).toEqual([]);
  expect(alarms(extremesOf(calm()))).toBe(0);
});

test.each(LIMITS)('%s: said just past %d, not just before', (_, limit, step, bad, kind, severity, put) => {
  const worse = bad === 'below' ? -step : step;
  const past = findings(calm(put(limit + worse)), dry);
  expect(past.map((f) => [f.kind, f.severity])).toEqual([[kind, severity]]);
  const before = findings(calm(put(limit - worse)), dry);
  expect(before.filter((f) => f.kind === kind && f.severity === severity)).toEqual([]);
  expect(before.every((f) => f.severity < severity)).toBe(true);
});

test.each(LIMITS.filter(([, , , , , severity]) => severity === 3))(
  '%s: unsafe in the verdict is one alarm in the search, from the same limit on',
  (_, limit, step, bad, _kind, _severity, put) => {
    const worse = bad === 'below' ? -step : step;
    for (const [v, n] of [
      [limit + worse, 1],
      [limit - worse, 0],
    ] as const) {
      const m = calm(put(v));
      expect(alarms(extremesOf(m))).toBe(n);
      expect(findings(m, dry).filter(isUnsafe)).toHaveLength(n);
      expect(isSafe(findings(m, dry))).toBe(n === 0);
    }
  },
);

test('rain on frozen ground is ice: from 0.05 mm/h, below half a degree, and only what is liquid', () => {
  const says = (precipitation: Stretch['precipitation'], precipitationMmH: number, airC: number): boolean =>
    findings(calm(), under({ precipitation, precipitationMmH, airC })).some((f) => f.kind === 'ice');
  expect(says('rain', 0.06, 0.4)).toBe(true);
  expect(says('rain', 0.04, 0.4)).toBe(false);
  expect(says('rain', 0.06, 0.6)).toBe(false);
  expect(says('sleet', 1, 0.4)).toBe(true);
  expect(says('freezing drizzle', 1, -2)).toBe(true);
  expect(says('dry snow', 1, -2)).toBe(false);
});

/** The Beaufort scale of the World Meteorological Organization: 8, gale, from 17.2 m/s at 10 m; 10, storm, from 24.5. */
test('wind is named from a gale on, and a storm is no day to go; less of it gets through trees, none indoors', () => {
  const says = (wind10: number, leg: Partial<Leg> = {}, sport: Stretch['sport'] = 'hike') =>
    findings(calm(), under({ ...dry.stretches[0], wind10, sport }, leg)).find((f) => f.kind === 'gale')?.severity;
  expect(says(17.1)).toBeUndefined();
  expect(says(17.3)).toBe(2);
  expect(says(24.4)).toBe(2);
  expect(says(24.6)).toBe(3);
  expect(says(17.1, { shelter: 'ridge' })).toBeUndefined();
  expect(says(17.3, { shelter: 'ridge' })).toBe(2);
  expect(says(45, { shelter: 'forest' })).toBeUndefined();
  expect(says(47, { shelter: 'forest' })).toBe(2);
  expect(says(30, {}, 'hut')).toBeUndefined();
  // Measured on the body, it has the body's own speed in it.
  expect(says(30, { air: { windAtBody: true } as Leg['air'] })).toBeUndefined();
});

test('several things go wrong: the gravest first, and the farthest past its limit among equals', () => {
  const list = findings(calm({ fingers: at(14), toes: at(9), face: at(-1), baseChills: at(0.4) }), dry);
  expect(list.map((f) => f.kind)).toEqual(['face', 'toes', 'fingers', 'damp base']);
});

test('being exactly at a weak point weighs one, half way there hardly anything, far past it no more than the cap', () => {
  const weak: [number, number, number][] = [
    [EXTREME.faceC, 12, 7],
    [EXTREME.fingersC, 24, 15],
    [EXTREME.toesC, 24, 15],
    [EXTREME.torsoMarginK, 3, 0],
    [EXTREME.heatDebtWhM2, 0, 40],
    [EXTREME.shiverMinutes, 0, 10],
    [EXTREME.stopLossWhM2, 0, 20],
    [EXTREME.waterG, 0, 300],
    [EXTREME.hotMinutes, 0, 10],
  ];
  for (const [place, from, limit] of weak) {
    const of = (v: number) => weakness(calmExtremes({ [place]: v }));
    expect(of(from)).toBeCloseTo(0, 9);
    expect(of((from + limit) / 2)).toBeCloseTo(1 / 16, 9);
    expect(of(limit)).toBeCloseTo(1, 9);
    expect(of(limit + 10 * (limit - from))).toBeCloseTo(1.5 ** 4, 9);
  }
});

test('an alarm costs five points, which no comfort outweighs, and a weak point half of one', () => {
  expect(alarmCost(calmExtremes({ [EXTREME.hotCoreC]: 39.3 }))).toBeCloseTo(5, 9);
  expect(alarmCost(calmExtremes({ [EXTREME.hotMinutes]: 10 }))).toBeCloseTo(0.5, 9);
  expect(alarmCost(calmExtremes())).toBe(0);
});
