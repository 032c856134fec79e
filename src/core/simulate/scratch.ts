import { STRIDE } from '@/core/clothing/stack';
import { ZONE_COUNT } from '@/core/body/zones';

/** Working arrays of one simulator, reused at every step. */
export interface Scratch {
  /** heat links between node k and k+1, W/m²K; vents of node k, W/m²K */
  link: Float64Array;
  vent: Float64Array;
  /** vapour links, g/(s m² Pa) */
  vapourLink: Float64Array;
  pressure: Float64Array;
  saturation: Float64Array;
  /** tridiagonal work */
  upper: Float64Array;
  right: Float64Array;
  capacity: Float64Array;
  /** share of the layer's liquid capacity that is filled, 0–1 */
  filled: Float64Array;
  muscleW: Float64Array;
  tissueHeat: Float64Array;
  wetness: Float64Array;
  /** per zone, this step: dry and evaporative loss to the air, W/m² */
  dryLoss: Float64Array;
  evaporativeLoss: Float64Array;
}

export function newScratch(): Scratch {
  const nodes = () => new Float64Array(STRIDE + 2);
  const zones = () => new Float64Array(ZONE_COUNT);
  return {
    link: nodes(),
    vent: nodes(),
    vapourLink: nodes(),
    pressure: nodes(),
    saturation: nodes(),
    upper: nodes(),
    right: nodes(),
    capacity: nodes(),
    filled: nodes(),
    muscleW: zones(),
    tissueHeat: zones(),
    wetness: zones(),
    dryLoss: zones(),
    evaporativeLoss: zones(),
  };
}
