import type { Garment } from '@/core/clothing/garment';
import { isBarrierLiner, isHelmet, isStandby, isWornOnHands, suitsSport } from '@/core/clothing/purpose';
import { lackPrice, needOf } from '@/core/judge/lacking';
import { alongOn, alongPrice } from '@/core/judge/prices';
import { takeGarment } from '@/core/kit/edit';
import type { PlanRequest } from './planRequest';
import type { Change } from './singleChanges';

/** What is carried for the case, one of each kind at a time: for the hands, for the head, to stand in, and against wind and a shower. */
const KINDS: readonly ((g: Garment) => boolean)[] = [
  isWornOnHands,
  (g) => g.group === 'head' && !isHelmet(g),
  (g) => g.group === 'torso' && isStandby(g),
  (g) => g.group === 'torso' && (g.role === 'shell' || g.role === 'storm'),
];

/** Of each kind the one piece more in the pack that is missed most for what it weighs, where one is. @param along what is along already */
export function* inThePack(
  along: readonly Garment[],
  { closet, timeline, person, sport }: PlanRequest,
): Generator<Change> {
  const need = needOf(timeline);
  const lacks = lackPrice(along, need);
  if (lacks === 0) return;
  const on = alongOn(timeline, person);
  const rest = closet.filter((g) => !along.includes(g) && suitsSport(g, sport) && !isBarrierLiner(g));
  for (const isOne of KINDS) {
    const saves = rest
      .filter(isOne)
      .map((g) => ({ g, saves: lacks - lackPrice([...along, g], need) - alongPrice([g], new Set(), on) }));
    const best = saves.reduce((a, b) => (b.saves > a.saves ? b : a), { g: along[0], saves: 0 });
    if (best.saves > 0)
      yield {
        name: `${best.g.id} in the pack`,
        of: best.g.group,
        warmer: 0,
        edit: (p) => takeGarment(p, best.g.id, 'carried'),
      };
  }
}
