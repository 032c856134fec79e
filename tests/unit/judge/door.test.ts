import { AVERAGE_PERSON } from '@/core/body/person';
import { clothesGravity, coldIn, holdsBetter, hotIn, partOf } from '@/core/judge/clothesHold';
import { coldestByPart } from '@/core/judge/coldestByPart';
import { FELT, feltOf, RIGHT } from '@/core/judge/felt';
import type { Finding, FindingKind } from '@/core/judge/findings';
import { needsOf } from '@/core/judge/needs';
import { scorePlan, type Scored } from '@/core/judge/scorePlan';
import { judge } from '@/core/judge/judgement';
import { outingAtDoor } from '@/core/outing/doorDay';
import { timelineOf } from '@/core/outing/outing';
import { doorVerdict, feltBrief, feltWords } from '@/formats/doorWords';
import { aDoorDay, HALLWAY } from '#tests/support/door';
import { garmentsOf } from '#tests/support/outings';

const MIN = 60;
const felt = (...votes: number[]) => feltOf({ sensation: Float64Array.from([0, ...votes]) }, MIN);
const many = (n: number, v: number): number[] => Array.from({ length: n }, () => v);

test('the first sample is still indoors; the coolest of five minutes is how the door feels', () => {
  expect(felt(-0.2, -1.1, -0.4, 0.1).atDoor).toBe(-1.1);
  expect(felt(...many(6, 0), -2).atDoor).toBe(0);
});

test('right from the vote on at which it is right, on both sides of each limit', () => {
  expect(felt(RIGHT.from).rightAtS).toBe(0);
  expect(felt(RIGHT.from - 0.01, RIGHT.from - 0.01, RIGHT.from).rightAtS).toBe(3 * MIN);
  expect(felt(RIGHT.to).rightAtS).toBe(0);
  expect(felt(RIGHT.to + 0.01).rightAtS).toBeNull();
  expect(felt(...many(9, FELT.hot)).hotMinutes).toBe(9);
  expect(felt(...many(9, FELT.hot - 0.01)).hotAtS).toBeNull();
  expect(felt(FELT.cold).coldAtS).toBe(MIN);
  expect(felt(FELT.cold + 0.01).coldAtS).toBeNull();
});

test.each([
  [felt(0, 0, 0), 'Right from the door.', 'right'],
  [felt(-1, ...many(8, -0.9), 0), 'Cool at the door, right after ten minutes.', 'right 0:10'],
  [felt(-1, -0.9, ...many(20, -0.9)), 'Cool at the door and all the way.', 'cool'],
  [felt(-1.6, -1.6, -1.6, 0), 'Cold at the door, right after four minutes.', 'right 0:04'],
  [felt(0, ...many(4, 2)), 'Right from the door, hot from 0:02 for four minutes.', 'hot 4 min'],
  [felt(-2, ...many(9, -2)), 'Cold at the door and not right on the way.', 'cool'],
])('how it feels in words: %#', (f, words, brief) => {
  expect(feltWords(f)).toBe(words);
  expect(feltBrief(f)).toBe(brief);
});

const found = (kind: FindingKind, severity: Finding['severity']): Finding => ({
  kind,
  severity,
  atS: 0,
  value: 1,
  unit: '°C',
  limit: 2,
  what: 'Your thing',
  means: 'something',
});
const run = (total: number, ...list: Finding[]): Scored => ({ total, findings: list }) as Scored;

test('what other clothes could mend counts for the clothes; night and airways do not', () => {
  expect(clothesGravity(run(1, found('dark', 1), found('airways', 2), found('ice', 2)))).toBe(0);
  expect(clothesGravity(run(1, found('fingers', 2)))).toBe(2);
  expect(coldIn(run(1, found('face', 1)))).toBeUndefined();
  expect(partOf(coldIn(run(1, found('toes', 2)))!)).toBe('feet');
  expect(hotIn(run(1, found('overheated', 2)))!.kind).toBe('overheated');
  expect(hotIn(run(1, found('too hot', 1)))).toBeUndefined();
});

test('a graver fault loses whatever it costs; of equals the cheaper wins, by as many points as are asked', () => {
  expect(holdsBetter(run(9), run(1, found('fingers', 2)))).toBe(true);
  expect(holdsBetter(run(1, found('fingers', 2)), run(9))).toBe(false);
  expect(holdsBetter(run(1), run(1.04), 0.05)).toBe(false);
  expect(holdsBetter(run(1), run(1.06), 0.05)).toBe(true);
  // A note is no fault.
  expect(holdsBetter(run(1, found('face', 1)), run(1.5))).toBe(true);
});

const anHour = (airC: number) => timelineOf(outingAtDoor(aDoorDay({ airC, minutes: 60 }), null), AVERAGE_PERSON);
const PLAN = {
  worn: ['thin-synthetic-base', 'briefs', 'thin-tights', 'wool-socks', 'running-shoes'],
  carried: [],
  openings: {},
  cues: [],
};

test('the coldest of each part is that of the run, and the bare face is colder than what covers it', () => {
  const s = scorePlan(AVERAGE_PERSON, HALLWAY, anHour(-8), PLAN);
  const c = coldestByPart(s.series);
  expect(c.hands.value).toBeCloseTo(s.metrics.fingers.value, 9);
  expect(c.feet.value).toBeCloseTo(s.metrics.toes.value, 9);
  expect(c.face.value).toBeCloseTo(s.metrics.face.value, 9);
  expect(c.torso.value).toBeLessThanOrEqual(s.metrics.torso.value);
});

test('a headline is never rosier than what is below it', () => {
  const cold = scorePlan(AVERAGE_PERSON, HALLWAY, anHour(-18), PLAN);
  const of = (s: Scored) => {
    const f = feltOf(s.metrics, s.series.stepS);
    return doorVerdict(judge(s.findings, s.metrics), f, { scored: s, without: null }, 'metric');
  };
  expect(cold.findings[0].severity).toBe(3);
  expect(of(cold)).toMatchObject({ tone: 'fails', lead: expect.stringContaining('not safe') as string });
  const mild = scorePlan(AVERAGE_PERSON, HALLWAY, anHour(8), PLAN);
  expect(of(mild).lead).toMatch(/door/);
});

const PLACE = { latitude: 54.5, longitude: -2.6, utcOffsetMin: 0, eleM: 210 };
const needs = (over: Parameters<typeof aDoorDay>[0], ...along: string[]) => {
  const day = aDoorDay(over);
  const timeline = timelineOf(outingAtDoor(day, PLACE), AVERAGE_PERSON);
  return needsOf(day, timeline, garmentsOf(...along)).map((n) => n.kind);
};
const noon = Date.UTC(2027, 0, 12, 12);

test('what matters beside clothes is said when it matters, and not otherwise', () => {
  expect(needs({ startMs: Date.UTC(2027, 0, 12, 6) })).toEqual(['light', 'reflective', 'traction', 'drink']);
  expect(needs({ startMs: noon, airC: 6 })).toEqual([]);
  expect(needs({ startMs: Date.UTC(2027, 0, 12, 6), airC: 6, shelter: 'forest' })).toEqual(['light']);
  // Both sides of each limit.
  expect(needs({ startMs: noon, airC: 1 })).toEqual(['traction']);
  expect(needs({ startMs: noon, airC: 1.1 })).toEqual([]);
  expect(needs({ startMs: noon, airC: -4, minutes: 45 })).toContain('drink');
  expect(needs({ startMs: noon, airC: -4, minutes: 44 })).not.toContain('drink');
  expect(needs({ startMs: noon, airC: -3.9 })).not.toContain('drink');
  const inSnow = { startMs: noon, airC: -3, sport: 'hike', falls: { kind: 'dry snow', mmH: 1 } } as const;
  for (const shoes of [[], ['winter-running-shoes']]) expect(needs(inSnow, ...shoes)).toContain('gaiters');
  for (const closed of ['gaiters', 'winter-boots']) expect(needs(inSnow, closed)).not.toContain('gaiters');
  expect(needs({ startMs: noon, airC: -3, falls: { kind: 'dry snow', mmH: 1 } })).not.toContain('gaiters');
});
