import { withWay, type Dress } from './dress';
import { GOING, HEAD, nearestHead, type Way } from './waysToWear';
import type { PathRun } from './pathRun';

export interface ImproveOptions {
  /** which choices may change */
  free: readonly number[];
  /** the most cues the path may end with */
  maxCues: number;
  /** rounds over the whole path at most */
  sweeps: number;
  /** only what keeps the cues where they are: whole stretches between cues are re-dressed, and cues moved by a phase */
  betweenCues?: boolean;
  /** ids of garments no path has worn yet: until one of them gains something, only ways that wear one are tried */
  news?: ReadonlySet<string>;
  /** asked before each trial; false ends the search with the best so far */
  goOn: () => boolean;
}

/** A gain must be worth telling apart from rounding, points. */
const LEAST_GAIN = 1e-6;
/**
 * The same move comes up with every kit. One that cost this much more last time, points, is passed over, its record halved each
 * time; one that cost a little more must show what it is worth soon, as a share of what is still to come.
 */
const HOPELESS = 1.5;
const DOUBTFUL = 0.1;
const STRICT = 0.05;

/**
 * Betters a path by small moves, each simulated from where it begins: wearing one group another way for one phase, from here
 * to its next change, or over its whole stretch; a piece nobody wore yet on the head for good; going at one pace from here on; and doing everything of a cue a phase earlier, later, or not at all.
 * @returns whether anything was gained
 */
export function improve(run: PathRun, o: ImproveOptions): boolean {
  let gained = false;
  const { record } = run.course;
  for (let sweep = 0; sweep < o.sweeps; sweep++) {
    let better = false;
    for (let p = 0; p < run.length; p++) {
      for (const { from, dresses, name, way } of moves(run, p, o)) {
        if (!o.goOn()) return gained || better;
        if (o.news && !gained && !better && !way?.worn.some((id) => o.news!.has(id))) continue;
        if (run.cuesOf(dresses).length > o.maxCues) continue;
        const past = record.get(name) ?? 0;
        if (past > HOPELESS) {
          record.set(name, past / 2);
          continue;
        }
        const cost = run.cost(dresses, from, past > DOUBTFUL ? STRICT : undefined);
        record.set(name, cost - run.total);
        if (cost < run.total - LEAST_GAIN) {
          run.take(dresses, from);
          better = true;
        }
      }
    }
    if (!better) break;
    gained = true;
  }
  return gained;
}

interface Move {
  from: number;
  dresses: Dress[];
  /** the same for the same move on another kit */
  name: string;
  /** the way of wearing that it tries */
  way?: Way;
}

/** Moves about phase `p` of the present path; made one by one, so that each starts from the best so far. */
function* moves(run: PathRun, p: number, o: ImproveOptions): Generator<Move> {
  const cues = o.betweenCues ? run.cuesOf(run.dresses) : [];
  if (o.betweenCues && p > 0 && !cues.includes(p)) return;
  for (const g of o.free)
    for (const way of run.ways[g]) {
      const d = run.dresses;
      if (d[p][g] === way) continue;
      const option = withWay(d[p], g, way);
      if (run.alike(option, d[p])) continue;
      const name = `${p} ${g} ${way.name}`;
      if (o.betweenCues && g !== GOING) {
        yield {
          name: `${name} to the next cue`,
          way,
          from: p,
          dresses: replaced(d, p, cues.find((c) => c > p) ?? run.length, g, way),
        };
        continue;
      }
      const end = runEnd(d, p, g);
      if (g !== GOING && end > p + 1) yield { name: `${name} on`, way, from: p, dresses: replaced(d, p, end, g, way) };
      yield { name, way, from: p, dresses: replaced(run.dresses, p, p + 1, g, way) };
      const start = runStart(run.dresses, p, g);
      if (g !== GOING && start < p && p + 1 === runEnd(run.dresses, p, g))
        yield { name: `${name} back`, way, from: start, dresses: replaced(run.dresses, start, p + 1, g, way) };
    }
  yield* forGood(run, p, o);
  // One pace from here on, wherever it can be gone: a single stretch of it may not pay for remembering it.
  if (o.free.includes(GOING))
    for (const way of run.ways[GOING])
      if (way !== run.dresses[p][GOING])
        yield {
          name: `${p} ${way.name} from here on`,
          from: p,
          dresses: run.dresses.map((d, q) =>
            q >= p && d[GOING] !== way && run.course.admits(q, way, null) ? withWay(d, GOING, way) : d,
          ),
        };
  if (p === 0 || run.dresses[p] === run.dresses[p - 1]) return;
  yield* shifts(run, p);
}

/**
 * A piece for head or face that nobody wore yet, from here on, with all else on the head as it is: tube and hood come and go meanwhile, and goggles
 * that came off again with every such cue would be too much to do at it.
 */
function* forGood(run: PathRun, p: number, { free, news }: ImproveOptions): Generator<Move> {
  if (!news || !free.includes(HEAD)) return;
  const ways = run.ways[HEAD].filter((w) => w.worn.some((id) => news.has(id)));
  if (ways.length === 0) return;
  const dresses = run.dresses.map((d, q) => (q < p ? d : withWay(d, HEAD, nearestHead(d[HEAD], ways))));
  yield { name: `${p} ${[...news].join()} for good`, way: ways[0], from: p, dresses };
}

/** All of a cue a phase later, a phase earlier, not at all, or as early as the cue before. */
function* shifts(run: PathRun, p: number): Generator<Move> {
  const at = (q: number, dress: Dress) => run.carriedOn(q, dress);
  const next = run.cuesOf(run.dresses).find((c) => c > p) ?? run.length;
  const with_ = (name: string, from: number, to: number, of: Dress): Move => ({
    name: `${p} ${name}`,
    from,
    dresses: run.dresses.map((d, q) => (q >= from && q < to ? at(q, of) : d)),
  });
  yield with_('later', p, p + 1, run.dresses[p - 1]);
  yield with_('earlier', p - 1, p, run.dresses[p]);
  if (next > p + 1) yield with_('never', p, next, run.dresses[p - 1]);
}

/** The path with one group worn another way over phases [from, to); dresses that stay are the same objects. */
function replaced(dresses: readonly Dress[], from: number, to: number, g: number, way: Way): Dress[] {
  let last: Dress | null = null;
  let made: Dress | null = null;
  return dresses.map((d, q) => {
    if (q < from || q >= to) return d;
    if (d === last) return made!;
    last = d;
    made = withWay(d, g, way);
    return made;
  });
}

function runEnd(dresses: readonly Dress[], p: number, g: number): number {
  let q = p + 1;
  while (q < dresses.length && dresses[q][g] === dresses[p][g]) q++;
  return q;
}

function runStart(dresses: readonly Dress[], p: number, g: number): number {
  let q = p;
  while (q > 0 && dresses[q - 1][g] === dresses[p][g]) q--;
  return q;
}

/** The same path with one cue fewer, each way it can be had: left out, or joined with the one before. */
export function withoutOneCue(run: PathRun, dresses: readonly Dress[]): Dress[][] {
  const cues = run.cuesOf(dresses);
  const out: Dress[][] = [];
  cues.forEach((p, i) => {
    const next = cues[i + 1] ?? run.length;
    const before = cues[i - 1] ?? 0;
    if (dresses[p][GOING] !== run.ways[GOING][0])
      out.push(replaced(dresses, p, runEnd(dresses, p, GOING), GOING, run.ways[GOING][0]));
    if (p === 0) return;
    out.push(dresses.map((d, q) => (q >= p && q < next ? run.carriedOn(q, dresses[p - 1]) : d)));
    out.push(dresses.map((d, q) => (q >= before && q < p ? run.carriedOn(q, dresses[p]) : d)));
  });
  return out.filter((d) => run.cuesOf(d).length < cues.length);
}

/** The path without the cues at some phases: what was worn before is worn on to the next cue that is kept. */
export function withoutCues(run: PathRun, dresses: readonly Dress[], left: ReadonlySet<number>): Dress[] {
  const cues = new Set(run.cuesOf(dresses));
  const out: Dress[] = [];
  let dropped = false;
  dresses.forEach((d, q) => {
    if (cues.has(q)) dropped = left.has(q);
    if (!dropped) out.push(d);
    else out.push(q === 0 ? withWay(d, GOING, run.ways[GOING][0]) : run.carriedOn(q, out[q - 1]));
  });
  return out;
}
