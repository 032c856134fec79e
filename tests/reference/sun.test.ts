import { sunOnBody } from '@/core/atmosphere/sun';

const LOW_TO_HIGH = [10, 15, 20, 30, 40, 50, 60];
const onBody = (altitude: number, albedo: number, cloud = 0) => sunOnBody(altitude, cloud, albedo, 'sun');
/** What falls on level ground: snow that gave everything back would send half of it to an upright body, bare black ground nothing. */
const onGround = (altitude: number, cloud = 0) => (onBody(altitude, 1, cloud) - onBody(altitude, 0, cloud)) / 0.5;
/** Kasten & Young 1989: 10.3 at 5°, 2.0 at 30°. */
const airMass = (degrees: number) => ({ 5: 10.31, 30: 1.994, 60: 1.154, 75: 1.035 })[degrees]!;
const sine = (degrees: number) => Math.sin((degrees * Math.PI) / 180);

/** Haurwitz 1945, cloudless sky: 1098 sin h exp(−0.057 / sin h) W/m² (from memory). */
test('a clear sky sends level ground what Haurwitz measured, within 15 %', () => {
  for (const h of LOW_TO_HIGH) {
    const theirs = 1098 * sine(h) * Math.exp(-0.057 / sine(h));
    expect(Math.abs(onGround(h) / theirs - 1)).toBeLessThan(0.15);
  }
});

/** Kasten & Czeplak 1980: G/G0 = 1 − 0.75 (N/8)^3.4, measured in Hamburg: 0.93 at half cover, 0.72 at six eighths, a quarter at eight. */
test('cloud takes what was measured in Hamburg', () => {
  for (const [eighths, left] of [
    [4, 0.93],
    [6, 0.72],
    [8, 0.25],
  ])
    expect(onGround(30, eighths / 8) / onGround(30)).toBeCloseTo(left, 2);
});

/**
 * Projected area of somebody standing and facing the sun, as a share of the surface that radiates, 0.725 of the body's (ASHRAE 55
 * appendix on solar gain, after Fanger 1970, from memory). Side-on less of one is seen: the mean over all bearings lies below it and over 0.7
 * of it. The beam is that of Meinel 1976, 0.7 of 1367 W/m² behind one air mass; what is left in the shade is its scattered light.
 */
test.each([
  [5, 0.35],
  [30, 0.314],
  [60, 0.206],
  [75, 0.144],
])('at %d° the beam strikes as much of a standing body as its silhouette says', (h, facing) => {
  const beam = 1367 * 0.7 ** (airMass(h) ** 0.678);
  const area = (onBody(h, 0) - sunOnBody(h, 0, 0, 'shade')) / beam / 0.725;
  expect(area).toBeWithin(0.7 * facing, facing);
});
