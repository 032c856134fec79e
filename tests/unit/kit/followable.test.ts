import { askedAt, phases } from '@/core/outing/moments';
import { AVERAGE_PERSON } from '@/core/body/person';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { followable, operationsAt, staysPossible, staysWearable } from '@/core/kit/followable';
import type { KitAction } from '@/core/kit/plan';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { propose } from '@/core/questions/propose';
import { wouldBeSafe } from '@/core/questions/wouldBeSafe';
import { Simulator } from '@/core/simulate/simulator';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

/** What people carry out of one cue is common practice, no published source. */
const KIT = garmentsOf('grid-fleece', 'wind-shell-pits', 'thin-cap', 'neck-tube', 'liner-gloves', 'warm-mitts');
const BY_ID = new Map(KIT.map((g) => [g.id, g]));
const day = dayOf([
  aLeg({ minutes: 60, effort: { by: 'metabolic', value: 600 } }),
  aLeg({ name: 'Top', sport: 'stand', minutes: 15, effort: { by: 'usual' } }),
  aLeg({ name: 'Hut', sport: 'hut', minutes: 30, effort: { by: 'usual' } }),
  aLeg({ name: 'Down', minutes: 30, effort: { by: 'metabolic', value: 600 } }),
]);
const zips = (n: number): KitAction[] =>
  Array.from({ length: n }, (_, i) => ({ do: 'set', garment: 'wind-shell-pits', opening: `o${i}`, setting: 1 }));
const on = (garment: string): KitAction => ({ do: 'putOn', garment });
const can = followable(day, AVERAGE_PERSON, BY_ID);

test('three things on the move, nine where one stands, twelve under a roof', () => {
  expect(can({ atS: 1800, actions: zips(3) })).toBe(true);
  expect(can({ atS: 1800, actions: zips(4) })).toBe(false);
  expect(can({ atS: 3600, actions: zips(9) })).toBe(true);
  expect(can({ atS: 3600, actions: zips(10) })).toBe(false);
  // From coming in, planned to the half minute, until going out.
  for (const [atS, most] of [
    [4470, 12],
    [4469, 9],
    [6330, 12],
    [6331, 3],
  ]) {
    expect(can({ atS, actions: zips(most) })).toBe(true);
    expect(can({ atS, actions: zips(most + 1) })).toBe(false);
  }
});

test('a layer is a halt, which gives time for six; hats and gloves are not', () => {
  expect(can({ atS: 1800, actions: [on('grid-fleece'), ...zips(3)] })).toBe(true);
  expect(can({ atS: 1800, actions: [on('grid-fleece'), ...zips(6)] })).toBe(false);
  expect(can({ atS: 1800, actions: [on('thin-cap'), on('warm-mitts'), ...zips(2)] })).toBe(false);
  // Nobody who does not know the garments can tell.
  expect(followable(day, AVERAGE_PERSON)({ atS: 1800, actions: [on('grid-fleece'), ...zips(3)] })).toBe(false);
});

test('from seven tenths of the maximum on it is a race, and one thing', () => {
  const most = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);
  expect(operationsAt(AVERAGE_PERSON, 0.69 * most, 'moving')).toBe(3);
  expect(operationsAt(AVERAGE_PERSON, 0.71 * most, 'moving')).toBe(1);
  expect(operationsAt(AVERAGE_PERSON, 0.71 * most, 'halted')).toBe(9);
  expect(operationsAt(AVERAGE_PERSON, 0.71 * most, 'indoors')).toBe(12);
  // Going on easily one halts for a layer; nobody does in a race.
  expect(operationsAt(AVERAGE_PERSON, 0.69 * most, 'halting')).toBe(6);
  expect(operationsAt(AVERAGE_PERSON, 0.71 * most, 'halting')).toBe(1);
});

test('a leg that is slowed, since nobody could hold it, is the race it was asked to be', () => {
  const most = maximalMetabolicRate(AVERAGE_PERSON.vo2maxMl, AVERAGE_PERSON.massKg);
  const asked = (share: number) => {
    const leg = aLeg({ minutes: 240, effort: { by: 'metabolic', value: share * most } });
    return askedAt(dayOf([leg]), 3600) / most;
  };
  expect(asked(0.9)).toBeCloseTo(0.9, 6);
  expect(asked(0.4)).toBeCloseTo(0.4, 6);
});

test('a change may not make a cue ask for more than people do, unless it did before', () => {
  const possible = staysPossible(day, AVERAGE_PERSON, BY_ID);
  const worn = ['grid-fleece', 'wind-shell-pits'];
  const plan = (...actions: KitAction[]) => ({ worn, carried: [], openings: {}, cues: [{ atS: 1800, actions }] });
  const off: KitAction = { do: 'takeOff', garment: 'grid-fleece' };
  // With a layer one halts for four things; with a cap in its place one goes on, and does three.
  const halted = plan(off, ...zips(3));
  expect(possible(halted, plan(off, ...zips(4)))).toBe(true);
  expect(possible(halted, plan(on('thin-cap'), ...zips(3)))).toBe(false);
  expect(possible(plan(...zips(5)), plan(...zips(4)))).toBe(true);
  expect(possible(plan(...zips(5)), plan(...zips(5)))).toBe(true);
  expect(possible(plan(...zips(5)), plan(...zips(6)))).toBe(false);
});

test('warmers want something to lie in, at the start and after every cue', () => {
  const pieces = garmentsOf('hand-warmers', 'liner-gloves', 'shell-mitts', 'bar-covers', 'synthetic-tee');
  const can = staysWearable(new Map(pieces.map((g) => [g.id, g])));
  const plan = (worn: string[], off?: string) => ({
    worn,
    carried: [],
    openings: {},
    cues: off ? [{ atS: 1800, actions: [{ do: 'takeOff', garment: off } as const] }] : [],
  });
  expect(can(plan(['synthetic-tee', 'hand-warmers']))).toBe(false);
  expect(can(plan(['synthetic-tee', 'hand-warmers', 'bar-covers']))).toBe(false);
  expect(can(plan(['synthetic-tee', 'hand-warmers', 'liner-gloves']))).toBe(true);
  expect(can(plan(['hand-warmers', 'shell-mitts'], 'shell-mitts'))).toBe(false);
  expect(can(plan(['hand-warmers', 'shell-mitts'], 'hand-warmers'))).toBe(true);
});

test('shoes and a base are worn at every moment, where they are owned: a shell on bare skin or a run in socks is no plan', () => {
  const pieces = garmentsOf(
    'thin-merino-base',
    'light-rain-shell',
    'active-jacket',
    'wool-socks',
    'thick-socks',
    'running-shoes',
  );
  const can = staysWearable(new Map(pieces.map((g) => [g.id, g])));
  const plan = (worn: string[], off: string[] = []) => ({
    worn,
    carried: [],
    openings: {},
    cues: off.map((garment, i) => ({ atS: 1800 * (i + 1), actions: [{ do: 'takeOff', garment } as const] })),
  });
  const whole = ['thin-merino-base', 'light-rain-shell', 'wool-socks', 'running-shoes'];
  expect(can(plan(whole))).toBe(true);
  expect(can(plan(whole.filter((id) => id !== 'running-shoes')))).toBe(false);
  expect(can(plan(['thin-merino-base', 'wool-socks', 'thick-socks']))).toBe(false);
  expect(can(plan(whole.filter((id) => id !== 'thin-merino-base')))).toBe(false);
  expect(can(plan(['active-jacket', 'wool-socks', 'running-shoes']))).toBe(false);
  expect(can(plan(whole, ['light-rain-shell']))).toBe(true);
  expect(can(plan(whole, ['thin-merino-base']))).toBe(false);
  expect(can(plan(whole, ['running-shoes']))).toBe(false);
  // Of what nobody owns none is asked for.
  const bare = staysWearable(new Map(garmentsOf('light-rain-shell', 'wool-socks').map((g) => [g.id, g])));
  expect(bare(plan(['light-rain-shell', 'wool-socks']))).toBe(true);
});

/** The hips carry most: what is worn on torso and on legs both lies over them. */
test('ten layers on one part of the body can be worn, eleven cannot; a person’s own plan is simulated with twelve', () => {
  const ids = [
    'briefs',
    'mesh-longs',
    'thin-tights',
    'soft-trousers',
    'puffy-overtrousers',
    'mesh-base',
    'midweight-merino-base',
    'thin-fleece',
    'wind-shell',
    'down-puffy',
    'standby-puffy',
    'belay-parka',
    'pile-fleece',
  ];
  const pieces = garmentsOf(...ids);
  const wear = (n: number) => ({ worn: ids.slice(0, n), carried: [], openings: {}, cues: [] });
  const can = staysWearable(new Map(pieces.map((g) => [g.id, g])));
  expect(can(wear(10))).toBe(true);
  expect(can(wear(11))).toBe(false);
  const start = (n: number) => new Simulator(AVERAGE_PERSON, pieces).start(wear(n));
  expect(() => start(12)).not.toThrow();
  expect(() => start(13)).toThrow('layers on one zone is 13; allowed: at most 12');
});

test('nothing is proposed or borrowed that nobody could put over ten layers', () => {
  const ids = ['briefs', 'mesh-longs', 'thin-tights', 'soft-trousers', 'puffy-overtrousers'];
  const torso = ['mesh-base', 'thin-fleece', 'wind-shell', 'down-puffy', 'standby-puffy', 'wool-socks', 'winter-boots'];
  const plan = { worn: [...ids, ...torso], carried: [], openings: {}, cues: [] };
  const air = { airC: -38, humidity: 0.7, wind: 9, windAtBody: true, sunWm2: 0 };
  const timeline = dayOf([aLeg({ sport: 'sit', minutes: 90, effort: { by: 'usual' }, air })]);
  const question = { person: AVERAGE_PERSON, closet: [...CATALOGUE], timeline, sport: 'hike' as const, plan };
  const proposal = propose(question);
  expect(proposal).not.toBeNull();
  expect(staysWearable(new Map(CATALOGUE.map((g) => [g.id, g])))(proposal!.plan)).toBe(true);
  const owned = question.closet.filter((g) => plan.worn.includes(g.id));
  expect(wouldBeSafe({ ...question, closet: owned, more: CATALOGUE }).length).toBeGreaterThan(0);
});

test('a moment is planned to the half minute, on arrival never before one stands and on leaving never after one went on', () => {
  const moments = (minutes: number) => {
    const going = aLeg({ minutes, effort: { by: 'metabolic', value: 600 } });
    const stop = aLeg({ name: 'Top', sport: 'stand', minutes, effort: { by: 'usual' } });
    const list = phases(dayOf([going, stop, going]));
    return ['on arrival, Top', 'leaving, '].map((w) => list.find((m) => m.where.startsWith(w))!.startS);
  };
  // 610 s and 1220 s; 625 s and 1250 s; and whole half minutes, which stay.
  expect(moments(610 / 60)).toEqual([630, 1200]);
  expect(moments(625 / 60)).toEqual([630, 1230]);
  expect(moments(10)).toEqual([600, 1200]);
});
