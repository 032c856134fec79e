import { readFileSync } from 'node:fs';
import { AVERAGE_PERSON, engineOf } from '@/core/body/person';
import { legsFromRoute } from '@/core/outing/legsFromRoute';
import { outingFromRoute, timelineOf } from '@/core/outing/outing';
import { handPace, paceFor } from '@/core/outing/pace';
import { bearing, buildProfile, climbOf, distanceM, type RoutePoint } from '@/core/outing/route';
import { readForecastCsv } from '@/formats/forecastCsv';
import { readGpx } from '@/formats/gpx';

const engine = engineOf(AVERAGE_PERSON);
const north = (n: number, ele: (i: number) => number | null, timeS?: (i: number) => number): RoutePoint[] =>
  Array.from({ length: n }, (_, i) => ({
    lat: 54 + i * 0.0009,
    lon: -3,
    eleM: ele(i),
    timeMs: timeS ? Date.UTC(2027, 0, 16, 8) + timeS(i) * 1000 : null,
  }));

test('a degree of latitude is 111.2 km on the sphere, and courses point the right way', () => {
  expect(distanceM({ lat: 54, lon: -3 }, { lat: 55, lon: -3 })).toBeCloseTo(111195, -2);
  expect(bearing({ lat: 54, lon: -3 }, { lat: 55, lon: -3 })).toBeCloseTo(0, 6);
  expect(bearing({ lat: 54, lon: -3 }, { lat: 54, lon: -2 })).toBeCloseTo(89.6, 0);
  expect(bearing({ lat: 54, lon: -3 }, { lat: 53, lon: -3 })).toBeCloseTo(180, 6);
});

test('wandering elevation is smoothed so that a flat walk stays flat', () => {
  let seed = 7;
  const noise = () => ((seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5) * 6;
  const points = north(600, () => 200 + noise()).map((q, i) => ({ ...q, lat: 54 + i * 0.00009 }));
  const raw = points.slice(1).reduce((up, q, i) => up + Math.max(0, q.eleM! - points[i].eleM!), 0);
  expect(climbOf(buildProfile(points)).up).toBeLessThan(0.5 * raw);
});

test('a real climb survives the smoothing', () => {
  const p = buildProfile(north(80, (i) => 200 + 8 * i));
  expect(climbOf(p).up).toBeGreaterThan(0.95 * 79 * 8);
  expect(climbOf(p).down).toBeLessThan(1);
});

test('missing elevation is filled between neighbours, missing altogether is flat, and both are said', () => {
  const gaps = buildProfile(north(40, (i) => (i % 4 === 0 ? 100 + i * 5 : null)));
  expect(gaps.notes.join(' ')).toContain('30 of 40 points have no elevation');
  expect(climbOf(gaps).up).toBeGreaterThan(150);
  const none = buildProfile(north(40, () => null));
  expect(none.notes.join(' ')).toContain('taken as flat');
  expect(climbOf(none).up).toBe(0);
});

test('recorded times are kept, partly missing ones are said to be left out, backward ones refused', () => {
  expect(
    buildProfile(
      north(
        40,
        () => 1,
        (i) => i * 60,
      ),
    ).recordedS,
  ).not.toBeNull();
  const part = north(
    40,
    () => 1,
    (i) => i * 60,
  ).map((p, i) => (i === 5 ? { ...p, timeMs: null } : p));
  expect(buildProfile(part).notes.join(' ')).toContain('Some points have no time');
  expect(() =>
    buildProfile(
      north(
        40,
        () => 1,
        (i) => (i === 20 ? 0 : i * 60),
      ),
    ),
  ).toThrow('route point 21 time');
});

test.each([
  ['one point', north(1, () => 1), 'route points is 1'],
  ['ten metres', north(2, () => 1).map((p, i) => ({ ...p, lat: 54 + i * 1e-5 })), 'route length'],
  [
    'off the globe',
    [
      { lat: 95, lon: 0, eleM: 0, timeMs: null },
      { lat: 54, lon: 0, eleM: 0, timeMs: null },
    ],
    'route point 1 latitude is 95',
  ],
  [
    'round the world',
    [
      { lat: 0, lon: 0, eleM: 0, timeMs: null },
      { lat: 0, lon: 90, eleM: 0, timeMs: null },
    ],
    'route length',
  ],
])('%s is refused', (_, points, says) => {
  expect(() => buildProfile(points)).toThrow(says);
});

const hill = buildProfile(north(120, (i) => 300 + (i < 30 ? 0 : i < 70 ? (i - 30) * 12 : 480 - (i - 70) * 9.6)));

test('a route is cut into flat, climb and descent, and the legs add up to it', () => {
  const legs = legsFromRoute(hill, engine, { sport: 'hike', effort: { by: 'usual' }, loadKg: 8, clock: 'by effort' });
  const moving = legs.filter((l) => l.distanceM > 0);
  expect(moving.map((l) => l.name.split(' ')[0])).toEqual(['Level', 'Climb', 'Descent']);
  expect(moving.reduce((s, l) => s + l.distanceM, 0)).toBeCloseTo(hill.distanceM[hill.distanceM.length - 1], 0);
  expect(moving.reduce((s, l) => s + l.climbM, 0)).toBeCloseTo(hill.eleM[hill.eleM.length - 1] - hill.eleM[0], 0);
  expect(legs.find((l) => l.distanceM === 0)?.name).toBe('Summit stop');
});

test('a ski tour skis down what it climbed, much faster than up', () => {
  const legs = legsFromRoute(hill, engine, {
    sport: 'ski tour',
    effort: { by: 'exertion', value: 4 },
    loadKg: 7,
    clock: 'by effort',
  });
  const down = legs.find((l) => l.sport === 'downhill ski')!;
  const up = legs.find((l) => l.climbM > 100)!;
  expect(up.sport).toBe('ski tour');
  expect(down.distanceM / down.minutes).toBeGreaterThan(2 * (up.distanceM / up.minutes));
});

test('recorded times set the minutes when asked', () => {
  const timed = buildProfile(
    north(
      120,
      (i) => 300 + (i < 60 ? i * 8 : 480),
      (i) => i * 90,
    ),
  );
  const legs = legsFromRoute(timed, engine, {
    sport: 'hike',
    effort: { by: 'usual' },
    loadKg: 0,
    clock: 'recorded',
  }).filter((l) => l.distanceM > 0);
  expect(legs.reduce((s, l) => s + l.minutes, 0)).toBeWithin(119 * 1.5 - 3, 119 * 1.5 + 3);
});

test('harder effort is faster, uphill is slower, and a given speed is a given speed', () => {
  const v = (slope: number, value: number) => paceFor(engine, 'hike', slope, { by: 'exertion', value }, 5);
  expect(v(0.1, 5)).toBeGreaterThan(v(0.1, 3));
  expect(v(0.2, 4)).toBeLessThan(v(0.05, 4));
  expect(paceFor(engine, 'run', 0, { by: 'speed', value: 3 }, 0)).toBe(3);
  expect(paceFor(engine, 'cycle', 0.05, { by: 'power', value: 200 }, 0)).toBeLessThan(
    paceFor(engine, 'cycle', 0, { by: 'power', value: 200 }, 0),
  );
  expect(paceFor(engine, 'stand', 0, { by: 'usual' }, 0)).toBe(0);
});

test('from the shipped files to one clock: every second covered once, weather on the right side of the clock', () => {
  const route = readGpx(readFileSync('src/demo/files/skarn-head-round.gpx', 'utf8'), 'r').points;
  const forecast = readForecastCsv(readFileSync('src/demo/files/saturday-tarnholt.csv', 'utf8'), 'f');
  const outing = outingFromRoute(
    {
      name: 'Round',
      sport: 'ski tour',
      effort: { by: 'exertion', value: 4 },
      startMs: forecast[2].timeMs,
      utcOffsetMin: 60,
      loadKg: 7,
      clock: 'by effort',
      route,
      forecast,
    },
    AVERAGE_PERSON,
  );
  const t = timelineOf(outing, AVERAGE_PERSON);
  expect(t.stretches[0].startS).toBe(0);
  expect(t.stretches[t.stretches.length - 1].endS).toBeCloseTo(t.endS, 6);
  for (let i = 1; i < t.stretches.length; i++) expect(t.stretches[i].startS).toBeCloseTo(t.stretches[i - 1].endS, 6);
  for (const s of t.stretches) expect(s.endS - s.startS).toBeLessThanOrEqual(301);
  // It is colder on top than at the start by about the standard lapse.
  const top = t.stretches.reduce((a, b) => (b.eleM > a.eleM ? b : a));
  expect(top.airC).toBeLessThan(t.stretches[0].airC);
  expect(t.endS / 3600).toBeWithin(3, 5);
});

test('a leg by hand: minutes and climb give the slope and speed that effort can hold', () => {
  const leg = { sport: 'hike' as const, effort: { by: 'exertion' as const, value: 3.5 }, minutes: 60, climbM: 350 };
  const up = handPace(engine, leg, 8);
  expect(up.speedMs * up.slope * 3600).toBeCloseTo(350, 0);
  expect(up.slope).toBeWithin(0.05, 0.35);
  expect(handPace(engine, { ...leg, climbM: -350 }, 8).slope).toBeLessThan(0);
  expect(handPace(engine, { ...leg, climbM: 0 }, 8)).toEqual({
    speedMs: paceFor(engine, 'hike', 0, leg.effort, 8),
    slope: 0,
  });
  // More height than the effort can gain: the steepest way, and what it gives.
  expect(handPace(engine, { ...leg, climbM: 3000 }, 8).slope).toBeCloseTo(0.4, 2);
});

test('a route of a hundred metres to four hundred kilometres is taken, a shorter or a longer one refused', () => {
  const metres = (m: number) =>
    [0, 1, 2].map((i) => ({ lat: 54 + (i * m) / 2 / 111_195, lon: -3, eleM: 200, timeMs: null }));
  for (const m of [101, 399_000]) expect(buildProfile(metres(m)).eleM.length).toBeGreaterThan(1);
  expect(() => buildProfile(metres(98))).toThrow('route length');
  expect(() => buildProfile(metres(401_000))).toThrow('route length');
});
