import { zoneIndex } from '@/core/body/zones';
import { closes, EXCHANGE, slows } from '@/core/clothing/airExchange';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { ensemble, zoneConductances } from '@/core/clothing/ensembleInsulation';
import type { Garment } from '@/core/clothing/garment';
import { garmentsOf } from '#tests/support/outings';
import { closedOutfit } from '#tests/support/streetClothes';

/**
 * ISO 11079 / ISO 9920: wind and walking take insulation away,
 * `I_T,r / I_T = 0.54 e^(0.075 ln p − 0.15 v − 0.22 w) − 0.06 ln p + 0.5` (from memory of ISO 11079 annex), p the outer
 * layer's permeability in L/m²s at 100 Pa, v the relative wind 0.4–18 m/s, w walking 0–1.2 m/s. Both sides are taken
 * relative to their own value standing at 0.4 m/s. EXCHANGE in clothing/airExchange.ts was fitted once to this grid.
 */
const standard = (p: number, v: number, w: number) =>
  0.54 * Math.exp(0.075 * Math.log(p) - 0.15 * v - 0.22 * w) - 0.06 * Math.log(p) + 0.5;

const kept = (worn: Garment[], v: number, w: number, openings = {}) => {
  const at = (v1: number, w1: number) =>
    ensemble(worn, { airC: -5, relativeWind: v1, pumping: w1, packOn: false }, openings).totalM2KW;
  return at(v, w) / at(0.4, 0);
};
const ratio = (p: number, v: number, w: number) => kept(closedOutfit(p), v, w);

const PERMEABILITY = [1, 8, 50, 200, 1000];
const WIND = [0.4, 1, 2, 4, 8, 12, 18];
const WALK = [0, 0.3, 0.6, 0.9, 1.2];

describe.each(PERMEABILITY)('outer layer of %d L/m²s', (p) => {
  test.each(WIND.flatMap((v) => WALK.map((w) => [v, w])))(
    'at %d m/s wind, walking %d m/s, within 15 %% of the standard',
    (v, w) => {
      const theirs = standard(p, v, w) / standard(p, 0.4, 0);
      const ours = ratio(p, v, w);
      expect({ theirs, ours, off: Math.abs(ours / theirs - 1) }).toEqual({
        theirs,
        ours,
        off: expect.toBeWithin(0, 0.15),
      });
    },
  );
});

/** The same for what is worn standing about: the standard knows no difference between thin and thick (outer cloth of 2 to 5 L/m²s). */
describe.each([
  ['a light jacket with fill over a membrane', 'grid-fleece', 'storm-shell', 'standby-puffy'],
  ['a down jacket over a wind shell', 'grid-fleece', 'wind-shell', 'down-puffy'],
  ['a big parka over a membrane', 'pile-fleece', 'storm-shell', 'belay-parka'],
  ['a big parka over a base', 'midweight-merino-base', 'belay-parka'],
])('%s, and over-trousers with fill', (_, ...over) => {
  const limbs = [
    'briefs',
    'thin-tights',
    'wind-trousers',
    'liner-socks',
    'winter-boots',
    'warm-mitts',
    'balaclava',
    'warm-hat',
  ];
  const worn = garmentsOf(...new Set(['midweight-merino-base', ...over, ...limbs, 'puffy-overtrousers']));
  const closed = Object.fromEntries(worn.map((g) => [g.id, Object.fromEntries(g.openings.map((o) => [o.id, 0]))]));
  test.each(WIND.flatMap((v) => WALK.map((w) => [v, w])))('%d m/s wind, walking %d m/s, within 15 %%', (v, w) => {
    expect(kept(worn, v, w, closed) / (standard(3, v, w) / standard(3, 0.4, 0))).toBeWithin(0.85, 1.15);
  });
});

test('a thicker jacket is worth more in any wind', () => {
  const limbs = ['briefs', 'thin-tights', 'wind-trousers', 'winter-boots', 'wool-socks', 'warm-mitts', 'warm-hat'];
  const with_ = (jacket: string, v: number) =>
    ensemble(garmentsOf('midweight-merino-base', 'grid-fleece', 'storm-shell', jacket, ...limbs), {
      airC: -20,
      relativeWind: v,
      pumping: 0,
      packOn: false,
    }).totalM2KW;
  for (const v of [0.3, 3, 6, 10, 15])
    expect(with_('belay-parka', v)).toBeGreaterThan(1.02 * with_('standby-puffy', v));
});

test('a layer more over a base, under any shell or jacket, never insulates less, in still air, wind and walking', () => {
  const torso = (...roles: Garment['role'][]) => CATALOGUE.filter((g) => g.group === 'torso' && roles.includes(g.role));
  const limbs = garmentsOf('briefs', 'thin-tights', 'wool-socks', 'winter-boots');
  const chest = (worn: Garment[], v: number, w: number) =>
    1 / zoneConductances(worn, { airC: -10, relativeWind: v, pumping: w, packOn: false })[zoneIndex('chest')];
  for (const outer of torso('shell', 'storm', 'warm'))
    for (const base of torso('base'))
      for (const [v, w] of [
        [0.3, 0],
        [4, 0],
        [8, 0],
        [2, 1.2],
      ]) {
        const without = chest([...limbs, base, outer], v, w);
        for (const more of torso('mid', 'shell', 'storm', 'warm'))
          if (more.order < outer.order) expect(chest([...limbs, base, more, outer], v, w)).toBeGreaterThan(without);
      }
});

test('air gets beneath loft once: nothing that lies there lets in more of it', () => {
  // Thin cloth lets each gap breathe by its hems, closed loft all of them by its own.
  expect(closes(0)).toBe(0);
  expect(closes(EXCHANGE.keeps)).toBeCloseTo(0.5, 9);
  expect(closes(10 * EXCHANGE.keeps)).toBeGreaterThan(0.98);
  expect(1 / slows(0.002, 1)).toBeCloseTo(0.002, 9);
  expect(1 / slows(0.002, 0)).toBeGreaterThan(0.002);
});

/**
 * Evaporative resistance by ISO 9920 / ISO 7933: `i_m,r = 0.38 (4.9 − 6.5 x + 2.6 x²)`, at most 0.9, with x = I_T,r / I_T
 * (against still air) and 0.38 the static permeability index of ordinary clothing; R_e,T = I_T,r / (0.0165 i_m,r), m²Pa/W.
 * The rule is given for winds to about 3 m/s and walking to 1.5 m/s. Absolute values, within 25 %.
 */
describe('dynamic evaporative resistance', () => {
  test.each([8, 50, 200].flatMap((p) => [0.4, 1, 2, 3].flatMap((v) => [0, 0.6, 1.2].map((w) => [p, v, w]))))(
    'p %d, wind %d m/s, walking %d m/s within 25 %% of the i_m rule',
    (p, v, w) => {
      const at = (v1: number, w1: number) =>
        ensemble(closedOutfit(p), { airC: -5, relativeWind: v1, pumping: w1, packOn: false });
      const moved = at(v, w);
      const x = moved.totalM2KW / at(0.15, 0).totalM2KW;
      const im = Math.min(0.9, 0.38 * (4.9 - 6.5 * x + 2.6 * x * x));
      expect(moved.evaporativeM2PaW / (moved.totalM2KW / (0.0165 * im))).toBeWithin(0.75, 1.25);
    },
  );
});

test('more wind, more walking and opener cloth never hold more heat', () => {
  for (const p of PERMEABILITY)
    for (const w of WALK)
      for (let i = 1; i < WIND.length; i++) expect(ratio(p, WIND[i], w)).toBeLessThan(ratio(p, WIND[i - 1], w));
  for (const v of WIND)
    for (let i = 1; i < WALK.length; i++) expect(ratio(8, v, WALK[i])).toBeLessThan(ratio(8, v, WALK[i - 1]));
});
