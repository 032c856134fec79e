import type { Changing } from '@/core/kit/changing';
import type { Cue, Plan } from '@/core/kit/plan';
import { atHalt, checkConditions, type Conditions } from '@/core/outing/conditions';
import { within } from '@/core/quantity/range';
import { recordRow } from './record';
import { newSeries, type Series } from './series';
import type { Simulator } from './simulator';
import { HEAD } from './state';

/**
 * Step control. Right after a change of air, effort or clothes everything moves fast: the first steps are short, and they double as
 * often as their roughness allows, so that quiet hours are crossed in long steps. How rough a step is is read from how much the rate
 * of each zone's skin changed in it: half its square times the second derivative is what a step would miss that took its rate as
 * constant (any textbook on ordinary differential equations); doubling a step makes it four times that. A fitted step misses far
 * less: `npm run bench` prints how much, `tests/unit/simulate/settling.test.ts` bounds it. Steps only ever halve or double, and lie
 * on their own multiples, so that they meet samples of a minute and ends of stretches without remainders.
 */
const FIRST_SHARE = 3 / 8;
const LONGEST_SHARE = 3;
/** Roughness allowed in one step at the worst zone: of a run in steps of ten seconds, K; of a search in longer ones, K per second of them. */
const ALLOWED_K = 0.015;
const FINE_S = 10;
const ALLOWED_K_PER_S = 0.005;
/** A step that was so many times less rough is doubled. A doubled step is four times as rough where the rate goes on changing as it did; mostly it changes less and less. */
const SMOOTH = 3;
/**
 * Where a long step of a run in steps of ten seconds was so many times less rough, it goes on in steps of a minute. What comes within such a step
 * (a layer that begins to freeze, say) shows too late to be taken back, so the hour must be quiet indeed.
 */
const QUIET_SHARE = 6;
const QUIET = 16;
/** Ice in what covers the mouth clogs or melts whatever the skin did in the last step: with it no step counts as less rough than this, K. */
const WITH_ICE_K = ALLOWED_K / QUIET;
/** Steps taken before one that went well is doubled: the first after a change of length still settles. */
const STEADY = 2;

/** The lengths of the steps of one run, s. */
class Pace {
  private dt: number;
  private steady = 0;
  private readonly allowedK: number;
  private readonly longestS: number;
  private readonly longestQuietS: number;

  constructor(private readonly stepS: number) {
    const fine = stepS <= FINE_S;
    this.dt = FIRST_SHARE * stepS;
    this.allowedK = fine ? ALLOWED_K : ALLOWED_K_PER_S * stepS;
    this.longestS = LONGEST_SHARE * stepS;
    this.longestQuietS = fine ? QUIET_SHARE * stepS : this.longestS;
  }

  /** Begins again with short steps. */
  reset(): void {
    this.dt = FIRST_SHARE * this.stepS;
    this.steady = 0;
  }

  /** The next step from `t`, s, at most to `until`. */
  from(t: number, until: number): number {
    return Math.min(until, (Math.floor(t / this.dt + ROUNDING_S) + 1) * this.dt);
  }

  /** Takes note of how far the last step was off, K, at its end `t`, s. */
  learn(roughK: number, t: number): void {
    this.steady++;
    if (this.steady < STEADY) return;
    if (roughK > this.allowedK && this.dt > FIRST_SHARE * this.stepS * 1.01) this.to(this.dt / 2);
    else if (this.mayDouble(roughK) && this.meets(t)) this.to(2 * this.dt);
  }

  private mayDouble(roughK: number): boolean {
    if (this.dt < this.longestS * 0.99) return roughK < this.allowedK / SMOOTH;
    return this.dt < this.longestQuietS * 0.99 && roughK < this.allowedK / QUIET;
  }

  private meets(t: number): boolean {
    const n = t / (2 * this.dt);
    return Math.abs(n - Math.round(n)) < ROUNDING_S;
  }

  private to(dt: number): void {
    this.dt = dt;
    this.steady = 0;
  }
}

/** Differences that count as a change of the world at once: W, K, m/s, mm/h (engineering values). */
const ABRUPT = { metabolicW: 40, airC: 1.5, relativeWind: 1, precipitationMmH: 0.5 } as const;

/** Also a wind so many times as strong, with what stirs in still air, m/s: what the skin loses to it goes about with its root, and a breath more is much there. */
const FRESHER = 1.3;
const STILL = 0.1;
const isFresher = (a: number, b: number): boolean => Math.max(a, b) + STILL > FRESHER * (Math.min(a, b) + STILL);

/** Whether the world changed at once between two stretches, rather than drifted as forecasts do. */
const isAbrupt = (a: Conditions, b: Conditions): boolean =>
  a.sport !== b.sport ||
  a.packOn !== b.packOn ||
  a.packUnder !== b.packUnder ||
  a.wetting !== b.wetting ||
  isFresher(a.relativeWind, b.relativeWind) ||
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
  const pace = new Pace(stepS);
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
        if (changed) pace.reset();
        changed = false;
        if (row === 0 && t === 0) recordRow(sim, out, row++);
      }
      let until = pace.from(t, Math.min(here.endS, hands.nextS));
      const sampleAt = row * sampleS;
      if (row < rows && sampleAt > t + ROUNDING_S && sampleAt < until) until = sampleAt;
      sim.step(until - t);
      t = until;
      pace.learn(sim.breathesIce ? Math.max(sim.roughK, WITH_ICE_K) : sim.roughK, t);
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
