import type { Plan } from '@/core/kit/plan';
import { chances } from '@/core/questions/chances';
import type { Work } from '@/core/questions/phaseRunner';
import type { Course } from './course';
import { ALL, Descent, NEARLY, PATIENT } from './descent';
import { mapDress } from './dress';
import { fewerCues } from './fewerCues';
import { DEAR, finishingOf, mostCuesOf, type Finishing, type Polished } from './finishing';
import { improve } from './improve';
import { kitGarments, type Kit } from './kit';
import { BODY_PARTS, sameParts } from './kitParts';
import { PathRun } from './pathRun';
import type { Descended } from './otherStarts';
import type { CurvePoint, PlanRequest, Progress } from './planRequest';
import { polish } from './polish';
import { mayFollow } from './mayFollow';
import { settle } from './settle';
import { triedFurther } from './triedFurther';
import { MOST_CUES } from './wishes';
import { withoutWornJacket } from './withoutWornJacket';

/** The last betterment, s: short outings afford finer steps. */
const FINE_S = [15, 60] as const;
const FINE_STEPS_AN_OUTING = 240;
/** What of all that cues gain the knee may leave behind: a share, and never more than so many points. */
const KNEE = { share: 0.04, points: 0.1 } as const;
const TRIED_MEMBERS = 12;
/** Integrator steps that all has taken when a stage is over: mixing both descents, and finer steps. */
const BUDGET = { mixed: 82_000, fine: 94_000 } as const;
const NOTHING: Work = { phases: 0, steps: 0 };
/** Two descents that come this near to one another, points, are the same, and have nothing to mix. */
const SAME = 1e-6;

/** What both descents of a look come to: the best plan for each number of cues, the one chosen, what it costs, points, and what there is beside it. */
interface Met {
  curve: CurvePoint[];
  chosen: Plan;
  cost: number;
  others: Plan[];
}

/** The chosen plan bettered, and what made it. */
interface Bettered {
  polished: Polished;
  finishing: Finishing;
  mixing: Finishing;
}

/** What a look ends with: the plan, the best ones for each number of cues, and what was found from other starts. */
export interface Found {
  plan: Plan;
  curve: readonly CurvePoint[];
  others: readonly Plan[];
}

/**
 * A search on one day in stages (at once, begin, meet, end), so that the descent from other layers can run in another worker meanwhile. It asks the same of either, and so finds the same plan with one worker or two.
 */
export class Look {
  readonly descent: Descent;
  private readonly course: Course;
  private readonly most: number;
  private toldAtOnce = false;
  private first: PathRun | null = null;
  private met: Met | null = null;
  private bettered: Bettered | null = null;
  /** what it ends with where nothing comes of what is tried further, and what settling that took */
  private settled: { found: Found; work: Work } | null = null;
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

  /** Integrator work it took, others' for it included. */
  get work(): Work {
    return this.course.work;
  }

  /** The first usable plan is told, once. */
  atOnce(): void {
    if (!this.toldAtOnce) this.descent.tellAtOnce();
    this.toldAtOnce = true;
  }

  /** The first usable plan, where it was not told yet, and what a descent from it finds. @returns what that costs, points */
  begin(): number {
    this.atOnce();
    // What is shown at once is none of the search's budget.
    this.course.goOnAfter(NOTHING, NOTHING);
    this.first = this.descent.fromBalance();
    this.held = this.course.work;
    this.descent.tell(0.25, 'Starting from other layers', this.first.plan());
    this.descent.nears(0.45);
    return this.first.total;
  }

  /**
   * What both descents come to together: one plan for each number of cues, and the one to be bettered.
   * @param found what a descent from other layers found; null: what was begun stands alone
   */
  meet(found: Descended | null): void {
    const { descent, course, first } = this;
    if (!first) throw new Error('this search was not begun');
    course.goOnAfter(this.held, found ? found.work : NOTHING);
    const theirs = found && descent.asPath(found);
    const other = theirs && !(Math.abs(theirs.total - first.total) < SAME) ? theirs : null;
    descent.tell(0.45, 'Taking the best of both starts');
    descent.nears(0.54);
    const best = this.refine(other ? this.mix(first, other) : first);
    descent.tell(0.6, 'Weighing each number of cues', best.plan());
    const curve = fewerCues(best, descent, this.most);
    descent.tell(0.64, 'Trying them on other days');
    const chosen = this.choose(curve, best.kit);
    descent.tell(0.66, 'Bettering it piece by piece');
    descent.nears(0.9);
    this.met = {
      curve,
      chosen: chosen.plan,
      others: other ? [first.plan(), other.plan()] : [],
      cost: chosen.cost,
    };
    this.held = course.work;
  }

  /** What the chosen plan costs, as it is and once it is bettered, points; 0 before there is one. */
  get cost(): number {
    return this.met?.cost ?? 0;
  }

  /** The chosen plan bettered by changes of it. @returns whether it stays dear, and more is tried on it */
  better(): boolean {
    const { met, descent, course } = this;
    if (!met) throw new Error('the descents of this search have not met');
    course.goOnAfter(this.held, NOTHING);
    const finishing = finishingOf(descent);
    const mixing = { ...finishing, others: met.others };
    const one = polish(met.chosen, descent.candidates, mixing);
    const polished = withoutWornJacket(one, descent.candidates, mixing, mayFollow(finishing));
    this.bettered = { polished, finishing, mixing };
    met.cost = polished.least;
    this.held = course.work;
    return met.cost >= DEAR;
  }

  /** What it ends with where nothing comes of what is tried further; its work counts only then. */
  get soFar(): Found {
    const { met, bettered, course } = this;
    if (!met || !bettered) throw new Error('this search has bettered nothing yet');
    if (!this.settled) {
      const held = course.work;
      const found = this.foundIn(met, bettered.polished, bettered.finishing);
      const { phases, steps } = course.work;
      this.settled = { found, work: { phases: phases - held.phases, steps: steps - held.steps } };
      course.goOnAfter(held, NOTHING);
    }
    return this.settled.found;
  }

  /** What stays dear at other paces in clothes of their own, and begun once more from other bases and other legs. */
  further(): Found {
    const { met, bettered, descent } = this;
    if (!met || !bettered) throw new Error('this search has bettered nothing yet');
    const { polished, finishing, mixing } = bettered;
    this.course.goOnAfter(this.held, NOTHING);
    descent.tell(0.9, 'Trying other paces');
    descent.nears(0.92);
    const found = triedFurther(polished, descent.candidates, mixing);
    met.cost = found.least;
    return found.plan === polished.plan ? this.end() : this.foundIn(met, found, finishing);
  }

  /** What it ends with where nothing more is tried on it. */
  end(): Found {
    const { soFar } = this;
    this.course.goOnAfter(this.course.work, this.settled?.work ?? NOTHING);
    return soFar;
  }

  private foundIn({ curve, others }: Met, { plan }: Polished, f: Finishing): Found {
    return { plan: settle(plan, f), curve, others };
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
    this.descent.tell(0.54, 'Placing cues');
    this.descent.nears(0.6);
    improve(fine, { free: ALL, maxCues: MOST_CUES, sweeps: 1, goOn: () => this.descent.within(BUDGET.fine) });
    return fine;
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
}
