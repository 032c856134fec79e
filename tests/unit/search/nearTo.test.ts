import { AVERAGE_PERSON } from '@/core/body/person';
import { scorePlan } from '@/core/judge/scorePlan';
import { alongOf, leaveGarment, swapGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { nearTo } from '@/core/search/nearTo';
import { hikingIn } from '#tests/support/finishing';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const BASES = ['thin-synthetic-base', 'synthetic-tee', 'thin-merino-base', 'midweight-merino-base', 'mesh-base'];
const CLOSET = garmentsOf(
  ...BASES,
  'wind-shell',
  'down-puffy',
  'briefs',
  'brushed-tights',
  'wool-socks',
  'winter-boots',
  'thin-cap',
  'wind-gloves',
  'liner-gloves',
  'sun-glasses',
);
const named = (id: string) => CLOSET.find((g) => g.id === id)!;
const timeline = dayOf([aLeg({ sport: 'hike', minutes: 50, effort: { by: 'metabolic', value: 520 } })], -6, 4);
const f = hikingIn(CLOSET, timeline);
const cost = (plan: Plan): number => scorePlan(AVERAGE_PERSON, alongOf(CLOSET, plan), timeline, plan).total;
const along = (plan: Plan): string[] => alongOf(CLOSET, plan).map((g) => g.id);
const wearing = (base: string): Plan => ({
  worn: [base, 'wind-shell', 'briefs', 'brushed-tights', 'wool-socks', 'winter-boots', 'thin-cap', 'wind-gloves'],
  carried: [],
  openings: {},
  cues: [],
});
const pairs = BASES.flatMap((a) => BASES.filter((b) => b !== a).map((b) => [wearing(a), wearing(b)] as const));

test('a piece gives way to that of the other plan where nobody could tell them apart, and only there', () => {
  const took = pairs.map(([plan, other]) => ({
    more: cost(other) - cost(plan),
    taken: along(nearTo(plan, other, f)).join() === along(other).join(),
  }));
  const same = took.filter((t) => t.more < 0.009);
  const apart = took.filter((t) => t.more > 0.031);
  expect(same.length).toBeGreaterThan(3);
  expect(apart.length).toBeGreaterThan(3);
  expect(same.every((t) => t.taken)).toBe(true);
  expect(apart.some((t) => t.taken)).toBe(false);
});

test('where the whole of the other plan is too dear, its parts that are not are still taken', () => {
  const [plan, swapped] = pairs.find(([a, b]) => cost(b) - cost(a) < 0.008)!;
  const other = swapGarment(swapped, 'wind-gloves', named('liner-gloves'));
  expect(cost(other) - cost(swapped)).toBeGreaterThan(0.035);
  expect(along(nearTo(plan, other, f))).toEqual(along(swapped));
});

test('what only one of both has is left at home where it is of no use, and kept where it is needed', () => {
  const plan = wearing('thin-merino-base');
  const more: Plan = { ...plan, carried: ['sun-glasses'] };
  expect(along(nearTo(more, plan, f))).toEqual(along(plan));
  // Without gloves one's hands are cold: they stay, though the other plan has none.
  expect(along(nearTo(plan, leaveGarment(plan, 'wind-gloves'), f))).toEqual(along(plan));
  // Nobody carries a jacket because the other plan has one.
  const jacket: Plan = { ...plan, carried: ['down-puffy'] };
  expect(along(nearTo(plan, jacket, f))).toEqual(along(plan));
});

test('nobody runs in socks because the other plan has thicker ones and other shoes', () => {
  const shod = garmentsOf('winter-running-shoes', 'thick-socks', 'light-rain-shell');
  const closet = [...CLOSET, ...shod];
  const plan = wearing('thin-merino-base');
  const other: Plan = {
    ...plan,
    worn: plan.worn.map((id) => ({ 'winter-boots': 'winter-running-shoes', 'wool-socks': 'thick-socks' })[id] ?? id),
  };
  const near = nearTo(plan, other, hikingIn(closet, timeline));
  const worn = closet.filter((g) => near.worn.includes(g.id));
  expect(worn.filter((g) => g.role === 'footwear').length).toBe(1);
  expect(worn.some((g) => g.group === 'torso' && g.role === 'base')).toBe(true);
});
