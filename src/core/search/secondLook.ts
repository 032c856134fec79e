import { within } from '@/core/quantity/range';
import type { Plan } from '@/core/kit/plan';
import { work, workSince, type Work } from '@/core/questions/phaseRunner';
import { Descent } from './descent';
import type { Finishing } from './finishing';
import type { PlanRequest } from './planRequest';
import { polish, POLISH_STEP_S, type Polished } from './polish';
import { MOST_CUES } from './wishes';

/** A second plan after its polish, and what that took. */
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

/** The second plan of a search, bettered by itself: here, or in a worker beside it. @param goOn asked now and then; false ends it with the best so far */
export function betterSecond(request: PlanRequest, second: Plan, goOn: () => boolean = () => true): Second {
  const before = { ...work };
  const descent = new Descent(request, goOn);
  const polished = polish(second, descent.candidates, finishingOf(descent, mostCuesOf(request)));
  return { ...polished, work: workSince(before) };
}
