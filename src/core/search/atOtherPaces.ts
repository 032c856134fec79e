import type { Plan } from '@/core/kit/plan';
import { runPlan } from '@/core/questions/question';
import type { Candidates } from './candidates';
import { pacesTried } from './cuesChanged';
import { askedOf, POLISH_STEP_S, type Finishing, type Polished } from './finishing';
import { mayFollow } from './mayFollow';
import { polish } from './polish';

/** Paces that are tried with clothes of their own, those that cost least in the clothes there are. */
const PACES = 3;
/** What they must gain, points. */
const LEAST = 0.01;

/**
 * A dear plan gone at another pace: whoever eases off on a climb wants other layers and other trousers, and none of the three pays without the others. A few paces
 * are therefore taken as they are, dressed anew by single changes, and kept where that comes out cheaper.
 */
export function atOtherPaces(best: Polished, candidates: Candidates, f: Finishing): Polished {
  const asked = askedOf(f);
  const may = mayFollow(f);
  const cost = (plan: Plan) => runPlan({ ...asked, plan }, plan, { stepS: POLISH_STEP_S }).total;
  const paces = [...pacesTried(best.plan, f.request, 'any')]
    .map((c) => c.edit(best.plan))
    .filter((plan) => may(best.plan, plan) && f.beat())
    .map((plan) => ({ plan, cost: cost(plan) }))
    .sort((a, b) => a.cost - b.cost)
    .slice(0, PACES);
  let found = best;
  for (const { plan } of paces) {
    if (!f.beat()) break;
    const dressed = polish(plan, candidates, { ...f, brief: true });
    if (dressed.least < found.least - LEAST) found = dressed;
  }
  if (found === best) return best;
  const { plan, least } = polish(found.plan, candidates, f);
  return { plan, least };
}
