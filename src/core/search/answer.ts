import type { Garment } from '@/core/clothing/garment';
import { isSmall } from '@/core/clothing/purpose';
import { clothesGravity, holdsBetter } from '@/core/judge/clothesHold';
import { feltOf, type Felt } from '@/core/judge/felt';
import { needsOf, type Need } from '@/core/judge/needs';
import type { Scored } from '@/core/judge/scorePlan';
import { alongOf, leaveGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import type { Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { advise, type Advice } from '@/core/questions/advise';
import { chances, type Chances } from '@/core/questions/chances';
import { stuckOut, type StuckOut } from '@/core/questions/stuckOut';
import { mustNotMiss, type CueReason } from '@/core/questions/cueReason';
import { missedCues } from '@/core/questions/missedCues';
import { runInFull, runPlan, type Question } from '@/core/questions/question';
import { adapt, tried } from './adapt';
import type { Change } from './changes';
import { aroundDoor, type DoorAround } from './aroundDoor';
import { isLong } from './longDay';
import { askedOn, keepsRules, laidOut, leadDaysOf, rungsWorn, type DoorQuestion } from './doorQuestion';
import type { WornRung } from './rungs';
import { mouthRuleHolds } from './wishes';
import { makePlan } from './planner';
import type { Progress } from './planRequest';
import { USELESS } from './settle';

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

const KIT_SAVES = 0.05;
const WEARING_SAVES = 0.03;
/** Cues at the door: more than three nobody keeps in mind without a sheet (common practice, no published source). */
export const DOOR_CUES = 3;

const bestOf = (worn: readonly WornRung[]): WornRung =>
  worn.reduce((a, b) => (holdsBetter(b.scored, a.scored, SAME_RUNG) ? b : a));
/** A warmer rung must be better by so much, points. */
const SAME_RUNG = 0.03;

/** What may change at the door, the rung being chosen: small things, what keeps the wet off, and the jacket for stops. */
const atDoor = (c: Change): boolean =>
  c.pieces.every((g) => !LARGE.has(g.group) || g.role === 'storm' || g.role === 'warm' || g.role === 'shell') &&
  c.pieces.length <= 2;
const LARGE: ReadonlySet<Garment['group']> = new Set(['torso', 'legs']);

/** What the answer at once found of a question: the exact one begins from there, and need not find it again. */
export type Begun = Pick<DoorAnswer, 'rung' | 'plan'>;

const begin = (q: DoorQuestion, asked: Omit<Question, 'plan'>): Begun => {
  const { rung, plan } = bestOf(rungsWorn(q, asked));
  return { rung: rung.n, plan };
};

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
    needs: needsOf(q.day, asked.timeline, alongOf(q.closet, plan)),
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
 * @param begun where the answer at once to the same question is there already: what it found @throws OutOfRange for a day outside DOOR_RANGE, or a closet that lacks a part nobody can go without
 */
export function answerExactly(q: DoorQuestion, goOn: () => boolean = () => true, begun?: Begun): DoorAnswer {
  const laid = laidOut(q);
  const best = begun ?? begin(q, laid.asked);
  const how = {
    kit: KIT_SAVES,
    wearing: WEARING_SAVES,
    maxCues: mostCues(q),
    goOn,
    only: q.rungs.length > 0 ? atDoor : undefined,
    must: (p: Plan) => keepsRules(q, p),
  };
  const { plan } = adapt(laid.asked, best.plan, how);
  return inFull(q, laid, { rung: best.rung, plan: withoutIdle(q, laid.asked, plan), how: 'exact' });
}

/** What leaving a carried piece at home may cost for it to stay there, points: nobody misses so little. */
const IDLE = 0.015;

/** The plan without what is carried and never put on, and without small things of no use (gloves of the warmest rung at +15 °C), where it is as good and as safe without. */
function withoutIdle(q: DoorQuestion, asked: Omit<Question, 'plan'>, plan: Plan): Plan {
  const used = new Set(plan.cues.flatMap((c) => c.actions.map((a) => a.garment)));
  let now = tried({ ...asked, plan }, plan);
  let left = plan;
  const idle = alongOf(q.closet, plan).filter((g) => !used.has(g.id) && (plan.carried.includes(g.id) || isSmall(g)));
  for (const { id } of idle) {
    const next = leaveGarment(left, id);
    const then = tried({ ...asked, plan: next }, next);
    const most = now.total + (plan.carried.includes(id) ? IDLE : USELESS);
    if (then.total > most || clothesGravity(then) > clothesGravity(now) || !keepsRules(q, next)) continue;
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
    needs: needsOf(q.day, asked.timeline, alongOf(q.closet, plan)),
    cues,
    mustNotMiss: mustNotMiss(cues),
    without: withoutCues(asked, plan),
  };
}

/** What the whole planner must save before it is preferred to the rung: a share of the cost, and points. */
const SEARCH_SAVES = { share: 0.03, points: 0.05 } as const;

/** The whole planner's answer to a long day, where it is better than the rung's by more than a hair; else the same. */
export function answerSearched(q: DoorQuestion, exact: DoorAnswer, progress: Progress = () => true): DoorAnswer {
  const laid = laidOut(q);
  const found = makePlan(
    {
      ...laid.asked,
      maxCues: mostCues(q),
      mouthCovered: mouthRuleHolds(q.wishes, laid.asked.timeline, q.closet),
      leadDays: leadDaysOf(q),
    },
    (done, says) => progress(done, says),
  );
  if (!keepsRules(q, found.plan)) return { ...exact, how: 'searched' };
  const byPoints = SEARCH_SAVES.points + SEARCH_SAVES.share * exact.scored.total;
  if (!holdsBetter(found.scored, exact.scored, byPoints)) return { ...exact, how: 'searched' };
  return inFull(q, laid, { rung: exact.rung, plan: found.plan, how: 'searched' });
}

/** What the athlete's own rule costs: against the same plan with the mouth bare. */
function ruleCosts(q: DoorQuestion, asked: Omit<Question, 'plan'>, plan: Plan): number {
  const face = alongOf(q.closet, plan).filter((g) => g.group === 'face' && plan.worn.includes(g.id));
  const bare = face.reduce((p, g) => leaveGarment(p, g.id), plan);
  if (face.length === 0 || keepsRules(q, bare)) return 0;
  return Math.max(0, tried({ ...asked, plan }, plan).total - tried({ ...asked, plan: bare }, bare).total);
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
 * @param goOn asked between the parts and in the search; false ends with what there is @param begun as for `answerExactly`
 */
export function* answerAtDoor(
  q: DoorQuestion,
  goOn: () => boolean = () => true,
  begun?: Begun,
): Generator<Partial<DoorTold>> {
  let answer = answerExactly(q, goOn, begun);
  yield { answer };
  if (isLong(q.day) && goOn()) {
    answer = answerSearched(q, answer, () => goOn());
    yield { answer };
  }
  const on = { ...askedOn(q, answer.timeline), plan: answer.plan };
  const spread = chances({ ...on, leadDays: leadDaysOf(q) });
  yield { chances: spread };
  yield { around: aroundDoor(q, answer) };
  const stuck = stuckOut(on);
  yield { stuckOut: stuck };
  const floorC = q.wishes.floorC ?? undefined;
  yield { advice: advise(on, answer.scored, { floorC, chances: spread, stuckOut: stuck }) };
}
