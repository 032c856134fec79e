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
