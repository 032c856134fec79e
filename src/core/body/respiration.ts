import { saturationFast } from '@/core/atmosphere/humidity';
import { LATENT_VAPOUR } from '@/core/quantity/units';

/**
 * Respiratory heat loss, W, and water loss, g/s.
 * Exhaled air temperature and the mass flow of ISO 11079: t_ex = 29 + 0.2 t_a, saturated;
 * convective `0.0014 M (t_ex − t_a)`, evaporative `0.0173 M (p_ex − p_a)` with p in kPa (M in W).
 * A covered mouth gives part of both back: `recovery` 0 bare, about 0.35 under a tube (engineering value).
 */
export interface Breath {
  heatW: number;
  waterGs: number;
}

export function respiratoryHeat(metabolicW: number, airC: number, vapourPa: number): number {
  const ex = 29 + 0.2 * airC;
  return 0.0014 * metabolicW * (ex - airC) + respiratoryLatent(metabolicW, airC, vapourPa);
}

export function respiratoryLatent(metabolicW: number, airC: number, vapourPa: number): number {
  const ex = 29 + 0.2 * airC;
  return (0.0173 * metabolicW * (saturationFast(ex) - vapourPa)) / 1000;
}

/** Both at once, with the mouth covered by a share `recovery` (0 to 0.6). */
export function breath(metabolicW: number, airC: number, vapourPa: number, recovery = 0): Breath {
  const keep = 1 - recovery;
  return {
    heatW: respiratoryHeat(metabolicW, airC, vapourPa) * keep,
    waterGs: (respiratoryLatent(metabolicW, airC, vapourPa) * keep) / LATENT_VAPOUR,
  };
}
