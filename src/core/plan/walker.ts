import { ZONE_COUNT, ZONE_TABLE, zoneIndex } from '@/core/body/zones';
import {
  addMoment,
  noCost,
  noMoment,
  totalCost,
  weighed,
  type BodyCost,
  type Moment,
  type Weights,
} from '@/core/judge/cost';
import { sensation } from '@/core/judge/sensation';
import type { Timeline } from '@/core/outing/timeline';
import { HEAD } from '@/core/simulate/state';
import type { Simulator } from '@/core/simulate/simulator';
import type { Phase } from './moments';

const CHEST = zoneIndex('chest');
const BACK = zoneIndex('back');
const PELVIS = zoneIndex('pelvis');
const FINGERS = zoneIndex('fingers');
const TOES = zoneIndex('toes');
const FACE = zoneIndex('face');
const SCALP = zoneIndex('scalp');
const ARMS = zoneIndex('arms');
const THIGHS = zoneIndex('thighs');
const CALVES = zoneIndex('calves');
const A = [CHEST, BACK, PELVIS].map((z) => ZONE_TABLE[z].areaM2);
const TORSO_AREA = A[0] + A[1] + A[2];

const torso = (v: Float64Array): number => (v[CHEST] * A[0] + v[BACK] * A[1] + v[PELVIS] * A[2]) / TORSO_AREA;

/** Reads the moment the cost needs straight from a simulator. */
export function readMoment(sim: Simulator, into: Moment): Moment {
  const { state: s } = sim;
  into.timeS = s.head[HEAD.time];
  into.coreC = s.head[HEAD.central];
  into.torsoC = torso(s.skin);
  into.torsoWet = torso(sim.wettedness);
  into.heatWm2 = s.head[HEAD.habit] / sim.body.totalArea;
  into.sensation = sensation(into.torsoC, into.heatWm2, into.coreC, into.torsoWet, sim.body.person.warmth);
  into.shiverW = sim.shiverW;
  into.fingersC = s.skin[FINGERS];
  into.toesC = s.skin[TOES];
  into.faceC = s.skin[FACE];
  into.scalpC = s.skin[SCALP];
  into.limbsC = Math.min(s.skin[ARMS], s.skin[THIGHS], s.skin[CALVES]);
  let water = 0;
  const w = sim.wardrobe;
  for (let g = 0; g < w.count; g++) {
    if (!s.worn[g]) continue;
    for (let z = 0; z < ZONE_COUNT; z++) {
      const j = g * ZONE_COUNT + z;
      if (w.cover[j] > 0) water += Math.max(0, s.water[j] - 0.5 * w.sorb[j]) * sim.body.area[z];
    }
  }
  into.waterG = water;
  return into;
}

const NOW = noMoment();

/** Counts integrator work, for the bench and the progress line. */
export const work = { phases: 0 };

/**
 * Runs the present state through one phase and returns its body cost; the state is left at the phase's end.
 * Coarse steps: the final plan is simulated again at full resolution.
 */
export function walk(sim: Simulator, timeline: Timeline, phase: Phase, stepS: number): BodyCost {
  work.phases++;
  const cost = noCost();
  let t = phase.startS;
  const entry = torso(sim.state.skin);
  let deepest = 0;
  for (const c of timeline.stretches) {
    if (c.endS <= t + 1e-9) continue;
    if (c.startS >= phase.endS - 1e-9) break;
    sim.dress(c);
    while (t < Math.min(c.endS, phase.endS) - 1e-9) {
      const until = Math.min(c.endS, phase.endS, t + stepS);
      sim.step(c, until - t);
      addMoment(cost, readMoment(sim, NOW), sim.body.person, (until - t) / 3600);
      deepest = Math.max(deepest, entry - NOW.torsoC);
      t = until;
    }
  }
  if (phase.stop) cost.afterChill += (deepest / 3.5) * (deepest / 3.5) * 0.4;
  return cost;
}

/** Sum of the body's parts as the athlete weighs them, points. */
export function costOf(c: BodyCost, weights: Weights): number {
  return totalCost({ ...weighed(c, weights), changes: 0, mass: 0 });
}
