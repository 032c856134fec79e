import { isBarrierLiner, isSmall, suitsSport } from '@/core/clothing/purpose';
import { isNoGraver } from '@/core/judge/findings';
import { alongOf, isAlong, leaveGarment, swapGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { underRoof } from '@/core/outing/moments';
import { dropCue } from '@/core/questions/missedCues';
import { sameWithin } from '@/core/judge/sameCost';
import { Trials } from '@/core/questions/trials';
import { byPlace } from './candidates';
import { askedOf, ranIn, type Finishing } from './finishing';
import { mayFollow } from './mayFollow';

/** What all those cues together may be worth that are left out as not worth remembering, points: six minutes of annoyance. */
const CUE_WORTH = 0.1;
/** A small thing that saves less than this is not worth finding in the morning, points: a minute of annoyance. */
export const USELESS = 0.02;

/**
 * Among plans that nobody could tell apart, the one nearest to one order: fewer cues, fewer pieces, and of each kind the first in the order of a
 * closet from the skin out and from thin to thick. So a little colder air asks for the same pieces, and not for whichever happened to
 * come out a hair cheaper. Nothing is left out that would make a weak point more. @param what 'cues' leaves the pieces as they are, but for small ones that are of no use
 */
export function settle(polished: Plan, f: Finishing, what: 'cues and pieces' | 'cues' = 'cues and pieces'): Plan {
  const { closet, sport, barriers = false } = f.request;
  const trials = new Trials(askedOf(f), f.stepS);
  trials.hold(polished);
  const may = mayFollow(f);
  const before = ranIn(f, polished);
  let plan = polished;
  let { total } = before;
  const takes = (next: Plan, most: number): boolean => {
    if (!may(plan, next) || !trials.maySave(next, before.total - most)) return false;
    const then = ranIn(f, next);
    const same = then.total <= most && isNoGraver(then.findings, before.findings);
    if (same) [plan, total] = [next, then.total];
    return same;
  };
  // Nobody need remember to take off gloves on coming in.
  const worth = (atS: number) => (underRoof(f.request.timeline, atS) ? 0 : CUE_WORTH);
  for (let i = plan.cues.length - 1; i >= 0 && f.beat(); i--)
    takes(dropCue(plan, i), before.total + worth(plan.cues[i].atS));
  if (what === 'cues') {
    for (const g of alongOf(closet, plan).filter(isSmall)) {
      if (!f.beat()) break;
      takes(leaveGarment(plan, g.id), total + USELESS);
    }
    return plan;
  }
  const most = total + sameWithin(total);
  const order = [...closet].sort(byPlace);
  for (const g of alongOf(order, plan).reverse()) {
    if (!f.beat()) break;
    if (isSmall(g) && takes(leaveGarment(plan, g.id), most)) continue;
    const like = order.filter(
      (o) =>
        o.group === g.group &&
        (o.role === g.role ||
          (isSmall(g) && g.group !== 'feet' && o.role !== 'over' && g.role !== 'over' && o.role !== 'heater')) &&
        (g.group !== 'hands' || (g.role === 'liner') === (o.role === 'liner')) &&
        !isAlong(plan, o.id) &&
        suitsSport(o, sport) &&
        (barriers || !isBarrierLiner(o)) &&
        byPlace(o, g) < 0,
    );
    for (const other of like) if (takes(swapGarment(plan, g.id, other), most)) break;
  }
  return plan;
}
