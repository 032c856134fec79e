import {
  checkDoorDay,
  DOOR_HUMIDITY,
  DOOR_RANGE,
  doorForecast,
  doorLegs,
  fallsIn,
  isOfDay,
  outingAtDoor,
  type DoorDay,
} from '@/core/outing/doorDay';
import { feltSplit } from '@/core/outing/feltSplit';
import { feelsLikeC } from '@/core/outing/feelsLike';
import { timelineOf } from '@/core/outing/outing';
import { weatherAt } from '@/core/outing/forecast';
import { AVERAGE_PERSON } from '@/core/body/person';
import { aDoorDay } from '#tests/support/door';

const PLACE = { latitude: 54.5, longitude: -2.6, utcOffsetMin: 0, eleM: 210 };
const HOUR = 3600_000;

test('stops part the going, and its minutes stay what was said', () => {
  const legs = doorLegs(aDoorDay({ minutes: 60, stops: [{ kind: 'lights', times: 3, minutes: 1 }] }));
  expect(legs.map((l) => l.sport)).toEqual(['run', 'stand', 'run', 'stand', 'run', 'stand', 'run']);
  const going = legs.filter((l) => l.sport === 'run').reduce((s, l) => s + l.minutes, 0);
  expect(going).toBeCloseTo(60, 9);
  expect(legs.every((l) => l.minutes >= 0.5)).toBe(true);
});

test('one waits at the start before one goes, eats half way, and sits indoors in a hut', () => {
  const legs = doorLegs(
    aDoorDay({
      sport: 'hike',
      minutes: 120,
      stops: [
        { kind: 'lunch', times: 1, minutes: 20 },
        { kind: 'start', times: 1, minutes: 10 },
        { kind: 'hut', times: 2, minutes: 30 },
      ],
    }),
  );
  expect(legs[0]).toMatchObject({ sport: 'stand', minutes: 10 });
  const lunch = legs.findIndex((l) => l.sport === 'sit');
  const before = legs.slice(0, lunch).filter((l) => l.sport === 'hike');
  expect(before.reduce((s, l) => s + l.minutes, 0)).toBeCloseTo(60, 9);
  expect(legs.filter((l) => l.sport === 'hut').every((l) => l.shelter === 'indoor')).toBe(true);
});

test.each([
  ['minutes', 'minutes'],
  ['exertion', 'effort'],
  ['airC', 'air temperature'],
  ['windMs', 'wind'],
  ['packKg', 'pack'],
] as const)('%s is refused beyond its ends and taken at them', (key, said) => {
  const [low, high] = DOOR_RANGE[key];
  for (const v of [low, high]) expect(checkDoorDay(aDoorDay({ [key]: v }))[key]).toBe(v);
  for (const v of [low - 0.01, high + 0.01, NaN]) expect(() => checkDoorDay(aDoorDay({ [key]: v }))).toThrow(said);
});

test('stops are refused by their own ranges, and one kind twice', () => {
  const with_ = (stops: DoorDay['stops']) => () => checkDoorDay(aDoorDay({ stops }));
  expect(with_([{ kind: 'lunch', times: 1, minutes: 0.4 }])).toThrow('minutes of a stop');
  expect(with_([{ kind: 'lunch', times: 13, minutes: 5 }])).toThrow('how many stops');
  expect(
    with_([
      { kind: 'lights', times: 1, minutes: 1 },
      { kind: 'lights', times: 2, minutes: 1 },
    ]),
  ).toThrow('twice');
  expect(with_([{ kind: 'lunch', times: 12, minutes: 0.5 }])).not.toThrow();
  expect(() => checkDoorDay(aDoorDay({ falls: { kind: 'rain', mmH: 20.1 } }))).toThrow('what falls');
});

test('what falls does so from when to when, and the air is wet all day then', () => {
  const startMs = 10 * HOUR;
  const day = aDoorDay({ startMs, falls: { kind: 'wet snow', mmH: 2, fromMs: 12 * HOUR, untilMs: 14 * HOUR } });
  const hours = doorForecast(day);
  const at = (h: number) => weatherAt(hours, h * HOUR).precipitationMmH;
  expect([at(10.5), at(11.9), at(12.1), at(13.9), at(14.1)]).toEqual([0, 0, 2, 2, 0]);
  expect(hours.every((h) => h.humidity === DOOR_HUMIDITY.wet)).toBe(true);
  expect(doorForecast(aDoorDay()).every((h) => h.humidity === DOOR_HUMIDITY.dry && h.kind === 'none')).toBe(true);
});

test.each([
  [-2.9, 'rain', 'freezing drizzle'],
  [-3.1, 'rain', 'dry snow'],
  [0.1, 'rain', 'rain'],
  [-3.1, 'wet snow', 'dry snow'],
  [-2.9, 'wet snow', 'wet snow'],
  [-20, 'dry snow', 'dry snow'],
  [8, 'dry snow', 'wet snow'],
  [-20, 'none', 'none'],
] as const)('at %s °C %s falls as %s', (airC, said, falls) => {
  expect(fallsIn(airC, said)).toBe(falls);
});

test('with a place the sun is reckoned with, without one it is not', () => {
  const noon = aDoorDay({ startMs: Date.UTC(2027, 0, 12, 11, 30), sky: 'clear', shelter: 'open' });
  const here = timelineOf(outingAtDoor(noon, PLACE), AVERAGE_PERSON);
  const nowhere = timelineOf(outingAtDoor(noon, null), AVERAGE_PERSON);
  expect(here.stretches[0].sunDeg).toBeGreaterThan(5);
  expect(here.stretches[0].sunWm2).toBeGreaterThan(20);
  expect(nowhere.stretches[0].sunDeg).toBeUndefined();
  expect(nowhere.stretches[0].sunWm2).toBe(0);
});

test('cold, wind and own speed together are what the air feels like', () => {
  const day = aDoorDay({ airC: -6, windMs: 15 / 3.6, shelter: 'open' });
  const t = timelineOf(outingAtDoor(day, null), AVERAGE_PERSON);
  const s = feltSplit(t)!;
  expect(s.feelsC).toBeCloseTo(feelsLikeC(s.worst), 9);
  expect(s.worst.airC - s.windK - s.ownK).toBeCloseTo(s.feelsC, 6);
  expect(s.windK).toBeGreaterThan(0);
  expect(s.ownK).toBeGreaterThan(0);
  const mild = timelineOf(outingAtDoor(aDoorDay({ airC: 12.5 }), null), AVERAGE_PERSON);
  expect(feltSplit(mild)).toBeNull();
});

describe('whether an outing is of a day', () => {
  const day = aDoorDay({ airC: -6, windMs: 4, minutes: 50 });
  const place = { latitude: 54.5, longitude: -2.6, utcOffsetMin: 60, eleM: 210 };
  const is = (over: Partial<DoorDay>) => isOfDay(outingAtDoor(day, place), { ...day, ...over });
  it('it is, wherever it is gone', () => {
    expect(is({})).toBe(true);
    expect(isOfDay(outingAtDoor(day, null), day)).toBe(true);
  });
  it.each<[string, Partial<DoorDay>]>([
    ['a kelvin', { airC: -7 }],
    ['wind', { windMs: 5 }],
    ['what falls', { falls: { kind: 'rain', mmH: 1 } }],
    ['minutes', { minutes: 55 }],
    ['effort', { exertion: day.exertion + 1 }],
    ['the hour', { startMs: day.startMs + 3600_000 }],
  ])('not where %s differs', (_, over) => {
    expect(is(over)).toBe(false);
  });
});
