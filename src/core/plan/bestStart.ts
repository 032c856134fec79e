import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import type { Weights } from '@/core/judge/cost';
import { windChillC } from '@/core/atmosphere/windChill';
import { timelineOf, type Outing } from '@/core/outing/outing';
import type { Timeline } from '@/core/outing/timeline';
import { clamp } from '@/core/quantity/range';
import type { Plan } from '@/core/simulate/plan';
import { cutShort } from './cutShort';
import { scorePlan, type Scored } from './score';

/** One start that the forecast covers. */
export interface Start {
  startMs: number;
  feelsC: number;
  /** mm of water that falls on the way */
  fallsMm: number;
  /** cost of the given plan then, points, and whether it is safe then */
  cost: number;
  safe: boolean;
}

export interface BestStart {
  starts: Start[];
  best: Start;
  /** how much better than the planned start, points */
  saves: number;
  advice: Advice;
}

/** Go, go shorter, or not today, with the reason. */
export interface Advice {
  go: 'go' | 'go shorter' | 'not today';
  /** in words; {temp:°C} is filled in by the screen in the athlete's units */
  reason: string;
  /** minutes after which to be back, when shorter */
  minutes?: number;
}

export interface StartRequest {
  person: Person;
  garments: readonly Garment[];
  outing: Outing;
  plan: Plan;
  damp?: Record<string, number>;
  weights?: Weights;
  waiting?: number;
  /** the athlete's own floor: feels-like temperature below which they do not go, °C */
  floorC?: number;
}

const STEP_S = 30;
const HOUR = 3600_000;
/** A plan is tried at no more starts than this: ten days, beyond which no forecast is worth the name. */
const MOST = 240;

/** Tries the plan at every hour whose outing the forecast covers whole, and says when and whether to go. */
export function bestStart(r: StartRequest): BestStart {
  const { outing } = r;
  const here = runAt(r, outing.startMs);
  const first = outing.forecast[0].timeMs;
  const last = outing.forecast[outing.forecast.length - 1].timeMs;
  const length = here.timeline.endS * 1000;
  const starts: Start[] = [];
  const offset = outing.startMs % HOUR;
  for (
    let at = Math.ceil((first - offset) / HOUR) * HOUR + offset;
    at + length <= last && starts.length < MOST;
    at += HOUR
  )
    starts.push(runAt(r, at).start);
  const now = starts.find((s) => s.startMs === outing.startMs) ?? here.start;
  if (!starts.includes(now)) starts.push(now);
  starts.sort((a, b) => a.startMs - b.startMs);
  const best = starts.reduce((a, b) => (rank(b) < rank(a) - 1e-9 ? b : a), now);
  return { starts, best, saves: rank(now) - rank(best), advice: advise(r, here.timeline, here.scored) };
}

/** Unsafe starts come after all safe ones. */
const rank = (s: Start): number => s.cost + (s.safe ? 0 : 1000);

interface Ran {
  start: Start;
  timeline: Timeline;
  scored: Scored;
}

function runAt(r: StartRequest, startMs: number): Ran {
  const timeline = timelineOf({ ...r.outing, startMs }, r.person);
  const scored = scorePlan(r.person, r.garments, timeline, r.plan, {
    stepS: STEP_S,
    sampleS: 120,
    damp: r.damp,
    weights: r.weights,
    waiting: r.waiting,
  });
  return {
    timeline,
    scored,
    start: {
      startMs,
      feelsC: feels(timeline),
      fallsMm: timeline.stretches.reduce((s, x) => s + (x.precipitationMmH * (x.endS - x.startS)) / 3600, 0),
      cost: scored.total,
      safe: !scored.findings.some((f) => f.severity === 3),
    },
  };
}

const feels = (t: Timeline): number => Math.min(...t.stretches.map((s) => windChillC(s.airC, s.wind10 * 3.6)));

/** What one plan on one outing needs to be advised about. */
export type AdviceRequest = Pick<StartRequest, 'person' | 'garments' | 'plan' | 'damp' | 'floorC'>;

/** Whether to go: the athlete's own floor first, then alarms of the plan; shorter, when turning round in time avoids them. */
export function advise(r: AdviceRequest, timeline: Timeline, scored: Scored): Advice {
  const feelsC = feels(timeline);
  if (r.floorC !== undefined && feelsC < r.floorC)
    return {
      go: 'not today',
      reason: `feels like {temp:${feelsC.toFixed(1)}} at worst, below your own floor of {temp:${r.floorC.toFixed(1)}}`,
    };
  const alarm = scored.findings.find((f) => f.severity === 3);
  if (!alarm) {
    const ice = scored.findings.find((f) => f.kind === 'ice');
    return ice
      ? { go: 'go', reason: `nothing unsafe in this plan; but ${ice.means}` }
      : { go: 'go', reason: 'nothing unsafe in this plan' };
  }
  const reason = `${alarm.what} at ${(alarm.atS / 60).toFixed(0)} min: ${alarm.means}`;
  // Turning round before it happens is shorter only if something worth going for is left.
  const minutes = Math.floor((clamp(alarm.atS, 0, timeline.endS) * 0.8) / 60);
  const short = cutShort(timeline, minutes * 60);
  if (minutes >= 25 && short) {
    const again = scorePlan(r.person, r.garments, short, r.plan, { stepS: STEP_S, sampleS: 120, damp: r.damp });
    if (!again.findings.some((f) => f.severity === 3)) return { go: 'go shorter', reason, minutes };
  }
  return { go: 'not today', reason };
}
