import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import { isSafe } from '@/core/judge/findings';
import { operations } from '@/core/kit/difference';
import { adapt, tried } from '@/core/search/adapt';
import { answerAtDoor, answerAtOnce, answerExactly, DOOR_CUES, type DoorTold } from '@/core/search/answer';
import { isLong } from '@/core/search/longDay';
import { aroundDoor, hoursAtDoor } from '@/core/search/aroundDoor';
import { MOUTH_COVERED } from '@/core/search/wishes';
import { kitChanges, wearingChanges } from '@/core/search/changes';
import { makePlan } from '@/core/search/planner';
import { leadDaysOf } from '@/core/search/doorQuestion';
import { jacketAtStops, ladderRungs, underStorm, zipsOnTheMove } from '@/core/search/rungs';
import { mouthRuleHolds, PLAIN_WISHES } from '@/core/search/wishes';
import { judge } from '@/core/judge/judgement';
import { besideOf } from '@/core/questions/beside';
import { aDoorDay, atTheDoor, HALLWAY } from '#tests/support/door';
import { AVERAGE_PERSON } from '@/core/body/person';
import { garmentsOf } from '#tests/support/outings';

const rungs = ladderRungs({ person: AVERAGE_PERSON, closet: HALLWAY, sport: 'run', shelter: 'open' });
const at = (day: Parameters<typeof aDoorDay>[0] = {}, wishes = PLAIN_WISHES) =>
  atTheDoor({ day: aDoorDay(day), rungs, wishes });
const HANDS = new Set(HALLWAY.flatMap((g) => (g.group === 'hands' ? [g.id] : [])));
const pieces = (p: { worn: string[]; carried: string[] }) => [...p.worn, ...p.carried].sort();

test('exact is no dearer than at once, and about as good as the whole planner', () => {
  for (const airC of [5, -6, -15]) {
    const q = at({ airC });
    const once = answerAtOnce(q);
    const exact = answerExactly(q);
    expect(exact.scored.total).toBeLessThanOrEqual(once.scored.total + 0.03);
    const { person, closet } = q;
    const planned = makePlan({ person, closet, timeline: exact.timeline, sport: 'run', maxCues: DOOR_CUES });
    expect(exact.scored.total).toBeLessThanOrEqual(planned.scored.total + 0.15);
  }
});

test('a degree more or less changes hardly a piece', () => {
  const answers = [-3, -4, -5, -6, -7, -8].map((airC) => answerExactly(at({ airC })));
  const changed = answers.slice(1).map((a, i) => {
    const had = pieces(answers[i].plan);
    const has = pieces(a.plan);
    return has.filter((id) => !had.includes(id)).length + had.filter((id) => !has.includes(id)).length;
  });
  expect(changed.reduce((a, b) => a + b, 0) / changed.length).toBeLessThanOrEqual(2);
});

test('the same question gives the same answer, however the closet is listed', () => {
  const q = at({ airC: -9 });
  const a = answerExactly(q);
  const b = answerExactly({ ...q, closet: [...q.closet].reverse() });
  expect(pieces(b.plan)).toEqual(pieces(a.plan));
  expect(b.scored.total).toBeCloseTo(a.scored.total, 9);
});

test('cues are few, each within what one does on the move', () => {
  for (const exertion of [3, 7]) {
    const { plan, cues } = answerExactly(at({ exertion, airC: -10, minutes: 90 }));
    expect(cues).toHaveLength(plan.cues.length);
    expect(plan.cues.length).toBeLessThanOrEqual(DOOR_CUES);
    for (const c of plan.cues) expect(operations(c.actions)).toBeLessThanOrEqual(3);
  }
  expect(answerExactly(at({ airC: -10 }, { ...PLAIN_WISHES, maxCues: 0 })).plan.cues).toEqual([]);
});

test('gloves of the warmest rung stay at home where they are of no use, and hands are covered where they are', () => {
  const onHands = (airC: number) => answerExactly(at({ airC })).plan.worn.filter((id) => HANDS.has(id));
  expect(onHands(15)).toEqual([]);
  expect(onHands(-8)).not.toEqual([]);
});

test('where rain falls something that keeps it off is worn', () => {
  expect(LIQUID_SHARE.rain).toBe(1);
  const wet = answerExactly(at({ airC: 4, falls: { kind: 'rain', mmH: 3 } }));
  expect(wet.plan.worn).toContain('light-rain-shell');
  const dry = answerExactly(at({ airC: 4 }));
  expect(dry.plan.worn).not.toContain('light-rain-shell');
  const q = { closet: HALLWAY, sport: 'run' as const };
  expect(underStorm(q, rungs[0]).some((r) => r.plan.worn.includes('light-rain-shell'))).toBe(true);
});

test('an own rule covers the mouth below its air, and says what that costs', () => {
  const ruled = { ...PLAIN_WISHES, mouthBelowC: -2 };
  const covers = (ids: string[]) => ids.some((id) => HALLWAY.find((g) => g.id === id)!.mouthCover >= MOUTH_COVERED);
  const cold = answerExactly(at({ airC: -3 }, ruled));
  expect(covers(cold.plan.worn)).toBe(true);
  expect(cold.ruleCosts).toBeGreaterThanOrEqual(0);
  expect(answerExactly(at({ airC: -1 }, ruled)).ruleCosts).toBe(0);
});

test('at a stop outdoors the jacket goes on, and off again; indoors it stays in the pack', () => {
  const plan = { worn: ['thin-merino-base'], carried: ['standby-puffy'], openings: {}, cues: [] };
  const on = (day: Parameters<typeof aDoorDay>[0]) =>
    jacketAtStops(plan, HALLWAY, answerAtOnce(at(day)).timeline).cues.flatMap((c) => c.actions.map((a) => a.do));
  expect(on({ minutes: 90, stops: [{ kind: 'lunch', times: 1, minutes: 15 }] })).toEqual(['putOn', 'takeOff']);
  expect(on({ minutes: 90, stops: [{ kind: 'hut', times: 1, minutes: 30 }] })).toEqual([]);
  expect(on({ minutes: 90, stops: [{ kind: 'lights', times: 3, minutes: 1 }] })).toEqual([]);
});

test.each([
  [{ minutes: 100 }, false],
  [{ minutes: 101 }, true],
  [{ stops: [{ kind: 'wait' as const, times: 1, minutes: 4 }] }, true],
  [{ stops: [{ kind: 'wait' as const, times: 1, minutes: 3.9 }] }, false],
  [{ stops: [{ kind: 'hut' as const, times: 1, minutes: 40 }] }, false],
  [{ falls: { kind: 'dry snow' as const, mmH: 0.5 } }, true],
  [{ falls: { kind: 'rain' as const, mmH: 0.4 } }, false],
  [{ falls: { kind: 'none' as const, mmH: 2 } }, false],
])('%j is long: %s', (day, long) => expect(isLong(aDoorDay(day))).toBe(long));

test('round the answer: a rung to each side, five efforts of which one is one’s own, and where these rungs hold', () => {
  const q = at({ airC: -6 });
  const a = answerExactly(q);
  const around = aroundDoor(q, a);
  expect(around.cooler === null || around.cooler.rung === a.rung - 1).toBe(true);
  expect(around.warmer === null || around.warmer.rung === a.rung + 1).toBe(true);
  expect(around.efforts).toHaveLength(5);
  // At one's own it is the answer's own number: one water, wherever it is read.
  const atOwn = around.efforts.find((e) => e.exertion === q.day.exertion)!;
  expect(atOwn.waterG).toBe(a.scored.metrics.waterPeak.value);
  expect(atOwn.felt).toEqual(a.felt);
  const watts = around.efforts.map((e) => e.metabolicW);
  expect(watts).toEqual([...watts].sort((x, y) => x - y));
  const water = around.efforts.map((e) => e.waterG);
  expect(water[4]).toBeGreaterThan(water[0]);
  const own = around.reach.find((r) => r.rung === a.rung)!;
  expect(own.coldC!).toBeLessThanOrEqual(-6);
  expect(own.warmC!).toBeGreaterThanOrEqual(-6);
});

test('the same clothes at other hours: wet hours are wetter, cold ones no safer', () => {
  const q = at({ airC: -3 });
  const { plan } = answerExactly(q);
  const [dry, wet, cold] = hoursAtDoor(q, plan, [
    q.day,
    aDoorDay({ airC: 2, falls: { kind: 'rain', mmH: 4 } }),
    aDoorDay({ airC: -30, windMs: 12 }),
  ]);
  expect(wet.waterG).toBeGreaterThan(dry.waterG + 50);
  expect(cold.gravity).toBeGreaterThanOrEqual(dry.gravity);
  expect(cold.safe).toBe(false);
});

test('all that is told, in its order, and the judgement of it is never rosier than its parts', () => {
  const q = at({ airC: -12, windMs: 8, shelter: 'open' });
  const parts = [...answerAtDoor(q)];
  expect(parts.flatMap((p) => Object.keys(p))).toEqual(['answer', 'chances', 'around', 'stuckOut', 'advice']);
  const told = Object.assign({}, ...parts) as DoorTold;
  const { scored, timeline } = told.answer;
  const judged = judge(scored.findings, scored.metrics, besideOf({ timeline }, told));
  if (!isSafe(judged.findings)) expect(told.advice.go).not.toBe('go');
  expect(judged.findings[0]?.severity ?? 0).toBeGreaterThanOrEqual(scored.findings[0]?.severity ?? 0);
});

test('begun from the answer at once the exact one is the same, to the last bit', () => {
  for (const over of [{ airC: -12, windMs: 8 }, { airC: -3 }]) {
    const q = at({ ...over, shelter: 'open' });
    const { rung, plan } = answerAtOnce(q);
    const whole = answerExactly(q);
    const begun = answerExactly(q, () => true, { rung, plan });
    expect([begun.rung, begun.plan, begun.scored.cost]).toEqual([whole.rung, whole.plan, whole.scored.cost]);
  }
});

test('without a ladder there is an answer all the same, and a closet without shoes is refused by name', () => {
  expect(answerAtOnce(atTheDoor()).plan.worn.length).toBeGreaterThan(3);
  const barefoot = HALLWAY.filter((g) => g.group !== 'feet');
  expect(() => answerAtOnce(atTheDoor({ closet: barefoot }))).toThrow(/footwear/);
});

const asked = (airC: number, exertion = 5) => {
  const { person, closet } = atTheDoor();
  return { person, closet, sport: 'run' as const, timeline: answerAtOnce(at({ airC, exertion })).timeline };
};

test('adapting never makes a plan dearer, and makes no change that does not save what is asked', () => {
  const q = asked(-14);
  const from = rungs[0].plan;
  const before = tried({ ...q, plan: from }, from).total;
  const much = adapt(q, from, { kit: 0.05, wearing: 0.02, maxCues: 3 });
  expect(much.total).toBeLessThan(before);
  const none = adapt(q, from, { kit: 1e6, wearing: 1e6, maxCues: 3 });
  expect(none.plan).toEqual(from);
  const kept = adapt(q, from, { kit: 0.05, wearing: 0.02, maxCues: 3, must: (p) => p.worn.includes(from.worn[0]) });
  expect(kept.plan.worn).toContain(from.worn[0]);
});

test('no change leaves the legs bare, the feet unshod or the skin of the torso without a base', () => {
  const q = asked(-6);
  let plan = rungs[rungs.length - 1].plan;
  const is = (group: string, ...roles: string[]) =>
    plan.worn.some((id) => {
      const g = HALLWAY.find((x) => x.id === id)!;
      return g.group === group && (roles.length === 0 || roles.includes(g.role));
    });
  // One after the other, as far as they go.
  for (const c of kitChanges(q, plan)) {
    plan = c.edit(plan);
    expect([is('legs', 'base', 'shell', 'storm', 'over'), is('feet', 'footwear'), is('torso', 'base')]).toEqual([
      true,
      true,
      true,
    ]);
  }
  for (const c of wearingChanges(q, q.timeline, plan))
    expect(c.edit(plan).cues.every((cue) => operations(cue.actions) <= 3)).toBe(true);
});

test('shorts come in the place of the one thing on the legs, and the other way about; over two things there they change nothing', () => {
  const closet = garmentsOf(
    'thin-merino-base',
    'briefs',
    'thin-tights',
    'wind-trousers',
    'running-shorts',
    'thin-socks',
  );
  const q = { closet: [...closet, ...garmentsOf('running-shoes')], sport: 'run' as const };
  const plan = (...legs: string[]) => ({
    ...{ worn: ['thin-merino-base', 'briefs', ...legs, 'thin-socks', 'running-shoes'], carried: [] },
    ...{ openings: {}, cues: [] },
  });
  const legsAfter = (from: ReturnType<typeof plan>) =>
    kitChanges(q, from).map((c) =>
      c
        .edit(from)
        .worn.filter((id) => ['thin-tights', 'wind-trousers', 'running-shorts'].includes(id))
        .join(' '),
    );
  expect(legsAfter(plan('thin-tights'))).toContain('running-shorts');
  expect(legsAfter(plan('running-shorts'))).toEqual(expect.arrayContaining(['thin-tights', 'wind-trousers']));
  const both = legsAfter(plan('thin-tights', 'wind-trousers'));
  expect(both).toContain('thin-tights');
  expect(both.filter((legs) => legs.includes('running-shorts'))).toEqual([]);
});

test('the own rule about the mouth asks for the coldest air outdoors, and for something owned to do it with', () => {
  const holds = (airC: number, mouthBelowC: number | null, closet = HALLWAY) =>
    mouthRuleHolds({ mouthBelowC }, answerAtOnce(at({ airC })).timeline, closet);
  expect([holds(-6, -5), holds(-5, -5), holds(-6, null)]).toEqual([true, false, false]);
  expect(
    holds(
      -6,
      -5,
      HALLWAY.filter((g) => g.group !== 'face'),
    ),
  ).toBe(false);
});

test('weather of days ahead is less sure, and at race effort one opens one zip at a time', () => {
  const day = aDoorDay();
  const lead = (days: number) => leadDaysOf({ day, nowMs: day.startMs - days * 24 * 3600_000 });
  expect([lead(-1), lead(0), lead(3), lead(11), leadDaysOf({ day })]).toEqual([0, 0, 3, 10, 0]);
  const zips = (exertion: number) => zipsOnTheMove(asked(-6, exertion));
  expect([zips(5), zips(7)]).toEqual([3, 1]);
  const race = answerExactly(at({ exertion: 8, airC: -6 }));
  for (const c of race.plan.cues) expect(operations(c.actions)).toBe(1);
});
