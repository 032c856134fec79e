import { bodyArea } from '@/core/body/person';
import { exp } from '@/core/quantity/exact';
import { clamp } from '@/core/quantity/range';
import type { Plan } from '@/core/kit/plan';
import { balancedKit, byPlace, candidates, dryPartKit, evenly, otherKit, type Candidates } from './candidates';
import { Course } from './course';
import { wornAlike, type Dress } from './dress';
import { improve } from './improve';
import { kitParts, type KitPart } from './kitParts';
import { kitGarments, kitNamed, type Kit, type KitNames } from './kit';
import { orderPrices } from './order';
import { PathRun } from './pathRun';
import type { PlanRequest, Progress } from './planRequest';
import { FEET, GOING, HANDS, HEAD, insteadOfShell, LEGS, TORSO, withLayer, type Way, type Ways } from './waysToWear';
import { MOST_CUES } from './wishes';

/**
 * Integrator steps while the kit is chosen and cues are placed, s; longer on long outings, which have more of them. With 96 steps an outing instead, of
 * 75 to 150 s, and four fifths of the budget the plans of 84 questions came out a ninth dearer.
 */
export const COARSE_S = [90, 120] as const;
const STEPS_AN_OUTING = 120;
/** Integrator steps in which progress covers two thirds of a stage whose length nobody knows: a usual betterment takes about so many, a dear one seven times as many. */
const LONG_STAGE = 45_000;
/** Integrator steps a descent has taken when a stage of it is over: the kit, its cues, later rounds over both. */
const BUDGET = { kit: 20_000, cues: 26_000, again: 32_000 } as const;
/** Outings over so many hours may take more, so much of it for each hour beyond, up to so many times: they have more phases and longer runs. */
const LONG_H = 4;
const EACH_HOUR = 0.4;
const LONGEST = 4.2;
/** A piece that is not better as the others are worn now, but nearly, is tried again with its own best wearing, points. */
export const NEARLY = 0.35;
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
export const PATIENT = 0.5;
/** A fresh path this much dearer than the one there is will not catch up, points. */
const TOO_DEAR = 1;
/** Of a dear plan a little more is a share of its cost: what is soaked or shivers all day must fall behind by more before it is given up. */
const DEAR_SHARE = 0.08;
const margin = (best: PathRun, points: number): number => points * (1 + DEAR_SHARE * best.total);
/** How many fair shares of what is left one part of the kit may take. */
const FAIR = 2;
/** Another round over the kit is worth it while the last gained this, points. */
const LEAST_ROUND = 0.02;
export const WORN = [TORSO, HANDS, HEAD, LEGS, FEET] as const;
export const ALL = [...WORN, GOING] as const;
/** A first dressing of a kit, and a fresh one while cues are placed. */
const FIRST_BEAM = { width: 1, passes: 1, free: WORN } as const;
/** What is shown at once: torso alone, with the jacket at stops. */
const AT_ONCE_BEAM = { width: 1, passes: 1, free: [TORSO] } as const;
/** Step of that, s: so long that there are few of them, since code that has never run is slow. */
const AT_ONCE_S = 300;
const FRESH_BEAM = { width: 3, passes: 2, free: WORN } as const;

/** What a descent ended with, by names alone: so it can be handed to a search in another worker. */
export interface DescentNames {
  kit: KitNames;
  /** the way of each choice, phase by phase */
  ways: string[][];
}

/**
 * From one start kit to the best kit and path near it: part by part every candidate is simulated as the others are worn now, the promising
 * with their own best wearing; then cues are placed; and both again until a round gains nothing.
 */
export class Descent {
  readonly request: PlanRequest;
  readonly course: Course;
  readonly candidates: Candidates;
  readonly coarseS: number;
  stopped = false;
  /** how much more than a usual outing this one may take */
  private readonly longer: number;
  private done = 0;
  private says = '';
  /** a stage that takes long: what there is done when it is over, of 1, and the integrator steps taken when it began */
  private stage = { ends: 0, since: 0 };

  /** @throws OutOfRange when the closet lacks a part nobody can go without */
  constructor(
    asked: PlanRequest,
    private readonly progress: Progress,
  ) {
    // The plan must not depend on the order in which a closet is listed.
    this.request = { ...asked, closet: [...asked.closet].sort(byPlace) };
    const { person, timeline, damp, weights, waiting, closet, sport } = this.request;
    this.course = new Course(person, timeline, damp, weights, {
      waiting,
      habits: this.request,
      order: orderPrices(closet),
    });
    this.candidates = candidates(closet, sport, timeline, this.request);
    const even = Math.round(timeline.endS / STEPS_AN_OUTING / 30) * 30;
    this.coarseS = Math.max(COARSE_S[0], Math.min(COARSE_S[1], even));
    this.longer = clamp(1 + EACH_HOUR * (timeline.endS / 3600 - LONG_H), 1, LONGEST);
  }

  /** Tells a plan that can be used at once, before anything is chosen: what balances the mean of the day, its torso dressed phase by phase. */
  tellAtOnce(): void {
    this.tell(0.02, 'Dressing for a start', this.dressed(this.balanced(), AT_ONCE_BEAM, AT_ONCE_S).plan());
  }

  /** From layers in balance with the air and the effort of the way. */
  fromBalance(): PathRun {
    const start = this.dressed(this.balanced());
    this.tell(0.05, 'Choosing layers', start.plan());
    return this.descend(start);
  }

  /**
   * From what is least like that; where it is wet in part, from what suits the dry part. A single descent may end in a hollow, the better of
   * two seldom does. It asks nothing of the first, so that both may run beside one another.
   */
  fromOtherLayers(): PathRun {
    const { timeline, person } = this.request;
    const dryPart = dryPartKit(this.candidates, timeline, bodyArea(person));
    return this.descend(this.dressed(dryPart ?? otherKit(this.candidates, this.balanced())));
  }

  /** A descent of this request that was made elsewhere, as a path of this one. */
  asPath({ kit, ways }: DescentNames): PathRun {
    const run = new PathRun(this.course, kitNamed(kit, this.request.closet), this.coarseS);
    run.take(run.named(ways));
    return run;
  }

  /** Tells how far it is, of 1. @param first a plan that can be used */
  tell(done: number, says: string, first?: Plan): void {
    this.done = Math.max(this.reached, done);
    this.stage = { ends: this.done, since: this.course.work.steps };
    this.says = says;
    if (!this.progress(this.done, says, first)) this.stopped = true;
  }

  /** The stage told of last takes nobody knows how long: until the next one progress nears `ends`, of 1, by what was worked so far. */
  nears(ends: number): void {
    this.stage.ends = Math.max(ends, this.done);
  }

  /** How far it is, of 1. */
  private get reached(): number {
    const { ends, since } = this.stage;
    // What others did meanwhile in the same thread is taken off again: the count may step back.
    const steps = Math.max(0, this.course.work.steps - since);
    return this.done + (ends - this.done) * (1 - exp(-steps / LONG_STAGE));
  }

  /** Says the same again, between trials: whoever waits knows by it that the search goes on. @returns false once it is to stop */
  beat(): boolean {
    if (!this.stopped && !this.progress(this.reached, this.says)) this.stopped = true;
    return !this.stopped;
  }

  /** Whether it may go on: nobody stopped it, and so many integrator steps (of a usual outing) are not yet taken. */
  within(steps: number): boolean {
    return this.beat() && this.course.work.steps < steps * this.longer;
  }

  private balanced(): Kit {
    return balancedKit(this.candidates, this.request.timeline, bodyArea(this.request.person));
  }

  /** A kit dressed phase by phase. */
  private dressed(kit: Kit, beam: Parameters<PathRun['beam']>[1] = FIRST_BEAM, stepS = this.coarseS): PathRun {
    const run = new PathRun(this.course, kit, stepS);
    run.take(run.beam(plainDress(run.ways), beam));
    return run;
  }

  private descend(start: PathRun): PathRun {
    let best = this.improveKit(start, 'first', BUDGET.kit);
    this.tell(0.16, 'Placing cues', best.plan());
    this.nears(0.2);
    best = this.placeCues(best, BUDGET.cues);
    for (let round = 1; round < 5 && this.within(BUDGET.again); round++) {
      const before = best.total;
      this.tell(0.2, 'Choosing layers again', best.plan());
      this.nears(0.24);
      best = this.improveKit(best, 'later', BUDGET.again);
      improve(best, { free: ALL, maxCues: MOST_CUES, sweeps: 1, goOn: () => this.within(BUDGET.again) });
      if (before - best.total < LEAST_ROUND) break;
    }
    return best;
  }

  /** Tries every candidate of every part. */
  private improveKit(start: PathRun, round: 'first' | 'later', budget: number): PathRun {
    let best = start;
    const later = round === 'later';
    const parts = kitParts(this.candidates, round);
    parts.forEach((part, i) => {
      this.tell(later ? 0.2 : 0.05 + (0.1 * i) / parts.length, `Choosing ${part.name}`);
      if (!this.within(budget)) return;
      // No part takes what those after it need.
      const spent = this.course.work.steps / this.longer;
      const until = Math.min(budget, spent + (FAIR * (budget - spent)) / (parts.length - i));
      const { near, idle, added } = this.asWornNow(part, best);
      const had = best.kit;
      const tries = [
        ...added.slice(0, TRIED.added),
        ...near.slice(0, later ? TRIED.nearLater : TRIED.near),
        ...evenly(idle, part.choice === TORSO ? TRIED.idleTorso : TRIED.idle),
      ];
      for (const run of tries) {
        // What nobody wears yet was put aside without being run.
        if (run.total === Infinity && run.take(run.like(best.dresses)) === Infinity) continue;
        improve(run, {
          free: later ? [part.choice, ...(part.with ?? [])] : [part.choice],
          maxCues: MOST_CUES,
          sweeps: 1,
          betweenCues: !added.includes(run) && (later || run !== near[0]),
          news: idle.includes(run) ? newTo(had, run.kit) : undefined,
          goOn: () => this.within(until),
        });
        if (run.total < best.total - 1e-9) best = run;
      }
    });
    return best;
  }

  /**
   * What one part may be, as the other garments are worn now: those that come near, best first; those that nobody wears yet, which
   * changes nothing and so is not run; and layers that nobody wears yet, put on wherever the base is.
   */
  private asWornNow(part: KitPart, best: PathRun): Record<'near' | 'idle' | 'added', PathRun[]> {
    const out = { near: [] as PathRun[], idle: [] as PathRun[], added: [] as PathRun[] };
    const { layer } = part;
    const adds = layer !== undefined && !best.dresses.some((d) => d[TORSO].layers.includes(layer));
    for (const kit of part.options(best.kit)) {
      if (!this.beat()) break;
      const run = new PathRun(this.course, kit, this.coarseS);
      const asNow = run.like(best.dresses);
      if (asNow.every((d, p) => wornAlike(d, best.dresses[p]))) out.idle.push(run);
      else if (run.take(asNow, 0, { run: best, margin: margin(best, FAR) }) < best.total + margin(best, NEARLY))
        (run.wearsAll(part.choice) ? out.near : out.idle).push(run);
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
}

/** How a kit is worn before anything is searched: the second lightest way, legs and feet as they are, going as planned. */
const plainDress = (ways: Ways): Dress =>
  ways.map(
    (w: readonly Way[], g) => w[g === LEGS || g === FEET || g === GOING ? 0 : Math.min(1, w.length - 1)],
  ) as unknown as Dress;

/** Ids of what one kit has and another has not. */
function newTo(old: Kit, kit: Kit): Set<string> {
  const had = new Set(kitGarments(old));
  return new Set(kitGarments(kit).flatMap((g) => (had.has(g) ? [] : g.id)));
}
