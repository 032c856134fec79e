import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { isIndoors, type Sport } from '@/core/effort/sports';
import { climbedM } from '@/core/outing/distance';
import { coldestFelt, feelsLikeC } from '@/core/outing/feelsLike';
import { timelineOf } from '@/core/outing/outing';
import { scorePlan } from '@/core/judge/scorePlan';
import type { Verdict } from '@/core/judge/verdict';
import type { Plan } from '@/core/kit/plan';
import type { Timeline } from '@/core/outing/timeline';
import type { StoredOuting } from '@/store/outings';

/** What the home screen says of one outing: its air, its land, and what the newest plan comes to. */
export interface HomeLine {
  id: string;
  name: string;
  sport: Sport;
  startMs: number;
  /** whether it came from a route that can be given out again */
  hasRoute: boolean;
  seconds: number;
  distanceM: number;
  climbM: number;
  airLowC: number;
  airHighC: number;
  feelsC: number;
  windMs: number;
  falls: string | null;
  /** seconds, height m, metabolic rate W along the way */
  land: { t: number; eleM: number; metabolicW: number }[];
  verdict: Verdict | null;
  cues: number | null;
  /** a stored outing that no longer lays out, and why */
  problem: string | null;
}

/** Lays one outing out and judges its newest plan. Never throws: an outing that cannot be laid out says so in its line. */
export function homeLine(
  outing: StoredOuting,
  person: Person,
  plan: Plan | null,
  garments: readonly Garment[],
  damp: Record<string, number>,
): HomeLine {
  const head = {
    id: outing.id,
    name: outing.name,
    sport: outing.sport,
    startMs: outing.startMs,
    hasRoute: outing.profile !== null,
  };
  try {
    const timeline = timelineOf(outing, person);
    return { ...head, ...weather(timeline), ...judged(timeline, person, plan, garments, damp), problem: null };
  } catch (e) {
    return {
      ...head,
      seconds: 0,
      distanceM: 0,
      climbM: 0,
      airLowC: NaN,
      airHighC: NaN,
      feelsC: NaN,
      windMs: NaN,
      falls: null,
      land: [],
      verdict: null,
      cues: null,
      problem: (e as Error).message,
    };
  }
}

function weather(timeline: Timeline) {
  const out = timeline.stretches.filter((s) => !isIndoors(s.sport));
  const all = out.length > 0 ? out : timeline.stretches;
  const wettest = all.reduce((a, b) => (b.precipitationMmH > a.precipitationMmH ? b : a));
  return {
    seconds: timeline.endS,
    distanceM: timeline.legs.reduce((s, l) => s + l.distanceM, 0),
    climbM: climbedM(timeline),
    airLowC: Math.min(...all.map((s) => s.airC)),
    airHighC: Math.max(...all.map((s) => s.airC)),
    feelsC: feelsLikeC(coldestFelt(all)),
    windMs: Math.max(...all.map((s) => s.relativeWind)),
    falls: wettest.precipitationMmH > 0.05 ? wettest.precipitation : null,
    land: timeline.stretches.map((s) => ({ t: (s.startS + s.endS) / 2, eleM: s.eleM, metabolicW: s.metabolicW })),
  };
}

function judged(
  timeline: Timeline,
  person: Person,
  plan: Plan | null,
  garments: readonly Garment[],
  damp: Record<string, number>,
) {
  if (!plan) return { verdict: null, cues: null };
  const used = new Set([...plan.worn, ...plan.carried]);
  const scored = scorePlan(
    person,
    garments.filter((g) => used.has(g.id)),
    timeline,
    plan,
    { damp },
  );
  return { verdict: scored.verdict, cues: plan.cues.length };
}
