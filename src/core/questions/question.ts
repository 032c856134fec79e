import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Sport } from '@/core/effort/sports';
import type { Weights } from '@/core/judge/cost';
import { scorePlan, type Scored } from '@/core/judge/scorePlan';
import { alongOf } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import type { Timeline } from '@/core/outing/timeline';
import type { AthleteSpread } from './athleteSpread';

/** A plan, and what it is judged by: who, from what, where, and how it is weighed. */
export interface PlanInPlace {
  person: Person;
  /** everything owned */
  closet: readonly Garment[];
  timeline: Timeline;
  plan: Plan;
  /** water already in garments beyond dry storage, g/m² by id */
  damp?: Record<string, number>;
  weights?: Weights;
  /** people who must wait while something is changed, 0–30 */
  waiting?: number;
  /** how unsure the athlete is known; left out: as anybody */
  unsure?: AthleteSpread;
}

/** The same with the sport, for questions that look for other pieces. */
export interface Question extends PlanInPlace {
  sport: Sport;
}

/** Step of the runs that answer questions, s: coarse, since only their differences count. */
export const ASK_STEP_S = 30;

/** Runs the plan of a question, or another in its place. @param sampleS of the series, s */
export function runPlan(q: PlanInPlace, plan = q.plan, { stepS = ASK_STEP_S, sampleS = 60 } = {}): Scored {
  const { damp, weights, waiting } = q;
  return scorePlan(q.person, alongOf(q.closet, plan), q.timeline, plan, { stepS, sampleS, damp, weights, waiting });
}

/** The plan of a question as the verdict shows it, in fine steps. */
export const runInFull = (q: PlanInPlace, plan = q.plan): Scored => runPlan(q, plan, { stepS: 10 });
