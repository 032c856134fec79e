import { work, workSince, type Work } from '@/core/questions/phaseRunner';
import { Descent, type DescentNames } from './descent';
import { namesOf } from './kit';
import type { PlanRequest } from './planRequest';

/** What the descent beside the first comes to. */
export interface Descended extends DescentNames {
  /** what it took */
  work: Work;
}

/**
 * The descent from other layers by itself, here or in a worker beside the first.
 * @param goOn asked now and then; false ends it with the best so far
 */
export function descendFromOther(request: PlanRequest, goOn: () => boolean = () => true): Descended {
  const before = { ...work };
  const run = new Descent(request, goOn).fromOtherLayers();
  return { kit: namesOf(run.kit), ways: run.wayNames(), work: workSince(before) };
}
