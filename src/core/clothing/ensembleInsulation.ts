import { ZONE_COUNT, ZONE_TABLE } from '@/core/body/zones';
import { CLO, LATENT_VAPOUR } from '@/core/quantity/units';
import { buildStacks, newStacks, STRIDE, THROUGH_VAPOUR, type Ambient, type Stacks } from './stack';
import { MAX_OPENINGS, type Garment } from './garment';
import { garmentArrays } from './garmentArrays';

/** What a whole outfit does for the whole body, in the terms of ISO 9920. */
export interface EnsembleFigures {
  /** total insulation with the air layer, m²K/W */
  totalM2KW: number;
  /** insulation of the air layer alone on the nude body in the same air, m²K/W */
  airM2KW: number;
  /** intrinsic insulation I_cl, clo: total less the air layer over the clothing area factor */
  intrinsicClo: number;
  /** total evaporative resistance, m²Pa/W */
  evaporativeM2PaW: number;
  /** clothing area factor f_cl, outer over skin area */
  areaFactor: number;
}

const REFERENCE_AREA = ZONE_TABLE.map((r) => r.areaM2);
const TOTAL_AREA = REFERENCE_AREA.reduce((a, b) => a + b, 0);

/**
 * Body-averaged insulation and evaporative resistance of an outfit at a uniform skin temperature: the thermal manikin of
 * ISO 15831 put on our own stacks (parallel method: the body's heat over the body's temperature difference).
 * Steady and dry; the evaporative run is isothermal with wet skin, as on a sweating manikin.
 * @param garments worn garments  @param air temperature, relative wind, limb speed, pack
 * @param openings setting of every opening, 0 closed to 1 open; usual where not named
 */
export function ensemble(
  garments: readonly Garment[],
  air: Ambient,
  openings: Record<string, Record<string, number>> = {},
): EnsembleFigures {
  const stacks = stacksOf(garments, air, openings);
  const nude = stacksOf([], air, {});
  const conductance = bodyMean((z) => zoneHeat(stacks, z));
  const nudeConductance = bodyMean((z) => nude.boundary[z]);
  const evaporative = bodyMean((z) => zoneVapour(stacks, z)) * LATENT_VAPOUR;
  const areaFactor = bodyMean((z) => stacks.areaFactor[z]);
  const totalM2KW = 1 / conductance;
  const airM2KW = 1 / nudeConductance;
  return {
    totalM2KW,
    airM2KW,
    intrinsicClo: (totalM2KW - airM2KW / areaFactor) / CLO,
    evaporativeM2PaW: 1 / evaporative,
    areaFactor,
  };
}

/** Heat loss of each zone, W/m² per kelvin between skin and air, in the order of the zone table. */
export function zoneConductances(
  garments: readonly Garment[],
  air: Ambient,
  openings: Record<string, Record<string, number>> = {},
): Float64Array {
  const stacks = stacksOf(garments, air, openings);
  return Float64Array.from({ length: ZONE_COUNT }, (_, z) => zoneHeat(stacks, z));
}

function stacksOf(garments: readonly Garment[], air: Ambient, openings: Record<string, Record<string, number>>) {
  const arrays = garmentArrays([...garments]);
  const open = new Float64Array(garments.length * MAX_OPENINGS);
  garments.forEach((g, i) => {
    g.openings.forEach((o, k) => (open[i * MAX_OPENINGS + k] = openings[g.id]?.[o.id] ?? o.usual));
  });
  const stacks = newStacks();
  buildStacks(arrays, { worn: new Uint8Array(garments.length).fill(1), open }, air, stacks);
  return stacks;
}

function bodyMean(of: (z: number) => number): number {
  let sum = 0;
  for (let z = 0; z < ZONE_COUNT; z++) sum += REFERENCE_AREA[z] * of(z);
  return sum / TOTAL_AREA;
}

/** Conductance skin to air of one zone, W/m²K: links in series, each node vented to the air. */
function zoneHeat(s: Stacks, z: number): number {
  const base = z * STRIDE;
  const n = s.layers[z];
  let outside = n > 0 ? s.rOut[base + n] : 0;
  let beyond = 1 / (outside + 1 / s.boundary[z]) + (n > 0 ? s.throughOuter[z] : 0);
  for (let k = n; k >= 1; k--) {
    const toAir = beyond + s.ventHeat[base + k];
    outside = k > 1 ? s.rOut[base + k - 1] : 0;
    const link = 1 / (outside + s.rGap[base + k] + s.rIn[base + k]) + s.through[base + k];
    beyond = (link * toAir) / (link + toAir);
  }
  return beyond + s.ventHeat[base];
}

/** Vapour conductance skin to air of one zone, g/(s m² Pa). */
function zoneVapour(s: Stacks, z: number): number {
  const base = z * STRIDE;
  const n = s.layers[z];
  let outside = n > 0 ? s.vOut[base + n] : 0;
  let beyond = 1 / (outside + 1 / s.boundaryVapour[z]) + (n > 0 ? s.throughOuter[z] * THROUGH_VAPOUR : 0);
  for (let k = n; k >= 1; k--) {
    const toAir = beyond + s.ventVapour[base + k];
    outside = k > 1 ? s.vOut[base + k - 1] : 0;
    const link = 1 / (outside + s.vGap[base + k] + s.vIn[base + k]) + s.through[base + k] * THROUGH_VAPOUR;
    beyond = (link * toAir) / (link + toAir);
  }
  return beyond + s.ventVapour[base];
}
