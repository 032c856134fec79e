import { LIQUID_SHARE } from '@/core/atmosphere/precipitation';
import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { holdsBetter } from '@/core/judge/clothesHold';
import type { Plan } from '@/core/kit/plan';
import { outingAtDoor, type DoorDay, type DoorPlace } from '@/core/outing/doorDay';
import { timelineOf, type Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { MOST_LEAD_DAYS } from '@/core/questions/daySpread';
import { clamp } from '@/core/quantity/range';
import type { AthleteSpread } from '@/core/questions/athleteSpread';
import type { Question } from '@/core/questions/question';
import type { Rung } from './ladderTerms';
import { firstDress, keepsMouthRule, underStorm, withMouthCovered, wornBest, type WornRung } from './rungs';
import type { Wishes } from './wishes';

/** What is asked at the door: who, from what, how wished for, on which day and where; and the rungs of their ladder for the sport. */
export interface DoorQuestion {
  person: Person;
  /** how unsure the athlete is known; left out: as anybody */
  unsure?: AthleteSpread;
  closet: readonly Garment[];
  damp?: Record<string, number>;
  wishes: Wishes;
  day: DoorDay;
  place: DoorPlace | null;
  /** local wall clock, ms: weather of days ahead is less sure; left out: one goes now */
  nowMs?: number;
  /** empty: no ladder yet, one begins from a plain dressing */
  rungs: readonly Rung[];
}

/** The question as the core's questions take it. @throws OutOfRange for a day outside DOOR_RANGE */
export function laidOut(q: DoorQuestion): { outing: Outing; asked: Omit<Question, 'plan'> } {
  const outing = outingAtDoor(q.day, q.place);
  return { outing, asked: askedOn(q, timelineOf(outing, q.person)) };
}

/** The same on another clock. */
export const askedOn = (q: DoorQuestion, timeline: Timeline): Omit<Question, 'plan'> => ({
  person: q.person,
  unsure: q.unsure,
  closet: q.closet,
  timeline,
  sport: q.day.sport,
  damp: q.damp,
  weights: q.wishes.weights,
  waiting: q.wishes.waiting,
});

const ruleOf = (q: DoorQuestion) => ({ closet: q.closet, mouthBelowC: q.wishes.mouthBelowC });
/** Whether a plan keeps the athlete's own rules on this day. */
export const keepsRules = (q: DoorQuestion, plan: Plan): boolean => keepsMouthRule(ruleOf(q), plan, q.day.airC);

/** Each rung worn as it goes best on this day, by its place on the ladder. */
export function rungsWorn(q: DoorQuestion, asked: Omit<Question, 'plan'>): WornRung[] {
  const rungs = q.rungs.length > 0 ? q.rungs : [{ n: 0, plan: firstDress(asked), clo: 0 }];
  return rungs.map((r) => {
    const plan = keepsRules(q, r.plan) ? r.plan : withMouthCovered({ closet: q.closet, sport: q.day.sport }, r.plan);
    const ways = wets(q.day) ? underStorm({ closet: q.closet, sport: q.day.sport }, { ...r, plan }) : [{ ...r, plan }];
    return ways.map((way) => wornBest(asked, way)).reduce((a, b) => (holdsBetter(b.scored, a.scored) ? b : a));
  });
}

/** Whether something falls that wets. */
const wets = ({ falls }: DoorDay): boolean => falls.mmH > 0 && LIQUID_SHARE[falls.kind] > 0;

const DAY_MS = 24 * 3600_000;

/** Days from now to the start, 0–10: the chances widen with them. */
export const leadDaysOf = ({ day, nowMs }: Pick<DoorQuestion, 'day' | 'nowMs'>): number =>
  nowMs === undefined ? 0 : clamp((day.startMs - nowMs) / DAY_MS, 0, MOST_LEAD_DAYS);
