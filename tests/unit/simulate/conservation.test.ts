import fc from 'fast-check';
import { AVERAGE_PERSON } from '@/core/body/person';
import type { Plan } from '@/core/kit/plan';
import { Simulator } from '@/core/simulate/simulator';
import type { Series } from '@/core/simulate/series';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';
import { anyCase, type RandomCase } from '#tests/support/randomCase';

const RUNS = 60;

function runCase(c: RandomCase, stepS = 10): { sim: Simulator; series: Series; water: number; energy: number } {
  const sim = new Simulator(c.person, c.garments);
  sim.start(c.plan, c.damp);
  const water = sim.heldWater();
  const energy = sim.storedEnergy();
  const series = sim.run(c.conditions, c.plan, { stepS });
  return { sim, series, water, energy };
}

/** One check for a whole series: NaN counts as outside. */
function within(what: string, values: Float64Array, low: number, high: number): void {
  const bad = values.findIndex((v) => !(v >= low && v <= high));
  if (bad >= 0) throw new Error(`${what} is ${values[bad]} at ${bad}; allowed: ${low} to ${high}`);
}

test('water is conserved to 0.1 % of what moved, in any outing', () => {
  fc.assert(
    fc.property(anyCase, (c) => {
      const { sim, water } = runCase(c);
      const moved = sim.ledger.produced + sim.ledger.precipitation + water + 1;
      expect(Math.abs(sim.ledger.waterError(water, sim.heldWater())) / moved).toBeLessThan(1e-3);
    }),
    { numRuns: RUNS, seed: 11 },
  );
});

test('energy is conserved to 0.1 % of what was made, in any outing', () => {
  fc.assert(
    fc.property(anyCase, (c) => {
      const { sim, energy } = runCase(c);
      const error = sim.ledger.energyError(energy, sim.storedEnergy());
      expect(Math.abs(error) / (sim.ledger.made + 1)).toBeLessThan(1e-3);
    }),
    { numRuns: RUNS, seed: 12 },
  );
});

test('no NaN, no negative water, no ice beyond the water, no temperature outside physical bounds, ever', () => {
  fc.assert(
    fc.property(anyCase, (c) => {
      const { series: s } = runCase(c);
      // Snow and water touched are at 0 °C at the coldest of mild days.
      const coldest = Math.min(...c.conditions.map((x) => (x.wetting ? Math.min(0, x.airC) : x.airC)));
      within('core', s.coreC, 20, 44);
      within('skin', s.skinC, coldest - 1, 44);
      within('wettedness', s.wettedness, 0, 1);
      within('film', s.filmGm2, 0, 1000);
      within('cloth', s.garmentC, Math.min(coldest, 18) - 6, 60);
      within('water', s.waterGm2, 0, Infinity);
      within(
        'frost beyond the water',
        s.frostGm2.map((f, i) => f - s.waterGm2[i]),
        -Infinity,
        1e-9,
      );
      for (const name of ['sweatGh', 'evaporationGh', 'shiverW', 'dryLossW', 'metabolicW', 'frostGm2'] as const)
        within(name, s[name], -1e6, 1e6);
    }),
    { numRuns: RUNS, seed: 13 },
  );
});

test('the same input gives the same numbers, bit for bit', () => {
  fc.assert(
    fc.property(anyCase, (c) => {
      const a = runCase(c).series;
      const b = runCase(c).series;
      expect(b.skinC).toEqual(a.skinC);
      expect(b.waterGm2).toEqual(a.waterGm2);
    }),
    { numRuns: 8, seed: 14 },
  );
});

test('a plan branched from a snapshot runs on exactly as if it had never stopped', () => {
  fc.assert(
    fc.property(anyCase, (c) => {
      const { sim, series } = runCase(c);
      const whole = Float64Array.from(sim.state.all);
      const again = new Simulator(c.person, c.garments);
      again.start(c.plan, c.damp);
      const until = c.conditions[0].endS;
      const half = c.conditions.slice(0, 1);
      again.run(half, { ...c.plan, cues: c.plan.cues.filter((q) => q.atS < until) });
      const copy = again.snapshot();
      // Something else happens in between, and is undone.
      again.run([{ ...half[0], startS: until, endS: until + 600, airC: -40 }], c.plan);
      again.restore(copy);
      again.run(c.conditions, c.plan);
      expect(Array.from(again.state.all)).toEqual(Array.from(whole));
      expect(series.rows).toBeGreaterThan(0);
    }),
    { numRuns: 15, seed: 15 },
  );
});

test('so does one with ice in what covers the mouth, whose cold outside is no state of its own', () => {
  const garments = garmentsOf('fleece-tube', 'midweight-merino-base', 'lined-soft-shell', 'ski-tights', 'warm-hat');
  const plan: Plan = {
    worn: garments.map((g) => g.id),
    carried: [],
    openings: { 'fleece-tube': { up: 0 } },
    cues: [],
  };
  const hour = (name: string) => aLeg({ name, minutes: 60, effort: { by: 'metabolic', value: 700 } });
  const { stretches } = dayOf([hour('Out'), hour('Back')], -25);
  const half = stretches.filter((c) => c.endS <= 3600 + 1e-6);
  const run = (between: 'goes on' | 'is put back') => {
    const sim = new Simulator(AVERAGE_PERSON, garments);
    sim.start(plan);
    sim.run(half, plan);
    if (between === 'is put back') {
      const copy = sim.snapshot();
      sim.start(plan);
      sim.restore(copy);
    }
    sim.run(stretches, plan);
    return sim;
  };
  const whole = run('goes on');
  expect(whole.state.ice.reduce((a, b) => a + b, 0)).toBeGreaterThan(20);
  expect(Array.from(run('is put back').state.all)).toEqual(Array.from(whole.state.all));
});
