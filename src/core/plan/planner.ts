import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Sport } from '@/core/effort/activity';
import { isStop } from '@/core/outing/leg';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/simulate/plan';
import { Simulator } from '@/core/simulate/simulator';
import { candidates, firstKit, type Candidates } from './candidates';
import { actionsBetween, changePrice, changesOf, MASS_PRICE, wornOf, type Dress } from './dress';
import { footModes, handModes, headModes, kitGarments, legModes, torsoModes, type Kit, type Mode } from './modes';
import { phases, type Phase } from './moments';
import { scorePlan, type Scored } from './score';
import { costOf, walk } from './walker';

export interface PlanRequest {
  person: Person;
  closet: readonly Garment[];
  timeline: Timeline;
  sport: Sport;
  /** water already in garments, g/m² by id */
  damp?: Record<string, number>;
  maxCues?: number;
}

export interface CueReason {
  atS: number;
  where: string;
  text: string[];
  /** what the plan's total cost rises by when this cue is missed, and the plainest consequence */
  missCost: number;
  miss: { what: 'fingers' | 'toes' | 'face' | 'torso' | 'water' | 'core'; from: number; to: number };
}

export interface Planned {
  plan: Plan;
  scored: Scored;
  cues: CueReason[];
  /** simulated phases it took */
  simulations: number;
}

/** Called now and then; return false to stop. The best plan so far is then returned. */
export type Progress = (done: number, says: string) => boolean;

const COARSE = 90;
const FINE = 30;
const BEAM = 4;

/**
 * Finds start kit, pack and cues by simulating candidates from the closet.
 *
 * 1. Choose garments part by part (coordinate descent), each candidate judged by the best way to wear it over the day.
 * 2. With the garments fixed, a beam search over the natural moments chooses how they are worn in each phase.
 * 3. Cues that do not pay for themselves are dropped, at most `maxCues` stay, and each survivor is missed once on
 *    purpose to learn what missing it costs.
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
  private readonly candidates: Candidates;
  private simulations = 0;
  private stopped = false;
  private done = 0;

  constructor(
    private readonly request: PlanRequest,
    private readonly progress: Progress,
  ) {
    this.phases = phases(request.timeline);
    this.candidates = candidates(request.closet, request.sport, request.timeline);
  }

  run(): Planned {
    const stops = this.request.timeline.legs.some((l, i) => isStop(l) && i > 0 && l.sport !== 'hut' && l.minutes >= 4);
    let kit = firstKit(this.candidates, stops || this.request.timeline.endS > 2 * 3600);
    this.tell(0.02, 'Choosing layers');
    for (let round = 0; round < 2 && !this.stopped; round++) kit = this.improveKit(kit, round);
    this.tell(0.7, 'Placing cues');
    const path = this.bestPath(kit, this.allModes(kit), BEAM, FINE);
    let plan = this.toPlan(kit, path.dresses);
    this.tell(0.85, 'Dropping cues that do not pay');
    plan = this.prune(plan, kit);
    this.tell(0.93, 'Missing each cue once');
    return this.explain(plan, kit);
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
    let nodes: Node[] = [{ state: sim.snapshot(), dresses: [], cost: massKg * MASS_PRICE * (timeline.endS / 3600) }];
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
          const cost = node.cost + costOf(walk(sim, timeline, phase, stepS)) + changePrice(changes, phase.halted);
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

  /** Removes cues while that lowers the cost or more than `maxCues` are left; the cheapest loss goes first. */
  private prune(plan: Plan, kit: Kit): Plan {
    const most = this.request.maxCues ?? 8;
    const garments = kitGarments(kit);
    const sim = new Simulator(this.request.person, garments);
    const score = (p: Plan) => {
      this.simulations += this.phases.length;
      return scorePlan(this.request.person, garments, this.request.timeline, p, {
        stepS: FINE,
        damp: this.request.damp,
        sim,
      }).total;
    };
    let current = plan;
    let cost = score(current);
    while (current.cues.length > 0 && !this.stopped) {
      let best = Infinity;
      let choice: Plan | null = null;
      for (let i = 0; i < current.cues.length; i++) {
        const without = withCarried(dropCue(current, i), kit, this.request.timeline);
        const c = score(without);
        if (c < best) {
          best = c;
          choice = without;
        }
      }
      if (!choice || (best > cost && current.cues.length <= most)) break;
      current = choice;
      cost = best;
    }
    return current;
  }

  private explain(plan: Plan, kit: Kit): Planned {
    const used = new Set([...plan.worn, ...plan.carried]);
    const garments = kitGarments(kit).filter((g) => used.has(g.id));
    const byId = new Map(garments.map((g) => [g.id, g]));
    const { person, timeline, damp } = this.request;
    const scored = scorePlan(person, garments, timeline, plan, { damp });
    const cues = plan.cues.map((cue, i): CueReason => {
      const missed = scorePlan(person, garments, timeline, dropCue(plan, i), { stepS: FINE, damp });
      this.simulations += this.phases.length;
      return {
        atS: cue.atS,
        where: this.phases.find((p) => Math.abs(p.startS - cue.atS) < 1)?.where ?? 'on the way',
        text: changesOf(cue.actions, byId).map((c) => c.text),
        missCost: missed.total - scored.total,
        miss: plainest(scored, missed),
      };
    });
    this.tell(1, 'Done');
    return { plan, scored, cues, simulations: this.simulations };
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

/** The plainest consequence of missing a cue: the largest change among fingers, toes, face, torso, water and core. */
function plainest(a: Scored, b: Scored): CueReason['miss'] {
  const pick = (what: CueReason['miss']['what'], from: number, to: number, span: number) => ({
    what,
    from,
    to,
    weight: Math.abs(to - from) / span,
  });
  const list = [
    pick('fingers', a.metrics.fingers.value, b.metrics.fingers.value, 3),
    pick('toes', a.metrics.toes.value, b.metrics.toes.value, 3),
    pick('face', a.metrics.face.value, b.metrics.face.value, 4),
    pick('torso', a.metrics.torso.value, b.metrics.torso.value, 1.2),
    pick('water', a.metrics.waterPeak.value, b.metrics.waterPeak.value, 40),
    pick('core', a.metrics.coreHigh.value, b.metrics.coreHigh.value, 0.4),
  ].sort((x, y) => y.weight - x.weight);
  const { what, from, to } = list[0];
  return { what, from, to };
}
