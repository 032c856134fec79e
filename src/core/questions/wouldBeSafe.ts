import type { Garment } from '@/core/clothing/garment';
import type { Leg } from '@/core/outing/leg';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/kit/plan';
import { ASK_STEP_S, type Question } from './question';
import { suitsSport } from '@/core/clothing/purpose';
import { alarmsIn } from '@/core/judge/findings';
import { swapGarment, takeGarment, act } from '@/core/kit/edit';
import { phases } from '@/core/outing/moments';
import { scorePlan, type Scored } from '@/core/judge/scorePlan';
import { truncate } from '@/core/outing/truncate';
import { isWorn } from '@/core/kit/replay';

/** One thing that would make an unsafe day safe, or at least safer. */
export interface Remedy {
  kind: 'garment' | 'shorter' | 'walk on';
  text: string;
  /** alarms left with it */
  alarms: number;
  /** of a piece that is not owned */
  garment?: string;
  /** of a shorter outing */
  minutes?: number;
}

/** `more`: generic pieces that could be borrowed or bought. */
export type WouldBeSafeRequest = Question & { more: readonly Garment[] };

/** A shorter outing than this is none, min; tried in steps of so many. */
const LEAST_MIN = 20;
const EACH_MIN = 10;
/** Nobody borrows a whole outfit: the few best pieces are named. */
const MOST_PIECES = 3;
/** A stop made this much shorter: a quarter of it, as walking about. */
const STOP_SHARE = 0.25;

const alarmsOf = (s: Scored): number => alarmsIn(s.findings).length;

/**
 * For a plan with alarms: what would be safe instead. Pieces that are not owned, taken in place of one worn or along for the
 * worst moment; turning round earlier; and stops cut short. Each is simulated.
 * @returns remedies that take away an alarm, the most helpful first; empty when the plan is safe already
 */
export function wouldBeSafe(r: WouldBeSafeRequest): Remedy[] {
  const all = new Map([...r.more, ...r.closet].map((g) => [g.id, g]));
  const run = (plan: Plan, timeline = r.timeline): Scored => {
    const garments = [...new Set([...plan.worn, ...plan.carried])].flatMap((id) => all.get(id) ?? []);
    const { damp, weights, waiting } = r;
    return scorePlan(r.person, garments, timeline, plan, { stepS: ASK_STEP_S, sampleS: 60, damp, weights, waiting });
  };
  const now = run(r.plan);
  const before = alarmsOf(now);
  if (before === 0) return [];
  const remedies: (Remedy & { cost: number })[] = [];
  const keep = (remedy: Omit<Remedy, 'alarms'>, s: Scored) => {
    if (alarmsOf(s) < before) remedies.push({ ...remedy, alarms: alarmsOf(s), cost: s.total });
  };
  for (const { garment, plan } of borrowed(r, now))
    keep({ kind: 'garment', text: `borrow or buy: ${garment.name.toLowerCase()}`, garment: garment.id }, run(plan));
  const short = shorter(r, run);
  if (short)
    keep(
      { kind: 'shorter', text: `turn round to be back within ${short.minutes} min`, minutes: short.minutes },
      short.scored,
    );
  if (r.timeline.legs.some(isRest)) {
    const on = walkOn(r.timeline, r.plan);
    keep({ kind: 'walk on', text: 'keep moving instead of stopping' }, run(on.plan, on.timeline));
  }
  remedies.sort((a, b) => a.alarms - b.alarms || a.cost - b.cost);
  const pieces = remedies.filter((x) => x.kind === 'garment').slice(0, MOST_PIECES);
  return remedies.filter((x) => x.kind !== 'garment' || pieces.includes(x)).map(({ cost: _cost, ...x }) => x);
}

/** Each piece not owned, worn instead of its like, or put on at the worst moment and kept on. */
function borrowed(r: WouldBeSafeRequest, now: Scored): { garment: Garment; plan: Plan }[] {
  const owned = new Set(r.closet.map((g) => g.id));
  const along = [...r.plan.worn, ...r.plan.carried].flatMap((id) => r.closet.find((g) => g.id === id) ?? []);
  const worstS = now.findings[0].atS;
  const moment = [...phases(r.timeline)].reverse().find((p) => p.startS <= worstS)!;
  const out: { garment: Garment; plan: Plan }[] = [];
  for (const g of r.more) {
    if (owned.has(g.id) || !suitsSport(g, r.sport)) continue;
    const like = along.find((o) => o.group === g.group && o.role === g.role);
    if (like) out.push({ garment: g, plan: swapGarment(r.plan, like.id, g) });
    const carried = takeGarment(r.plan, g.id, 'carried');
    if (g.role === 'warm' || g.group === 'hands' || g.group === 'head' || g.group === 'face')
      out.push({ garment: g, plan: act(carried, { do: 'putOn', garment: g.id }, moment.startS) });
    if (like && isWorn(r.plan, like.id, 0)) continue;
    if (g.role !== 'base' && g.role !== 'footwear') out.push({ garment: g, plan: takeGarment(r.plan, g.id, 'worn') });
  }
  return out;
}

/** The longest outing without an alarm that is worth going for; null when there is none. */
function shorter(
  r: WouldBeSafeRequest,
  run: (plan: Plan, t: Timeline) => Scored,
): { minutes: number; scored: Scored } | null {
  const whole = Math.floor(r.timeline.endS / 60);
  let low = Math.floor(LEAST_MIN / EACH_MIN);
  let high = Math.floor((whole - 1) / EACH_MIN);
  let best: { minutes: number; scored: Scored } | null = null;
  // Alarms only come as time goes by: the longest outing without one is found by halving.
  while (low <= high) {
    const mid = (low + high) >> 1;
    const minutes = mid * EACH_MIN;
    const t = truncate(r.timeline, minutes * 60);
    const scored = t && run(r.plan, t);
    if (scored && alarmsOf(scored) === 0) {
      best = { minutes, scored };
      low = mid + 1;
    } else high = mid - 1;
  }
  return best;
}

const isRest = (l: Leg): boolean => l.sport === 'stand' || l.sport === 'sit';

/** The same outing with every rest outdoors cut short, the clock and the cues moving up. */
function walkOn(t: Timeline, plan: Plan): { timeline: Timeline; plan: Plan } {
  const stretches: Timeline['stretches'] = [];
  const at = (timeS: number): number => {
    let gone = 0;
    for (const s of t.stretches) {
      if (s.startS >= timeS) break;
      gone += (Math.min(s.endS, timeS) - s.startS) * (isRest(t.legs[s.leg]) ? STOP_SHARE : 1);
    }
    return gone;
  };
  for (const s of t.stretches) stretches.push({ ...s, startS: at(s.startS), endS: at(s.endS) });
  return {
    timeline: { ...t, stretches, legStartS: t.legStartS.map(at), endS: at(t.endS) },
    plan: { ...plan, cues: plan.cues.map((c) => ({ ...c, atS: at(c.atS) })) },
  };
}
