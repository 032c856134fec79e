import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Sport } from '@/core/effort/activity';
import { isStop } from '@/core/outing/leg';
import { checkWeights, type Weights } from '@/core/judge/cost';
import type { Timeline } from '@/core/outing/timeline';
import { within } from '@/core/quantity/range';
import type { Plan } from '@/core/simulate/plan';
import { Simulator } from '@/core/simulate/simulator';
import { candidates, firstKit, type Candidates } from './candidates';
import { actionsBetween, changePrice, changesOf, MASS_PRICE, wornOf, type Dress } from './dress';
import { footModes, handModes, headModes, kitGarments, legModes, torsoModes, type Kit, type Mode } from './modes';
import { phases, type Phase } from './moments';
import { chances } from './members';
import { mostMoved, type Moved } from './mostMoved';
import { scorePlan, type Scored } from './score';
import { costOf, walk } from './walker';

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
  /** days between forecast and start, for the spread */
  leadDays?: number;
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
  cues: CueReason[];
  /** index of the cue whose missing costs most; −1 without cues */
  mustNotMiss: number;
  /** cost against number of cues, fewest first: all from one search */
  curve: CurvePoint[];
  /** simulated phases it took */
  simulations: number;
}

/** Called now and then; return false to stop. The best plan so far is then returned. */
export type Progress = (done: number, says: string) => boolean;

const COARSE = 90;
const FINE = 30;
const BEAM = 4;
/** Nobody remembers more. */
const MOST_CUES = 12;
/** Share of what all cues together gain that the knee may leave behind. */
const KNEE = 0.04;
const TRIED_MEMBERS = 12;

/**
 * Finds start kit, pack and cues by simulating candidates from the closet.
 *
 * 1. Choose garments part by part (coordinate descent), each candidate judged by the best way to wear it over the day.
 * 2. With the garments fixed, a beam search over the natural moments chooses how they are worn in each phase.
 * 3. Cues are dropped one by one, cheapest loss first, which gives the cost for each number of cues. The knee of that curve
 *    is proposed, or a neighbour that holds better over the spread of forecast and athlete.
 * 4. Each cue is missed once on purpose to learn what missing it costs.
 * @throws OutOfRange when the closet lacks a part nobody can go without
 */
export function makePlan(request: PlanRequest, progress: Progress = () => true): Planned {
  const search = new Search(request, progress);
  return search.run();
}

/** The plain way to wear a group before anything is searched: legs as they are (never the over-trousers), else the second lightest. */
const plainMode = (group: number, count: number): number => (group === 3 ? 0 : Math.min(1, count - 1));

class Search {
  private readonly phases: Phase[];
  private readonly weights: Weights;
  private readonly candidates: Candidates;
  private simulations = 0;
  private stopped = false;
  private done = 0;

  constructor(
    private readonly request: PlanRequest,
    private readonly progress: Progress,
  ) {
    this.phases = phases(request.timeline);
    this.weights = checkWeights(request.weights);
    within('most cues', request.maxCues ?? MOST_CUES, 0, MOST_CUES);
    this.candidates = candidates(request.closet, request.sport, request.timeline);
  }

  run(): Planned {
    const stops = this.request.timeline.legs.some((l, i) => isStop(l) && i > 0 && l.sport !== 'hut' && l.minutes >= 4);
    let kit = firstKit(this.candidates, stops || this.request.timeline.endS > 2 * 3600);
    this.tell(0.02, 'Choosing layers');
    for (let round = 0; round < 2 && !this.stopped; round++) kit = this.improveKit(kit, round);
    this.tell(0.7, 'Placing cues');
    const path = this.bestPath(kit, this.allModes(kit), BEAM, FINE);
    const toPlan = this.toPlan(kit, path.dresses);
    this.tell(0.85, 'Weighing each number of cues');
    const curve = this.curve(toPlan, kit);
    this.tell(0.91, 'Trying them on other days');
    const plan = this.choose(curve, kit);
    this.tell(0.95, 'Missing each cue once');
    return this.explain(plan, kit, curve);
  }

  private tell(done: number, says: string): void {
    this.done = Math.max(this.done, done);
    if (!this.progress(this.done, says)) this.stopped = true;
  }

  /** Tries every candidate of every part, keeping the best; torso parts are judged by their own best wearing. */
  private improveKit(start: Kit, round: number): Kit {
    const c = this.candidates;
    let kit = start;
    const at = (share: number) => 0.02 + (round + share) * 0.33;
    const parts: [string, () => Kit[]][] = [
      ['legs', () => c.legs.map((legs) => ({ ...kit, legs }))],
      ['mid layer', () => [null, ...c.mids].map((mid) => ({ ...kit, mid }))],
      ['shell', () => [null, ...c.shells].map((shell) => ({ ...kit, shell }))],
      ['base', () => c.bases.map((base) => ({ ...kit, base }))],
      ['feet', () => c.feet.map((feet) => ({ ...kit, feet }))],
      [
        'gloves',
        () => [null, ...c.liners].flatMap((liner) => [null, ...c.mitts].map((mitts) => ({ ...kit, liner, mitts }))),
      ],
      ['head', () => [null, ...c.caps].flatMap((cap) => [null, ...c.hats].map((hat) => ({ ...kit, cap, hat })))],
      ['tube', () => [null, ...c.tubes].map((tube) => ({ ...kit, tube }))],
      ['eyes', () => [null, ...c.eyes].map((eyes) => ({ ...kit, eyes }))],
      ...(kit.warm
        ? ([['jacket for stops', () => c.warms.map((warm) => ({ ...kit, warm }))]] as [string, () => Kit[]][])
        : []),
      ...(kit.warm
        ? ([['over-trousers', () => [null, ...c.overLegs].map((overLegs) => ({ ...kit, overLegs }))]] as [
            string,
            () => Kit[],
          ][])
        : []),
    ];
    parts.forEach(([name, options], i) => {
      if (this.stopped) return;
      this.tell(at(i / parts.length), `Choosing ${name}`);
      let best = Infinity;
      let chosen = kit;
      for (const option of options()) {
        if (this.stopped) break;
        const cost = this.bestPath(option, this.modesFor(name, option), 1, COARSE).cost;
        if (cost < best - 1e-9) {
          best = cost;
          chosen = option;
        }
        this.tell(at(i / parts.length), `Choosing ${name}`);
      }
      kit = chosen;
    });
    return kit;
  }

  /** While one part is chosen only the ways of wearing that depend on it are searched; the rest follow a plain rule. */
  private modesFor(part: string, kit: Kit): Mode[][] {
    const all = this.allModes(kit);
    const free =
      part === 'gloves'
        ? [1]
        : part === 'head' || part === 'tube' || part === 'eyes'
          ? [2]
          : part === 'legs' || part === 'over-trousers'
            ? [3]
            : [0];
    return all.map((modes, group) => (free.includes(group) ? modes : [...this.plain(modes, group)]));
  }

  private plain(modes: Mode[], group: number): Mode[] {
    return group === 0 ? modes : [modes[plainMode(group, modes.length)]];
  }

  private allModes(kit: Kit): Mode[][] {
    return [torsoModes(kit), handModes(kit), headModes(kit), legModes(kit), footModes(kit)];
  }

  /**
   * Beam search over the phases. In each phase the groups are chosen one after the other (torso, hands, head, legs): the
   * core couples them weakly, so this costs little against trying all combinations.
   */
  private bestPath(kit: Kit, modes: Mode[][], beam: number, stepS: number): { dresses: Dress[]; cost: number } {
    const garments = kitGarments(kit);
    const byId = new Map(garments.map((g) => [g.id, g]));
    const sim = new Simulator(this.request.person, garments);
    const massKg = garments.reduce((s, g) => s + g.massG, 0) / 1000;
    interface Node {
      state: Float64Array;
      dresses: Dress[];
      cost: number;
    }
    const { timeline, damp } = this.request;
    const startDress: Dress = modes.map((m, group) => m[plainMode(group, m.length)]);
    sim.start({ ...planOfDress(startDress, byId), carried: [], cues: [] }, damp);
    let nodes: Node[] = [
      { state: sim.snapshot(), dresses: [], cost: massKg * MASS_PRICE * this.weights.weight * (timeline.endS / 3600) },
    ];
    for (let p = 0; p < this.phases.length; p++) {
      const phase = this.phases[p];
      const next: Node[] = [];
      for (const node of nodes) {
        const before = node.dresses[p - 1];
        const tried = new Map<string, Node>();
        const attempt = (dress: Dress): number => {
          const id = dress.map((m, g) => modes[g].indexOf(m)).join();
          const known = tried.get(id);
          if (known) return known.cost;
          sim.restore(node.state);
          const to = wornOf(dress, byId);
          const from = before ? wornOf(before, byId) : wornOf(startDress, byId);
          const actions = actionsBetween(from, to);
          const changes = before ? changesOf(actions, byId) : [];
          if (phase.onTheMove && changes.some((c) => !c.onTheMove)) return Infinity;
          sim.apply(actions, before ? airAt(timeline, phase.startS) : 15);
          this.simulations++;
          const cost =
            node.cost +
            costOf(walk(sim, timeline, phase, stepS), this.weights) +
            changePrice(changes, phase.halted) * this.weights.fuss;
          tried.set(id, { state: sim.snapshot(), dresses: [...node.dresses, dress], cost });
          return cost;
        };
        // Over-trousers are for standing: they come off before anybody moves on.
        const overOn = !phase.stop && kit.overLegs !== null && before?.[3].worn.includes(kit.overLegs.id);
        let dress: Dress = before ? before.map((m, g) => (g === 3 && overOn ? modes[3][0] : m)) : startDress;
        let best = attempt(dress);
        for (let pass = 0; pass < (beam > 1 ? 2 : 1); pass++) {
          for (let group = 0; group < modes.length; group++) {
            for (const mode of modes[group]) {
              if (!phase.stop && group === 0 && kit.warm && mode.worn.includes(kit.warm.id)) continue;
              if (!phase.stop && group === 3 && kit.overLegs && mode.worn.includes(kit.overLegs.id)) continue;
              const option = dress.map((m, g) => (g === group ? mode : m));
              const cost = attempt(option);
              if (cost < best - 1e-9) {
                best = cost;
                dress = option;
              }
            }
          }
        }
        next.push(...[...tried.values()].sort((a, b) => a.cost - b.cost).slice(0, beam * 2));
      }
      next.sort((a, b) => a.cost - b.cost);
      nodes = next.slice(0, beam);
      if (beam > 1) this.tell(0.7 + (0.15 * (p + 1)) / this.phases.length, 'Placing cues');
    }
    return { dresses: nodes[0].dresses, cost: nodes[0].cost };
  }

  private toPlan(kit: Kit, dresses: Dress[]): Plan {
    const garments = kitGarments(kit);
    const byId = new Map(garments.map((g) => [g.id, g]));
    const plan: Plan = { ...planOfDress(dresses[0], byId), carried: [], cues: [] };
    for (let p = 1; p < dresses.length; p++) {
      const actions = actionsBetween(wornOf(dresses[p - 1], byId), wornOf(dresses[p], byId));
      if (actions.length > 0) plan.cues.push({ atS: this.phases[p].startS, actions });
    }
    return withCarried(plan, kit, this.request.timeline);
  }

  /** The best plan for each number of cues: from the most the search wants down to none, the cheapest loss going first. */
  private curve(plan: Plan, kit: Kit): CurvePoint[] {
    const score = this.scorer(kit);
    let current: CurvePoint = { cues: plan.cues.length, cost: score(plan), plan };
    const points = [current];
    while (current.plan.cues.length > 0 && !this.stopped) {
      let best: CurvePoint | null = null;
      for (let i = 0; i < current.plan.cues.length; i++) {
        const without = withCarried(dropCue(current.plan, i), kit, this.request.timeline);
        const cost = score(without);
        if (!best || cost < best.cost) best = { cues: without.cues.length, cost, plan: without };
      }
      current = best!;
      points.unshift(current);
    }
    const most = this.request.maxCues ?? MOST_CUES;
    // Dropping one cue may take another with it; each number of cues is listed once.
    return points.filter((p, i) => p.cues <= most && points.findIndex((q) => q.cues === p.cues) === i);
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
    const { person, timeline, damp, leadDays } = this.request;
    const overSpread = (p: CurvePoint): number => {
      this.simulations += TRIED_MEMBERS * this.phases.length;
      const c = chances({
        person,
        garments,
        timeline,
        plan: p.plan,
        damp,
        leadDays,
        count: TRIED_MEMBERS,
        weights: this.weights,
      });
      return c.meanCost + 2 * (1 - c.holds);
    };
    return near.map((p) => ({ p, cost: overSpread(p) })).reduce((a, b) => (b.cost < a.cost - 1e-9 ? b : a)).p.plan;
  }

  private scorer(kit: Kit): (plan: Plan) => number {
    const garments = kitGarments(kit);
    const { person, timeline, damp } = this.request;
    const sim = new Simulator(person, garments);
    return (plan) => {
      this.simulations += this.phases.length;
      return scorePlan(person, garments, timeline, plan, { stepS: FINE, damp, sim, weights: this.weights }).total;
    };
  }

  private explain(plan: Plan, kit: Kit, curve: CurvePoint[]): Planned {
    const used = new Set([...plan.worn, ...plan.carried]);
    const garments = kitGarments(kit).filter((g) => used.has(g.id));
    const byId = new Map(garments.map((g) => [g.id, g]));
    const { person, timeline, damp } = this.request;
    const weights = this.weights;
    const scored = scorePlan(person, garments, timeline, plan, { damp, weights });
    const cues = plan.cues.map((cue, i): CueReason => {
      const missed = scorePlan(person, garments, timeline, dropCue(plan, i), { stepS: FINE, damp, weights });
      this.simulations += this.phases.length;
      return {
        atS: cue.atS,
        where: this.phases.find((p) => Math.abs(p.startS - cue.atS) < 1)?.where ?? 'on the way',
        text: changesOf(cue.actions, byId).map((c) => c.text),
        missCost: missed.total - scored.total,
        miss: mostMoved(scored, missed),
      };
    });
    this.tell(1, 'Done');
    const mustNotMiss = cues.reduce((worst, c, i) => (worst < 0 || c.missCost > cues[worst].missCost ? i : worst), -1);
    return { plan, scored, cues, mustNotMiss, curve, simulations: this.simulations };
  }
}

/** The start of a plan from a way of dressing. */
function planOfDress(dress: Dress, byId: ReadonlyMap<string, Garment>): Pick<Plan, 'worn' | 'openings'> {
  const w = wornOf(dress, byId);
  const openings: Plan['openings'] = {};
  for (const [k, setting] of w.open) {
    const [g, o] = k.split('\n');
    const usual = byId.get(g)!.openings.find((x) => x.id === o)!.usual;
    if (setting !== usual) (openings[g] ??= {})[o] = setting;
  }
  return { worn: [...w.on].sort((a, b) => byId.get(a)!.order - byId.get(b)!.order || a.localeCompare(b)), openings };
}

/** What must be carried: all that cues put on later, and on long days the standby jacket and mitts even if no cue needs them. */
function withCarried(plan: Plan, kit: Kit, timeline: Timeline): Plan {
  const worn = new Set(plan.worn);
  const carried = new Set<string>();
  for (const cue of plan.cues)
    for (const a of cue.actions) if (a.do === 'putOn' && !worn.has(a.garment)) carried.add(a.garment);
  const farOut = timeline.endS > 90 * 60;
  if (farOut) for (const g of [kit.warm, kit.mitts, kit.shell]) if (g && !worn.has(g.id)) carried.add(g.id);
  return { ...plan, carried: [...carried] };
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
  return { ...plan, cues: kept.filter((c) => c.actions.length > 0) };
}

function airAt(timeline: Timeline, t: number): number {
  return (timeline.stretches.find((s) => t < s.endS - 1e-6) ?? timeline.stretches[timeline.stretches.length - 1]).airC;
}
