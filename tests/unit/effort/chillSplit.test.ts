import { chillSplit } from '@/core/atmosphere/chillSplit';
import { windChillC } from '@/core/atmosphere/windChill';

test('the parts add up, and in still air it is all the cold', () => {
  const s = chillSplit({ airC: -12, windMs: 6, relativeMs: 9 });
  expect(s.feelsC).toBeCloseTo(-12 - s.windK - s.ownK, 9);
  expect(chillSplit({ airC: -12, windMs: 0, relativeMs: 0 })).toMatchObject({ windWm2: 0, ownWm2: 0, feelsC: -12 });
});

test('a rider makes most of the wind, a walker on a ridge none of it', () => {
  const rider = chillSplit({ airC: -5, windMs: 1.5, relativeMs: 8 });
  expect(rider.ownK).toBeGreaterThan(rider.windK);
  const walker = chillSplit({ airC: -5, windMs: 9, relativeMs: 9 });
  expect(walker.ownK).toBeCloseTo(0, 9);
  expect(walker.windK).toBeGreaterThan(5);
});

test('with the wind at one’s back the own speed takes chill away', () => {
  expect(chillSplit({ airC: -5, windMs: 8, relativeMs: 3 }).ownK).toBeLessThan(0);
});

test('cloth takes the sting out of the wind: dressed skin feels far less of it', () => {
  const bare = chillSplit({ airC: -10, windMs: 10, relativeMs: 10 });
  const dressed = chillSplit({ airC: -10, windMs: 10, relativeMs: 10, resistance: 0.3 });
  expect(dressed.windK).toBeLessThan(0.4 * bare.windK);
  expect(dressed.airWm2).toBeLessThan(bare.airWm2);
});

/**
 * The 2001 wind chill index itself: the same cheek behind the same tissue. Ours takes the whole body's 8.3 v^0.6, theirs a
 * cylinder facing the wind, which grows slower: the same order of days, and within 7 K even in a gale.
 */
test('bare skin feels what the wind chill index says, within 7 K', () => {
  const days: [number, number][] = [
    [0, 2],
    [-5, 6],
    [-10, 4],
    [-10, 10],
    [-20, 8],
  ];
  const index = days.map(([t, v]) => windChillC(t, (v / 0.67) * 3.6));
  const ours = days.map(([t, v]) => chillSplit({ airC: t, windMs: v, relativeMs: v }).feelsC);
  ours.forEach((t, i) => expect(Math.abs(t - index[i])).toBeLessThan(7));
  const order = (list: number[]) => list.map((_, i) => i).sort((a, b) => list[a] - list[b]);
  expect(order(ours)).toEqual(order(index));
});

test('values beyond any weather are refused', () => {
  expect(() => chillSplit({ airC: -200, windMs: 3, relativeMs: 3 })).toThrow('air temperature is -200');
  expect(() => chillSplit({ airC: -10, windMs: 3, relativeMs: 3, resistance: 9 })).toThrow(
    'cloth is 9; allowed: 0 to 2 m²K/W',
  );
});

test('wet cloth chills, most in dry air; sun gives some of it back, and all parts still add up', () => {
  const air = { airC: 2, windMs: 5, relativeMs: 5, resistance: 0.1, vapourPa: 400 };
  const dry = chillSplit(air);
  const wet = chillSplit({ ...air, wet: 0.6 });
  expect(dry.wetWm2).toBe(0);
  expect(wet.wetWm2).toBeGreaterThan(15);
  expect(chillSplit({ ...air, wet: 0.6, vapourPa: 650 }).wetWm2).toBeLessThan(wet.wetWm2);
  const sunny = chillSplit({ ...air, wet: 0.6, sunWm2: 150 });
  expect(sunny.sunK).toBeLessThan(-2);
  expect(sunny.airWm2 + sunny.windWm2 + sunny.ownWm2 + sunny.wetWm2 + sunny.sunWm2).toBeCloseTo(
    (38 - sunny.feelsC) * (sunny.airWm2 / 36),
    6,
  );
});
