import { UNDER_PACK, ZONE_COUNT, zoneIndex } from '@/core/body/zones';
import type { Person } from '@/core/body/person';
import type { GarmentArrays } from '@/core/clothing/garmentArrays';
import { maximalMetabolicRate } from '@/core/effort/fromAthlete';
import { isStop } from '@/core/effort/sports';
import { bothersIn } from '@/core/simulate/bothers';
import { chillingWater } from './chillingWater';
import { airways, type BreathLoad } from './airways';
import { highest, lower, lowest, raise, type Extreme } from './extreme';
import { bout, shiversAt } from './extremes';
import { hotCore } from './hotCore';
import { stopLoss } from './stopLoss';
import { beyondDry, wetShare } from '@/core/moisture/beyondDry';
import { stretchAt } from '@/core/outing/moments';
import type { Timeline } from '@/core/outing/timeline';
import type { Series } from '@/core/simulate/series';
import { shareAbove } from '@/core/quantity/shareAbove';
import { torsoMean } from './moment';
import { coldTorso, sensation, shaken } from './sensation';
import { CHILL_S, LIMIT, SETTLE_S, SHIVERS_W, WEAK } from './limits';

/** What the verdict, the cost and the screen all read: made once from a run. */
export interface Metrics {
  fingers: Extreme;
  toes: Extreme;
  face: Extreme;
  scalp: Extreme;
  /** the coldest of arms, thighs and calves */
  limbs: Extreme;
  /** bare ears; Infinity where they never are */
  ears: Extreme;
  torso: Extreme;
  /** torso skin above what counts as chilled through at that effort, K, at its least */
  torsoMargin: Extreme & { torsoC: number };
  coreHigh: Extreme;
  /** core less what work so hard gives anybody (`hotCore`), °C, at its most, and the core itself then */
  hotCore: Extreme & { coreC: number };
  coreLow: Extreme;
  /** water in worn garments beyond dry storage, g */
  waterPeak: Extreme;
  /** of it what is on legs and feet; and what of all of it chills: see `chillingWater` */
  legWaterPeak: Extreme;
  chillingWater: Extreme;
  waterEnd: number;
  /** share of the innermost torso layer's capacity, and in air in which that chills; largest torso wettedness */
  basePeak: Extreme;
  baseChills: Extreme;
  wetPeak: Extreme;
  sweatG: number;
  shiverMinutes: number;
  clumsyMinutes: number;
  /** felt hot (sensation over 2), and cold (under −2), after the first ten minutes; the worst of each in `feltHot`, `feltCold` */
  hotMinutes: number;
  coldMinutes: number;
  feltHot: Extreme;
  feltCold: Extreme;
  /** most heat lost at a stop in its first 20 minutes, and that of every stop in turn, Wh/m²: see `stopLoss` */
  stopLoss: Extreme;
  stopLosses: number[];
  /** coldest felt, °C, anywhere and while any of the face is bare */
  felt: Extreme;
  feltBare: Extreme;
  /** coldest air breathed hard, °C, and how hard: see `airways` */
  airways: Extreme & { load: BreathLoad };
  /** heat the body has lost from its own tissues at the worst moment, Wh/m² */
  heatDebt: Extreme;
  frostPeakG: number;
  /** minutes in which worn eyewear fogs, and when first */
  fogMinutes: number;
  fogAtS: number;
  /** share of what covers the mouth that is full of ice, at its most */
  mouthIce: Extreme;
  sensation: Float64Array;
  /** heat production the skin is used to, W/m² */
  heatWm2: Float64Array;
  /** core less what work so hard gives anybody, °C */
  hotCoreC: Float64Array;
  torsoSkin: Float64Array;
  torsoWet: Float64Array;
  /** water in worn garments, of it what is on legs and feet, and of that what is on the feet, g */
  waterG: Float64Array;
  legWaterG: Float64Array;
  feetWaterG: Float64Array;
  frostG: Float64Array;
  baseShare: Float64Array;
  /** of what is worn: mass, kg, and whether the jacket for stops is among it; effort, share of the maximum */
  wornKg: Float64Array;
  warmOn: Float64Array;
  /** layers over the torso, a shell over another as two; and under a roof how many coats are still on */
  layersOn: Float64Array;
  coatsOn: Float64Array;
  effort: Float64Array;
}

const CHEST = zoneIndex('chest');
const FINGERS = zoneIndex('fingers');
const FEET = zoneIndex('feet');
const TOES = zoneIndex('toes');
const FACE = zoneIndex('face');
const SCALP = zoneIndex('scalp');
const LIMBS = (['arms', 'thighs', 'calves'] as const).map(zoneIndex);

/** The base's water is read on chest and back, half each. */
const BASE_READ = [
  [CHEST, 0.5],
  [zoneIndex('back'), 0.5 * (1 - UNDER_PACK)],
  [zoneIndex('underPack'), 0.5 * UNDER_PACK],
] as const;
/** The innermost layer over so much of the chest is the base, 0–1. */
const COVERS_CHEST = 0.5;

/** A run, and what it is read with: the garments' arrays, zone areas in m², who, and when. */
export interface RunToMeasure {
  series: Series;
  arrays: GarmentArrays;
  area: Float64Array;
  person: Person;
  timeline: Timeline;
}

/** Reads a run into metrics. */
export function measure(run: RunToMeasure): Metrics {
  const { series, area, person, timeline } = run;
  const rows = series.rows;
  const m: Metrics = {
    fingers: lowest(),
    toes: lowest(),
    face: lowest(),
    scalp: lowest(),
    limbs: lowest(),
    ears: lowest(),
    torso: lowest(),
    torsoMargin: { ...lowest(), torsoC: NaN },
    coreHigh: highest(),
    hotCore: { ...highest(), coreC: NaN },
    coreLow: lowest(),
    waterPeak: highest(),
    legWaterPeak: highest(),
    chillingWater: highest(),
    waterEnd: 0,
    basePeak: highest(),
    baseChills: highest(),
    wetPeak: highest(),
    sweatG: 0,
    shiverMinutes: 0,
    clumsyMinutes: 0,
    hotMinutes: 0,
    coldMinutes: 0,
    feltHot: highest(),
    feltCold: lowest(),
    stopLoss: { value: 0, atS: 0 },
    stopLosses: [],
    felt: lowest(),
    feltBare: lowest(),
    airways: airways(timeline, person),
    heatDebt: { value: 0, atS: 0 },
    frostPeakG: 0,
    fogMinutes: 0,
    fogAtS: 0,
    mouthIce: { value: 0, atS: 0 },
    sensation: new Float64Array(rows),
    heatWm2: new Float64Array(rows),
    hotCoreC: new Float64Array(rows),
    torsoSkin: new Float64Array(rows),
    torsoWet: new Float64Array(rows),
    waterG: new Float64Array(rows),
    legWaterG: new Float64Array(rows),
    feetWaterG: new Float64Array(rows),
    frostG: new Float64Array(rows),
    baseShare: new Float64Array(rows),
    wornKg: new Float64Array(rows),
    warmOn: new Float64Array(rows),
    layersOn: new Float64Array(rows),
    coatsOn: new Float64Array(rows),
    effort: new Float64Array(rows),
  };
  const hours = series.stepS / 3600;
  const minutes = series.stepS / 60;
  const minutesAbove = (of: Float64Array, r: number, limit: number): number =>
    r === 0 ? 0 : minutes * shareAbove(of[r - 1], of[r], limit);
  const bodyArea = area.reduce((a, b) => a + b, 0);
  let shivering = 0;
  const most = maximalMetabolicRate(person.vo2maxMl, person.massKg);
  for (let r = 0; r < rows; r++) {
    const t = series.timeS[r];
    const k = r * ZONE_COUNT;
    const torso = torsoMean(series.skinC, k);
    const wet = torsoMean(series.wettedness, k);
    m.torsoSkin[r] = torso;
    m.torsoWet[r] = wet;
    const heat = series.habitW[r] / bodyArea;
    const core = hotCore(series.coreC[r], series.habitW[r] / most);
    if (core > m.hotCore.value) m.hotCore = { value: core, atS: t, coreC: series.coreC[r] };
    m.hotCoreC[r] = core;
    m.sensation[r] = shaken(sensation(torso, heat, core, wet, person.warmth), series.shiverW[r]);
    const margin = torso + person.warmth - coldTorso(heat);
    if (margin < m.torsoMargin.value) m.torsoMargin = { value: margin, atS: t, torsoC: torso };
    m.heatWm2[r] = heat;
    lower(m.fingers, series.skinC[k + FINGERS], t);
    lower(m.toes, series.skinC[k + TOES], t);
    lower(m.face, Math.min(series.skinC[k + FACE], series.bareFaceC[r]), t);
    lower(m.felt, series.feelsC[r], t);
    lower(m.feltBare, series.feelsBareC[r], t);
    lower(m.scalp, series.skinC[k + SCALP], t);
    for (const z of LIMBS) lower(m.limbs, series.skinC[k + z], t);
    if (t >= SETTLE_S) lower(m.ears, series.earC[r], t);
    m.effort[r] = series.metabolicW[r] / most;
    lower(m.torso, torso, t);
    raise(m.coreHigh, series.coreC[r], t);
    lower(m.coreLow, series.coreC[r], t);
    raise(m.wetPeak, wet, t);
    m.sweatG += series.sweatGh[r] * hours;
    if (t >= SETTLE_S) {
      m.hotMinutes += minutesAbove(m.sensation, r, WEAK.feltHot);
      m.coldMinutes += r === 0 ? 0 : minutes - minutesAbove(m.sensation, r, WEAK.feltCold);
      raise(m.feltHot, m.sensation[r], t);
      lower(m.feltCold, m.sensation[r], t);
    }
    const shivers = r === 0 ? 0 : shareAbove(series.shiverW[r - 1], series.shiverW[r], SHIVERS_W);
    shivering = bout(shivering, r === 0 ? 0 : minutes, shivers, shiversAt(r === 0 ? 0 : series.shiverW[r - 1]));
    m.shiverMinutes = Math.max(m.shiverMinutes, shivering);
    if (series.skinC[k + FINGERS] < LIMIT.fingerClumsy) m.clumsyMinutes += minutes;
    raise(m.heatDebt, -series.bodyHeatJ[r] / 3600 / bodyArea, t);
    readWater(m, run, r);
    readBreath(m, run, r);
  }
  m.waterEnd = m.waterG[rows - 1];
  readStops(m, run, bodyArea);
  return m;
}

function readBreath(m: Metrics, { series, arrays: w }: RunToMeasure, r: number): void {
  const t = series.timeS[r];
  for (let g = 0; g < w.count; g++) {
    const j = g * ZONE_COUNT + FACE;
    if (series.worn[r * w.count + g] && w.mouth[g] > 0 && w.cover[j] > 0)
      raise(m.mouthIce, series.frostGm2[(r * w.count + g) * ZONE_COUNT + FACE] / w.liquid[j], t);
  }
  if (r === 0 || series.fog[r] <= 1) return;
  if (m.fogMinutes === 0) m.fogAtS = t;
  m.fogMinutes += series.stepS / 60;
}

function readWater(m: Metrics, { series, arrays: w, area, timeline }: RunToMeasure, r: number): void {
  const t = series.timeS[r];
  const bothers = bothersIn(w, stretchAt(timeline, t - series.stepS / 2).sport);
  let [water, legs, feet, frost, shells] = [0, 0, 0, 0, 0];
  let base = -1;
  for (let i = 0; i < w.count; i++) {
    const g = w.inOrder[i];
    if (!series.worn[r * w.count + g]) continue;
    m.wornKg[r] += w.layerKg[g];
    if (w.standby[g] === 1) m.warmOn[r] = 1;
    m.layersOn[r] += w.torso[g];
    shells += w.shell[g];
    if (bothers) m.coatsOn[r] += bothers[g];
    for (let z = 0; z < ZONE_COUNT; z++) {
      const j = g * ZONE_COUNT + z;
      if (w.cover[j] === 0) continue;
      const at = (r * w.count + g) * ZONE_COUNT + z;
      const here = beyondDry(series.waterGm2[at], w.sorb[j]) * area[z];
      water += here;
      legs += here * w.onLegs[j];
      if (z === FEET || z === TOES) feet += here;
      frost += series.frostGm2[at] * area[z];
    }
    if (base < 0 && w.cover[g * ZONE_COUNT + CHEST] > COVERS_CHEST) base = g;
  }
  // A shell over a shell flaps, rustles and binds as a layer more.
  if (shells > 1) m.layersOn[r] += shells - 1;
  m.waterG[r] = water;
  m.legWaterG[r] = legs;
  m.feetWaterG[r] = feet;
  m.frostG[r] = frost;
  if (frost > m.frostPeakG) m.frostPeakG = frost;
  raise(m.waterPeak, water, t);
  raise(m.legWaterPeak, legs, t);
  raise(m.chillingWater, chillingWater({ waterG: water, legWaterG: legs, feetWaterG: feet, effort: m.effort[r] }), t);
  for (const [z, weight] of base >= 0 ? BASE_READ : []) {
    const j = base * ZONE_COUNT + z;
    const held = series.waterGm2[(r * w.count + base) * ZONE_COUNT + z];
    m.baseShare[r] += weight * wetShare(held, w.sorb[j], w.liquid[j]);
  }
  raise(m.basePeak, m.baseShare[r], t);
  if (series.feelsC[r] < LIMIT.wetChillsC) raise(m.baseChills, m.baseShare[r], t);
}

function readStops(m: Metrics, { series, timeline, person }: RunToMeasure, bodyArea: number): void {
  const body = (r: number) => ({ debtWhM2: -series.bodyHeatJ[r] / 3600 / bodyArea, coreC: series.coreC[r] });
  timeline.legs.forEach((leg, i) => {
    if (!isStop(leg)) return;
    const from = Math.floor(timeline.legStartS[i] / series.stepS);
    const until = Math.min(timeline.legStartS[i + 1], timeline.legStartS[i] + CHILL_S);
    const to = Math.min(series.rows - 1, Math.floor(until / series.stepS));
    const here = { value: 0, atS: 0 };
    for (let r = from; r <= to; r++) raise(here, stopLoss(body(from), body(r), person), series.timeS[r]);
    raise(m.stopLoss, here.value, here.atS);
    m.stopLosses.push(here.value);
  });
}
