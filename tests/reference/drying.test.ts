import { wetBulb } from '@/core/atmosphere/humidity';
import { fromCatalogue } from '@/core/clothing/catalogue';
import { dampAfter, dampWaterGm2, DRYING_PLACES, dryingMinutes, wringWetGm2 } from '@/core/moisture/drying';
import { LEWIS_PER_PA, convection } from '@/core/atmosphere/boundaryLayer';
import { saturationPressure, vapourPressure } from '@/core/atmosphere/humidity';

const LINE_INDOORS = DRYING_PLACES['on a line indoors'];
const g = (id: string) => fromCatalogue(id)!;
/** As taken off after a sweaty hour: a third of what it holds wrung wet. */
const worn = (id: string) => dryingMinutes(g(id), wringWetGm2(g(id)) / 3, LINE_INDOORS);

/** PRACTICE 8, common practice, no published source. */
test('8. a thin synthetic base on a line indoors dries in 20–60 min, merino takes longer, cotton at least twice as long', () => {
  expect(worn('thin-synthetic-base')).toBeWithin(20, 60);
  expect(worn('thin-merino-base')).toBeGreaterThan(worn('thin-synthetic-base'));
  expect(worn('cotton-tee')).toBeGreaterThan(2 * worn('thin-synthetic-base'));
  expect(worn('cotton-tee')).toBeGreaterThan(worn('thin-merino-base'));
});

/**
 * Constant-rate drying, any textbook of heat and mass transfer: a wet sheet sits near the wet bulb and loses
 * h_c·16.5 K/kPa·(p_wb − p_a)/λ from each face. Thin, very open cloth must follow it within 25 %.
 */
test('soaked thin cloth dries at the rate of the wet bulb', () => {
  const sheet = { ...g('mesh-base'), ret: 0.5, thicknessMm: 0.3, openMesh: 0 };
  const start = wringWetGm2(sheet);
  const air = { ...LINE_INDOORS, airMs: 2 };
  const tw = wetBulb(air.airC, air.humidity);
  const rate =
    (2 * convection(2) * LEWIS_PER_PA * (saturationPressure(tw) - vapourPressure(air.airC, air.humidity))) / 2430;
  const theirs = (start * 0.95) / rate / 60;
  expect(dryingMinutes(sheet, start, air) / theirs).toBeWithin(0.75, 1.25);
});

test('wind, a stove and a second face dry faster; a damp tent hardly at all', () => {
  const base = g('midweight-merino-base');
  const start = wringWetGm2(base) / 2;
  const line = dryingMinutes(base, start, LINE_INDOORS);
  expect(dryingMinutes(base, start, DRYING_PLACES['by the stove'])).toBeLessThan(0.6 * line);
  expect(dryingMinutes(base, start, { ...LINE_INDOORS, airMs: 2 })).toBeLessThan(0.6 * line);
  expect(dryingMinutes(base, start, { ...LINE_INDOORS, faces: 1 })).toBeGreaterThan(1.5 * line);
  expect(dryingMinutes(base, start, DRYING_PLACES['in a tent'])).toBeGreaterThan(4 * line);
  expect(dryingMinutes(base, start, { ...LINE_INDOORS, humidity: 1 })).toBe(Infinity);
});

test('a dry thing is dry at once, more water takes longer, nonsense is refused', () => {
  const shell = g('wind-shell');
  expect(dryingMinutes(shell, 0, LINE_INDOORS)).toBe(0);
  expect(dryingMinutes(g('wool-pullover'), dampWaterGm2(g('wool-pullover'), 0), LINE_INDOORS)).toBe(0);
  expect(dryingMinutes(g('wool-pullover'), dampWaterGm2(g('wool-pullover'), 90), LINE_INDOORS)).toBeGreaterThan(10);
  const times = [10, 20, 40, 80].map((w) => dryingMinutes(g('grid-fleece'), w, LINE_INDOORS));
  for (let i = 1; i < times.length; i++) expect(times[i]).toBeGreaterThanOrEqual(times[i - 1]);
  expect(() => dryingMinutes(shell, -5, LINE_INDOORS)).toThrow('water is -5; allowed: 0 to 8000 g/m²');
});

test('what one evening does not dry goes into the next day: a wet fleece by the stove, in a tent and in the frost', () => {
  const soaked = wringWetGm2(g('grid-fleece')) / 2;
  const night = (place: keyof typeof DRYING_PLACES) => dampAfter(g('grid-fleece'), soaked, DRYING_PLACES[place], 1);
  expect(night('by the stove')).toBeLessThan(5);
  expect(night('in a tent')).toBeGreaterThan(night('on a line indoors') + 20);
  expect(night('in a heap indoors')).toBeGreaterThan(night('on a line indoors'));
  // Cloth hung out in the frost dries too, by sublimation, but takes much longer.
  const minutes = (place: keyof typeof DRYING_PLACES) =>
    dryingMinutes(g('grid-fleece'), dampWaterGm2(g('grid-fleece'), soaked), DRYING_PLACES[place]);
  expect(minutes('outside in frost') / minutes('on a line indoors')).toBeWithin(1.5, 20);
  expect(dampAfter(g('grid-fleece'), soaked, LINE_INDOORS, 0)).toBeCloseTo(soaked, 6);
  expect(() => dampAfter(g('grid-fleece'), soaked, LINE_INDOORS, -1)).toThrow('hours');
});
