import { saturationPressure, vapourPressure } from '@/core/atmosphere/humidity';
import { convection, LEWIS_PER_PA, RADIATION } from '@/core/clothing/boundaryLayer';
import { FIBRES } from '@/core/clothing/fibres';
import type { Garment } from '@/core/clothing/garment';
import { LATENT_VAPOUR } from '@/core/quantity/units';
import { within } from '@/core/quantity/range';

/** Where a garment hangs. */
export interface DryingAir {
  airC: number;
  /** 0–1 */
  humidity: number;
  /** m/s over the cloth */
  airMs: number;
  /** faces the air reaches: 2 on a line, 1 on a heap or a chair */
  faces: 1 | 2;
  /** radiant heat on it, W/m² of cloth: a stove nearby 100–300 */
  radiantWm2?: number;
}

/** A line indoors, overnight, still room air. */
export const LINE_INDOORS: DryingAir = { airC: 20, humidity: 0.45, airMs: 0.2, faces: 2 };
export const IN_A_TENT: DryingAir = { airC: 2, humidity: 0.85, airMs: 0.1, faces: 2 };
export const BY_THE_STOVE: DryingAir = { airC: 26, humidity: 0.35, airMs: 0.3, faces: 2, radiantWm2: 120 };

const STEP_S = 30;
/** Still damp to the hand above this share of the free water it can hold. */
const DRY_SHARE = 0.05;
/** What dry storage leaves in a garment, share of its saturated regain (about 50 % humidity), as everywhere in the model. */
const STORED_SHARE = 0.5;

/** Water a garment holds when wrung wet, g/m² of cloth. */
export function wringWetGm2(g: Garment): number {
  return g.weightGm2 * (g.liquidCapacity + FIBRES[g.fibre].regain100);
}

/** Water in a garment that is `dampGm2` wetter than dry storage, g/m² of cloth. */
export function dampWaterGm2(g: Garment, dampGm2: number): number {
  return STORED_SHARE * g.weightGm2 * FIBRES[g.fibre].regain100 + dampGm2;
}

/**
 * Minutes until a garment hung up is dry: the cloth of the integrator with air on its faces instead of skin and neighbours.
 * Water leaves from the middle of the cloth through half its Ret and the boundary layer on each face (Lewis relation); the
 * cloth cools towards the wet bulb and is warmed by air and radiation. Below what the fibre sorbs the pressure falls with
 * the water (linear isotherm), which is why wool goes on for so long.
 * @param startGm2 water in it, g/m²; 0–4000  @returns minutes, Infinity where this air never dries it within five days
 */
export function dryingMinutes(g: Garment, startGm2: number, air: DryingAir): number {
  within('water', startGm2, 0, 8000, 'g/m²');
  within('air temperature', air.airC, -40, 80, '°C');
  within('air speed', air.airMs, 0, 20, 'm/s');
  const fibre = FIBRES[g.fibre];
  const sorb = Math.max(2, g.weightGm2 * fibre.regain100);
  const done = sorb * Math.max(STORED_SHARE, air.humidity) + DRY_SHARE * g.weightGm2 * g.liquidCapacity;
  const h = convection(air.airMs);
  const vapourOut = air.faces / ((0.5 * g.ret + 1 / (h * LEWIS_PER_PA)) * LATENT_VAPOUR);
  const cloth = g.thicknessMm / 1000 / fibre.conductivity / 2;
  const heatIn = air.faces / (cloth + 1 / (h + RADIATION));
  const outside = vapourPressure(air.airC, air.humidity);
  let water = startGm2;
  let t = air.airC;
  for (let s = 0; s <= 5 * 86400; s += STEP_S) {
    if (water <= done) return s / 60;
    const activity = Math.min(1, water / sorb);
    const flux = vapourOut * (saturationPressure(Math.max(-40, t)) * activity - outside);
    // Implicit in temperature, with the slope of the saturation curve, so that thin cloth settles on its wet bulb.
    const slope = vapourOut * saturationPressure(Math.max(-40, t)) * 0.06 * activity * LATENT_VAPOUR;
    const heat = (g.weightGm2 * fibre.heat + water * 4.18) / STEP_S;
    t += ((air.radiantWm2 ?? 0) + heatIn * (air.airC - t) - LATENT_VAPOUR * flux) / (heat + heatIn + slope);
    water -= flux * STEP_S;
  }
  return Infinity;
}
