import { LATENT_VAPOUR } from '@/core/quantity/units';
import {
  AIR_C,
  AREA,
  BRIDGES,
  CENTRAL,
  CLING,
  COLLAPSE,
  CONDUCTION,
  DRAWN,
  DRY_LINK,
  DRY_LOSS,
  DT,
  HEAT,
  INDEX,
  LAYERS,
  LIQUID,
  NODES,
  NODES_A_ZONE,
  OUTSIDE_C,
  PER_LIQUID,
  PLACE,
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
  SKIN_OWED,
  SKIN_SLOPE,
  SORB,
  SOURCE,
  SUN,
  THROUGH,
  TISSUE,
  TISSUE_BLOOD,
  TISSUE_CAPACITY,
  TISSUE_HEAT,
  UPPER,
  VENT_HEAT,
} from './layout';
import type { GarmentPlaces } from './state';

/** Ice in a layer counts half as much as liquid for lost insulation: it bridges fibres less. */
const ICE_SHARE = 0.5;

/**
 * One implicit step of the temperatures of a zone: tissue, skin and every layer, a tridiagonal system solved from the
 * outside in. Water in cloth conducts by its volume over the thickness, presses out loft and takes away the air beneath. Evaporation enters with its last value plus its
 * slope, so that wet thin layers stay smooth; what that prediction missed is owed and paid in the next step, so energy is
 * conserved exactly. Adds the heat drawn from the central pool to DRAWN.
 */
export function stepHeat(m: Float64Array, z: number, at: GarmentPlaces): void {
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
    const inertia = m[node + HEAT] * rate;
    const steep = m[slope + j];
    const vent = m[node + VENT_HEAT];
    const inverse = 1 / (inertia + inner + vent + steep + outer - reflected);
    const right =
      ((inertia + steep) * m[temperature + j] +
        vent * airC -
        LATENT_VAPOUR * m[evaporation + j] -
        m[owed + j] * rate +
        m[node + SOURCE] +
        fromOutside) *
      inverse;
    const upper = inner * inverse;
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
  const central = m[CENTRAL];
  const conduction = m[CONDUCTION + z];
  const skinBlood = m[SKIN_BLOOD + z];
  const tissueBlood = m[TISSUE_BLOOD + z];
  const vent = m[skinNode + VENT_HEAT];
  const skinInertia = m[SKIN_CAPACITY + z] * rate;
  const skinOld = m[SKIN + z];
  const skinSlope = m[SKIN_SLOPE + z];
  const latent = LATENT_VAPOUR * m[SKIN_EVAPORATION + z];
  const inverse = 1 / (skinInertia + conduction + skinBlood + area * (vent + skinSlope + outer - reflected));
  const skinUpper = conduction * inverse;
  const skinRight =
    (skinInertia * skinOld +
      skinBlood * central +
      area * (vent * airC + skinSlope * skinOld - latent - m[SKIN_OWED + z] * rate + fromOutside)) *
    inverse;
  const tissueInertia = m[TISSUE_CAPACITY + z] * rate;
  const tissue =
    (tissueInertia * m[TISSUE + z] + tissueBlood * central + m[TISSUE_HEAT + z] + conduction * skinRight) /
    (tissueInertia + tissueBlood + conduction - conduction * skinUpper);
  const skin = skinRight + skinUpper * tissue;

  // And back out.
  let below = skin;
  let dry = vent * (skin - airC);
  node = skinNode;
  for (let k = 1; k <= n; k++) {
    node = (node + RECORD) & INDEX;
    const i = m[node + PLACE] & INDEX;
    const t = m[node + RIGHT] + m[node + UPPER] * below;
    // Book what the latent prediction assumed; the vapour step settles it.
    m[owed + i] = -dt * (LATENT_VAPOUR * m[evaporation + i] + m[slope + i] * (t - m[temperature + i]));
    m[temperature + i] = t;
    dry += m[node + VENT_HEAT] * (t - airC);
    below = t;
  }
  m[DRY_LOSS + z] = dry + toAir * (below - outsideC);
  m[SKIN_OWED + z] = -dt * (latent + skinSlope * (skin - skinOld));
  m[TISSUE + z] = tissue;
  m[SKIN + z] = skin;
  m[DRAWN] += tissueBlood * (central - tissue) + skinBlood * (central - skin);
}
