import { isSafe, isUnsafe, type Finding } from '@/core/judge/findings';
import { judge, type Go } from '@/core/judge/judgement';
import type { Scored } from '@/core/judge/scorePlan';
import { findingSentence } from '@/core/judge/verdict';
import { truncate } from '@/core/outing/truncate';
import { clamp } from '@/core/quantity/range';
import { besideOf } from './beside';
import { isBetter, type BestStart } from './bestStart';
import type { Chances } from './chances';
import { runPlan, type PlanInPlace } from './question';
import type { StuckOut } from './stuckOut';

/** Go, with care, shorter, or not today, with the reason. */
export interface Advice {
  go: Go | 'go shorter';
  /** in words; slots as in a verdict are filled in by the screen in the athlete's units */
  reason: string;
  /** minutes after which to be back, when shorter */
  minutes?: number;
  /** the next start that is above the athlete's floor and safe, ms, where the forecast has one */
  nextStartMs?: number;
}

/** What else is known of the plan when advice is asked. */
export interface Known {
  floorC?: number;
  chances?: Chances;
  stuckOut?: StuckOut;
  bestStart?: BestStart | null;
}

/** Turning round this early in the way to an alarm avoids it if anything does; less than so many minutes is no outing. */
const TURN_SHARE = 0.8;
const LEAST_MIN = 25;
const SAMPLE_S = 120;

/**
 * Whether to go, from the one judgement: the athlete's own floor, alarms, exposure, chances of harm, being stuck out, ice, airways and
 * night, gravest first; shorter, when turning round in time leaves nothing unsafe.
 * @param scored the plan run in full
 */
export function advise(q: PlanInPlace, scored: Scored, known: Known = {}): Advice {
  const { findings, go } = judge(scored.findings, scored.metrics, besideOf(q, known));
  const reason = findings.length === 0 ? 'nothing is near a limit' : reasons(findings);
  const nextStartMs = go === 'not today' ? nextStart(known) : undefined;
  if (go !== 'not today') return { go, reason };
  const minutes = turnBy(q, findings);
  const short = minutes >= LEAST_MIN ? truncate(q.timeline, minutes * 60) : null;
  if (short) {
    const again = runPlan({ ...q, timeline: short }, q.plan, { sampleS: SAMPLE_S });
    if (isSafe(again.findings)) return { go: 'go shorter', reason, minutes, nextStartMs };
  }
  return { go, reason, nextStartMs };
}

/** The worst, and how many more there are of its gravity. */
function reasons(list: readonly Finding[]): string {
  const same = list.filter((f) => f.severity === list[0].severity && f.severity > 1);
  const more = same.length > 1 ? ` And ${same.length - 1} more of that gravity.` : '';
  return findingSentence(list[0]) + more;
}

/** When to turn, min; 0 where an earlier return does not help: what is grave is the day, not how long one is out. */
function turnBy(q: PlanInPlace, list: readonly Finding[]): number {
  const alarms = list.filter(isUnsafe);
  if (alarms.some((f) => f.kind === 'floor' || f.kind === 'chances' || f.kind === 'stuck out')) return 0;
  const first = Math.min(...alarms.map((f) => f.atS));
  return Math.floor((clamp(first, 0, q.timeline.endS) * TURN_SHARE) / 60);
}

function nextStart({ bestStart, floorC }: Known): number | undefined {
  const good = bestStart?.starts.filter((s) => s.safe && (floorC === undefined || s.feelsC >= floorC)) ?? [];
  return good.length === 0 ? undefined : good.reduce((a, b) => (isBetter(b, a) ? b : a)).startMs;
}
