import { ZONE_COUNT, ZONE_TABLE, zoneIndex } from '@/core/body/zones';
import { addMoment, noMoment, type BodyCost, type Moment } from '@/core/judge/cost';
import { sensation } from '@/core/judge/sensation';
import { WATCH, watchMoment } from '@/core/judge/watch';
import { atHalt } from '@/core/outing/conditions';
import { isStop } from '@/core/outing/leg';
import type { Stretch, Timeline } from '@/core/outing/timeline';
import type { Changing } from '@/core/simulate/changing';
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
/** The chill of a stop is read in its first twenty minutes, s. */
const CHILL_S = 1200;

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
    for (const z of w.zonesOf[g]) {
      const j = g * ZONE_COUNT + z;
      const held = s.water[j] - 0.5 * w.sorb[j];
      if (held > 0) water += held * sim.body.area[z];
    }
  }
  into.waterG = water;
  return into;
}

const NOW = noMoment();

/** Counts integrator work, for the bench and the budget of a search. */
export const work = { phases: 0, steps: 0 };

/**
 * Runs the present state through one phase, adding to its body cost and to the watch; the state is left at the phase's end.
 * A change of kit begun at the phase's start takes its time first. Coarse steps: the plan is simulated again in full.
 */
export function walk(
  sim: Simulator,
  timeline: Timeline,
  phase: Phase,
  stepS: number,
  change: Changing | null,
  cost: BodyCost,
  watch: Float64Array,
): void {
  work.phases++;
  const { person, totalArea } = sim.body;
  let t = phase.startS;
  let busyUntil = change && change.seconds > 0 ? Math.min(phase.endS, t + change.seconds) : t;
  const step = (c: Stretch, until: number): void => {
    work.steps++;
    sim.step(until - t);
    const hours = (until - t) / 3600;
    addMoment(cost, readMoment(sim, NOW), person, hours);
    watchMoment(watch, NOW, person.warmth, -sim.bodyHeat() / 3600 / totalArea, hours);
    const arrival = timeline.legStartS[c.leg];
    if (isStop(timeline.legs[c.leg]) && c.leg > 0 && until <= arrival + CHILL_S + 1e-6)
      watch[WATCH.afterChillK] = Math.max(watch[WATCH.afterChillK], watch[WATCH.arrivedC] - NOW.torsoC);
    t = until;
  };
  for (const here of timeline.stretches) {
    if (here.endS <= t + 1e-9) continue;
    if (here.startS >= phase.endS - 1e-9) break;
    if (Math.abs(t - timeline.legStartS[here.leg]) < 1e-6) watch[WATCH.arrivedC] = torso(sim.state.skin);
    const end = Math.min(here.endS, phase.endS);
    if (change && busyUntil > t) {
      const c = change.halt ? atHalt(here) : here;
      sim.dress(c);
      while (t < Math.min(end, busyUntil) - 1e-9) step(c, Math.min(end, busyUntil, t + stepS));
    }
    if (change && t >= busyUntil - 1e-9) {
      sim.endChange(change, here.airC);
      change = null;
      busyUntil = t;
    }
    if (t >= end - 1e-9) continue;
    sim.dress(here);
    // Steps of one length, none of them a remainder.
    const from = t;
    const count = Math.ceil((end - from) / stepS - 1e-9);
    for (let n = 1; n <= count; n++) step(here, n < count ? from + ((end - from) * n) / count : end);
  }
  if (change) sim.endChange(change, timeline.stretches[timeline.stretches.length - 1].airC);
}
