import { AVERAGE_PERSON } from '@/core/body/person';
import {
  addChill,
  addEnd,
  addMoment,
  checkWeights,
  deciding,
  noCost,
  totalCost,
  weighed,
  type BodyCost,
} from '@/core/judge/cost';
import { noMoment, type Moment } from '@/core/judge/moment';
import { sameWithin } from '@/core/judge/sameCost';

/** A moment in which nothing is wrong; a test spoils one thing. One point is an hour of being clearly annoyed. */
const fine: Moment = {
  ...noMoment(),
  timeS: 3600,
  torsoC: 33,
  heatWm2: 200,
  torsoWet: 0.1,
  coreC: 37.3,
  hotCoreC: 37.3,
  fingersC: 28,
  toesC: 27,
  faceC: 20,
  scalpC: 31,
  limbsC: 28,
};
function anHourOf(over: Partial<Moment>, hours = 1): BodyCost {
  const c = noCost();
  addMoment(c, { ...fine, ...over }, AVERAGE_PERSON, hours);
  return c;
}

test('an hour in which nothing is wrong costs nothing, up to hands of 34.2 °C', () => {
  expect(anHourOf({})).toEqual(noCost());
  expect(anHourOf({ fingersC: 34.2 })).toEqual(noCost());
});

test.each<[string, Partial<Moment>, keyof BodyCost, number]>([
  ['feeling 0.9 votes under −0.8', { sensation: -1.7 }, 'cold', 1],
  ['arms 5 K under 19 °C', { limbsC: 14 }, 'cold', 0.5],
  ['shivering at 60 W, of which 15 go unnoticed', { shiverW: 60 }, 'cold', 1],
  ['torso 2 K under what is chilled through at 200 W/m²', { torsoC: 35.7 - 5.5 - 6.5 - 2 }, 'cold', 1],
  ['feeling a vote over 1.2', { sensation: 2.2 }, 'heat', 1],
  ['a core 0.3 K over 38.5 °C', { hotCoreC: 38.8 }, 'heat', 1],
  ['a torso wettedness of 0.65', { torsoWet: 0.65 }, 'wetSkin', 1],
  ['150 g of water', { waterG: 150 }, 'wetLayers', 1],
  ['300 g of water, squared', { waterG: 300 }, 'wetLayers', 4],
  ['hands a kelvin over 34.2 °C', { fingersC: 35.2 }, 'heat', 0.25],
  ['hands two kelvin over it', { fingersC: 36.2 }, 'heat', 1],
  ['fingers 7 K under 24 °C', { fingersC: 17 }, 'extremities', 1],
  ['fingers 2 K under 10 °C, near numb', { fingersC: 8 }, 'extremities', (16 / 7) ** 2 + 6],
  ['toes 7 K under 24 °C weigh four fifths', { toesC: 17 }, 'extremities', 0.8],
  ['a face 4 K under 11 °C', { faceC: 7 }, 'extremities', 1],
  ['a face at 2.6 °C, which stings and does not freeze yet', { faceC: 2.6 }, 'extremities', 2.1 ** 2],
  ['a face 1.2 K under 2.5 °C, near freezing', { faceC: 1.3 }, 'extremities', 2.425 ** 2 + 8],
  ['a head 6 K under 20 °C', { scalpC: 14 }, 'extremities', 0.5],
])('%s for an hour', (_, over, part, points) => {
  const c = anHourOf(over);
  expect(c[part]).toBeCloseTo(points, 6);
  for (const other of Object.keys(c) as (keyof BodyCost)[]) if (other !== part) expect(c[other]).toBeCloseTo(0, 9);
  expect(anHourOf(over, 0.25)[part]).toBeCloseTo(points / 4, 6);
});

test('the first ten minutes may feel cool: they count 0.15; heat and water count from the start', () => {
  expect(anHourOf({ sensation: -1.7, timeS: 599, effort: 0.5 }).cold).toBeCloseTo(0.15, 9);
  expect(anHourOf({ sensation: -1.7, timeS: 600, effort: 0.5 }).cold).toBeCloseTo(1, 9);
  expect(anHourOf({ fingersC: 17, timeS: 0, effort: 0.5 }).extremities).toBeCloseTo(0.15, 9);
  expect(anHourOf({ sensation: 2.2, timeS: 0 }).heat).toBeCloseTo(1, 9);
  // Standing in a start pen counts from the first minute.
  expect(anHourOf({ sensation: -1.7, timeS: 300, effort: 0.17 }).cold).toBeCloseTo(1, 9);
});

test('half a litre left in the clothes at the end is a point', () => {
  const end = (water: number) => {
    const c = noCost();
    addEnd(c, water);
    return c.wetLayers;
  };
  expect(end(500)).toBe(1);
  expect(end(-30)).toBe(0);
});

test('a stop that takes 20 Wh/m² is a point and a half, half of it a quarter of that; each stop counts, whatever way its loss is added', () => {
  const c = noCost();
  addChill(c, 20);
  expect(c.afterChill).toBeCloseTo(1.5, 9);
  addChill(c, 10);
  expect(c.afterChill).toBeCloseTo(1.875, 9);
  addChill(c, 20, 10);
  expect(c.afterChill).toBeCloseTo(3, 9);
});

test('caution weighs cold, chill and fingers, and nothing else', () => {
  const one: BodyCost = { cold: 1, heat: 1, wetSkin: 1, wetLayers: 1, afterChill: 1, extremities: 1, burden: 1 };
  expect(weighed(one, { caution: 3, fuss: 2, weight: 2 })).toEqual({ ...one, cold: 3, afterChill: 3, extremities: 3 });
});

test('weights are 0.2 to 3', () => {
  expect(checkWeights({ fuss: 0.2, weight: 3 })).toEqual({ caution: 1, fuss: 0.2, weight: 3 });
  expect(() => checkWeights({ fuss: 0.19 })).toThrow('weight of fuss is 0.19; allowed: 0.2 to 3');
  expect(() => checkWeights({ weight: 3.01 })).toThrow('weight of weight is 3.01');
});

test('the whole is the sum of its parts, and what decided is the largest', () => {
  const c = { ...noCost(), cold: 1, heat: 2, wetSkin: 0.5, alarms: 5, changes: 0.3, mass: 0.2, lacking: 0 };
  expect(totalCost(c)).toBeCloseTo(9, 9);
  expect(deciding(c)).toEqual({ part: 'alarms', share: 5 / 9 });
  expect(deciding({ ...noCost(), alarms: 0, changes: 0, mass: 0, lacking: 0 }).share).toBe(0);
});

test('what fogs before the eyes costs 0.6 an hour from where it fogs on, and nothing short of it', () => {
  expect(anHourOf({ fog: 1 }).extremities).toBe(0);
  expect(anHourOf({ fog: 1.01 }).extremities).toBeCloseTo(0.6, 9);
});

test('plans are the same to anybody within 0.03 points, or 1.5 % of what they cost up to 0.045', () => {
  expect([0, 1.9, 2].map((points) => sameWithin(points))).toEqual([0.03, 0.03, 0.03]);
  expect(sameWithin(2.4)).toBeCloseTo(0.036, 9);
  expect([3, 3.1, 40].map((points) => sameWithin(points))).toEqual([0.045, 0.045, 0.045]);
  // Where less is asked at least, little may differ in a plan that costs little.
  expect(sameWithin(0.5, 0.01)).toBeCloseTo(0.01, 9);
  expect(sameWithin(1, 0.01)).toBeCloseTo(0.015, 9);
});
