import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { alarms, newWatch, WATCH, watchOf, weakness } from '@/core/judge/watch';
import { cutShort } from '@/core/plan/cutShort';
import { advise } from '@/core/plan/bestStart';
import { alongOf } from '@/core/plan/edit';
import { makePlan } from '@/core/plan/planner';
import { checkWishes, PLAIN_WISHES } from '@/core/plan/wishes';
import { wouldBeSafe } from '@/core/plan/wouldBeSafe';
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
    const t = cutShort(bitter, short.minutes! * 60)!;
    const again = makePlan({ ...request, timeline: t });
    expect(again.safe).toBe(true);
  }
  expect(cutShort(bitter, 0)).toBeNull();
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
  const garments = alongOf(THIN, fine.plan);
  const ask = { person: AVERAGE_PERSON, garments, plan: fine.plan };
  expect(advise(ask, mild, fine.scored).go).toBe('go');
  expect(advise({ ...ask, floorC: 10 }, mild, fine.scored)).toMatchObject({
    go: 'not today',
    reason: expect.stringContaining('your own floor'),
  });
});

test('the alarms the search counts are the alarms the verdict names', () => {
  expect(alarms(watchOf(planned.scored.metrics))).toBe(planned.scored.findings.filter((f) => f.severity === 3).length);
  expect(alarms(newWatch())).toBe(0);
  const w = newWatch();
  w[WATCH.shiverMinutes] = 10;
  expect(weakness(w)).toBeCloseTo(1, 9);
  w[WATCH.shiverMinutes] = 5;
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
