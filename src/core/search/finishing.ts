import type { Weights } from '@/core/judge/cost';
import type { Plan } from '@/core/kit/plan';
import type { Course } from './course';
import type { PlanRequest } from './planRequest';

/** A plan that costs so much, points, is worth another look: from the other descent, and by more pairs of changes. */
export const DEAR = 2;

/** What the last stages of a search share: what was asked, how it is weighed, and the longest step of a trial, s. */
export interface Finishing {
  request: PlanRequest;
  weights: Weights;
  /** what each piece weighs by its place in a fixed order, points by id */
  order: ReadonlyMap<string, number>;
  stepS: number;
  /** the outing as the search sees it */
  course: Course;
  /** plans that were found from other starts, and were not chosen */
  others?: readonly Plan[];
  /** the most cues that may be proposed */
  mostCues: number;
  /** set where a plan of the nearest even day is adapted: only changes that are worth it to somebody are made, and in brief fewer kinds of them are tried */
  adapts?: 'in brief' | 'in all ways';
  /** set where the plan was bettered to its end already: it is only once more where it takes something of the others */
  bettered?: true;
  /** set where single changes are all that is tried, and how one goes stays as it is */
  brief?: true;
  /** asked between trials; false ends with the best so far */
  beat: () => boolean;
}

/** A plan that was bettered, and what it costs with the price of its order, points. */
export interface Polished {
  plan: Plan;
  least: number;
}

/** The question that a finished plan answers, without the plan. */
export function askedOf({ request, weights }: Finishing) {
  const { person, timeline, damp, waiting, closet, sport } = request;
  return { person, closet, timeline, sport, damp, weights, waiting };
}
