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
  /** sorbed water at saturation, g/g (Morton & Hearle, Physical Properties of Textile Fibres: wool about 33 %, cotton 24 %, nylon 8.5 %, polyester 0.7 %) */
  regain100: number;
  /** share of dry insulation lost when soaked (down and cotton most, wool and fleece least; engineering values) */
  wetLoss: number;
  /** liquid held after wringing, g per g of dry cloth, typical */
  liquidCapacity: number;
  /** typical spread of liquid, 0 none to 1 fast */
  wicking: number;
  /** specific heat, J/gK (handbook) */
  heat: number;
}

// prettier-ignore
export const FIBRES: Record<Fibre, FibreRow> = {
  polyester:        { conductivity: 0.040, regain100: 0.007, wetLoss: 0.40, liquidCapacity: 1.2, wicking: 0.8,  heat: 1.3 },
  polypropylene:    { conductivity: 0.038, regain100: 0.001, wetLoss: 0.35, liquidCapacity: 0.6, wicking: 0.7, heat: 1.7 },
  nylon:            { conductivity: 0.045, regain100: 0.085, wetLoss: 0.50, liquidCapacity: 0.5, wicking: 0.4,  heat: 1.5 },
  merino:           { conductivity: 0.039, regain100: 0.33,  wetLoss: 0.32, liquidCapacity: 1.6, wicking: 0.45, heat: 1.4 },
  wool:             { conductivity: 0.040, regain100: 0.33,  wetLoss: 0.32, liquidCapacity: 1.8, wicking: 0.35, heat: 1.4 },
  cotton:           { conductivity: 0.045, regain100: 0.24,  wetLoss: 0.75, liquidCapacity: 2.6, wicking: 0.6,  heat: 1.3 },
  down:             { conductivity: 0.036, regain100: 0.28,  wetLoss: 0.88, liquidCapacity: 3.0, wicking: 0.2,  heat: 1.4 },
  'synthetic fill': { conductivity: 0.036, regain100: 0.007, wetLoss: 0.45, liquidCapacity: 2.0, wicking: 0.25, heat: 1.3 },
  rubber:           { conductivity: 0.060, regain100: 0.002, wetLoss: 0.10, liquidCapacity: 0.1, wicking: 0,    heat: 1.4 },
  leather:          { conductivity: 0.060, regain100: 0.30,  wetLoss: 0.50, liquidCapacity: 0.6, wicking: 0.2,  heat: 1.5 },
};
