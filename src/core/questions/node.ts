import { alarmCost, noCost, totalCost, weighed, type BodyCost, type Weights } from '@/core/judge/cost';
import { newExtremes } from '@/core/judge/extremes';
import type { Changing } from '@/core/kit/changing';
import type { Simulator } from '@/core/simulate/simulator';
import { runPhase, type PhaseToRun } from './phaseRunner';

/** After a phase: the state, and what it has cost so far. */
export interface Node {
  state: Float64Array;
  extremes: Float64Array;
  body: BodyCost;
  changes: number;
  /** points so far, without what only the end knows */
  soFar: number;
}

/** The state of a node that nobody will go on from. */
export const NONE = new Float64Array(0);

/** A phase to be gone: the change of kit at its start, what that costs, and how the athlete weighs things. */
export interface Leap extends PhaseToRun {
  change: Changing | null;
  /** price of the changes so far, points */
  changes: number;
  weights: Weights;
  /** memory for the state at its end; none: it is not kept */
  into: Float64Array | null;
}

/** Goes one phase on from where the simulator stands. @param from the node it stands at; null: at the start */
export function leap(sim: Simulator, from: Node | null, { change, changes, weights, into, ...phase }: Leap): Node {
  const extremes = from ? from.extremes.slice() : newExtremes();
  const body = from ? { ...from.body } : noCost();
  runPhase(sim, phase, change, body, extremes);
  const soFar = totalCost({ ...weighed(body, weights), alarms: alarmCost(extremes), changes, mass: 0, lacking: 0 });
  return { state: into ? sim.snapshot(into) : NONE, extremes, body, changes, soFar };
}
