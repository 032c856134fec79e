import { runPlan, type Question } from '@/core/questions/question';
import { Trials, type About } from '@/core/questions/trials';
import type { Scored } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import { OutOfRange } from '@/core/quantity/range';
import { kitChanges, wearingChanges, type Change, type Wardrobe } from './changes';

/** Step of the runs that choose between plans of an hour or so, s. */
export const TRY_STEP_S = 60;

/** How far a plan may be adapted. */
export interface Adapting {
  /** what another piece must save, points; left out: the pieces stay */
  kit?: number;
  /** what wearing them another way must save, points */
  wearing: number;
  /** cues at most */
  maxCues: number;
  /** which changes of the kit are tried */
  only?: (change: Change) => boolean;
  /** what every plan must keep to */
  must?: (plan: Plan) => boolean;
  /** passes over pieces and ways of wearing */
  rounds?: number;
  goOn?: () => boolean;
}

export const tried = (q: Question, plan: Plan): Scored => runPlan(q, plan, { stepS: TRY_STEP_S });

/**
 * A plan made to suit another outing by as few changes as will do: each must save so much by itself, the best comes first, and what
 * no longer saves it once the better ones are made is not made. So neighbouring weather gives neighbouring clothes.
 */
export function adapt(q: Omit<Question, 'plan'>, from: Plan, how: Adapting): { plan: Plan; total: number } {
  const asked = (plan: Plan): Question => ({ ...q, plan });
  const allowed = (plan: Plan): boolean => plan.cues.length <= how.maxCues && (!how.must || how.must(plan));
  const cost = (plan: Plan): number => {
    if (!allowed(plan)) return Infinity;
    try {
      return tried(asked(plan), plan).total;
    } catch (e) {
      // Changes that are each fine may together be more layers than go over one another.
      if (e instanceof OutOfRange) return Infinity;
      throw e;
    }
  };
  const wardrobe: Wardrobe & Pick<Question, 'person'> = q;
  let plan = from;
  let total = cost(plan);
  const trials = new Trials(q, TRY_STEP_S);
  const pass = (changes: readonly Change[], least: number): boolean => {
    const was = plan;
    trials.hold(was);
    const about = (next: Plan): About => {
      if (!allowed(next) || (how.goOn && !how.goOn())) return { saves: -Infinity, doubt: 0 };
      return trials.about(next) ?? { saves: total - cost(next), doubt: 0 };
    };
    const saves = changes
      .map((c, i) => ({ c, i, ...about(c.edit(was)) }))
      .filter((s) => s.saves > least - s.doubt)
      .sort((a, b) => b.saves - a.saves || a.i - b.i);
    let made = false;
    for (const { c } of saves) {
      const next = c.edit(plan);
      const then = cost(next);
      if (total - then <= least) continue;
      plan = next;
      total = then;
      made = true;
    }
    return made;
  };
  for (let k = 0; k < (how.rounds ?? 2); k++) {
    const worn = pass(wearingChanges(wardrobe, q.timeline, plan), how.wearing);
    if (how.kit === undefined) {
      if (!worn) break;
      continue;
    }
    const only = how.only;
    const kits = kitChanges(wardrobe, plan).filter((c) => !only || only(c));
    const kit = pass(kits, how.kit);
    if (!worn && !kit) break;
  }
  return { plan, total };
}
