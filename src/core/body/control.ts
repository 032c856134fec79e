import { power } from '@/core/quantity/exact';
import { clamp } from '@/core/quantity/range';
import { LATENT_VAPOUR } from '@/core/quantity/units';
import { BLOOD_WH_PER_LK, type BodyParameters } from './bodyParameters';
import { shivering } from './shivering';
import { EXTREMITY_NUTRITIVE_LH, ZONE_COUNT, ZONE_TABLE } from './zones';

/** What the controller reads besides the skin; one object reused, so that a step allocates nothing. */
export interface ControlInput {
  /** central pool temperature and its set point, °C */
  centralC: number;
  setCentral: number;
  /** set points of the skin, °C, one a zone (from `neutralState`) */
  setSkin: Float64Array;
  /** heat of working muscle in each zone above rest, W */
  muscleW: Float64Array;
  /** local squeeze of blood flow by tight boots or gloves, 0 to 1 per zone */
  flowFactor: Float64Array;
  /** metabolic rate over maximum, 0 to 1: hard exercise hides shivering */
  exerciseShare: number;
  /** skin wettedness of the last step, one a zone, 0–1 */
  wettedness: Float64Array;
  /** the most that can be shivered now, W: less once muscles are tired, out of fuel, or too cold */
  shiverPeakW: number;
}

/** What the controller writes at each step; arrays of one value a zone. */
export interface ControlOutput {
  /** central to skin blood heat, W/K, after counter-current exchange */
  skinBlood: Float64Array;
  /** central to tissue, W/K */
  tissueBlood: Float64Array;
  /** sweat, g/s */
  sweat: Float64Array;
  shiverW: number;
  sweatTotal: number;
}

/** Sweat drive, W per K of core and of mean skin error (65MN/JOS-3, after Stolwijk 1971). */
export const SWEAT_CORE_W_PER_K = 371.2;
export const SWEAT_SKIN_W_PER_K = 33.6;
/** Dilation, L/h per K (JOS-3 after Stolwijk, from memory). */
export const DILATE_CORE = 117;
export const DILATE_SKIN = 7.5;
/** Constriction, 1/K (Stolwijk, from memory). */
export const CONSTRICT_PER_K = 10.8;
/** Perfusion of working muscle: W/K per W of its heat (Stolwijk: 1 L/h per kcal/h). */
export const MUSCLE_PERFUSION = 0.92;
/** Highest steady sweat rate of a person not acclimatised to heat, g/s per m²: ISO 7933 has 400 W/m², about 1.1 L/h. */
const SWEAT_CAP = 400 / LATENT_VAPOUR;
/**
 * Resting muscle is perfused less when the skin is cold, 1/K and at the least: the warm core shrinks and a shell forms (a forearm’s
 * flow falls to a third in cold water; Ducharme & Tikuisis 1991, from memory).
 */
const SHELL_PER_K = 0.4;
const SHELL_LEAST = 0.2;
/** Highest total skin blood conductance: 90 L/h/m² (Gagge 1986). */
const SKIN_FLOW_CAP = 90 * BLOOD_WH_PER_LK;
/**
 * Skin receptors saturate: firing hardly changes below about 25 °C (Hensel, from memory), so an error counts as
 * `span·tanh(error/span)`, K. Published controllers are linear; theirs were fitted within a few kelvin of comfort.
 */
const RECEPTOR_SPAN = 7;
/** The skin's say over the shunts saturates sooner, K: a working core opens hands in the cold, as anybody skiing knows. */
const SHUNT_SPAN = 5;
/** Local cold halves a vessel's flow at most; linear Q10 would shut the scalp, which measured heads do not (Froese & Burton 1957). */
const LOCAL_FLOW_FLOOR = 0.5;
/** Opening of the shunts of hands and feet per K of mean skin and core error (JOS-3 after Takemori, from memory). */
const SHUNT_SKIN = 0.265;
const SHUNT_CORE = 0.953;

/**
 * tanh to within 2e-4 by its continued fraction (seven terms), held at ±1 beyond 4.5: the controller is asked thousands of
 * times a simulated hour, and the same quotient gives the same bits in every engine, which Math.tanh does not promise.
 */
function saturating(x: number): number {
  if (x > 4.5) return 1;
  if (x < -4.5) return -1;
  const q = x * x;
  return (x * (135135 + q * (17325 + q * (378 + q)))) / (135135 + q * (62370 + q * (3150 + q * 28)));
}

/**
 * Feet sweat of themselves, g/s for both, whatever the body's heat does: about 4 g/h and foot at rest, and 16 g/h more in hard
 * work (measured 3–10 and 10–30 g/h; from memory), split by area over feet and toes. Less on cold skin, and less the wetter the
 * skin is (hidromeiosis).
 */
const FOOT_REST = (2 * 4) / 3600;
const FOOT_WORK = (2 * 16) / 3600;
/** Share of the maximum at which feet sweat in full, and share of it that fully wet skin holds back. */
const FOOT_HARD = 0.6;
const FOOT_WET_HOLDS = 0.6;
const FEET_AREA = ZONE_TABLE.reduce((sum, r) => sum + (r.zone === 'feet' || r.zone === 'toes' ? r.areaM2 : 0), 0);
const FOOT_SHARE = ZONE_TABLE.map((r) => (r.zone === 'feet' || r.zone === 'toes' ? r.areaM2 / FEET_AREA : 0));

const Q10_LOW = -25;
const Q10_STEP = 0.25;
const PER_Q10_STEP = 1 / Q10_STEP;
const Q10_TABLE = Float64Array.from({ length: 35 / Q10_STEP + 2 }, (_, i) => power(2, (Q10_LOW + i * Q10_STEP) / 10));

/** 2^(t/10) between −25 and 10 K, held beyond, from a table of quarter kelvins (within 4e-5). */
function twoToTenth(t: number): number {
  const x = (t < Q10_LOW ? 0 : t > 10 ? 10 - Q10_LOW : t - Q10_LOW) * PER_Q10_STEP;
  const i = x | 0;
  return Q10_TABLE[i] + (Q10_TABLE[i + 1] - Q10_TABLE[i]) * (x - i);
}

/** How fast metabolism goes when it is `kelvin` colder: a Q10 of 2. @param kelvin −25 to 10, held beyond */
export const coldRate = twoToTenth;

/**
 * The controller: sweat, skin blood flow, shivering and muscle perfusion from core and skin errors.
 *
 * @param body scaled table  @param skinC skin temperatures, °C, one a zone  @param input the rest  @param out written
 */
export function control(body: BodyParameters, skinC: Float64Array, input: ControlInput, out: ControlOutput): void {
  const person = body.person;
  const { setSkin, muscleW, flowFactor, exerciseShare } = input;
  const coreError = input.centralC - input.setCentral;
  let skinSignal = 0;
  let meanSkin = 0;
  let trunkSignal = 0;
  let trunkArea = 0;
  for (let z = 0; z < ZONE_COUNT; z++) {
    const error = skinC[z] - setSkin[z];
    skinSignal += body.sensor[z] * RECEPTOR_SPAN * saturating(error * (1 / RECEPTOR_SPAN));
    meanSkin += body.area[z] * skinC[z];
    if (body.shunt[z] === 0) {
      trunkSignal += body.area[z] * SHUNT_SPAN * saturating(error * (1 / SHUNT_SPAN));
      trunkArea += body.area[z];
    }
  }
  meanSkin /= body.totalArea;
  trunkSignal /= trunkArea;

  const sweatDrive =
    Math.max(0, SWEAT_CORE_W_PER_K * (coreError - body.sweatsLaterK) + SWEAT_SKIN_W_PER_K * skinSignal) *
    (body.totalArea / 1.87) *
    body.sweatGain;
  const dilate = Math.max(0, DILATE_CORE * coreError + DILATE_SKIN * skinSignal) * BLOOD_WH_PER_LK;
  const constrict = Math.max(0, -CONSTRICT_PER_K * coreError - CONSTRICT_PER_K * skinSignal);

  const shuntSignal = SHUNT_SKIN * trunkSignal * person.constriction + SHUNT_CORE * coreError;
  const nutritive = EXTREMITY_NUTRITIVE_LH * BLOOD_WH_PER_LK * (body.totalArea / 1.87);

  const shell = clamp(1 + SHELL_PER_K * skinSignal, SHELL_LEAST, 1);

  const drive = sweatDrive / LATENT_VAPOUR;
  const most = SWEAT_CAP * body.totalArea * body.sweatGain;
  const feet = (FOOT_REST + FOOT_WORK * clamp(exerciseShare / FOOT_HARD, 0, 1)) * person.sweatGain;
  let total = 0;
  for (let z = 0; z < ZONE_COUNT; z++) {
    const q10 = twoToTenth(skinC[z] - setSkin[z]);
    const shunt = body.shunt[z];
    const resting = shunt > 0 ? nutritive : body.skinFlow[z];
    const capillary =
      ((resting + (shunt > 0 ? 0.3 : 1) * body.dilate[z] * dilate) /
        (1 + body.constrict[z] * constrict * (shunt > 0 ? person.constriction : 1))) *
      Math.max(LOCAL_FLOW_FLOOR, q10);
    const flow =
      Math.min(SKIN_FLOW_CAP * body.area[z] * 2.5, capillary + shunt * clamp(body.shuntOffset[z] + shuntSignal, 0, 1)) *
      flowFactor[z];
    const cc = body.counterCurrent[z];
    out.skinBlood[z] = (flow * flow) / (flow + cc + 1e-9);
    out.tissueBlood[z] = (body.perfusion[z] * shell + MUSCLE_PERFUSION * muscleW[z]) * flowFactor[z];
    // Local temperature scales sweating glands' output (Stolwijk: 2^((Tsk − set)/10)).
    let s = body.sweat[z] * drive * q10;
    const cap = body.sweat[z] * most;
    if (s > cap) s = cap;
    if (FOOT_SHARE[z] > 0) s += FOOT_SHARE[z] * feet * q10 * (1 - FOOT_WET_HOLDS * input.wettedness[z]);
    out.sweat[z] = s;
    total += s;
  }
  out.sweatTotal = total;
  out.shiverW =
    shivering(coreError, meanSkin, {
      fatPercent: person.fatPercent,
      peakWm2: input.shiverPeakW / body.totalArea,
      exerciseShare,
    }) * body.totalArea;
}
