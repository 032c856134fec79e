import { isSafe } from '@/core/judge/findings';
import { feelsAtWorst } from '@/core/outing/feelsLike';
import { timelineOf, type Outing } from '@/core/outing/outing';
import { runPlan, type PlanInPlace } from './question';

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
}

/** A plan for an outing that may be begun at other hours. */
export interface StartQuestion extends PlanInPlace {
  outing: Outing;
  /** the athlete's own floor: feels-like temperature below which they do not go, °C */
  floorC?: number;
}

const HOUR = 3600_000;
const SAMPLE_S = 120;
/** A plan is tried at no more starts than this: ten days, beyond which no forecast is worth the name. */
const MOST = 240;

/** Tries the plan at every hour whose outing the forecast covers whole, and says which is best. @throws OutOfRange */
export function bestStart(q: StartQuestion): BestStart {
  const { outing } = q;
  const here = runAt(q, outing.startMs);
  const first = outing.forecast[0].timeMs;
  const last = outing.forecast[outing.forecast.length - 1].timeMs;
  const length = here.endS * 1000;
  const starts: Start[] = [];
  const offset = outing.startMs % HOUR;
  for (
    let at = Math.ceil((first - offset) / HOUR) * HOUR + offset;
    at + length <= last && starts.length < MOST;
    at += HOUR
  )
    starts.push(runAt(q, at).start);
  const now = starts.find((s) => s.startMs === outing.startMs) ?? here.start;
  if (!starts.includes(now)) starts.push(now);
  starts.sort((a, b) => a.startMs - b.startMs);
  const best = starts.reduce((a, b) => (isBetter(b, a) ? b : a), now);
  return { starts, best, saves: rank(now) - rank(best) };
}

/** An unsafe start comes after every safe one, whatever it costs. */
const UNSAFE_POINTS = 1000;
const rank = (s: Start): number => s.cost + (s.safe ? 0 : UNSAFE_POINTS);
export const isBetter = (a: Start, b: Start): boolean => rank(a) < rank(b) - 1e-9;

function runAt(q: StartQuestion, startMs: number): { start: Start; endS: number } {
  const timeline = timelineOf({ ...q.outing, startMs }, q.person);
  const scored = runPlan({ ...q, timeline }, q.plan, { sampleS: SAMPLE_S });
  return {
    endS: timeline.endS,
    start: {
      startMs,
      feelsC: feelsAtWorst(timeline),
      fallsMm: timeline.stretches.reduce((s, x) => s + (x.precipitationMmH * (x.endS - x.startS)) / 3600, 0),
      cost: scored.total,
      safe: isSafe(scored.findings),
    },
  };
}
