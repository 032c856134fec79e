import { exp, ln } from '@/core/quantity/exact';
import { CLO } from '@/core/quantity/units';
import { within } from '@/core/quantity/range';

/**
 * Required clothing insulation and duration-limited exposure: the standard's own answer, beside ours.
 * ISO 11079:2007, equations and the iteration of its annex F program, from memory. Everything per m² of body.
 */
export interface ColdTask {
  /** metabolic rate, W/m², 58–400 */
  metabolicWm2: number;
  /** external work, W/m² */
  workWm2?: number;
  /** air (and radiant) temperature, °C, −60 to 35 */
  airC: number;
  /** relative humidity, 0–1 */
  humidity: number;
  /** relative wind, m/s, 0.4–18 (held to that range) */
  windMs: number;
  /** walking speed, m/s, 0–1.2 (held to that range) */
  walkMs: number;
  /** air permeability of the outer layer, L/m²s, 1–1000 (held to that range) */
  permeability: number;
}

export interface RequiredInsulation {
  /** insulation needed as it must be while moving in that wind (IREQ), clo */
  ireqClo: number;
  /** the same as static intrinsic insulation of the clothing (I_cl), clo */
  intrinsicClo: number;
}

type Strain = 'neutral' | 'minimal';

/** Heat that may be lost before exposure must end, Wh/m². */
const HEAT_LIMIT = 40;
const STATIC_AIR = 0.085;

/** Skin temperature and wettedness of the two criteria: thermal neutrality, and the lowest acceptable. */
function criterion(strain: Strain, m: number): { skinC: number; wettedness: number } {
  return strain === 'neutral'
    ? { skinC: 35.7 - 0.0285 * m, wettedness: 0.001 * m }
    : { skinC: 33.34 - 0.0354 * m, wettedness: 0.06 };
}

/** Saturation pressure in the standard's own form, kPa. */
const saturationKPa = (t: number): number => 0.1333 * exp(18.6686 - 4030.183 / (t + 235));

interface Air {
  pa: number;
  respiration: number;
  airLayer: number;
  correction: number;
}

function airOf(t: ColdTask): Air {
  within('metabolic rate', t.metabolicWm2, 40, 700, 'W/m²');
  within('air temperature', t.airC, -60, 40, '°C');
  const v = Math.min(18, Math.max(0.4, t.windMs));
  const w = Math.min(1.2, Math.max(0, t.walkMs));
  const p = Math.min(1000, Math.max(1, t.permeability));
  const pa = t.humidity * saturationKPa(t.airC);
  const exhaled = 29 + 0.2 * t.airC;
  return {
    pa,
    respiration:
      1.73e-2 * t.metabolicWm2 * (saturationKPa(exhaled) - pa) + 1.4e-3 * t.metabolicWm2 * (exhaled - t.airC),
    airLayer: 0.092 * exp(-0.15 * v - 0.22 * w) - 0.0045,
    correction: 0.54 * exp(0.075 * ln(p) - 0.15 * v - 0.22 * w) - 0.06 * ln(p) + 0.5,
  };
}

/** Evaporative loss through a resultant insulation, W/m² (static permeability index 0.38). */
function evaporation(skinC: number, wettedness: number, insulation: number, a: Air): number {
  const fcl = 1 + 1.97 * insulation;
  const resistance = (0.06 / 0.38) * (a.airLayer / fcl + insulation);
  return (wettedness * (saturationKPa(skinC) - a.pa)) / resistance;
}

/** Dry loss through a resultant insulation, W/m²: (t_sk − t_a) over clothing and air layer. */
function dryLoss(skinC: number, airC: number, insulation: number, a: Air): number {
  const fcl = 1 + 1.97 * insulation;
  return (skinC - airC) / (insulation + a.airLayer / fcl);
}

/** IREQ for thermal neutrality or for the lowest acceptable strain; 0 where none is needed. */
export function requiredInsulation(task: ColdTask, strain: Strain): RequiredInsulation {
  const a = airOf(task);
  const { skinC, wettedness } = criterion(strain, task.metabolicWm2);
  const made = task.metabolicWm2 - (task.workWm2 ?? 0) - a.respiration;
  let low = 0;
  let high = 3;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (made - evaporation(skinC, wettedness, mid, a) - dryLoss(skinC, task.airC, mid, a) < 0) low = mid;
    else high = mid;
  }
  const ireq = high < 1e-6 ? 0 : high;
  return { ireqClo: ireq / CLO, intrinsicClo: toStatic(ireq, a) / CLO };
}

/** Static intrinsic insulation, m²K/W, that is worth `resultant` while moving in that wind. */
function toStatic(resultant: number, a: Air): number {
  const fcl = 1 + 1.97 * resultant;
  return Math.max(0, (resultant + a.airLayer / fcl) / a.correction - STATIC_AIR / fcl);
}

/** What clothing of a static intrinsic insulation is worth while moving in that wind, m²K/W. */
function toResultant(intrinsic: number, a: Air): number {
  const fcl = 1 + 1.97 * intrinsic;
  return Math.max(0, (intrinsic + STATIC_AIR / fcl) * a.correction - a.airLayer / fcl);
}

/**
 * Hours until 40 Wh/m² of body heat are lost in clothing of this static intrinsic insulation; Infinity where the clothing is
 * enough. Neutral criterion for the skin, as the standard's D_lim,neutral.
 */
export function durationLimit(task: ColdTask, intrinsicClo: number, strain: Strain = 'neutral'): number {
  within('intrinsic insulation', intrinsicClo, 0, 8, 'clo');
  const a = airOf(task);
  const { skinC, wettedness } = criterion(strain, task.metabolicWm2);
  const resultant = toResultant(intrinsicClo * CLO, a);
  const stored =
    task.metabolicWm2 -
    (task.workWm2 ?? 0) -
    a.respiration -
    evaporation(skinC, wettedness, resultant, a) -
    dryLoss(skinC, task.airC, resultant, a);
  return stored >= -1e-9 ? Infinity : HEAT_LIMIT / -stored;
}
