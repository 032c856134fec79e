import { airConductivity, waterConductivity } from '@/core/atmosphere/air';
import { FIBRES, type Fibre } from '@/core/clothing/fibres';
import { run } from '#tests/support/runCase';
import { LATENT_VAPOUR, AIR_HEAT, AIR_VAPOUR } from '@/core/quantity/units';

/**
 * Water that cloth holds in a room at 50 % RH, of its dry mass: Morton & Hearle, Physical Properties of Textile Fibres (read off
 * the sorption curves, from memory). Ours is a straight line from dry to saturated,
 * under which the S of a real curve hangs by at most 0.06 of the mass in the middle.
 */
test.each([
  ['wool', 0.13],
  ['merino', 0.13],
  ['cotton', 0.065],
  ['nylon', 0.03],
  ['polyester', 0.003],
  ['polypropylene', 0],
])(
  '200 g/m² of %s taken from the room holds %d of its mass as the handbook says, but for the S of the curve',
  (fibre, regain) => {
    const cloth = { catalogue: 'thin-merino-base', id: 'cloth', fibre, weightGm2: 200, thicknessMm: 1 };
    const legs = [{ minutes: 1, sport: 'stand', metabolicW: 120, worn: ['cloth'] }];
    const held = run({ airC: 20, humidity: 0.5, garments: [cloth], legs }).water('cloth', 'chest', 0);
    expect(held).toBeWithin(200 * (regain - 0.01), 200 * (regain + 0.06));
  },
);

test('saturation regains keep the handbook order: wool, cotton, nylon, polyester, polypropylene', () => {
  const order: Fibre[] = ['wool', 'cotton', 'nylon', 'polyester', 'polypropylene'];
  const values = order.map((f) => FIBRES[f].regain100);
  expect([...values].sort((a, b) => b - a)).toEqual(values);
});

/** Water conducts about 25 times as well as still air (common practice, no published source; the handbooks' values give 24). */
test('in cold water skin falls far below what the same air does to it, and towards the water, not towards air', () => {
  const worn = ['briefs', 'thin-merino-base', 'thin-tights', 'wool-socks', 'winter-boots'];
  const after = (wetting?: string) =>
    run({ airC: 0, legs: [{ minutes: 15, sport: 'stand', metabolicW: 130, worn, ...(wetting ? { wetting } : {}) }] });
  const dry = after();
  const wet = after('a dunking');
  expect(wet.skin('fingers', 14)).toBeLessThan(12);
  expect(dry.skin('fingers', 14) - wet.skin('fingers', 14)).toBeGreaterThan(4);
  expect(waterConductivity(10) / airConductivity(10)).toBeWithin(22.5, 27.5);
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
