import { AVERAGE_PERSON } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { checkConditions } from '@/core/outing/conditions';
import { evenDay } from '@/core/outing/evenDay';
import { isInRoom, meanOver } from '@/core/outing/meanOver';
import { inWeather } from '@/core/outing/shiftedDay';
import type { Timeline } from '@/core/outing/timeline';
import { aLeg, dayOf } from '#tests/support/outings';

const MOST_W = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);
/** A climb, a stop and a way back at a share of the maximum, in air and wind. */
type Day = [airC: number, wind: number, share: number];
const day = (...[airC, wind, share]: Day): Timeline =>
  dayOf(
    [
      aLeg({ name: 'Up', minutes: 60, effort: { by: 'metabolic', value: share * MOST_W } }),
      aLeg({ name: 'Top', sport: 'stand', minutes: 10, effort: { by: 'usual' } }),
      aLeg({ name: 'Back', minutes: 30, effort: { by: 'metabolic', value: share * MOST_W } }),
    ],
    airC,
    wind,
  );
/** What the body feels of a stretch. */
const FELT = ['airC', 'vapourPa', 'relativeWind', 'stillWind', 'skyWm2', 'metabolicW', 'externalW', 'pumping'] as const;
const even = (t: Timeline) => evenDay(t, AVERAGE_PERSON);
const felt = (t: Timeline) => even(t).stretches.map((s) => FELT.map((key) => s[key]));

test('means move to the nearest multiples of five kelvin, five metres a second and an eighth of the maximum', () => {
  const { stretches } = even(day(-9, 6, 0.47));
  expect(meanOver(stretches, (s) => s.airC)).toBeCloseTo(-10, 6);
  expect(meanOver(stretches, (s) => s.wind10)).toBeCloseTo(5, 6);
  const gone = stretches.filter((s) => s.sport !== 'stand');
  // To the next ten watts, to which all work is rounded.
  expect(Math.abs(gone[0].metabolicW - 0.5 * MOST_W)).toBeLessThanOrEqual(10);
});

test.each<[string, Day, Day, Day]>([
  ['air', [-12.4, 5, 0.47], [-7.6, 5, 0.47], [-12.6, 5, 0.47]],
  ['wind', [-10, 2.6, 0.47], [-10, 7.4, 0.47], [-10, 7.6, 0.47]],
  ['effort', [-10, 5, 0.445], [-10, 5, 0.555], [-10, 5, 0.575]],
])('days on one side of a limit of %s are one even day to the last bit, days across it two', (_, a, b, c) => {
  expect(felt(day(...b))).toEqual(felt(day(...a)));
  expect(felt(day(...c))).not.toEqual(felt(day(...a)));
});

test('a calm day stays calm, and wind may rise out of a calm', () => {
  const calm = even(day(-8, 0, 0.5));
  for (const s of calm.stretches) expect(s.wind10).toBe(0);
  // The mean is 3.4 m/s; the calm half gets what the windy one gets.
  const half = dayOf([
    aLeg({ name: 'Wood', air: { wind: 0, windAtBody: false } }),
    aLeg({ name: 'Fell', air: { wind: 6.8, windAtBody: false } }),
  ]);
  const [wood, ...rest] = even(half).stretches;
  expect(wood.wind10).toBeCloseTo(1.6, 6);
  expect(rest[rest.length - 1].wind10).toBeCloseTo(8.4, 6);
  expect(wood.relativeWind).toBeGreaterThan(0.67 * 1.6 - 0.11);
  expect(wood.stillWind).toBeCloseTo(1, 6);
});

test('the hardest wind that is believed is not made harder', () => {
  // The mean is 79 m/s, and the even day has 80.
  const gale = even(dayOf([aLeg({ air: { wind: 78 } }), aLeg({ air: { wind: 80 } })]));
  const winds = gale.stretches.map((s) => s.relativeWind);
  expect(winds[0]).toBeCloseTo(79, 0);
  expect(Math.max(...winds)).toBeCloseTo(80, 6);
  expect(() => checkConditions(gale.stretches)).not.toThrow();
});

test('rooms, the clock, the legs and what falls stay as they are', () => {
  const t = dayOf([
    aLeg({ minutes: 40, air: { precipitation: 'dry snow', precipitationMmH: 1.3 } }),
    aLeg({ name: 'Hut', sport: 'hut', minutes: 30, effort: { by: 'usual' }, air: { airC: 18, wind: 0 } }),
  ]);
  const e = even(t);
  expect(e.legs).toEqual(t.legs);
  expect(e.stretches.map((s) => [s.startS, s.endS, s.precipitationMmH])).toEqual(
    t.stretches.map((s) => [s.startS, s.endS, s.precipitationMmH]),
  );
  expect(e.stretches.filter(isInRoom)).toEqual(t.stretches.filter(isInRoom));
  expect(t.stretches.some(isInRoom)).toBe(true);
  expect(even({ ...t, stretches: t.stretches.filter(isInRoom) }).stretches).toEqual(t.stretches.filter(isInRoom));
});

test('other weather than forecast: as humid, and held to the air that is believed', () => {
  const [s] = day(-8, 4, 0.5).stretches;
  const other = inWeather(s, { shelter: 'open' }, { airK: 3, wind: 2, fall: 1 });
  expect(other.airC).toBe(-5);
  expect(other.vapourPa / s.vapourPa).toBeWithin(1.2, 1.35);
  expect(other.wind10).toBe(2 * s.wind10);
  expect(inWeather(s, { shelter: 'open' }, { airK: 99, wind: 1, fall: 1 }).airC).toBe(45);
  expect(inWeather(s, { shelter: 'open' }, { airK: -99, wind: 1, fall: 1 }).airC).toBe(-60);
});

test('in other weather wind, gusts and what falls grow together, and what one standing still feels with them', () => {
  const [stretch] = day(-8, 4, 0.5).stretches;
  const s = { ...stretch, wind10: 4, gust: 7, stillWind: 2, precipitationMmH: 1.5 };
  const more = inWeather(s, { shelter: 'open' }, { airK: 0, wind: 1.5, fall: 2 });
  expect(more).toMatchObject({ wind10: 6, gust: 10.5, stillWind: 3, precipitationMmH: 3, airC: s.airC });
});
