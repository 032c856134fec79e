import { sunOnBody } from '@/core/atmosphere/sun';
import { haurwitz, onGround } from '#tests/support/clearSky';

const LOW_TO_HIGH = [10, 15, 20, 30, 40, 50, 60];
const onBlackGround = (altitude: number) => sunOnBody(altitude, 0, 0, 'sun');
/** Kasten & Young 1989: 10.3 at 5°, 2.0 at 30°. */
const airMass = (degrees: number) => ({ 5: 10.31, 30: 1.994, 60: 1.154, 75: 1.035 })[degrees]!;

test('a clear sky sends level ground what Haurwitz measured, within 15 %', () => {
  for (const h of LOW_TO_HIGH) expect(Math.abs(onGround(h) / haurwitz(h) - 1)).toBeLessThan(0.15);
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
  const area = (onBlackGround(h) - sunOnBody(h, 0, 0, 'shade')) / beam / 0.725;
  expect(area).toBeWithin(0.7 * facing, facing);
});
