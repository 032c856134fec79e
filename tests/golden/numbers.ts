import { createHash } from 'node:crypto';
import { CATALOGUE } from '@/core/clothing/catalogue';
import { iso11079ByLeg } from '@/core/judge/iso11079ByLeg';
import { advise } from '@/core/questions/advise';
import { alongOf } from '@/core/kit/edit';
import { chances } from '@/core/questions/chances';
import { missedCues } from '@/core/questions/missedCues';
import { makePlan } from '@/core/search/planner';
import { propose } from '@/core/questions/propose';
import { scorePlan } from '@/core/judge/scorePlan';
import { stuckOut } from '@/core/questions/stuckOut';
import { whyThis } from '@/core/questions/whyThis';
import { wouldBeSafe } from '@/core/questions/wouldBeSafe';
import type { Series } from '@/core/simulate/series';
import type { GoldenOuting } from './outings';

const MEMBERS = 8;

/** Every number of a run, to the last bit. */
export function hashOf(s: Series): string {
  const hash = createHash('sha256');
  for (const key of Object.keys(s).sort()) {
    const v = s[key as keyof Series];
    hash.update(key);
    hash.update(typeof v === 'number' ? String(v) : Buffer.from(v.buffer, v.byteOffset, v.byteLength));
  }
  return hash.digest('hex').slice(0, 24);
}

/** What is kept of one outing: numbers exactly as JavaScript writes them, which is to the last bit. */
export function numbersOf(o: GoldenOuting) {
  const { person, closet, timeline, sport, damp } = o;
  const planned = makePlan({ person, closet, timeline, sport, damp });
  const { plan } = planned;
  const along = alongOf(closet, plan);
  const scored = scorePlan(person, along, timeline, plan, { damp });
  const asked = { person, closet, timeline, sport, plan, damp };
  const c = chances({ ...asked, count: MEMBERS });
  const proposal = propose(asked);
  return {
    outing: o.name,
    endS: timeline.endS,
    plan,
    simulations: planned.simulations,
    curve: planned.curve.map((p) => [p.cues, p.cost]),
    series: hashOf(scored.series),
    cost: { ...scored.cost, total: scored.total },
    findings: scored.findings.map((f) => [f.kind, f.severity, f.atS, f.value]),
    fingersC: scored.metrics.fingers.value,
    waterG: scored.metrics.waterPeak.value,
    missed: missedCues(asked, scored).map((m) => m.missCost),
    chances: { meanCost: c.meanCost, badCost: c.badCost, shares: c.list.map((x) => x.share), matters: c.matters.share },
    stuck: stuckOut(asked).stuck.map((s) => [s.atS, s.feelsC, s.handsH, s.dangerH, s.after.map((a) => a.coreC)]),
    why: whyThis(asked).map((w) => [w.garment, w.warmer?.adds ?? null, w.cooler?.adds ?? null]),
    proposal: proposal && [proposal.text, proposal.saves],
    safer: wouldBeSafe({ ...asked, more: CATALOGUE }).map((r) => [r.text, r.alarms]),
    advice: advise(asked, scored).go,
    iso11079: iso11079ByLeg(timeline, plan, new Map(closet.map((g) => [g.id, g])), person).map((l) => [
      l.ireqNeutralClo,
      l.wornClo,
      l.limitHours,
    ]),
  };
}
