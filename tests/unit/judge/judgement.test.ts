import { airways } from '@/core/judge/airways';
import { besideFindings, gravestStuck, judge } from '@/core/judge/judgement';
import { findings } from '@/core/judge/findings';
import { stopLoss } from '@/core/judge/stopLoss';
import { AVERAGE_PERSON } from '@/core/body/person';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import { plainVerdict } from '@/formats/sentences';
import { calm } from '#tests/support/calm';
import { aLeg, dayOf, garmentsOf } from '#tests/support/outings';
import { scorePlan } from '@/core/judge/scorePlan';

const FINE = {
  stretches: [{ startS: 0, leg: 0, sport: 'hike', wind10: 3, airC: -5, precipitation: 'none', precipitationMmH: 0 }],
  legs: [{ name: 'Up', shelter: 'open' }],
  slowed: [],
  beyond: null,
};
const day = (over: object = {}) => ({ ...FINE, ...over }) as unknown as Timeline;
const at = (value: number) => ({ value, atS: 600 });

test('a calm run with nothing beside it is go, and says only as forecast', () => {
  const j = judge(findings(calm(), day()), calm());
  expect(j.go).toBe('go');
  expect(plainVerdict(j.verdict)).toMatch(/^It holds as forecast/);
});

/** Nobody goes at one chance in three of not being safe; one in ten wants care. */
test.each([
  [0, 'go', 'holds'],
  [0.09, 'go', 'holds'],
  [0.11, 'with care', 'weak'],
  [0.32, 'with care', 'weak'],
  [0.34, 'not today', 'fails'],
  [1, 'not today', 'fails'],
] as const)('with %d of the runs unsafe it is "%s", and the headline %s', (unsafeShare, go, tone) => {
  const j = judge([], calm(), { unsafeShare });
  expect([j.go, j.verdict.tone]).toEqual([go, tone]);
});

test.each([
  [null, 2, 0],
  [4.1, 2, 0],
  [3.9, 2, 1],
  [1.9, 2, 2],
  [0.7, 2, 3],
  [0.7, 0.2, 2],
  [1.9, 0.2, 1],
])('danger in %s h and the door %d h away is of gravity %d', (dangerH, doorH, gravity) => {
  const list = besideFindings({ stuck: [{ where: 'Saddle', atS: 0, dangerH, doorH }] });
  expect(list.map((f) => f.severity)).toEqual(gravity === 0 ? [] : [gravity]);
});

test('one’s own floor comes before comfort, and is said with both numbers', () => {
  const j = judge([], calm(), { floor: { feelsC: -12, floorC: -5 } });
  expect(j.go).toBe('not today');
  expect(plainVerdict(j.verdict)).toContain('−12');
  expect(plainVerdict(j.verdict)).toContain('−5');
  expect(judge([], calm(), { floor: { feelsC: -4, floorC: -5 } }).go).toBe('go');
});

test('nothing above is rosier than what is below: headline, advice and findings share their gravest', () => {
  for (const over of [{ fingers: at(7) }, { felt: at(-50) }, { feltBare: at(-41) }, { toes: at(14) }, {}]) {
    const m = calm(over);
    for (const unsafeShare of [0, 0.2, 0.5]) {
      const j = judge(findings(m, day()), m, { unsafeShare });
      const worst = Math.max(0, ...j.findings.map((f) => f.severity));
      expect(j.verdict.tone).toBe(worst === 3 ? 'fails' : worst === 2 ? 'weak' : 'holds');
      expect(j.go).toBe(worst === 3 ? 'not today' : worst === 2 ? 'with care' : 'go');
    }
  }
});

test('−40 °C and a gale is not go, whatever is worn', () => {
  const m = calm({ felt: at(-66), feltBare: at(Infinity) });
  expect(judge(findings(m, day()), m).go).toBe('not today');
});

test('a forecast that ends, a leg cut to what can be held, and night are said', () => {
  const kinds = (t: Timeline) => findings(calm(), t).map((f) => [f.kind, f.severity]);
  expect(kinds(day({ beyond: { atS: 3600, hours: 2 } }))).toEqual([['forecast', 2]]);
  const slowed = (askedW: number) => ({
    legs: [{ name: 'Wall' }],
    slowed: [{ leg: 0, atS: 0, askedW, heldW: 900, given: 20, takes: 30 }],
  });
  expect(kinds(day(slowed(1000)))).toEqual([['slowed', 2]]);
  expect(kinds(day(slowed(980)))).toEqual([['slowed', 1]]);
  const sun = (sunDeg: number) => ({ stretches: [{ ...FINE.stretches[0], sport: 'hike', sunDeg }] });
  expect(kinds(day(sun(-6.1)))).toEqual([['dark', 1]]);
  expect(kinds(day(sun(-5.9)))).toEqual([]);
});

/** Race effort below −15 °C and long hard breathing below −20 °C (common practice, no published source); asthma earlier. */
test.each([
  [0.72, -15, 6, 'all'],
  [0.72, -15, 4, 'none'],
  [0.72, -14.9, 6, 'none'],
  [0.72, -14.9, 12, 'asthma'],
  [0.68, -19, 60, 'asthma'],
  [0.52, -20, 31, 'all'],
  [0.52, -20, 29, 'asthma'],
  [0.48, -30, 90, 'none'],
  [0.52, -10, 11, 'asthma'],
  [0.52, -9.9, 11, 'none'],
] as const)('at %d of the maximum in %d °C for %d min airways are warned of for %s', (share, airC, minutes, load) => {
  const most = (50 * 72 * 348) / 1000;
  const stretch = { startS: 0, endS: minutes * 60, airC, metabolicW: share * most } as Stretch;
  expect(airways(day({ stretches: [stretch] }), AVERAGE_PERSON).load).toBe(load);
});

test('what a core hot from work gives back is no chill; the rest of the heat lost at a stop is', () => {
  const from = { debtWhM2: -20, coreC: 37.8 };
  const own = (0.9 * 0.7 * 0.97 * 72) / 1.88;
  expect(stopLoss(from, { debtWhM2: -20 + own, coreC: 36.9 }, AVERAGE_PERSON)).toBeWithin(0, 0.5);
  expect(stopLoss(from, { debtWhM2: own, coreC: 36.9 }, AVERAGE_PERSON)).toBeCloseTo(20, 0);
  expect(stopLoss(from, { debtWhM2: -30, coreC: 37.8 }, AVERAGE_PERSON)).toBe(0);
});

test('every stop has a loss of its own and costs by it, and standing before the start is a stop', () => {
  const stand = (minutes: number) => aLeg({ sport: 'stand', minutes, effort: { by: 'usual' } });
  const outing = dayOf([stand(10), aLeg({ minutes: 40 }), stand(15), aLeg({ minutes: 30 })], -10, 4);
  const kit = garmentsOf('thin-merino-base', 'wind-shell', 'briefs', 'thin-tights', 'wool-socks', 'touring-boots');
  const plan = { worn: kit.map((g) => g.id), carried: [], openings: {}, cues: [] };
  const { metrics, cost } = scorePlan(AVERAGE_PERSON, kit, outing, plan);
  expect(metrics.stopLosses).toHaveLength(2);
  const [pen, halt] = metrics.stopLosses;
  expect(Math.min(pen, halt)).toBeGreaterThan(2);
  expect(metrics.stopLoss.value).toBe(Math.max(pen, halt));
  expect(cost.afterChill).toBeCloseTo(1.5 * ((pen / 20) ** 2 + (halt / 20) ** 2), 9);
});

test('of places to be stuck at the gravest counts, of those as grave the one where danger comes first; where none is grave, none', () => {
  const place = (where: string, dangerH: number | null, doorH = 1) => ({ where, atS: 0, dangerH, doorH });
  // Three and a half hours far from a door are noted, one and a half are a weak point; beside a door each counts one less.
  expect(gravestStuck([place('far', 3.5), place('cold', 1.5), place('colder', 1.2)])?.where).toBe('colder');
  expect(gravestStuck([place('by the door', 1.2, 0.2), place('far', 1.9)])?.where).toBe('far');
  expect(gravestStuck([place('never', null), place('late', 4.1), place('by the door', 3.9, 0.25)])).toBeUndefined();
  expect(gravestStuck([place('in time', 3.9)])?.severity).toBe(1);
});
