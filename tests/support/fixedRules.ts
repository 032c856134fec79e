import { AVERAGE_PERSON, engineOf, type Person } from '@/core/body/person';
import { fabricResistance, type Garment } from '@/core/clothing/garment';
import { withWay } from '@/core/search/dress';
import { candidates, firstKit, type Candidates } from '@/core/search/candidates';
import { Course } from '@/core/search/course';
import type { Dress } from '@/core/search/dress';
import { FEET, GOING, HANDS, HEAD, LEGS, TORSO, type Layer, type Way, type Ways } from '@/core/search/waysToWear';
import { PathRun } from '@/core/search/pathRun';
import { scorePlan, type Scored } from '@/core/judge/scorePlan';
import { comfortableSkin } from '@/core/judge/sensation';
import { type Sport, isStop } from '@/core/effort/sports';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/kit/plan';
import { alongOf } from '@/core/kit/edit';
import { makePlan } from '@/core/search/planner';
import { kitGarments, type Kit } from '@/core/search/kit';

/**
 * Rules of thumb that people dress by without a planner (common practice, no published source). Each is followed well: the
 * outfit it asks for is the one whose insulation comes nearest to a steady heat balance for the air and effort it looks at.
 */
export type FixedRule =
  'one outfit' | 'ten degrees warmer' | 'base and shell' | 'warm at the start, shed when sweating';
export const FIXED_RULES: FixedRule[] = [
  'one outfit',
  'ten degrees warmer',
  'base and shell',
  'warm at the start, shed when sweating',
];

/** The air around a moving body, m²K/W. */
const AIR_LAYER = 0.08;
/** Wettedness at which people notice that they sweat. */
const WET_FELT = 0.4;

/** Dry resistance that balances a steady effort in an air, m²K/W: (comfortable skin − air) over the heat left after breath and sweat. */
function neededResistance(airC: number, metabolicWm2: number): number {
  const dry = metabolicWm2 * 0.75;
  return Math.max(0, (comfortableSkin(metabolicWm2) - airC) / dry - AIR_LAYER);
}

const resistance = (list: readonly (Garment | null)[]): number =>
  list.reduce((sum, g) => sum + (g ? fabricResistance(g) + 0.02 : 0), 0);

const nearest = <T>(list: readonly T[], of: (x: T) => number, wanted: number): T =>
  list.reduce((a, b) => (Math.abs(of(b) - wanted) < Math.abs(of(a) - wanted) ? b : a));

/** Time means over an outing of what a rule looks at. */
function means(t: Timeline, person: Person): { airC: number; metabolicWm2: number } {
  let air = 0;
  let heat = 0;
  for (const s of t.stretches) {
    air += s.airC * (s.endS - s.startS);
    heat += (s.metabolicW - s.externalW) * (s.endS - s.startS);
  }
  return { airC: air / t.endS, metabolicWm2: heat / t.endS / engineOf(person).bodyAreaM2 };
}

/** Hands, head, legs and feet by what the air asks for: the colder the thicker, evenly over what is owned. */
function limbs(c: Candidates, airC: number): Pick<Kit, 'legs' | 'feet' | 'liner' | 'mitts' | 'cap' | 'hat' | 'tube'> {
  const share = Math.min(1, Math.max(0, (12 - airC) / 30));
  const at = <T>(list: readonly T[]): T => list[Math.round(share * (list.length - 1))];
  const byWarmth = (list: readonly Garment[]) => [...list].sort((a, b) => fabricResistance(a) - fabricResistance(b));
  return {
    legs: at(c.legs),
    feet: at(c.feet),
    liner: c.liners[0] ?? null,
    mitts: airC < 3 && c.mitts.length > 0 ? at(byWarmth(c.mitts)) : null,
    cap: airC < 8 ? (c.caps[0] ?? null) : null,
    hat: null,
    tube: airC < 0 ? (c.tubes[0] ?? null) : null,
  };
}

/** The plan of somebody who dresses by one rule, from the same closet. */
export function ruledPlan(rule: FixedRule, { closet, timeline, sport, person = AVERAGE_PERSON }: Contest): Plan {
  const c = candidates(closet, sport, timeline);
  const seen = means(timeline, person);
  const airC = seen.airC + (rule === 'ten degrees warmer' ? 10 : 0);
  const plain: Kit = { ...firstKit(c, 'none'), ...limbs(c, airC), warm: null, overLegs: null, eyes: null };
  const outfits: Kit[] = c.bases.flatMap((base) =>
    (rule === 'base and shell' ? [null] : [null, ...c.mids]).flatMap((mid) =>
      (rule === 'base and shell' ? c.shells : [null, ...c.shells]).map((shell) => ({ ...plain, base, mid, shell })),
    ),
  );
  const wanted = rule.startsWith('warm') ? Infinity : neededResistance(airC, seen.metabolicWm2);
  const of = (k: Kit) => resistance([k.base, k.mid, k.shell]);
  const kit = wanted === Infinity ? outfits.reduce((a, b) => (of(b) > of(a) ? b : a)) : nearest(outfits, of, wanted);
  const course = new Course(person, timeline, undefined, undefined, undefined);
  const run = new PathRun(course, kit, 60);
  const dress = wear(run.ways, kit);
  const path = rule.startsWith('warm') ? shedding(run, dress, kit) : course.phases.map(() => dress);
  return run.plan(path);
}

/** Everything on and closed, tube up and hood back in the cold. */
function wear(ways: Ways, kit: Kit): Dress {
  const of = (g: number): readonly Way[] => ways[g];
  const most = (g: number) => of(g).reduce((a, b) => (b.worn.length > a.worn.length ? b : a));
  const closed = (w: Way): boolean =>
    w.choice === 'head' ? w.tube === 'up' && w.hood === 'down' : w.choice === 'torso' && w.vent === 'closed';
  const dress = [TORSO, HANDS, HEAD, LEGS, FEET, GOING].map((g) => {
    if (g === LEGS || g === FEET || g === GOING) return of(g)[0];
    const all = of(g).filter(
      (w) => w.worn.length === most(g).worn.length && !(w.choice === 'torso' && w.vent.includes('open')),
    );
    return all.find(closed) ?? all[0] ?? most(g);
  }) as unknown as Dress;
  return kit.mid || kit.shell ? dress : withWay(dress, TORSO, torsoClosed(ways, ['base'])!);
}

const torsoClosed = (ways: Ways, layers: readonly Layer[]): Way | undefined =>
  ways[TORSO].find((w) => w.vent === 'closed' && w.layers.join() === layers.join());

/** Sheds the middle layer for good where the torso first gets wet, as people do: when they already sweat. */
function shedding(run: PathRun, dress: Dress, kit: Kit): Dress[] {
  const path = run.course.phases.map(() => dress);
  if (!kit.mid) return path;
  const shed = torsoClosed(run.ways, kit.shell ? ['base', 'shell'] : ['base']);
  const less = shed ? withWay(dress, TORSO, shed) : dress;
  const { timeline } = run.course;
  const worn = run.plan(path);
  const { series, metrics } = scorePlan(run.course.person, kitGarments(kit), timeline, worn, { stepS: 30 });
  const row = metrics.torsoWet.findIndex((w) => w > WET_FELT);
  const from = row < 0 ? -1 : run.course.phases.findIndex((p) => p.startS >= series.timeS[row]);
  if (from < 1 || run.course.phases[from].onTheMove) return path;
  return path.map((d, p) => (p >= from ? less : d));
}

/** What a plan is compared in: its own cost, water in the layers on arrival at the first long stop, and the coldest finger. */
export interface Compared {
  cost: number;
  /** g; NaN without a stop of eight minutes */
  stopWaterG: number;
  fingersC: number;
}

const LONG_STOP_MIN = 8;

export function comparedBy(scored: Scored, timeline: Timeline): Compared {
  const stop = timeline.legs.findIndex((l, i) => i > 0 && isStop(l) && l.minutes >= LONG_STOP_MIN);
  const row = stop < 0 ? -1 : Math.round(timeline.legStartS[stop] / scored.series.stepS);
  return {
    cost: scored.total,
    stopWaterG: stop < 0 ? NaN : scored.metrics.waterG[row],
    fingersC: scored.metrics.fingers.value,
  };
}

/** Differences nobody feels: water beneath what is felt as damp, g; fingers that are warm, or within half a kelvin, °C. */
const DRY_G = 60;
const WARM_C = 20;
const SAME_K = 0.5;

/** Whether a plan does at least as well as another in each respect. */
export function atLeastAsGood(ours: Compared, theirs: Compared): Record<keyof Compared, boolean> {
  return {
    cost: ours.cost <= theirs.cost + 1e-9,
    stopWaterG: Number.isNaN(ours.stopWaterG) || ours.stopWaterG <= Math.max(DRY_G, theirs.stopWaterG),
    fingersC: ours.fingersC >= Math.min(WARM_C, theirs.fingersC - SAME_K),
  };
}

export interface Duel {
  name: string;
  ours: Compared;
  theirs: Record<FixedRule, Compared>;
}

/** An outing to be dressed for by the planner and by every rule; nobody in particular, in dry clothes, unless it says. */
export interface Contest {
  name: string;
  sport: Sport;
  closet: readonly Garment[];
  timeline: Timeline;
  person?: Person;
  damp?: Record<string, number>;
}

/** The planner and every rule on one outing. @param kept the planner's own plan where it is kept; else it is made */
export function duel(o: Contest, kept?: Plan): Duel {
  const { person = AVERAGE_PERSON, damp, timeline } = o;
  const run = (plan: Plan): Compared =>
    comparedBy(scorePlan(person, alongOf(o.closet, plan), timeline, plan, { damp }), timeline);
  const plan = kept ?? makePlan({ ...o, person }).plan;
  const theirs = Object.fromEntries(FIXED_RULES.map((rule) => [rule, run(ruledPlan(rule, o))])) as Duel['theirs'];
  return { name: o.name, ours: run(plan), theirs };
}
