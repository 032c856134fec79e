import { followable, staysWearable } from '@/core/kit/followable';
import type { Cue, Plan } from '@/core/kit/plan';
import { tidy } from '@/core/kit/replay';
import { phases } from '@/core/outing/moments';
import { dropCue } from '@/core/questions/missedCues';
import type { Candidates } from './candidates';
import { pacesIn } from './course';
import type { Finishing } from './finishing';
import type { Found } from './look';
import type { PlanRequest } from './planRequest';
import { nearTo } from './nearTo';
import { polish } from './polish';
import { settle } from './settle';

/**
 * What was found for the nearest even day, adapted to the day that was asked about: by changes that are worth it to somebody, so that a little more wind
 * asks for the same pieces; those that turn out not to be worth it once all are made are taken back. @param f with `adapts`
 */
export function adapted(found: Found, candidates: Candidates, f: Finishing): Found {
  const here = followedOn(f.request);
  const others = found.others.map(here);
  const even = here(found.plan);
  const fitting = polish(even, candidates, { ...f, others }).plan;
  const near = nearTo(fitting, even, f);
  // What is nearer costs the same, and may be bettered further where the other was not.
  const plan = near === fitting ? near : polish(near, candidates, { ...f, brief: true }).plan;
  const curve = found.curve.map((p) => ({ ...p, plan: here(p.plan) }));
  return { plan: settle(plan === near ? near : nearTo(plan, even, f), f, 'cues'), curve, others };
}

/** Leaves out what nobody carries out on the day itself, though they would on a day of other effort: a cue that asks for too much, a pace too hard. */
export function followedOn({ timeline, person, closet }: PlanRequest): (plan: Plan) => Plan {
  const byId = new Map(closet.map((g) => [g.id, g]));
  const follows = followable(timeline, person, byId);
  const wearable = staysWearable(byId);
  const moments = phases(timeline);
  const goes = ({ atS, pace }: Cue) =>
    pace !== undefined &&
    moments.every((m, i) => {
      if (m.startS >= pace.untilS - 1 || m.endS <= atS + 1) return true;
      return pace.share <= 1 || pacesIn(timeline, person, m, moments[i + 1]).brisk;
    });
  return (plan) => {
    const cues = plan.cues.map(({ pace, ...cue }) => (goes({ ...cue, pace }) ? { ...cue, pace } : cue));
    let left = tidy({ ...plan, cues });
    for (let i = left.cues.length - 1; i >= 0; i--) {
      const without = dropCue(left, i);
      if (left.cues[i] && !follows(left.cues[i]) && (wearable(without) || !wearable(left))) left = without;
    }
    return left;
  };
}
