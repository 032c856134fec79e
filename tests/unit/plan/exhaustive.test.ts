import { AVERAGE_PERSON } from '@/core/body/person';
import { scorePlan } from '@/core/plan/score';
import { everyPlan, searched, SMALL_CASES } from '#tests/support/everyPlan';

/**
 * The search against every plan there is: a closet small enough that all ways to dress and to go in all phases can be tried,
 * on days from mild to cold. Six of the thirty-six cases here; `npm run prove` tries them all (docs/planner.md has the table).
 */
const SOME = SMALL_CASES.filter((_, i) => i % 7 === 2);

test.each(SOME.map((c) => [c.name, c] as const))('%s: no plan of all there are is 2 %% better', (_, c) => {
  const all = everyPlan(c);
  const found = searched(c);
  expect(all.tried).toBeGreaterThan(20_000);
  expect(found.best).toBeLessThanOrEqual(1.02 * all.best);
  expect(found.tried).toBeLessThan(0.01 * all.tried);
  // And where some plan is without an alarm, so is the one proposed.
  const alarms = (plan: typeof all.plan) =>
    scorePlan(AVERAGE_PERSON, c.closet, c.timeline, plan).findings.filter((f) => f.severity === 3).length;
  expect(alarms(found.planned.plan)).toBeLessThanOrEqual(alarms(all.plan));
});
