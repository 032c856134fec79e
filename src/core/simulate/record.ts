import { ZONE_COUNT } from '@/core/body/zones';
import { LATENT_VAPOUR } from '@/core/quantity/units';
import * as L from './layout';
import type { Series } from './series';
import type { Simulator } from './simulator';
import { HEAD } from './state';

/** Writes the simulator's present state into a row of a series. */
export function recordRow(sim: Simulator, out: Series, row: number): void {
  const { state: s, output: o, body, arrays: w } = sim;
  const m = s.memory;
  out.timeS[row] = s.head[HEAD.time];
  out.coreC[row] = s.head[HEAD.central];
  out.metabolicW[row] = s.head[HEAD.metabolic];
  out.heatW[row] = s.head[HEAD.metabolic] - s.head[HEAD.external] + o.shiverW;
  out.habitW[row] = s.head[HEAD.habit];
  out.shiverW[row] = o.shiverW;
  out.fatigue[row] = s.head[HEAD.fatigue];
  out.feelsC[row] = sim.feelsC;
  out.feelsBareC[row] = sim.feelsBare;
  out.bareFaceC[row] = sim.bareFace;
  out.earC[row] = sim.weather.earC;
  out.eyes[row] = sim.weather.eyes;
  out.rained[row] = sim.weather.rained;
  out.masked[row] = sim.weather.masked;
  out.scant[row] = sim.weather.scant;
  out.hinders[row] = sim.weather.hinders;
  out.flaps[row] = sim.weather.flaps;
  out.fog[row] = sim.fog;
  out.mouth[row] = sim.stacks.mouth;
  out.sweatGh[row] = o.sweatTotal * 3600;
  // What the sun gives back (or the sky takes) belongs to the dry loss of the body.
  let dry = -m[L.SUN] * body.totalArea;
  let wet = 0;
  for (let z = 0; z < ZONE_COUNT; z++) {
    const k = row * ZONE_COUNT + z;
    out.skinC[k] = s.skin[z];
    out.wettedness[k] = m[L.WETNESS + z];
    out.filmGm2[k] = s.film[z];
    out.zoneLossWm2[k] = m[L.DRY_LOSS + z] + m[L.EVAPORATIVE_LOSS + z] - m[L.SUN];
    dry += m[L.DRY_LOSS + z] * body.area[z];
    wet += m[L.EVAPORATIVE_LOSS + z] * body.area[z];
  }
  out.dryLossW[row] = dry;
  out.evaporativeLossW[row] = wet;
  out.evaporationGh[row] = (wet / LATENT_VAPOUR) * 3600;
  out.breathLossW[row] = sim.breathLossW;
  out.bodyHeatJ[row] = sim.bodyHeat();
  const at = row * w.count * ZONE_COUNT;
  out.garmentC.set(s.temperature, at);
  out.waterGm2.set(s.water, at);
  out.frostGm2.set(s.ice, at);
  // What is only laid aside for a moment still counts as worn.
  for (let g = 0; g < w.count; g++) out.worn[row * w.count + g] = s.worn[g] | sim.wearing.aside[g];
}
