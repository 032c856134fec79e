import { phs } from 'jsthermalcomfort';

export interface PhsInput {
  airC: number;
  /** 0–1 */
  humidity: number;
  airMs: number;
  metWm2: number;
  clo: number;
  minutes: number;
  massKg: number;
  heightM: number;
}

/**
 * ISO 7933:2004 through the registry's reference implementation. Its arguments are positional and many (its comment has
 * v before rh, its code rh before v); here they get names. Standing, not acclimatised, own walking speed left to the
 * standard's rule (0.0052 (M − 58), at most 0.7 m/s).
 * @returns total sweat, g, and rectal temperature, °C
 */
export function referencePhs(i: PhsInput): { sweatG: number; rectalC: number } {
  const out = phs(
    i.airC,
    i.airC,
    i.humidity * 100,
    i.airMs,
    i.metWm2,
    i.clo,
    2,
    0,
    0.38,
    0.54,
    1,
    i.massKg,
    i.heightM,
    0,
    0,
    0,
    i.minutes,
  ) as unknown as Record<string, number>;
  return { sweatG: out.sw_tot_g, rectalC: out.t_re };
}
