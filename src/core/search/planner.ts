// Longer than a file should be: one search whose stages share kit, budget and the best found so far; parted, they would hand a
// dozen values round at every step.
import { bodyArea } from '@/core/body/person';
import { clamp, within } from '@/core/quantity/range';
import type { Plan } from '@/core/kit/plan';
import { balancedKit, byPlace, candidates, dryPartKit, evenly, otherKit, type Candidates } from './candidates';
import { Course } from './course';
import { MOST_CUES } from './wishes';
import { mapDress, type Dress } from './dress';
import { improve, withoutCues, withoutOneCue } from './improve';
import { BODY_PARTS, kitParts, sameParts, type KitPart } from './kitParts';
import { chances } from '@/core/questions/chances';
import { kitGarments, type Kit } from './kit';
import { FEET, GOING, HANDS, HEAD, insteadOfShell, LEGS, TORSO, withLayer, type Way, type Ways } from './waysToWear';
import { isSafe } from '@/core/judge/findings';
import { mustNotMiss } from '@/core/questions/cueReason';
import { missedCues } from '@/core/questions/missedCues';
import { orderPrices } from './order';
import type { CurvePoint, Planned, PlanRequest, Progress } from './planRequest';
import { polish, POLISH_STEP_S, type Finishing } from './polish';
import { settle } from './settle';
import { PathRun } from './pathRun';
import { runInFull } from '@/core/questions/question';

/**
 * Integrator steps while the kit is chosen and cues are placed, s; longer on long outings, which have more of them. Up to 120 s the cost of
 * a path is within an eighth of that at 15 s; at 150 s and more it was found up to seven times as much.
 */
export const COARSE_S = [60, 120] as const;
const STEPS_AN_OUTING = 120;
/** The last betterment, s: short outings afford finer steps. */
const FINE_S = [15, 60] as const;
const FINE_STEPS_AN_OUTING = 240;
/** What of all that cues gain the knee may leave behind: a share, and never more than so many points. */
const KNEE = { share: 0.04, points: 0.1 } as const;
const TRIED_MEMBERS = 12;
/** Integrator steps by which a stage is over: kit, cues and later rounds of the first descent, other starts, and the rest. */
const BUDGET = { kit: 40_000, cues: 55_000, again: 65_000, others: 120_000, fine: 132_000, curve: 150_000 } as const;
/** Outings over so many hours may take more, so much of it for each hour beyond, up to so many times: they have more phases and longer runs. */
const LONG_H = 4;
const EACH_HOUR = 0.4;
const LONGEST = 4.2;
interface Budget {
  kit: number;
  cues: number;
  again: number;
}
/**
 * Descents from other kits, each within so many integrator steps. One in any case, since a single descent may end in a hollow
 * and the best of several seldom does; more only when it is begun before this many.
 */
const OTHER_STARTS = { most: 2, before: 95_000, steps: 28_000 } as const;
/** A piece that is not better as the others are worn now, but nearly, is tried again with its own best wearing, points. */
const NEARLY = 0.35;
/** One that has fallen this far behind on the way is given up, points. */
const FAR = 1;
/** The same for a layer put on wherever the base is: it must come off again somewhere first. */
const FAR_ADDED = 3;
/**
 * How many candidates for one part are tried with their own best wearing: layers put on wherever the base is, those worn now
 * in the first round and later, and those that nobody wears, for the torso and for other parts.
 */
const TRIED = { added: 3, near: 2, nearLater: 4, idleTorso: 8, idle: 3 } as const;
/** While cues are placed a trial is followed longer before it is given up: what costs now may pay at the next stop. */
const PATIENT = 0.5;
/** A fresh path this much dearer than the one there is will not catch up, points. */
const TOO_DEAR = 1;
/** Of a dear plan a little more is a share of its cost: what is soaked or shivers all day must fall behind by more before it is given up. */
const DEAR_SHARE = 0.08;
const margin = (best: PathRun, points: number): number => points * (1 + DEAR_SHARE * best.total);
/** How many fair shares of what is left one part of the kit may take. */
const FAIR = 2;
/** Another round over the kit is worth it while the last gained this, points. */
const LEAST_ROUND = 0.02;
const ALL = [TORSO, HANDS, HEAD, LEGS, FEET, GOING] as const;
const WORN = [TORSO, HANDS, HEAD, LEGS, FEET] as const;
/** A first dressing of a kit, and a fresh one while cues are placed. */
const FIRST_BEAM = { width: 1, passes: 1, free: WORN } as const;
const FRESH_BEAM = { width: 3, passes: 2, free: WORN } as const;

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
const plainDress = (ways: Ways): Dress =>
  ways.map(
    (w: readonly Way[], g) => w[g === LEGS || g === FEET || g === GOING ? 0 : Math.min(1, w.length - 1)],
  ) as unknown as Dress;

class Search {
  private readonly course: Course;
  private readonly candidates: Candidates;
  private readonly coarseS: number;
  /** how much more than a usual outing this one may take */
  private readonly longer: number;
  private readonly most: number;
  private stopped = false;
  private done = 0;
  private says = '';

  private readonly request: PlanRequest;

  constructor(
    asked: PlanRequest,
    private readonly progress: Progress,
  ) {
    // The plan must not depend on the order in which a closet is listed.
    this.request = { ...asked, closet: [...asked.closet].sort(byPlace) };
    const { request } = this;
    const { person, timeline, damp, weights, waiting } = request;
    const order = orderPrices(request.closet);
    this.course = new Course(person, timeline, damp, weights, { waiting, habits: request, order });
    this.most = within('most cues', request.maxCues ?? MOST_CUES, 0, MOST_CUES);
    this.candidates = candidates(request.closet, request.sport, timeline, request);
    const even = Math.round(timeline.endS / STEPS_AN_OUTING / 30) * 30;
    this.coarseS = Math.max(COARSE_S[0], Math.min(COARSE_S[1], even));
    this.longer = clamp(1 + EACH_HOUR * (timeline.endS / 3600 - LONG_H), 1, LONGEST);
  }

  run(): Planned {
    const { timeline, person } = this.request;
    this.tell(0.02, 'Dressing for a start');
    const start = new PathRun(this.course, balancedKit(this.candidates, timeline, bodyArea(person)), this.coarseS);
    start.take(start.beam(plainDress(start.ways), FIRST_BEAM));
    this.tell(0.05, 'Choosing layers', start.plan());
    let best = this.descend(start, BUDGET);
    const others: Plan[] = [];
    const dryPart = dryPartKit(this.candidates, timeline, bodyArea(person));
    for (let k = 0; k < OTHER_STARTS.most && this.within(k === 0 ? BUDGET.others : OTHER_STARTS.before); k++) {
      this.tell(0.6 + 0.07 * k, 'Starting from other layers', best.plan());
      const kit =
        k === 0 && dryPart ? dryPart : otherKit(this.candidates, best.kit, Math.max(0, k - (dryPart ? 1 : 0)));
      const other = new PathRun(this.course, kit, this.coarseS);
      other.take(other.beam(plainDress(other.ways), FIRST_BEAM));
      const spent = this.course.steps / this.longer;
      const until = (share: number) => Math.min(BUDGET.others, spent + share * OTHER_STARTS.steps);
      others.push(best.plan());
      const found = this.descend(other, { kit: until(0.5), cues: until(0.7), again: until(1) });
      // Two descents that end alike will not be bettered by a third.
      if (Math.abs(found.total - best.total) < 1e-6) break;
      others.push(found.plan());
      best = this.cross(best, found);
    }
    best = this.refine(best);
    this.tell(0.8, 'Weighing each number of cues', best.plan());
    const curve = this.curve(best);
    this.tell(0.92, 'Trying them on other days');
    const finishing: Finishing = {
      request: this.request,
      weights: this.course.weights,
      order: this.course.order,
      stepS: Math.max(POLISH_STEP_S, this.coarseS),
      mostCues: this.most,
      others,
      beat: () => this.beat(),
    };
    const plan = settle(polish(this.choose(curve, best.kit), this.candidates, finishing), finishing);
    this.tell(0.96, 'Missing each cue once');
    return this.explain(plan, this.inFull(curve, plan));
  }

  /** From a dressed start to the best kit and path near it. */
  private descend(start: PathRun, budget: Budget): PathRun {
    let best = this.improveKit(start, 0, budget.kit);
    this.tell(0.35, 'Placing cues', best.plan());
    best = this.placeCues(best, budget.cues);
    for (let round = 1; round < 5 && this.within(budget.again); round++) {
      const before = best.total;
      this.tell(0.45, 'Choosing layers again', best.plan());
      best = this.improveKit(best, round, budget.again);
      improve(best, { free: ALL, maxCues: MOST_CUES, sweeps: 1, goOn: () => this.within(budget.again) });
      if (before - best.total < LEAST_ROUND) break;
    }
    return best;
  }

  /** The better of two plans, with each part of the body tried as the other has it. */
  private cross(a: PathRun, b: PathRun): PathRun {
    let best = a.total <= b.total ? a : b;
    const other = a.total <= b.total ? b : a;
    for (const { choices, keys } of BODY_PARTS) {
      if (!this.within(BUDGET.others) || keys.every((k) => sameParts(best.kit[k], other.kit[k]))) continue;
      const kit: Kit = { ...best.kit, ...Object.fromEntries(keys.map((k) => [k, other.kit[k]])) };
      for (const ways of [best, other]) {
        const run = new PathRun(this.course, kit, this.coarseS, PATIENT);
        const theirs = run.like(ways.dresses);
        run.take(run.like(best.dresses).map((d, p) => mapDress(d, (w, g) => (choices.includes(g) ? theirs[p][g] : w))));
        if (run.total > best.total + NEARLY) continue;
        improve(run, { free: ALL, maxCues: MOST_CUES, sweeps: 1, goOn: () => this.within(BUDGET.others) });
        if (run.total < best.total - 1e-9) best = run;
      }
    }
    return best;
  }

  private tell(done: number, says: string, first?: Plan): void {
    this.done = Math.max(this.done, done);
    this.says = says;
    if (!this.progress(this.done, says, first)) this.stopped = true;
  }

  /** Says the same again, between trials: whoever waits knows by it that the search goes on. @returns false once it is to stop */
  private beat(): boolean {
    if (!this.stopped && !this.progress(this.done, this.says)) this.stopped = true;
    return !this.stopped;
  }

  private within(budget: number): boolean {
    return this.beat() && this.course.steps < budget * this.longer;
  }

  /** Tries every candidate of every part. */
  private improveKit(start: PathRun, round: number, budget: number): PathRun {
    let best = start;
    const parts = kitParts(this.candidates, round > 0 ? 'later' : 'first');
    parts.forEach((part, i) => {
      this.tell(round === 0 ? 0.05 + (0.3 * i) / parts.length : 0.45, `Choosing ${part.name}`);
      if (!this.within(budget)) return;
      // No part takes what those after it need.
      const spent = this.course.steps / this.longer;
      const until = Math.min(budget, spent + (FAIR * (budget - spent)) / (parts.length - i));
      const { near, idle, added } = this.asWornNow(part, best);
      const had = best.kit;
      const tries = [
        ...added.slice(0, TRIED.added),
        ...near.slice(0, round > 0 ? TRIED.nearLater : TRIED.near),
        ...evenly(idle, part.choice === TORSO ? TRIED.idleTorso : TRIED.idle),
      ];
      for (const run of tries) {
        improve(run, {
          free: round > 0 ? [part.choice, ...(part.with ?? [])] : [part.choice],
          maxCues: MOST_CUES,
          sweeps: 1,
          betweenCues: !added.includes(run) && (round > 0 || run !== near[0]),
          news: idle.includes(run) ? newTo(had, run.kit) : undefined,
          goOn: () => this.within(until),
        });
        if (run.total < best.total - 1e-9) best = run;
      }
    });
    return best;
  }

  /**
   * What one part may be, as the other garments are worn now: those that come near, best first; those that nobody wears yet;
   * and layers that nobody wears yet, put on wherever the base is.
   */
  private asWornNow(part: KitPart, best: PathRun): Record<'near' | 'idle' | 'added', PathRun[]> {
    const out = { near: [] as PathRun[], idle: [] as PathRun[], added: [] as PathRun[] };
    const { layer } = part;
    const adds = layer !== undefined && !best.dresses.some((d) => d[TORSO].layers.includes(layer));
    for (const kit of part.options(best.kit)) {
      if (!this.beat()) break;
      const run = new PathRun(this.course, kit, this.coarseS);
      run.take(run.like(best.dresses), 0, { run: best, margin: margin(best, FAR) });
      if (run.total < best.total + margin(best, NEARLY)) (run.wearsAll(part.choice) ? out.near : out.idle).push(run);
      if (!adds) continue;
      for (const vents of ['as they were', 'airy'] as const) {
        const on = new PathRun(this.course, kit, this.coarseS);
        const way = (w: Way) => (w.choice === 'torso' ? withLayer(w, layer, vents) : w);
        if (on.take(on.like(best.dresses, way), 0, { run: best, margin: margin(best, FAR_ADDED) }) < Infinity)
          out.added.push(on);
      }
      if (layer !== 'mid' || !kit.mid || !this.course.partlyWet) continue;
      // Where nothing falls it may go instead of the shell that is on for the rain of later, or of before.
      const dry = new PathRun(this.course, kit, this.coarseS);
      const under = dry.like(best.dresses, (w) => (w.choice === 'torso' ? insteadOfShell(w) : w));
      const dresses = dry.like(best.dresses).map((d, p) => (this.course.fallsIn(p) ? d : under[p]));
      if (dry.take(dresses, 0, { run: best, margin: margin(best, FAR_ADDED) }) < Infinity) out.added.push(dry);
    }
    out.near.sort((a, b) => a.total - b.total);
    out.added.sort((a, b) => a.total - b.total);
    return out;
  }

  /** Betters the path from where it stands, and a fresh one. */
  private placeCues(chosen: PathRun, budget: number): PathRun {
    const better = (run: PathRun) =>
      improve(run, { free: ALL, maxCues: MOST_CUES, sweeps: 2, goOn: () => this.within(budget) });
    const best = new PathRun(this.course, chosen.kit, this.coarseS, PATIENT);
    best.take(best.like(chosen.dresses));
    better(best);
    if (!this.within(budget)) return best;
    const fresh = new PathRun(this.course, chosen.kit, this.coarseS, PATIENT);
    fresh.take(fresh.beam(plainDress(fresh.ways), FRESH_BEAM));
    if (fresh.total > best.total + TOO_DEAR) return best;
    better(fresh);
    return fresh.total < best.total - 1e-9 ? fresh : best;
  }

  /** The same path at finer steps, bettered once more. */
  private refine(run: PathRun): PathRun {
    const even = Math.round(this.request.timeline.endS / FINE_STEPS_AN_OUTING / 15) * 15;
    const stepS = Math.max(FINE_S[0], Math.min(FINE_S[1], even, this.coarseS));
    const fine = new PathRun(this.course, run.kit, stepS, PATIENT);
    fine.take(fine.like(run.dresses));
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
  private choose(curve: readonly CurvePoint[], kit: Kit): Plan {
    const least = Math.min(...curve.map((p) => p.cost));
    const gain = curve[0].cost - least;
    const leaves = Math.min(KNEE.share * gain, KNEE.points);
    const knee = curve.findIndex((p) => p.cost - least <= leaves + 1e-9);
    const near = curve.slice(Math.max(0, knee - 1), knee + 2).filter((p) => p.cost - least <= 4 * leaves + 1e-9);
    if (near.length < 2 || this.stopped) return curve[knee].plan;
    const garments = kitGarments(kit);
    const overSpread = (p: CurvePoint): number => {
      const { person, timeline, damp, leadDays, waiting, unsure } = this.request;
      const { weights } = this.course;
      const on = { person, closet: garments, timeline, plan: p.plan, damp, leadDays, weights, waiting, unsure };
      return chances({ ...on, count: TRIED_MEMBERS }).meanCost;
    };
    return near.map((p) => ({ p, cost: overSpread(p) })).reduce((a, b) => (b.cost < a.cost - 1e-9 ? b : a)).p.plan;
  }

  /** The curve with every plan run in full, and the proposed one in its place. What then costs more than fewer cues falls out. */
  private inFull(curve: readonly CurvePoint[], chosen: Plan): CurvePoint[] {
    const { person, timeline, damp, waiting, closet } = this.request;
    const { weights } = this.course;
    const full = curve.map((p) => {
      this.beat();
      const plan = p.cues === chosen.cues.length ? chosen : p.plan;
      const { total } = runInFull({ person, closet, timeline, plan, damp, weights, waiting });
      return { cues: p.cues, cost: total, plan };
    });
    return full.filter((p, i) => p.plan === chosen || full.slice(0, i).every((q) => q.cost > p.cost + 1e-9));
  }

  private explain(plan: Plan, curve: CurvePoint[]): Planned {
    const { person, closet, timeline, damp, waiting } = this.request;
    const { weights } = this.course;
    const found = { person, closet, timeline, plan, damp, weights, waiting };
    const scored = runInFull(found);
    const cues = missedCues(found, scored);
    this.tell(1, 'Done');
    const safe = isSafe(scored.findings);
    return { plan, scored, safe, cues, mustNotMiss: mustNotMiss(cues), curve, simulations: this.course.phasesWalked };
  }
}

/** Ids of what one kit has and another has not. */
function newTo(old: Kit, kit: Kit): Set<string> {
  const had = new Set(kitGarments(old));
  return new Set(kitGarments(kit).flatMap((g) => (had.has(g) ? [] : g.id)));
}

function firstDifference(a: readonly Dress[], b: readonly Dress[]): number {
  let p = 0;
  while (p < a.length - 1 && a[p] === b[p]) p++;
  return p;
}
