import { work, workSince, type Work } from '@/core/questions/phaseRunner';
import { Descent, type DescentNames } from './descent';
import { namesOf } from './kit';
import type { PlanRequest } from './planRequest';

/** What the descents beside the first come to. */
export interface Descended extends DescentNames {
  /** the dearer of two such descents, where two were made */
  spare: DescentNames | null;
  /** what it took */
  work: Work;
}

/**
 * The descent from other layers by itself, here or in a worker beside the first; or the cheaper of that and one from a plain kit.
 * @param goOn asked now and then; false ends it with the best so far
 */
export function descendFromOther(
  request: PlanRequest,
  starts: 'one' | 'two' = 'one',
  goOn: () => boolean = () => true,
): Descended {
  const before = { ...work };
  const found = [new Descent(request, goOn).fromOtherLayers()];
  if (starts === 'two') found.push(new Descent(request, goOn).fromPlain());
  const [{ kit, ways }, spare = null] = found
    .sort((a, b) => a.total - b.total)
    .map((run) => ({ kit: namesOf(run.kit), ways: run.wayNames() }));
  return { kit, ways, spare, work: workSince(before) };
}
