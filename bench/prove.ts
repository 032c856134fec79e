import { readFileSync } from 'node:fs';
import { AVERAGE_PERSON } from '@/core/body/person';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { timelineOf } from '@/core/outing/outing';
import { alongOf } from '@/core/kit/edit';
import { makePlan } from '@/core/search/planner';
import type { PlanRequest } from '@/core/search/planRequest';
import { SCHOOLS } from '@/core/search/schools';
import { scorePlan } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import { buildDemoOutings, DEMO_DAMP, DEMO_PERSON } from '@/demo/scenario';
import { everyPlan, searched, SMALL_CASES, type SmallCase } from '../tests/support/everyPlan';
import { goldenOutings } from '../tests/golden/outings';
import {
  atLeastAsGood,
  duel,
  FIXED_RULES,
  type Compared,
  type Duel,
  type FixedRule,
} from '../tests/support/fixedRules';
import { readPlanCase } from '@/formats/caseFile';
import { learningProof } from './learning';
import { stabilityProof } from './stability';
import { broken, OUTINGS, RULES } from '../tests/support/goodSense';
import { randomOuting } from '../tests/support/randomOutings';

/**
 * What the planner is held to, as JSON lines: each small case against every plan there is, each random outing against each rule of
 * thumb, golden outings with their kept plans likewise, the search without a rule against each school, planned outings against rules of good sense, small steps of a question against
 * the pieces they change, and summaries. Then learning, over simulated athletes with a hidden truth. `--small N`, `--random N`,
 * `--kept N`, `--schools N`, `--plans N`, `--hand N`, `--stability N` and `--learning N` take so many cases, 0 leaves them out.
 */
const say = (line: object) => process.stdout.write(JSON.stringify(line) + '\n');
const count = (name: string, all: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? all : Math.min(all, Number(process.argv[at + 1]));
};
const RANDOM = 200;
const GOLDEN = 20;
const BY_HAND: readonly { title: string; plan: Plan }[] = JSON.parse(readFileSync('tests/plans/byHand.json', 'utf8'));

const alarms = (c: SmallCase, plan: Plan): number =>
  scorePlan(AVERAGE_PERSON, c.closet, c.timeline, plan).findings.filter((f) => f.severity === 3).length;
const r3 = (x: number) => Math.round(x * 1000) / 1000;

function small(n: number): void {
  const cases = Array.from({ length: n }, (_, i) => SMALL_CASES[Math.floor((i * SMALL_CASES.length) / n)]);
  let within = 0;
  let alarming = 0;
  let worst = 0;
  let share = 0;
  for (const c of cases) {
    const all = everyPlan(c);
    const found = searched(c);
    const over = found.best / all.best - 1;
    const a = { best: alarms(c, all.plan), found: alarms(c, found.planned.plan) };
    say({
      case: c.name,
      plans: all.tried,
      simulated: Math.round(found.tried),
      best: r3(all.best),
      found: r3(found.best),
      over: r3(over),
      cues: all.plan.cues.length,
      alarmsOfBest: a.best,
      alarmsOfFound: a.found,
    });
    // Within two percent, or within what nobody could tell apart and the search gives up for steadier answers, points.
    if (over <= 0.02 || found.best - all.best <= 0.05) within++;
    if (a.found > a.best) alarming++;
    worst = Math.max(worst, over);
    share = Math.max(share, found.tried / all.tried);
  }
  say({
    small: n,
    within2PercentOrOneTwentiethOfAPoint: within,
    worstOver: r3(worst),
    mostShareSimulated: share,
    moreAlarms: alarming,
  });
}

/** The planner against rules of thumb, on random outings or on those whose plans are kept as golden numbers. */
function rules(duels: Iterable<Duel>): void {
  let n = 0;
  const held = Object.fromEntries(FIXED_RULES.map((r) => [r, { cost: 0, stopWaterG: 0, fingersC: 0 }])) as Record<
    FixedRule,
    Record<keyof Compared, number>
  >;
  for (const d of duels) {
    n++;
    for (const rule of FIXED_RULES) {
      const good = atLeastAsGood(d.ours, d.theirs[rule]);
      for (const k of Object.keys(good) as (keyof Compared)[]) if (good[k]) held[rule][k]++;
    }
    say({ outing: d.name, ours: d.ours, theirs: d.theirs });
  }
  say({ outings: n, atLeastAsGood: held });
}

function* random(n: number): Generator<Duel> {
  for (let i = 0; i < n; i++) yield duel(randomOuting(i));
}

/** The golden outings with their kept plans: what the planner made of them, without waiting for it once more. */
function* kept(n: number): Generator<Duel> {
  const plans = JSON.parse(readFileSync('tests/golden/numbers.json', 'utf8')) as { plan: Plan }[];
  for (const [i, o] of goldenOutings('.').slice(0, n).entries()) yield duel(o, plans[i].plan);
}

/**
 * Plans put together without this search, for days on which it once ended in a hollow: none of them may be cheaper than what it finds by more
 * than two percent, or a twentieth of a point.
 */
function byHand(n: number): void {
  let within = 0;
  for (const { plan, ...rest } of BY_HAND.slice(0, n)) {
    const c = readPlanCase(rest, rest.title);
    const { person, timeline, damp, garments: closet } = c;
    const found = makePlan({ person, closet, timeline, damp, sport: c.sport }).scored.total;
    const theirs = scorePlan(person, alongOf(closet, plan), timeline, plan, { damp }).total;
    if (found - theirs <= Math.max(0.05, 0.02 * theirs)) within++;
    say({ outing: rest.title, found: r3(found), byHand: r3(theirs) });
  }
  say({ byHand: n, within2PercentOrOneTwentiethOfAPoint: within });
}

/** Whether the search without any rule ends as low as the same search under each school's rule. */
function schools(n: number): void {
  const files = (name: string) => readFileSync(`src/demo/files/${name}`, 'utf8');
  const demo = buildDemoOutings(files, DEMO_PERSON).map(({ outing: o }) => ({
    name: o.name,
    person: DEMO_PERSON,
    closet: [...CATALOGUE],
    timeline: timelineOf(o, DEMO_PERSON),
    sport: o.sport,
    damp: DEMO_DAMP,
  }));
  const all: (PlanRequest & { name: string })[] = [
    ...demo,
    ...Array.from({ length: 16 }, (_, i) => ({ ...randomOuting(12 * i + 4), person: AVERAGE_PERSON })),
  ];
  let asLow = 0;
  let worst = 0;
  for (const r of all.slice(0, n)) {
    const costs = SCHOOLS.flatMap((s): { id: string; cost: number }[] => {
      if (s.needs && !r.closet.some(s.needs)) return [];
      const closet = r.closet.filter((g) => !s.leaves(g));
      const { plan } = makePlan({ ...r, closet, weights: s.weights, ...s.habits });
      return [{ id: s.id, cost: scorePlan(r.person, alongOf(closet, plan), r.timeline, plan, { damp: r.damp }).total }];
    });
    const free = costs.find((c) => c.id === 'free')!.cost;
    const best = costs.reduce((a, b) => (b.cost < a.cost ? b : a));
    if (free - best.cost <= Math.max(0.02, 0.02 * free)) asLow++;
    worst = Math.max(worst, free - best.cost);
    say({ outing: r.name, free: r3(free), best: best.id, itsCost: r3(best.cost), schools: costs.length });
  }
  say({ outings: Math.min(n, all.length), within2PercentOrOneFiftiethOfAPoint: asLow, worstPoints: r3(worst) });
}

/** Every outing of tests/plans against the rules of good sense: what each plan breaks, and how many hold each rule. */
function plans(n: number): void {
  const held = Object.fromEntries(Object.keys(RULES).map((r) => [r, 0]));
  let sensible = 0;
  for (const o of Array.from({ length: n }, (_, i) => OUTINGS[Math.floor((i * OUTINGS.length) / n)])) {
    const { planned, broken: wrong } = broken(o);
    for (const rule of Object.keys(RULES)) if (!(rule in wrong)) held[rule]++;
    if (Object.keys(wrong).length === 0) sensible++;
    say({
      outing: o.name,
      cost: r3(planned.scored.total),
      cues: planned.plan.cues.length,
      safe: planned.safe,
      breaks: wrong,
    });
  }
  say({ plans: n, sensible, held });
}

const smallCases = count('small', SMALL_CASES.length);
const outings = count('random', RANDOM);
if (smallCases > 0) small(smallCases);
if (outings > 0) rules(random(outings));
const keptPlans = count('kept', GOLDEN);
if (keptPlans > 0) rules(kept(keptPlans));
const planned = count('plans', OUTINGS.length);
if (planned > 0) plans(planned);
const hands = count('hand', BY_HAND.length);
if (hands > 0) byHand(hands);
const withSchools = count('schools', 20);
if (withSchools > 0) schools(withSchools);
const steps = count('stability', 6);
if (steps > 0) stabilityProof(steps, say);
const learners = count('learning', 200);
if (learners > 0) {
  const proof = learningProof(learners);
  const rounded = (list: number[]) => list.map(r3);
  say({
    athletes: proof.athletes,
    errorAfterOutingsOverBefore: {
      waterG: rounded(proof.error.waterG),
      fingersC: rounded(proof.error.fingersC),
      vote: rounded(proof.error.vote),
    },
    truthsInEightInTenOfAHundred: r3(proof.held),
  });
}
