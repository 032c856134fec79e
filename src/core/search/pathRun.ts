// Longer than a file should be: one class that keeps the nodes of a path in step with its dresses; every method reads both.
import type { Garment } from '@/core/clothing/garment';
import { waterEndCost } from '@/core/judge/cost';
import { noMoment, readMoment } from '@/core/judge/moment';
import { lackPrice } from '@/core/judge/lacking';
import { alongPrice, cuePrice, pacePrice, type CueWork } from '@/core/judge/prices';
import { changing, type Changing } from '@/core/kit/changing';
import { actionsBetween, operations, piecesOf, type Worn } from '@/core/kit/difference';
import type { Cue, KitAction, Plan } from '@/core/kit/plan';
import { Simulator } from '@/core/simulate/simulator';
import type { Stretch } from '@/core/outing/timeline';
import { byText } from '@/core/quantity/exact';
import type { Course } from './course';
import { mapDress, withWay, wornOf, type Dress } from './dress';
import { kitGarments, type Kit } from './kit';
import { orderPrice } from './order';
import { allWays, GOING, plainer, sameWay, type Way, type Ways } from './waysToWear';
import { leap, NONE, type Node } from '@/core/questions/node';

const NOW = noMoment();

/** What a dress comes to, with a number of its own. */
interface Known {
  worn: Worn;
  id: number;
}

interface AllAlong {
  ids: readonly string[];
  points: number;
}

/** One kit on one course: how it is worn phase by phase, what that costs, and what a different way would cost. */
export class PathRun {
  readonly ways: Ways;
  dresses: Dress[] = [];
  total = Infinity;
  private readonly sim: Simulator;
  private readonly byId: ReadonlyMap<string, Garment>;
  private nodes: Node[] = [];
  private readonly worn = new WeakMap<Dress, Known>();
  private readonly known = new Map<string, Known>();
  /** what paths came to, by name; if not the whole of it, then with what patience and against what total they were given up */
  private readonly tried = new Map<string, { cost: number; whole: boolean; against: number; patience: number }>();
  private last: { dresses: Dress[]; nodes: Node[]; cost: number } = { dresses: [], nodes: [], cost: Infinity };
  /** what is along, by what is worn somewhere */
  private readonly allAlong = new Map<string, AllAlong>();
  private readonly spare: Float64Array[] = [];
  private readonly changes = new Map<number, { actions: KitAction[]; pieces: number; change: Changing | null }>();

  constructor(
    readonly course: Course,
    readonly kit: Kit,
    private readonly stepS: number,
    /** how far behind the present path a trial may fall, as a share of what is still to come, before it is given up */
    private readonly patience = 0.25,
    /** how its garments may be worn; left out: in all ways the search knows */
    ways?: Ways,
  ) {
    const garments = kitGarments(kit);
    this.byId = new Map(garments.map((g) => [g.id, g]));
    this.sim = new Simulator(course.person, garments);
    this.ways = ways ?? allWays(kit, course.habits);
  }

  get length(): number {
    return this.course.phases.length;
  }

  /** What a dress comes to. Dresses that differ in name only, as in a hood that no worn garment has, are one. */
  private wornBy(d: Dress): Known {
    let w = this.worn.get(d);
    if (w) return w;
    const name = d.map((m) => m.name).join('|');
    w = this.known.get(name);
    if (!w) {
      const worn = wornOf(d, this.byId);
      const signature =
        [...worn.on].sort().join() +
        [...worn.open]
          .flatMap(([g, settings]) => [...settings].map(([o, v]) => `${g} ${o}=${v}`))
          .sort()
          .join();
      w = this.known.get(signature) ?? { worn, id: this.known.size };
      this.known.set(signature, w);
      this.known.set(name, w);
    }
    this.worn.set(d, w);
    return w;
  }

  /** What it takes to turn one dress into another, worked out once. */
  private changeOf(before: Dress, dress: Dress, { packOn }: Pick<Stretch, 'packOn'>) {
    const from = this.wornBy(before);
    const to = this.wornBy(dress);
    const at = (from.id * MOST_DRESSES + to.id) * 2 + (packOn ? 1 : 0);
    let c = this.changes.get(at);
    if (!c) {
      const actions = from === to ? [] : actionsBetween(from.worn, to.worn);
      const change = actions.length > 0 ? changing(actions, { on: from.worn.on, garments: this.byId, packOn }) : null;
      c = { actions, pieces: piecesOf(actions), change };
      this.changes.set(at, c);
    }
    return c;
  }

  /** Runs phase `p` from a node (none: from the start) in a dress. Null when the change cannot be made there. */
  advance(p: number, from: Node | null, before: Dress | null, dress: Dress, state: 'kept' | 'dropped'): Node | null {
    const { course, sim } = this;
    const phase = course.phases[p];
    const w = course.weights;
    let changes = from ? from.changes : 0;
    const gone = course.goneBy(dress[GOING]);
    let change: Changing | null = null;
    if (!from || !before) {
      sim.start({ ...planOfDress(dress, this.byId), carried: [], cues: [] }, course.damp);
      changes += this.priceOf(p, { pieces: 0, seconds: 0, halt: false }, dress, null) * w.fuss;
    } else {
      sim.restore(from.state);
      const here = course.startOf(p);
      const c = this.changeOf(before, dress, here);
      change = c.change;
      if (phase.onTheMove && change?.halt) return null;
      const standing = phase.halted || phase.stop;
      if (operations(c.actions) > course.operations(p, standing ? 'halted' : change?.halt ? 'halting' : 'moving'))
        return null;
      const hands = { pieces: c.pieces, seconds: change?.seconds ?? 0, halt: change?.halt ?? false };
      changes += this.priceOf(p, hands, dress, before) * w.fuss;
      if (change) sim.wearing.beginChange(change, here.airC);
    }
    const into = state === 'kept' ? (this.spare.pop() ?? new Float64Array(sim.state.all.length)) : null;
    return leap(sim, from, { timeline: gone, phase, stepS: this.stepS, change, changes, weights: w, into });
  }

  private priceOf(
    p: number,
    hands: Pick<CueWork, 'pieces' | 'seconds' | 'halt'>,
    dress: Dress,
    before: Dress | null,
  ): number {
    const phase = this.course.phases[p];
    const { pace, shelter } = dress[GOING];
    const held = heldOn(dress, before);
    const until = { share: pace ?? 1, untilS: phase.endS };
    const going = held ? {} : { shelter, pace: pace === undefined ? undefined : until };
    const place = this.course.placeOf(p);
    const cue = cuePrice(
      { ...hands, ...going, atS: phase.startS },
      { halted: phase.halted || phase.stop, ...place, waiting: this.course.waiting },
    );
    return held && pace !== undefined ? cue + pacePrice(pace, phase.endS - phase.startS, place.racing) : cue;
  }

  /** What only the end knows, right after the last phase was run: water left in the clothes, and what all of it weighs. */
  end(dresses: readonly Dress[]): number {
    return waterEndCost(readMoment(this.sim, NOW).waterG) + this.along(dresses).points;
  }

  /**
   * What is along, by ids, and what all of it weighs and lacks, points: all that is worn somewhere, and each further piece of the kit that is
   * missed more than it weighs.
   */
  private along(dresses: readonly Dress[]): AllAlong {
    const used = wornIn(dresses);
    const { along: on, need, order, weights } = this.course;
    const during = on.race ? wornIn(dresses.filter((_, p) => this.course.isRaced(p))) : used;
    const bag = new Set([...used].filter((id) => !during.has(id)));
    const name = [...used].sort().join() + (bag.size > 0 ? ` less ${[...bag].sort().join()}` : '');
    const known = this.allAlong.get(name);
    if (known) return known;
    const price = (list: readonly Garment[]) =>
      alongPrice(list, used, on, bag) * weights.weight +
      lackPrice(bag.size > 0 ? list.filter((g) => !bag.has(g.id)) : list, need) * weights.caution;
    const along = [...used].map((id) => this.byId.get(id)!);
    for (const g of standbyOf(this.kit))
      if (!used.has(g.id) && price([...along, g]) < price(along) - 1e-9) along.push(g);
    const all = { ids: along.map((g) => g.id), points: price(along) + orderPrice(along, order) };
    this.allAlong.set(name, all);
    return all;
  }

  /** Another run's path as this kit would wear it, phases that were dressed alike staying so. */
  like(dresses: readonly Dress[], way: (m: Way, g: number) => Way = (m) => m): Dress[] {
    const made = new Map<Dress, Dress>();
    return dresses.map((d) => {
      if (!made.has(d))
        made.set(
          d,
          mapDress(d, (w, g) => sameWay(way(w, g), this.ways[g])),
        );
      return made.get(d)!;
    });
  }

  /** The way of each choice by name, phase by phase. */
  wayNames(): string[][] {
    return this.dresses.map((d) => d.map((w) => w.name));
  }

  /** The dresses that a run of the same kit named so. @throws Error for a way that this kit has not */
  named(ways: readonly (readonly string[])[]): Dress[] {
    const made = new Map<string, Dress>();
    return ways.map((names) => {
      const all = names.join('|');
      const dress = made.get(all) ?? (names.map((name, g) => this.wayNamed(name, g)) as unknown as Dress);
      made.set(all, dress);
      return dress;
    });
  }

  private wayNamed(name: string, choice: number): Way {
    const way = this.ways[choice].find((w) => w.name === name);
    if (!way) throw new Error(`this kit cannot be worn as ${name}`);
    return way;
  }

  /** Whether a way of dressing may follow another in a phase. */
  admits(p: number, dress: Dress, before: Dress | null): boolean {
    return dress.every((m, i) => this.course.admits(p, m, before ? before[i] : null));
  }

  /**
   * Takes a whole path as the present one.
   * @param against gives up as soon as it costs this much more than another run by then @returns its cost; Infinity when it
   *   cannot be gone or was given up
   */
  take(dresses: Dress[], from = 0, against?: { run: PathRun; margin: number }): number {
    if (dresses === this.last.dresses && this.last.cost < Infinity) {
      this.reuse(this.nodes, this.last.nodes);
      this.nodes = this.last.nodes;
      this.dresses = dresses;
      return (this.total = this.last.cost);
    }
    const nodes = this.nodes.slice(0, from);
    for (let p = from; p < this.length; p++) {
      const before = p > 0 ? dresses[p - 1] : null;
      const node = this.admits(p, dresses[p], before)
        ? this.advance(p, p > 0 ? nodes[p - 1] : null, before, dresses[p], 'kept')
        : null;
      if (!node || (against && node.soFar > against.run.nodes[p].soFar + against.margin)) {
        this.total = Infinity;
        return Infinity;
      }
      nodes.push(node);
    }
    this.nodes = nodes;
    this.dresses = dresses;
    this.total = nodes[nodes.length - 1].soFar + this.end(dresses);
    return this.total;
  }

  /**
   * Cost of another path that is like the present one before phase `from`.
   * @param patience how far it may fall behind the present path, as a share of what is still to come, before it is given up
   * @returns Infinity where it cannot be gone; when given up, the present total and what it had fallen behind by
   */
  cost(dresses: Dress[], from: number, patience = this.patience): number {
    const name = dresses.map((d) => this.wornBy(d).id + d[GOING].name).join();
    const known = this.tried.get(name);
    if (known && (known.whole || (this.total <= known.against && patience <= known.patience))) return known.cost;
    const cost = this.try(dresses, from, patience);
    this.tried.set(name, { cost, whole: this.last.cost === cost, against: this.total, patience });
    return cost;
  }

  /** The memory of nodes that no path needs any longer, for the next ones: fresh memory is cold, and costs more than the copy. */
  private reuse(old: readonly Node[], ...needed: (readonly Node[])[]): void {
    old.forEach((n, p) => {
      if (n.state !== NONE && needed.every((nodes) => nodes[p] !== n)) this.spare.push(n.state);
    });
  }

  private try(dresses: Dress[], from: number, patience: number): number {
    // Trials come in families: what this one has in common with the last is not simulated again.
    const { last } = this;
    let common = 0;
    while (common < last.nodes.length && this.alike(dresses[common], last.dresses[common])) common++;
    const nodes = common > from ? last.nodes.slice(0, Math.min(common, this.length - 1)) : this.nodes.slice(0, from);
    this.reuse(last.nodes, nodes, this.nodes);
    this.last = { dresses, nodes, cost: Infinity };
    for (let p = nodes.length; p < this.length; p++) {
      const before = p > 0 ? dresses[p - 1] : null;
      if (!this.admits(p, dresses[p], before)) return Infinity;
      const node = this.advance(
        p,
        p > 0 ? nodes[p - 1] : null,
        before,
        dresses[p],
        p < this.length - 1 ? 'kept' : 'dropped',
      );
      if (!node) return Infinity;
      nodes.push(node);
      if (this.total === Infinity) continue;
      // A change is paid for at once and pays later: what it costs to make does not count as falling behind.
      const here = this.nodes[p];
      const all = node.soFar - here.soFar;
      const behind = Math.min(all, all - node.changes + here.changes);
      if (behind > patience * (this.total - here.soFar) + 1e-9) return this.total + behind;
    }
    return (this.last.cost = nodes[this.length - 1].soFar + this.end(dresses));
  }

  /**
   * Beam search from the start: in each phase the choices are made one after the other, since they couple weakly. Where every
   * way ends in a change that cannot be made, the first dress throughout.
   */
  beam(first: Dress, { width, passes, free }: { width: number; passes: number; free: readonly number[] }): Dress[] {
    interface Branch {
      node: Node;
      dresses: Dress[];
    }
    let branches: Branch[] = [];
    for (let p = 0; p < this.length; p++) {
      const next: Branch[] = [];
      for (const branch of branches.length > 0 ? branches : [null]) {
        const before = branch ? branch.dresses[p - 1] : null;
        const tried = new Map<string, Branch>();
        const attempt = (dress: Dress): number => {
          const id = dress.map((w) => w.name).join('|');
          const known = tried.get(id);
          if (known) return known.node.soFar;
          if (!this.admits(p, dress, before)) return Infinity;
          const node = this.advance(p, branch?.node ?? null, before, dress, 'kept');
          if (!node) return Infinity;
          tried.set(id, { node, dresses: [...(branch?.dresses ?? []), dress] });
          return node.soFar;
        };
        let dress = this.carriedOn(p, before ?? first);
        let best = attempt(dress);
        for (let pass = 0; pass < passes; pass++)
          for (const g of free)
            for (const way of this.ways[g]) {
              const option = withWay(dress, g, way);
              const cost = attempt(option);
              if (cost < best - 1e-9) {
                best = cost;
                dress = option;
              }
            }
        next.push(...[...tried.values()].sort((a, b) => a.node.soFar - b.node.soFar).slice(0, 2 * width));
      }
      next.sort((a, b) => a.node.soFar - b.node.soFar);
      branches = next.slice(0, width);
      if (branches.length === 0) return this.throughout(first);
    }
    return branches[0].dresses;
  }

  /** The dress of the phase before, as far as this phase admits it: pace and shelter end, over-trousers come off. */
  carriedOn(p: number, before: Dress): Dress {
    const allowed = (g: number) => [...this.ways[g]].filter((w) => this.course.admits(p, w, w));
    const same = mapDress(before, (w, g) =>
      g === GOING ? this.ways[GOING][0] : this.course.admits(p, w, w) ? w : plainer(w, allowed(g)),
    );
    return same.every((w, g) => w === before[g]) ? before : same;
  }

  /** One dress throughout that every phase admits: what a dress comes to when all that must come off somewhere stays off. */
  throughout(dress: Dress): Dress[] {
    let d = dress;
    for (let p = 0; p < this.length; p++) d = this.carriedOn(p, d);
    return this.course.phases.map(() => d);
  }

  /** Whether every garment that one choice may use is worn in some phase of the present path. */
  wearsAll(choice: number): boolean {
    const worn = new Set(this.dresses.flatMap((d) => d[choice].worn));
    return this.ways[choice].every((m) => m.worn.every((id) => worn.has(id)));
  }

  /** Whether two dresses are worn and gone alike. */
  alike(a: Dress, b: Dress): boolean {
    return a === b || (a[GOING] === b[GOING] && this.wornBy(a) === this.wornBy(b));
  }

  /** The path as a plan. */
  plan(dresses: readonly Dress[] = this.dresses): Plan {
    const cues: Cue[] = [];
    // The cue whose pace or shelter is held on until now.
    let holds: Cue | null = null;
    this.course.phases.forEach((phase, p) => {
      const before = p > 0 ? dresses[p - 1] : null;
      const actions = before ? this.changeOf(before, dresses[p], { packOn: false }).actions : [];
      const { pace, shelter } = dresses[p][GOING];
      const until = {
        ...(pace !== undefined ? { pace: { share: pace, untilS: phase.endS } } : {}),
        ...(shelter ? { shelter: { untilS: phase.endS } } : {}),
      };
      const held = heldOn(dresses[p], before);
      if (held && holds) Object.assign(holds, until);
      if (actions.length === 0 && (held || (pace === undefined && !shelter))) return;
      const cue: Cue = { atS: phase.startS, actions, ...(held ? {} : until) };
      if (!held) holds = cue;
      cues.push(cue);
    });
    const start = planOfDress(dresses[0], this.byId);
    return { ...start, carried: carriedBy(start.worn, cues, this.along(dresses).ids), cues };
  }

  /** Phases at whose start something is to be done. */
  cuesOf(dresses: readonly Dress[]): number[] {
    const out: number[] = [];
    for (let p = 0; p < dresses.length; p++) {
      const before = p > 0 ? dresses[p - 1] : null;
      const acts = before && dresses[p] !== before && this.wornBy(dresses[p]) !== this.wornBy(before);
      if (acts || (isOwn(dresses[p]) && !heldOn(dresses[p], before))) out.push(p);
    }
    return out;
  }
}

/** Whether one goes otherwise than planned, and whether that is held on from the phase before: then nobody need be told again. */
const isOwn = (d: Dress): boolean => d[GOING].going !== 'as planned';
const heldOn = (d: Dress, before: Dress | null): boolean =>
  before !== null && isOwn(d) && d[GOING].going === before[GOING].going;

/** More ways to dress one kit than there are. */
const MOST_DRESSES = 1 << 20;

/** What of a kit may be carried for its own sake, the warmest first. */
const standbyOf = (k: Kit): Garment[] =>
  [k.warm, k.hat, k.cap, k.mitts, k.liner, k.mid].filter((g): g is Garment => g !== null);

/** What must be carried from the start: all that goes on later, and what stands by. */
function carriedBy(worn: readonly string[], cues: readonly Cue[], along: readonly string[]): string[] {
  const carried = new Set<string>();
  for (const cue of cues)
    for (const a of cue.actions) if (a.do === 'putOn' && !worn.includes(a.garment)) carried.add(a.garment);
  for (const id of along) if (!worn.includes(id)) carried.add(id);
  return [...carried];
}

/** The start of a plan from a way of dressing. */
function planOfDress(dress: Dress, byId: ReadonlyMap<string, Garment>): Pick<Plan, 'worn' | 'openings'> {
  const w = wornOf(dress, byId);
  const openings: Plan['openings'] = {};
  for (const [id, settings] of w.open)
    for (const o of byId.get(id)!.openings) {
      const setting = settings.get(o.id);
      if (setting !== undefined && setting !== o.usual) (openings[id] ??= {})[o.id] = setting;
    }
  return { worn: [...w.on].sort((a, b) => byId.get(a)!.order - byId.get(b)!.order || byText(a, b)), openings };
}

/** Ids of what is worn in some of these dresses. */
function wornIn(dresses: readonly Dress[]): Set<string> {
  const worn = new Set<string>();
  for (const d of dresses) for (const m of d) for (const id of m.worn) worn.add(id);
  return worn;
}
