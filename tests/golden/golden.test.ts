import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { scorePlan } from '@/core/judge/scorePlan';
import { alongOf } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { hashOf, numbersOf } from './numbers';
import { goldenOutings } from './outings';

/**
 * The kept plans of twenty outings, run again: every number of the run and of the cost to the last bit. `npm run golden` compares
 * all that is kept (planning and every question, some minutes); here it is done whole for one outing.
 */
const root = join(__dirname, '../..');
const kept = JSON.parse(readFileSync(join(__dirname, 'numbers.json'), 'utf8')) as {
  outing: string;
  plan: Plan;
  series: string;
  cost: unknown;
  findings: unknown;
}[];
const outings = goldenOutings(root);

test.each(outings.map((o, i) => [o.name, o, kept[i]] as const))('%s', (_, o, was) => {
  const scored = scorePlan(o.person, alongOf(o.closet, was.plan), o.timeline, was.plan, { damp: o.damp });
  expect(hashOf(scored.series)).toBe(was.series);
  expect({ ...scored.cost, total: scored.total }).toEqual(was.cost);
  expect(scored.findings.map((f) => [f.kind, f.severity, f.atS, f.value])).toEqual(was.findings);
});

test('one outing with its plan found anew and every question asked again', () => {
  const i = outings.findIndex((o) => o.name === 'Mill Lane loop');
  expect(JSON.parse(JSON.stringify(numbersOf(outings[i])))).toEqual(kept[i]);
});
