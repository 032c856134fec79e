import { AVERAGE_PERSON } from '@/core/body/person';
import { ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import type { Conditions } from '@/core/outing/conditions';
import { Simulator } from '@/core/simulate/simulator';
import { garmentsOf } from '#tests/support/outings';

/** The search goes in steps of up to two minutes: what it finds must be what short steps find. */
const KIT = [
  'briefs',
  'thin-synthetic-base',
  'mesh-longs',
  'wind-shell',
  'wind-trousers',
  'thin-socks',
  'winter-boots',
];
const plan = { worn: KIT, carried: [], openings: {}, cues: [] };
const CHEST = zoneIndex('chest');
const work: Conditions = {
  ...{ startS: 0, endS: 2400, airC: 0, pressurePa: 101325, vapourPa: 400, relativeWind: 2, sunWm2: 0, skyWm2: 0 },
  ...{ precipitation: 'none', precipitationMmH: 0, sport: 'hike', metabolicW: 600, externalW: 0, pumping: 1 },
  ...{ packOn: false, packUnder: false, wetting: null },
};

/** Stepped by hand in steps of one length, s. @param watch called after each step  @param more worn beside the kit */
function stepped(
  stepS: number,
  c: Conditions,
  watch: (sim: Simulator) => void = () => {},
  more: readonly string[] = [],
): Simulator {
  const sim = new Simulator(AVERAGE_PERSON, garmentsOf(...KIT, ...more));
  sim.start({ ...plan, worn: [...KIT, ...more] });
  sim.dress(c);
  for (let t = 0; t < c.endS; t += stepS) {
    sim.step(stepS);
    watch(sim);
  }
  return sim;
}

test.each([60, 120])('how wet the skin is of sweat that comes and goes does not hang on steps of %d s', (stepS) => {
  const [long, short] = [stepped(stepS, work), stepped(1, work)];
  expect(short.wettedness[CHEST]).toBeGreaterThan(0.1);
  for (let z = 0; z < ZONE_COUNT; z++)
    expect(Math.abs(long.wettedness[z] - short.wettedness[z])).toBeLessThan(0.02 + 0.02 * short.wettedness[z]);
  expect(Math.abs(long.state.skin[CHEST] - short.state.skin[CHEST])).toBeLessThan(0.15);
});

test.each([60, 120])('a core at race effort, most of its heat in the blood, stays steady in steps of %d s', (stepS) => {
  const race = { ...work, sport: 'run' as const, metabolicW: 1100, endS: 3600 };
  const seen = (s: number) => {
    const all: number[] = [];
    const sim = stepped(s, race, (one) => all.push(one.state.head[0]));
    return { all, core: sim.state.head[0] };
  };
  const [long, short] = [seen(stepS), seen(1)];
  expect(Math.abs(long.core - short.core)).toBeLessThan(0.05);
  // Once warm it neither rings nor runs away.
  const late = long.all.slice(-10);
  expect(Math.max(...late) - Math.min(...late)).toBeLessThan(0.15);
});

test.each([
  [600, 0],
  [600, 5],
  [700, -5],
])('thin layers that hold less than leaves them in a step settle at %d W and %d °C', (metabolicW, airC) => {
  const water: number[] = [];
  const j = KIT.indexOf('briefs') * ZONE_COUNT + zoneIndex('pelvis');
  stepped(30, { ...work, metabolicW, airC, endS: 3600 }, (sim) => water.push(sim.state.water[j]));
  // They do not dry out and fill up by turns.
  const late = water.slice(-40);
  const turns = late.slice(2).filter((w, i) => (w - late[i + 1]) * (late[i + 1] - late[i]) < 0).length;
  expect(turns).toBeLessThanOrEqual(2);
  expect(Math.min(...water)).toBeGreaterThanOrEqual(0);
});

/** A thin layer gains in a minute what it holds: were all of it there before it dries, or only after, it would dry too fast or too slowly. */
test.each([15, 30])('what wet snow leaves in thin cloth over the face does not hang on steps of %d s', (stepS) => {
  const snow = { ...work, metabolicW: 350, airC: -1, vapourPa: 530, relativeWind: 7, endS: 540 };
  const more = ['nose-strip', 'goggles'];
  const at = (s: number) => {
    const sim = stepped(s, { ...snow, precipitation: 'wet snow', precipitationMmH: 1.5 }, undefined, more);
    const face = (nth: number) => sim.state.water[(KIT.length + nth) * ZONE_COUNT + zoneIndex('face')];
    return { waters: more.map((_, i) => face(i)), faceC: sim.state.skin[zoneIndex('face')] };
  };
  const [long, short] = [at(stepS), at(0.5)];
  short.waters.forEach((g, i) => {
    expect(g).toBeGreaterThan(5);
    expect(Math.abs(long.waters[i] - g)).toBeLessThan(0.06 * g);
  });
  expect(Math.abs(long.faceC - short.faceC)).toBeLessThan(0.05);
});
