import { SATURATION_OVER_65 } from './sorption';

/** Fibres by generic kind, with the properties of the bulk cloth made from them. */
export type Fibre =
  | 'polyester'
  | 'polypropylene'
  | 'nylon'
  | 'merino'
  | 'wool'
  | 'cotton'
  | 'down'
  | 'synthetic fill'
  | 'rubber'
  | 'leather';

export interface FibreRow {
  /** effective conductivity of the dry cloth with its air, W/mK; fibrous about 0.040, loft 0.036 (from memory of textile handbooks) */
  conductivity: number;
  /** sorbed water at 65 % humidity, g/g (Morton & Hearle, Physical Properties of Textile Fibres; ISO/TR 6741: wool 16, cotton 8, nylon 4, polyester 0.4 %) */
  regain65: number;
  /**
   * share of the water in the cloth that bridges it from face to face and conducts: cotton's wet fibres and capillaries run
   * right through, crimped wool keeps it inside its fibres and in drops, synthetics between (engineering values)
   */
  bridges: number;
  /** share of the loft lost when full: down clumps, cotton goes limp, springy fibres stand (engineering values) */
  collapse: number;
  /** share of the air beneath that is lost when full: wet cotton clings to the skin (engineering values) */
  cling: number;
  /** liquid held after wringing, g per g of dry cloth, typical */
  liquidCapacity: number;
  /** typical spread of liquid, 0 none to 1 fast */
  wicking: number;
  /** specific heat, J/gK (handbook) */
  heat: number;
}

// prettier-ignore
export const FIBRES: Record<Fibre, FibreRow> = {
  polyester:        { conductivity: 0.040, regain65: 0.004,  bridges: 0.30, collapse: 0.05, cling: 0.4,  liquidCapacity: 1.2, wicking: 0.8,  heat: 1.3 },
  polypropylene:    { conductivity: 0.038, regain65: 0.0005, bridges: 0.25, collapse: 0.05, cling: 0.3,  liquidCapacity: 0.6, wicking: 0.7,  heat: 1.7 },
  nylon:            { conductivity: 0.045, regain65: 0.04,   bridges: 0.35, collapse: 0.05, cling: 0.5,  liquidCapacity: 0.5, wicking: 0.4,  heat: 1.5 },
  merino:           { conductivity: 0.039, regain65: 0.16,   bridges: 0.20, collapse: 0.05, cling: 0.25, liquidCapacity: 1.6, wicking: 0.45, heat: 1.4 },
  wool:             { conductivity: 0.040, regain65: 0.16,   bridges: 0.20, collapse: 0.05, cling: 0.2,  liquidCapacity: 1.8, wicking: 0.35, heat: 1.4 },
  cotton:           { conductivity: 0.045, regain65: 0.08,   bridges: 0.60, collapse: 0.25, cling: 0.7,  liquidCapacity: 2.6, wicking: 0.6,  heat: 1.3 },
  down:             { conductivity: 0.036, regain65: 0.12,   bridges: 0.35, collapse: 0.80, cling: 0.3,  liquidCapacity: 3.0, wicking: 0.2,  heat: 1.4 },
  'synthetic fill': { conductivity: 0.036, regain65: 0.004,  bridges: 0.25, collapse: 0.30, cling: 0.2,  liquidCapacity: 2.0, wicking: 0.25, heat: 1.3 },
  rubber:           { conductivity: 0.060, regain65: 0.0005, bridges: 0.05, collapse: 0,    cling: 0.2,  liquidCapacity: 0.1, wicking: 0,    heat: 1.4 },
  leather:          { conductivity: 0.060, regain65: 0.14,   bridges: 0.40, collapse: 0.05, cling: 0.1,  liquidCapacity: 0.6, wicking: 0.2,  heat: 1.5 },
};

/** Sorbed water at saturation, g/g. */
export const saturationRegain = (fibre: Fibre): number => FIBRES[fibre].regain65 * SATURATION_OVER_65;

/** Conductivity of water in cloth, W/mK (handbook, about 10 °C). */
const WATER = 0.58;
/** g of water in a cubic metre of it. */
const WATER_GM3 = 1e6;

/**
 * How much a cloth's conductance rises with each g/m² of liquid in it, as a share of the dry one: the volume of water over the
 * cloth's thickness conducts beside the cloth on the share that bridges it. @param thicknessM of the cloth, m
 */
export const wetConductance = (fibre: Fibre, thicknessM: number): number => {
  const { bridges, conductivity } = FIBRES[fibre];
  return (bridges * (WATER - conductivity)) / (conductivity * WATER_GM3 * thicknessM);
};
