import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { withoutCotton } from '@/core/clothing/purpose';
import { dropCue } from '@/core/questions/missedCues';
import { propose } from '@/core/questions/propose';
import { runPlan } from '@/core/questions/question';
import { descendFromOther } from '@/core/search/otherStarts';
import { makePlan } from '@/core/search/planner';
import { work } from '@/core/questions/phaseRunner';
import { askedOn, fitBeside, lookAlone, Search } from '@/core/search/search';
import type { Planned } from '@/core/search/planRequest';
import { candidates } from '@/core/search/candidates';
import { phases } from '@/core/outing/moments';
import { scorePlan } from '@/core/judge/scorePlan';
import { act, takeGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { aLeg, dayOf, garmentsOf, SKI_CLOSET, upStopDown } from '#tests/support/outings';
import { isWorn } from '@/core/kit/replay';

const timeline = upStopDown();
const MORE = CATALOGUE.filter((g) => !SKI_CLOSET.includes(g) && g.group === 'torso' && g.role !== 'base');
/** A climb, a stop and a descent in such air, from a small closet, or from so many pieces. */
const skiTour = (airC: number, pieces = SKI_CLOSET.length) => ({
  person: AVERAGE_PERSON,
  closet: [...SKI_CLOSET, ...MORE.slice(0, pieces - SKI_CLOSET.length)],
  timeline: upStopDown(airC),
  sport: 'ski tour' as const,
});
type Tour = ReturnType<typeof skiTour>;
/** A colder one in a gale, from more hands and torsos: at other paces and from other bases it comes out cheaper. */
const windier: Tour = (() => {
  const going = { minutes: 60, effort: { by: 'metabolic', value: 560 } } as const;
  const stop = aLeg({ sport: 'stand', minutes: 20, effort: { by: 'usual' }, air: { wind: 12 } });
  const down = aLeg({ sport: 'downhill ski', minutes: 40, effort: { by: 'usual' }, air: { wind: 14 } });
  const more = CATALOGUE.filter((g) => !SKI_CLOSET.includes(g) && (g.group === 'torso' || g.group === 'hands'));
  const closet = [...SKI_CLOSET, ...withoutCotton(more).slice(0, 22 - SKI_CLOSET.length)];
  return { ...skiTour(-20), closet, timeline: dayOf([aLeg(going), stop, down], -20) };
})();

/** A whole search of such a tour, made once, with what it told on the way and the integrator steps it had taken by then. */
interface Watched {
  planned: Planned;
  seen: { done: number; plan?: Plan; steps: number }[];
  steps: number;
}
const watched = new Map<string, Watched>();

function watch(request: Tour): Watched {
  const key = `${request.timeline.legs[0].minutes} ${request.timeline.stretches[0].airC} ${request.closet.length}`;
  const had = watched.get(key);
  if (had) return had;
  const seen: Watched['seen'] = [];
  const before = work.steps;
  const planned = makePlan(request, (done, _says, plan) => seen.push({ done, plan, steps: work.steps - before }) > 0);
  const made = { planned, seen, steps: work.steps - before };
  watched.set(key, made);
  return made;
}

let planned: Planned;
const told: [number, string][] = [];

beforeAll(() => {
  planned = makePlan({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline, sport: 'ski tour' }, (done, says) => {
    told.push([done, says]);
    return true;
  });
});

const score = (plan: Plan, closet = SKI_CLOSET) => {
  const used = new Set([...plan.worn, ...plan.carried]);
  return scorePlan(
    AVERAGE_PERSON,
    closet.filter((g) => used.has(g.id)),
    timeline,
    plan,
  );
};

test('the plan comes from the closet, dresses every part that must be dressed, and is the one that was simulated', () => {
  const { plan, scored } = planned;
  for (const id of [...plan.worn, ...plan.carried]) expect(SKI_CLOSET.map((g) => g.id)).toContain(id);
  for (const id of ['thin-merino-base', 'touring-boots', 'wool-socks']) expect(plan.worn).toContain(id);
  expect(score(plan).total).toBeCloseTo(scored.total, 6);
});

test('few cues, each at a natural moment, in order', () => {
  const { plan } = planned;
  const moments = phases(timeline).map((p) => p.startS);
  expect(plan.cues.length).toBeLessThanOrEqual(12);
  plan.cues.forEach((c, i) => {
    expect(moments).toContain(c.atS);
    if (i > 0) expect(c.atS).toBeGreaterThan(plan.cues[i - 1].atS);
  });
});

test('everything a cue puts on is worn or carried, and nothing comes off that is not on', () => {
  const { plan } = planned;
  for (const c of plan.cues)
    for (const a of c.actions) {
      if (a.do === 'putOn') expect([...plan.worn, ...plan.carried]).toContain(a.garment);
      if (a.do === 'takeOff') expect(isWorn(plan, a.garment, c.atS - 1)).toBe(true);
    }
});

test('it beats the fixed rules in its own cost: never change, all on, start warm and shed', () => {
  const all = SKI_CLOSET.map((g) => g.id);
  const rules: Plan[] = [
    { ...planned.plan, cues: [] },
    {
      worn: all.filter((id) => id !== 'standby-puffy' && id !== 'warm-hat' && id !== 'warm-mitts'),
      carried: [],
      openings: {},
      cues: [],
    },
    {
      worn: all.filter((id) => id !== 'thin-cap'),
      carried: [],
      openings: {},
      cues: [
        {
          atS: 900,
          actions: [
            { do: 'takeOff', garment: 'standby-puffy' },
            { do: 'takeOff', garment: 'grid-fleece' },
          ],
        },
      ],
    },
  ];
  for (const rule of rules) expect(planned.scored.total).toBeLessThanOrEqual(score(rule).total + 1e-9);
});

test('each cue knows what missing it costs, and no kept cue is better missed', () => {
  planned.cues.forEach((c, i) => {
    expect(c.text.length).toBeGreaterThan(0);
    expect(c.where.length).toBeGreaterThan(2);
    const missed = score(dropCue(planned.plan, i));
    expect(missed.total - planned.scored.total).toBeGreaterThan(-0.05);
  });
});

test('progress rises to one and says what is being done', () => {
  expect(told[told.length - 1]).toEqual([1, 'Done']);
  for (let i = 1; i < told.length; i++) expect(told[i][0]).toBeGreaterThanOrEqual(told[i - 1][0]);
  expect(new Set(told.map(([, s]) => s)).size).toBeGreaterThan(5);
});

test('progress is about as far as the work is, also where nobody knows how long a stage takes', () => {
  for (const [airC, pieces] of [
    [2, 21],
    [-12, 21],
    [-20, 20],
  ]) {
    const { seen, steps: all } = watch(skiTour(airC, pieces));
    const at = (share: number) => seen.find((s) => s.steps >= share * all)!.done;
    expect(at(0.25)).toBeWithin(0.1, 0.6);
    expect(at(0.75)).toBeWithin(0.5, 0.93);
    // It moves all the while that plans are bettered, which takes the longest.
    for (let share = 0.6; share < 0.85; share += 0.05) expect(at(share + 0.1)).toBeGreaterThan(at(share));
  }
});

test('the first plan told is there after a hundredth of the work, dressed, with the jacket on at the stop', () => {
  const request = skiTour(-12, 21);
  const { seen, steps: all } = watch(request);
  const { plan: first, steps } = seen.find((s): s is typeof s & { plan: Plan } => s.plan !== undefined)!;
  expect(steps / all).toBeLessThan(0.01);
  const byId = new Map(request.closet.map((g) => [g.id, g]));
  const worn = first.worn.map((id) => byId.get(id)!);
  for (const group of ['torso', 'legs', 'feet'] as const) expect(worn.some((g) => g.group === group)).toBe(true);
  const jacket = first.cues.find((c) =>
    c.actions.some((a) => a.do === 'putOn' && byId.get(a.garment)!.role === 'warm'),
  );
  expect(jacket).toBeDefined();
});

test('a search told to stop ends early with a usable plan', () => {
  let calls = 0;
  const quick = makePlan(
    { person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline, sport: 'ski tour' },
    () => ++calls < 3,
  );
  expect(quick.simulations).toBeLessThan(planned.simulations / 2);
  expect(quick.plan.worn.length).toBeGreaterThan(3);
});

/** Where what suits the even day comes out dear, and many pieces are owned, the day is looked at by itself. */
test.each([
  [2, 21, false, 'all there is', false],
  ['windier' as const, 22, true, 'another plan', true],
  [-20, 21, true, 'the same', true],
  [-20, 20, false, 'the same', true],
])(
  'the same question has the same answer, also where parts of the search are made by another worker: %s, %d pieces',
  (tour, pieces, dear, further, sends) => {
    const request = tour === 'windier' ? windier : skiTour(tour, pieces);
    const whole = watch(request).planned;
    const search = new Search(request, () => true);
    // What this worker does meanwhile for others is none of its budget.
    const meanwhile = () => runPlan({ ...request, plan: planned.plan }, planned.plan, { stepS: 10 });
    const sent = <T>(made: T): T => JSON.parse(JSON.stringify(made)) as T;
    expect(() => search.meet(null)).toThrow('not begun');
    search.begin();
    meanwhile();
    expect(() => search.end()).toThrow('not met');
    search.meet(sent(descendFromOther(askedOn('even day', request))));
    meanwhile();
    expect(() => search.last(null)).toThrow('not ended');
    expect(search.cost).toBeGreaterThan(0);
    const found = search.better();
    expect(found !== null).toBe(sends);
    const fitted = found && sent(fitBeside(request, sent(found), () => true));
    meanwhile();
    expect(() => search.fit(null)).toThrow('nothing is found');
    const another = search.further();
    expect(another).toBe(further !== 'the same');
    expect(search.fit(another ? null : fitted)).toBe(dear);
    const alone = dear ? sent(lookAlone(request, () => true)) : null;
    meanwhile();
    const again = search.last(alone);
    expect(again.plan).toEqual(whole.plan);
    expect(again.curve).toEqual(whole.curve);
    expect(again.simulations).toBe(whole.simulations);
    if (further !== 'the same' || !alone) return;
    // Other paces and bases are tried on what the day itself leads to only where it is cheaper than what suits the even day, and dear.
    const steps = (cost: number) => {
      const before = work.steps;
      search.last({ ...alone, cost });
      return work.steps - before;
    };
    expect(whole.scored.total).toBeGreaterThan(2.01);
    const notDear = steps(1.99);
    expect(steps(1.01 * whole.scored.total)).toBeLessThan(notDear);
    expect(steps(2.01)).toBeGreaterThan(2 * notDear);
  },
);

test('what the day itself leads to is taken only where it is cheaper by a share that somebody would notice', () => {
  const request = skiTour(-20);
  // Stopped at once it has the first usable plan, which many changes better, and makes none of them itself.
  const ended = () => {
    const search = new Search(request, () => false);
    search.begin();
    search.meet(null);
    search.end();
    return search;
  };
  const even = ended().last(null);
  // Another shell on top, put on later and later: from a great help to hardly any.
  const over = takeGarment(even.plan, 'wind-shell-pits', 'carried');
  const others = Array.from({ length: 100 }, (_, i) => {
    const atS = 300 + (i / 100) * (request.timeline.endS - 600);
    const plan = act(over, { do: 'putOn', garment: 'wind-shell-pits' }, atS);
    const { total } = runPlan({ ...request, plan }, plan, { stepS: 10 });
    return { plan, share: total / even.scored.total };
  });
  const takes = (plan: Plan) => {
    const alone = { plan, curve: [], others: [], phases: 0, cost: 0 };
    return JSON.stringify(ended().last(alone).plan) !== JSON.stringify(even.plan);
  };
  const [little, much] = [others.filter((o) => o.share > 0.97 && o.share < 0.99), others.filter((o) => o.share < 0.97)];
  expect(Math.min(...little.map((o) => o.share))).toBeLessThan(0.976);
  expect(Math.max(...much.map((o) => o.share))).toBeGreaterThan(0.96);
  expect(little.some(({ plan }) => takes(plan))).toBe(false);
  expect(much.slice(-4).every(({ plan }) => takes(plan))).toBe(true);
});

test('whatever a search ends with, what would be proposed beside it is taken', () => {
  const request = skiTour(-4);
  const search = new Search(request, () => true);
  search.begin();
  search.meet(null);
  search.end();
  // Nothing for the stop and nothing done on the way.
  const bare = { ...planned.plan, carried: [], cues: [] };
  expect(propose({ ...request, plan: bare })).not.toBeNull();
  const { plan } = search.last({ plan: bare, curve: [], others: [], phases: 0, cost: 0 });
  expect(propose({ ...request, plan })).toBeNull();
});

test('fewer cues allowed are fewer cues used', () => {
  const one = makePlan({ person: AVERAGE_PERSON, closet: SKI_CLOSET, timeline, sport: 'ski tour', maxCues: 1 });
  expect(one.plan.cues.length).toBeLessThanOrEqual(1);
  expect(one.scored.total).toBeGreaterThanOrEqual(planned.scored.total - 1e-6);
});

test('on a stretch where nobody may stop, only what can be done on the move', () => {
  const race = dayOf(
    [
      aLeg({
        name: 'Race',
        sport: 'classic ski',
        minutes: 90,
        noStopping: true,
        effort: { by: 'metabolic', value: 800 },
      }),
    ],
    -6,
  );
  const closet = CATALOGUE.filter((g) =>
    [
      'nordic-boots',
      'wool-socks',
      'thin-merino-base',
      'wind-shell',
      'briefs',
      'ski-tights',
      'thin-cap',
      'liner-gloves',
      'grid-fleece',
    ].includes(g.id),
  );
  const { plan } = makePlan({ person: AVERAGE_PERSON, closet, timeline: race, sport: 'classic ski' });
  const layers = new Set(
    closet.filter((g) => g.group === 'torso' || g.group === 'legs' || g.group === 'feet').map((g) => g.id),
  );
  for (const c of plan.cues) for (const a of c.actions) if (a.do !== 'set') expect(layers.has(a.garment)).toBe(false);
});

test.each([
  ['no base layer', ['thin-tights', 'wool-socks', 'touring-boots'], 'without anything for the torso next to the skin'],
  ['no legs', ['thin-merino-base', 'wool-socks', 'touring-boots'], 'without anything for the legs'],
  [
    'boots for another sport',
    ['thin-merino-base', 'thin-tights', 'wool-socks', 'running-shoes'],
    'without footwear for "Ski tour"',
  ],
])('a closet with %s says what is missing', (_, ids, says) => {
  expect(() => candidates(garmentsOf(...ids), 'ski tour', timeline)).toThrow(says);
});

test('a closet of bare necessities still gets an answer', () => {
  const closet = garmentsOf('cotton-tee', 'thin-tights', 'thin-socks', 'touring-boots');
  const { plan, scored } = makePlan({ person: AVERAGE_PERSON, closet, timeline, sport: 'ski tour' });
  expect(plan.worn.sort()).toEqual(['cotton-tee', 'thin-socks', 'thin-tights', 'touring-boots']);
  expect(scored.verdict.tone).not.toBe('holds');
});

test('over-trousers put on at a cold start are off again before the climb is over', () => {
  const day = dayOf(
    [aLeg({ name: 'Waiting', sport: 'stand', minutes: 25, effort: { by: 'usual' } }), aLeg({ minutes: 60 })],
    -8,
    5,
  );
  const closet = [...SKI_CLOSET, ...garmentsOf('puffy-overtrousers')];
  const { plan } = makePlan({ person: AVERAGE_PERSON, closet, timeline: day, sport: 'ski tour' });
  expect([20, 80].map((minute) => isWorn(plan, 'puffy-overtrousers', minute * 60))).toEqual([true, false]);
});

test('over-trousers for stops stay in the pack on the way up, and hands at work are not left bare in the cold', () => {
  const closet = [...SKI_CLOSET, ...garmentsOf('puffy-overtrousers', 'mesh-longs')];
  const { plan, scored } = makePlan({ person: AVERAGE_PERSON, closet, timeline, sport: 'ski tour' });
  expect(plan.worn).not.toContain('puffy-overtrousers');
  for (const at of [60, 1800, 3600]) expect(isWorn(plan, 'puffy-overtrousers', at)).toBe(false);
  expect(scored.metrics.fingers.value).toBeGreaterThan(15);
});

test('no piece left at home would better the finished plan by what one would notice, not eyewear on a windy descent either', () => {
  const closet = [...SKI_CLOSET, ...garmentsOf('goggles', 'sun-glasses', 'balaclava', 'nose-strip', 'gaiters')];
  const day = dayOf(
    [
      aLeg({ minutes: 60, effort: { by: 'metabolic', value: 640 } }),
      aLeg({ name: 'Down', sport: 'downhill ski', minutes: 30, effort: { by: 'usual' }, air: { wind: 13 } }),
    ],
    -12,
    5,
  );
  const { plan } = makePlan({ person: AVERAGE_PERSON, closet, timeline: day, sport: 'ski tour' });
  const total = (p: Plan) => {
    const used = new Set([...p.worn, ...p.carried]);
    return scorePlan(
      AVERAGE_PERSON,
      closet.filter((g) => used.has(g.id)),
      day,
      p,
    ).total;
  };
  const best = total(plan);
  const home = closet.filter((g) => !plan.worn.includes(g.id) && !plan.carried.includes(g.id));
  for (const g of home.filter((x) => ['hands', 'head', 'face', 'eyes', 'feet'].includes(x.group)))
    expect([g.id, total(takeGarment(plan, g.id, 'worn')) > best - 0.1]).toEqual([g.id, true]);
});

test.each([
  [12, 'running-shorts', false],
  [-2, 'thin-tights', true],
])('on a run at %d °C legs wear what runners wear then (%s), and never nothing', (airC, worn, tights) => {
  const closet = garmentsOf(
    ...['synthetic-tee', 'thin-synthetic-base', 'briefs', 'running-shorts', 'thin-tights'],
    ...['thin-socks', 'running-shoes', 'liner-gloves'],
  );
  const day = dayOf([aLeg({ sport: 'run', minutes: 45, effort: { by: 'metabolic', value: 780 } })], airC, 3);
  const { plan } = makePlan({ person: AVERAGE_PERSON, closet, timeline: day, sport: 'run' });
  expect(plan.worn).toContain(worn);
  expect(plan.worn.includes('thin-tights')).toBe(tights);
});
