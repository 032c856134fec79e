import type { Garment } from '@/core/clothing/garment';
import { isBarrierLiner } from '@/core/clothing/purpose';
import type { Plan } from '@/core/kit/plan';
import { settingAt, wornAt } from '@/core/kit/replay';
import type { Habits } from './candidates';
import { MOUTH_COVERED } from './wishes';

const isSock = (g: Garment): boolean => g.group === 'feet' && (g.role === 'base' || g.role === 'mid');
const isSockLiner = (g: Garment): boolean => g.group === 'feet' && g.role === 'liner';

/** What a person wants of every plan, whatever else is changed in it. */
interface Wanted extends Habits {
  /** the most cues there may be */
  mostCues: number;
}

/**
 * Tells whether a plan that was changed still keeps to what its athlete wants, as far as it did before: no cues beyond the most, the mouth
 * covered all the way, barriers where there were some, a liner under the socks.
 */
export function keepsTo(
  { mostCues, ...habits }: Wanted,
  closet: readonly Garment[],
): (from: Plan, to: Plan) => boolean {
  const byId = new Map(closet.map((g) => [g.id, g]));
  const worn = (plan: Plan, atS: number) => [...wornAt(plan, atS)].flatMap((id) => byId.get(id) ?? []);
  const allAlong = (plan: Plan, holds: (on: Garment[], atS: number) => boolean) =>
    [0, ...plan.cues.map((c) => c.atS)].every((atS) => holds(worn(plan, atS), atS));
  const coversMouth = (plan: Plan) =>
    allAlong(plan, (on, atS) =>
      on.some(
        (g) =>
          g.mouthCover >= MOUTH_COVERED &&
          g.openings.every((o) => o.kind !== 'tube' || settingAt(plan, g, o.id, atS) < 0.5),
      ),
    );
  const barriers = (plan: Plan) => worn(plan, 0).filter(isBarrierLiner).length;
  const linesSocks = (plan: Plan) => allAlong(plan, (on) => on.some(isSock) && on.some(isSockLiner));
  return (from, to) =>
    to.cues.length <= Math.max(mostCues, from.cues.length) &&
    (!habits.mouthCovered || !coversMouth(from) || coversMouth(to)) &&
    (!habits.barriers || barriers(to) >= barriers(from)) &&
    (!habits.twoSocks || !linesSocks(from) || linesSocks(to));
}
