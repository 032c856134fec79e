import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { alarms, newExtremes, EXTREME, extremesOf, weakness } from '@/core/judge/extremes';
import { alarmsIn, isSafe } from '@/core/judge/findings';
import type { Plan } from '@/core/kit/plan';
import { truncate } from '@/core/outing/truncate';
import { advise } from '@/core/questions/advise';
import { runInFull } from '@/core/questions/question';
import { makePlan } from '@/core/search/planner';
import { checkWishes, PLAIN_WISHES } from '@/core/search/wishes';
import { wouldBeSafe } from '@/core/questions/wouldBeSafe';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';

const THIN = garmentsOf(
  'thin-merino-base',
  'wind-shell',
  'briefs',
  'thin-tights',
  'wool-socks',
  'winter-boots',
  'thin-cap',
  'wind-gloves',
);
const bitter = dayOf(
  [
    aLeg({ name: 'Out', sport: 'hike', minutes: 60, effort: { by: 'metabolic', value: 420 } }),
    aLeg({ name: 'View', sport: 'stand', minutes: 30, effort: { by: 'usual' }, air: { wind: 7 } }),
    aLeg({ name: 'Home', sport: 'hike', minutes: 50, effort: { by: 'metabolic', value: 400 } }),
  ],
  -19,
  4,
);
const request = { person: AVERAGE_PERSON, closet: THIN, timeline: bitter, sport: 'hike' as const };
const planned = makePlan(request);

test('when no plan of the closet is safe it says so, and what would be', () => {
  expect(planned.safe).toBe(false);
  const list = wouldBeSafe({ ...request, more: CATALOGUE, plan: planned.plan });
  expect(list.length).toBeGreaterThan(0);
  const before = planned.scored.findings.filter((f) => f.severity === 3).length;
  list.forEach((r, i) => {
    expect(r.alarms).toBeLessThan(before);
    if (i > 0) expect(r.alarms).toBeGreaterThanOrEqual(list[i - 1].alarms);
    if (r.garment) expect(THIN.map((g) => g.id)).not.toContain(r.garment);
    if (r.minutes) expect(r.minutes).toBeLessThan(bitter.endS / 60);
  });
});

/** Two hours on foot that are fine, then a long wait at a cold viewpoint that is not. */
const coldEnd = dayOf(
  [
    aLeg({ name: 'Up', sport: 'hike', minutes: 90, effort: { by: 'metabolic', value: 520 } }),
    aLeg({ name: 'Waiting', sport: 'stand', minutes: 90, effort: { by: 'usual' }, air: { wind: 7 } }),
  ],
  -12,
  3,
);
const dressed = { ...request, timeline: coldEnd };
const worn: Plan = { worn: THIN.map((g) => g.id), carried: [], openings: {}, cues: [] };

test('a shorter day that is called safe is safe when it is run, and one step longer is not', () => {
  const short = wouldBeSafe({ ...dressed, more: [], plan: worn }).find((r) => r.kind === 'shorter')!;
  const safe = (minutes: number) =>
    isSafe(runInFull({ ...dressed, plan: worn, timeline: truncate(coldEnd, minutes * 60)! }).findings);
  expect(short.minutes).toBeWithin(90, 170);
  expect(safe(short.minutes!)).toBe(true);
  expect(safe(short.minutes! + 10)).toBe(false);
  expect(truncate(bitter, 0)).toBeNull();
});

test('who turns back does so at four fifths of the way to the alarm, if that is an outing at all', () => {
  const ask = { person: AVERAGE_PERSON, closet: THIN, timeline: coldEnd, plan: worn };
  const scored = runInFull(ask);
  const [alarm] = alarmsIn(scored.findings);
  // The same alarm half an hour out leaves 24 minutes, which is no outing; a little later leaves 25, which is one.
  const soon = (atS: number) => advise(ask, { ...scored, findings: [{ ...alarm, atS }] }).go;
  expect(soon((25 * 60) / 0.8 - 30)).toBe('not today');
  expect(soon((25 * 60) / 0.8 + 30)).toBe('go shorter');
  expect(advise(ask, { ...scored, findings: [{ ...alarm, atS: 100 * 60 }] })).toMatchObject({
    go: 'go shorter',
    minutes: 80,
  });
  // Turned back only after the long wait has begun to bite, it is of no use.
  expect(soon(175 * 60)).toBe('not today');
});

test('a safe plan needs no remedy; the athlete’s own floor comes before everything', () => {
  const mild = dayOf(
    [aLeg({ name: 'Out', sport: 'hike', minutes: 30, effort: { by: 'metabolic', value: 520 } })],
    6,
    1,
  );
  const fine = makePlan({ ...request, timeline: mild });
  expect(fine.safe).toBe(true);
  expect(wouldBeSafe({ ...request, timeline: mild, more: CATALOGUE, plan: fine.plan })).toEqual([]);
  const ask = { person: AVERAGE_PERSON, closet: THIN, timeline: mild, plan: fine.plan };
  expect(advise(ask, fine.scored).go).toBe('go');
  expect(advise(ask, fine.scored, { floorC: 10 })).toMatchObject({
    go: 'not today',
    reason: expect.stringContaining('your own floor'),
  });
});

test('the alarms the search counts are the alarms the verdict names', () => {
  expect(alarms(extremesOf(planned.scored.metrics))).toBe(
    planned.scored.findings.filter((f) => f.severity === 3).length,
  );
  expect(alarms(newExtremes())).toBe(0);
  const w = newExtremes();
  w[EXTREME.shiverMinutes] = 10;
  expect(weakness(w)).toBeCloseTo(1, 9);
  w[EXTREME.shiverMinutes] = 5;
  expect(weakness(w)).toBeCloseTo(1 / 16, 9);
});

test.each([
  [{ weights: { caution: 5, fuss: 1, weight: 1 } }, 'weight of caution is 5; allowed: 0.2 to 3'],
  [{ maxCues: 40 }, 'most cues is 40'],
  [{ waiting: -1 }, 'people waiting is -1'],
  [{ floorC: 40 }, 'own floor is 40'],
])('wishes out of range are refused by name: %j', (over, says) => {
  expect(() => checkWishes({ ...PLAIN_WISHES, ...over })).toThrow(says);
});
