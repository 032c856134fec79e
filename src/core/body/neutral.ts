import { saturationPressure } from '@/core/atmosphere/humidity';

import type { BodyParameters } from './bodyParameters';
import { respiratoryHeat } from './respiration';
import { ZONE_COUNT, ZONE_TABLE } from './zones';

/** The state at which no controller acts: its set points. */
/** Radiation (indoors) and the Lewis relation for the nude reference state, W/m²K and K/Pa. */
const RADIATION = 4.7;
const LEWIS_PER_PA = 0.0165;

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

/**
 * Set points by the usual method of the multi-node models (65MN, JOS-3): the temperatures of the passive, nude, resting
 * body in the still air in which it neither sweats nor shivers. Solved directly: at fixed central temperature every zone is
 * linear in the air temperature, and so is the whole body's balance.
 */
export function neutralState(body: BodyParameters): NeutralState {
  const tissueC = new Float64Array(ZONE_COUNT);
  const skinC = new Float64Array(ZONE_COUNT);
  const imbalance = (airC: number): number => solveZones(body, airC, tissueC, skinC);
  let low = 20;
  let high = 36;
  for (let i = 0; i < 50; i++) {
    const mid = (low + high) / 2;
    if (imbalance(mid) > 0) low = mid;
    else high = mid;
  }
  imbalance((low + high) / 2);
  return { centralC: NEUTRAL_CENTRAL, tissueC, skinC, airC: (low + high) / 2 };
}

/** Fills the zone temperatures at this air temperature; returns heat the central pool would have to give beyond what it makes, W. */
function solveZones(body: BodyParameters, airC: number, tissueC: Float64Array, skinC: Float64Array): number {
  const vapour = 0.5 * saturationPressure(airC);
  const h = 3.3;
  let tissueMass = 0;
  for (let z = 0; z < ZONE_COUNT; z++) tissueMass += body.tissueC[z];
  let given = 0;
  for (let z = 0; z < ZONE_COUNT; z++) {
    const hc = h * ZONE_TABLE[z].convection;
    const out = (hc + RADIATION) * body.area[z];
    const insensible = 0.06 * hc * LEWIS_PER_PA * (saturationPressure(33.7) - vapour) * body.area[z];
    const made = ((1 - CENTRAL_SHARE) * body.basal * body.tissueC[z]) / tissueMass;
    const kb = body.perfusion[z];
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
  const makes = CENTRAL_SHARE * body.basal - respiratoryHeat(body.basal, airC, vapour);
  return given - makes;
}
