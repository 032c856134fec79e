import type { Plan } from '@/core/kit/plan';
import { dropCue } from '@/core/questions/missedCues';
import { runInFull, runPlan, type PlanInPlace } from '@/core/questions/question';
import type { CurvePoint } from './planRequest';

/** What is asked of plans with fewer cues: the question, the step of its runs, s, and whether one plan may follow another. */
interface Fewer {
  asked: Omit<PlanInPlace, 'plan'>;
  stepS: number;
  may: (from: Plan, to: Plan) => boolean;
  /** asked before each; false ends it */
  goOn: () => boolean;
}

/**
 * The curve with every plan run in full: the proposed one, and for each other number of cues the better of what was found for it and of the proposed one
 * with its cheapest cues left out. What then costs more than fewer cues falls out.
 */
export function curveInFull(found: readonly CurvePoint[], chosen: Plan, f: Fewer): CurvePoint[] {
  const others = [...found.map((p) => p.plan), ...withFewerCues(chosen, f)];
  const best = new Map<number, CurvePoint>();
  for (const plan of [chosen, ...others.filter((p) => p.cues.length !== chosen.cues.length)]) {
    f.goOn();
    const { total } = runInFull({ ...f.asked, plan });
    const cues = plan.cues.length;
    if (total < (best.get(cues)?.cost ?? Infinity)) best.set(cues, { cues, cost: total, plan });
  }
  const full = [...best.values()].sort((a, b) => a.cues - b.cues);
  return full.filter((p, i) => p.plan === chosen || full.slice(0, i).every((q) => q.cost > p.cost + 1e-9));
}

/** A plan with one cue fewer each time, the cheapest loss first, as long as one can go. @returns from one cue fewer on */
function withFewerCues(plan: Plan, { asked, stepS, may, goOn }: Fewer): Plan[] {
  const out: Plan[] = [];
  for (let left = plan; left.cues.length > 0;) {
    const options = left.cues.map((_, i) => dropCue(left, i)).filter((next) => may(left, next));
    const costs = options.map((next) => runPlan({ ...asked, plan: next }, next, { stepS }).total);
    const least = options[costs.indexOf(Math.min(...costs))];
    if (!least || !goOn()) break;
    out.push(least);
    left = least;
  }
  return out;
}
