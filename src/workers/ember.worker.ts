import { expose } from 'comlink';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { bestStart, type BestStart } from '@/core/plan/bestStart';
import { chances, type Chances } from '@/core/plan/members';
import { makePlan, type Planned } from '@/core/plan/planner';
import { propose, type Proposal } from '@/core/plan/propose';
import { scorePlan, type Scored } from '@/core/plan/score';
import { stuckOut, type StuckOut } from '@/core/plan/stuckOut';
import { whyThis, type Why } from '@/core/plan/whyThis';
import type { Plan } from '@/core/simulate/plan';

/** What lies behind a plan, part by part as it is worked out. */
export interface Behind {
  chances: Chances;
  stuckOut: StuckOut;
  why: Why[];
  bestStart: BestStart;
}

/** The heavy work, off the page's thread. One pure core serves worker, server, command line and tests. */
const api = {
  score(
    person: Person,
    garments: Garment[],
    outing: Outing,
    plan: Plan,
    damp: Record<string, number>,
    stepS: number,
  ): Scored {
    const used = new Set([...plan.worn, ...plan.carried]);
    return scorePlan(
      person,
      garments.filter((g) => used.has(g.id)),
      timelineOf(outing, person),
      plan,
      { stepS, damp },
    );
  },
  propose(
    person: Person,
    closet: Garment[],
    outing: Outing,
    plan: Plan,
    damp: Record<string, number>,
  ): Proposal | null {
    return propose({ person, closet, timeline: timelineOf(outing, person), sport: outing.sport, plan, damp });
  },
  behind(
    person: Person,
    closet: Garment[],
    outing: Outing,
    plan: Plan,
    damp: Record<string, number>,
    leadDays: number,
    ready: (part: Partial<Behind>) => void,
  ): void {
    const timeline = timelineOf(outing, person);
    const request = { person, closet, garments: closet, timeline, sport: outing.sport, outing, plan, damp, leadDays };
    ready({ chances: chances(request) });
    ready({ stuckOut: stuckOut(request) });
    const used = new Set([...plan.worn, ...plan.carried]);
    ready({ bestStart: bestStart({ ...request, garments: closet.filter((g) => used.has(g.id)) }) });
    ready({ why: whyThis(request) });
  },
  plan(
    person: Person,
    closet: Garment[],
    outing: Outing,
    damp: Record<string, number>,
    progress: (done: number, says: string) => void,
  ): Planned {
    return makePlan(
      { person, closet, timeline: timelineOf(outing, person), sport: outing.sport, damp },
      (done, says) => {
        progress(done, says);
        return true;
      },
    );
  },
};

export type EmberWorker = typeof api;
expose(api);
