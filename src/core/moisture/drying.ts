import { saturationPressure, vapourPressure } from '@/core/atmosphere/humidity';
import { convection, LEWIS_PER_PA, radiation } from '@/core/atmosphere/boundaryLayer';
import { FIBRES, saturationRegain } from '@/core/clothing/fibres';
import { sorbs } from '@/core/clothing/garmentArrays';
import { filledAt, humidityOverFilling } from '@/core/clothing/sorption';
import type { Garment } from '@/core/clothing/garment';
import { CP_WATER, LATENT_VAPOUR } from '@/core/quantity/units';
import { within } from '@/core/quantity/range';
import { STORED_SHARE, storedWater } from './beyondDry';

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

/** Places to dry things, by what a person would say. Engineering values for their air. */
export const DRYING_PLACES = {
  'on a line indoors': { airC: 20, humidity: 0.45, airMs: 0.2, faces: 2 },
  'in a heap indoors': { airC: 20, humidity: 0.45, airMs: 0.05, faces: 1 },
  'by the stove': { airC: 26, humidity: 0.35, airMs: 0.3, faces: 2, radiantWm2: 120 },
  // Paper in it takes up the water of the air inside: as drier air, on both faces.
  'with paper inside': { airC: 20, humidity: 0.35, airMs: 0.1, faces: 2 },
  'in a tent': { airC: 2, humidity: 0.85, airMs: 0.1, faces: 2 },
  'outside in frost': { airC: -8, humidity: 0.75, airMs: 2, faces: 2 },
} as const satisfies Record<string, DryingAir>;
export type DryingPlace = keyof typeof DRYING_PLACES;
export const DRYING_PLACE_NAMES = Object.keys(DRYING_PLACES) as DryingPlace[];

const STEP_S = 30;
/** Still damp to the hand above this share of the free water it can hold. */
const DRY_SHARE = 0.05;

/** Water a garment holds when wrung wet, g/m² of cloth. */
export function wringWetGm2(g: Garment): number {
  return g.weightGm2 * (g.liquidCapacity + saturationRegain(g.fibre));
}

/** Water in a garment that is `dampGm2` wetter than dry storage, g/m² of cloth. */
export function dampWaterGm2(g: Garment, dampGm2: number): number {
  return storedWater(g.weightGm2 * saturationRegain(g.fibre)) + dampGm2;
}

/** One garment drying in one air: water and temperature of its cloth, and a step of time. */
class Hanging {
  private readonly sorb: number;
  private readonly vapourOut: number;
  private readonly heatIn: number;
  private readonly outside: number;
  private t: number;

  constructor(
    private readonly g: Garment,
    public water: number,
    private readonly air: DryingAir,
  ) {
    within('water', water, 0, 8000, 'g/m²');
    within('air temperature', air.airC, -40, 80, '°C');
    within('air speed', air.airMs, 0, 20, 'm/s');
    const fibre = FIBRES[g.fibre];
    this.sorb = sorbs(g);
    const h = convection(air.airMs);
    this.vapourOut = air.faces / ((0.5 * g.ret + 1 / (h * LEWIS_PER_PA)) * LATENT_VAPOUR);
    const cloth = g.thicknessMm / 1000 / fibre.conductivity / 2;
    this.heatIn = air.faces / (cloth + 1 / (h + radiation(air.airC)));
    this.outside = vapourPressure(air.airC, air.humidity);
    this.t = air.airC;
  }

  /** Dry to the hand in this air: what the fibre sorbs and a twentieth of what it can hold. */
  get done(): boolean {
    const { g, air } = this;
    return (
      this.water <=
      this.sorb * Math.max(STORED_SHARE, filledAt(air.humidity)) + DRY_SHARE * g.weightGm2 * g.liquidCapacity
    );
  }

  step(): void {
    const { g, air } = this;
    const filled = Math.min(1, this.water / this.sorb);
    const activity = filled * humidityOverFilling(filled);
    const saturation = saturationPressure(Math.max(-40, this.t));
    const flux = this.vapourOut * (saturation * activity - this.outside);
    // Implicit in temperature, with the slope of the saturation curve, so that thin cloth settles on its wet bulb.
    const slope = this.vapourOut * saturation * 0.06 * activity * LATENT_VAPOUR;
    const heat = (g.weightGm2 * FIBRES[g.fibre].heat + this.water * CP_WATER) / STEP_S;
    this.t +=
      ((air.radiantWm2 ?? 0) + this.heatIn * (air.airC - this.t) - LATENT_VAPOUR * flux) / (heat + this.heatIn + slope);
    this.water = Math.max(0, this.water - flux * STEP_S);
  }
}

/**
 * Minutes until a garment hung up is dry: the cloth of the integrator with air on its faces instead of skin and neighbours.
 * Water leaves from the middle of the cloth through half its Ret and the boundary layer on each face (Lewis relation); the
 * cloth cools towards the wet bulb and is warmed by air and radiation. Below what the fibre sorbs the pressure falls with
 * the water (`sorption`), which is why wool goes on for so long. Below 0 °C it freezes dry, slowly.
 * @param startGm2 water in it, g/m²; 0–8000  @returns minutes, Infinity where this air never dries it within five days
 * @throws OutOfRange
 */
export function dryingMinutes(g: Garment, startGm2: number, air: DryingAir): number {
  const hanging = new Hanging(g, startGm2, air);
  for (let s = 0; s <= 5 * 86400; s += STEP_S) {
    if (hanging.done) return s / 60;
    hanging.step();
  }
  return Infinity;
}

/**
 * How damp a garment still is after hanging for some hours: what one day hands to the next.
 * @param dampGm2 water beyond dry storage now, g/m²  @param hours 0–240  @returns g/m² beyond dry storage then
 * @throws OutOfRange
 */
export function dampAfter(g: Garment, dampGm2: number, air: DryingAir, hours: number): number {
  within('hours', hours, 0, 240, 'h');
  const hanging = new Hanging(g, dampWaterGm2(g, dampGm2), air);
  for (let s = 0; s < hours * 3600; s += STEP_S) hanging.step();
  return Math.max(0, hanging.water - dampWaterGm2(g, 0));
}
