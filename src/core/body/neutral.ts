import { saturationPressure } from '@/core/atmosphere/humidity';

import type { BodyParameters } from './bodyParameters';
import { MUSCLE_PERFUSION } from './control';
import { respiratoryHeat } from './respiration';
import { ZONE_COUNT, ZONE_TABLE } from './zones';

/** Radiation (indoors) and the Lewis relation for the nude reference state, W/m²K and K/Pa. */
const RADIATION = 4.7;
const LEWIS_PER_PA = 0.0165;

/** A body in balance with the air about it, while no controller acts. */
export interface NeutralState {
  centralC: number;
  tissueC: Float64Array;
  skinC: Float64Array;
  /** the air temperature at which the resting nude body holds it, °C */
  airC: number;
}

/** Neutral central temperature, °C (Stolwijk's head core 36.96, rounded to the usual resting value). */
export const NEUTRAL_CENTRAL = 36.9;

/** Share of basal heat made in viscera and brain (Stolwijk: about 0.8). */
export const CENTRAL_SHARE = 0.8;

/** Sitting at ease, W/m² (ISO 8996): what somebody does who is about to go out, or cannot go on. */
export const SITTING_WM2 = 55;

/**
 * Set points by the usual method of the multi-node models (65MN, JOS-3): the temperatures of the passive, nude body in the
 * still air in which it neither sweats nor shivers. At fixed central temperature every zone is linear in the air temperature,
 * and so nearly is the whole body's balance.
 * @param body the person; at basal rate unless muscles work @param muscleW heat of each zone's muscles above that, W
 */
export function neutralState(body: BodyParameters, muscleW?: Float64Array): NeutralState {
  const tissueC = new Float64Array(ZONE_COUNT);
  const skinC = new Float64Array(ZONE_COUNT);
  const imbalance = (air: number): number => solveZones(body, air, tissueC, skinC, muscleW);
  let before = 20;
  let airC = 36;
  let was = imbalance(before);
  for (let i = 0; i < 20; i++) {
    const is = imbalance(airC);
    if (Math.abs(is) < 1e-10 || is === was) break;
    const next = airC - (is * (airC - before)) / (is - was);
    [before, was, airC] = [airC, is, next];
  }
  imbalance(airC);
  return { centralC: NEUTRAL_CENTRAL, tissueC, skinC, airC };
}

/**
 * The body as it goes out: in comfort, after sitting at ease. Its muscles are warmer and better perfused than at basal rate;
 * begun from there, work cools the core by the fifth of a kelvin that is seen at its onset and not by half a kelvin, and cool
 * air leaves the core where it is while the skin closes.
 * @param muscleShare share of each zone in the heat of idle muscles @returns the state and its metabolic rate, W
 */
export function readyState(body: BodyParameters, muscleShare: Float64Array): NeutralState & { metabolicW: number } {
  const metabolicW = Math.max(body.basal, SITTING_WM2 * body.totalArea);
  const muscleW = muscleShare.map((share) => share * (metabolicW - body.basal));
  return { ...neutralState(body, muscleW), metabolicW };
}

/** Fills the zone temperatures at this air temperature; returns heat the central pool would have to give beyond what it makes, W. */
function solveZones(
  body: BodyParameters,
  airC: number,
  tissueC: Float64Array,
  skinC: Float64Array,
  muscleW?: Float64Array,
): number {
  const vapour = 0.5 * saturationPressure(airC);
  const h = 3.3;
  let tissueMass = 0;
  for (let z = 0; z < ZONE_COUNT; z++) tissueMass += body.tissueC[z];
  let given = 0;
  let working = 0;
  for (let z = 0; z < ZONE_COUNT; z++) {
    const hc = h * ZONE_TABLE[z].convection;
    const out = (hc + RADIATION) * body.area[z];
    const insensible = 0.06 * hc * LEWIS_PER_PA * (saturationPressure(33.7) - vapour) * body.area[z];
    const muscle = muscleW ? muscleW[z] : 0;
    const made = ((1 - CENTRAL_SHARE) * body.basal * body.tissueC[z]) / tissueMass + muscle;
    const kb = body.perfusion[z] + MUSCLE_PERFUSION * muscle;
    working += muscle;
    const kc = body.conduction[z];
    const flow = body.skinFlow[z];
    const ks = (flow * flow) / (flow + body.counterCurrent[z] + 1e-9);
    // tissue: kb (Tc − Tt) + made = kc (Tt − Ts);  skin: kc (Tt − Ts) + ks (Tc − Ts) = out (Ts − Ta) + insensible
    const tc = NEUTRAL_CENTRAL;
    const a = kb + kc;
    const series = kc - (kc * kc) / a;
    const ts = ((kc * (kb * tc + made)) / a + ks * tc + out * airC - insensible) / (series + ks + out);
    const tt = (kb * tc + made + kc * ts) / a;
    tissueC[z] = tt;
    skinC[z] = ts;
    given += kb * (tc - tt) + ks * (tc - ts);
  }
  const makes = CENTRAL_SHARE * body.basal - respiratoryHeat(body.basal + working, airC, vapour);
  return given - makes;
}
