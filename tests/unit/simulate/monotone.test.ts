import fc from 'fast-check';
import { vapourPressure } from '@/core/atmosphere/humidity';
import { AVERAGE_PERSON } from '@/core/body/person';
import { fromCatalogue } from '@/core/clothing/catalogue';
import type { Conditions } from '@/core/outing/conditions';
import { ZONES, ZONE_TABLE } from '@/core/body/zones';
import { Simulator } from '@/core/simulate/simulator';
import { anyCase, steadyCase, type RandomCase } from '#tests/support/randomCase';

const RUNS = 40;
/** What sums of joules may differ by in the last bits. */
const ROUNDING_J = 1e-6;
const PERSON = AVERAGE_PERSON;
const standing = (airC: number, relativeWind: number): Conditions => ({
  startS: 0,
  endS: 2400,
  airC,
  pressurePa: 101325,
  vapourPa: vapourPressure(airC, 0.6),
  relativeWind,
  sunWm2: 0,
  skyWm2: 0,
  precipitation: 'none',
  precipitationMmH: 0,
  sport: 'stand',
  metabolicW: 150,
  externalW: 0,
  pumping: 0,
  packOn: false,
  packUnder: false,
  wetting: null,
});

function end(c: RandomCase, stepS = 10) {
  const sim = new Simulator(c.person, c.garments);
  sim.start(c.plan, c.damp);
  const s = sim.run(c.conditions, c.plan, { stepS });
  let loss = 0;
  for (let r = 0; r < s.rows; r++) loss += s.dryLossW[r] + s.evaporativeLossW[r];
  const k = (s.rows - 1) * ZONES.length;
  const skin = Array.from(s.skinC.subarray(k, k + ZONES.length));
  return { sim, s, loss: loss / s.rows, sweat: sim.ledger.sweat, skin };
}

const change = (c: RandomCase, over: Partial<RandomCase['conditions'][0]>): RandomCase => ({
  ...c,
  conditions: c.conditions.map((x) => ({ ...x, ...over })),
});

test('more wind never lowers the heat lost at the same state of the body', () => {
  // Over a whole run a chilled body closes its vessels and may lose less; at one moment wind can only take.
  fc.assert(
    fc.property(steadyCase, fc.double({ min: 1.2, max: 3, noNaN: true }), (c, factor) => {
      const stepOnce = (wind: number) => {
        const x = { ...c.conditions[0], relativeWind: wind };
        const sim = new Simulator(c.person, c.garments);
        sim.start(c.plan, {});
        sim.run([{ ...c.conditions[0], endS: 1200 }], c.plan);
        const before = { dry: sim.ledger.dry, latent: sim.ledger.latent };
        sim.dress(x);
        for (let i = 0; i < 6; i++) sim.step(10);
        return sim.ledger.dry - before.dry + sim.ledger.latent - before.latent;
      };
      const v = Math.min(12, c.conditions[0].relativeWind);
      const calm = stepOnce(v);
      expect(stepOnce(v * factor)).toBeGreaterThanOrEqual(calm - 0.01 * Math.abs(calm) - 20);
    }),
    { numRuns: RUNS, seed: 21 },
  );
});

test('more effort never lowers total sweat', () => {
  fc.assert(
    fc.property(steadyCase, fc.double({ min: 1.1, max: 1.8, noNaN: true }), (c, factor) => {
      const m = Math.min(700, c.conditions[0].metabolicW);
      const easy = end(change(c, { metabolicW: m, externalW: 0 }));
      const hard = end(change(c, { metabolicW: m * factor, externalW: 0 }));
      expect(hard.sweat).toBeGreaterThanOrEqual(easy.sweat - 1);
    }),
    { numRuns: RUNS, seed: 22 },
  );
});

test('warmer air never takes more heat out of a body than it shivers, nor leaves an average one with less of it or a colder core', () => {
  // Lean people answer a cold skin with more heat deep inside than the shell loses (the core of lean subjects rises in the first half hour of a
  // cold exposure; from memory), so what they shivered is left out. The core alone may be warmer in the cold when strong constriction shuts a
  // hard-working body’s skin: people differ there, so that part holds for the average person, to a tenth of a kelvin and a bit.
  fc.assert(
    fc.property(steadyCase, (c) => {
      const last = (r: ReturnType<typeof end>, of: Float64Array) => of[r.s.rows - 1];
      const warmer = { airC: Math.min(15, c.conditions[0].airC + 8) };
      // Warmer by less than rounding is not warmer: 15 less the last bit is among what is drawn.
      fc.pre(warmer.airC - c.conditions[0].airC > 1e-6);
      const cold = end(c);
      const warm = end(change(c, warmer));
      const unshivered = (r: ReturnType<typeof end>) =>
        last(r, r.s.bodyHeatJ) - r.s.shiverW.subarray(0, r.s.rows).reduce((sum, w) => sum + w, 0) * r.s.stepS;
      expect(unshivered(warm)).toBeGreaterThanOrEqual(unshivered(cold) - ROUNDING_J);
      const average = { ...c, person: PERSON };
      const [inCold, inWarm] = [end(average), end(change(average, warmer))];
      expect(last(inWarm, inWarm.s.bodyHeatJ)).toBeGreaterThanOrEqual(last(inCold, inCold.s.bodyHeatJ) - ROUNDING_J);
      expect(last(inWarm, inWarm.s.coreC)).toBeGreaterThanOrEqual(last(inCold, inCold.s.coreC) - 0.12);
    }),
    { numRuns: RUNS, seed: 23 },
  );
});

test('opening a vent never lowers a zone’s dry plus evaporative loss at the same state', () => {
  fc.assert(
    fc.property(steadyCase, (c) => {
      const vented = c.garments.flatMap((g) => g.openings.filter((o) => !o.uncovers).map((o) => ({ g, o })));
      fc.pre(vented.length > 0);
      const { g, o } = vented[0];
      // Wind blown through cloth in the shade of the opening may shift between zones: the zones the vent serves count.
      const zones = o.zones.map((z) => ZONES.indexOf(z));
      const lossAt = (setting: number) => {
        const x = c.conditions[0];
        const sim = new Simulator(c.person, c.garments);
        const shut = { ...c.plan, openings: { ...c.plan.openings, [g.id]: { ...c.plan.openings[g.id], [o.id]: 0 } } };
        sim.start(shut, {});
        sim.run([{ ...x, endS: 900 }], shut);
        sim.wearing.apply([{ do: 'set', garment: g.id, opening: o.id, setting }], x.airC);
        sim.dress(x);
        const series = sim.run([{ ...x, endS: 960 }], { ...shut, cues: [] }, { sampleS: 60 });
        const row = (series.rows - 1) * ZONES.length;
        return zones.reduce((sum, z) => sum + series.zoneLossWm2[row + z] * ZONE_TABLE[z].areaM2, 0);
      };
      const closed = lossAt(0);
      expect(lossAt(1)).toBeGreaterThanOrEqual(closed - 0.02 * Math.abs(closed) - 0.5);
    }),
    { numRuns: RUNS, seed: 24 },
  );
});

test('one more insulating layer never makes the covered torso colder in dry cold', () => {
  fc.assert(
    fc.property(
      fc.double({ min: -35, max: 5, noNaN: true }),
      fc.double({ min: 0.2, max: 10, noNaN: true }),
      (airC, wind) => {
        const base = ['thin-merino-base', 'wind-shell'];
        const torso = (worn: string[]) => {
          const c = {
            person: PERSON,
            garments: worn.map((id) => fromCatalogue(id)!),
            plan: { worn, carried: [], openings: {}, cues: [] },
            damp: {},
            conditions: [standing(airC, wind)],
          };
          const { skin } = end(c);
          return skin[ZONES.indexOf('chest')];
        };
        expect(torso([...base, 'pile-fleece'])).toBeGreaterThan(torso(base));
        expect(torso([...base, 'pile-fleece', 'standby-puffy'])).toBeGreaterThan(torso([...base, 'pile-fleece']));
      },
    ),
    { numRuns: 12, seed: 25 },
  );
});

/**
 * Halving the step: skin by less than 0.2 K and water by less than 3 % (MODEL.md section 7). Random storms include the few
 * minutes in which vessels open all at once, where a second of delay is a few tenths: one zone in fifty may miss, none by
 * more than 0.6 K.
 */
test('halving the step changes skin by less than 0.2 K and water by less than 3 %', () => {
  const skin: number[] = [];
  for (const c of fc.sample(anyCase, { numRuns: 80, seed: 26 })) {
    const coarse = end(c, 10);
    const fine = end(c, 5);
    skin.push(...coarse.skin.map((t, z) => Math.abs(t - fine.skin[z])));
    expect(Math.abs(coarse.sim.heldWater() - fine.sim.heldWater()) / (fine.sim.heldWater() + 20)).toBeLessThan(0.03);
  }
  expect(skin.filter((d) => d > 0.2).length / skin.length).toBeLessThan(0.02);
  expect(Math.max(...skin)).toBeLessThan(0.6);
});
