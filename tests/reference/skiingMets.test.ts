import { airDensity } from '@/core/atmosphere/air';
import { SPORT, SPORTS } from '@/core/effort/sports';
import { legEffort, type Engine } from '@/core/effort/legEffort';
import { skiMetabolicRate, skiPower } from '@/core/effort/skiing';
import { MET } from '@/core/quantity/units';

/** Compendium of Physical Activities 2011 (Ainsworth et al.), METs from memory of the list. One MET here is 1.22 W/kg (3.5 ml). */
const MET_W_PER_KG = (3.5 * 348) / 1000;
const met = (style: 'classic' | 'skate' | 'touring', v: number, slope = 0) =>
  skiMetabolicRate({ massKg: 75, speedMs: v, slope, style, airDensity: airDensity(-5) }, 73) / (73 * MET_W_PER_KG);

test.each([
  ['classic', 2.0, 9.0, '19090 moderate, 4.0–4.9 mph'],
  ['skate', 2.9, 12.5, '19100 brisk, 5.0–7.9 mph'],
] as const)('%s skiing at %d m/s is near %d METs (%s)', (style, v, mets, _code) => {
  expect(met(style, v) / mets).toBeGreaterThan(0.6);
  expect(met(style, v) / mets).toBeLessThan(1.25);
});

test('level skiing costs what was measured: 2.3 to 3.2 J/kg/m above rest (Saibene et al. 1989, from memory)', () => {
  for (const style of ['classic', 'skate'] as const) {
    const v = 3;
    const cost =
      (skiMetabolicRate({ massKg: 75, speedMs: v, slope: 0, style, airDensity: airDensity(-5) }, 73) - 1.5 * 73) /
      (75 * v);
    expect(cost).toBeWithin(2.3, 3.3);
  }
});

test('uphill on skins at 400 m of height an hour is hard work: 7 to 12 METs', () => {
  const v = 400 / 3600 / Math.sin(Math.atan(0.2));
  expect(met('touring', v, 0.2)).toBeGreaterThan(6);
  expect(met('touring', v, 0.2)).toBeLessThan(12);
});

test('gravity does the work downhill: no propulsion, but holding the crouch costs', () => {
  const down = { massKg: 80, speedMs: 8, slope: -0.15, style: 'touring', airDensity: 1.3 } as const;
  expect(skiPower(down)).toBe(0);
  expect(skiMetabolicRate(down, 73)).toBeCloseTo(1.5 * 73 * 2.5, 6);
});

/** ISO 8996 classes: rest sitting 1.0 met, standing 1.2–1.6, light work to 2.5. */
test('resting activities carry the standard’s metabolic rates', () => {
  expect(SPORT.sit.met).toBe(1);
  expect(SPORT.sleep.met).toBeLessThan(1);
  expect(SPORT.stand.met).toBeGreaterThanOrEqual(1.2);
  expect(SPORT.stand.met).toBeLessThanOrEqual(1.6);
  const engine: Engine = { massKg: 72, bodyAreaM2: 1.87, vo2maxMl: 50, restBpm: 55, maxBpm: 185 };
  for (const sport of SPORTS) {
    const w = legEffort(engine, { sport });
    expect(w.metabolicW).toBeCloseTo(SPORT[sport].met * MET * 1.87, 6);
    expect(w.externalW).toBeLessThan(0.3 * w.metabolicW);
  }
});
