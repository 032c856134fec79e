import type { Weights } from '@/core/judge/cost';
import type { Scored } from '@/core/judge/scorePlan';
import { runPlan } from '@/core/questions/question';
import type { Plan } from '@/core/kit/plan';
import type { Course } from './course';
import { within } from '@/core/quantity/range';
import type { Descent } from './descent';
import type { PlanRequest } from './planRequest';
import { MOST_CUES } from './wishes';

/** A plan that costs so much, points, is worth another look: on the day itself, at other paces, and by more pairs of changes. */
export const DEAR = 2;
/** From a closet of so few pieces all starts end alike, and there is little to pair. */
export const FEW = 20;

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
  /** set where single changes are all that is tried, and how one goes stays as it is */
  brief?: true;
  /** asked between trials; false ends with the best so far */
  beat: () => boolean;
}

/** A plan that was bettered, and what it costs with the price of its order, points. */
export interface Polished {
  plan: Plan;
  least: number;
  /** set where all changes there are were tried on this very plan: to better it once more leads to nothing */
  triedAll?: boolean;
}

/** The most cues a search may propose. @throws OutOfRange */
export const mostCuesOf = (request: PlanRequest): number =>
  within('most cues', request.maxCues ?? MOST_CUES, 0, MOST_CUES);

/** The last betterment by single changes: step of its runs, s. */
export const POLISH_STEP_S = 60;

/** What the last stages of a search by such a descent share. */
export const finishingOf = (descent: Descent): Finishing => ({
  request: descent.request,
  weights: descent.course.weights,
  order: descent.course.order,
  course: descent.course,
  stepS: Math.max(POLISH_STEP_S, descent.coarseS),
  mostCues: mostCuesOf(descent.request),
  beat: () => descent.beat(),
});

/** The question that a finished plan answers, without the plan. */
export function askedOf({ request, weights }: Finishing) {
  const { person, timeline, damp, waiting, closet, sport } = request;
  return { person, closet, timeline, sport, damp, weights, waiting };
}

/** A plan run as the last stages judge it. */
export const ranIn = (f: Finishing, plan: Plan): Scored =>
  runPlan({ ...askedOf(f), plan }, plan, { stepS: POLISH_STEP_S });
