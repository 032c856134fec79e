import { scorePlan, type Scored } from '@/core/judge/scorePlan';
import { cueText } from '@/core/kit/cueWords';
import { alongOf } from '@/core/kit/edit';
import type { KitAction, Plan } from '@/core/kit/plan';
import { carryOut } from '@/core/kit/replay';
import { phases } from '@/core/outing/moments';
import type { CueReason } from './cueReason';
import { mostWorse } from './mostMoved';
import { ASK_STEP_S, runInFull, type PlanInPlace } from './question';

/**
 * Misses each cue of a plan once: what that costs and what it makes worse most. For any plan, found or made by hand.
 * @param scored the plan run in full, where it is known already
 * @throws OutOfRange for a plan with garments that are not in the closet
 */
export function missedCues(q: PlanInPlace, scored: Scored = runInFull(q)): CueReason[] {
  const byId = new Map(alongOf(q.closet, q.plan).map((g) => [g.id, g]));
  const garments = alongOf(q.closet, q.plan);
  const moments = phases(q.timeline);
  return q.plan.cues.map((cue, i): CueReason => {
    const { damp, weights, waiting } = q;
    // With everything along, also what only the missed cue would have put on.
    const missed = scorePlan(q.person, garments, q.timeline, dropCue(q.plan, i), {
      stepS: ASK_STEP_S,
      damp,
      weights,
      waiting,
    });
    return {
      atS: cue.atS,
      where: moments.find((p) => Math.abs(p.startS - cue.atS) < 1)?.where ?? 'on the way',
      text: cueText(cue, byId),
      missCost: missed.total - scored.total,
      miss: mostWorse(scored, missed),
    };
  });
}

/** The plan without one cue: later cues are kept, but what no longer makes sense (taking off what is not on) falls away. */
export function dropCue(plan: Plan, index: number): Plan {
  const cues = plan.cues.filter((_, i) => i !== index);
  const on = new Set(plan.worn);
  const makesSense = (a: KitAction): boolean => {
    const sense = a.do === 'putOn' ? !on.has(a.garment) : on.has(a.garment);
    carryOut(on, [a]);
    return sense;
  };
  const kept = cues.map((cue) => ({ ...cue, actions: cue.actions.filter(makesSense) }));
  return { ...plan, cues: kept.filter((c) => c.actions.length > 0 || c.pace || c.shelter) };
}
