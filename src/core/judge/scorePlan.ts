import type { Person } from '@/core/body/person';
import type { Garment } from '@/core/clothing/garment';
import { alarmCost, bodyCost, EVEN, totalCost, weighed, type CostParts, type Weights } from './cost';
import { findings, type Finding } from './findings';
import { extremesOf } from './extremes';
import { measure, type Metrics } from './metrics';
import { lackPrice, needOf } from './lacking';
import { verdict, type Verdict } from './verdict';
import type { Timeline } from '@/core/outing/timeline';
import type { Plan } from '@/core/kit/plan';
import type { Series } from '@/core/simulate/series';
import { Simulator } from '@/core/simulate/simulator';
import { applyPace } from '@/core/kit/applyPace';
import { bagOf } from '@/core/kit/raceBag';
import { everWorn } from '@/core/kit/replay';
import { alongOn, alongPrice, cuesPrice } from './prices';

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
  options: {
    stepS?: number;
    sampleS?: number;
    damp?: Record<string, number>;
    sim?: Simulator;
    weights?: Weights;
    /** people who must wait while something is changed */
    waiting?: number;
    /** changes of kit take no time */
    atOnce?: boolean;
  } = {},
): Scored {
  const sim = options.sim ?? new Simulator(person, [...garments]);
  sim.start(plan, options.damp);
  const gone = applyPace(timeline, plan.cues);
  const series = sim.run(gone.stretches, plan, {
    stepS: options.stepS ?? 10,
    sampleS: options.sampleS ?? 60,
    atOnce: options.atOnce,
  });
  const { weights, waiting } = options;
  return judgeSeries({ person, garments, timeline, plan, gone, series, sim, weights, waiting });
}

/** A run that is over, and what it is judged by. */
export interface RunToJudge {
  person: Person;
  garments: readonly Garment[];
  /** as planned, and as the plan's cues have it gone */
  timeline: Timeline;
  gone: Timeline;
  plan: Plan;
  series: Series;
  sim: Pick<Simulator, 'arrays' | 'body'>;
  weights?: Weights;
  waiting?: number;
}

/** Judges a run: metrics, what goes wrong, and what it costs. */
export function judgeSeries(run: RunToJudge): Scored {
  const { person, garments, timeline, gone, plan, series, sim, waiting = 0 } = run;
  const metrics = measure({ series, arrays: sim.arrays, area: sim.body.area, person, timeline: gone });
  const byId = new Map(garments.map((g) => [g.id, g]));
  const along = [...new Set([...plan.worn, ...plan.carried])].flatMap((id) => byId.get(id) ?? []);
  const weights = run.weights ?? EVEN;
  const on = alongOn(timeline, person);
  const bag = bagOf(plan, on.race);
  const list = findings(metrics, gone);
  const cost: CostParts = {
    ...weighed(bodyCost(series, metrics, person), weights),
    alarms: alarmCost(extremesOf(metrics)),
    changes: cuesPrice(plan, byId, { timeline, person }, waiting) * weights.fuss,
    mass: alongPrice(along, everWorn(plan), on, bag) * weights.weight,
    lacking:
      lackPrice(
        along.filter((g) => !bag.has(g.id)),
        needOf(timeline),
      ) * weights.caution,
  };
  return {
    series,
    metrics,
    cost,
    total: totalCost(cost),
    findings: list,
    verdict: verdict(list, metrics, 'forecast'),
    garmentIds: sim.arrays.garments.map((g) => g.id),
    massG: along.reduce((sum, g) => sum + g.massG, 0),
  };
}
