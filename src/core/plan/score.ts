import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { bodyCost, EVEN, totalCost, weighed, type CostParts, type Weights } from '@/core/judge/cost';
import { findings, type Finding } from '@/core/judge/findings';
import { measure, type Metrics } from '@/core/judge/metrics';
import { verdict, type Verdict } from '@/core/judge/verdict';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/simulate/plan';
import type { Series } from '@/core/simulate/series';
import { Simulator } from '@/core/simulate/simulator';
import { changePrice, changesOf, MASS_PRICE } from './dress';
import { phases } from './moments';

/** A plan run in full and judged: what the screen draws. */
export interface Scored {
  series: Series;
  metrics: Metrics;
  cost: CostParts;
  total: number;
  findings: Finding[];
  verdict: Verdict;
  /** garment ids in the order of the series' garment index */
  garmentIds: string[];
  massG: number;
}

/** Runs a plan over a timeline at full resolution and judges it. `sim` may be reused between plans over the same garments. */
export function scorePlan(
  person: Person,
  garments: readonly Garment[],
  timeline: Timeline,
  plan: Plan,
  options: { stepS?: number; sampleS?: number; damp?: Record<string, number>; sim?: Simulator; weights?: Weights } = {},
): Scored {
  const sim = options.sim ?? new Simulator(person, [...garments]);
  sim.start(plan, options.damp);
  const series = sim.run(timeline.stretches, plan, { stepS: options.stepS ?? 10, sampleS: options.sampleS ?? 60 });
  const metrics = measure(series, sim.wardrobe, person, sim.body.area, timeline);
  const byId = new Map(garments.map((g) => [g.id, g]));
  const halted = haltedAt(timeline);
  const changes = plan.cues.reduce((sum, cue) => sum + changePrice(changesOf(cue.actions, byId), halted(cue.atS)), 0);
  const massG = [...new Set([...plan.worn, ...plan.carried])].reduce((sum, id) => sum + (byId.get(id)?.massG ?? 0), 0);
  const weights = options.weights ?? EVEN;
  const cost: CostParts = {
    ...weighed(bodyCost(series, metrics, person), weights),
    changes: changes * weights.fuss,
    mass: (massG / 1000) * MASS_PRICE * weights.weight * (timeline.endS / 3600),
  };
  const list = findings(metrics, timeline);
  return {
    series,
    metrics,
    cost,
    total: totalCost(cost),
    findings: list,
    verdict: verdict(list, metrics),
    garmentIds: sim.wardrobe.garments.map((g) => g.id),
    massG,
  };
}

/** Whether a change at a moment needs no extra halt. */
function haltedAt(timeline: Timeline): (atS: number) => boolean {
  const list = phases(timeline);
  return (atS) =>
    list.some((p) => Math.abs(p.startS - atS) < 1 && p.halted) ||
    list.some((p) => p.stop && atS >= p.startS && atS < p.endS);
}
