import { airConductivity, waterConductivity } from '@/core/atmosphere/air';
import { FIBRES, type Fibre } from '@/core/clothing/fibres';
import { LATENT_VAPOUR, AIR_HEAT, AIR_VAPOUR } from '@/core/quantity/units';

/** Moisture regain at 65 % RH: Morton & Hearle, Physical Properties of Textile Fibres (and ASTM D1909 commercial regains). */
test.each([
  ['wool', 0.16, 0.14, 0.18],
  ['merino', 0.16, 0.14, 0.18],
  ['cotton', 0.08, 0.07, 0.085],
  ['nylon', 0.04, 0.038, 0.045],
  ['polyester', 0.004, 0.002, 0.006],
  ['polypropylene', 0, 0, 0.001],
])('%s regains about %d at 65 %% humidity', (fibre, _, low, high) => {
  expect(FIBRES[fibre as Fibre].regain65).toBeGreaterThanOrEqual(low);
  expect(FIBRES[fibre as Fibre].regain65).toBeLessThanOrEqual(high);
});

test('saturation regains keep the handbook order: wool, cotton, nylon, polyester, polypropylene', () => {
  const order: Fibre[] = ['wool', 'cotton', 'nylon', 'polyester', 'polypropylene'];
  const values = order.map((f) => FIBRES[f].regain100);
  expect([...values].sort((a, b) => b - a)).toEqual(values);
});

/** PRACTICE 2, common practice, no published source; the conductivities themselves are handbook values. Exact to 10 %. */
test('wet contact cools about 25 times faster: conductivities of water and still air', () => {
  const ratio = waterConductivity(10) / airConductivity(10);
  expect(ratio).toBeGreaterThan(22.5);
  expect(ratio).toBeLessThan(27.5);
});

test('still air and water conduct as the handbooks say', () => {
  expect(airConductivity(0)).toBeCloseTo(0.0241, 3);
  expect(airConductivity(25)).toBeCloseTo(0.026, 3);
  expect(waterConductivity(20)).toBeCloseTo(0.598, 2);
});

test('air carries 1300 J/m³K and 18.1 J per m³ and pascal of latent heat', () => {
  expect(AIR_HEAT).toBeCloseTo(1300, -2);
  expect(AIR_VAPOUR * LATENT_VAPOUR).toBeGreaterThan(17.5);
  expect(AIR_VAPOUR * LATENT_VAPOUR).toBeLessThan(18.7);
});

test('wet wool and fleece lose least, cotton and down most', () => {
  const kept = (f: Fibre) => 1 - FIBRES[f].wetLoss;
  expect(kept('wool')).toBeGreaterThan(kept('cotton'));
  expect(kept('polyester')).toBeGreaterThan(kept('cotton'));
  expect(kept('synthetic fill')).toBeGreaterThan(kept('down'));
});
