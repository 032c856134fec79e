import fc from 'fast-check';
import { Simulator } from '@/core/simulate/simulator';
import type { Series } from '@/core/simulate/series';
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
      const coldest = Math.min(...c.conditions.map((x) => x.airC));
      for (const v of s.coreC) expect(v).toBeWithin(20, 44);
      for (const v of s.skinC) expect(v).toBeWithin(coldest - 1, 44);
      for (const v of s.wettedness) expect(v).toBeWithin(0, 1);
      for (const v of s.filmGm2) expect(v).toBeWithin(0, 1000);
      for (const v of s.garmentC) expect(v).toBeWithin(Math.min(coldest, 18) - 6, 60);
      for (let i = 0; i < s.waterGm2.length; i++) {
        expect(s.waterGm2[i]).toBeGreaterThanOrEqual(0);
        expect(s.frostGm2[i]).toBeWithin(0, s.waterGm2[i] + 1e-9);
      }
      for (const name of ['sweatGh', 'evaporationGh', 'shiverW', 'dryLossW', 'metabolicW'] as const)
        for (const v of s[name]) expect(Number.isFinite(v)).toBe(true);
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
