import { checkWeights, waterEndCost, type Weights } from '@/core/judge/cost';
import { lackPrice, needOf, type Need } from '@/core/judge/lacking';
import { noMoment, readMoment } from '@/core/judge/moment';
import { bagOf } from '@/core/kit/raceBag';
import { everWorn } from '@/core/kit/replay';
import { alongOn, alongPrice, cuesPrice, type Along } from '@/core/judge/prices';
import type { Garment } from '@/core/clothing/garment';
import { applyPace } from '@/core/kit/applyPace';
import { alongOf } from '@/core/kit/edit';
import type { Cue, Plan } from '@/core/kit/plan';
import { mergeStretches } from '@/core/outing/mergeStretches';
import { phases, stretchAt, type Phase } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import { OutOfRange } from '@/core/quantity/range';
import { Simulator } from '@/core/simulate/simulator';
import { leap, type Node } from './node';
import type { PlanInPlace } from './question';

/** A cue this near to a moment is at it, s. */
const AT_S = 1;
/** How far a trial may fall behind the plan it is held against, as a share of what is still to come, before it is given up. */
const PATIENCE = 0.4;
/**
 * What a trial says of a difference may be so much wrong, points and a share of what the plan held costs: measured on some five hundred
 * changes of four plans, the most 0.016 on one that costs 12, and 0.13 on one that costs 31, where much hangs on weak points.
 */
const DOUBT = { points: 0.02, share: 0.005 } as const;
/**
 * Where little moves a trial cannot be far out: half of what its phases cost more or less than those of the plan held, taken together, and this much, points
 * (of 3900 runs in 36 outings, 230 of which were worth it, this passes over 3100, and of those that were worth it one of 0.01 points).
 */
const SURE = { points: 0.002, ofMoves: 0.5 } as const;
/** Athletes dressed for trials that are kept, by what is along. */
const KEPT = 24;

/** A plan as it was gone: what it begins with, what is done when, and the nodes at the end of its phases. */
interface Gone {
  kit: string;
  begins: string;
  does: readonly string[];
  nodes: readonly Node[];
  /** what does not hang on the body: changes, what is carried, what is lacking, points */
  fixed: number;
  /** by how much its phases cost more or less than those of the plan it is held against, taken together, points */
  moves: number;
  total: number;
}

/** What a trial says a plan saves against the one held, points: about so much (−Infinity: given up), and by how much that may be wrong. */
export interface About {
  saves: number;
  doubt: number;
}

const NOW = noMoment();

/**
 * Tries changes of a plan cheaply: in coarse steps, phase by phase, from the first phase that differs from the plan they are held
 * against, and only until they have fallen behind it. What comes out good here is to be run in full before it is believed.
 */
export class Trials {
  private readonly moments: readonly Phase[];
  private phases: readonly Phase[] = [];
  private coarse: Timeline;
  private readonly weights: Weights;
  private readonly need: Need;
  private readonly along: Along;
  private readonly byId: ReadonlyMap<string, Garment>;
  private readonly sims = new Map<string, Simulator>();
  private held: Gone | null = null;

  /** @param stepS longest step of the runs, s */
  constructor(
    private readonly q: Omit<PlanInPlace, 'plan'>,
    private readonly stepS: number,
  ) {
    this.moments = phases(q.timeline);
    this.coarse = q.timeline;
    this.weights = checkWeights(q.weights);
    this.need = needOf(q.timeline);
    this.along = alongOn(q.timeline, q.person);
    this.byId = new Map(q.closet.map((g) => [g.id, g]));
  }

  /** Takes a plan as the one that others are held against: its own cues are moments too. @returns its cost, points; null: two cues fall on one moment */
  hold(plan: Plan): number | null {
    this.held = null;
    this.phases = plan.cues.reduce((list, c) => parted(list, c.atS), this.moments);
    this.coarse = mergeStretches(
      this.q.timeline,
      this.phases.map((p) => p.startS),
    );
    const gone = this.go(plan);
    if (gone === null || gone === 'given up') return null;
    this.held = gone;
    return gone.total;
  }

  /**
   * What a plan saves against the one held; −Infinity: given up as it fell behind, or more layers than go over one another; null: it has a cue between
   * the moments, or nothing is held against it. @param dearer how much dearer it may be than the one held, points
   */
  about(plan: Plan, dearer = 0): About | null {
    const { held, doubt } = this;
    if (!held) return null;
    const gone = wearable(() => this.go(plan, dearer));
    if (gone === null) return null;
    if (gone === 'given up') return { saves: -Infinity, doubt };
    return { saves: held.total - gone.total, doubt: Math.min(doubt, SURE.points + SURE.ofMoves * gone.moves) };
  }

  /** By how much a trial's difference may be wrong at most, points. */
  get doubt(): number {
    return DOUBT.points + DOUBT.share * (this.held?.total ?? 0);
  }

  /** Whether a plan may save so many points against the one held: no only where a trial says so beyond its doubt. */
  maySave(plan: Plan, points: number): boolean {
    const about = this.about(plan, Math.max(0, this.doubt - points));
    return about === null || about.saves > points - about.doubt;
  }

  private go(plan: Plan, dearer = 0): Gone | 'given up' | null {
    const cues = this.byPhase(plan.cues);
    if (!cues) return null;
    const { q, weights, held } = this;
    const along = alongOf(q.closet, plan);
    const bag = bagOf(plan, this.along.race);
    const reach = bag.size > 0 ? along.filter((g) => !bag.has(g.id)) : along;
    const fixed =
      cuesPrice(plan, this.byId, q, q.waiting ?? 0) * weights.fuss +
      alongPrice(along, everWorn(plan), this.along, bag) * weights.weight +
      lackPrice(reach, this.need) * weights.caution;
    const kit = along.map((g) => g.id).join();
    const begins = JSON.stringify([plan.worn, plan.openings]);
    const does = cues.map((c) => (c ? JSON.stringify(c) : ''));
    const sim = this.simulator(kit, along);
    const timeline = applyPace(this.coarse, plan.cues);
    let from = 0;
    if (held && held.kit === kit && held.begins === begins)
      while (from < this.phases.length - 1 && held.does[from] === does[from]) from++;
    const nodes: Node[] = held ? held.nodes.slice(0, from) : [];
    let node: Node | null = from > 0 ? nodes[from - 1] : null;
    let [before, moves] = [node?.soFar ?? 0, 0];
    if (node) sim.restore(node.state);
    else sim.start(plan, q.damp);
    for (let p = from; p < this.phases.length; p++) {
      const phase = this.phases[p];
      const here = stretchAt(timeline, phase.startS + AT_S / 2);
      const actions = cues[p]?.actions ?? [];
      const change = actions.length > 0 ? sim.wearing.changing(actions, here) : null;
      if (change) {
        sim.wearing.beginChange(change, here.airC);
        // At the door everything is as the day begins.
        if (p === 0) sim.wearing.endChange(change, here.airC);
      }
      const into = p < this.phases.length - 1 && !held ? new Float64Array(sim.state.all.length) : null;
      node = leap(sim, node, {
        timeline,
        phase,
        stepS: this.stepS,
        change: p === 0 ? null : change,
        changes: 0,
        weights,
        into,
      });
      nodes.push(node);
      if (!held) continue;
      moves += Math.abs(node.soFar - before - (held.nodes[p].soFar - (held.nodes[p - 1]?.soFar ?? 0)));
      before = node.soFar;
      const there = held.nodes[p].soFar + held.fixed;
      if (node.soFar + fixed - there > PATIENCE * (held.total - there) + dearer + 1e-9) return 'given up';
    }
    const total = node!.soFar + fixed + waterEndCost(readMoment(sim, NOW).waterG);
    return { kit, begins, does, nodes, fixed, moves, total };
  }

  /** The cue of each phase; null where one falls between the moments, or two on one. */
  private byPhase(cues: readonly Cue[]): (Cue | null)[] | null {
    const out: (Cue | null)[] = this.phases.map(() => null);
    for (const cue of cues) {
      const p = this.phases.findIndex(({ startS }) => Math.abs(startS - cue.atS) < AT_S);
      if (p < 0 || out[p]) return null;
      out[p] = cue;
    }
    return out;
  }

  private simulator(kit: string, along: Garment[]): Simulator {
    let sim = this.sims.get(kit);
    if (!sim) {
      if (this.sims.size >= KEPT) this.sims.clear();
      sim = new Simulator(this.q.person, along);
      this.sims.set(kit, sim);
    }
    return sim;
  }
}

/** What something comes to; given up where it asks for more layers than go over one another. */
function wearable<T>(work: () => T): T | 'given up' {
  try {
    return work();
  } catch (e) {
    if (e instanceof OutOfRange) return 'given up';
    throw e;
  }
}

/** Phases with one parted at a moment, s, unless one begins there. */
function parted(list: readonly Phase[], atS: number): Phase[] {
  return list.flatMap((p) =>
    atS <= p.startS + AT_S || atS >= p.endS - AT_S
      ? [p]
      : [
          { ...p, endS: atS },
          { ...p, startS: atS, where: 'here' },
        ],
  );
}
