import { AVERAGE_PERSON } from '@/core/body/person';
import { oneAtATime } from '@/core/clothing/purpose';
import { staysWearable } from '@/core/kit/followable';
import { isWorn } from '@/core/kit/replay';
import { Hopeless, propose } from '@/core/questions/propose';
import { scorePlan } from '@/core/judge/scorePlan';
import type { KitAction, Plan } from '@/core/kit/plan';
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

test('where the best may not be, the next best is proposed', () => {
  const r = request(basic);
  const best = propose(r)!;
  const kept = (plan: Plan) => JSON.stringify(plan) !== JSON.stringify(best.plan);
  const next = propose(r, { may: kept })!;
  expect(next.plan).not.toEqual(best.plan);
  expect(next.saves).toBeWithin(0.12, best.saves);
  expect(propose(r, { may: () => false })).toBeNull();
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
    openings: { 'standby-puffy': { hood: 0 } },
  };
  const p = propose({ ...request(warm, day), closet: [...SKI_CLOSET, ...garmentsOf('goggles', 'nose-strip')] })!;
  expect(p.text).toMatch(/goggles/i);
  expect(p.effect.what).toBe('face');
});

test('padded mitts are never put over padded gloves, nor a second pair before the eyes', () => {
  const gloved: Plan = { ...basic, worn: [...basic.worn, 'ski-gloves', 'goggles'] };
  const closet = [...SKI_CLOSET, ...garmentsOf('ski-gloves', 'goggles', 'sun-glasses', 'wind-gloves')];
  const r = {
    ...request(gloved, dayOf([aLeg({ minutes: 30 }), aLeg({ name: 'Top', sport: 'stand', minutes: 30 })], -18, 8)),
    closet,
  };
  const p = propose(r, { least: 0.01 });
  const [ski, mitts] = garmentsOf('ski-gloves', 'warm-mitts');
  expect(oneAtATime(ski, mitts)).toBe(true);
  expect(oneAtATime(garmentsOf('wind-gloves')[0], mitts)).toBe(false);
  expect(p && isWorn(p.plan, 'warm-mitts', 2000) && isWorn(p.plan, 'ski-gloves', 2000)).not.toBe(true);
});

test('a second pair of liners is not worn over the first, a liner over a vapour barrier or under a glove is', () => {
  const [liners, merino, barrier, wind, socks, thick] = garmentsOf(
    'liner-gloves',
    'merino-liners',
    'barrier-gloves',
    'wind-gloves',
    'liner-socks',
    'barrier-socks',
  );
  expect(oneAtATime(liners, merino)).toBe(true);
  expect(oneAtATime(liners, barrier)).toBe(false);
  expect(oneAtATime(merino, wind)).toBe(false);
  expect(oneAtATime(socks, thick)).toBe(false);
  const stays = staysWearable(new Map([liners, merino, barrier, wind].map((g) => [g.id, g])));
  const hands = (...worn: string[]): Plan => ({ ...basic, worn, carried: [], cues: [] });
  expect(stays(hands('liner-gloves', 'merino-liners', 'wind-gloves'))).toBe(false);
  expect(stays(hands('barrier-gloves', 'merino-liners', 'wind-gloves'))).toBe(true);
});

test('of bands and caps one is worn at a time, over a balaclava or under a hat, and no hat under a helmet', () => {
  const [band, cap, wind, balaclava, hat, helmet] = garmentsOf(
    'head-band',
    'thin-cap',
    'wind-cap',
    'balaclava',
    'warm-hat',
    'ski-helmet',
  );
  for (const [a, b, one] of [
    [cap, wind, true],
    [band, cap, true],
    [balaclava, cap, false],
    [band, balaclava, false],
    [cap, hat, false],
    [hat, helmet, true],
    [cap, helmet, false],
    [balaclava, helmet, false],
  ] as const)
    expect([oneAtATime(a, b), oneAtATime(b, a)]).toEqual([one, one]);
});

test('what was hopeless is passed over, which is known, until it is asked for again', () => {
  const hopeless = new Hopeless();
  hopeless.note('a', { saves: -0.5, doubt: 0 });
  hopeless.note('b', { saves: -0.05, doubt: 0 });
  hopeless.note('c', null);
  expect(['b', 'c'].some((n) => hopeless.has(n))).toBe(false);
  expect(hopeless.passedOver).toBe(false);
  expect(hopeless.has('a')).toBe(true);
  expect(hopeless.passedOver).toBe(true);
  hopeless.again();
  expect(hopeless.has('a')).toBe(false);
  expect(hopeless.passedOver).toBe(false);
});

test('it asks for no more at one cue than people carry out there', () => {
  const set = (opening: string, setting: number) =>
    ({ do: 'set', garment: 'wind-shell-pits', opening, setting }) as const;
  const before = (more: KitAction[]): Plan => ({
    ...basic,
    openings: { 'wind-shell-pits': { zip: 1, pits: 1 }, 'neck-tube': { up: 0 } },
    cues: [{ atS: 2220, actions: [set('zip', 0), set('pits', 0), ...more] }],
  });
  const bitter = dayOf(
    [
      aLeg({ minutes: 40, effort: { by: 'metabolic', value: 600 } }),
      aLeg({ name: 'Ridge', minutes: 30, effort: { by: 'metabolic', value: 600 }, air: { airC: -14, wind: 5 } }),
    ],
    8,
    1,
  );
  const asked = (plan: Plan) => propose(request(plan, bitter))!;
  // Two things are done there: a third fits, and is done with them. With three it has to be done elsewhere.
  expect(asked(before([])).atS).toBe(2220);
  const full = before([{ do: 'takeOff', garment: 'thin-cap' }]);

  expect(asked(full).atS).not.toBe(2220);
});
