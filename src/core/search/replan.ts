import { isHelmet } from '@/core/clothing/purpose';
import { isSafe } from '@/core/judge/findings';
import { judgeSeries, scorePlan, type Scored } from '@/core/judge/scorePlan';
import { applyPace } from '@/core/kit/applyPace';
import { act, alongOf } from '@/core/kit/edit';
import type { Plan } from '@/core/kit/plan';
import { isWorn, settingAt, tidy } from '@/core/kit/replay';
import type { Garment } from '@/core/clothing/garment';
import { phases, type Phase } from '@/core/outing/moments';
import { truncate } from '@/core/outing/truncate';
import type { Question } from '@/core/questions/question';
import { within } from '@/core/quantity/range';
import type { Series } from '@/core/simulate/series';
import { Simulator } from '@/core/simulate/simulator';
import { onTheMove } from '@/core/kit/changing';
import { followable } from '@/core/kit/followable';

export interface ReplanQuestion extends Question {
  /** the plan as worn so far and meant from now on, its cues on the clock of the timeline */
  plan: Plan;
  /** s since the start */
  nowS: number;
  /** cues at most from now on, 0–12 */
  maxCues: number;
  goOn?: () => boolean;
}

export interface Replanned {
  /** what was done stays; what is ahead is new */
  plan: Plan;
  scored: Scored;
  safe: boolean;
  /** points that the rest of the way costs less than by the plan as it was */
  saves: number;
  runs: number;
}

/** Steps of the runs that choose, and of their series, s. */
const STEP_S = 60;
const SAMPLE_S = 120;
/** Hands are not out of their mittens before this, s. */
const SOON_S = 60;
/** The next moment to be tried lies at least this far from now, s. */
const APART_S = 240;
/** A change must save this, points; runs at most; moments ahead that are tried. */
const LEAST = 0.03;
const MOST_RUNS = 240;
const MOST_MOMENTS = 7;
const ROUNDS = 2;

/**
 * Plans the rest of an outing with what is at hand, from the body as it is now. What lies behind is run once; every change is then
 * tried from there. Pieces go on and off and openings are set now or at the natural moments ahead; the best change comes first, and what
 * no longer saves anything after it is not made.
 * @throws OutOfRange
 */
export function replan(q: ReplanQuestion): Replanned {
  within('most cues', q.maxCues, 0, 12);
  const rest = new Rest(q);
  const as = q.plan;
  const plain = tidy({ ...as, cues: as.cues.filter((c) => c.atS <= q.nowS) });
  const before = rest.cost(as);
  let plan = rest.cost(plain) < before && fits(q, plain) ? plain : as;
  let total = Math.min(rest.cost(plain), before);
  const moments = momentsAhead(q);
  for (let round = 0; round < ROUNDS; round++) {
    const was = plan;
    const found = changes(q, moments, was)
      .map((edit, i) => {
        const next = edit(was);
        const cost = rest.spent || !fits(q, next) ? Infinity : rest.cost(next);
        return { edit, i, saves: total - cost };
      })
      .filter((c) => c.saves > LEAST)
      .sort((a, b) => b.saves - a.saves || a.i - b.i);
    let made = false;
    for (const { edit } of found) {
      const next = edit(plan);
      if (!fits(q, next)) continue;
      const then = rest.cost(next);
      if (total - then <= LEAST) continue;
      plan = next;
      total = then;
      made = true;
    }
    if (!made || rest.spent) break;
  }
  // What is said of it is read as closely as everywhere else.
  const { person, timeline, damp, weights, waiting } = q;
  const closely = (p: Plan) =>
    scorePlan(person, alongOf(q.closet, p), timeline, p, { stepS: STEP_S, sampleS: 60, damp, weights, waiting });
  const scored = closely(plan);
  return { plan, scored, safe: isSafe(scored.findings), saves: closely(as).total - scored.total, runs: rest.runs };
}

/** A body that has come to now, and goes on from there under one plan or another. */
class Rest {
  runs = 0;
  private readonly sim: Simulator;
  private readonly now: Float64Array | null;
  private series: Series;
  private readonly garments: Garment[];
  private readonly known = new Map<string, number>();

  constructor(private readonly q: ReplanQuestion) {
    this.garments = alongOf(q.closet, q.plan);
    this.sim = new Simulator(q.person, this.garments);
    this.sim.start(q.plan, q.damp);
    const how = { stepS: STEP_S, sampleS: SAMPLE_S };
    const behind = q.nowS > 0 ? truncate(applyPace(q.timeline, q.plan.cues), q.nowS) : null;
    if (behind) this.sim.run(behind.stretches, q.plan, how);
    this.now = behind ? this.sim.snapshot() : null;
    // The whole once: the rows behind us stay in the series that is judged.
    this.sim.start(q.plan, q.damp);
    this.series = this.sim.run(applyPace(q.timeline, q.plan.cues).stretches, q.plan, how);
  }

  get spent(): boolean {
    return this.runs >= MOST_RUNS || (this.q.goOn !== undefined && !this.q.goOn());
  }

  cost(plan: Plan): number {
    const key = JSON.stringify(plan);
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const { total } = this.scored(plan);
    this.known.set(key, total);
    return total;
  }

  scored(plan: Plan): Scored {
    const { q, sim } = this;
    this.runs++;
    const gone = applyPace(q.timeline, plan.cues);
    if (this.now) sim.restore(this.now);
    else sim.start(plan, q.damp);
    this.series = sim.run(gone.stretches, plan, { stepS: STEP_S, sampleS: SAMPLE_S }, this.series);
    const { person, timeline, weights, waiting } = q;
    return judgeSeries({
      person,
      garments: this.garments,
      timeline,
      gone,
      plan,
      series: this.series,
      sim,
      weights,
      waiting,
    });
  }
}

/** Now, and the natural moments ahead. */
function momentsAhead({ timeline, nowS }: ReplanQuestion): Phase[] {
  const list = phases(timeline);
  const ahead = list.filter((p) => p.startS > nowS + APART_S).slice(0, MOST_MOMENTS - 1);
  const soon = Math.min(nowS + SOON_S, timeline.endS);
  const here = [...list].reverse().find((p) => p.startS <= soon) ?? list[0];
  return [{ ...here, startS: soon, where: 'now', halted: here.stop }, ...ahead];
}

/** Whether there are not too many cues ahead, and none asks for more than hands can do there. */
function fits(q: ReplanQuestion, plan: Plan): boolean {
  const ahead = plan.cues.filter((c) => c.atS > q.nowS);
  if (ahead.length > q.maxCues) return false;
  const can = followable(q.timeline, q.person);
  // What is asked for now may need a halt: whoever replans has stopped to read it.
  return ahead.every((c) => c.atS <= q.nowS + SOON_S + 1 || can(c));
}

/** Layers that go over what is worn, or come off it, without undressing. */
const OUTER: ReadonlySet<Garment['role']> = new Set(['mid', 'storm', 'warm', 'over']);
const comesOff = (g: Garment): boolean => (onTheMove(g) && !isHelmet(g)) || (g.group === 'torso' && OUTER.has(g.role));
const goesOn = (g: Garment): boolean =>
  comesOff(g) || (g.group === 'legs' && (g.role === 'storm' || g.role === 'warm'));

function changes(q: ReplanQuestion, moments: readonly Phase[], plan: Plan): ((p: Plan) => Plan)[] {
  const out: ((p: Plan) => Plan)[] = [];
  const along = alongOf(q.closet, plan);
  for (const m of moments)
    for (const g of along) {
      const at = m.startS;
      const worn = isWorn(plan, g.id, at);
      if (worn ? comesOff(g) : goesOn(g)) {
        const one = (p: Plan) => act(p, { do: worn ? 'takeOff' : 'putOn', garment: g.id }, at, q.nowS);
        out.push(one);
        // For a stop only: off again when one goes on.
        if (!worn && m.stop && m.endS < q.timeline.endS)
          out.push((p) => act(one(p), { do: 'takeOff', garment: g.id }, m.endS, q.nowS));
      }
      if (!worn) continue;
      for (const o of g.openings) {
        const open = settingAt(plan, g, o.id, at);
        for (const setting of open > 0.05 && open < 0.95 ? [0, 1] : [open > 0.5 ? 0 : 1])
          out.push((p) => act(p, { do: 'set', garment: g.id, opening: o.id, setting }, at, q.nowS));
      }
    }
  for (const c of plan.cues.filter((x) => x.atS > q.nowS))
    out.push((p) => tidy({ ...p, cues: p.cues.filter((x) => x.atS !== c.atS) }));
  return out;
}
