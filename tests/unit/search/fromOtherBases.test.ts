import { AVERAGE_PERSON } from '@/core/body/person';
import { scorePlan } from '@/core/judge/scorePlan';
import { alongOf, isAlong, swapGarment } from '@/core/kit/edit';
import { staysWearable } from '@/core/kit/followable';
import type { Plan } from '@/core/kit/plan';
import { candidates } from '@/core/search/candidates';
import type { Finishing } from '@/core/search/finishing';
import { fromOtherBases } from '@/core/search/fromOtherBases';
import { polish } from '@/core/search/polish';
import { work, workSince } from '@/core/questions/phaseRunner';
import { hikingIn } from '#tests/support/finishing';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const BASES = ['thin-synthetic-base', 'thin-merino-base', 'midweight-merino-base', 'mesh-base'];
const REST = ['briefs', 'soft-trousers', 'wool-socks', 'winter-boots', 'thin-cap', 'wind-gloves', 'wind-shell'];
const closet = garmentsOf(...BASES, ...REST, 'grid-fleece', 'active-vest', 'down-puffy', 'merino-longs');
/** A hard climb, a halt and an easy way down: a day on which a thick base is soaked at the halt. */
const timeline = dayOf(
  [
    aLeg({ sport: 'hike', minutes: 70, effort: { by: 'metabolic', value: 640 } }),
    aLeg({ sport: 'stand', minutes: 20, effort: { by: 'usual' } }),
    aLeg({ sport: 'hike', minutes: 40, effort: { by: 'metabolic', value: 330 } }),
  ],
  -9,
  5,
);
const f = hikingIn(closet, timeline, 6);
const parts = candidates(closet, 'hike', timeline);
const cost = (plan: Plan): number => scorePlan(AVERAGE_PERSON, alongOf(closet, plan), timeline, plan).total;
/** What a plan comes to, begun from other bases. */
const begunAgain = (plan: Plan, on: Finishing = f): Plan => fromOtherBases({ plan, least: cost(plan) }, parts, on).plan;
const thick: Plan = { worn: ['midweight-merino-base', ...REST], carried: ['down-puffy'], openings: {}, cues: [] };

test('from a base that suits the day badly another one is found, worn as suits it: no other base by itself is as good', () => {
  const found = begunAgain(thick);
  const swapped = BASES.map((id) => {
    const base = closet.find((g) => g.id === id)!;
    return cost(id === 'midweight-merino-base' ? thick : swapGarment(thick, 'midweight-merino-base', base));
  });
  expect(isAlong(found, 'midweight-merino-base')).toBe(false);
  expect(staysWearable(new Map(closet.map((g) => [g.id, g])))(found)).toBe(true);
  expect(cost(found)).toBeLessThan(Math.min(...swapped) - 0.1);
});

test('begun again from what it found it comes to nothing dearer, and whoever has no base keeps the plan', () => {
  const found = begunAgain(thick);
  expect(cost(begunAgain(found))).toBeLessThanOrEqual(cost(found) + 0.01);
  const bare: Plan = { ...thick, worn: REST };
  expect(begunAgain(bare)).toBe(bare);
});

test('told to stop it gives back the plan, or a cheaper one', () => {
  const stopped = begunAgain(thick, { ...f, beat: () => false });
  expect(cost(stopped)).toBeLessThanOrEqual(cost(thick));
});

test('a plan on which all was tried is not bettered once more where its own base comes out best', () => {
  const few = garmentsOf('midweight-merino-base', ...REST);
  const day = dayOf([aLeg({ sport: 'hike', minutes: 60, effort: { by: 'metabolic', value: 420 } })], -4, 3);
  const g = hikingIn(few, day, 6);
  const its = candidates(few, 'hike', day);
  // What cost much on an earlier plan was passed over; of one that nothing changes all was tried on it, but not in brief.
  const changed = polish({ ...thick, carried: [] }, its, g);
  const tried = polish(changed.plan, its, g);
  expect([tried.plan, tried.triedAll]).toEqual([changed.plan, true]);
  expect(polish(tried.plan, its, { ...g, brief: true }).triedAll).toBe(false);
  expect(polish(tried.plan, its, { ...g, adapts: 'in brief' }).triedAll).toBe(false);
  const took = (from: typeof tried) => {
    const before = { ...work };
    const { plan } = fromOtherBases(from, its, g);
    return { plan, phases: workSince(before).phases };
  };
  const [known, unknown] = [took(tried), took({ ...tried, triedAll: false })];
  expect(known.plan).toEqual(unknown.plan);
  expect(known.phases).toBeLessThan(0.5 * unknown.phases);
});
