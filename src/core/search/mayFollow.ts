import { staysPossible } from '@/core/kit/followable';
import type { Plan } from '@/core/kit/plan';
import type { Finishing } from './finishing';
import { keepsTo } from './keeps';

/** Tells whether one plan may follow another: what is worn one over the other stays wearable, and what the athlete wants stays so. */
export function mayFollow({
  request,
  mostCues,
}: Pick<Finishing, 'request' | 'mostCues'>): (from: Plan, to: Plan) => boolean {
  const { closet, timeline, person } = request;
  const possible = staysPossible(timeline, person, new Map(closet.map((g) => [g.id, g])));
  const keeps = keepsTo({ ...request, mostCues }, closet);
  return (from, to) => possible(from, to) && keeps(from, to);
}
