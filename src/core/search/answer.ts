import { type Rung } from './ladderTerms';
import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { clothesGravity, coldIn, holdsBetter, partOf, type BodyPart } from '@/core/judge/clothesHold';
import { feltOf, type Felt } from '@/core/judge/felt';
import { needsOf, type Need } from '@/core/judge/needs';
import { isSafe } from '@/core/judge/findings';
import type { Scored } from '@/core/judge/scorePlan';
import { alongOf, leaveGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { outingAtDoor, type DoorDay, type DoorPlace } from '@/core/outing/doorDay';
import { timelineOf, type Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { clamp } from '@/core/quantity/range';
import { advise, type Advice } from '@/core/questions/advise';
import { chances, type Chances } from '@/core/questions/chances';
import { stuckOut, type StuckOut } from '@/core/questions/stuckOut';
import { missedCues, mustNotMiss, type CueReason } from '@/core/questions/missedCues';
import { runInFull, runPlan, type Question } from '@/core/questions/question';
import { adapt, tried } from './adapt';
import type { Change } from './changes';
import { reachOf, type Reach } from './reach';
import {
  firstDress,
  jacketAtStops,
  keepsMouthRule,
  underStorm,
  withMouthCovered,
  wornBest,
  type WornRung,
} from './rungs';
import { MOUTH_COVERED } from './candidates';
import { makePlan, type Progress } from './planner';
import type { Wishes } from './wishes';

/** What is asked at the door: who, from what, how wished for, on which day and where; and the rungs of their ladder for the sport. */
export interface DoorQuestion {
  person: Person;
  closet: readonly Garment[];
  damp?: Record<string, number>;
  wishes: Wishes;
  day: DoorDay;
  place: DoorPlace | null;
  /** empty: no ladder yet, one begins from a plain dressing */
  rungs: readonly Rung[];
}

/** What another outfit would do, in short. */
export interface Beside {
  rung: number;
  plan: Plan;
  felt: Felt;
  waterG: number;
  fingersC: number;
  /** the gravest thing about these clothes, 0–3, and what it is about */
  gravity: number;
  fails: BodyPart | 'too hot' | null;
}

/** The same clothes at one effort. */
export interface AtEffort {
  exertion: number;
  metabolicW: number;
  waterG: number;
  felt: Felt;
}

/** The answer itself: what to start in, what to carry, when to change. */
export interface DoorAnswer {
  /** the ladder's rung it was made from; 0 without a ladder */
  rung: number;
  outing: Outing;
  timeline: Timeline;
  plan: Plan;
  scored: Scored;
  felt: Felt;
  /** the athlete's own rule keeps something on that the model would leave off, points it costs; 0: they agree */
  ruleCosts: number;
  needs: Need[];
  /** cues with what missing each costs; empty while the answer is rough */
  cues: CueReason[];
  mustNotMiss: number;
  /** the same clothes with no cue followed; null where there are none */
  without: Scored | null;
  /** 'at once': from the rungs alone, in coarse steps; 'exact': adapted, in fine steps; 'searched': by the whole planner */
  how: 'at once' | 'exact' | 'searched';
}

/** What stands round the answer. */
export interface DoorAround {
  cooler: Beside | null;
  warmer: Beside | null;
  efforts: AtEffort[];
  /** in this wind, effort and wet: between which air this rung and its neighbours hold, °C */
  reach: (Reach & { rung: number })[];
}

const KIT_SAVES = 0.05;
const WEARING_SAVES = 0.03;
/** Cues at the door: more than three nobody keeps in mind without a sheet (common practice, no published source). */
export const DOOR_CUES = 3;

/** The question as the core's questions take it. @throws OutOfRange for a day outside DOOR_RANGE */
function laidOut(q: DoorQuestion): { outing: Outing; asked: Omit<Question, 'plan'> } {
  const outing = outingAtDoor(q.day, q.place);
  return { outing, asked: askedOn(q, timelineOf(outing, q.person)) };
}

const askedOn = (q: DoorQuestion, timeline: Timeline): Omit<Question, 'plan'> => ({
  person: q.person,
  closet: q.closet,
  timeline,
  sport: q.day.sport,
  damp: q.damp,
  weights: q.wishes.weights,
  waiting: q.wishes.waiting,
});

const ruleOf = (q: DoorQuestion) => ({ closet: q.closet, mouthBelowC: q.wishes.mouthBelowC });
const keepsRules = (q: DoorQuestion, plan: Plan): boolean => keepsMouthRule(ruleOf(q), plan, q.day.airC);

/** Each rung worn as it goes best on this day, by its place on the ladder. */
function rungsWorn(q: DoorQuestion, asked: Omit<Question, 'plan'>): WornRung[] {
  const rungs = q.rungs.length > 0 ? q.rungs : [{ n: 0, plan: firstDress(asked), clo: 0 }];
  return rungs.map((r) => {
    const plan = keepsRules(q, r.plan) ? r.plan : withMouthCovered({ closet: q.closet, sport: q.day.sport }, r.plan);
    const ways = wets(q.day) ? underStorm({ closet: q.closet, sport: q.day.sport }, { ...r, plan }) : [{ ...r, plan }];
    return ways.map((way) => wornBest(asked, way)).reduce((a, b) => (holdsBetter(b.scored, a.scored) ? b : a));
  });
}

/** Whether something falls that wets. */
const wets = ({ falls }: DoorDay): boolean => falls.mmH > 0 && LIQUID_SHARE[falls.kind] > 0;

const bestOf = (worn: readonly WornRung[]): WornRung =>
  worn.reduce((a, b) => (holdsBetter(b.scored, a.scored, SAME_RUNG) ? b : a));
/** A warmer rung must be better by so much, points. */
const SAME_RUNG = 0.03;

/** What may change at the door, the rung being chosen: small things, what keeps the wet off, and the jacket for stops. */
const atDoor = (c: Change): boolean =>
  c.pieces.every((g) => !LARGE.has(g.group) || g.role === 'storm' || g.role === 'warm' || g.role === 'shell') &&
  c.pieces.length <= 2;
const LARGE: ReadonlySet<Garment['group']> = new Set(['torso', 'legs']);

/** The answer at once: the best rung as it stands. For while a dial moves. @throws OutOfRange */
export function answerAtOnce(q: DoorQuestion): DoorAnswer {
  const { outing, asked } = laidOut(q);
  const best = bestOf(rungsWorn(q, asked));
  const { plan, scored } = best;
  return {
    rung: best.rung.n,
    outing,
    timeline: asked.timeline,
    plan,
    scored,
    felt: feltOf(scored.metrics, scored.series.stepS),
    ruleCosts: 0,
    needs: needsOf(q.day, asked.timeline),
    cues: [],
    mustNotMiss: -1,
    without: withoutCues(asked, plan),
    how: 'at once',
  };
}

const withoutCues = (asked: Omit<Question, 'plan'>, plan: Plan): Scored | null =>
  plan.cues.length === 0 ? null : runPlan({ ...asked, plan }, { ...plan, cues: [] }, { stepS: 30 });

/**
 * The answer: the best rung, adapted to the day by as few changes as will do. Without rungs one begins from a plain dressing and may
 * change everything.
 * @throws OutOfRange for a day outside DOOR_RANGE, or a closet that lacks a part nobody can go without
 */
export function answerExactly(q: DoorQuestion, goOn: () => boolean = () => true): DoorAnswer {
  const laid = laidOut(q);
  const best = bestOf(rungsWorn(q, laid.asked));
  const how = {
    kit: KIT_SAVES,
    wearing: WEARING_SAVES,
    maxCues: mostCues(q),
    goOn,
    only: q.rungs.length > 0 ? atDoor : undefined,
    must: (p: Plan) => keepsRules(q, p),
  };
  const { plan } = adapt(laid.asked, best.plan, how);
  return inFull(q, laid, { rung: best.rung.n, plan: withoutIdle(laid.asked, plan), how: 'exact' });
}

/** What leaving a carried piece at home may cost for it to stay there, points: nobody misses so little. */
const IDLE = 0.015;

/** The plan without what is carried and never put on, where it is as good and as safe without. */
function withoutIdle(asked: Omit<Question, 'plan'>, plan: Plan): Plan {
  const used = new Set(plan.cues.flatMap((c) => c.actions.map((a) => a.garment)));
  let now = tried({ ...asked, plan }, plan);
  let left = plan;
  for (const id of plan.carried.filter((c) => !used.has(c))) {
    const next = leaveGarment(left, id);
    const then = tried({ ...asked, plan: next }, next);
    if (then.total > now.total + IDLE || clothesGravity(then) > clothesGravity(now)) continue;
    [left, now] = [next, then];
  }
  return left;
}

const mostCues = (q: DoorQuestion): number => Math.min(DOOR_CUES, q.wishes.maxCues);

function inFull(
  q: DoorQuestion,
  { outing, asked }: ReturnType<typeof laidOut>,
  found: Pick<DoorAnswer, 'rung' | 'plan' | 'how'>,
): DoorAnswer {
  const { plan } = found;
  const scored = runInFull({ ...asked, plan });
  const cues = missedCues({ ...asked, plan }, scored);
  return {
    ...found,
    outing,
    timeline: asked.timeline,
    scored,
    felt: feltOf(scored.metrics, scored.series.stepS),
    ruleCosts: ruleCosts(q, asked, plan),
    needs: needsOf(q.day, asked.timeline),
    cues,
    mustNotMiss: mustNotMiss(cues),
    without: withoutCues(asked, plan),
  };
}

/** A day this long, or with a stop this long outdoors, min, is more than a rung with small changes: the whole planner looks at it too. */
const LONG = { minutes: 100, stop: 4 } as const;
export const isLong = ({ minutes, stops }: DoorDay): boolean =>
  minutes > LONG.minutes || stops.some((s) => s.kind !== 'hut' && s.kind !== 'lights' && s.minutes >= LONG.stop);

/** What the whole planner must save before it is preferred to the rung: a share of the cost, and points. */
const SEARCH_SAVES = { share: 0.03, points: 0.05 } as const;

/** The whole planner's answer to a long day, where it is better than the rung's by more than a hair; else the same. */
export function answerSearched(q: DoorQuestion, exact: DoorAnswer, progress: Progress = () => true): DoorAnswer {
  const laid = laidOut(q);
  const found = makePlan(
    { ...laid.asked, maxCues: mostCues(q), mouthCovered: needsMouth(q), leadDays: 0 },
    (done, says) => progress(done, says),
  );
  if (!keepsRules(q, found.plan)) return { ...exact, how: 'searched' };
  const byPoints = SEARCH_SAVES.points + SEARCH_SAVES.share * exact.scored.total;
  if (!holdsBetter(found.scored, exact.scored, byPoints)) return { ...exact, how: 'searched' };
  return inFull(q, laid, { rung: exact.rung, plan: found.plan, how: 'searched' });
}

const needsMouth = ({ wishes, day, closet }: DoorQuestion): boolean =>
  wishes.mouthBelowC != null &&
  day.airC < wishes.mouthBelowC &&
  closet.some((g) => g.group === 'face' && g.mouthCover >= MOUTH_COVERED);

/** What the athlete's own rule costs: against the same plan with the mouth bare. */
function ruleCosts(q: DoorQuestion, asked: Omit<Question, 'plan'>, plan: Plan): number {
  const face = alongOf(q.closet, plan).filter((g) => g.group === 'face' && plan.worn.includes(g.id));
  const bare = face.reduce((p, g) => leaveGarment(p, g.id), plan);
  if (face.length === 0 || keepsRules(q, bare)) return 0;
  return Math.max(0, tried({ ...asked, plan }, plan).total - tried({ ...asked, plan: bare }, bare).total);
}

/** Efforts beside the day's own, 0–10 as perceived. */
const OTHER_EFFORTS = [2, 3.5, 5, 6.5, 8] as const;

/** What stands round an answer: a rung cooler and warmer, the same clothes at other efforts, and where every rung holds. */
export function aroundDoor(q: DoorQuestion, answer: Pick<DoorAnswer, 'plan' | 'rung'>): DoorAround {
  const { asked } = laidOut(q);
  const worn = rungsWorn(q, asked);
  const at = worn.findIndex((w) => w.rung.n === answer.rung);
  const inAir = (airC: number, plan: Plan): Scored => {
    const timeline = timelineOf(outingAtDoor({ ...q.day, airC }, q.place), q.person);
    const worn = jacketAtStops(plan, q.closet, timeline);
    return tried({ ...askedOn(q, timeline), plan: worn }, worn);
  };
  return {
    cooler: at > 0 ? beside(worn[at - 1]) : null,
    warmer: at >= 0 && at < worn.length - 1 ? beside(worn[at + 1]) : null,
    efforts: effortsFor(q.day.exertion).map((exertion) => {
      const timeline = timelineOf(outingAtDoor({ ...q.day, exertion }, q.place), q.person);
      const scored = tried({ ...asked, timeline, plan: answer.plan }, answer.plan);
      const going = timeline.stretches.find((s) => s.sport === q.day.sport)!;
      return {
        exertion,
        metabolicW: going.metabolicW,
        waterG: scored.metrics.waterPeak.value,
        felt: feltOf(scored.metrics, scored.series.stepS),
      };
    }),
    reach: worn
      .slice(Math.max(0, at - 1), at + 2)
      .filter((w) => w.rung.n > 0)
      .map((w) => ({ rung: w.rung.n, ...reachOf(w.plan, q.closet, inAir) })),
  };
}

/** Five efforts, the nearest of them being the day's own. */
function effortsFor(own: number): number[] {
  const near = OTHER_EFFORTS.reduce((a, b) => (Math.abs(b - own) < Math.abs(a - own) ? b : a));
  return OTHER_EFFORTS.map((e) => (e === near ? own : e));
}

const beside = ({ rung, plan, scored }: WornRung): Beside => {
  const cold = coldIn(scored);
  const gravity = clothesGravity(scored);
  return {
    rung: rung.n,
    plan,
    felt: feltOf(scored.metrics, scored.series.stepS),
    waterG: scored.metrics.waterPeak.value,
    fingersC: scored.metrics.fingers.value,
    gravity,
    fails: gravity < 2 ? null : cold ? partOf(cold) : 'too hot',
  };
};

/** The plan begun at another hour, in the weather of that hour. */
export interface DoorHour {
  startMs: number;
  day: DoorDay;
  waterG: number;
  felt: Felt;
  /** gravest of all that is found, 0–3 */
  gravity: number;
  safe: boolean;
  cost: number;
}

/**
 * The same clothes at other hours.
 * @param days the day as it would be at each hour
 */
export function hoursAtDoor(q: DoorQuestion, plan: Plan, days: readonly DoorDay[]): DoorHour[] {
  return days.map((day) => {
    const timeline = timelineOf(outingAtDoor(day, q.place), q.person);
    const scored = tried({ ...askedOn(q, timeline), plan }, plan);
    return {
      startMs: day.startMs,
      day,
      waterG: scored.metrics.waterPeak.value,
      felt: feltOf(scored.metrics, scored.series.stepS),
      gravity: clamp(scored.findings[0]?.severity ?? 0, 0, 3),
      safe: isSafe(scored.findings),
      cost: scored.total,
    };
  });
}

/** All that is said at the door, each part told when it is ready. */
export interface DoorTold {
  answer: DoorAnswer;
  around: DoorAround;
  chances: Chances;
  stuckOut: StuckOut;
  advice: Advice;
}

/**
 * The whole of what is said at the door, in the order in which a person wants it: the one sequence for the page's worker and the command
 * line, so that both end with the same.
 * @param goOn asked between the parts and in the search; false ends with what there is
 */
export function* answerAtDoor(q: DoorQuestion, goOn: () => boolean = () => true): Generator<Partial<DoorTold>> {
  yield { answer: answerAtOnce(q) };
  let answer = answerExactly(q, goOn);
  yield { answer };
  if (isLong(q.day) && goOn()) {
    answer = answerSearched(q, answer, () => goOn());
    yield { answer };
  }
  const on = { ...askedOn(q, answer.timeline), plan: answer.plan };
  const spread = chances({ ...on, leadDays: 0 });
  yield { chances: spread };
  yield { around: aroundDoor(q, answer) };
  const stuck = stuckOut(on);
  yield { stuckOut: stuck };
  const floorC = q.wishes.floorC ?? undefined;
  yield { advice: advise(on, answer.scored, { floorC, chances: spread, stuckOut: stuck }) };
}
