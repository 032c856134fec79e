import { AVERAGE_PERSON } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { scorePlan } from '@/core/judge/scorePlan';
import { alongOf, isAlong } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { isWorn } from '@/core/kit/replay';
import { candidates } from '@/core/search/candidates';
import { handsInTime } from '@/core/search/handsInTime';
import { withHandsInTime } from '@/core/search/polish';
import { hikingIn } from '#tests/support/finishing';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const HANDS = ['liner-gloves', 'merino-liners', 'wind-gloves', 'warm-mitts', 'hand-warmers'];
const REST = [
  'thin-merino-base',
  'wind-shell',
  'briefs',
  'soft-trousers',
  'wool-socks',
  'winter-boots',
  'balaclava',
  'grid-fleece',
];
const closet = garmentsOf(...REST, ...HANDS);
/** Up through forest, then along a ridge where the wind blows. */
const timeline = dayOf(
  [
    aLeg({ sport: 'hike', minutes: 60, shelter: 'forest', effort: { by: 'metabolic', value: 720 } }),
    aLeg({ name: 'Ridge', sport: 'hike', minutes: 50, effort: { by: 'metabolic', value: 400 } }),
  ],
  -9,
  7,
);
const f = hikingIn(closet, timeline, 6);
const RIDGE_S = 3600;
const plan: Plan = {
  worn: [...REST, 'liner-gloves', 'hand-warmers'],
  carried: [],
  openings: { 'wind-shell': { zip: 1 } },
  cues: [{ atS: RIDGE_S, actions: [{ do: 'set', garment: 'wind-shell', opening: 'zip', setting: 0 }] }],
};
const waysIn = (pieces: Garment[], from: Plan = plan, on = timeline) => [
  ...handsInTime(from, { ...f.request, closet: pieces, timeline: on }),
];

test('each way has a liner, a glove or both from the start, and one glove more at most; all else and warmers stay', () => {
  const plans = waysIn(closet).map((c) => c.edit(plan));
  // Two liners, two gloves and their four pairs, each alone or with a glove more at the cue: eight, six with one glove left and two with two.
  expect(new Set(plans.map((p) => JSON.stringify(p))).size).toBe(8 + 6 + 4);
  for (const p of plans) {
    expect([...REST, 'hand-warmers'].every((id) => p.worn.includes(id))).toBe(true);
    expect(p.cues[0].actions).toContainEqual(plan.cues[0].actions[0]);
    expect(p.cues.flatMap((c) => c.actions).filter((a) => a.do === 'putOn').length).toBeLessThanOrEqual(1);
    expect(isAlong(p, 'liner-gloves') && isAlong(p, 'merino-liners')).toBe(false);
  }
});

test('where one comes indoors gloves come off, and where there are very many it would take too long: neither is tried', () => {
  const hut = dayOf([aLeg({ sport: 'hike', minutes: 60 }), aLeg({ sport: 'hut', minutes: 30 })], -14, 11);
  expect(waysIn(closet, plan, hut)).toEqual([]);
  const many = (n: number) => [
    ...closet,
    ...Array.from({ length: n }, (_, i) => ({ ...closet[10], id: `gloves-${i}` })),
  ];
  expect(closet[10].id).toBe('wind-gloves');
  // With n gloves more there are 8 + 3n to start in, each with n + 3 ways: 752 at 13, 850 at 14.
  expect(waysIn(many(13))).not.toEqual([]);
  expect(waysIn(many(14))).toEqual([]);
});

test('gloves for the forest and what goes over them on the ridge are found together', () => {
  const cost = (p: Plan): number => scorePlan(AVERAGE_PERSON, alongOf(closet, p), timeline, p).total;
  const least = cost(plan);
  const found = withHandsInTime({ plan, least }, candidates(closet, 'hike', timeline), f);
  expect(cost(found.plan)).toBeLessThan(least - 0.1);
  expect(cost(found.plan)).toBeLessThan(0.02 + Math.min(...waysIn(closet).map((c) => cost(c.edit(plan)))));
  expect(isWorn(found.plan, 'warm-mitts', RIDGE_S - 60)).toBe(false);
  expect(isWorn(found.plan, 'warm-mitts', RIDGE_S + 300)).toBe(true);
  const again = withHandsInTime(found, candidates(closet, 'hike', timeline), f);
  expect(again.plan).toBe(found.plan);
});
