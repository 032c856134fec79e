import { isSafe } from '@/core/judge/findings';
import { withoutCotton } from '@/core/clothing/purpose';
import { evenDay } from '@/core/outing/evenDay';
import type { Plan } from '@/core/kit/plan';
import { mustNotMiss } from '@/core/questions/cueReason';
import { dropCue, missedCues } from '@/core/questions/missedCues';
import { propose } from '@/core/questions/propose';
import { runInFull } from '@/core/questions/question';
import { adapted } from './adapted';
import { curveInFull } from './curveInFull';
import { Descent } from './descent';
import type { Descended } from './otherStarts';
import { askedOf, DEAR, FEW, finishingOf, POLISH_STEP_S, ranIn, type Finishing } from './finishing';
import { Look, type Found } from './look';
import type { Planned, PlanRequest, Progress } from './planRequest';
import { mayFollow } from './mayFollow';
import { nearTo } from './nearTo';
import { settle } from './settle';
import { triedFurther } from './triedFurther';

/** What a look at the day itself finds must be cheaper by such a share: what suits the even day is the steadier answer. */
const CHEAPER = 0.03;
/** How far a search is once it has looked at the even day, 0–1, where the day itself may be looked at too. */
const EVEN_DONE = 0.65;

/** The nearest even day, or the day that was asked about itself. */
export type Where = 'even day' | 'day';

/** What is searched for on such a day, and from which pieces. */
export function askedOn(where: Where, request: PlanRequest): PlanRequest {
  const asked = { ...request, closet: withoutCotton(request.closet) };
  return where === 'day' ? asked : { ...asked, timeline: evenDay(request.timeline, request.person) };
}

/** What a look at the day itself comes to: with what it costs, points, and the phases simulated for it. */
export interface Alone extends Found {
  cost: number;
  phases: number;
}

/** What suits the even day, adapted to the day itself: with what it costs, points, and the phases simulated for that. */
export interface Fitted extends Found {
  cost: number;
  phases: number;
  /** whether that is dear, so that the day is to be looked at by itself too (`lookAlone`) */
  dear: boolean;
}

/**
 * A look at the day itself from one start. It asks nothing of a search on the even day, and may run beside it. What takes longest, other paces and other
 * bases, is left to whoever knows that it is cheaper than what suits the even day: one in six is. @param progress false ends it with the best so far
 */
export function lookAlone(request: PlanRequest, progress: Progress): Alone {
  const look = new Look(askedOn('day', request), progress);
  look.begin();
  look.meet(null);
  look.better();
  const found = look.end();
  const cost = costOf(found.plan, finishingOf(look.descent));
  return { ...found, cost, phases: look.work.phases };
}

/** Adapts what was found on the even day so far to the day itself: made beside a search that tries more on a dear plan, for where nothing comes of that. */
export const fitBeside = (request: PlanRequest, found: Found, progress: Progress): Fitted =>
  fittedTo(new Descent(askedOn('day', request), progress), found, 'in all ways');

function fittedTo(descent: Descent, found: Found, adapts: NonNullable<Finishing['adapts']>): Fitted {
  const finishing = finishingOf(descent);
  const here = adapted(found, descent.candidates, { ...finishing, adapts });
  const cost = costOf(here.plan, finishing);
  return { ...here, cost, phases: descent.course.work.phases, dear: cost >= DEAR && ownsMany(descent.request) };
}

/** Whether there are pieces enough for starts to end apart. */
const ownsMany = ({ closet }: PlanRequest): boolean => closet.length > FEW;

const costOf = (plan: Plan, f: Finishing): number => ranIn(f, plan).total;

/**
 * A search in stages (at once, begin, meet, end, last; the end in three: better, further, fit). It looks at the nearest even day, so that neighbouring questions have the same answer there, and
 * adapts that to the day itself. Where that comes out dear much can be lost, and what suits the even day may not suit the day: it is looked at itself too.
 */
export class Search {
  private readonly request: PlanRequest;
  private readonly look: Look;
  private done = 0;
  /** whether it comes out dear, guessed from the first descent to begin with */
  private dear = false;
  /** what suits the even day, adapted: with what it costs, points, and what made it */
  private fitted: (Fitted & { descent: Descent }) | null = null;
  private found: Found | null = null;
  /** what a worker beside may have fitted meanwhile */
  private sent: Found | null = null;

  /** @throws OutOfRange as `makePlan` */
  constructor(
    request: PlanRequest,
    private readonly progress: Progress,
  ) {
    this.request = askedOn('day', request);
    this.look = new Look(askedOn('even day', request), (done, ...told) =>
      this.tell(this.mayLookTwice ? EVEN_DONE * done : done, ...told),
    );
  }

  /** Progress never goes back. */
  private readonly tell: Progress = (done, says, first) => {
    this.done = Math.max(this.done, done);
    return this.progress(this.done, says, first);
  };

  private get mayLookTwice(): boolean {
    return this.dear && ownsMany(this.request);
  }

  /** Whether nobody has stopped it. */
  goesOn(): boolean {
    return this.look.descent.beat();
  }

  /** The first usable plan is told, once: before `begin`, so that a second worker starts up only after it and does not hold it up. */
  atOnce(): void {
    this.look.atOnce();
  }

  /** The first usable plan, where it was not told yet, and what a descent from it finds. */
  begin(): void {
    this.dear = this.look.begin() >= DEAR;
  }

  /** What the first descent and the one from other layers come to together. @param found null: what was begun stands alone */
  meet(found: Descended | null): void {
    this.look.meet(found);
    this.dear = this.cost >= DEAR;
  }

  /** What was found so far costs, before it is bettered, points. */
  get cost(): number {
    return this.look.cost;
  }

  /** What was found on the even day is bettered. @returns what a worker beside may fit to the day meanwhile (`fitBeside`): none where nothing more is tried on it */
  better(): Found | null {
    return (this.sent = this.look.better() ? this.look.soFar : null);
  }

  /** More is tried on a plan that stays dear. @returns whether it led to another one than was to be fitted beside */
  further(): boolean {
    this.found = this.look.further();
    this.dear = this.look.cost >= DEAR;
    return this.found !== this.sent;
  }

  /**
   * What suits the even day adapted to the day itself. @param beside the same, made in another worker of what `further` left as it was
   * @returns whether that is dear, so that the day is to be looked at by itself too (`lookAlone`)
   */
  fit(beside: Fitted | null): boolean {
    const { found } = this;
    if (!found) throw new Error('nothing is found on the even day yet');
    const { phases } = this.look.work;
    const descent = new Descent(this.request, this.tell);
    descent.tell(this.mayLookTwice ? EVEN_DONE : 0.92, 'Fitting it to the day');
    descent.nears(this.mayLookTwice ? EVEN_DONE + 0.05 : 0.95);
    const fitted = beside ?? fittedTo(descent, found, this.dear ? 'in all ways' : 'in brief');
    this.fitted = { ...fitted, descent, phases: phases + fitted.phases };
    return fitted.dear && descent.beat();
  }

  /** All of these by itself. @returns as `fit` */
  end(): boolean {
    this.look.better();
    this.further();
    return this.fit(null);
  }

  /** Progress of a look at the day itself that is made here. */
  readonly tellAlone: Progress = (done, says) => this.tell(EVEN_DONE + 0.05 + 0.25 * done, says);

  /** The plan proposed, and all that is told of it. @param alone what the day itself led to, where it was looked at */
  last(alone: Alone | null): Planned {
    const { fitted } = this;
    if (!fitted) throw new Error('this search has not ended');
    const { descent } = fitted;
    const finishing = finishingOf(descent);
    descent.tell(0.96, 'Missing each cue once');
    const finished = (plan: Plan) => missed(withProposed(plan, finishing), finishing);
    const even = finished(fitted.plan);
    const own =
      alone && alone.cost < fitted.cost
        ? finished(nearer(tried(alone, descent, finishing), fitted.plan, finishing))
        : even;
    const isOwn = own.scored.total < (1 - CHEAPER) * even.scored.total;
    const { plan, scored, cues } = isOwn ? own : even;
    const curve = curveInFull((isOwn && alone ? alone : fitted).curve, plan, {
      asked: askedOf(finishing),
      stepS: POLISH_STEP_S,
      may: mayFollow(finishing),
      goOn: () => descent.beat(),
    });
    const simulations = fitted.phases + (alone?.phases ?? 0);
    descent.tell(1, 'Done');
    return { plan, scored, safe: isSafe(scored.findings), cues, mustNotMiss: mustNotMiss(cues), curve, simulations };
  }
}

/** What a look at the day itself found, with what may better a dear plan tried on it. */
function tried({ plan, cost, others }: Alone, descent: Descent, f: Finishing): Plan {
  descent.tell(0.96, 'Trying other paces');
  return triedFurther({ plan, least: cost }, descent.candidates, { ...f, others }).plan;
}

/** What a look at the day itself found, as near to what suits the even day as nobody could tell. */
const nearer = (alone: Plan, fitted: Plan, f: Finishing): Plan => settle(nearTo(alone, fitted, f), f, 'cues');

/** The most proposals that are taken at the very end. */
const LAST_PROPOSED = 8;

/** What would be proposed to a person beside the plan is taken: nothing is left that is worth their attention. */
function withProposed(plan: Plan, f: Finishing): Plan {
  const may = mayFollow(f);
  let best = plan;
  for (let i = 0; i < LAST_PROPOSED; i++) {
    const proposal = propose({ ...askedOf(f), plan: best }, { goOn: f.beat, may: (next) => may(best, next) });
    if (!proposal) break;
    best = proposal.plan;
  }
  return best;
}

/** Misses each cue once; one that costs less missed than done, run in full, is left out. */
function missed(plan: Plan, f: Finishing): Missed {
  const { person, closet, timeline, damp, waiting } = f.request;
  const found = { person, closet, timeline, plan, damp, weights: f.weights, waiting };
  const scored = runInFull(found);
  const cues = missedCues(found, scored);
  const idle = cues.findIndex((c) => c.missCost < 0);
  if (idle < 0) return { plan, scored, cues };
  const without = dropCue(plan, idle);
  return mayFollow(f)(plan, without) ? missed(without, f) : { plan, scored, cues };
}

/** A plan run in full, and what missing each of its cues costs. */
type Missed = Pick<Planned, 'plan' | 'scored' | 'cues'>;
