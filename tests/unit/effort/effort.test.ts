import { AVERAGE_PERSON, engineOf } from '@/core/body/person';
import { headwindCosine, relativeWind, SHELTER_FACTOR, STILL_AIR } from '@/core/atmosphere/windAtBody';
import { kindFromWetBulb, LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import { sunOnBody, sunPosition } from '@/core/atmosphere/sun';
import { isIndoors, isMoving, pumpingSpeed, SPORTS, SPORT } from '@/core/effort/sports';
import { roadLoadPower, speedForPower, type RoadLoad } from '@/core/effort/cycling';
import {
  metabolicFromExertion,
  metabolicFromHeartRate,
  maximalMetabolicRate,
  TALK_TEST,
} from '@/core/effort/fromAthlete';
import { legEffort } from '@/core/effort/legEffort';

const engine = engineOf(AVERAGE_PERSON);
const road: RoadLoad = { massKg: 90, speedMs: 8, slope: 0, airSpeedMs: 8, airDensity: 1.29, surface: 'tarmac' };

/** Martin et al. 1998, worked by hand: ½·1.29·0.4·8³ + 0.005·90·9.81·8 = 132.1 + 35.3 W at the wheel, over 0.96. */
test('road load worked by hand', () => {
  expect(roadLoadPower(road)).toBeCloseTo((0.5 * 1.29 * 0.4 * 512 + 0.005 * 90 * 9.81 * 8) / 0.96, 6);
});

test('snow, hills and headwind cost; a tailwind helps; downhill one coasts', () => {
  expect(roadLoadPower({ ...road, surface: 'soft snow' })).toBeGreaterThan(2 * roadLoadPower(road));
  expect(roadLoadPower({ ...road, slope: 0.05 })).toBeGreaterThan(roadLoadPower(road) + 300);
  expect(roadLoadPower({ ...road, airSpeedMs: 12 })).toBeGreaterThan(roadLoadPower(road));
  expect(roadLoadPower({ ...road, airSpeedMs: 4 })).toBeLessThan(roadLoadPower(road));
  expect(roadLoadPower({ ...road, slope: -0.08 })).toBe(0);
});

test('speed for a power is the speed that takes that power', () => {
  const { speedMs: _s, airSpeedMs: _a, ...rest } = road;
  for (const power of [80, 150, 250]) {
    const v = speedForPower(power, rest);
    expect(roadLoadPower({ ...road, speedMs: v, airSpeedMs: v })).toBeCloseTo(power, 3);
  }
});

test('heart rate, exertion and talk test all rise from rest to maximum', () => {
  const most = maximalMetabolicRate(50, 72);
  expect(metabolicFromHeartRate(55, 55, 185, 50, 72)).toBeCloseTo((3.5 * 72 * 348) / 1000, 6);
  expect(metabolicFromHeartRate(185, 55, 185, 50, 72)).toBeCloseTo(most, 6);
  expect(metabolicFromExertion(10, 50, 72)).toBeCloseTo(most, 6);
  for (let e = 0; e < 10; e += 0.5)
    expect(metabolicFromExertion(e + 0.5, 50, 72)).toBeGreaterThan(metabolicFromExertion(e, 50, 72));
  expect(TALK_TEST.sing).toBeLessThan(TALK_TEST.words);
  expect(() => metabolicFromHeartRate(300, 55, 185, 50, 72)).toThrow('heart rate is 300');
  expect(() => metabolicFromExertion(11, 50, 72)).toThrow('perceived exertion is 11; allowed: 0 to 10');
});

test('what the athlete measured wins over what we would reckon', () => {
  const base = { sport: 'cycle' as const, speedMs: 8 };
  expect(legEffort(engine, { ...base, metabolicW: 444, powerW: 300, heartRateBpm: 170 })).toMatchObject({
    metabolicW: 444,
    from: 'given metabolic rate',
  });
  expect(legEffort(engine, { ...base, powerW: 200, heartRateBpm: 120 }).from).toBe('power');
  expect(legEffort(engine, { ...base, heartRateBpm: 120, exertion: 9 }).from).toBe('heart rate');
  expect(legEffort(engine, base).from).toBe('road load');
  expect(legEffort(engine, { sport: 'chairlift' }).from).toBe('usual for the sport');
});

test('running too slow to run is walking; carrying and climbing cost more', () => {
  const slow = (sport: 'run' | 'walk') => legEffort(engine, { sport, speedMs: 1.2 }).metabolicW;
  expect(slow('run')).toBeCloseTo(slow('walk'), 6);
  const hike = (over: object) => legEffort(engine, { sport: 'hike', speedMs: 1.2, ...over }).metabolicW;
  expect(hike({ loadKg: 15 })).toBeGreaterThan(hike({}) + 30);
  expect(hike({ slope: 0.15 })).toBeGreaterThan(hike({}) + 200);
  expect(hike({ footprintCm: 20 })).toBeGreaterThan(1.5 * hike({}));
});

test('heat is metabolic rate less work, and work never exceeds what muscle can do', () => {
  for (const sport of SPORTS)
    for (const slope of [-0.1, 0, 0.12, 0.3]) {
      const w = legEffort(engine, { sport, speedMs: isMoving(sport) ? 1.5 : 0, slope });
      expect(w.externalW).toBeGreaterThanOrEqual(0);
      expect(w.externalW).toBeLessThan(0.3 * w.metabolicW);
    }
});

test('muscle shares sum to one in every sport; poles warm arms, pedals thighs', () => {
  for (const sport of SPORTS) expect(SPORT[sport].muscles.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
  expect(SPORT['classic ski'].muscles[4]).toBeGreaterThan(SPORT.run.muscles[4]);
  expect(SPORT.cycle.muscles[6]).toBeGreaterThan(SPORT.run.muscles[6]);
});

test('limbs pump like walking of at most 1.2 m/s, and not at all when sitting', () => {
  for (const sport of SPORTS) expect(pumpingSpeed(sport, 5)).toBeWithin(0, 1.2);
  expect(pumpingSpeed('sit', 0)).toBe(0);
  expect(pumpingSpeed('cycle', 0.1)).toBe(0);
  expect(SPORTS.filter(isIndoors)).toEqual(['hut', 'drive']);
});

describe('wind at the body', () => {
  test('own speed and wind add as vectors', () => {
    expect(relativeWind(6, 'open', 3, 1)).toBeCloseTo(6 * 0.67 + 3, 6);
    expect(relativeWind(6, 'open', 3, -1)).toBeCloseTo(6 * 0.67 - 3, 6);
    expect(relativeWind(6, 'open', 3)).toBeCloseTo(Math.hypot(4.02, 3), 6);
    expect(relativeWind(0, 'indoor', 0)).toBe(STILL_AIR);
    expect(SHELTER_FACTOR.forest).toBeLessThan(SHELTER_FACTOR.open);
  });
  test('a west wind is ahead of who goes west', () => {
    expect(headwindCosine(270, 270)).toBeCloseTo(1, 9);
    expect(headwindCosine(90, 270)).toBeCloseTo(-1, 9);
    expect(headwindCosine(0, 270)).toBeCloseTo(0, 9);
  });
  test('impossible winds are refused', () => {
    expect(() => relativeWind(-3, 'open', 0)).toThrow('wind at 10 m is -3; allowed: 0 to 80 m/s');
  });
});

test('what falls and how wet it arrives', () => {
  expect(kindFromWetBulb(-10, 0.8)).toBe('dry snow');
  expect(kindFromWetBulb(8, 0.9)).toBe('rain');
  expect(LIQUID_SHARE['dry snow']).toBe(0);
  expect(LIQUID_SHARE.rain).toBe(1);
});

/** Spencer's declination and the usual sine formula: an independent second opinion on the solar library, within half a degree. */
test.each([
  [Date.UTC(2027, 0, 16, 12), 60, 0],
  [Date.UTC(2027, 11, 21, 12), 54, 0],
  [Date.UTC(2027, 2, 20, 12), 46, 0],
])('noon sun at %d and latitude %d', (when, lat, lon) => {
  const start = Date.UTC(2027, 0, 1);
  const g = (2 * Math.PI * Math.floor((when - start) / 86400000)) / 365;
  const decl =
    0.006918 -
    0.399912 * Math.cos(g) +
    0.070257 * Math.sin(g) -
    0.006758 * Math.cos(2 * g) +
    0.000907 * Math.sin(2 * g);
  // The equation of time moves noon by at most 17 minutes: under half a degree of height.
  const noon = 90 - Math.abs(lat - (decl * 180) / Math.PI);
  expect(Math.abs(sunPosition(when, lat, lon).altitudeDeg - noon)).toBeLessThan(0.6);
});

test('sun on the body: none at night, more on snow and under a clear sky, little in the shade', () => {
  expect(sunOnBody(-5, 0, 0.8, 'sun')).toBe(0);
  expect(sunOnBody(15, 0, 0.8, 'sun')).toBeGreaterThan(sunOnBody(15, 0, 0.2, 'sun'));
  expect(sunOnBody(15, 1, 0.8, 'sun')).toBeLessThan(0.5 * sunOnBody(15, 0, 0.8, 'sun'));
  expect(sunOnBody(15, 0, 0.8, 'shade')).toBeLessThan(0.5 * sunOnBody(15, 0, 0.8, 'sun'));
  expect(sunOnBody(30, 0, 0.8, 'sun')).toBeWithin(100, 500);
});
