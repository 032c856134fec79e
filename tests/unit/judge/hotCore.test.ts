import { AVERAGE_PERSON } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { hotCore } from '@/core/judge/hotCore';
import { ALARM } from '@/core/judge/limits';
import { scorePlan } from '@/core/judge/scorePlan';
import { dangersAhead } from '@/core/underway/dangers';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const KIT = ['synthetic-tee', 'briefs', 'thin-tights', 'wool-socks', 'running-shoes'];
const MOST_W = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);

test('up to seven tenths of the maximum a core is judged as it is, beyond it less 3 K a whole, and never by more than 0.8', () => {
  expect(hotCore(38.7, 0.3)).toBe(38.7);
  expect(hotCore(38.7, 0.7)).toBe(38.7);
  expect(hotCore(38.7, 0.71)).toBeCloseTo(38.67, 9);
  expect(hotCore(39.2, 0.9)).toBeCloseTo(38.6, 9);
  expect(hotCore(39.9, 0.96)).toBeCloseTo(39.12, 9);
  expect(hotCore(39.9, 1.1)).toBeCloseTo(39.1, 9);
});

/** Fifty minutes on end at a share of the maximum in calm air, in a shirt and tights. */
const run = (share: number, airC: number) => {
  const leg = aLeg({ sport: 'run', minutes: 50, effort: { by: 'metabolic', value: share * MOST_W } });
  const person = { ...AVERAGE_PERSON, fitness: 1 };
  return scorePlan(person, garmentsOf(...KIT), dayOf([leg], airC, 3), {
    worn: KIT,
    carried: [],
    openings: {},
    cues: [],
  });
};

test('a race in cool air takes the core where any race does, and is not called unsafe for it; in hot air it is', () => {
  const cool = run(0.88, 4);
  const hot = run(0.88, 34);
  expect(cool.metrics.coreHigh.value).toBeGreaterThan(38.5);
  expect(cool.findings.filter((f) => f.kind === 'too hot' && f.severity === 3)).toEqual([]);
  const said = hot.findings.find((f) => f.kind === 'too hot')!;
  expect(said.severity).toBe(3);
  // What is shown is the core, not what it is judged as.
  expect(said.value).toBeLessThanOrEqual(hot.metrics.coreHigh.value);
  expect(said.value).toBeGreaterThan(ALARM.coreHighC);
  const dangers = (x: ReturnType<typeof run>) => dangersAhead(x, AVERAGE_PERSON, 0, 3600).map((d) => d.kind);
  expect(dangers(cool)).not.toContain('hot');
  expect(dangers(hot)).toContain('hot');
});
