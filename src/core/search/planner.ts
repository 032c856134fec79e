import type { Plan } from '@/core/kit/plan';
import type { Work } from '@/core/questions/phaseRunner';
import type { Course } from './course';
import { ALL, Descent, descendFromOther, NEARLY, PATIENT, WORN, type Descended } from './descent';
import { MOST_CUES } from './wishes';
import { firstDifference, mapDress, type Dress } from './dress';
import { improve, withoutCues, withoutOneCue } from './improve';
import { BODY_PARTS, sameParts } from './kitParts';
import { chances } from '@/core/questions/chances';
import { kitGarments, type Kit } from './kit';
import { isSafe } from '@/core/judge/findings';
import { mustNotMiss } from '@/core/questions/cueReason';
import { dropCue, missedCues } from '@/core/questions/missedCues';
import { staysPossible } from '@/core/kit/followable';
import { keepsTo } from './keeps';
import type { CurvePoint, Planned, PlanRequest, Progress } from './planRequest';
import { DEAR } from './finishing';
import { betterSecond, finishingOf, mostCuesOf, type Second } from './secondLook';
import { polish, POLISH_STEP_S, type Polished } from './polish';
import { withoutWornJacket } from './withoutWornJacket';
import { settle } from './settle';
import { curveInFull } from './curveInFull';
import { PathRun } from './pathRun';
import { runInFull } from '@/core/questions/question';

/** The last betterment, s: short outings afford finer steps. */
const FINE_S = [15, 60] as const;
const FINE_STEPS_AN_OUTING = 240;
/** What of all that cues gain the knee may leave behind: a share, and never more than so many points. */
const KNEE = { share: 0.04, points: 0.1 } as const;
const TRIED_MEMBERS = 12;
/** Integrator steps that all has taken when a stage is over: mixing both descents, finer steps, and the curve over the number of cues. */
const BUDGET = { mixed: 82_000, fine: 94_000, curve: 112_000 } as const;
const NOTHING: Work = { phases: 0, steps: 0 };
/** Two descents that come this near to one another, points, are the same, and have nothing to mix. */
const SAME = 1e-6;

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
  const search = new Search(request, progress);
  search.begin();
  const goOn = () => search.goesOn();
  // Where it was stopped by then, no other start is dressed.
  search.meet(goOn() ? descendFromOther(request, goOn) : null);
  const { second } = search;
  return search.end(search.better() && second ? betterSecond(request, second, goOn) : null);
}

/** What both descents of a search come to: the best plan for each number of cues, the one chosen, and what there is beside it. */
interface Met {
  curve: CurvePoint[];
  chosen: Plan;
  others: Plan[];
  second: Plan | null;
  /** the chosen one after its polish */
  bettered?: Polished;
}

/**
 * A search in stages (begin, meet, better, end), so that the descent from other layers, and the second plan's betterment, can run in another worker
 * meanwhile. It asks the same of either, and so finds the same plan with one worker or two.
 */
export class Search {
  private readonly descent: Descent;
  private readonly course: Course;
  private readonly most: number;
  private first: PathRun | null = null;
  private met: Met | null = null;
  /** what it had taken when it last waited for others */
  private held: Work = NOTHING;

  /** @throws OutOfRange as `makePlan` */
  constructor(request: PlanRequest, progress: Progress) {
    this.most = mostCuesOf(request);
    this.descent = new Descent(request, progress);
    this.course = this.descent.course;
  }

  private get request(): PlanRequest {
    return this.descent.request;
  }

  /** Whether nobody has stopped it. */
  goesOn(): boolean {
    return this.descent.beat();
  }

  /** The first usable plan, and what a descent from it finds. */
  begin(): void {
    this.first = this.descent.fromBalance();
    this.held = this.course.work;
    this.descent.tell(0.5, 'Starting from other layers', this.first.plan());
  }

  /**
   * What the first descent and the one from other layers come to together: one plan for each number of cues, and the one to be bettered.
   * @param found null: what was begun stands alone
   */
  meet(found: Descended | null): void {
    const { descent, course, first } = this;
    if (!first) throw new Error('this search was not begun');
    course.goOnAfter(this.held, found ? found.work : NOTHING);
    const other = found && descent.asPath(found);
    const differs = other && !(Math.abs(other.total - first.total) < SAME) ? other : null;
    const best = this.refine(differs ? this.mix(first, differs) : first);
    descent.tell(0.8, 'Weighing each number of cues', best.plan());
    const curve = this.curve(best);
    descent.tell(0.92, 'Trying them on other days');
    const chosen = this.choose(curve, best.kit);
    const worse = differs && (first.total <= differs.total ? differs : first);
    this.met = {
      curve,
      chosen: chosen.plan,
      others: differs ? [first.plan(), differs.plan()] : [],
      second: worse && chosen.cost >= DEAR && worse.cuesOf(worse.dresses).length <= this.most ? worse.plan() : null,
    };
    this.held = course.work;
  }

  /**
   * The plan of the worse descent, where what was chosen is dear: there is much to lose, hollows lie further apart, and it is bettered by
   * itself too, here or in another worker (`betterSecond`). Null where one look is enough.
   */
  get second(): Plan | null {
    return this.met?.second ?? null;
  }

  /** Betters the chosen plan by single changes. @returns whether it stays dear, so that a second plan counts */
  better(): boolean {
    const { met, descent, course } = this;
    if (!met) throw new Error('the descents of this search have not met');
    course.goOnAfter(this.held, NOTHING);
    const finishing = { ...finishingOf(descent, this.most), others: met.others };
    const polished = polish(met.chosen, descent.candidates, finishing);
    met.bettered = withoutWornJacket(polished, descent.candidates, finishing, (from, to) => this.may(from, to));
    this.held = course.work;
    return met.second !== null && met.bettered.least >= DEAR;
  }

  /** The plan proposed, and all that is told of it. @param second what the second plan came to, where it counts */
  end(second: Second | null): Planned {
    const { met, descent, course } = this;
    if (!met?.bettered) throw new Error('the chosen plan of this search was not bettered');
    course.goOnAfter(this.held, second ? second.work : NOTHING);
    const finishing = finishingOf(descent, this.most);
    const [best, other] = second && second.least < met.bettered.least ? [second, met.bettered] : [met.bettered, second];
    const mixed = other ? polish(best.plan, descent.candidates, { ...finishing, others: [other.plan] }) : best;
    const plan = settle(mixed.plan, finishing);
    descent.tell(0.96, 'Missing each cue once');
    const missed = this.missed(plan);
    const { person, timeline, damp, waiting, closet } = this.request;
    const fewer = {
      asked: { person, closet, timeline, damp, weights: course.weights, waiting },
      stepS: POLISH_STEP_S,
      may: (from: Plan, to: Plan) => this.may(from, to),
      goOn: () => descent.beat(),
    };
    return this.explain(missed, curveInFull(met.curve, missed.plan, fewer));
  }

  /** The better of two plans, with each part of the body tried as the other has it. */
  private mix(a: PathRun, b: PathRun): PathRun {
    let best = a.total <= b.total ? a : b;
    const other = a.total <= b.total ? b : a;
    for (const { choices, keys } of BODY_PARTS) {
      if (!this.descent.within(BUDGET.mixed) || keys.every((k) => sameParts(best.kit[k], other.kit[k]))) continue;
      const kit: Kit = { ...best.kit, ...Object.fromEntries(keys.map((k) => [k, other.kit[k]])) };
      for (const ways of [best, other]) {
        const run = new PathRun(this.course, kit, this.descent.coarseS, PATIENT);
        const theirs = run.like(ways.dresses);
        run.take(run.like(best.dresses).map((d, p) => mapDress(d, (w, g) => (choices.includes(g) ? theirs[p][g] : w))));
        if (run.total > best.total + NEARLY) continue;
        improve(run, { free: ALL, maxCues: MOST_CUES, sweeps: 1, goOn: () => this.descent.within(BUDGET.mixed) });
        if (run.total < best.total - 1e-9) best = run;
      }
    }
    return best;
  }

  /** The same path at finer steps, bettered once more. */
  private refine(run: PathRun): PathRun {
    const even = Math.round(this.request.timeline.endS / FINE_STEPS_AN_OUTING / 15) * 15;
    const stepS = Math.max(FINE_S[0], Math.min(FINE_S[1], even, this.descent.coarseS));
    const fine = new PathRun(this.course, run.kit, stepS, PATIENT);
    fine.take(fine.like(run.dresses));
    this.descent.tell(0.75, 'Placing cues');
    improve(fine, { free: ALL, maxCues: MOST_CUES, sweeps: 1, goOn: () => this.descent.within(BUDGET.fine) });
    return fine;
  }

  /** The best plan for each number of cues: from the most the search wants down to none, the cheapest loss going first. */
  private curve(run: PathRun): CurvePoint[] {
    const point = (): CurvePoint => ({ cues: run.cuesOf(run.dresses).length, cost: run.total, plan: run.plan() });
    const points = [point()];
    while (points[0].cues > 0) {
      const { cues } = points[0];
      const tooMany = this.descent.within(BUDGET.curve) ? Math.ceil((cues - MOST_CUES) / 2) : Math.ceil(cues / 2);
      const fewer = tooMany > 1 ? this.manyFewer(run, tooMany) : this.oneFewer(run);
      // What is left may ask for a change where none can be made: then one dress all day, which is always possible.
      if (run.take(fewer) === Infinity) run.take(run.throughout(run.dresses[0]));
      improve(run, {
        free: WORN,
        maxCues: run.cuesOf(run.dresses).length,
        sweeps: 1,
        betweenCues: true,
        goOn: () => this.descent.within(BUDGET.curve),
      });
      points.unshift(point());
      this.descent.tell(0.8 + (0.1 * points.length) / MOST_CUES, 'Weighing each number of cues');
    }
    // A plan with fewer cues that costs no more takes the place of one with more.
    const useful = points.filter((p, i) => points.findIndex((q) => q.cues === p.cues) === i && p.cues <= this.most);
    return useful.filter((p, i) => useful.slice(0, i).every((q) => q.cost > p.cost + 1e-9));
  }

  /** The cheapest path with one cue fewer. */
  private oneFewer(run: PathRun): Dress[] {
    const options = withoutOneCue(run, run.dresses);
    const cost = options.map((d) => run.cost(d, firstDifference(d, run.dresses), Infinity));
    const least = cost.indexOf(Math.min(...cost));
    return options[least] ?? run.throughout(run.dresses[0]);
  }

  /** The path without its `count` cheapest cues, each judged once: on days with more of them than anybody remembers. */
  private manyFewer(run: PathRun, count: number): Dress[] {
    const cues = run.cuesOf(run.dresses);
    const cost = new Map(cues.map((p) => [p, run.cost(withoutCues(run, run.dresses, new Set([p])), p, Infinity)]));
    const cheapest = [...cues].sort((a, b) => cost.get(a)! - cost.get(b)!);
    // A jacket that must come off before the next climb is a cue whether or not it was dropped: then more are.
    for (let n = count; n <= cues.length; n++) {
      const fewer = withoutCues(run, run.dresses, new Set(cheapest.slice(0, n)));
      if (run.cuesOf(fewer).length < cues.length) return fewer;
    }
    return run.throughout(run.dresses[0]);
  }

  /**
   * The knee: the fewest cues that come near what cues can gain (their own price is in the cost already); and among it and its
   * neighbours the one that costs least over the spread of forecast and athlete.
   */
  private choose(curve: readonly CurvePoint[], kit: Kit): CurvePoint {
    const least = Math.min(...curve.map((p) => p.cost));
    const gain = curve[0].cost - least;
    const leaves = Math.min(KNEE.share * gain, KNEE.points);
    const knee = curve.findIndex((p) => p.cost - least <= leaves + 1e-9);
    const near = curve.slice(Math.max(0, knee - 1), knee + 2).filter((p) => p.cost - least <= 4 * leaves + 1e-9);
    if (near.length < 2 || this.descent.stopped) return curve[knee];
    const garments = kitGarments(kit);
    const overSpread = (p: CurvePoint): number => {
      const { person, timeline, damp, leadDays, waiting, unsure } = this.request;
      const { weights } = this.course;
      const on = { person, closet: garments, timeline, plan: p.plan, damp, leadDays, weights, waiting, unsure };
      return chances({ ...on, count: TRIED_MEMBERS }).meanCost;
    };
    return near.map((p) => ({ p, cost: overSpread(p) })).reduce((a, b) => (b.cost < a.cost - 1e-9 ? b : a)).p;
  }

  /** Misses each cue once; one that costs less missed than done, run in full, is left out. */
  private missed(plan: Plan): Missed {
    const { person, closet, timeline, damp, waiting } = this.request;
    const found = { person, closet, timeline, plan, damp, weights: this.course.weights, waiting };
    const scored = runInFull(found);
    const cues = missedCues(found, scored);
    const idle = cues.findIndex((c) => c.missCost < 0);
    if (idle < 0) return { plan, scored, cues };
    const without = dropCue(plan, idle);
    return this.may(plan, without) ? this.missed(without) : { plan, scored, cues };
  }

  /** Whether a plan may be changed so: what is worn one over the other stays wearable, and what the athlete wants stays so. */
  private may(from: Plan, to: Plan): boolean {
    const { closet, timeline, person } = this.request;
    const possible = staysPossible(timeline, person, new Map(closet.map((g) => [g.id, g])));
    return possible(from, to) && keepsTo({ ...this.request, mostCues: this.most }, closet)(from, to);
  }

  private explain({ plan, scored, cues }: Missed, curve: CurvePoint[]): Planned {
    this.descent.tell(1, 'Done');
    const safe = isSafe(scored.findings);
    return { plan, scored, safe, cues, mustNotMiss: mustNotMiss(cues), curve, simulations: this.course.work.phases };
  }
}

/** A plan run in full, and what missing each of its cues costs. */
type Missed = Pick<Planned, 'plan' | 'scored' | 'cues'>;
