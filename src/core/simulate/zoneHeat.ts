import { LATENT_FUSION, LATENT_VAPOUR } from '@/core/quantity/units';
import {
  AIR_C,
  AREA,
  BRIDGES,
  CLING,
  COLLAPSE,
  CONDUCTION,
  DRY_LINK,
  DRY_LOSS,
  DT,
  HEAT,
  INDEX,
  LAYERS,
  LIQUID,
  MEAN_C,
  MELTS_AT,
  MELT_FLOW,
  MELT_LINK,
  NODES,
  NODES_A_ZONE,
  OUTSIDE_C,
  PER_LIQUID,
  PLACE,
  POOL_FIXED,
  POOL_MEAN,
  POOL_PER_K,
  RATE,
  RECORD,
  RIGHT,
  R_GAP,
  R_IN,
  R_OUT,
  SKIN,
  SKIN_BLOOD,
  SKIN_CAPACITY,
  SKIN_EVAPORATION,
  SKIN_FIXED,
  SKIN_MEAN,
  SKIN_OWED,
  SKIN_PER_POOL,
  SKIN_SLOPE,
  SKIN_WHOLE,
  SORB,
  SOURCE,
  SUN,
  THROUGH,
  TISSUE,
  TISSUE_BLOOD,
  TISSUE_CAPACITY,
  TISSUE_FIXED,
  TISSUE_HEAT,
  TISSUE_PER_POOL,
  TISSUE_WHOLE,
  TO_AIR,
  UPPER,
  VENT_HEAT,
  WHOLE,
} from './layout';
import type { GarmentPlaces } from './state';

/** Ice in a layer counts half as much as liquid for lost insulation: it bridges fibres less. */
const ICE_SHARE = 0.5;

/** A layer so near its melting point is at it, K. */
const AT_MELTING = 1e-9;

/**
 * How far a node goes in a step, over how far its mean goes. Everything that flows in a step is worked out from the means over it,
 * old + θ(new − old). A θ of one half is exact for slow nodes and rings in quick ones, a θ of one damps quick ones and lags in slow
 * ones; fitted to what the node holds and lets through, it is nearly one half for the first and nearly one for the second (exponential
 * fitting, Liniger & Willoughby 1970; with this θ a node by itself follows the (1,2) Padé approximant of the exponential; from memory).
 * @param holds what the node holds over the step, W/K, a layer's W/(m² K)  @param lets what it lets through to all its neighbours, the same
 * @returns 1/θ, 1 to 2
 */
export const wholeOverMean = (holds: number, lets: number): number => (6 * holds + lets) / (3 * holds + lets);

/**
 * The first half of an implicit step of the temperatures of a zone: tissue, skin and every layer are a tridiagonal system for the means over the
 * step, eliminated from the outside in until those of skin and tissue hang on that of the central pool alone. What the zone draws from the pool is
 * added to POOL_FIXED and POOL_PER_K. The pool is solved with its zones: blood through working muscle exchanges as much heat in two minutes as the
 * pool holds, and a pool a step behind swings up in long steps. Water in cloth conducts by its volume over the thickness, presses out loft and takes away
 * the air beneath. Evaporation enters with its last value plus its slope, so that wet thin layers stay smooth; what that prediction
 * missed is owed and paid in the next step, so energy is conserved exactly. A layer at its melting point with ice in it stays there:
 * what flows in melts ice, what flows out freezes liquid.
 */
export function eliminateHeat(m: Float64Array, z: number, at: GarmentPlaces): void {
  const n = m[LAYERS + z] & INDEX;
  const skinNode = (NODES + z * NODES_A_ZONE * RECORD) & INDEX;
  const dt = m[DT];
  const rate = m[RATE];
  const airC = m[AIR_C];
  const outsideC = m[OUTSIDE_C + z];
  const temperature = at.temperature & INDEX;
  const water = at.water & INDEX;
  const ice = at.ice & INDEX;
  const evaporation = at.evaporation & INDEX;
  const slope = at.slope & INDEX;
  const owed = at.owed & INDEX;

  // From the outside in: `outer` links the node to what lies outside it, `inner` to what lies beneath; `keep` and `keepGap`
  // are what a wet layer keeps of its resistance and of the gap's beneath it.
  let node = (skinNode + n * RECORD) & INDEX;
  let j = m[node + PLACE] & INDEX;
  let keep = 1;
  let keepGap = 1;
  if (n > 0) {
    const free = m[water + j] - m[node + SORB] - (1 - ICE_SHARE) * m[ice + j];
    if (free > 0) {
      const filled = free < m[node + LIQUID] ? free * m[node + PER_LIQUID] : 1;
      keep = (1 - m[node + COLLAPSE] * filled) / (1 + m[node + BRIDGES] * free);
      keepGap = 1 - m[node + CLING] * filled;
    }
  }
  const beyond = node + RECORD;
  let outer =
    keep === 1 ? m[beyond + DRY_LINK] : 1 / (m[node + R_OUT] * keep + m[beyond + R_GAP]) + m[beyond + THROUGH];
  const toAir = outer;
  let fromOutside = outer * outsideC + m[SUN];
  let reflected = 0;
  for (let k = n; k >= 1; k--) {
    const within = (node - RECORD) & INDEX;
    const jInside = m[within + PLACE] & INDEX;
    let keepInside = 1;
    let keepGapInside = 1;
    if (k > 1) {
      const free = m[water + jInside] - m[within + SORB] - (1 - ICE_SHARE) * m[ice + jInside];
      if (free > 0) {
        const filled = free < m[within + LIQUID] ? free * m[within + PER_LIQUID] : 1;
        keepInside = (1 - m[within + COLLAPSE] * filled) / (1 + m[within + BRIDGES] * free);
        keepGapInside = 1 - m[within + CLING] * filled;
      }
    }
    const inner =
      keep === 1 && keepInside === 1
        ? m[node + DRY_LINK]
        : 1 / (m[within + R_OUT] * keepInside + m[node + R_GAP] * keepGap + m[node + R_IN] * keep) + m[node + THROUGH];
    const steep = m[slope + j];
    const vent = m[node + VENT_HEAT];
    const flows =
      vent * airC - LATENT_VAPOUR * m[evaporation + j] - m[owed + j] * rate + m[node + SOURCE] + fromOutside;
    const old = m[temperature + j];
    let right = old;
    let upper = 0;
    let stays = false;
    if (m[ice + j] > 0 && old > m[node + MELTS_AT] - AT_MELTING && old < m[node + MELTS_AT] + AT_MELTING) {
      const elsewhere = flows - (inner + vent + outer - reflected) * old;
      const beneathC = k > 1 ? m[temperature + jInside] : m[SKIN + z];
      stays = canChange(m, node, j, dt * (elsewhere + inner * beneathC), at);
      m[node + MELT_FLOW] = elsewhere;
      m[node + MELT_LINK] = inner;
    }
    if (stays) {
      m[node + WHOLE] = 0;
    } else {
      const holds = m[node + HEAT] * rate;
      const whole = wholeOverMean(holds, inner + vent + steep + outer);
      const inertia = holds * whole;
      m[node + WHOLE] = whole;
      const inverse = 1 / (inertia + inner + vent + steep + outer - reflected);
      right = ((inertia + steep) * old + flows) * inverse;
      upper = inner * inverse;
    }
    m[node + UPPER] = upper;
    m[node + RIGHT] = right;
    fromOutside = inner * right;
    reflected = inner * upper;
    outer = inner;
    keep = keepInside;
    keepGap = keepGapInside;
    node = within;
    j = jInside;
  }

  const area = m[AREA + z];
  const conduction = m[CONDUCTION + z];
  const skinBlood = m[SKIN_BLOOD + z];
  const tissueBlood = m[TISSUE_BLOOD + z];
  const vent = m[skinNode + VENT_HEAT];
  const skinSlope = m[SKIN_SLOPE + z];
  const skinHolds = m[SKIN_CAPACITY + z] * rate;
  const skinWhole = wholeOverMean(skinHolds, conduction + skinBlood + area * (vent + skinSlope + outer));
  const skinInertia = skinHolds * skinWhole;
  const latent = LATENT_VAPOUR * m[SKIN_EVAPORATION + z];
  const inverse = 1 / (skinInertia + conduction + skinBlood + area * (vent + skinSlope + outer - reflected));
  const upper = conduction * inverse;
  const right =
    (skinInertia * m[SKIN + z] +
      area * (vent * airC + skinSlope * m[SKIN + z] - latent - m[SKIN_OWED + z] * rate + fromOutside)) *
    inverse;
  const perPool = skinBlood * inverse;
  const tissueHolds = m[TISSUE_CAPACITY + z] * rate;
  const tissueWhole = wholeOverMean(tissueHolds, tissueBlood + conduction);
  const tissueInertia = tissueHolds * tissueWhole;
  const tissueInverse = 1 / (tissueInertia + tissueBlood + conduction - conduction * upper);
  const tissueFixed = (tissueInertia * m[TISSUE + z] + m[TISSUE_HEAT + z] + conduction * right) * tissueInverse;
  const tissuePerPool = (tissueBlood + conduction * perPool) * tissueInverse;
  const skinFixed = right + upper * tissueFixed;
  const skinPerPool = perPool + upper * tissuePerPool;
  m[TISSUE_FIXED + z] = tissueFixed;
  m[TISSUE_PER_POOL + z] = tissuePerPool;
  m[TISSUE_WHOLE + z] = tissueWhole;
  m[SKIN_FIXED + z] = skinFixed;
  m[SKIN_PER_POOL + z] = skinPerPool;
  m[SKIN_WHOLE + z] = skinWhole;
  m[TO_AIR + z] = toAir;
  m[POOL_FIXED] += tissueBlood * tissueFixed + skinBlood * skinFixed;
  m[POOL_PER_K] += tissueBlood * (1 - tissuePerPool) + skinBlood * (1 - skinPerPool);
}

/** The second half, once POOL_MEAN is known: tissue and skin, and from there back out through the layers. */
export function settleHeat(m: Float64Array, z: number, at: GarmentPlaces): void {
  const n = m[LAYERS + z] & INDEX;
  const skinNode = (NODES + z * NODES_A_ZONE * RECORD) & INDEX;
  const dt = m[DT];
  const airC = m[AIR_C];
  const temperature = at.temperature & INDEX;
  const evaporation = at.evaporation & INDEX;
  const slope = at.slope & INDEX;
  const owed = at.owed & INDEX;
  const pool = m[POOL_MEAN];
  const skin = m[SKIN_FIXED + z] + m[SKIN_PER_POOL + z] * pool;
  const tissue = m[TISSUE_FIXED + z] + m[TISSUE_PER_POOL + z] * pool;
  let below = skin;
  let dry = m[skinNode + VENT_HEAT] * (skin - airC);
  let node = skinNode;
  for (let k = 1; k <= n; k++) {
    node = (node + RECORD) & INDEX;
    const i = m[node + PLACE] & INDEX;
    const t = m[node + RIGHT] + m[node + UPPER] * below;
    // Book what the latent prediction assumed; the vapour step settles it.
    const old = m[temperature + i];
    m[owed + i] = -dt * (LATENT_VAPOUR * m[evaporation + i] + m[slope + i] * (t - old));
    m[node + MEAN_C] = t;
    const whole = m[node + WHOLE];
    if (whole > 0) m[temperature + i] = old + whole * (t - old);
    else {
      const rest = changePhase(m, node, i, dt * (m[node + MELT_FLOW] + m[node + MELT_LINK] * below), at);
      m[owed + i] -= rest;
    }
    dry += m[node + VENT_HEAT] * (t - airC);
    below = t;
  }
  m[DRY_LOSS + z] = dry + m[TO_AIR + z] * (below - m[OUTSIDE_C + z]);
  const skinOld = m[SKIN + z];
  m[SKIN_OWED + z] = -dt * (LATENT_VAPOUR * m[SKIN_EVAPORATION + z] + m[SKIN_SLOPE + z] * (skin - skinOld));
  m[TISSUE + z] += m[TISSUE_WHOLE + z] * (tissue - m[TISSUE + z]);
  m[SKIN_MEAN + z] = skin;
  m[SKIN + z] = skinOld + m[SKIN_WHOLE + z] * (skin - skinOld);
}

/** Liquid that freezes in a layer at its melting point, g/m²; in what covers the mouth only breath freezes there. */
const freezable = (m: Float64Array, node: number, i: number, at: GarmentPlaces): number =>
  m[node + MELTS_AT] > 0 ? 0 : Math.max(0, m[at.water + i] - m[at.ice + i] - m[node + SORB]);

/** Whether there is ice or liquid enough for so much heat to melt or freeze it, J/m². */
const canChange = (m: Float64Array, node: number, i: number, heat: number, at: GarmentPlaces): boolean =>
  heat >= 0 ? heat <= LATENT_FUSION * m[at.ice + i] : -heat <= LATENT_FUSION * freezable(m, node, i, at);

/**
 * Ice melts with the heat that flows into a layer at its melting point, and liquid freezes for the heat that flows out of it.
 * @param i place of the layer in the garments' arrays  @param heat J/m²  @returns heat for which there was no ice or liquid, J/m²
 */
function changePhase(m: Float64Array, node: number, i: number, heat: number, at: GarmentPlaces): number {
  const frozen = m[at.ice + i];
  const change =
    heat >= 0 ? -Math.min(frozen, heat / LATENT_FUSION) : Math.min(freezable(m, node, i, at), -heat / LATENT_FUSION);
  m[at.ice + i] = frozen + change;
  return heat + LATENT_FUSION * change;
}
