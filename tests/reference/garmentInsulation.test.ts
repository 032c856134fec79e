import { CLO } from '@/core/quantity/units';
import { ZONE_TABLE, zoneIndex } from '@/core/body/zones';
import { ensemble, zoneConductances } from '@/core/clothing/ensembleInsulation';
import { garmentsOf } from '#tests/support/outings';
import { patch, wear } from '#tests/support/streetClothes';

/** Standing manikin indoors, as ISO 9920 measures. */
const STILL = { airC: 20, relativeWind: 0.15, pumping: 0, packOn: false };

/** ISO 9920 and ISO 7730 annex C / ASHRAE 55 table of typical ensembles, I_cl in clo (from memory of the tables). */
const ENSEMBLES: [string, number, string[]][] = [
  ['walking shorts, short-sleeve shirt', 0.36, ['briefs', 'tee', 'shorts', 'socks', 'shoes']],
  ['trousers, short-sleeve shirt', 0.57, ['briefs', 'tee', 'trousers', 'socks', 'shoes']],
  ['trousers, long-sleeve shirt', 0.61, ['briefs', 'long-sleeve shirt', 'trousers', 'socks', 'shoes']],
  [
    'trousers, long-sleeve shirt, sweater, T-shirt',
    1.01,
    ['briefs', 'tee', 'long-sleeve shirt', 'thick trousers', 'sweater', 'socks', 'shoes'],
  ],
  [
    'long underwear, thermo jacket, trousers',
    1.2,
    ['long underwear top', 'long underwear bottoms', 'thermo jacket', 'trousers', 'socks', 'shoes'],
  ],
  [
    'long underwear, thermo jacket and trousers',
    1.4,
    ['long underwear top', 'long underwear bottoms', 'thermo jacket', 'thermo trousers', 'socks', 'shoes'],
  ],
  [
    'long underwear, thermo jacket and trousers, quilted parka and overalls, cap, gloves',
    2.55,
    [
      'long underwear top',
      'long underwear bottoms',
      'thermo jacket',
      'thermo trousers',
      'quilted parka',
      'quilted overalls',
      'socks',
      'shoes',
      'cap',
      'gloves',
    ],
  ],
];

test.each(ENSEMBLES)('%s: total insulation I_T within 15 % of I_cl %d clo', (_, theirs, names) => {
  const f = ensemble(wear(...names), STILL);
  // The standard's total: I_T = I_cl + I_a / f_cl with I_a 0.7 clo and f_cl = 1 + 0.28 I_cl (ISO 9920).
  const total = theirs + 0.7 / (1 + 0.28 * theirs);
  expect(f.totalM2KW / CLO / total).toBeWithin(0.85, 1.15);
});

test.each(ENSEMBLES.filter(([, clo]) => clo > 1.1))('%s: intrinsic I_cl within 15 % of %d clo', (_, theirs, names) => {
  expect(ensemble(wear(...names), STILL).intrinsicClo / theirs).toBeWithin(0.85, 1.15);
});

/** ISO 9920 garment table, clo on the whole body (from memory), for garments whose cut and cloth our test closet copies. */
test.each([
  ['tee', 0.08],
  ['long underwear top', 0.2],
  ['long underwear bottoms', 0.15],
  ['long-sleeve shirt', 0.25],
  ['trousers', 0.2],
  ['sweater', 0.25],
  ['thick sweater', 0.36],
  ['socks', 0.02],
  ['shoes', 0.03],
])('%s alone is worth about %d clo: within a third, or 0.03 clo', (name, theirs) => {
  const ours = ensemble(wear(name), STILL).intrinsicClo;
  expect(Math.abs(ours - theirs)).toBeLessThan(Math.max(0.03, theirs / 3));
});

test('the air layer alone is about 0.7 clo on a nude standing body (ISO 9920), within 20 %', () => {
  expect(ensemble([], STILL).totalM2KW / CLO).toBeWithin(0.56, 0.84);
});

/** ISO 9920: the clothing area factor f_cl = 1 + 0.28 I_cl. */
test.each(ENSEMBLES)('%s: clothing area factor near the standard line', (_, theirs, names) => {
  expect(Math.abs(ensemble(wear(...names), STILL).areaFactor - (1 + 0.28 * theirs))).toBeLessThan(0.2);
});

test('thicker cloth is warmer, and doubling it less than doubles the insulation of a limb', () => {
  const at = (mm: number) => ensemble([patch({ mm })], STILL).intrinsicClo;
  const steps = [1, 2, 4, 8, 16].map(at);
  for (let i = 1; i < steps.length; i++) expect(steps[i]).toBeGreaterThan(steps[i - 1]);
  expect(steps[4] / steps[3]).toBeLessThan(2);
});

/** Static permeability index of ordinary permeable clothing: 0.38 (ISO 9920), impermeable under 0.15. */
test('permeability index: woven and knit near 0.4, rubber near nothing', () => {
  const im = (names: string[], ret?: number) => {
    const f = ensemble(
      wear(...names).map((g) => (ret ? { ...g, ret } : g)),
      STILL,
    );
    return f.totalM2KW / (0.0165 * f.evaporativeM2PaW);
  };
  const kit = [
    'long underwear top',
    'long underwear bottoms',
    'thermo jacket',
    'thermo trousers',
    'socks',
    'shoes',
    'cap',
    'gloves',
  ];
  expect(im(kit)).toBeWithin(0.3, 0.55);
  expect(im(kit, 800)).toBeLessThan(im(kit) * 0.6);
});

/**
 * Dry feet on a heated foot model, footwear with its sock and the air about it, m²K/W (Kuklane's foot model studies of occupational and winter footwear, from memory: about
 * 0.17–0.25 for shoes and unlined boots, 0.27–0.40 for lined and insulated winter boots; toes hold a few to 25 % less than the whole foot).
 */
test.each([
  ['running-shoes', 'thin-socks', 0.17, 0.25],
  ['winter-running-shoes', 'thin-socks', 0.17, 0.25],
  ['winter-boots', 'wool-socks', 0.27, 0.4],
  ['touring-boots', 'thin-socks', 0.27, 0.4],
])('%s over %s hold as much as such footwear on a foot model', (shoe, sock, least, most) => {
  const still = { airC: 0, relativeWind: 0.3, pumping: 0, packOn: false };
  const conductance = zoneConductances(garmentsOf(sock, shoe), still);
  const [feet, toes] = (['feet', 'toes'] as const).map((z) => conductance[zoneIndex(z)]);
  const [feetM2, toesM2] = (['feet', 'toes'] as const).map((z) => ZONE_TABLE[zoneIndex(z)].areaM2);
  const whole = (feetM2 + toesM2) / (feet * feetM2 + toes * toesM2);
  expect(whole).toBeWithin(least, most);
  expect(1 / toes / whole).toBeWithin(0.75, 0.97);
});
