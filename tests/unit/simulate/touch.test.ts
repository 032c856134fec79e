import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import { AVERAGE_PERSON } from '@/core/body/person';
import { WETTINGS } from '@/core/outing/wetting';
import { Simulator } from '@/core/simulate/simulator';
import type { Plan } from '@/core/kit/plan';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';
import { run, type Run, type TestLeg } from '#tests/support/runCase';

/** What wets and chills by touch, packs beneath layers, barriers and frost: things no forecast knows. */
const KIT = [
  'thin-merino-base',
  'grid-fleece',
  'wind-shell',
  'briefs',
  'thin-tights',
  'soft-trousers',
  'thin-cap',
  'wind-gloves',
  'wool-socks',
  'winter-boots',
];
const out = (leg: Partial<TestLeg>, worn = KIT, airC = -6): Run =>
  run({ airC, wind: 2, legs: [{ minutes: 20, sport: 'stand', worn, ...leg }] });
const water = (r: Run, garment: string, zone: number): number => {
  const { series, garmentIds } = r.scored;
  const at = ((series.rows - 1) * series.garments + garmentIds.indexOf(garment)) * ZONE_COUNT + zone;
  return series.waterGm2[at];
};
const PELVIS = zoneIndex('pelvis');
const FEET = zoneIndex('feet');

test('sitting on snow soaks and chills the seat; a mat keeps it dry and warmer', () => {
  const bare = out({ wetting: 'sitting on snow' }, KIT, -1);
  const mat = out({ wetting: 'sitting on a mat' }, KIT, -1);
  const standing = out({}, KIT, -1);
  expect(water(bare, 'soft-trousers', PELVIS)).toBeGreaterThan(water(standing, 'soft-trousers', PELVIS) + 10);
  expect(water(mat, 'soft-trousers', PELVIS)).toBeLessThan(water(standing, 'soft-trousers', PELVIS) + 2);
  expect(bare.skin('pelvis', 20)).toBeLessThan(mat.skin('pelvis', 20) - 0.1);
  expect(bare.skin('pelvis', 20)).toBeLessThan(standing.skin('pelvis', 20) - 0.2);
});

test('wading fills boots and socks within minutes and chills the toes far below a dry stop', () => {
  const wet = out({ minutes: 3, wetting: 'wading' });
  const dry = out({ minutes: 3 });
  expect(water(wet, 'wool-socks', FEET)).toBeGreaterThan(water(dry, 'wool-socks', FEET) + 300);
  expect(wet.skin('toes', 3)).toBeLessThan(dry.skin('toes', 3) - 3);
});

test('dripping trees wet the shoulders of a wind shell more than those of a membrane', () => {
  const storm = KIT.map((id) => (id === 'wind-shell' ? 'storm-shell' : id));
  const wet = (kit: string[], shell: string) =>
    water(out({ minutes: 60, wetting: 'dripping trees' }, kit, 2), shell, zoneIndex('back'));
  expect(wet(KIT, 'wind-shell')).toBeGreaterThan(wet(storm, 'storm-shell') + 5);
});

test('every event keeps water and energy in the books', () => {
  for (const wetting of WETTINGS) {
    const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...KIT));
    const plan: Plan = { worn: KIT, carried: [], openings: {}, cues: [] };
    sim.start(plan);
    const before = { water: sim.heldWater(), energy: sim.storedEnergy() };
    const day = dayOf([aLeg({ minutes: 10 }), aLeg({ sport: 'stand', minutes: 6, wetting })]);
    sim.run(day.stretches, plan);
    const moved = sim.ledger.produced + sim.ledger.precipitation;
    expect(Math.abs(sim.ledger.waterError(before.water, sim.heldWater())) / moved).toBeLessThan(1e-3);
    expect(Math.abs(sim.ledger.energyError(before.energy, sim.storedEnergy())) / sim.ledger.made).toBeLessThan(1e-3);
  }
});

test('a shell worn over the pack keeps the back warmer than a pack over the shell', () => {
  const uphill = { minutes: 60, sport: 'ski tour', metabolicW: 600, pack: true };
  const over = out({ ...uphill }, KIT, -8);
  const under = out({ ...uphill, packUnder: true }, KIT, -8);
  expect(under.skin('back', 60)).toBeGreaterThan(over.skin('back', 60));
  expect(under.skin('thighs', 60)).toBeWithin(over.skin('thighs', 60) - 0.2, over.skin('thighs', 60) + 0.2);
});

test('barrier gloves keep the insulation dry through a long cold day, and the skin wet', () => {
  const hands = (inner: string[]) =>
    out({ minutes: 300, sport: 'hike', metabolicW: 560 }, [...KIT.filter((id) => id !== 'wind-gloves'), ...inner], -20);
  const open = hands(['liner-gloves', 'warm-mitts']);
  const barrier = hands(['barrier-gloves', 'liner-gloves', 'warm-mitts']);
  const HANDS = zoneIndex('hands');
  expect(water(barrier, 'warm-mitts', HANDS)).toBeLessThan(0.8 * water(open, 'warm-mitts', HANDS));
  expect(barrier.wettedness('hands', 300)).toBeGreaterThan(open.wettedness('hands', 300));
});

test('frost in a shell comes off when it is shaken out, and most of it when it is taken off', () => {
  const legs = [
    aLeg({ minutes: 90, effort: { by: 'metabolic', value: 750 } }),
    aLeg({ sport: 'stand', minutes: 3, effort: { by: 'usual' } }),
  ];
  const day = dayOf(legs, -18);
  const iced = (actions: Plan['cues'][number]['actions']) => {
    const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...KIT));
    const plan: Plan = { worn: KIT, carried: [], openings: {}, cues: [{ atS: 5400, actions }] };
    sim.start(plan);
    sim.run(day.stretches, plan);
    const g = KIT.indexOf('wind-shell');
    const ice = sim.state.ice.subarray(g * ZONE_COUNT, (g + 1) * ZONE_COUNT).reduce((a, b) => a + b, 0);
    return { ice, brushed: sim.ledger.brushed };
  };
  const left = iced([{ do: 'set', garment: 'wind-shell', opening: 'zip', setting: 0 }]);
  const shaken = iced([{ do: 'brush', garment: 'wind-shell' }]);
  const off = iced([{ do: 'takeOff', garment: 'wind-shell' }]);
  expect(left.ice).toBeGreaterThan(10);
  expect(left.brushed).toBe(0);
  expect(shaken.ice).toBeLessThan(0.6 * left.ice);
  // What comes off is off at once; shaking is done a quarter of a minute later.
  expect(off.brushed / shaken.brushed).toBeWithin(0.99, 1.01);
});

test('a zip opened from below airs the hips and leaves the neck closed', () => {
  const kit = KIT.map((id) => (id === 'wind-shell' ? 'storm-shell' : id));
  const at = (open: Record<string, number>) =>
    out({ minutes: 40, sport: 'hike', metabolicW: 420, openings: { 'storm-shell': open } }, kit);
  const shut = at({ lower: 0 });
  const lower = at({ lower: 1 });
  expect(lower.skin('pelvis', 40)).toBeLessThan(shut.skin('pelvis', 40) - 0.1);
  expect(lower.skin('neck', 40)).toBeGreaterThan(at({ zip: 1 }).skin('neck', 40) + 0.5);
});

test('what is outside its range is refused with name, value and range', () => {
  const [merino, ...rest] = garmentsOf(...KIT);
  expect(() => new Simulator({ ...AVERAGE_PERSON, massKg: 12 }, [])).toThrow(/massKg is 12; allowed: 35 to 160 kg/);
  expect(() => new Simulator(AVERAGE_PERSON, [{ ...merino, ret: -1 }, ...rest])).toThrow(/ret is -1; allowed: 0.5/);
  expect(() => new Simulator(AVERAGE_PERSON, [{ ...merino, heatW: 3 }])).toThrow(/both heatW and heatHours/);
  const sim = new Simulator(AVERAGE_PERSON, []);
  const plan: Plan = { worn: [], carried: [], openings: {}, cues: [] };
  const [c] = dayOf([aLeg({ minutes: 5 })]).stretches;
  sim.start(plan);
  expect(() => sim.run([{ ...c, airC: NaN }], plan)).toThrow(/stretch 1 airC is NaN; allowed: -60 to 45 °C/);
  expect(() => sim.run([{ ...c, relativeWind: 200 }], plan)).toThrow(/relativeWind is 200/);
  expect(() => sim.run([c], plan, { stepS: 0 })).toThrow(/step is 0; allowed: 0.5 to 60 s/);
});
