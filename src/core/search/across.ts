import type { Plan } from '@/core/kit/plan';
import { pacesTried } from './cuesChanged';
import type { PlanRequest } from './planRequest';
import { anotherLayer, singleChanges, withoutChanging, type Change } from './singleChanges';
import { HANDS, HEAD, sweep } from './sweep';

/** Insulation that comes or goes with a change and makes it a warmer or a lighter one, m²K/W. */
const LEAST_WARMER = 0.005;

/**
 * Changes of two parts of which neither helps alone: warmer legs with a lighter torso, and the other way about; another torso for another pace;
 * and all ways to dress the legs, or the head, with all ways to dress the hands, since warmth elsewhere opens the vessels of the hands.
 */
export function across(plan: Plan, request: PlanRequest): [Change[], Change[]][] {
  const single = [...singleChanges(plan, request)];
  const torso = [
    ...single.filter((c) => c.of === 'torso'),
    ...anotherLayer(plan, request),
    ...withoutChanging(plan, request.closet),
  ];
  const legs = single.filter((c) => c.of === 'legs');
  const more = (c: Change, way: 1 | -1) => c.warmer * way > LEAST_WARMER;
  const hands = [...sweep(plan, request, [HANDS])];
  return [
    [torso.filter((c) => more(c, -1)), legs.filter((c) => more(c, 1))],
    [torso.filter((c) => more(c, 1)), legs.filter((c) => more(c, -1))],
    [torso, [...pacesTried(plan, request)]],
    [[...sweep(plan, request, [['legs']])], hands],
    [[...sweep(plan, request, [HEAD])], hands],
  ];
}
