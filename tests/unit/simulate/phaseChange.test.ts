import { AVERAGE_PERSON } from '@/core/body/person';
import { zoneIndex, ZONE_COUNT } from '@/core/body/zones';
import type { Conditions } from '@/core/outing/conditions';
import type { Plan } from '@/core/kit/plan';
import { Simulator } from '@/core/simulate/simulator';
import { garmentsOf } from '#tests/support/outings';

const air: Conditions = {
  ...{ startS: 0, endS: 3600, airC: -13, pressurePa: 101325, vapourPa: 150, relativeWind: 3, sunWm2: 0, skyWm2: 0 },
  ...{ precipitation: 'none', precipitationMmH: 0, sport: 'hike', metabolicW: 500, externalW: 0, pumping: 1 },
  ...{ packOn: false, packUnder: false, wetting: null },
};

/** Ice and temperature of the outermost of `worn` in one zone, minute by minute, g/m² and °C. */
function iceOf(worn: string[], zone: 'face' | 'chest', conditions: Conditions[], stepS: number, damp = {}) {
  const openings: Plan['openings'] = worn.includes('fleece-tube') ? { 'fleece-tube': { up: 0 } } : {};
  const plan = { worn, carried: [], openings, cues: [] };
  const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...worn));
  sim.start(plan, damp);
  const s = sim.run(conditions, plan, { stepS, sampleS: 60 });
  const at = (r: number) => (r * s.garments + worn.length - 1) * ZONE_COUNT + zoneIndex(zone);
  const rows = Array.from({ length: s.rows }, (_, r) => r);
  return { ice: rows.map((r) => s.frostGm2[at(r)]), cloth: rows.map((r) => s.garmentC[at(r)]) };
}
const apart = (a: number[], b: number[]) => Math.max(...a.map((v, i) => Math.abs(v - b[i])));

/** Cloth is so thin that its own warmth melts next to nothing: what melts is what flows in, however long a step is. */
test.each([
  ['what breath leaves in a tube', ['thin-merino-base', 'briefs', 'fleece-tube'], 'face', {}],
  ['a base that was put on wet', ['thin-merino-base'], 'chest', { 'thin-merino-base': 150 }],
] as const)('%s freezes and thaws alike in steps of a second and of ten', (_, worn, zone, damp) => {
  const cold = {
    ...air,
    metabolicW: zone === 'chest' ? 180 : 700,
    relativeWind: zone === 'chest' ? 9 : 2,
    airC: zone === 'chest' ? -13 : -25,
  };
  const conditions = [cold, { ...air, startS: 3600, endS: 7200, airC: 0.5, vapourPa: 600, metabolicW: 700 }];
  const [coarse, fine] = [10, 1].map((stepS) => iceOf([...worn], zone, conditions, stepS, damp));
  const most = Math.max(...fine.ice);
  expect(most).toBeGreaterThan(5);
  expect(fine.ice.at(-1)).toBeLessThan(most / 2);
  expect(apart(coarse.ice, fine.ice)).toBeLessThan(0.05 * most);
});

test('a layer stays at 0 °C while its ice melts, and warms when it is gone', () => {
  const standing = { ...air, metabolicW: 150, pumping: 0, relativeWind: 9, airC: -25 };
  const conditions = [standing, { ...standing, startS: 3600, endS: 7200, airC: 2, vapourPa: 650, relativeWind: 1 }];
  const worn = ['thin-merino-base', 'pile-fleece'];
  const { ice, cloth } = iceOf(worn, 'chest', conditions, 10, { 'pile-fleece': 300 });
  const melting = ice.flatMap((g, r) => (r > 61 && ice[r - 1] > g && ice[r + 1] > 0 ? [cloth[r]] : []));
  expect(melting.length).toBeGreaterThan(10);
  for (const t of melting) expect(Math.abs(t)).toBeLessThan(1e-6);
  expect(ice.at(-1)).toBe(0);
  expect(cloth.at(-1)).toBeGreaterThan(1);
});

/** 80 g/m² of frost double a layer's resistance to vapour (engineering value): what lies over it gets less, and what lies beneath it gives off less. */
test.each([
  ['to the shell over it', 'pile-fleece', 'wind-shell', 0.9],
  ['out of the frozen shell itself', 'wind-shell', 'wind-shell', 0.9],
])('frost hinders vapour on its way %s', (_, frozen, outer, most) => {
  const worn = ['thin-merino-base', 'pile-fleece', 'wind-shell'];
  const plan: Plan = { worn, carried: [], openings: {}, cues: [] };
  /** Vapour that the outer layer takes up, or gives off, g/(s m²), with so much of the water of the other frozen. */
  const takenUp = (frost: number): number => {
    const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...worn));
    sim.start(plan);
    sim.dress({ ...air, sport: 'stand', metabolicW: 150, relativeWind: 0.3, pumping: 0 });
    const place = (id: string) => worn.indexOf(id) * ZONE_COUNT + zoneIndex('chest');
    const { state } = sim;
    for (const id of worn) state.temperature[place(id)] = -0.1;
    state.water[place(frozen)] = 300;
    state.ice[place(frozen)] = frost;
    sim.step(0.5);
    return -state.evaporation[place(outer)];
  };
  const [clear, clogged, twice] = [takenUp(0), takenUp(80), takenUp(160)];
  expect(Math.abs(clogged)).toBeLessThan(most * Math.abs(clear));
  expect(Math.abs(twice)).toBeLessThan(Math.abs(clogged));
});

/** What breath leaves in a cover is liquid where the coldest of it is at freezing or above, frost where that is a kelvin and more below, and half of each in between. */
test('breath freezes in a cover the more the colder it is within a kelvin below freezing', () => {
  const worn = ['thin-merino-base', 'briefs', 'fleece-tube'];
  const place = 2 * ZONE_COUNT + zoneIndex('face');
  /** Frost after an instant in a wet cover that is so cold at its coldest, which lies two fifths of the way from its middle to the air, g/m². */
  const frost = (coldestC: number): number => {
    const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...worn));
    sim.start({ worn, carried: [], openings: { 'fleece-tube': { up: 0 } }, cues: [] });
    sim.dress({ ...air, airC: -10, relativeWind: 0.3, metabolicW: 700 });
    sim.state.temperature[place] = (coldestC - 0.4 * -10) / 0.6;
    sim.state.water[place] = 100;
    sim.step(0.02);
    return sim.state.ice[place];
  };
  expect(frost(0.2)).toBe(0);
  const whole = frost(-1.05);
  expect(whole).toBeGreaterThan(0);
  // It takes a little more up the colder it is.
  expect(frost(-1.5) / whole).toBeWithin(1, 1.1);
  expect(frost(-0.9) / whole).toBeWithin(0.8, 0.95);
  expect(frost(-0.5) / whole).toBeWithin(0.4, 0.6);
});
