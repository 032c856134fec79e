import { AVERAGE_PERSON } from '@/core/body/person';
import { propose } from '@/core/questions/propose';
import { scorePlan } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import { aLeg, dayOf, garmentsOf, SKI_CLOSET, upStopDown } from '#tests/support/outings';

const request = (plan: Plan, timeline = upStopDown()) => ({
  person: AVERAGE_PERSON,
  closet: SKI_CLOSET,
  timeline,
  sport: 'ski tour' as const,
  plan,
});
const basic: Plan = {
  worn: [
    'thin-merino-base',
    'wind-shell-pits',
    'briefs',
    'thin-tights',
    'soft-trousers',
    'wool-socks',
    'touring-boots',
    'thin-cap',
    'neck-tube',
  ],
  carried: ['warm-mitts'],
  openings: {},
  cues: [],
};

test('bare hands on a windy top: it proposes the mitts, at a moment, and says what they do', () => {
  const r = request(
    basic,
    dayOf([aLeg({ minutes: 40 }), aLeg({ name: 'Top', sport: 'stand', minutes: 25, effort: { by: 'usual' } })], -12, 6),
  );
  const p = propose(r)!;
  expect(p.text).toMatch(/mitts/i);
  expect(p.effect.what).toBe('fingers');
  expect(p.effect.to).toBeGreaterThan(p.effect.from + 3);
  expect(p.saves).toBeGreaterThan(1);
});

test('taking the proposal really saves what it says, and raises no alarm', () => {
  const r = request(basic);
  const p = propose(r)!;
  const total = (plan: Plan) => {
    const used = new Set([...plan.worn, ...plan.carried]);
    return scorePlan(
      AVERAGE_PERSON,
      SKI_CLOSET.filter((g) => used.has(g.id)),
      r.timeline,
      plan,
      { stepS: 30 },
    );
  };
  const before = total(basic);
  const after = total(p.plan);
  expect(before.total - after.total).toBeCloseTo(p.saves, 6);
  const alarms = (s: typeof before) => s.findings.filter((f) => f.severity === 3).length;
  expect(alarms(after)).toBeLessThanOrEqual(alarms(before));
  expect(p.moreCues).toBe(p.plan.cues.length - basic.cues.length);
});

test('taken again and again it comes to rest: a plan that nothing single improves gets no proposal', () => {
  let plan = basic;
  let rounds = 0;
  for (; rounds < 12; rounds++) {
    const p = propose(request(plan));
    if (!p) break;
    plan = p.plan;
  }
  expect(rounds).toBeWithin(1, 11);
  expect(propose(request(plan))).toBeNull();
});

test('eyes open to a cold wind: it proposes what keeps it off, though nothing like it is along', () => {
  const day = dayOf(
    [aLeg({ name: 'Down', sport: 'downhill ski', minutes: 30, effort: { by: 'usual' }, air: { wind: 14 } })],
    -13,
    5,
  );
  const warm = {
    ...basic,
    worn: [...basic.worn, 'grid-fleece', 'standby-puffy', 'warm-mitts', 'nose-strip'],
    carried: [],
  };
  const p = propose({ ...request(warm, day), closet: [...SKI_CLOSET, ...garmentsOf('goggles', 'nose-strip')] })!;
  expect(p.text).toMatch(/goggles/i);
  expect(p.effect.what).toBe('face');
});
