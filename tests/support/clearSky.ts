import { sunOnBody } from '@/core/atmosphere/sun';

/** What falls on level ground, W/m²: snow that gave everything back would send half of it to an upright body, bare black ground nothing. */
export const onGround = (altitudeDeg: number, cloud = 0): number =>
  (sunOnBody(altitudeDeg, cloud, 1, 'sun') - sunOnBody(altitudeDeg, cloud, 0, 'sun')) / 0.5;

/** Haurwitz 1945, cloudless sky: 1098 sin h exp(−0.057 / sin h) W/m² (from memory). */
export function haurwitz(altitudeDeg: number): number {
  const sine = Math.sin((altitudeDeg * Math.PI) / 180);
  return 1098 * sine * Math.exp(-0.057 / sine);
}
