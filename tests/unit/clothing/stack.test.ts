import { AIR_HEAT } from '@/core/quantity/units';
import { ZONES, ZONE_COUNT, ZONE_TABLE, zoneIndex, type Zone } from '@/core/body/zones';
import { openingFlow, pumping, throughFlow } from '@/core/clothing/airExchange';
import { CATALOGUE, fromCatalogue } from '@/core/clothing/catalogue';
import { ensemble, zoneConductances } from '@/core/clothing/ensembleInsulation';
import { checkGarment, fabricResistance, GROUPS, panelOver, wetCapacityG, type Garment } from '@/core/clothing/garment';
import { buildStacks, coverage, newStacks, STRIDE, type Ambient } from '@/core/clothing/stack';
import { garmentArrays } from '@/core/clothing/garmentArrays';
import { MAX_OPENINGS } from '@/core/clothing/garment';
import { garmentsOf } from '#tests/support/outings';

const AIR: Ambient = { airC: -5, relativeWind: 2, pumping: 0.6, packOn: false };

function stacksFor(garments: Garment[], air = AIR, open: Record<string, Record<string, number>> = {}) {
  const w = garmentArrays(garments);
  const settings = new Float64Array(garments.length * MAX_OPENINGS);
  garments.forEach((g, i) =>
    g.openings.forEach((o, k) => (settings[i * MAX_OPENINGS + k] = open[g.id]?.[o.id] ?? o.usual)),
  );
  const s = newStacks();
  buildStacks(w, { worn: new Uint8Array(garments.length).fill(1), open: settings }, air, s);
  return { s, w, settings };
}
const at = (garments: Garment[], zone: Zone, air = AIR, open = {}) =>
  zoneConductances(garments, air, open)[zoneIndex(zone)];

test('the catalogue: at least 45 invented garments over all groups, each within its physical ranges and each id once', () => {
  expect(CATALOGUE.length).toBeGreaterThanOrEqual(45);
  expect(new Set(CATALOGUE.map((g) => g.id)).size).toBe(CATALOGUE.length);
  for (const group of GROUPS) expect(CATALOGUE.some((g) => g.group === group)).toBe(true);
  for (const zone of ZONES) expect(CATALOGUE.some((g) => panelOver(g, zone))).toBe(true);
  for (const g of CATALOGUE) expect(checkGarment(g)).toBe(g);
});

test('layers lie from the skin out by their order, whatever order they are given in', () => {
  const { s, w } = stacksFor(garmentsOf('wind-shell', 'grid-fleece', 'thin-merino-base'));
  const chest = zoneIndex('chest') * STRIDE;
  const names = [1, 2, 3].map((k) => w.garments[s.garment[chest + k]].id);
  expect(names).toEqual(['thin-merino-base', 'grid-fleece', 'wind-shell']);
});

test('mittens beat gloves of the same cloth, because fingers are thin', () => {
  const glove = { ...fromCatalogue('fleece-mitts')!, id: 'glove', handForm: 'fingers' as const };
  expect(at(garmentsOf('fleece-mitts'), 'fingers')).toBeLessThan(at([glove], 'fingers'));
});

test('a pack takes the air from what it lies on, leaves the rest of the back, and its straps take a little from the chest', () => {
  const kit = garmentsOf('thin-merino-base', 'wind-shell');
  const packed = { ...AIR, packOn: true };
  const vent = (air: Ambient, zone: Zone) => stacksFor(kit, air).s.ventHeat[zoneIndex(zone) * STRIDE + 1];
  expect(vent(packed, 'underPack')).toBeLessThan(0.1 * vent(AIR, 'underPack'));
  expect(vent(packed, 'back')).toBe(vent(AIR, 'back'));
  expect(vent(AIR, 'underPack')).toBe(vent(AIR, 'back'));
  expect(vent(packed, 'chest') / vent(AIR, 'chest')).toBeWithin(0.8, 0.95);
  expect(vent(packed, 'thighs')).toBe(vent(AIR, 'thighs'));
  expect(stacksFor(kit, packed).s.boundaryVapour[zoneIndex('underPack')]).toBeLessThan(
    stacksFor(kit).s.boundaryVapour[zoneIndex('underPack')],
  );
});

test('rolled sleeves, hood back and tube down bare what they bare', () => {
  const { w, settings } = stacksFor(garmentsOf('thin-merino-base', 'neck-tube'), AIR, {
    'neck-tube': { up: 1 },
    'thin-merino-base': { sleeves: 1 },
  });
  const state = { worn: new Uint8Array([1, 1]), open: settings };
  expect(coverage(w, state, 0, zoneIndex('arms'))).toBeLessThan(0.6);
  expect(coverage(w, state, 1, zoneIndex('face'))).toBe(0);
  settings[MAX_OPENINGS] = 0;
  expect(coverage(w, state, 1, zoneIndex('face'))).toBeGreaterThan(0.5);
});

test('tight boots squeeze blood, the more the more sock is inside; mittens do not', () => {
  const flow = (...ids: string[]) => stacksFor(garmentsOf(...ids)).s.flowFactor[zoneIndex('toes')];
  expect(flow('thick-socks', 'touring-boots')).toBeLessThan(flow('touring-boots') + 1e-9);
  expect(flow('wool-socks')).toBe(1);
  expect(stacksFor(garmentsOf('warm-mitts')).s.flowFactor[zoneIndex('fingers')]).toBe(1);
});

test('zips and pit zips let out heat and vapour, more in wind, and only where they are', () => {
  const kit = garmentsOf('thin-merino-base', 'wind-shell-pits');
  const open = { 'wind-shell-pits': { pits: 1, zip: 1 } };
  expect(at(kit, 'chest', AIR, open)).toBeGreaterThan(1.15 * at(kit, 'chest'));
  expect(at(kit, 'thighs', AIR, open)).toBeCloseTo(at(kit, 'thighs'), 9);
  const still = { ...AIR, relativeWind: 0.3 };
  const gain = (air: Ambient) => at(kit, 'chest', air, open) - at(kit, 'chest', air);
  expect(gain(AIR)).toBeGreaterThan(gain(still));
  const shut = ensemble(kit, AIR);
  expect(ensemble(kit, AIR, open).evaporativeM2PaW).toBeLessThan(shut.evaporativeM2PaW);
});

test('a membrane stops wind; a fleece alone does not, under a shell it does', () => {
  const windy = { ...AIR, relativeWind: 10 };
  const loss = (...ids: string[]) => at(garmentsOf(...ids), 'chest', windy);
  expect(loss('pile-fleece') / loss('pile-fleece', 'storm-shell')).toBeGreaterThan(1.4);
  const calm = { ...AIR, relativeWind: 0.3, pumping: 0 };
  expect(
    at(garmentsOf('pile-fleece'), 'chest', calm) / at(garmentsOf('pile-fleece', 'storm-shell'), 'chest', calm),
  ).toBeLessThan(1.4);
});

test('a windproof front stops wind in front only', () => {
  const kit = garmentsOf('thin-merino-base', 'front-wind-jacket');
  const windy = { ...AIR, relativeWind: 8 };
  expect(at(kit, 'chest', windy)).toBeLessThan(at(kit, 'back', windy));
});

/** Havenith, Lotens: closed 0.3–1.5 L/s per body, wide open 5–10 L/s (order of magnitude). */
test('air exchange is of the measured order', () => {
  const body = (open: number) => {
    const { s } = stacksFor(
      garmentsOf('thin-merino-base', 'wind-shell-pits', 'thin-tights', 'soft-trousers'),
      { ...AIR, relativeWind: 1.5, pumping: 0.8 },
      {
        'wind-shell-pits': { zip: open, pits: open, hood: open },
        'soft-trousers': { vents: open },
      },
    );
    let litres = 0;
    for (let z = 0; z < ZONE_COUNT; z++)
      for (let k = 0; k <= s.layers[z]; k++)
        litres += (s.ventHeat[z * STRIDE + k] / AIR_HEAT) * 1000 * ZONE_TABLE[z].areaM2;
    return litres;
  };
  expect(body(0)).toBeWithin(0.3, 3);
  expect(body(1)).toBeWithin(3, 16);
});

test('flows grow with what drives them and vanish without it', () => {
  expect(throughFlow(0, 5, 1.3)).toBe(0);
  expect(throughFlow(200, 0, 1.3)).toBe(0);
  expect(throughFlow(200, 6, 1.3)).toBeGreaterThan(throughFlow(200, 3, 1.3));
  expect(throughFlow(400, 3, 1.3)).toBeGreaterThan(throughFlow(100, 3, 1.3));
  expect(pumping(0, 0, 1, 5)).toBe(0);
  expect(pumping(0.004, 0, 1.2, 1)).toBeGreaterThan(pumping(0.004, 0, 0.2, 1));
  expect(openingFlow(0.05, 4)).toBeGreaterThan(openingFlow(0.05, 0));
});

test.each([
  ['a thickness of a metre', { thicknessMm: 1000 }, 'thicknessMm is 1000; allowed: 0.05 to 80 mm'],
  ['no thickness', { thicknessMm: NaN }, 'thicknessMm is NaN'],
  ['Ret below nothing', { ret: -1 }, 'ret is -1; allowed: 0.5 to 1000 m²Pa/W'],
  ['no zones', { panels: {} }, 'panels is none; allowed: at least one zone'],
  ['twice the zone', { panels: { chest: { coverage: 2 } } }, 'chest coverage is 2; allowed: 0 to 1'],
  ['a zone nobody has', { panels: { tail: { coverage: 1 } } as never }, 'zone is tail'],
  ['unknown fibre', { fibre: 'mithril' as never }, 'fibre is mithril'],
])('a garment with %s is refused by name, value and range', (_, over, says) => {
  expect(() => checkGarment({ ...fromCatalogue('wind-shell')!, ...over })).toThrow(`garment "Wind shell" ${says}`);
});

test('a arrays refuses the same id twice and a wagon load', () => {
  expect(() => garmentArrays(garmentsOf('wind-shell', 'wind-shell'))).toThrow('garment id is wind-shell');
  expect(() =>
    garmentArrays(Array.from({ length: 201 }, (_, i) => ({ ...fromCatalogue('wind-shell')!, id: String(i) }))),
  ).toThrow('garments is 201');
});

test('home measures: cotton holds more water than synthetic of its mass, thickness makes resistance', () => {
  const [cotton, synthetic] = garmentsOf('cotton-tee', 'thin-synthetic-base');
  expect(wetCapacityG(cotton) / cotton.massG).toBeGreaterThan(1.5 * (wetCapacityG(synthetic) / synthetic.massG));
  expect(fabricResistance({ thicknessMm: 4, fibre: 'polyester' })).toBeCloseTo(0.1, 6);
});

test('what is bare of the face: cheeks, the brow, what lies about the eyes, or nothing', () => {
  const tissue = (...ids: string[]) => stacksFor(garmentsOf(...ids)).s.bareFace;
  const [cheeks, brow, eyes] = [tissue(), tissue('nose-strip'), tissue('balaclava')];
  expect(cheeks).toBe(0.091);
  expect(brow).toBeWithin(0.04, 0.06);
  expect(eyes).toBeWithin(0.02, 0.04);
  expect(tissue('nose-strip', 'thin-cap')).toBe(eyes);
  // A helmet ends above the brow; glasses leave it bare, goggles do not.
  expect(tissue('nose-strip', 'ski-helmet')).toBe(brow);
  expect(tissue('nose-strip', 'ski-helmet', 'sun-glasses')).toBe(brow);
  expect(tissue('nose-strip', 'ski-helmet', 'goggles')).toBe(0);
  expect(tissue('balaclava', 'sun-glasses')).toBe(0);
  expect(tissue('thin-cap', 'goggles')).toBe(cheeks);
  // A band over the ears leaves no brow bare, but one that covers less than 40 % of the scalp does.
  const [strip, band] = garmentsOf('nose-strip', 'head-band');
  const under = (coverage: number) =>
    stacksFor([strip, { ...band, panels: { ...band.panels, scalp: { ...band.panels.scalp!, coverage } } }]).s.bareFace;
  expect(under(0.45)).toBe(eyes);
  expect(under(0.41)).toBe(eyes);
  expect(under(0.39)).toBe(brow);
});
