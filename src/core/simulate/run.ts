import type { Changing } from '@/core/kit/changing';
import type { Cue, Plan } from '@/core/kit/plan';
import { atHalt, checkConditions, type Conditions } from '@/core/outing/conditions';
import { within } from '@/core/quantity/range';
import { recordRow } from './record';
import { newSeries, type Series } from './series';
import type { Simulator } from './simulator';
import { HEAD } from './state';

/** Right after a change of air, effort or clothes everything moves fast: quarter steps, then half steps, to these times, s. */
const SETTLE_QUARTER_S = 60;
const SETTLE_HALF_S = 240;
const settlingStep = (sinceS: number, stepS: number): number =>
  sinceS < SETTLE_QUARTER_S ? stepS / 4 : sinceS < SETTLE_HALF_S ? stepS / 2 : stepS;

/** Differences that count as a change of the world at once: W, K, m/s, mm/h (engineering values). */
const ABRUPT = { metabolicW: 40, airC: 1.5, relativeWind: 1, precipitationMmH: 0.5 } as const;

/** Whether the world changed at once between two stretches, rather than drifted as forecasts do. */
const isAbrupt = (a: Conditions, b: Conditions): boolean =>
  a.sport !== b.sport ||
  a.packOn !== b.packOn ||
  a.packUnder !== b.packUnder ||
  a.wetting !== b.wetting ||
  (Object.keys(ABRUPT) as (keyof typeof ABRUPT)[]).some((k) => Math.abs(a[k] - b[k]) > ABRUPT[k]);

export interface RunOptions {
  /** integration step, s, 1–60 */
  stepS?: number;
  /** sampling of the series, s; a multiple of the step */
  sampleS?: number;
  /** changes of kit take no time: what is worn in each stretch is given, not planned */
  atOnce?: boolean;
}

export interface Run {
  conditions: readonly Conditions[];
  plan: Plan;
  options?: RunOptions;
  /** a series to reuse when it is long enough */
  into?: Series;
}

/** Moments nearer than this are one, s. */
const SAME_S = 1e-6;
const ROUNDING_S = 1e-9;
/** A change with less time than this before the next cue is done at once, s. */
const NO_TIME_S = 1;

/**
 * Runs conditions under a plan from the simulator's present state and returns the series.
 * The step shortens at the end of each stretch so that changes fall on their second. A change of kit takes its time: what
 * comes off is off at once, what goes on is on when the hands are done, and whoever must stop for it stands still.
 * @throws OutOfRange for air, effort, step or sampling outside their range
 */
export function runThrough(sim: Simulator, { conditions, plan, options = {}, into }: Run): Series {
  checkConditions(conditions);
  const stepS = within('step', options.stepS ?? 10, 0.5, 60, 's');
  const sampleS = within('sampling', options.sampleS ?? 60, stepS, 86400, 's');
  const endS = conditions[conditions.length - 1].endS;
  const rows = Math.floor(endS / sampleS + ROUNDING_S) + 1;
  const { count } = sim.arrays;
  const fits = into && into.rows === rows && into.garments === count && into.stepS === sampleS;
  const out = fits ? into : newSeries(rows, sampleS, count);
  const hands = new Hands(sim, plan, { endS, atOnce: options.atOnce ?? false });
  let t = sim.state.head[HEAD.time];
  let row = Math.ceil(t / sampleS - ROUNDING_S);
  let changedS = t;
  let changed = true;
  let last: Conditions | null = null;
  for (const here of conditions) {
    if (here.endS <= t + ROUNDING_S) continue;
    let dressed = false;
    if (last === null || isAbrupt(last, here)) changed = true;
    last = here;
    while (t < here.endS - ROUNDING_S) {
      if (hands.workAt(t, here)) {
        dressed = false;
        changed = true;
      }
      if (!dressed) {
        sim.dress(hands.halted ? atHalt(here) : here);
        dressed = true;
        if (changed) changedS = t;
        changed = false;
        if (row === 0 && t === 0) recordRow(sim, out, row++);
      }
      let until = Math.min(here.endS, t + settlingStep(t - changedS, stepS), hands.nextS);
      const sampleAt = row * sampleS;
      if (row < rows && sampleAt > t + ROUNDING_S && sampleAt < until) until = sampleAt;
      sim.step(until - t);
      t = until;
      if (row < rows && t >= row * sampleS - ROUNDING_S) recordRow(sim, out, row++);
    }
  }
  if (last) hands.finish(last);
  return out;
}

/** The hands of the athlete: which cue comes next, and the change they are busy with. */
class Hands {
  private readonly cues: Cue[];
  private next = 0;
  private busy: Changing | null = null;
  private doneS = Infinity;

  constructor(
    private readonly sim: Simulator,
    plan: Plan,
    private readonly run: { endS: number; atOnce: boolean },
  ) {
    this.cues = [...plan.cues].sort((a, b) => a.atS - b.atS);
  }

  /** Whether one stands still for the change. */
  get halted(): boolean {
    return this.busy?.halt ?? false;
  }

  /** When something is done or begun next, s. */
  get nextS(): number {
    return this.busy ? this.doneS : this.upcomingS;
  }

  private get upcomingS(): number {
    return this.next < this.cues.length ? this.cues[this.next].atS : Infinity;
  }

  /** Ends the change that is over by now and begins what is due. @returns whether anything changed */
  workAt(t: number, here: Conditions): boolean {
    let worked = false;
    if (this.busy && t >= this.doneS - SAME_S) {
      this.finish(here);
      worked = true;
    }
    while (!this.busy && this.upcomingS <= t + SAME_S) {
      const cue = this.cues[this.next++];
      // A run that goes on from a snapshot leaves out the cues that lie behind it.
      if (cue.atS < t - SAME_S && t !== 0) continue;
      this.begin(cue, t, here);
      worked = true;
    }
    return worked;
  }

  private begin(cue: Cue, t: number, here: Conditions): void {
    const change = this.sim.wearing.changing(cue.actions, here);
    const untilS = Math.min(
      t + change.seconds,
      this.next < this.cues.length ? this.upcomingS : this.run.endS,
      this.run.endS,
    );
    this.sim.wearing.beginChange(change, here.airC);
    // At the door everything is as the day begins; a change that has no time left is done at once.
    if (t === 0 || this.run.atOnce || untilS < t + NO_TIME_S) this.sim.wearing.endChange(change, here.airC);
    else {
      this.busy = change;
      this.doneS = untilS;
    }
  }

  /** Ends the change under way, if any. */
  finish(here: Conditions): void {
    if (this.busy) this.sim.wearing.endChange(this.busy, here.airC);
    this.busy = null;
    this.doneS = Infinity;
  }
}
