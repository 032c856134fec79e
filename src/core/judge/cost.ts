import type { Person } from '@/core/body/person';
import { ramp, within } from '@/core/quantity/range';
import type { Series } from '@/core/simulate/series';
import type { Metrics } from './metrics';
import { coldTorso } from './sensation';
import { LIMIT, SETTLE_S, SHIVER_FREE_W } from './limits';
import { momentOfRow, noMoment, type Moment } from './moment';
import { PRICE } from './prices';
import { chillingWater } from './chillingWater';
import { alarms, weakness } from './extremes';

/** The parts of the one stated cost. Each is in "points": about one point is an hour of being clearly annoyed by it. */
export interface CostParts {
  cold: number;
  heat: number;
  wetSkin: number;
  wetLayers: number;
  afterChill: number;
  extremities: number;
  /** what mass costs at race effort, and the jacket for stops worn at work */
  burden: number;
  /** a fixed price for each thing the verdict calls unsafe, which no comfort outweighs, and a small one for nearing a weak point */
  alarms: number;
  changes: number;
  mass: number;
  /** what ought to be along and is not */
  lacking: number;
}

/** Points for the worst values of a run: a fixed price for each thing the verdict calls unsafe, and a small one for nearing a weak point. */
export const alarmCost = (worst: Float64Array): number => PRICE.alarm * alarms(worst) + PRICE.weak * weakness(worst);

export const COST_WORDS: Record<keyof CostParts, string> = {
  cold: 'feeling cold',
  heat: 'overheating',
  wetSkin: 'wet skin',
  wetLayers: 'water in the layers',
  afterChill: 'chill at stops',
  extremities: 'fingers, toes, head',
  burden: 'weight and bulk at work',
  alarms: 'alarms and weak points',
  changes: 'changes',
  mass: 'what is carried',
  lacking: 'what is not along',
};

/** How the athlete weighs the parts: 1 as given, 0.2 hardly, 3 very much. */
export interface Weights {
  /** cold, chill at stops, fingers and toes */
  caution: number;
  /** changes */
  fuss: number;
  /** carried mass */
  weight: number;
}
export const EVEN: Weights = { caution: 1, fuss: 1, weight: 1 };
export const WEIGHT_RANGE = [0.2, 3] as const;

/** @throws OutOfRange naming the weight */
export function checkWeights(w: Partial<Weights> = {}): Weights {
  const all = { ...EVEN, ...w };
  for (const key of Object.keys(EVEN) as (keyof Weights)[]) within(`weight of ${key}`, all[key], ...WEIGHT_RANGE);
  return all;
}

/** The parts of a cost as the athlete weighs them. */
export function weighed<T extends BodyCost>(c: T, w: Weights): T {
  return {
    ...c,
    cold: c.cold * w.caution,
    afterChill: c.afterChill * w.caution,
    extremities: c.extremities * w.caution,
  };
}

/** Discomfort that grows with the square of how far a value lies below a limit, scaled so that `span` below costs 1. */
const below = (value: number, limit: number, span: number): number => {
  const d = limit - value;
  return d > 0 ? (d / span) * (d / span) : 0;
};

export type BodyCost = Omit<CostParts, 'alarms' | 'changes' | 'mass' | 'lacking'>;
export const noCost = (): BodyCost => ({
  cold: 0,
  heat: 0,
  wetSkin: 0,
  wetLayers: 0,
  afterChill: 0,
  extremities: 0,
  burden: 0,
});

/**
 * A face near freezing: from where the most susceptible one is in what feels like −19 °C, so many points an hour for so many K beneath it, growing squared
 * (engineering values: 50 where skin freezes. Down to −27 °C public wind chill tables call the risk low, and whoever races on skis at −11 °C goes with bare cheeks: common practice, no published source).
 */
const FACE_FREEZES = { nearC: 2.5, spanK: 1.2, points: 8 } as const;

/** Bare ears begin to count at this, °C, six kelvin below it so many points an hour; eyes that hurt, a mask at work, eyewear that fogs, limbs dressed scantily, wet hair or rain at the neck. Engineering values. */
const EARS_C = 12;
const EARS = 0.4;
const EYES = 0.4;
const MASKED = 0.06;
const FOGGED = 0.6;
const SCANT = 0.1;
const RAINED_ON = 0.8;
/** Hands hotter than this sweat into their gloves, °C, and one kelvin more costs so many points an hour (engineering values). */
const HOT_HANDS_C = 34.2;
const HOT_HANDS = 0.25;
/** Each kilogram worn costs this an hour for each share of the maximum beyond easy going: races are run light. */
const RACE_KG = 1.2;
const RACE_EFFORT = 0.5;
/**
 * The jacket for stops gets damp and is not there when it is needed: points an hour at work, between these heat productions, W/m², and efforts, share of
 * the maximum: who has just come to a stop still sweats, and that is what it is for (engineering values).
 */
const KEEP_DRY = 0.5;
const WORK_WM2 = [130, 260] as const;
const GOES = [0.15, 0.25] as const;

/**
 * Each layer of the torso beyond the third binds at work, points an hour: multi-layered clothing costs about 4 % more a layer than its
 * mass alone (Teitlebaum & Goldman 1972, from memory). A coat left on under a roof, points an hour: hanging it up and taking it again
 * is worth it from about twenty minutes (engineering values).
 */
const FREE_LAYERS = 3;
const BINDS = 0.15;
const COAT_INDOORS = 1.2;

/** Water in the clothes of which an hour is a point, g (engineering value: half of what chills the next stop). */
const WATER_POINT_G = 150;
/** What hinders the work in full, as rain trousers do at a run or in a ski race, points an hour (engineering value). */
const HINDERS = 0.6;
/** A front that flaps wide open in a gale, points an hour (engineering value). */
const FLAPPING = 0.3;
const squared = (x: number): number => x * x;

/**
 * Feet that soak blister: moist skin rubs more than dry or running wet (Naylor 1955; Akers & Sulzberger 1972 for feet; from memory), and an hour
 * of skin that is wet all over costs so many points, from where half of it is wet (engineering values).
 */
const FEET_WET = 0.5;
const SOAKED_FEET = 0.15;

/** Up to this share of the maximum one stands or dawdles (engineering value). */
const STANDS = 0.18;
/** Votes beneath the first that is felt as cool at which an hour is a point (engineering value). */
const COLD_SPAN = 0.9;
/** Shivering beyond what goes unnoticed that makes a point an hour, W (engineering value). */
const SHIVER_POINT_W = 45;

/**
 * Adds the cost of one moment lasting `hours` to `c`. Freezing skin and numb fingers are priced far beyond any comfort so
 * that safety comes first. The first ten minutes may feel cool: right clothes do.
 */
export function addMoment(c: BodyCost, m: Moment, person: Person, hours: number): void {
  // Whoever stands in a start pen is simply cold.
  const settle = m.timeS < SETTLE_S && m.effort > STANDS ? 0.15 : 1;
  c.cold +=
    settle *
    hours *
    (below(m.sensation, -0.8, COLD_SPAN) +
      below(m.torsoC + person.warmth, coldTorso(m.heatWm2), 2) +
      below(m.limbsC, LIMIT.limbCold, 5) * 0.5 +
      Math.max(0, m.shiverW - SHIVER_FREE_W) / SHIVER_POINT_W);
  c.heat +=
    hours *
    (below(-m.sensation, -LIMIT.feltWarm, 1) +
      below(-m.hotCoreC, -LIMIT.coreHot, 0.3) +
      below(-m.fingersC, -HOT_HANDS_C, 1) * HOT_HANDS * settle +
      COAT_INDOORS * m.coats);
  c.wetSkin +=
    (below(-m.torsoWet, -LIMIT.wetFelt, 0.35) + SOAKED_FEET * below(-m.feetWet, -FEET_WET, 1 - FEET_WET)) * hours;
  // A little damp is nothing, a lot chills and never dries: squared.
  c.wetLayers += squared(chillingWater(m) / WATER_POINT_G) * hours;
  c.extremities +=
    (digit(m.fingersC, person.handsK ?? 0, settle) +
      0.8 * digit(m.toesC, person.feetK ?? 0, settle) +
      below(m.faceC + (person.faceK ?? 0), LIMIT.facePain + 1, 4) * settle +
      below(m.faceC, FACE_FREEZES.nearC, FACE_FREEZES.spanK) * FACE_FREEZES.points +
      below(m.scalpC, LIMIT.scalpCold, 6) * 0.5 * settle +
      below(m.earC, EARS_C, 6) * EARS * settle +
      EYES * m.eyes +
      MASKED * m.masked +
      (m.fog > 1 ? FOGGED : 0)) *
    hours;
  c.wetSkin += (RAINED_ON * m.rained + SCANT * m.scant) * hours;
  const goes = ramp(m.effort, GOES);
  const working = ramp(m.heatWm2, WORK_WM2) * goes;
  const binds = BINDS * Math.max(0, m.layers - FREE_LAYERS) * goes;
  c.burden +=
    (RACE_KG * m.wornKg * Math.max(0, m.effort - RACE_EFFORT) +
      KEEP_DRY * m.warmOn * working +
      binds +
      HINDERS * m.hinders +
      FLAPPING * m.flaps) *
    hours;
}

export const waterEndCost = (waterG: number): number => Math.max(0, waterG) / 500;
/** A stop that costs so much heat is a point and a half, Wh/m² (engineering value: half of ISO 11079's limit for a whole exposure). */
const STOP_POINTS_WH = 20;
const chillCost = (lossWhM2: number): number => 1.5 * (lossWhM2 / STOP_POINTS_WH) * (lossWhM2 / STOP_POINTS_WH);

/** Adds what a stop costs by the heat lost at it, Wh/m². @param before what of it was counted already */
export function addChill(c: BodyCost, lossWhM2: number, before = 0): void {
  c.afterChill += chillCost(lossWhM2) - chillCost(before);
}

/** Adds water still in the clothes at the end, g, once for a whole run. */
export function addEnd(c: BodyCost, waterEndG: number): void {
  c.wetLayers += waterEndCost(waterEndG);
}

/** Cost of the body's part of a recorded run, points. */
export function bodyCost(series: Series, m: Metrics, person: Person): BodyCost {
  const c = noCost();
  const now = noMoment();
  for (let r = 1; r < series.rows; r++) addMoment(c, momentOfRow(series, m, r, now), person, series.stepS / 3600);
  for (const loss of m.stopLosses) addChill(c, loss);
  addEnd(c, m.waterEnd);
  return c;
}

/** Fingers or toes: what is felt by one's own comfort, what harms by everybody's. */
function digit(t: number, comfortK: number, settle: number): number {
  return settle * below(t + comfortK, LIMIT.fingerComfort, 7) + below(t, LIMIT.fingerNumb + 2, 2) * 6;
}

export function totalCost(c: CostParts): number {
  return (
    c.cold +
    c.heat +
    c.wetSkin +
    c.wetLayers +
    c.afterChill +
    c.extremities +
    c.burden +
    c.alarms +
    c.changes +
    c.mass +
    c.lacking
  );
}

/** The part of a cost that weighs most, and what share of the whole it is. */
export function deciding(c: CostParts): { part: keyof CostParts; share: number } {
  const total = totalCost(c);
  let part: keyof CostParts = 'cold';
  for (const k of Object.keys(c) as (keyof CostParts)[]) if (c[k] > c[part]) part = k;
  return { part, share: total > 0 ? c[part] / total : 0 };
}
