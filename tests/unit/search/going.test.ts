import { AVERAGE_PERSON } from '@/core/body/person';
import { atPace, inShelter } from '@/core/outing/pacing';
import { applyPace } from '@/core/kit/applyPace';
import { mergeStretches } from '@/core/outing/mergeStretches';
import { moveCue } from '@/core/kit/edit';
import { Course } from '@/core/search/course';
import { pacesHeld } from '@/core/search/cuesChanged';
import { makePlan } from '@/core/search/planner';
import { goingWays } from '@/core/search/waysToWear';
import { phases } from '@/core/outing/moments';
import { scorePlan } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import { aLeg, dayOf, garmentsOf, SKI_CLOSET, upStopDown } from '#tests/support/outings';
import { tidy } from '@/core/kit/replay';

const day = upStopDown();
const plan: Plan = { worn: SKI_CLOSET.slice(0, 9).map((g) => g.id), carried: [], openings: {}, cues: [] };
const heat = (t: typeof day) => t.stretches.reduce((s, x) => s + x.metabolicW * (x.endS - x.startS), 0);

test('easier is less work above standing, slower and with less own wind; the clock is kept', () => {
  const [s] = day.stretches;
  const easy = atPace({ ...s, speedMs: 2, wind10: 4 }, { shelter: 'open' }, 0.5);
  expect(easy.metabolicW).toBeWithin(0.5 * s.metabolicW, 0.75 * s.metabolicW);
  expect(easy.speedMs).toBe(1);
  expect(easy.externalW).toBeCloseTo(0.5 * s.externalW, 6);
  expect(easy.endS).toBe(s.endS);
  expect(atPace(s, { shelter: 'open' }, 1)).toMatchObject({ metabolicW: s.metabolicW, relativeWind: s.relativeWind });
});

test('a cue’s pace holds from the cue to its end and nowhere else', () => {
  const paced = applyPace(day, [{ atS: 3000, actions: [], pace: { share: 0.75, untilS: 4200 } }]);
  expect(paced.endS).toBe(day.endS);
  for (const s of paced.stretches) {
    const before = day.stretches.find((x) => s.startS >= x.startS - 1e-6 && s.endS <= x.endS + 1e-6)!;
    const eased = s.startS >= 3000 - 1e-6 && s.endS <= 4200 + 1e-6;
    expect(s.metabolicW < before.metabolicW - 1).toBe(eased);
  }
  expect(applyPace(day, [{ atS: 60, actions: [] }])).toBe(day);
});

test('slowing down before the top brings less water to the stop', () => {
  const warm: Plan = { ...plan, worn: [...plan.worn, 'warm-hat'] };
  const run = (cues: Plan['cues']) => scorePlan(AVERAGE_PERSON, SKI_CLOSET, day, { ...warm, cues });
  const as = run([]);
  const slow = run([{ atS: 3000, actions: [], pace: { share: 0.6, untilS: 4200 } }]);
  const water = (s: typeof as) => s.metrics.waterG[70];
  expect(water(slow)).toBeLessThan(water(as) - 5);
  expect(slow.cost.changes).toBeGreaterThan(as.cost.changes);
});

test('in the lee of the trees a stop is calmer, never windier', () => {
  const top = day.stretches.find((s) => s.leg === 1)!;
  const lee = inShelter(top, { shelter: 'ridge' });
  expect(lee.relativeWind).toBeLessThan(0.5 * top.relativeWind);
  expect(inShelter(top, { shelter: 'forest' }).relativeWind).toBe(top.relativeWind);
});

test('an edit keeps pace and shelter with their cue, and drops them where their end has passed', () => {
  const cue = { atS: 3000, actions: [], pace: { share: 0.75, untilS: 4200 } };
  expect(tidy({ ...plan, cues: [cue] }).cues).toEqual([cue]);
  expect(moveCue({ ...plan, cues: [cue] }, 0, 3600).cues[0]).toMatchObject({ atS: 3600, pace: cue.pace });
  expect(moveCue({ ...plan, cues: [cue] }, 0, 5000).cues).toEqual([]);
});

test('a coarser timeline has fewer stretches, the same clock and the same work', () => {
  const fewer = mergeStretches(day);
  expect(fewer.stretches.length).toBeLessThan(day.stretches.length / 2);
  expect(heat(fewer)).toBeCloseTo(heat(day), 3);
  fewer.stretches.forEach((s, i) => {
    if (i > 0) expect(s.startS).toBeCloseTo(fewer.stretches[i - 1].endS, 6);
  });
});

test('where the weather turns within a leg there is a moment to act', () => {
  const turning = dayOf([aLeg({ minutes: 40 }), aLeg({ minutes: 40 })]);
  const windy = {
    ...turning,
    stretches: turning.stretches.map((s) => (s.startS >= 1200 && s.leg === 0 ? { ...s, wind10: s.wind10 + 6 } : s)),
  };
  const where = phases(windy).map((p) => p.where);
  expect(where).toContain('when the wind rises, Leg');
  expect(phases(turning).some((p) => p.where.startsWith('when'))).toBe(false);
});

test('who goes on from shelter into wind dresses before it, where the wind is much more and the leg long enough', () => {
  const where = (wind: number, minutes = 40, more = {}) => {
    const below = aLeg({ name: 'Wood', minutes, air: { wind: 1 }, ...more });
    return phases(dayOf([below, aLeg({ name: 'Ridge', minutes: 40, air: { wind } })])).map((p) => [p.startS, p.where]);
  };
  expect(where(4.5)).toContainEqual([2400 - 180, 'before the wind of Ridge']);
  expect(where(3.5)).toContainEqual([2400, 'into Ridge']);
  expect(where(9, 15)).toContainEqual([900 - 180, 'before the wind of Ridge']);
  expect(where(9, 14)).toContainEqual([840, 'into Ridge']);
  expect(where(9, 40, { noStopping: true })).toContainEqual([2400, 'into Ridge']);
  // A stop is the place to dress for what follows it.
  expect(where(9, 40, { sport: 'stand' })).toContainEqual([2400, 'leaving, Ridge']);
});

test('who leaves a hut dresses in it, where there was time enough, for the way as for a stop outside', () => {
  const after = (minutes: number, sport: 'hut' | 'drive', next: 'hike' | 'stand') => {
    const legs = [
      aLeg({ name: 'Up', minutes: 40 }),
      aLeg({ name: 'Roof', sport, minutes, shelter: 'indoor', effort: { by: 'usual' } }),
      aLeg({ name: 'On', sport: next, minutes: 40, effort: { by: 'usual' } }),
    ];
    const { startS, where, halted, stop } = phases(dayOf(legs)).find((p) => p.where.endsWith(', On'))!;
    return [startS - (40 + minutes) * 60, where, halted, stop];
  };
  expect(after(15, 'hut', 'hike')).toEqual([-180, 'before leaving, On', true, false]);
  expect(after(14, 'hut', 'hike')).toEqual([0, 'leaving, On', true, false]);
  expect(after(30, 'hut', 'stand')).toEqual([-180, 'before leaving, On', true, true]);
  // Nobody dresses while they drive.
  expect(after(30, 'drive', 'hike')).toEqual([0, 'leaving, On', true, false]);
});

describe('what the search may do beside layers', () => {
  const cold = dayOf(
    [
      aLeg({ name: 'In', sport: 'snowshoe', minutes: 50, effort: { by: 'metabolic', value: 420 } }),
      aLeg({ name: 'Wait', sport: 'stand', minutes: 20, effort: { by: 'usual' } }),
      aLeg({ name: 'Out', sport: 'snowshoe', minutes: 40, effort: { by: 'metabolic', value: 380 } }),
    ],
    -22,
    3,
  );
  const closet = garmentsOf(
    'midweight-merino-base',
    'pile-fleece',
    'soft-shell',
    'belay-parka',
    'wind-briefs',
    'brushed-tights',
    'soft-trousers',
    'wool-socks',
    'winter-boots',
    'warm-mitts',
    'warm-hat',
    'fleece-tube',
    'hand-warmers',
    'toe-warmers',
  );
  const make = (with_: typeof closet) =>
    makePlan({ person: { ...AVERAGE_PERSON, constriction: 1.8 }, closet: with_, timeline: cold, sport: 'snowshoe' });

  test('a short outing has no moment that it never comes to', () => {
    const where = (minutes: number) => phases(dayOf([aLeg({ minutes })])).map((p) => p.where);
    expect(where(6)).toEqual(['at the start']);
    expect(where(15)).not.toContain('eight minutes in');
    expect(where(16)).toContain('eight minutes in');
  });

  test('cold hands and feet are given warmers where there are some, and are the warmer for it', () => {
    const warmed = make(closet);
    const without = make(closet.filter((g) => g.role !== 'heater'));
    const along = [...warmed.plan.worn, ...warmed.plan.carried];
    expect(along.some((id) => id.endsWith('warmers'))).toBe(true);
    expect(warmed.scored.total).toBeLessThan(without.scored.total);
  });

  test('people waiting make a halt dearer and never more frequent', () => {
    const alone = make(closet);
    const led = makePlan({
      person: { ...AVERAGE_PERSON, constriction: 1.8 },
      closet,
      timeline: cold,
      sport: 'snowshoe',
      waiting: 6,
    });
    expect(led.plan.cues.length).toBeLessThanOrEqual(alone.plan.cues.length);
    expect(() => make([])).toThrow('closet');
  });
});

test('waiting at a race start in a jacket that comes off at the line; in the race nothing that needs a halt', () => {
  const race = dayOf(
    [
      aLeg({ name: 'Start area', sport: 'stand', minutes: 20, effort: { by: 'usual' } }),
      aLeg({
        name: 'Race',
        sport: 'classic ski',
        minutes: 75,
        noStopping: true,
        effort: { by: 'metabolic', value: 850 },
      }),
    ],
    -10,
    3,
  );
  const closet = garmentsOf(
    'thin-merino-base',
    'wind-vest',
    'standby-puffy',
    'wind-briefs',
    'ski-tights',
    'puffy-overtrousers',
    'wool-socks',
    'nordic-boots',
    'liner-gloves',
    'warm-mitts',
    'thin-cap',
  );
  const planned = makePlan({ person: AVERAGE_PERSON, closet, timeline: race, sport: 'classic ski' });
  expect(planned.plan.worn).toContain('standby-puffy');
  const line = planned.plan.cues.find((c) => Math.abs(c.atS - 1200) < 61)!;
  expect(line.actions).toContainEqual({ do: 'takeOff', garment: 'standby-puffy' });
  const layers = new Set(
    closet.filter((g) => g.group === 'torso' || g.group === 'legs' || g.group === 'feet').map((g) => g.id),
  );
  for (const c of planned.plan.cues.filter((x) => x.atS > 1300))
    for (const a of c.actions) if (a.do !== 'set') expect(layers.has(a.garment)).toBe(false);
});

test('a day with more turns than anybody remembers still ends in few cues', () => {
  const legs = Array.from({ length: 24 }, (_, i) =>
    i % 3 === 2
      ? aLeg({ name: `Stop ${i}`, sport: 'stand', minutes: 12, effort: { by: 'usual' } })
      : aLeg({ name: `Leg ${i}`, minutes: 25, effort: { by: 'metabolic', value: 450 + 100 * (i % 4) } }),
  );
  const planned = makePlan({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: dayOf(legs), sport: 'ski tour' });
  expect(planned.plan.cues.length).toBeLessThanOrEqual(12);
  expect(planned.curve[0].cues).toBe(0);
  expect(planned.scored.total).toBeLessThanOrEqual(planned.curve[0].cost + 0.2);
});

test('a jacket worn down to a stretch without stopping is not a dead end: there is always a plan, and one without cues', () => {
  const closet = [...SKI_CLOSET, ...garmentsOf('puffy-overtrousers')];
  const timeline = dayOf(
    [
      aLeg({ name: 'Down', sport: 'downhill ski', minutes: 25, effort: { by: 'usual' } }),
      aLeg({ name: 'Roped', minutes: 50, noStopping: true, effort: { by: 'metabolic', value: 650 } }),
      aLeg({ name: 'Lift', sport: 'chairlift', minutes: 12, effort: { by: 'usual' } }),
      aLeg({ name: 'Roped again', minutes: 30, noStopping: true, effort: { by: 'metabolic', value: 650 } }),
    ],
    -18,
    6,
  );
  const planned = makePlan({ person: AVERAGE_PERSON, closet, timeline, sport: 'ski tour' });
  expect(planned.curve[0].cues).toBe(0);
  expect(Number.isFinite(planned.scored.total)).toBe(true);
});

test('a pace that is held over several moments is told once, and costs what the search paid for it', () => {
  const hot = dayOf(
    [
      aLeg({ minutes: 80, effort: { by: 'metabolic', value: 780 } }),
      aLeg({ name: 'Top', sport: 'stand', minutes: 15, effort: { by: 'usual' } }),
    ],
    22,
    1,
  );
  const closet = garmentsOf(
    'briefs',
    'thin-synthetic-base',
    'thin-tights',
    'thin-socks',
    'touring-boots',
    'wind-shell',
  );
  const { plan: found, curve, scored } = makePlan({ person: AVERAGE_PERSON, closet, timeline: hot, sport: 'ski tour' });
  const paced = found.cues.filter((c) => c.pace);
  expect(paced.length).toBeGreaterThan(0);
  // Over eight minutes in, half way and before the top.
  expect(Math.max(...paced.map((c) => c.pace!.untilS - c.atS))).toBeGreaterThan(2000);
  for (const c of paced)
    expect(paced.some((o) => o !== c && o.atS === c.pace!.untilS && o.pace!.share === c.pace!.share)).toBe(false);
  expect(curve.find((p) => p.plan === found)!.cost).toBeCloseTo(scored.total, 9);
});

test('a pace is held until every other natural moment of the way, but not over a stop nor into another pace', () => {
  const request = { person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: day, sport: 'ski tour' } as const;
  const stop = phases(day).find((m) => m.stop)!;
  const ends = phases(day).flatMap((m) => (m.endS <= stop.startS ? [m.endS] : []));
  const easy = (untilS: number) => ({ share: 0.75, untilS });
  const held = (cues: Plan['cues']) =>
    [...pacesHeld({ ...plan, cues }, request)].map((c) => c.edit({ ...plan, cues }).cues[0].pace!.untilS);
  expect(ends.length).toBeGreaterThan(2);
  expect(held([{ atS: 0, actions: [], pace: easy(ends[0]) }])).toEqual(ends.slice(1));
  expect(held([{ atS: 0, actions: [], pace: easy(ends[2]) }])).toEqual(ends.filter((e) => e !== ends[2]));
  const brisk = { atS: ends[1], actions: [], pace: { share: 1.12, untilS: ends[2] } };
  expect(held([{ atS: 0, actions: [], pace: easy(ends[0]) }, brisk]).slice(0, 1)).toEqual([ends[1]]);
  expect(held([])).toEqual([]);
});

test('nobody presses on into a stop, though anywhere else', () => {
  const course = new Course(AVERAGE_PERSON, day, undefined, undefined);
  const brisk = goingWays().find((w) => w.going === 'brisk')!;
  const into = course.phases.findIndex((_, p) => course.phases[p + 1]?.stop);
  expect(into).toBeGreaterThan(0);
  expect(course.admits(into, brisk, null)).toBe(false);
  expect(course.admits(0, brisk, null)).toBe(true);
});

test('nobody is told to press on where breathing so hard would hurt', () => {
  const cold = (airC: number) =>
    new Course(
      AVERAGE_PERSON,
      dayOf([aLeg({ minutes: 60, effort: { by: 'metabolic', value: 620 } })], airC),
      undefined,
      undefined,
    );
  const brisk = goingWays().find((w) => w.going === 'brisk')!;
  expect(cold(-19).admits(1, brisk, null)).toBe(true);
  expect(cold(-21).admits(1, brisk, null)).toBe(false);
});
