import { atOtherPaces } from './atOtherPaces';
import type { Candidates } from './candidates';
import { DEAR, FEW, type Finishing, type Polished } from './finishing';
import { fromOtherBases } from './fromOtherBases';
import { fromOtherLegs } from './fromOtherLegs';
import { withHandsInTime } from './polish';

/**
 * A plan that stays dear is tried at other paces in clothes of their own, begun once more from other bases and from other legs, and with its hands dressed anew.
 * @param f with plans from other starts, whose parts may be taken  @returns the plan itself where none of that helps, or it is not dear
 */
export function triedFurther(from: Polished, candidates: Candidates, f: Finishing): Polished {
  // At another pace clothes are chosen anew: parts of plans for the pace there was are no help.
  const { others: _, ...alone } = f;
  const paced = from.least >= DEAR ? atOtherPaces(from, candidates, alone) : from;
  if (paced.least < DEAR || f.request.closet.length <= FEW) return paced;
  const bases = fromOtherBases(paced, candidates, f);
  const legs = fromOtherLegs(paced, candidates, f);
  return withHandsInTime(legs.least < bases.least ? legs : bases, candidates, f);
}
