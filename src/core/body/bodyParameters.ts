import { fitSweating } from './fitness';
import { basalW, bodyArea, plainPerson, type Person } from './person';
import {
  CENTRAL_WHK,
  EXTREMITY_NUTRITIVE_LH,
  REFERENCE_AREA_M2,
  REFERENCE_MASS_KG,
  SHUNT_FLOW_LH,
  SHUNT_OFFSET,
  ZONE_COUNT,
  ZONE_TABLE,
} from './zones';

/** The zone table scaled to one person; per-zone arrays are per whole zone (W/K, J/K) unless said. */
export interface BodyParameters {
  person: Person;
  area: Float64Array;
  /** 1/area, 1/m² */
  perArea: Float64Array;
  /** J/K */
  tissueC: Float64Array;
  skinC: Float64Array;
  centralC: number;
  /** tissue to skin, W/K */
  conduction: Float64Array;
  /** central to tissue at rest, W/K */
  perfusion: Float64Array;
  counterCurrent: Float64Array;
  /** resting skin flow, W/K of blood heat */
  skinFlow: Float64Array;
  /** flow of open arterio-venous shunts, W/K; 0 where there are none */
  shunt: Float64Array;
  /** opening of the shunts with no error signal, before clamping to 0–1 */
  shuntOffset: Float64Array;
  sweat: Float64Array;
  /** times the drive to sweat, and K of core before it begins: the person's own and what fitness makes of it */
  sweatGain: number;
  sweatsLaterK: number;
  dilate: Float64Array;
  constrict: Float64Array;
  sensor: Float64Array;
  basal: number;
  totalArea: number;
}

/** Blood carries 1.163 Wh per litre and kelvin (density 1.06, specific heat 0.92 kcal/kgK; Stolwijk). */
export const BLOOD_WH_PER_LK = 1.163;

/**
 * Scales heat capacities with mass, areas and conductances with Du Bois area, and thins conduction with body fat
 * (15 % is the table's person; each point of fat insulates about 1 % more).
 */
export function bodyParameters(person: Person): BodyParameters {
  const fitness = fitSweating(person.vo2maxMl);
  const totalArea = bodyArea(person);
  const a = totalArea / REFERENCE_AREA_M2;
  const m = person.massKg / REFERENCE_MASS_KG;
  const fat = 1 / (1 + 0.012 * (person.fatPercent - 15));
  const column = (f: (r: (typeof ZONE_TABLE)[number]) => number) =>
    Float64Array.from({ length: ZONE_COUNT }, (_, i) => f(ZONE_TABLE[i]));
  return {
    person: plainPerson(person),
    totalArea,
    area: column((r) => r.areaM2 * a),
    perArea: column((r) => 1 / (r.areaM2 * a)),
    tissueC: column((r) => r.tissueWhK * 3600 * m),
    skinC: column((r) => r.skinWhK * 3600 * m),
    centralC: CENTRAL_WHK * 3600 * m,
    conduction: column((r) => r.conductance * r.areaM2 * a * fat),
    perfusion: column((r) => r.perfusionWK * a),
    counterCurrent: column((r) => r.counterCurrentWK * a),
    skinFlow: column((r) => {
      const shunt = SHUNT_FLOW_LH[r.zone];
      return (
        (shunt ? EXTREMITY_NUTRITIVE_LH + Math.min(1, SHUNT_OFFSET[r.zone] ?? 0) * shunt : r.skinFlowLh) *
        BLOOD_WH_PER_LK *
        a
      );
    }),
    shunt: column((r) => (SHUNT_FLOW_LH[r.zone] ?? 0) * BLOOD_WH_PER_LK * a),
    shuntOffset: column((r) => SHUNT_OFFSET[r.zone] ?? 0),
    sweat: column((r) => r.sweat),
    sweatGain: person.sweatGain * fitness.gain,
    sweatsLaterK: fitness.laterK,
    dilate: column((r) => r.dilate),
    constrict: column((r) => r.constrict),
    sensor: column((r) => r.sensor),
    basal: basalW(person),
  };
}
