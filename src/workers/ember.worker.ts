import { expose } from 'comlink';
import type { Person } from '@/core/body/person';
import { plainGarment, type Garment } from '@/core/clothing/garment';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { bestStart, type BestStart } from '@/core/plan/bestStart';
import { chances, type Chances } from '@/core/plan/members';
import { missedCues, type CueReason } from '@/core/plan/missed';
import { makePlan, type Planned, type PlanRequest } from '@/core/plan/planner';
import { compareSchools, type Compared } from '@/core/plan/schools';
import type { Wishes } from '@/core/plan/wishes';
import { wouldBeSafe, type Remedy } from '@/core/plan/wouldBeSafe';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { propose, type Proposal } from '@/core/plan/propose';
import { scorePlan, type Scored } from '@/core/plan/score';
import { stuckOut, type StuckOut } from '@/core/plan/stuckOut';
import { whyThis, type Why } from '@/core/plan/whyThis';
import type { Plan } from '@/core/simulate/plan';
import { practise } from './warmUp';

/** What lies behind a plan, part by part as it is worked out. */
export interface Behind {
  missed: CueReason[];
  chances: Chances;
  stuckOut: StuckOut;
  why: Why[];
  bestStart: BestStart;
  wouldBeSafe: Remedy[];
}

const planRequest = (
  person: Person,
  closet: Garment[],
  outing: Outing,
  damp: Record<string, number>,
  { weights, maxCues, waiting }: Wishes,
  leadDays: number,
): PlanRequest => ({
  person,
  closet: closet.map(plainGarment),
  timeline: timelineOf(outing, person),
  sport: outing.sport,
  damp,
  weights,
  maxCues,
  waiting,
  leadDays,
});

/** How often progress is told, ms: each word of it costs the page a drawing. */
const TELL_EVERY_MS = 150;

/** Passes progress on now and then; a first or better plan always. */
function nowAndThen(
  progress: (done: number, says: string, soFar?: Plan) => void,
): (done: number, says: string, soFar?: Plan) => boolean {
  let told = -Infinity;
  return (done, says, soFar) => {
    const now = performance.now();
    if (soFar || now - told >= TELL_EVERY_MS) {
      told = now;
      progress(done, says, soFar);
    }
    return true;
  };
}

/** The heavy work, off the page's thread. One pure core serves worker, server, command line and tests. */
const api = {
  practise,
  score(
    person: Person,
    garments: Garment[],
    outing: Outing,
    plan: Plan,
    damp: Record<string, number>,
    wishes: Wishes,
    stepS: number,
  ): Scored {
    const used = new Set([...plan.worn, ...plan.carried]);
    return scorePlan(
      person,
      garments.filter((g) => used.has(g.id)),
      timelineOf(outing, person),
      plan,
      { stepS, damp, weights: wishes.weights, waiting: wishes.waiting },
    );
  },
  propose(
    person: Person,
    closet: Garment[],
    outing: Outing,
    plan: Plan,
    damp: Record<string, number>,
    wishes: Wishes,
  ): Proposal | null {
    const { weights, waiting } = wishes;
    const timeline = timelineOf(outing, person);
    return propose({
      person,
      closet: closet.map(plainGarment),
      timeline,
      sport: outing.sport,
      plan,
      damp,
      weights,
      waiting,
    });
  },
  behind(
    person: Person,
    owned: Garment[],
    outing: Outing,
    plan: Plan,
    damp: Record<string, number>,
    wishes: Wishes,
    leadDays: number,
    ready: (part: Partial<Behind>) => void,
  ): void {
    const closet = owned.map(plainGarment);
    const timeline = timelineOf(outing, person);
    const { weights, waiting } = wishes;
    const floorC = wishes.floorC ?? undefined;
    const { sport } = outing;
    const request = {
      person,
      closet,
      garments: closet,
      timeline,
      sport,
      outing,
      plan,
      damp,
      leadDays,
      weights,
      waiting,
    };
    ready({ missed: missedCues(request) });
    ready({ chances: chances(request) });
    ready({ stuckOut: stuckOut(request) });
    const used = new Set([...plan.worn, ...plan.carried]);
    ready({ bestStart: bestStart({ ...request, floorC, garments: closet.filter((g) => used.has(g.id)) }) });
    ready({ wouldBeSafe: wouldBeSafe({ ...request, more: CATALOGUE }) });
    ready({ why: whyThis(request) });
  },
  plan(
    person: Person,
    closet: Garment[],
    outing: Outing,
    damp: Record<string, number>,
    wishes: Wishes,
    leadDays: number,
    progress: (done: number, says: string, soFar?: Plan) => void,
  ): Planned {
    return makePlan(planRequest(person, closet, outing, damp, wishes, leadDays), nowAndThen(progress));
  },
  schools(
    person: Person,
    closet: Garment[],
    outing: Outing,
    damp: Record<string, number>,
    wishes: Wishes,
    leadDays: number,
    ids: string[],
    progress: (done: number, says: string) => void,
  ): Compared {
    return compareSchools(planRequest(person, closet, outing, damp, wishes, leadDays), ids, nowAndThen(progress));
  },
};

export type EmberWorker = typeof api;
expose(api);
