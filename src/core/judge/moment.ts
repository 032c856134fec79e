import { ZONE_COUNT, ZONE_TABLE, zoneIndex } from '@/core/body/zones';
import { beyondDry } from '@/core/moisture/beyondDry';
import type { Series } from '@/core/simulate/series';
import type { Simulator } from '@/core/simulate/simulator';
import { HEAD } from '@/core/simulate/state';
import { hotCore } from './hotCore';
import type { Metrics } from './metrics';
import { sensation, shaken } from './sensation';

/** What the cost reads of a moment. Temperatures °C. */
export interface Moment {
  timeS: number;
  sensation: number;
  torsoC: number;
  heatWm2: number;
  torsoWet: number;
  feetWet: number;
  coreC: number;
  /** core less what work so hard gives anybody, °C: see `hotCore` */
  hotCoreC: number;
  shiverW: number;
  fingersC: number;
  toesC: number;
  faceC: number;
  scalpC: number;
  /** the coldest of arms and legs */
  limbsC: number;
  /** water in worn garments, of it what is on legs and feet, and of that what is on the feet, g */
  waterG: number;
  legWaterG: number;
  feetWaterG: number;
  /** what the air feels like, and what it feels like to a bare face (Infinity where none is bare), °C */
  feelsC: number;
  feelsBareC: number;
  /** ears, °C; how badly eyes are hurt, 0–1; rain on the hair and in at the front, 0–1 each; whether eyewear fogs, from 1 on */
  earC: number;
  eyes: number;
  rained: number;
  masked: number;
  /** how scantily limbs are dressed, 0–33: see `Weathered` */
  scant: number;
  /** what hinders the work, 0–1: see `Weathered` */
  hinders: number;
  /** a front that stands open flaps in the wind, 0–1 */
  flaps: number;
  fog: number;
  /** of what is worn: mass, kg, and whether something that is kept dry for stops is among it, a jacket or over-trousers, 0 or 1 */
  wornKg: number;
  warmOn: number;
  /** layers over the torso, a shell over another as two; and under a roof how many coats are still on */
  layers: number;
  coats: number;
  /** effort, share of the maximum */
  effort: number;
}

/** A moment to be filled in. */
export const noMoment = (): Moment => ({
  timeS: 0,
  sensation: 0,
  torsoC: 0,
  heatWm2: 0,
  torsoWet: 0,
  feetWet: 0,
  coreC: 0,
  hotCoreC: 0,
  shiverW: 0,
  fingersC: 0,
  toesC: 0,
  faceC: 0,
  scalpC: 0,
  limbsC: 0,
  waterG: 0,
  legWaterG: 0,
  feetWaterG: 0,
  feelsC: 0,
  feelsBareC: Infinity,
  earC: Infinity,
  eyes: 0,
  rained: 0,
  masked: 0,
  scant: 0,
  hinders: 0,
  flaps: 0,
  fog: 0,
  wornKg: 0,
  warmOn: 0,
  layers: 0,
  coats: 0,
  effort: 0,
});

const FINGERS = zoneIndex('fingers');
const TOES = zoneIndex('toes');
const FEET = zoneIndex('feet');
const FACE = zoneIndex('face');
const SCALP = zoneIndex('scalp');
const ARMS = zoneIndex('arms');
const THIGHS = zoneIndex('thighs');
const CALVES = zoneIndex('calves');
const CHEST = zoneIndex('chest');
const BACK = zoneIndex('back');
const UNDER = zoneIndex('underPack');
const PELVIS = zoneIndex('pelvis');
const A = [CHEST, BACK, UNDER, PELVIS].map((z) => ZONE_TABLE[z].areaM2);
const TORSO_AREA = A[0] + A[1] + A[2] + A[3];

/** Mean of the torso's zones by area, of values of all zones. @param from place of the first zone */
export const torsoMean = (v: Float64Array, from = 0): number =>
  (v[from + CHEST] * A[0] + v[from + BACK] * A[1] + v[from + UNDER] * A[2] + v[from + PELVIS] * A[3]) / TORSO_AREA;

/** Fills in what the skin of the zones says, from values of all zones. */
function readSkin(into: Moment, skinC: Float64Array, from: number, bareFaceC: number): void {
  into.fingersC = skinC[from + FINGERS];
  into.toesC = skinC[from + TOES];
  // The coldest of it counts: a bare strip freezes beside what is covered.
  into.faceC = Math.min(bareFaceC, skinC[from + FACE]);
  into.scalpC = skinC[from + SCALP];
  into.limbsC = Math.min(skinC[from + ARMS], skinC[from + THIGHS], skinC[from + CALVES]);
}

/** The moment that a row of a recorded run shows. */
export function momentOfRow(series: Series, m: Metrics, row: number, into: Moment): Moment {
  into.timeS = series.timeS[row];
  into.sensation = m.sensation[row];
  into.torsoC = m.torsoSkin[row];
  into.heatWm2 = m.heatWm2[row];
  into.torsoWet = m.torsoWet[row];
  into.feetWet = series.wettedness[row * ZONE_COUNT + FEET];
  into.coreC = series.coreC[row];
  into.hotCoreC = m.hotCoreC[row];
  into.shiverW = series.shiverW[row];
  into.waterG = m.waterG[row];
  into.legWaterG = m.legWaterG[row];
  into.feetWaterG = m.feetWaterG[row];
  into.feelsC = series.feelsC[row];
  into.earC = series.earC[row];
  into.eyes = series.eyes[row];
  into.rained = series.rained[row];
  into.masked = series.masked[row];
  into.scant = series.scant[row];
  into.hinders = series.hinders[row];
  into.flaps = series.flaps[row];
  into.fog = series.fog[row];
  into.wornKg = m.wornKg[row];
  into.warmOn = m.warmOn[row];
  into.layers = m.layersOn[row];
  into.coats = m.coatsOn[row];
  into.effort = m.effort[row];
  into.feelsBareC = series.feelsBareC[row];
  readSkin(into, series.skinC, row * ZONE_COUNT, series.bareFaceC[row]);
  return into;
}

/** Reads the moment the cost needs straight from a simulator. */
export function readMoment(sim: Simulator, into: Moment): Moment {
  const { state: s } = sim;
  into.timeS = s.head[HEAD.time];
  into.coreC = s.head[HEAD.central];
  into.hotCoreC = hotCore(into.coreC, s.head[HEAD.habit] / sim.maxMetabolic);
  into.torsoC = torsoMean(s.skin);
  into.torsoWet = torsoMean(sim.wettedness);
  into.feetWet = sim.wettedness[FEET];
  into.heatWm2 = s.head[HEAD.habit] / sim.body.totalArea;
  into.shiverW = sim.shiverW;
  const { warmth } = sim.body.person;
  into.sensation = shaken(sensation(into.torsoC, into.heatWm2, into.hotCoreC, into.torsoWet, warmth), into.shiverW);
  into.feelsC = sim.feelsC;
  into.earC = sim.weather.earC;
  into.eyes = sim.weather.eyes;
  into.rained = sim.weather.rained;
  into.masked = sim.weather.masked;
  into.scant = sim.weather.scant;
  into.hinders = sim.weather.hinders;
  into.flaps = sim.weather.flaps;
  into.fog = sim.fog;
  into.effort = s.head[HEAD.metabolic] / sim.maxMetabolic;
  into.feelsBareC = sim.feelsBare;
  readSkin(into, s.skin, 0, sim.bareFace);
  let water = 0;
  let legs = 0;
  let feet = 0;
  let worn = 0;
  let shells = 0;
  into.warmOn = into.layers = into.coats = 0;
  const w = sim.arrays;
  const bothers = sim.bothers;
  const { area } = sim.body;
  for (let g = 0; g < w.count; g++) {
    if (!s.worn[g]) continue;
    worn += w.layerKg[g];
    if (w.standby[g] === 1) into.warmOn = 1;
    into.layers += w.torso[g];
    shells += w.shell[g];
    if (bothers) into.coats += bothers[g];
    for (const z of w.zonesOf[g]) {
      const j = g * ZONE_COUNT + z;
      const here = beyondDry(s.water[j], w.sorb[j]) * area[z];
      water += here;
      legs += here * w.onLegs[j];
      if (z === FEET || z === TOES) feet += here;
    }
  }
  if (shells > 1) into.layers += shells - 1;
  into.waterG = water;
  into.legWaterG = legs;
  into.feetWaterG = feet;
  into.wornKg = worn;
  return into;
}
