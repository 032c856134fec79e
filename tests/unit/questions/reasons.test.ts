import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { warmthOverBody } from '@/core/clothing/garment';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { advise } from '@/core/questions/advise';
import { bestStart, isBetter, type BestStart } from '@/core/questions/bestStart';
import { runInFull } from '@/core/questions/question';
import { makePlan } from '@/core/search/planner';
import type { PlanRequest } from '@/core/search/planRequest';
import { compareSchools, SCHOOLS } from '@/core/search/schools';
import { whyThis } from '@/core/questions/whyThis';
import type { Plan } from '@/core/kit/plan';
import { aLeg, dayOf, garmentsOf, SKI_CLOSET, upStopDown } from '#tests/support/outings';

const REQUEST: PlanRequest = {
  person: AVERAGE_PERSON,
  closet: SKI_CLOSET,
  timeline: upStopDown(),
  sport: 'ski tour',
};
const PLAN: Plan = {
  worn: SKI_CLOSET.filter((g) => g.role !== 'warm' && g.id !== 'liner-gloves').map((g) => g.id),
  carried: ['standby-puffy'],
  openings: {},
  cues: [{ atS: 4200, actions: [{ do: 'putOn', garment: 'standby-puffy' }] }],
};

test('the curve falls with every cue that pays, begins at none, and the plan sits on it', () => {
  const planned = makePlan(REQUEST);
  const cues = planned.curve.map((p) => p.cues);
  expect(cues[0]).toBe(0);
  expect(cues).toEqual([...cues].sort((a, b) => a - b));
  expect(planned.curve.some((p) => p.cues === planned.plan.cues.length)).toBe(true);
  const own = planned.curve.find((p) => p.cues === planned.plan.cues.length)!;
  expect(own.cost).toBeLessThan(planned.curve[0].cost);
  expect(planned.mustNotMiss).toBe(planned.cues.reduce((w, c, i, all) => (c.missCost > all[w].missCost ? i : w), 0));
});

test('more fuss means no more cues, more weight no more grams, more caution no colder stop', () => {
  const plain = makePlan(REQUEST);
  const fussy = makePlan({ ...REQUEST, weights: { fuss: 3 } });
  const light = makePlan({ ...REQUEST, weights: { weight: 3 } });
  expect(fussy.plan.cues.length).toBeLessThanOrEqual(plain.plan.cues.length);
  expect(light.scored.massG).toBeLessThanOrEqual(plain.scored.massG);
  const cold = (p: typeof plain) => p.scored.cost.cold + p.scored.cost.afterChill + p.scored.cost.extremities;
  const careful = makePlan({ ...REQUEST, weights: { caution: 3 } });
  const careless = makePlan({ ...REQUEST, weights: { caution: 0.2 } });
  // Each is weighed by its own caution: what is left for the body without it is compared.
  expect(cold(careful) / 3).toBeLessThanOrEqual(cold(careless) / 0.2 + 1e-9);
  expect(careful.scored.metrics.stopLoss.value).toBeLessThanOrEqual(careless.scored.metrics.stopLoss.value + 1);
  expect(() => makePlan({ ...REQUEST, weights: { caution: 9 } })).toThrow('weight of caution is 9; allowed: 0.2 to 3');
});

test('each piece is held against the next warmer and the next cooler of its kind', () => {
  const closet = [...SKI_CLOSET, ...garmentsOf('thin-synthetic-base', 'midweight-merino-base', 'storm-shell')];
  const why = whyThis({ ...REQUEST, weights: undefined, closet, plan: PLAN });
  const base = why.find((w) => w.garment === 'thin-merino-base')!;
  expect(base.warmer?.garment).toBe('midweight-merino-base');
  expect(base.cooler?.garment).toBe('thin-synthetic-base');
  expect(base.warmer!.moves.from).not.toBe(base.warmer!.moves.to);
  expect(why.find((w) => w.garment === 'standby-puffy')).toMatchObject({ warmer: null, cooler: null });
});

test('warmer and cooler count what a piece covers: a jacket is the warmer neighbour of a vest that is as thick', () => {
  const [vest, jacket] = garmentsOf('active-vest', 'active-jacket');
  expect(warmthOverBody(jacket)).toBeGreaterThan(warmthOverBody(vest));
  expect(warmthOverBody({ ...vest, thicknessMm: 2 * vest.thicknessMm })).toBeCloseTo(2 * warmthOverBody(vest), 12);
  const plan = { ...PLAN, worn: [...PLAN.worn, vest.id] };
  const why = whyThis({ ...REQUEST, weights: undefined, closet: [...SKI_CLOSET, vest, jacket], plan });
  expect(why.find((w) => w.garment === vest.id)).toMatchObject({ warmer: { garment: jacket.id }, cooler: null });
});

test('a piece that could not be worn in its place is no neighbour: mesh under trousers that come off in a hut', () => {
  const closet = [...SKI_CLOSET, ...garmentsOf('brushed-tights', 'mesh-longs', 'storm-trousers')];
  const timeline = dayOf([
    aLeg({ minutes: 60 }),
    aLeg({ name: 'Hut', sport: 'hut', minutes: 30 }),
    aLeg({ minutes: 60 }),
  ]);
  const worn = [
    ...PLAN.worn.filter((id) => closet.find((g) => g.id === id)!.group !== 'legs'),
    'briefs',
    'brushed-tights',
  ];
  const neighbour = (cues: Plan['cues']) => {
    const plan: Plan = { worn: [...worn, 'storm-trousers'], carried: [], openings: {}, cues };
    const why = whyThis({ ...REQUEST, weights: undefined, closet, timeline, plan });
    return why.find((w) => w.garment === 'brushed-tights')!.warmer?.garment;
  };
  expect(neighbour([])).toBe('mesh-longs');
  expect(neighbour([{ atS: 3600, actions: [{ do: 'takeOff', garment: 'storm-trousers' }] }])).not.toBe('mesh-longs');
});

describe('schools', () => {
  const closet = garmentsOf(
    ...SKI_CLOSET.map((g) => g.id),
    'mesh-base',
    'thin-synthetic-base',
    'storm-shell',
    'down-puffy',
    'ski-gloves',
  );
  test('two are planned on one outing, each keeps its own rule, and the moment they part is named', () => {
    const { plans, partings, impossible } = compareSchools({ ...REQUEST, closet }, [
      'mesh',
      'thin-synthetic',
      'lined-shell',
    ]);
    const worn = (i: number) => [...plans[i].planned.plan.worn, ...plans[i].planned.plan.carried];
    expect(plans.map((p) => p.school.id)).toEqual(['mesh', 'thin-synthetic']);
    expect(worn(0)).toContain('mesh-base');
    expect(worn(1)).toContain('thin-synthetic-base');
    expect(impossible).toEqual([
      { id: 'lined-shell', name: expect.any(String), why: expect.stringContaining('closet') },
    ]);
    expect(partings).toHaveLength(1);
    expect(partings[0].atS).toBeWithin(0, REQUEST.timeline.endS);
  });

  test('every school can be followed from the whole catalogue, and none leaves nothing to wear', () => {
    for (const s of SCHOOLS) {
      const kept = CATALOGUE.filter((g) => !s.leaves(g));
      for (const group of ['torso', 'legs', 'feet', 'hands', 'head'] as const)
        expect(kept.filter((g) => g.group === group).length).toBeGreaterThan(1);
      if (s.needs) expect(CATALOGUE.some(s.needs)).toBe(true);
    }
    expect(() => compareSchools(REQUEST, ['mesh', 'nonsense'])).toThrow(
      /school is nonsense; allowed: free, start-cold/,
    );
    expect(() => compareSchools(REQUEST, ['mesh'])).toThrow('two to four');
  });
});

describe('when to go', () => {
  const HOUR = 3600_000;
  /** A morning of −25 °C and wind that turns mild and calm at noon. */
  const outing = (harsh: number, wind: number): Outing => ({
    name: 'Round',
    sport: 'ski tour',
    startMs: 6 * HOUR,
    utcOffsetMin: 0,
    loadKg: 5,
    forecastEleM: 0,
    startEleM: 0,
    albedo: 0.6,
    legs: [
      aLeg({ minutes: 60 }),
      aLeg({ sport: 'stand', minutes: 15, effort: { by: 'usual' } }),
      aLeg({ minutes: 40 }),
    ],
    forecast: Array.from({ length: 18 }, (_, h) => ({
      timeMs: h * HOUR,
      airC: h < 10 ? harsh : -5,
      humidity: 0.7,
      wind: h < 10 ? wind : 2,
      gust: 1.2 * (h < 10 ? wind : 2),
      fromDeg: 0,
      precipitationMmH: 0,
      kind: 'none' as const,
      cloud: 1,
    })),
    profile: null,
  });
  const ask = (harsh: number, floorC?: number, wind = 14) => {
    const at = outing(harsh, wind);
    const timeline = timelineOf(at, AVERAGE_PERSON);
    const q = { person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline, outing: at, plan: PLAN, floorC };
    return { ...bestStart(q), advice: advise(q, runInFull(q), { floorC: q.floorC }) };
  };

  test('the hours after the wind has gone are better, and by how much is said', () => {
    const b = ask(-25);
    expect(b.best.startMs / HOUR).toBeGreaterThanOrEqual(10);
    expect(b.saves).toBeGreaterThan(1);
    expect(b.starts.every((s, i) => i === 0 || s.startMs > b.starts[i - 1].startMs)).toBe(true);
  });

  test('a day on which not to go names the next safe start, with a floor only one at it or above', () => {
    const start = (h: number, feelsC: number, safe: boolean) => ({
      startMs: h * HOUR,
      feelsC,
      fallsMm: 0,
      cost: h,
      safe,
    });
    const starts = [start(8, -30, false), start(9, -12, true), start(10, -8, true), start(11, -2, false)];
    const at = outing(-38, 20);
    const q = { person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline: timelineOf(at, AVERAGE_PERSON), plan: PLAN };
    const next = (floorC?: number) => {
      const known = { floorC, bestStart: { starts, best: starts[1], saves: 0 } as unknown as BestStart };
      return (advise(q, runInFull(q), known).nextStartMs ?? NaN) / HOUR;
    };
    expect(next()).toBe(9);
    expect(next(-12)).toBe(9);
    expect(next(-11.9)).toBe(10);
    expect(next(-8)).toBe(10);
    expect(next(-7.9)).toBeNaN();
  });

  test('no unsafe start comes before a safe one, however cheap it is; among equals the cheaper wins', () => {
    const start = (cost: number, safe: boolean) => ({ startMs: 0, feelsC: -10, fallsMm: 0, cost, safe });
    expect(isBetter(start(900, true), start(0.1, false))).toBe(true);
    expect(isBetter(start(0.1, false), start(900, true))).toBe(false);
    expect(isBetter(start(1, true), start(1.1, true))).toBe(true);
    expect(isBetter(start(1, false), start(1.1, false))).toBe(true);
    expect(isBetter(start(1, true), start(1, true))).toBe(false);
  });

  test('the best day is found wherever it lies in the forecast', () => {
    const base = outing(-5, 2);
    const days = Array.from({ length: 5 * 24 }, (_, h) => ({
      ...base.forecast[0],
      timeMs: h * HOUR,
      airC: Math.floor(h / 24) === 3 ? -4 : -27,
      wind: Math.floor(h / 24) === 3 ? 1 : 12,
      gust: 12,
    }));
    const b = bestStart({
      person: AVERAGE_PERSON,
      closet: SKI_CLOSET,
      timeline: timelineOf(base, AVERAGE_PERSON),
      outing: { ...base, forecast: days },
      plan: PLAN,
    });
    expect(b.starts.length).toBeGreaterThan(110);
    expect(Math.floor(b.best.startMs / HOUR / 24)).toBe(3);
  });

  test('an unsafe plan is not today or shorter, with the reason; a weak point is care; one’s own floor comes first', () => {
    expect(ask(-38).advice).toMatchObject({
      go: expect.stringMatching(/not today|go shorter/),
      reason: expect.any(String),
    });
    // Without gloves a mild day wants care, and says why.
    expect(ask(-4, undefined, 2).advice).toMatchObject({ go: 'with care', reason: expect.stringContaining('fingers') });
    expect(ask(-12, -5).advice).toMatchObject({
      go: 'not today',
      reason: expect.stringContaining('your own floor of {temp:-5.00}'),
    });
  });
});
