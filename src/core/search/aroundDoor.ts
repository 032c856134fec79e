import { clothesGravity, coldIn, partOf, type BodyPart } from '@/core/judge/clothesHold';
import { feltOf, type Felt } from '@/core/judge/felt';
import { isSafe } from '@/core/judge/findings';
import type { Scored } from '@/core/judge/scorePlan';
import type { Plan } from '@/core/kit/plan';
import { outingAtDoor, type DoorDay } from '@/core/outing/doorDay';
import { timelineOf } from '@/core/outing/outing';
import { tried } from './adapt';
import { askedOn, laidOut, rungsWorn, type DoorQuestion } from './doorQuestion';
import { reachOf, type Reach } from './reach';
import { jacketAtStops, zipsOnTheMove, type WornRung } from './rungs';

/** What another outfit would do, in short. */
export interface Beside {
  rung: number;
  plan: Plan;
  felt: Felt;
  waterG: number;
  fingersC: number;
  /** the gravest thing about these clothes, 0–3, and what it is about */
  gravity: number;
  fails: BodyPart | 'too hot' | null;
}

/** The same clothes at one effort. */
export interface AtEffort {
  exertion: number;
  metabolicW: number;
  waterG: number;
  felt: Felt;
}

/** What stands round the answer. */
export interface DoorAround {
  cooler: Beside | null;
  warmer: Beside | null;
  efforts: AtEffort[];
  /** in this wind, effort and wet: between which air this rung and its neighbours hold, °C */
  reach: (Reach & { rung: number })[];
}

/** Efforts beside the day's own, 0–10 as perceived. */
const OTHER_EFFORTS = [2, 3.5, 5, 6.5, 8] as const;

/** What stands round an answer: a rung cooler and warmer, the same clothes at other efforts (at the day's own it is the answer itself), and where every rung holds. */
export function aroundDoor(q: DoorQuestion, answer: { plan: Plan; rung: number; scored: Scored }): DoorAround {
  const { asked } = laidOut(q);
  const worn = rungsWorn(q, asked);
  const at = worn.findIndex((w) => w.rung.n === answer.rung);
  const inAir = (airC: number, plan: Plan): Scored => {
    const timeline = timelineOf(outingAtDoor({ ...q.day, airC }, q.place), q.person);
    const worn = jacketAtStops(plan, q.closet, timeline);
    return tried({ ...askedOn(q, timeline), plan: worn }, worn);
  };
  return {
    cooler: at > 0 ? beside(worn[at - 1]) : null,
    warmer: at >= 0 && at < worn.length - 1 ? beside(worn[at + 1]) : null,
    efforts: effortsFor(q.day.exertion).map((exertion) => {
      const timeline = timelineOf(outingAtDoor({ ...q.day, exertion }, q.place), q.person);
      const isOwn = exertion === q.day.exertion;
      const scored = isOwn ? answer.scored : tried({ ...asked, timeline, plan: answer.plan }, answer.plan);
      const going = timeline.stretches.find((s) => s.sport === q.day.sport)!;
      return {
        exertion,
        metabolicW: going.metabolicW,
        waterG: scored.metrics.waterPeak.value,
        felt: feltOf(scored.metrics, scored.series.stepS),
      };
    }),
    reach: worn
      .slice(Math.max(0, at - 1), at + 2)
      .filter((w) => w.rung.n > 0)
      .map((w) => ({ rung: w.rung.n, ...reachOf(w.plan, q.closet, inAir, zipsOnTheMove(asked)) })),
  };
}

/** Five efforts, the nearest of them being the day's own. */
function effortsFor(own: number): number[] {
  const near = OTHER_EFFORTS.reduce((a, b) => (Math.abs(b - own) < Math.abs(a - own) ? b : a));
  return OTHER_EFFORTS.map((e) => (e === near ? own : e));
}

const beside = ({ rung, plan, scored }: WornRung): Beside => {
  const cold = coldIn(scored);
  const gravity = clothesGravity(scored);
  return {
    rung: rung.n,
    plan,
    felt: feltOf(scored.metrics, scored.series.stepS),
    waterG: scored.metrics.waterPeak.value,
    fingersC: scored.metrics.fingers.value,
    gravity,
    fails: gravity < 2 ? null : cold ? partOf(cold) : 'too hot',
  };
};

/** The plan begun at another hour, in the weather of that hour. */
export interface DoorHour {
  startMs: number;
  day: DoorDay;
  waterG: number;
  felt: Felt;
  /** gravest of all that is found, 0–3 */
  gravity: number;
  safe: boolean;
  cost: number;
}

/**
 * The same clothes at other hours.
 * @param days the day as it would be at each hour
 */
export function hoursAtDoor(q: DoorQuestion, plan: Plan, days: readonly DoorDay[]): DoorHour[] {
  return days.map((day) => {
    const timeline = timelineOf(outingAtDoor(day, q.place), q.person);
    const scored = tried({ ...askedOn(q, timeline), plan }, plan);
    return {
      startMs: day.startMs,
      day,
      waterG: scored.metrics.waterPeak.value,
      felt: feltOf(scored.metrics, scored.series.stepS),
      gravity: scored.findings[0]?.severity ?? 0,
      safe: isSafe(scored.findings),
      cost: scored.total,
    };
  });
}
