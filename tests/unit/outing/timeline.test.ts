import { AVERAGE_PERSON, engineOf } from '@/core/body/person';
import { checkForecast, weatherAt, type ForecastHour } from '@/core/outing/forecast';
import type { Leg } from '@/core/outing/leg';
import { sustainableShare } from '@/core/effort/sustainable';
import { withGusts } from '@/core/atmosphere/windAtBody';
import { buildTimeline, type TimelineInput } from '@/core/outing/timeline';

const hour = (h: number, over: Partial<ForecastHour> = {}): ForecastHour => ({
  timeMs: Date.UTC(2027, 0, 16, h),
  airC: -5,
  humidity: 0.8,
  wind: 5,
  gust: 8,
  fromDeg: 270,
  precipitationMmH: 0,
  kind: 'none',
  cloud: 0.4,
  ...over,
});
const leg = (over: Partial<Leg> = {}): Leg => ({
  name: 'Up',
  sport: 'hike',
  minutes: 60,
  distanceM: 4000,
  climbM: 300,
  effort: { by: 'usual' },
  shelter: 'open',
  packOn: true,
  noStopping: false,
  ...over,
});
const input = (legs: Leg[], over: Partial<TimelineInput> = {}): TimelineInput => ({
  legs,
  forecast: [hour(8), hour(9, { airC: -3, wind: 7 }), hour(10, { airC: 0 })],
  startMs: Date.UTC(2027, 0, 16, 8),
  utcOffsetMin: 60,
  engine: engineOf(AVERAGE_PERSON),
  loadKg: 6,
  forecastEleM: 200,
  startEleM: 200,
  ...over,
});

describe('weather between the hours', () => {
  const hours = [
    hour(8, { airC: -10, fromDeg: 350 }),
    hour(9, { airC: -6, fromDeg: 20, precipitationMmH: 1, kind: 'wet snow' }),
  ];
  const at = (h: number, m: number, up = 0) => weatherAt(hours, Date.UTC(2027, 0, 16, h, m), up);
  test('is linear, held at the ends, and the wind turns the short way', () => {
    expect(at(8, 30).airC).toBeCloseTo(-8, 6);
    expect(at(7, 0).airC).toBe(-10);
    expect(at(23, 0).airC).toBe(-6);
    expect(at(8, 30).fromDeg).toBeCloseTo(5, 6);
  });
  test('falls by the standard atmosphere’s 6.5 K a kilometre (ISO 2533), and what falls turns to snow up there', () => {
    expect(at(8, 0, 400).airC).toBeCloseTo(-12.6, 6);
    expect(at(9, 0, 600).kind).toBe('dry snow');
    expect(at(9, 0).kind).toBe('wet snow');
    expect(at(8, 0).kind).toBe('none');
  });
});

test.each([
  ['no hours', [], 'forecast is no hours'],
  ['backward hours', [hour(9), hour(8)], 'forecast hour 2 time'],
  ['air of 400 °C', [hour(8, { airC: 400 })], 'forecast hour 1 airC is 400; allowed: -60 to 40 °C'],
  ['a wind of −3', [hour(8, { wind: -3 })], 'forecast hour 1 wind is -3'],
  ['NaN', [hour(8, { humidity: NaN })], 'humidity is NaN'],
])('%s is refused', (_, hours, says) => {
  expect(() => checkForecast(hours)).toThrow(says);
});

test('stops stand still, huts are warm and calm, forests shelter, ridges do not', () => {
  const t = buildTimeline(
    input([
      leg({ shelter: 'forest' }),
      leg({ shelter: 'ridge' }),
      leg({ name: 'Hut', sport: 'hut', minutes: 20, distanceM: 0, climbM: 0, shelter: 'indoor' }),
      leg({ name: 'Stop', sport: 'stand', minutes: 10, distanceM: 0, climbM: 0, shelter: 'ridge' }),
    ]),
  );
  const of = (i: number) => t.stretches.find((s) => s.leg === i)!;
  expect(of(0).relativeWind).toBeLessThan(of(1).relativeWind);
  expect(of(2).airC).toBeCloseTo(19, 0);
  expect(of(2).relativeWind).toBeLessThan(0.3);
  expect(of(2).precipitationMmH).toBe(0);
  expect(of(3).speedMs).toBe(0);
  expect(of(3).relativeWind).toBeGreaterThan(4);
  expect(of(3).metabolicW).toBeLessThan(200);
});

test('a rider makes their own wind, and a tailwind takes some of it away', () => {
  const course = {
    stepM: 1000,
    distanceM: [0, 1000],
    eleM: [200, 200],
    bearingDeg: [270, 270],
    latitude: 54,
    longitude: -3,
    recordedS: null,
    notes: [],
  };
  const ride = leg({
    sport: 'cycle',
    minutes: 20,
    distanceM: 7200,
    climbM: 0,
    shelter: 'open',
    profileFrom: 0,
    profileTo: 1,
  });
  const into = buildTimeline(input([ride], { profile: course })).stretches[0];
  const away = buildTimeline(input([ride], { profile: { ...course, bearingDeg: [90, 90] } })).stretches[0];
  const calm = buildTimeline(input([ride], { profile: course, forecast: [hour(8, { wind: 0, gust: 0 })] }))
    .stretches[0];
  expect(into.relativeWind).toBeGreaterThan(calm.relativeWind + 2);
  expect(away.relativeWind).toBeLessThan(calm.relativeWind - 2);
  expect(calm.relativeWind).toBeCloseTo(6, 1);
});

test('effort in the athlete’s own terms: heart rate, exertion, power, speed, watts', () => {
  const m = (l: Partial<Leg>) => buildTimeline(input([leg(l)])).stretches[0];
  expect(m({ effort: { by: 'metabolic', value: 555 } }).metabolicW).toBe(555);
  expect(m({ effort: { by: 'heartRate', value: 150 } }).metabolicW).toBeGreaterThan(
    m({ effort: { by: 'heartRate', value: 120 } }).metabolicW,
  );
  expect(m({ effort: { by: 'exertion', value: 6 } }).effortFrom).toBe('exertion');
  expect(m({ sport: 'cycle', effort: { by: 'power', value: 180 } }).externalW).toBeCloseTo(180, 6);
  expect(m({ effort: { by: 'speed', value: 1.1 } }).effortFrom).toBe('walking with load on grade');
  expect(() => m({ effort: { by: 'power', value: 180 } })).toThrow('cycling legs only');
});

test.each([
  ['no legs', [], 'number of legs is 0'],
  ['ten thousand legs', Array.from({ length: 10000 }, () => leg()), 'number of legs is 10000; allowed: 1 to 400'],
  ['a leg of minus five minutes', [leg({ minutes: -5 })], 'leg 1 "Up" minutes is -5'],
  ['an impossible pace', [leg({ minutes: 1, distanceM: 9000 })], 'speed is 150.0 m/s'],
  ['four days without end', Array.from({ length: 5 }, () => leg({ minutes: 1440 })), 'outing length is 120'],
])('%s is refused', (_, legs, says) => {
  expect(() => buildTimeline(input(legs))).toThrow(says);
});

test('a leg that asks more than can be held for its length is gone slower, takes longer, and says so', () => {
  const climb = (minutes: number) =>
    buildTimeline(input([leg({ sport: 'hike', minutes, distanceM: 6000, climbM: 1200, effort: { by: 'usual' } })]));
  const fast = climb(40);
  const [slowed] = fast.slowed;
  expect(slowed).toMatchObject({ leg: 0, given: 40 });
  expect(slowed.askedW).toBeGreaterThan(slowed.heldW);
  expect(slowed.takes).toBeGreaterThan(60);
  expect(fast.legs[0].minutes).toBeCloseTo(slowed.takes, 6);
  expect(fast.endS / 60).toBeCloseTo(slowed.takes, 6);
  expect(Math.max(...fast.stretches.map((s) => s.metabolicW))).toBeLessThanOrEqual(slowed.heldW + 1e-6);
  // Pace and effort fit: gone in that time it is not slowed again.
  const again = climb(Math.ceil(slowed.takes));
  expect(again.slowed).toHaveLength(0);
  expect(again.stretches[0].metabolicW).toBeWithin(0.85 * slowed.heldW, slowed.heldW + 1);
  expect(climb(240).slowed).toHaveLength(0);
});

test('an effort given straight is cut to what can be held, and its minutes stay', () => {
  const all = buildTimeline(input([leg({ minutes: 240, distanceM: 0, effort: { by: 'exertion', value: 10 } })]));
  expect(all.slowed).toHaveLength(1);
  expect(all.endS).toBe(240 * 60);
  expect(all.stretches[0].metabolicW).toBeCloseTo(all.slowed[0].heldW, 6);
});

/** About 90 % for ten minutes, 80 % for an hour, 60–65 % for four, half for eight (Åstrand & Rodahl, from memory). */
test.each([
  [10, 0.88, 0.92],
  [60, 0.78, 0.82],
  [240, 0.6, 0.65],
  [480, 0.48, 0.52],
])('somebody untrained holds %d minutes at %d to %d of the maximum', (minutes, low, high) => {
  expect(sustainableShare(minutes, 35)).toBeWithin(low, high);
  expect(sustainableShare(minutes, 25)).toBe(sustainableShare(minutes, 35));
  expect(sustainableShare(minutes + 1, 35)).toBeLessThan(sustainableShare(minutes, 35));
});

/** `0.8 + 0.1894393 e^(−0.012778 t) + 0.2989558 e^(−0.1932605 t)`, t in minutes (Daniels & Gilbert, Oxygen Power, 1979, from memory). */
test.each([15, 30, 45, 60, 90, 120, 150])('who races holds %d minutes as the equation of races says', (minutes) => {
  const theirs = 0.8 + 0.1894393 * Math.exp(-0.012778 * minutes) + 0.2989558 * Math.exp(-0.1932605 * minutes);
  expect(Math.abs(sustainableShare(minutes, 55) - theirs)).toBeLessThan(0.02);
  expect(sustainableShare(minutes, 70)).toBe(sustainableShare(minutes, 55));
});

/** Davies & Thompson, Eur J Appl Physiol 41:233, 1979 (from memory): a marathon at 82 % in 2:31, 84.6 km at 67 % in 6:48, 24 hours at 47 %. */
test.each([
  [151, 0.82],
  [408, 0.67],
  [1440, 0.47],
])('ultramarathon runners held %d minutes at %d of their maximum', (minutes, share) => {
  expect(Math.abs(sustainableShare(minutes, 70) - share)).toBeLessThan(0.015);
});

test('who is trained in part lies between; a minute can be held in full, and nobody is asked to be weaker than a walk round the clock', () => {
  expect(sustainableShare(240, 45)).toBeCloseTo((sustainableShare(240, 35) + sustainableShare(240, 55)) / 2, 9);
  expect(sustainableShare(1, 30)).toBe(1);
  expect(sustainableShare(6000, 35)).toBe(0.4);
  expect(sustainableShare(6000, 55)).toBe(0.47);
  expect(() => sustainableShare(-1, 50)).toThrow('minutes is -1');
});

test('gusts count only as far as they are stronger than such a wind has them anyway', () => {
  expect(withGusts(6, 9)).toBe(6);
  expect(withGusts(6, 8)).toBe(6);
  expect(withGusts(6, 19)).toBeCloseTo(9, 6);
  const at = (gust: number) => buildTimeline(input([leg({})], { forecast: [hour(8, { wind: 6, gust })] })).stretches[0];
  expect(at(19).relativeWind).toBeGreaterThan(at(9).relativeWind + 1);
});

test('a clear night sky takes heat in the open, less under trees and clouds, none indoors', () => {
  const sky = (shelter: 'open' | 'forest', cloud: number) =>
    buildTimeline(input([leg({ shelter })], { forecast: [hour(8, { airC: -10, cloud })] })).stretches[0].skyWm2;
  expect(sky('open', 0)).toBeGreaterThan(25);
  expect(sky('forest', 0)).toBeCloseTo(0.3 * sky('open', 0), 6);
  expect(sky('open', 1)).toBe(0);
  const hut = leg({ sport: 'hut', shelter: 'indoor' });
  expect(buildTimeline(input([hut], { forecast: [hour(8, { cloud: 0 })] })).stretches[0].skyWm2).toBe(0);
});
