import { within } from '@/core/quantity/range';
import type { Plan } from '@/core/kit/plan';
import { work, workSince, type Work } from '@/core/questions/phaseRunner';
import { Descent } from './descent';
import type { Finishing, Polished } from './finishing';
import type { PlanRequest } from './planRequest';
import { polish, POLISH_STEP_S } from './polish';
import { MOST_CUES } from './wishes';

/** What comes of the plans of other starts, each bettered by itself: the cheapest of them, the others, and what it took. */
export interface Second extends Polished {
  rest: readonly Plan[];
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
 * The plans of a search's other starts, each bettered by itself: here, or in a worker beside it. Which start leads to the best cannot be told by what it begins with.
 * @param plans at least one  @param goOn asked now and then; false ends it with the best so far
 */
export function betterSecond(request: PlanRequest, plans: readonly Plan[], goOn: () => boolean = () => true): Second {
  const before = { ...work };
  const descent = new Descent(request, goOn);
  const finishing = finishingOf(descent, mostCuesOf(request));
  const [best, ...rest] = plans
    .map((plan) => polish(plan, descent.candidates, finishing))
    .sort((a, b) => a.least - b.least);
  return { ...best, rest: rest.map((p) => p.plan), work: workSince(before) };
}
