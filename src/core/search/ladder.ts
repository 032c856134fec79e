import type { Garment } from '@/core/clothing/garment';
import { suitsSport } from '@/core/clothing/purpose';
import { CLOTHES_OF, coldIn, holdsBetter, hotIn, isCold, partOf } from '@/core/judge/clothesHold';
import { alongOf, swapGarment, takeGarment } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { within } from '@/core/quantity/range';
import { tried } from './adapt';
import {
  LADDER_EFFORTS,
  LADDER_WINDS,
  METRIC_BANDS,
  middle,
  wetIn,
  WETS,
  type Band,
  type Cell,
  type Ladder,
  type LadderEffort,
  type LadderWet,
  type LadderWind,
  type Rung,
  type RungReach,
} from './ladderTerms';
import { reachOf } from './reach';
import {
  askedOf,
  climbRungs,
  keepsMouthRule,
  ladderHour,
  underStorm,
  withMouthCovered,
  wornBest,
  zipsOnTheMove,
  type LadderHour,
  type LadderQuestion,
  type WornRung,
} from './rungs';

export interface LadderRequest extends LadderQuestion {
  bands?: readonly Band[];
  /** pieces that could be borrowed or bought */
  more?: readonly Garment[];
  /** rungs known already, from the same person, closet and sport */
  rungs?: Rung[];
}

/** How far a ladder is: a share of the whole, what is being done, and the ladder so far. */
export interface LadderProgress {
  done: number;
  says: string;
  ladder: Ladder;
}

/** Another outfit than in the warmer band must be better by so much, points. */
const SAME_RUNG = 0.05;
/** A colder band is tried in this many rungs from that of the warmer one. */
const NEAR_RUNGS = 4;
/** Share of the work that is the climb. */
const CLIMB_SHARE = 0.6;

/**
 * A whole ladder: rungs, then every cell and how far each rung reaches, told on the way. The same question gives the same ladder on
 * every machine.
 * @throws OutOfRange when the closet lacks a part nobody can go without, or for more than twelve bands
 */
export function* buildLadder(q: LadderRequest): Generator<LadderProgress, Ladder> {
  const bands = q.bands ?? METRIC_BANDS;
  within('bands', bands.length, 1, 12);
  const ladder: Ladder = { sport: q.sport, shelter: q.shelter, bands, rungs: q.rungs ?? [], cells: [], reach: [] };
  const steps = 10;
  if (!q.rungs) {
    let k = 0;
    for (const rungs of climbRungs({ ...q, shelter: 'open' })) {
      ladder.rungs = rungs;
      // The rungs so far already tell what to wear in the calm column, to be looked at while the rest is climbed.
      ladder.cells = column(q, ladder, { wind: 'calm', wet: 'dry', effort: 'steady' });
      yield { done: (CLIMB_SHARE * ++k) / steps, says: `Rung ${rungs.length}`, ladder };
    }
  }
  const columns = efforts().flatMap((effort) => winds().flatMap((wind) => WETS.map((wet) => ({ effort, wind, wet }))));
  ladder.cells = [];
  let k = 0;
  for (const c of columns) {
    ladder.cells = [...ladder.cells, ...column(q, ladder, c)];
    if (c.wet === 'dry') ladder.reach = [...ladder.reach, ...reaches(q, ladder.rungs, c)];
    const says = `${c.effort}, ${c.wind}, ${c.wet}`;
    yield { done: CLIMB_SHARE + ((1 - CLIMB_SHARE) * ++k) / columns.length, says, ladder };
  }
  ladder.cells = ladder.cells.map((cell) => spared(cell, ladder));
  return ladder;
}

const efforts = (): LadderEffort[] => ['steady', 'easy', 'hard'];
const winds = (): LadderWind[] => Object.keys(LADDER_WINDS) as LadderWind[];

type Column = Pick<Cell, 'wind' | 'wet' | 'effort'>;

function reaches(q: LadderRequest, rungs: readonly Rung[], c: Column): RungReach[] {
  const hour = { windKmh: LADDER_WINDS[c.wind].kmh, exertion: LADDER_EFFORTS[c.effort] };
  const most = zipsOnTheMove({ person: q.person, timeline: ladderHour(q, { ...hour, airC: 0 }) });
  const at = (airC: number, plan: Plan) => tried({ ...askedOf(q, ladderHour(q, { ...hour, airC })), plan }, plan);
  return rungs.map((r) => ({ rung: r.n, wind: c.wind, effort: c.effort, ...reachOf(r.plan, q.closet, at, most) }));
}

/** The cells of one column, from the warmest band down: never a lighter outfit in a colder band, nor in more wind. */
function column(q: LadderRequest, { bands, rungs, cells }: Ladder, c: Column): Cell[] {
  const out: Cell[] = [];
  const dryCells = cells.filter((d) => d.wet === 'dry' && d.wind === c.wind && d.effort === c.effort);
  const calmer = winds()[winds().indexOf(c.wind) - 1];
  const calmerCells = cells.filter((d) => d.wet === c.wet && d.wind === calmer && d.effort === c.effort);
  let at = 0;
  bands.forEach((band, i) => {
    const falls = c.wet === 'wet' ? wetIn(band) : undefined;
    if (falls === null) return;
    const airC = middle(band);
    const hour: LadderHour = {
      airC,
      windKmh: LADDER_WINDS[c.wind].kmh,
      exertion: LADDER_EFFORTS[c.effort],
      falls,
    };
    const asked = askedOf(q, ladderHour(q, hour));
    // In the wet one begins from what is worn in the dry.
    const dry = dryCells.find((d) => d.band === i)?.rung ?? 1;
    const inCalmer = calmerCells.find((d) => d.band === i)?.rung;
    const calmerAt = rungs.findIndex((r) => r.n === inCalmer);
    const from = Math.max(at, calmerAt, c.wet === 'wet' ? dry - 1 : 0);
    const near = rungs.slice(from, i === 0 && c.wet === 'dry' ? rungs.length : from + NEAR_RUNGS);
    const worn = near.flatMap((r) => variants(q, r, c.wet, airC).map((rung) => wornBest(asked, rung)));
    const best = worn.reduce((a, b) =>
      holdsBetter(b.scored, a.scored, a.rung.n === b.rung.n ? undefined : SAME_RUNG) ? b : a,
    );
    at = rungs.findIndex((r) => r.n === best.rung.n);
    out.push({ ...cellOf(q, best, asked), band: i, ...c });
  });
  return out;
}

/** A rung as it is worn in such air: with the mouth covered where the athlete's own rule says so, and in the wet under what keeps it off. */
function variants(q: LadderRequest, rung: Rung, wet: LadderWet, airC: number): Rung[] {
  const own = keepsMouthRule(q, rung.plan, airC) ? rung : { ...rung, plan: withMouthCovered(q, rung.plan) };
  return wet === 'dry' ? [own] : underStorm(q, own);
}

function cellOf(
  q: LadderRequest,
  best: WornRung,
  asked: ReturnType<typeof askedOf>,
): Omit<Cell, 'band' | keyof Column> {
  const fails = best.scored.findings
    .filter((f) => f.severity >= 2 && isCold(f))
    .map((f) => ({ zone: partOf(f), what: f.what, says: f.means, severity: f.severity }));
  return {
    rung: best.rung.n,
    plan: best.plan,
    fails,
    hot: fails.length === 0 && hotIn(best.scored) !== undefined,
    spareC: null,
    first: null,
    would: fails.length > 0 ? whatWould(q, best, asked) : null,
  };
}

/** The cheapest piece not owned with which nothing gets too cold any more. */
function whatWould(q: LadderRequest, best: WornRung, asked: ReturnType<typeof askedOf>): Cell['would'] {
  const cold = coldIn(best.scored);
  if (!cold || !q.more) return null;
  const groups = CLOTHES_OF[partOf(cold)];
  const owned = new Set(q.closet.map((g) => g.name));
  const others = q.more
    .filter((g) => groups.includes(g.group) && suitsSport(g, q.sport) && !owned.has(g.name) && g.role !== 'heater')
    .sort((a, b) => a.price - b.price);
  for (const g of others) {
    const closet = [...q.closet, g];
    const along = alongOf(closet, best.plan);
    const like = along.find((o) => o.group === g.group && o.role === g.role);
    const plan = like ? swapGarment(best.plan, like.id, g) : takeGarment(best.plan, g.id, 'worn');
    const scored = tried({ ...asked, closet, plan }, plan);
    if (coldIn(scored) === undefined) return { id: g.id, name: g.name, price: g.price };
  }
  return null;
}

/** A cell with how far its rung still is from its end. */
function spared(cell: Cell, { bands, reach }: Ladder): Cell {
  const r = reach.find((x) => x.rung === cell.rung && x.wind === cell.wind && x.effort === cell.effort);
  if (!r || r.coldC === null) return cell;
  return { ...cell, spareC: bands[cell.band].coldC - r.coldC, first: r.first };
}
