import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Sport } from '@/core/effort/activity';
import type { Weights } from '@/core/judge/cost';
import { isStop } from '@/core/outing/leg';
import type { Timeline } from '@/core/outing/timeline';
import { within } from '@/core/quantity/range';
import type { Plan } from '@/core/simulate/plan';
import { candidates, evenly, firstKit, type Candidates } from './candidates';
import { Course } from './course';
import { cueText, type Dress } from './dress';
import { improve, withoutCues, withoutOneCue } from './improve';
import { kitParts } from './kitParts';
import { chances } from './members';
import { FEET, GOING, HANDS, HEAD, kitGarments, LEGS, sameWay, TORSO, withMiddle, type Kit, type Mode } from './modes';
import { mostWorse, type Moved } from './mostMoved';
import { PathRun } from './pathRun';
import { neighbours } from './whyThis';
import { alongOf, isAlong, swapGarment } from './edit';
import { scorePlan, type Scored } from './score';

export interface PlanRequest {
  person: Person;
  closet: readonly Garment[];
  timeline: Timeline;
  sport: Sport;
  /** water already in garments, g/m² by id */
  damp?: Record<string, number>;
  /** the most cues that may be proposed, 0–12 */
  maxCues?: number;
  weights?: Partial<Weights>;
  /** people who must wait while something is changed, 0–30 */
  waiting?: number;
  /** days between forecast and start, for the spread */
  leadDays?: number;
  /** vapour barriers on hands and feet; always a liner under the sock */
  barriers?: boolean;
  twoSocks?: boolean;
}

export interface CueReason {
  atS: number;
  where: string;
  text: string[];
  /** what the plan's total cost rises by when this cue is missed, and the plainest consequence */
  missCost: number;
  miss: Moved;
}

/** The best plan found with so many cues. */
export interface CurvePoint {
  cues: number;
  cost: number;
  plan: Plan;
}

export interface Planned {
  plan: Plan;
  scored: Scored;
  /** whether no alarm is left; the search prices alarms beyond any comfort, so false means it found no safe plan */
  safe: boolean;
  cues: CueReason[];
  /** index of the cue whose missing costs most; −1 without cues */
  mustNotMiss: number;
  /** cost against number of cues, fewest first: all from one search */
  curve: CurvePoint[];
  /** phases of the outing it simulated */
  simulations: number;
}

/**
 * Called now and then; return false to stop. The best plan so far is then returned. The first usable plan is handed over as
 * soon as there is one.
 */
export type Progress = (done: number, says: string, first?: Plan) => boolean;

/** Integrator steps while the kit is chosen and cues are placed, s; longer on long outings, which have more of them. */
const COARSE_S = [60, 180] as const;
const STEPS_AN_OUTING = 120;
/** The last betterment, s: short outings afford finer steps. */
const FINE_S = [15, 60] as const;
const FINE_STEPS_AN_OUTING = 240;
/** Steps at which a chosen plan's cues are missed, s. */
const MISS_S = 30;
const BEAM = 3;
/** Nobody remembers more. */
export const MOST_CUES = 12;
/** Share of what all cues together gain that the knee may leave behind. */
const KNEE = 0.04;
const TRIED_MEMBERS = 12;
/** Integrator steps that choosing the kit, placing cues and the curve may take. */
const BUDGET = { kit: 150_000, cues: 190_000, again: 250_000, fine: 280_000, curve: 330_000 } as const;
/** A piece that is not better as the others are worn now, but nearly, is tried again with its own best wearing, points. */
const NEARLY = 0.35;
/** One that has fallen this far behind on the way is given up, points. */
const FAR = 1;
/** How many candidates for one part are tried with their own best wearing: of those worn now, and of those that are not. */
const TRIED_NEAR = 2;
const TRIED_IDLE = 8;
/** While cues are placed a trial is followed longer before it is given up: what costs now may pay at the next stop. */
const PATIENT = 0.5;
/** A fresh path this much dearer than the one there is will not catch up, points. */
const TOO_DEAR = 1;
/** A swap of one piece must gain this to be made at the end, points. */
const LEAST_SWAP = 0.01;
/** Another round over the kit is worth it while the last gained this, points. */
const LEAST_ROUND = 0.02;
const ALL = [TORSO, HANDS, HEAD, LEGS, FEET, GOING] as const;
const WORN = [TORSO, HANDS, HEAD, LEGS, FEET] as const;

/**
 * Finds start kit, pack and cues by simulating candidates from the closet.
 *
 * 1. A plain kit is dressed phase by phase: the first usable plan.
 * 2. Part by part every candidate is simulated as the others are worn now; the promising are tried with their own best wearing.
 * 3. With the garments fixed, a beam search over the natural moments and then small moves choose how they are worn in each
 *    phase and how the phase is gone.
 * 4. Cues are dropped one by one, cheapest loss first, and what is left bettered, which gives the cost for each number of
 *    cues. The knee of that curve is proposed, or a neighbour that holds better over the spread of forecast and athlete.
 * 5. Each cue is missed once on purpose to learn what missing it costs.
 * @throws OutOfRange when the closet lacks a part nobody can go without
 */
export function makePlan(request: PlanRequest, progress: Progress = () => true): Planned {
  return new Search(request, progress).run();
}

/** How a kit is worn before anything is searched: the second lightest way, legs and feet as they are, going as planned. */
const plainDress = (modes: readonly Mode[][]): Dress =>
  modes.map((m, g) => m[g === LEGS || g === FEET || g === GOING ? 0 : Math.min(1, m.length - 1)]);

class Search {
  private readonly course: Course;
  private readonly candidates: Candidates;
  private readonly coarseS: number;
  private readonly most: number;
  private stopped = false;
  private done = 0;

  constructor(
    private readonly request: PlanRequest,
    private readonly progress: Progress,
  ) {
    const { person, timeline, damp, weights, waiting } = request;
    this.course = new Course(person, timeline, damp, weights, waiting);
    this.most = within('most cues', request.maxCues ?? MOST_CUES, 0, MOST_CUES);
    this.candidates = candidates(request.closet, request.sport, timeline, request);
    const even = Math.round(timeline.endS / STEPS_AN_OUTING / 30) * 30;
    this.coarseS = Math.max(COARSE_S[0], Math.min(COARSE_S[1], even));
  }

  run(): Planned {
    const { legs, endS } = this.request.timeline;
    const stops = legs.some((l) => isStop(l) && l.sport !== 'hut' && l.minutes >= 4);
    this.tell(0.02, 'Dressing for a start');
    let best = new PathRun(this.course, firstKit(this.candidates, stops || endS > 2 * 3600), this.coarseS);
    best.take(best.beam(plainDress(best.modes), 1, 1, WORN));
    this.tell(0.05, 'Choosing layers', best.plan());
    best = this.improveKit(best, 0);
    this.tell(0.5, 'Placing cues', best.plan());
    best = this.placeCues(best);
    for (let round = 1; round < 5 && this.within(BUDGET.again); round++) {
      const before = best.total;
      this.tell(0.62, 'Choosing layers again', best.plan());
      best = this.improveKit(best, round);
      improve(best, { free: ALL, maxCues: MOST_CUES, sweeps: 1, goOn: () => this.within(BUDGET.again) });
      if (before - best.total < LEAST_ROUND) break;
    }
    best = this.refine(best);
    this.tell(0.8, 'Weighing each number of cues', best.plan());
    const curve = this.curve(best);
    this.tell(0.92, 'Trying them on other days');
    const plan = this.polish(this.choose(curve, best.kit));
    this.tell(0.96, 'Missing each cue once');
    return this.explain(plan, this.inFull(curve, plan));
  }

  private tell(done: number, says: string, first?: Plan): void {
    this.done = Math.max(this.done, done);
    if (!this.progress(this.done, says, first)) this.stopped = true;
  }

  private within(budget: number): boolean {
    return !this.stopped && this.course.steps < budget;
  }

  /** Tries every candidate of every part. */
  private improveKit(start: PathRun, round: number): PathRun {
    let best = start;
    const budget = round === 0 ? BUDGET.kit : BUDGET.again;
    const parts = kitParts(this.candidates, best.kit.warm !== null);
    parts.forEach((part, i) => {
      const at = round === 0 ? 0.05 + (0.45 * i) / parts.length : 0.62 + 0.03 * (round - 1 + i / parts.length);
      this.tell(at, `Choosing ${part.name}`);
      if (!this.within(budget)) return;
      const near: PathRun[] = [];
      const idle: PathRun[] = [];
      for (const kit of part.options(best.kit))
        for (const withMid of part.addsMid?.(kit, best.kit) ? [false, true] : [false]) {
          if (this.stopped) break;
          const run = new PathRun(this.course, kit, this.coarseS);
          const like = (m: Mode, g: number) => sameWay(withMid && g === TORSO ? withMiddle(m) : m, run.modes[g]);
          run.take(
            best.dresses.map((d) => d.map(like)),
            0,
            { run: best, margin: FAR },
          );
          if (run.total < best.total + NEARLY) (run.wearsAll(part.choice) ? near : idle).push(run);
        }
      near.sort((a, b) => a.total - b.total);
      // What nobody wears yet cannot be told apart by what it costs: a few are tried, from the thinnest to the thickest.
      const tries = [...near.slice(0, TRIED_NEAR), ...evenly(idle, TRIED_IDLE)];
      for (const run of tries) {
        improve(run, {
          free: [part.choice],
          maxCues: MOST_CUES,
          sweeps: 1,
          betweenCues: run !== tries[0] || round > 0,
          goOn: () => this.within(budget),
        });
        if (run.total < best.total - 1e-9) best = run;
      }
    });
    return best;
  }

  /** Betters the path from where it stands and from two fresh starts: with the outing as planned, and with its pace free. */
  private placeCues(chosen: PathRun): PathRun {
    const better = (run: PathRun) =>
      improve(run, { free: ALL, maxCues: MOST_CUES, sweeps: 2, goOn: () => this.within(BUDGET.cues) });
    chosen.patience = PATIENT;
    better(chosen);
    let best = chosen;
    for (const free of [WORN, ALL]) {
      if (!this.within(BUDGET.cues)) break;
      const run = new PathRun(this.course, chosen.kit, this.coarseS);
      run.patience = PATIENT;
      run.take(run.beam(plainDress(run.modes), BEAM, 2, free));
      if (run.total > best.total + TOO_DEAR) continue;
      better(run);
      if (run.total < best.total - 1e-9) best = run;
    }
    return best;
  }

  /** The same path at finer steps, bettered once more. */
  private refine(run: PathRun): PathRun {
    const even = Math.round(this.request.timeline.endS / FINE_STEPS_AN_OUTING / 15) * 15;
    const stepS = Math.max(FINE_S[0], Math.min(FINE_S[1], even, this.coarseS));
    const fine = new PathRun(this.course, run.kit, stepS);
    fine.patience = PATIENT;
    fine.take(run.dresses);
    this.tell(0.75, 'Placing cues');
    improve(fine, { free: ALL, maxCues: MOST_CUES, sweeps: 1, goOn: () => this.within(BUDGET.fine) });
    return fine;
  }

  /** The best plan for each number of cues: from the most the search wants down to none, the cheapest loss going first. */
  private curve(run: PathRun): CurvePoint[] {
    const point = (): CurvePoint => ({ cues: run.cuesOf(run.dresses).length, cost: run.total, plan: run.plan() });
    const points = [point()];
    while (points[0].cues > 0) {
      const { cues } = points[0];
      const tooMany = this.within(BUDGET.curve) ? Math.ceil((cues - MOST_CUES) / 2) : Math.ceil(cues / 2);
      const fewer = tooMany > 1 ? this.manyFewer(run, tooMany) : this.oneFewer(run);
      // What is left may ask for a change where none can be made: then one dress all day, which is always possible.
      if (run.take(fewer) === Infinity) run.take(run.throughout(run.dresses[0]));
      improve(run, {
        free: WORN,
        maxCues: run.cuesOf(run.dresses).length,
        sweeps: 1,
        betweenCues: true,
        goOn: () => this.within(BUDGET.curve),
      });
      points.unshift(point());
      this.tell(0.8 + (0.1 * points.length) / MOST_CUES, 'Weighing each number of cues');
    }
    // A plan with fewer cues that costs no more takes the place of one with more.
    const useful = points.filter((p, i) => points.findIndex((q) => q.cues === p.cues) === i && p.cues <= this.most);
    return useful.filter((p, i) => useful.slice(0, i).every((q) => q.cost > p.cost + 1e-9));
  }

  /** The cheapest path with one cue fewer. */
  private oneFewer(run: PathRun): Dress[] {
    const options = withoutOneCue(run, run.dresses);
    const cost = options.map((d) => run.cost(d, firstDifference(d, run.dresses), false));
    const least = cost.indexOf(Math.min(...cost));
    return options[least] ?? run.throughout(run.dresses[0]);
  }

  /** The path without its `count` cheapest cues, each judged once: on days with more of them than anybody remembers. */
  private manyFewer(run: PathRun, count: number): Dress[] {
    const cues = run.cuesOf(run.dresses);
    const cost = new Map(cues.map((p) => [p, run.cost(withoutCues(run, run.dresses, new Set([p])), p, false)]));
    const cheapest = [...cues].sort((a, b) => cost.get(a)! - cost.get(b)!);
    // A jacket that must come off before the next climb is a cue whether or not it was dropped: then more are.
    for (let n = count; n <= cues.length; n++) {
      const fewer = withoutCues(run, run.dresses, new Set(cheapest.slice(0, n)));
      if (run.cuesOf(fewer).length < cues.length) return fewer;
    }
    return run.throughout(run.dresses[0]);
  }

  /**
   * The knee: the fewest cues that come within a few percent of what cues can gain; and among it and its neighbours the one
   * that costs least over the spread of forecast and athlete.
   */
  private choose(curve: readonly CurvePoint[], kit: Kit): Plan {
    const least = Math.min(...curve.map((p) => p.cost));
    const gain = curve[0].cost - least;
    const knee = curve.findIndex((p) => p.cost - least <= KNEE * gain + 1e-9);
    const near = curve.slice(Math.max(0, knee - 1), knee + 2).filter((p) => p.cost - least <= 4 * KNEE * gain + 1e-9);
    if (near.length < 2 || this.stopped) return curve[knee].plan;
    const garments = kitGarments(kit);
    const { person, timeline, damp, leadDays, waiting } = this.request;
    const { weights } = this.course;
    const overSpread = (p: CurvePoint): number => {
      const c = chances({
        person,
        garments,
        timeline,
        plan: p.plan,
        damp,
        leadDays,
        count: TRIED_MEMBERS,
        weights,
        waiting,
      });
      return c.meanCost;
    };
    return near.map((p) => ({ p, cost: overSpread(p) })).reduce((a, b) => (b.cost < a.cost - 1e-9 ? b : a)).p.plan;
  }

  /** The curve with every plan run in full, and the proposed one in its place. What then costs more than fewer cues falls out. */
  private inFull(curve: readonly CurvePoint[], chosen: Plan): CurvePoint[] {
    const { person, timeline, damp, waiting, closet } = this.request;
    const { weights } = this.course;
    const full = curve.map((p) => {
      const plan = p.cues === chosen.cues.length ? chosen : p.plan;
      const { total } = scorePlan(person, alongOf(closet, plan), timeline, plan, { damp, weights, waiting });
      return { cues: p.cues, cost: total, plan };
    });
    return full.filter((p, i) => p.plan === chosen || full.slice(0, i).every((q) => q.cost > p.cost + 1e-9));
  }

  /** Swaps single pieces of the chosen plan for their next warmer or cooler like while that betters it in a full run. */
  private polish(chosen: Plan): Plan {
    const { person, timeline, damp, waiting, closet, sport } = this.request;
    const { weights } = this.course;
    const cost = (plan: Plan) =>
      scorePlan(person, alongOf(closet, plan), timeline, plan, { stepS: MISS_S, damp, weights, waiting }).total;
    let plan = chosen;
    let least = cost(plan);
    for (const g of alongOf(closet, plan))
      for (const other of Object.values(neighbours(g, closet, sport, plan))) {
        if (!other || this.stopped || !isAlong(plan, g.id)) continue;
        const swapped = swapGarment(plan, g.id, other);
        const then = cost(swapped);
        if (then < least - LEAST_SWAP) {
          least = then;
          plan = swapped;
        }
      }
    return plan;
  }

  private explain(plan: Plan, curve: CurvePoint[]): Planned {
    const garments = alongOf(this.request.closet, plan);
    const byId = new Map(garments.map((g) => [g.id, g]));
    const { person, timeline, damp, waiting } = this.request;
    const { weights, phases } = this.course;
    const scored = scorePlan(person, garments, timeline, plan, { damp, weights, waiting });
    const cues = plan.cues.map((cue, i): CueReason => {
      const missed = scorePlan(person, garments, timeline, dropCue(plan, i), { stepS: MISS_S, damp, weights, waiting });
      return {
        atS: cue.atS,
        where: phases.find((p) => Math.abs(p.startS - cue.atS) < 1)?.where ?? 'on the way',
        text: cueText(cue, byId),
        missCost: missed.total - scored.total,
        miss: mostWorse(scored, missed),
      };
    });
    this.tell(1, 'Done');
    const mustNotMiss = cues.reduce((worst, c, i) => (worst < 0 || c.missCost > cues[worst].missCost ? i : worst), -1);
    const safe = !scored.findings.some((f) => f.severity === 3);
    return { plan, scored, safe, cues, mustNotMiss, curve, simulations: this.course.phasesWalked };
  }
}

function firstDifference(a: readonly Dress[], b: readonly Dress[]): number {
  let p = 0;
  while (p < a.length - 1 && a[p] === b[p]) p++;
  return p;
}

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
