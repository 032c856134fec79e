import { ensemble } from '@/core/clothing/ensembleInsulation';
import type { Garment } from '@/core/clothing/garment';
import type { Person } from '@/core/body/person';
import type { Weights } from '@/core/judge/cost';
import type { Plan } from '@/core/kit/plan';
import { act, alongOf, swapGarment, takeGarment } from '@/core/kit/edit';
import { isWorn } from '@/core/kit/replay';
import { askedAt, legAt, phases } from '@/core/outing/moments';
import { suitsSport } from '@/core/clothing/purpose';
import { outingAtDoor, type DoorDay, type DoorFall, type DoorSport } from '@/core/outing/doorDay';
import { timelineOf } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { kmhToMs } from '@/core/quantity/units';
import { holdsBetter } from '@/core/judge/clothesHold';
import type { Scored } from '@/core/judge/scorePlan';
import type { Question } from '@/core/questions/question';
import { adapt, tried } from './adapt';
import { LADDER_EFFORTS, LADDER_MINUTES, LADDER_WINDS, type Rung } from './ladderTerms';
import { MOUTH_COVERED } from './wishes';
import { operationsAt } from '@/core/kit/followable';
import { makePlan } from './planner';

/** Of what the ladder is: who, from what, for which sport and where. */
export interface LadderQuestion {
  person: Person;
  closet: readonly Garment[];
  sport: DoorSport;
  shelter: DoorDay['shelter'];
  weights?: Weights;
  damp?: Record<string, number>;
  /** the athlete's own rule: below this air the mouth is covered, °C; null: none */
  mouthBelowC?: number | null;
}

/** What another piece must save for the next rung to have it, points: less is not worth remembering another outfit for. */
const PIECE_SAVES = 0.06;
const WEARING_SAVES = 0.02;
const CUES = 3;

/** Middles of the bands through which the ladder is climbed at steady effort in a breeze, °C; then windier, then easier. */
const CLIMB_C = [7.5, 2.5, -2.5, -7.5, -12.5, -17.5, -22.5, -27.5] as const;

/** One hour of a ladder. */
export interface LadderHour {
  airC: number;
  windKmh: number;
  exertion: number;
  falls?: DoorFall;
}

/** The hour as an outing on its clock: nowhere in particular, without sun. @throws OutOfRange */
export function ladderHour(q: Pick<LadderQuestion, 'person' | 'sport' | 'shelter'>, h: LadderHour): Timeline {
  const day: DoorDay = {
    sport: q.sport,
    shelter: q.shelter,
    minutes: LADDER_MINUTES,
    exertion: h.exertion,
    airC: h.airC,
    windMs: kmhToMs(h.windKmh),
    falls: h.falls ?? { kind: 'none', mmH: 0 },
    sky: 'overcast',
    stops: [],
    startMs: 0,
    packKg: 0,
  };
  return timelineOf(outingAtDoor(day, null), q.person);
}

export const askedOf = (q: LadderQuestion, timeline: Timeline): Omit<Question, 'plan'> => ({
  person: q.person,
  closet: q.closet,
  timeline,
  sport: q.sport,
  damp: q.damp,
  weights: q.weights,
});

/** Whether a plan keeps the athlete's own rule about the mouth, in such air. */
export function keepsMouthRule(q: Pick<LadderQuestion, 'closet' | 'mouthBelowC'>, plan: Plan, airC: number): boolean {
  if (q.mouthBelowC == null || airC >= q.mouthBelowC) return true;
  const covers = q.closet.filter((g) => g.mouthCover >= MOUTH_COVERED);
  return covers.length === 0 || covers.some((g) => plan.worn.includes(g.id));
}

/** The steps of the climb: lightest first. */
const climb = (): LadderHour[] => [
  { airC: CLIMB_C[0], windKmh: LADDER_WINDS.calm.kmh, exertion: LADDER_EFFORTS.hard },
  ...CLIMB_C.map((airC) => ({ airC, windKmh: LADDER_WINDS.breezy.kmh, exertion: LADDER_EFFORTS.steady })),
  { airC: CLIMB_C[CLIMB_C.length - 1], windKmh: LADDER_WINDS.windy.kmh, exertion: LADDER_EFFORTS.steady },
  { airC: CLIMB_C[CLIMB_C.length - 1], windKmh: LADDER_WINDS.windy.kmh, exertion: LADDER_EFFORTS.easy },
];

/**
 * The rungs of somebody's ladder for one sport: outfits from light to warm, each the one before with as few pieces changed as will
 * do. Found by climbing from a mild calm hour to a bitter windy one, each step adapted from the last; told as they are found.
 * @throws OutOfRange when the closet lacks a part nobody can go without
 */
export function* climbRungs(q: LadderQuestion, goOn: () => boolean = () => true): Generator<Rung[]> {
  const rungs: Rung[] = [];
  let from: Plan | null = null;
  for (const hour of climb()) {
    if (!goOn()) return;
    const asked = askedOf(q, ladderHour(q, hour));
    const begin: Plan = from ?? firstDress(asked);
    const { plan } = adapt(asked, begin, {
      kit: PIECE_SAVES,
      wearing: WEARING_SAVES,
      maxCues: CUES,
      must: (p) => keepsMouthRule(q, p, hour.airC),
      goOn,
    });
    from = plan;
    if (!rungs.some((r) => sameKit(r.plan, plan)))
      rungs.push({ n: rungs.length + 1, plan, clo: cloOf(q.closet, plan) });
    yield [...rungs];
  }
}

/** All rungs. */
export function ladderRungs(q: LadderQuestion): Rung[] {
  let last: Rung[] = [];
  for (const rungs of climbRungs(q)) last = rungs;
  return last;
}

/** The planner's first dressing: somewhere sensible to begin. */
export function firstDress(q: Omit<Question, 'plan'>): Plan {
  let first: Plan | null = null;
  const whole = makePlan({ ...q, maxCues: CUES }, (_done, _says, found) => {
    first ??= found ?? null;
    return first === null;
  });
  return first ?? whole.plan;
}

const sameKit = (a: Plan, b: Plan): boolean => {
  const ids = (p: Plan) => [...p.worn, ...p.carried].sort().join(' ');
  return ids(a) === ids(b) && [...a.worn].sort().join(' ') === [...b.worn].sort().join(' ');
};

/** Still air at 10 °C, in which insulation is compared. */
const STILL = { airC: 10, relativeWind: 0.4, pumping: 0, packOn: false };

function cloOf(closet: readonly Garment[], plan: Plan): number {
  const worn = alongOf(closet, plan).filter((g) => plan.worn.includes(g.id));
  return ensemble(worn, STILL, closedUp(plan, worn).openings).intrinsicClo;
}

/** The plan with everything shut from the start and nothing to do: how it holds the cold best. */
export function closedUp(plan: Plan, closet: readonly Garment[]): Plan {
  return { ...plan, openings: allAt(plan, closet, 'closed'), cues: [] };
}

/** The plan with everything open from the start: how it holds the heat best. */
export function openedUp(plan: Plan, closet: readonly Garment[]): Plan {
  return { ...plan, openings: allAt(plan, closet, 'open'), cues: [] };
}

/** When right clothes begin to feel warm, s: eight minutes in (common practice, no published source). */
const WARM_S = 480;

/** The plan shut for the first minutes and then open: cool at the door without a draught, and no stew after. @param most zips at once */
export function openedLater(plan: Plan, closet: readonly Garment[], most: number): Plan {
  const shut = closedUp(plan, closet);
  const actions = alongOf(closet, shut)
    .filter((g) => shut.worn.includes(g.id))
    .flatMap((g) =>
      g.openings
        .filter((o) => o.kind === 'vent')
        .map((o) => ({ do: 'set' as const, garment: g.id, opening: o.id, setting: 1 })),
    );
  return actions.length === 0 ? shut : { ...shut, cues: [{ atS: WARM_S, actions: actions.slice(0, most) }] };
}

function allAt(plan: Plan, closet: readonly Garment[], how: 'closed' | 'open'): Plan['openings'] {
  const out: Plan['openings'] = {};
  for (const g of alongOf(closet, plan))
    if (g.openings.length > 0) out[g.id] = Object.fromEntries(g.openings.map((o) => [o.id, how === 'open' ? 1 : 0]));
  return out;
}

/** A rung worn as it goes best in one hour. */
export interface WornRung {
  rung: Rung;
  plan: Plan;
  scored: Scored;
}

/** A stop worth putting the jacket on for, s. */
const JACKET_STOP_S = 240;

/** The plan with the jacket that is carried put on at every longer stop outdoors, and off again on leaving. */
export function jacketAtStops(plan: Plan, closet: readonly Garment[], timeline: Timeline): Plan {
  const jacket = alongOf(closet, plan).find((g) => g.group === 'torso' && g.role === 'warm');
  if (!jacket || plan.worn.includes(jacket.id)) return plan;
  const stops = phases(timeline).filter(
    (p) =>
      p.stop && p.halted && p.startS > 0 && p.endS - p.startS >= JACKET_STOP_S && !isWorn(plan, jacket.id, p.startS),
  );
  return stops
    .filter((p) => timeline.legs[legAt(timeline, p.startS)].shelter !== 'indoor')
    .reduce((p, s) => {
      const on = act(p, { do: 'putOn', garment: jacket.id }, s.startS);
      const leaves = timeline.legStartS[legAt(timeline, s.startS) + 1];
      return leaves < timeline.endS ? act(on, { do: 'takeOff', garment: jacket.id }, leaves) : on;
    }, plan);
}

/** How many zips somebody opens at once as hard as this goes: one at race effort. */
export const zipsOnTheMove = ({ person, timeline }: Pick<Question, 'person' | 'timeline'>): number =>
  operationsAt(person, askedAt(timeline, WARM_S), 'moving');

/** The rung as it was found, shut, open, or opened once warm, with the jacket at stops: whichever holds best in that hour. */
export function wornBest(asked: Omit<Question, 'plan'>, rung: Rung): WornRung {
  const { closet, timeline } = asked;
  const most = zipsOnTheMove(asked);
  return [rung.plan, closedUp(rung.plan, closet), openedUp(rung.plan, closet), openedLater(rung.plan, closet, most)]
    .map((way) => jacketAtStops(way, closet, timeline))
    .map((plan) => ({ rung, plan, scored: tried({ ...asked, plan }, plan) }))
    .reduce((a, b) => (holdsBetter(b.scored, a.scored) ? b : a));
}

/** A rung as it is, and where something wet falls under each shell and over-trousers that keep it off. */
export function underStorm(q: Pick<LadderQuestion, 'closet' | 'sport'>, rung: Rung): Rung[] {
  const storms = (group: Garment['group']) =>
    q.closet.filter((g) => g.group === group && g.role === 'storm' && suitsSport(g, q.sport));
  const instead = (plan: Plan, group: Garment['group']): Plan[] => {
    const shell = alongOf(q.closet, plan).find((g) => g.group === group && (g.role === 'shell' || g.role === 'storm'));
    return storms(group)
      .filter((s) => s !== shell)
      .map((s) => (shell ? swapGarment(plan, shell.id, s) : takeGarment(plan, s.id, 'worn')));
  };
  const under = instead(rung.plan, 'torso');
  return [rung.plan, ...under, ...under.flatMap((p) => instead(p, 'legs'))].map((plan) => ({ ...rung, plan }));
}

/** The plan with the best cover for the mouth that is owned, instead of what is on the face. */
export function withMouthCovered(q: Pick<LadderQuestion, 'closet' | 'sport'>, plan: Plan): Plan {
  const covers = q.closet.filter((g) => g.mouthCover >= MOUTH_COVERED && suitsSport(g, q.sport));
  if (covers.length === 0) return plan;
  const best = covers.reduce((a, b) => (b.mouthCover > a.mouthCover ? b : a));
  const had = alongOf(q.closet, plan).find((g) => g.group === 'face');
  return had ? swapGarment(plan, had.id, best) : takeGarment(plan, best.id, 'worn');
}
