import { within } from '@/core/quantity/range';
import type { Plan } from '@/core/kit/plan';
import { work, workSince, type Work } from '@/core/questions/phaseRunner';
import { Descent } from './descent';
import type { Finishing, Polished } from './finishing';
import type { PlanRequest } from './planRequest';
import { polish, POLISH_STEP_S } from './polish';
import { MOST_CUES } from './wishes';

/** What comes of the plan of another start, bettered by itself, and what it took. */
export interface Second extends Polished {
  work: Work;
}

/** The most cues a search may propose. @throws OutOfRange */
export const mostCuesOf = (request: PlanRequest): number =>
  within('most cues', request.maxCues ?? MOST_CUES, 0, MOST_CUES);

/** What the last stages of a search share. */
export const finishingOf = (descent: Descent, mostCues: number): Finishing => ({
  request: descent.request,
  weights: descent.course.weights,
  order: descent.course.order,
  course: descent.course,
  stepS: Math.max(POLISH_STEP_S, descent.coarseS),
  mostCues,
  beat: () => descent.beat(),
});

/**
 * The plan of a search's other start, bettered by itself: here, or in a worker beside it. Which start leads to the best cannot be told by what it begins with.
 * @param goOn asked now and then; false ends it with the best so far
 */
export function betterSecond(request: PlanRequest, plan: Plan, goOn: () => boolean = () => true): Second {
  const before = { ...work };
  const descent = new Descent(request, goOn);
  const { plan: bettered, least } = polish(plan, descent.candidates, finishingOf(descent, mostCuesOf(request)));
  return { plan: bettered, least, work: workSince(before) };
}
