import { addChill, addMoment, type BodyCost } from '@/core/judge/cost';
import { EXTREME, noteMoment } from '@/core/judge/extremes';
import { CHILL_S } from '@/core/judge/limits';
import { noMoment, readMoment } from '@/core/judge/moment';
import { stopLoss } from '@/core/judge/stopLoss';
import type { Changing } from '@/core/kit/changing';
import { isStop } from '@/core/effort/sports';
import { atHalt } from '@/core/outing/conditions';
import type { Phase } from '@/core/outing/moments';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import type { Simulator } from '@/core/simulate/simulator';
import { HEAD } from '@/core/simulate/state';

const NOW = noMoment();

/** Integrator work: phases that were run, and steps in them. */
export interface Work {
  phases: number;
  steps: number;
}

/** Counts integrator work, for the bench and the budget of a search. */
export const work: Work = { phases: 0, steps: 0 };

/** What was done since the counter stood so. */
export const workSince = (before: Work): Work => ({
  phases: work.phases - before.phases,
  steps: work.steps - before.steps,
});

/** A phase of an outing as it is gone, and the longest step through it, s. */
export interface PhaseToRun {
  timeline: Timeline;
  phase: Phase;
  stepS: number;
}

/**
 * Runs the present state through one phase, adding to its body cost and to the extremes; the state is left at the phase's end.
 * A change of kit begun at the phase's start takes its time first. Coarse steps: the plan is simulated again in full.
 */
export function runPhase(
  sim: Simulator,
  { timeline, phase, stepS }: PhaseToRun,
  begun: Changing | null,
  cost: BodyCost,
  extremes: Float64Array,
): void {
  work.phases++;
  let change = begun;
  const { person, totalArea } = sim.body;
  let t = phase.startS;
  let busyUntil = change && change.seconds > 0 ? Math.min(phase.endS, t + change.seconds) : t;
  const debt = (): number => -sim.bodyHeat() / 3600 / totalArea;
  const step = (c: Stretch, until: number): void => {
    work.steps++;
    sim.step(until - t);
    const hours = (until - t) / 3600;
    addMoment(cost, readMoment(sim, NOW), person, hours);
    noteMoment(extremes, NOW, person.warmth, debt(), hours);
    const arrival = timeline.legStartS[c.leg];
    if (isStop(timeline.legs[c.leg]) && until <= arrival + CHILL_S + 1e-6) {
      const arrived = { debtWhM2: extremes[EXTREME.arrivedDebt], coreC: extremes[EXTREME.arrivedCoreC] };
      const lost = stopLoss(arrived, { debtWhM2: debt(), coreC: NOW.coreC }, person);
      if (lost > extremes[EXTREME.hereLossWhM2]) {
        addChill(cost, lost, extremes[EXTREME.hereLossWhM2]);
        extremes[EXTREME.hereLossWhM2] = lost;
        extremes[EXTREME.stopLossWhM2] = Math.max(extremes[EXTREME.stopLossWhM2], lost);
      }
    }
    t = until;
  };
  /** Steps of one length, none of them a remainder. */
  const evenly = (c: Stretch, to: number): void => {
    const from = t;
    const count = Math.ceil((to - from) / stepS - 1e-9);
    for (let n = 1; n <= count; n++) step(c, n < count ? from + ((to - from) * n) / count : to);
  };
  for (const here of timeline.stretches) {
    if (here.endS <= t + 1e-9) continue;
    if (here.startS >= phase.endS - 1e-9) break;
    if (Math.abs(t - timeline.legStartS[here.leg]) < 1e-6) {
      extremes[EXTREME.arrivedDebt] = debt();
      extremes[EXTREME.arrivedCoreC] = sim.state.head[HEAD.central];
      extremes[EXTREME.hereLossWhM2] = 0;
    }
    const end = Math.min(here.endS, phase.endS);
    if (change && busyUntil > t) {
      const c = change.halt ? atHalt(here) : here;
      sim.dress(c);
      while (t < Math.min(end, busyUntil) - 1e-9) step(c, Math.min(end, busyUntil, t + stepS));
    }
    if (change && t >= busyUntil - 1e-9) {
      sim.wearing.endChange(change, here.airC);
      change = null;
      busyUntil = t;
    }
    if (t >= end - 1e-9) continue;
    sim.dress(here);
    // A stop is judged by its first minutes: a step ends with them.
    const judged = timeline.legStartS[here.leg] + CHILL_S;
    const parted = isStop(timeline.legs[here.leg]) && judged > t + 1e-6 && judged < end - 1e-6;
    if (parted) evenly(here, judged);
    evenly(here, end);
  }
  if (change) sim.wearing.endChange(change, timeline.stretches[timeline.stretches.length - 1].airC);
}
