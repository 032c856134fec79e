import { AVERAGE_PERSON } from '@/core/body/person';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { atHalt } from '@/core/outing/conditions';
import { changing } from '@/core/kit/changing';
import type { KitAction, Plan } from '@/core/kit/plan';
import { Simulator } from '@/core/simulate/simulator';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const KIT = garmentsOf(
  'thin-merino-base',
  'grid-fleece',
  'wind-shell-pits',
  'thin-tights',
  'wind-trousers',
  'wool-socks',
  'thick-socks',
  'touring-boots',
  'liner-gloves',
  'warm-mitts',
  'thin-cap',
);
const BY_ID = new Map(KIT.map((g) => [g.id, g]));
const off = (garment: string): KitAction => ({ do: 'takeOff', garment });
const on = (garment: string): KitAction => ({ do: 'putOn', garment });
const change = (worn: string[], ...actions: KitAction[]) =>
  changing(actions, { on: new Set(worn), garments: BY_ID, packOn: false });

test('a hat or gloves change on the move; a layer needs a halt', () => {
  expect(change(['thin-cap'], off('thin-cap'))).toMatchObject({ halt: false, seconds: 5 });
  expect(change(['warm-mitts', 'liner-gloves'], off('warm-mitts')).halt).toBe(false);
  expect(change(['grid-fleece'], off('grid-fleece')).halt).toBe(true);
});

test('boots off and on again take a minute and two thirds, the pack less than half a minute, on top of the layer itself', () => {
  const tights = (...also: string[]) => change(['thin-tights', ...also], off('thin-tights')).seconds;
  expect(tights('touring-boots') - tights()).toBeCloseTo(100, 9);
  const packed = changing([off('grid-fleece')], { on: new Set(['grid-fleece']), garments: BY_ID, packOn: true });
  expect(packed.seconds - change(['grid-fleece'], off('grid-fleece')).seconds).toBeCloseTo(25, 9);
});

test('what lies over a layer comes off with it and takes its time; boots come off for tights, not for wind trousers', () => {
  const bare = change(['thin-merino-base', 'grid-fleece'], off('grid-fleece'));
  const under = change(['thin-merino-base', 'grid-fleece', 'wind-shell-pits'], off('grid-fleece'));
  expect(under.aside).toEqual(['wind-shell-pits']);
  expect(under.seconds).toBeGreaterThan(bare.seconds + BY_ID.get('wind-shell-pits')!.changeSeconds);
  expect(change(['thin-tights', 'touring-boots'], off('thin-tights')).aside).toContain('touring-boots');
  expect(change(['wind-trousers', 'touring-boots'], off('wind-trousers')).aside).toEqual([]);
  expect(change(['wool-socks', 'touring-boots'], off('wool-socks'), on('thick-socks')).aside).toContain(
    'touring-boots',
  );
});

test('hands come out of mittens to work, not out of thin gloves; a pack must come off too', () => {
  const worn = ['grid-fleece', 'warm-mitts', 'liner-gloves'];
  expect(change(worn, off('grid-fleece')).aside).toEqual(['warm-mitts']);
  const with_ = changing([off('grid-fleece')], { on: new Set(worn), garments: BY_ID, packOn: true });
  expect(with_.seconds).toBeGreaterThan(change(worn, off('grid-fleece')).seconds);
});

const DAY = dayOf([aLeg({ minutes: 60, effort: { by: 'metabolic', value: 600 } })], -15, 4);
const START = ['thin-merino-base', 'wind-shell-pits', 'thin-tights', 'wool-socks', 'touring-boots', 'warm-mitts'];
const plan = (cues: Plan['cues']): Plan => ({
  worn: START,
  carried: ['grid-fleece', 'liner-gloves'],
  openings: {},
  cues,
});
const run = (p: Plan) => {
  const sim = new Simulator(AVERAGE_PERSON, KIT);
  sim.start(p);
  const series = sim.run(DAY.stretches, p, { stepS: 5, sampleS: 15 });
  const at = (zone: 'fingers' | 'chest', minute: number) => series.skinC[minute * 4 * ZONE_COUNT + zoneIndex(zone)];
  return { series, at, sim };
};

test('the cold of a change is felt: hands at work and a chest without its shell cool, and the effort stands still', () => {
  const still = run(plan([]));
  const under = run(plan([{ atS: 1800, actions: [on('grid-fleece')] }]));
  expect(under.at('fingers', 31)).toBeLessThan(still.at('fingers', 31) - 0.5);
  expect(under.at('chest', 31)).toBeLessThan(still.at('chest', 31) - 0.3);
  const watts = (s: typeof still.series, minute: number) => s.metabolicW[minute * 4];
  expect(watts(under.series, 31)).toBeLessThan(0.8 * watts(still.series, 31));
  expect(watts(under.series, 45)).toBeCloseTo(watts(still.series, 45), 0);
  // Laid aside for a moment is still worn, and all is on in the end.
  const shell = KIT.findIndex((g) => g.id === 'wind-shell-pits');
  for (let row = 0; row < under.series.rows; row++) expect(under.series.worn[row * KIT.length + shell]).toBe(1);
  expect(under.at('chest', 55)).toBeGreaterThan(still.at('chest', 55));
});

test('energy is still conserved through a change', () => {
  const { sim } = run(plan([{ atS: 1800, actions: [on('grid-fleece'), off('warm-mitts'), on('liner-gloves')] }]));
  const { ledger } = sim;
  const fresh = new Simulator(AVERAGE_PERSON, KIT);
  fresh.start(plan([]));
  const error = ledger.energyError(fresh.storedEnergy(), sim.storedEnergy());
  expect(Math.abs(error) / ledger.made).toBeLessThan(0.001);
});

test('a halt is standing in the wind that blows there; a stop stays what it is', () => {
  const [moving] = DAY.stretches;
  expect(atHalt(moving)).toMatchObject({ sport: 'stand', externalW: 0, pumping: 0 });
  expect(atHalt(moving).metabolicW).toBeLessThan(200);
  const sitting = dayOf([aLeg({ sport: 'sit', effort: { by: 'usual' } })]).stretches[0];
  expect(atHalt(sitting)).toBe(sitting);
});
