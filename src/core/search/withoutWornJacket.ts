import type { Plan } from '@/core/kit/plan';
import { runPlan } from '@/core/questions/question';
import type { Candidates } from './candidates';
import { askedOf, POLISH_STEP_S, type Finishing, type Polished } from './finishing';
import { polish } from './polish';
import { forWornJackets } from './triedFirst';

/**
 * A jacket for stops that is worn on the way keeps hands and feet warm that are dressed too lightly, and no few changes lead from there to
 * other layers: the best layers in its place are bettered by themselves.
 * @param may whether one plan may follow another
 */
export function withoutWornJacket(
  one: Polished,
  candidates: Candidates,
  f: Finishing,
  may: (from: Plan, to: Plan) => boolean,
): Polished {
  const asked = askedOf(f);
  let best: Plan | null = null;
  let least = Infinity;
  for (const { edit } of forWornJackets(one.plan, candidates, f.request.timeline)) {
    const plan = edit(one.plan);
    if (!may(one.plan, plan)) continue;
    if (!f.beat()) return one;
    const { total } = runPlan({ ...asked, plan }, plan, { stepS: POLISH_STEP_S });
    if (total < least) [best, least] = [plan, total];
  }
  if (!best) return one;
  const two = polish(best, candidates, { ...f, others: [one.plan] });
  return two.least < one.least ? { plan: two.plan, least: two.least } : one;
}
