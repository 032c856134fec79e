import type { Garment } from '@/core/clothing/garment';
import { isBarrierLiner, isWornOnHands, suitsSport } from '@/core/clothing/purpose';
import { isIndoors } from '@/core/effort/sports';
import { leaveGarment, takeGarment } from '@/core/kit/edit';
import type { KitAction, Plan } from '@/core/kit/plan';
import { tidy } from '@/core/kit/replay';
import { byPlace } from './candidates';
import type { PlanRequest } from './planRequest';
import type { Change } from './singleChanges';

/** More ways than these are not tried: in a closet with very many gloves they would take longer than all else. */
const MOST_WAYS = 800;

/**
 * Every way to dress the hands with one change on the way: a liner, a glove or both from the start, and at one of the cues there are another glove over them. Which
 * gloves are best hangs on when they are changed, and the other way about, so that no change of one alone leads there. What is done to the hands otherwise is left out,
 * so outings with a stay indoors, where gloves come off, are passed over. Warmers and bar covers stay as they are.
 */
export function* handsInTime(
  plan: Plan,
  { closet, sport, barriers = false, timeline }: PlanRequest,
): Generator<Change> {
  if (timeline.legs.some((leg) => isIndoors(leg.sport))) return;
  const pieces = [...closet]
    .sort(byPlace)
    .filter((g) => isWornOnHands(g) && suitsSport(g, sport) && (barriers || !isBarrierLiner(g)));
  const [liners, gloves] = [pieces.filter((g) => g.role === 'liner'), pieces.filter((g) => g.role !== 'liner')];
  const ways = pairs(liners, gloves);
  if (ways.length * (1 + gloves.length * plan.cues.length) > MOST_WAYS) return;
  const bare = pieces.reduce((p, g) => leaveGarment(p, g.id), plan);
  for (const worn of ways) {
    const dressed = worn.reduce((p, g) => takeGarment(p, g.id, 'worn'), bare);
    yield change(worn, 'all the way', dressed);
    for (const { atS } of plan.cues)
      for (const g of gloves)
        if (!worn.includes(g))
          yield change(worn, `${g.id} at ${atS}`, at(dressed, atS, { do: 'putOn', garment: g.id }));
  }
}

/** One of either, or one of each. */
function pairs(liners: readonly Garment[], gloves: readonly Garment[]): Garment[][] {
  return [...liners, ...gloves].map((g) => [g]).concat(liners.flatMap((l) => gloves.map((g) => [l, g])));
}

const at = (plan: Plan, atS: number, action: KitAction): Plan =>
  tidy({ ...plan, cues: [...plan.cues, { atS, actions: [action] }] });

const change = (worn: readonly Garment[], then: string, next: Plan): Change => ({
  name: `hands in ${worn.map((g) => g.id).join(' ')}, ${then}`,
  of: 'hands',
  warmer: 0,
  edit: () => next,
});
