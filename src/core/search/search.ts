import { isSafe } from '@/core/judge/findings';
import { withoutCotton } from '@/core/clothing/purpose';
import { evenDay } from '@/core/outing/evenDay';
import type { Plan } from '@/core/kit/plan';
import { mustNotMiss } from '@/core/questions/cueReason';
import { dropCue, missedCues } from '@/core/questions/missedCues';
import { runInFull } from '@/core/questions/question';
import { adapted } from './adapted';
import { curveInFull } from './curveInFull';
import { Descent } from './descent';
import { descendFromOther, type Descended } from './otherStarts';
import { askedOf, type Finishing } from './finishing';
import { Look, type Found } from './look';
import type { Planned, PlanRequest, Progress } from './planRequest';
import { POLISH_STEP_S } from './polish';
import { mayFollow } from './mayFollow';
import { finishingOf, mostCuesOf, type Second } from './secondLook';

/** On which day a search looks: the nearest even one, or the day that was asked about itself. */
export type Where = 'even day' | 'day';

/**
 * A day that costs so much is looked at itself from the start, since much can be lost there, and what suits the even day may not suit it: points that the
 * first kit costs before its cues are placed, and that both descents, or the adapted plan, end with.
 */
export const DEAR_BEGUN = { kit: 4, descents: 2.5 } as const;

/** From a closet of so few pieces all starts end alike. */
const FEW = 20;

/** What is searched for on such a day, and from which pieces. */
export function askedOn(where: Where, request: PlanRequest): PlanRequest {
  const asked = { ...request, closet: withoutCotton(request.closet) };
  return where === 'day' ? asked : { ...asked, timeline: evenDay(request.timeline, request.person) };
}

/**
 * What is made beside the first descent, here or in another worker. On a day that is looked at itself, which is a dear one, it begins from two kits: there a
 * descent ends in one of many hollows, and the third of three is often the best (decisions.md).
 * @param goOn asked now and then; false ends it with the best so far
 */
export const descendBeside = (where: Where, request: PlanRequest, goOn?: () => boolean): Descended =>
  descendFromOther(askedOn(where, request), where === 'day' && request.closet.length > FEW ? 'two' : 'one', goOn);

/**
 * A search in stages (begin, meet, better, end). It looks at the nearest even day first, so that neighbouring questions have the same answer there, and
 * adapts that to the day itself; where the day is dear, it begins anew on the day itself.
 */
export class Search {
  /** the day it looks at now; changed by `begin` and `meet` */
  where: Where = 'even day';
  private readonly request: PlanRequest;
  private look: Look;
  private done = 0;
  /** phases simulated beside the look there is: for one that was given up, and to adapt */
  private beside = 0;

  /** @throws OutOfRange as `makePlan` */
  constructor(
    request: PlanRequest,
    private readonly progress: Progress,
  ) {
    this.request = askedOn('day', request);
    this.look = this.lookOn();
  }

  private lookOn(): Look {
    return new Look(askedOn(this.where, this.request), this.tell);
  }

  /** Progress never goes back, though a search may begin anew. */
  private readonly tell: Progress = (done, says, first) => {
    this.done = Math.max(this.done, done);
    return this.progress(this.done, says, first);
  };

  /** Whether nobody has stopped it. */
  goesOn(): boolean {
    return this.look.descent.beat();
  }

  /** The first usable plan, and what a descent from it finds. @returns false where it is to begin once more, on the day itself */
  begin(): boolean {
    return this.look.begin(this.where === 'day' ? Infinity : DEAR_BEGUN.kit) || this.anew();
  }

  /**
   * What the first descent and the one from other layers come to together.
   * @param found null: what was begun stands alone
   * @returns false where it is to begin, and meet, once more, on the day itself
   */
  meet(found: Descended | null): boolean {
    const cost = this.look.join(found);
    if (this.where === 'even day' && found !== null && cost >= DEAR_BEGUN.descents) return this.anew();
    this.look.meet();
    return true;
  }

  private anew(): false {
    this.beside += this.look.work.phases;
    this.where = 'day';
    this.look = this.lookOn();
    return false;
  }

  /** The plans of the other descents, where they are to be bettered too (`betterSecond`, on the day that is looked at). Null where one look is enough. */
  get second(): readonly Plan[] | null {
    return this.look.second;
  }

  /** Betters the chosen plan by single changes. @returns whether it stays dear, so that the others count */
  better(): boolean {
    return this.look.better();
  }

  /**
   * The plan proposed, and all that is told of it. @param second what the others came to, where they count
   * @returns null where what suits the even day came out dear: it is to begin once more, on the day itself
   */
  end(second: Second | null): Planned | null {
    const found = this.look.end(second);
    if (this.where === 'day') return this.told(found, this.look.descent);
    const descent = new Descent(this.request, this.tell);
    descent.tell(0.92, 'Fitting it to the day');
    descent.nears(0.95);
    const here = adapted(found, descent.candidates, finishingOf(descent, mostCuesOf(this.request)));
    this.beside += descent.course.work.phases;
    if (here.cost < DEAR_BEGUN.descents || !descent.beat()) return this.told(here, descent);
    this.anew();
    return null;
  }

  private told(found: Found, descent: Descent): Planned {
    const finishing = finishingOf(descent, mostCuesOf(this.request));
    const simulations = this.beside + this.look.work.phases;
    descent.tell(0.96, 'Missing each cue once');
    const { plan, scored, cues } = missed(found.plan, finishing);
    const curve = curveInFull(found.curve, plan, {
      asked: askedOf(finishing),
      stepS: POLISH_STEP_S,
      may: mayFollow(finishing),
      goOn: () => descent.beat(),
    });
    descent.tell(1, 'Done');
    return { plan, scored, safe: isSafe(scored.findings), cues, mustNotMiss: mustNotMiss(cues), curve, simulations };
  }
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
