import { saturationFast } from '@/core/atmosphere/humidity';

/**
 * Respiratory heat loss, W, and water loss, g/s.
 * Exhaled air temperature and the mass flow of ISO 11079: t_ex = 29 + 0.2 t_a, saturated;
 * convective `0.0014 M (t_ex − t_a)`, evaporative `0.0173 M (p_ex − p_a)` with p in kPa (M in W).
 * A covered mouth gives part of both back: `recovery` 0 bare, about 0.35 under a tube (engineering value).
 */
export function respiratoryHeat(metabolicW: number, airC: number, vapourPa: number): number {
  return metabolicW * (breathHeatShare(airC) + breathLatentShare(airC, vapourPa));
}

/** Sensible heat lost with the breath over the metabolic rate: depends on the air only. */
export function breathHeatShare(airC: number): number {
  return 0.0014 * (exhaledC(airC) - airC);
}

/** Latent heat lost with the breath over the metabolic rate. */
export function breathLatentShare(airC: number, vapourPa: number): number {
  return BREATH_LATENT * (saturationFast(exhaledC(airC)) - vapourPa);
}

/** Latent heat carried by the breath, W per W of metabolic rate and Pa (ISO 11079: 0.0173 per kPa). */
export const BREATH_LATENT = 0.0173 / 1000;

/** Temperature of the breath, °C; saturated (ISO 11079). */
export function exhaledC(airC: number): number {
  return 29 + 0.2 * airC;
}
