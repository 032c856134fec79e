import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { alarms, newExtremes, EXTREME, extremesOf, weakness } from '@/core/judge/extremes';
import { truncate } from '@/core/outing/truncate';
import { advise } from '@/core/questions/bestStart';
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

test('a shorter day that is called safe is safe when it is run', () => {
  const short = wouldBeSafe({ ...request, more: [], plan: planned.plan }).find((r) => r.kind === 'shorter');
  if (short) {
    const t = truncate(bitter, short.minutes! * 60)!;
    const again = makePlan({ ...request, timeline: t });
    expect(again.safe).toBe(true);
  }
  expect(truncate(bitter, 0)).toBeNull();
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
  expect(advise({ ...ask, floorC: 10 }, fine.scored)).toMatchObject({
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
