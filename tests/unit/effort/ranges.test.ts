import { roadLoadPower } from '@/core/effort/cycling';
import { metabolicFromHeartRate } from '@/core/effort/fromAthlete';
import { onFootRate } from '@/core/effort/load';
import { skiPower } from '@/core/effort/skiing';
import { sustainableShare } from '@/core/effort/sustainable';

const ride = { massKg: 85, speedMs: 7, airSpeedMs: 7, slope: 0, surface: 'tarmac', airDensity: 1.3 } as const;
const walk = { massKg: 75, loadKg: 8, speedMs: 1.3, slope: 0, terrain: 1.2 };
const ski = { massKg: 80, speedMs: 3, slope: 0.02, style: 'classic', airDensity: 1.3 } as const;

/** What is asked, with one value given: lowest and highest allowed, and a little beyond either. */
const RANGES: [string, (v: number) => number, number, number][] = [
  ['mass on a bicycle', (massKg) => roadLoadPower({ ...ride, massKg }), 30, 250],
  ['speed on a bicycle', (speedMs) => roadLoadPower({ ...ride, speedMs }), 0, 30],
  ['slope on a bicycle', (slope) => roadLoadPower({ ...ride, slope }), -0.5, 0.5],
  ['mass on foot', (massKg) => onFootRate({ ...walk, massKg }), 30, 200],
  ['load on foot', (loadKg) => onFootRate({ ...walk, loadKg }), 0, 80],
  ['speed on foot', (speedMs) => onFootRate({ ...walk, speedMs }), 0, 8],
  ['slope on foot', (slope) => onFootRate({ ...walk, slope }), -0.6, 0.6],
  ['ground on foot', (terrain) => onFootRate({ ...walk, terrain }), 1, 5],
  ['mass on skis', (massKg) => skiPower({ ...ski, massKg }), 30, 250],
  ['speed on skis', (speedMs) => skiPower({ ...ski, speedMs }), 0, 35],
  ['slope on skis', (slope) => skiPower({ ...ski, slope }), -1, 0.6],
  ['minutes held', (minutes) => sustainableShare(minutes, 50), 0, 14_400],
  ['highest pulse over one at rest of 55', (most) => metabolicFromHeartRate(120, 55, most, 50, 75), 75, 230],
];

test.each(RANGES)('%s: answered to either end, refused beyond it', (_, answer, low, high) => {
  const beyond = 0.01 * Math.max(1, high - low);
  expect(Number.isFinite(answer(low))).toBe(true);
  expect(Number.isFinite(answer(high))).toBe(true);
  expect(() => answer(low - beyond)).toThrow('allowed');
  expect(() => answer(high + beyond)).toThrow('allowed');
});
