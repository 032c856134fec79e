import type { Plan } from '@/core/simulate/plan';
import type { Asked } from './asked';
import { cueText } from './dress';
import { alongOf } from './edit';
import { phases } from './moments';
import { mostWorse, type Moved } from './mostMoved';
import { scorePlan, type Scored } from './score';

export interface CueReason {
  atS: number;
  where: string;
  text: string[];
  /** what the plan's total cost rises by when this cue is missed, and the plainest consequence */
  missCost: number;
  miss: Moved;
}

/** Steps at which a plan's cues are missed, s. */
export const MISS_S = 30;

/**
 * Misses each cue of a plan once: what that costs and what it makes worse most. For any plan, found or made by hand.
 * @param scored the plan run in full, where it is known already
 * @throws OutOfRange for a plan with garments that are not in the closet
 */
export function missedCues(r: Omit<Asked, 'sport'>, scored?: Scored): CueReason[] {
  const { person, closet, timeline, plan, damp, weights, waiting } = r;
  const garments = alongOf(closet, plan);
  const byId = new Map(garments.map((g) => [g.id, g]));
  const whole = scored ?? scorePlan(person, garments, timeline, plan, { damp, weights, waiting });
  const moments = phases(timeline);
  return plan.cues.map((cue, i): CueReason => {
    const without = dropCue(plan, i);
    const missed = scorePlan(person, garments, timeline, without, { stepS: MISS_S, damp, weights, waiting });
    return {
      atS: cue.atS,
      where: moments.find((p) => Math.abs(p.startS - cue.atS) < 1)?.where ?? 'on the way',
      text: cueText(cue, byId),
      missCost: missed.total - whole.total,
      miss: mostWorse(whole, missed),
    };
  });
}

/** Index of the cue whose missing costs most; −1 without cues. */
export const mustNotMiss = (cues: readonly CueReason[]): number =>
  cues.reduce((worst, c, i) => (worst < 0 || c.missCost > cues[worst].missCost ? i : worst), -1);

/** The plan without one cue: later cues are kept, but what no longer makes sense (taking off what is not on) falls away. */
export function dropCue(plan: Plan, index: number): Plan {
  const cues = plan.cues.filter((_, i) => i !== index);
  const on = new Set(plan.worn);
  const kept = cues.map((cue) => {
    const actions = cue.actions.filter((a) => {
      if (a.do === 'putOn') return !on.has(a.garment) && (on.add(a.garment), true);
      if (a.do === 'takeOff') return on.delete(a.garment);
      return on.has(a.garment);
    });
    return { ...cue, actions };
  });
  return { ...plan, cues: kept.filter((c) => c.actions.length > 0 || c.pace || c.shelter) };
}
