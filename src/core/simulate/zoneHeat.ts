import type { BodyParameters } from '@/core/body/bodyParameters';
import type { ControlOutput } from '@/core/body/control';
import { STRIDE, type Stacks } from '@/core/clothing/stack';
import type { Wardrobe } from '@/core/clothing/wardrobe';
import { ZONE_COUNT } from '@/core/body/zones';
import { AIR_HEAT, LATENT_VAPOUR } from '@/core/quantity/units';
import type { Scratch } from './scratch';
import { HEAD, type State } from './state';

/** Ice in a layer counts half as much as liquid for lost insulation: it bridges fibres less. */
const ICE_SHARE = 0.5;

/** Fills the filled share of each layer of a zone, and its heat links and vents, from the water it holds now. */
export function linkHeat(z: number, w: Wardrobe, stacks: Stacks, s: State, x: Scratch): void {
  const base = z * STRIDE;
  const n = stacks.layers[z];
  let outside = 0;
  for (let k = 0; k <= n; k++) {
    let next = 0;
    if (k > 0) {
      const g = stacks.garment[base + k];
      const j = g * ZONE_COUNT + z;
      const liquid = s.water[j] - w.sorb[j] - (1 - ICE_SHARE) * s.ice[j];
      let filled = liquid > 0 ? liquid / w.liquid[j] : 0;
      if (filled > 1) filled = 1;
      x.filled[k] = filled;
      const keep = 1 - w.wetLoss[g] * filled;
      const inside = stacks.rIn[base + k] * keep;
      next = stacks.rOut[base + k] * keep;
      x.link[k - 1] = 1 / (outside + stacks.rGap[base + k] + inside) + stacks.through[base + k];
    }
    outside = next;
    x.vent[k] = stacks.vent[base + k] * AIR_HEAT;
  }
  x.link[n] = 1 / (outside + 1 / stacks.boundary[z]) + (n > 0 ? stacks.throughOuter[z] : 0);
}

/**
 * One implicit step of the temperatures of a zone: tissue, skin and every layer, a tridiagonal system solved from the
 * outside in. Evaporation enters with its last value plus its slope, so that wet thin layers stay smooth; what that
 * prediction missed is owed and paid in the next step, so energy is conserved exactly.
 *
 * @returns heat drawn from the central pool, W
 */
export function solveTemperature(
  z: number,
  dt: number,
  body: BodyParameters,
  c: ControlOutput,
  stacks: Stacks,
  s: State,
  x: Scratch,
  w: Wardrobe,
  airC: number,
  sunWm2: number,
): number {
  const base = z * STRIDE;
  const n = stacks.layers[z];
  const area = body.area[z];
  const central = s.head[HEAD.central];
  const { link, vent, upper, right } = x;
  const sun = sunWm2;

  // Layers from the outside in; node k is tied to k−1 by link[k−1].
  let d: number;
  let r: number;
  for (let k = n; k >= 1; k--) {
    const j = stacks.garment[base + k] * ZONE_COUNT + z;
    const inertia = w.heat[j] / dt;
    const slope = s.slope[j];
    const old = s.temperature[j];
    d = inertia + link[k - 1] + vent[k] + slope;
    r = inertia * old + vent[k] * airC + slope * old - LATENT_VAPOUR * s.evaporation[j] - s.owed[j] / dt;
    if (k === n) {
      d += link[n];
      r += link[n] * airC + sun;
    } else {
      d += link[k] - link[k] * upper[k + 1];
      r += link[k] * right[k + 1];
    }
    upper[k] = link[k - 1] / d;
    right[k] = r / d;
  }

  const kc = body.conduction[z];
  const ks = c.skinBlood[z];
  const kb = c.tissueBlood[z];
  const skinInertia = body.skinC[z] / dt;
  const skinOld = s.skin[z];
  const skinSlope = s.skinSlope[z];
  d = skinInertia + kc + ks + area * (vent[0] + skinSlope);
  r =
    skinInertia * skinOld +
    ks * central +
    area * (vent[0] * airC + skinSlope * skinOld - LATENT_VAPOUR * s.skinEvaporation[z] - s.skinOwed[z] / dt);
  if (n === 0) {
    d += area * link[0];
    r += area * (link[0] * airC + sun);
  } else {
    d += area * link[0] * (1 - upper[1]);
    r += area * link[0] * right[1];
  }
  const skinUpper = kc / d;
  const skinRight = r / d;

  const tissueInertia = body.tissueC[z] / dt;
  const tissueOld = s.tissue[z];
  const tissue =
    (tissueInertia * tissueOld + kb * central + x.tissueHeat[z] + kc * skinRight) /
    (tissueInertia + kb + kc - kc * skinUpper);
  const skin = skinRight + skinUpper * tissue;

  s.tissue[z] = tissue;
  let below = skin;
  let dry = vent[0] * (skin - airC);
  for (let k = 1; k <= n; k++) {
    const j = stacks.garment[base + k] * ZONE_COUNT + z;
    const t = right[k] + upper[k] * below;
    // Book what the latent prediction assumed; the vapour step settles it.
    s.owed[j] = -dt * LATENT_VAPOUR * s.evaporation[j] - dt * s.slope[j] * (t - s.temperature[j]);
    s.temperature[j] = t;
    dry += vent[k] * (t - airC);
    below = t;
  }
  dry += link[n] * (below - airC);
  s.skinOwed[z] = -dt * LATENT_VAPOUR * s.skinEvaporation[z] - dt * skinSlope * (skin - skinOld);
  s.skin[z] = skin;
  x.dryLoss[z] = dry;
  return kb * (central - tissue) + ks * (central - skin);
}
