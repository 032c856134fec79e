import { ZONE_COUNT } from '@/core/body/zones';

/**
 * What a run shows, sampled every `stepS` seconds: one row a sample.
 * Zone arrays are `row * ZONE_COUNT + zone`; garment arrays `(row * garments + g) * ZONE_COUNT + zone`.
 */
export interface Series {
  rows: number;
  stepS: number;
  garments: number;
  timeS: Float64Array;
  coreC: Float64Array;
  metabolicW: Float64Array;
  /** metabolic less external work plus shivering, W */
  heatW: Float64Array;
  /** heat production the skin is used to (ten-minute memory), W */
  habitW: Float64Array;
  shiverW: Float64Array;
  /** how used up muscles are by shivering, 1 at their end */
  fatigue: Float64Array;
  /** what the air feels like, °C */
  feelsC: Float64Array;
  /** the same to what is bare of the face, Infinity where nothing is */
  feelsBareC: Float64Array;
  /** what is bare of the face, °C; Infinity where nothing is */
  bareFaceC: Float64Array;
  /** ears, °C (Infinity covered); eyes hurt, 0–1; rain on the hair and in at the front, 0–1 each; what is before the eyes fogs from 1 on */
  earC: Float64Array;
  eyes: Float64Array;
  rained: Float64Array;
  masked: Float64Array;
  scant: Float64Array;
  hinders: Float64Array;
  flaps: Float64Array;
  fog: Float64Array;
  /** share of the breath that what covers the mouth gives back */
  mouth: Float64Array;
  /** g/h */
  sweatGh: Float64Array;
  evaporationGh: Float64Array;
  dryLossW: Float64Array;
  evaporativeLossW: Float64Array;
  breathLossW: Float64Array;
  /** heat in the body's own tissues relative to the start, J; negative is heat debt */
  bodyHeatJ: Float64Array;
  skinC: Float64Array;
  wettedness: Float64Array;
  filmGm2: Float64Array;
  /** dry loss of each zone, W/m² */
  zoneLossWm2: Float64Array;
  garmentC: Float64Array;
  waterGm2: Float64Array;
  frostGm2: Float64Array;
  worn: Uint8Array;
}

export function newSeries(rows: number, stepS: number, garments: number): Series {
  const f = () => new Float64Array(rows);
  const z = () => new Float64Array(rows * ZONE_COUNT);
  const g = () => new Float64Array(rows * garments * ZONE_COUNT);
  return {
    rows,
    stepS,
    garments,
    timeS: f(),
    coreC: f(),
    metabolicW: f(),
    heatW: f(),
    habitW: f(),
    shiverW: f(),
    fatigue: f(),
    feelsC: f(),
    feelsBareC: f(),
    bareFaceC: f(),
    earC: f(),
    eyes: f(),
    rained: f(),
    masked: f(),
    scant: f(),
    hinders: f(),
    flaps: f(),
    fog: f(),
    mouth: f(),
    sweatGh: f(),
    evaporationGh: f(),
    dryLossW: f(),
    evaporativeLossW: f(),
    breathLossW: f(),
    bodyHeatJ: f(),
    skinC: z(),
    wettedness: z(),
    filmGm2: z(),
    zoneLossWm2: z(),
    garmentC: g(),
    waterGm2: g(),
    frostGm2: g(),
    worn: new Uint8Array(rows * garments),
  };
}
