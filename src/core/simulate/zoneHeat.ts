import type { BodyParameters } from '@/core/body/bodyParameters';
import type { ControlOutput } from '@/core/body/control';
import { STRIDE, type Stacks } from '@/core/clothing/stack';
import type { Wardrobe } from '@/core/clothing/wardrobe';
import { AIR_HEAT, LATENT_VAPOUR } from '@/core/quantity/units';
import type { Scratch } from './scratch';
import { HEAD, type State } from './state';

/** Ice in a layer counts half as much as liquid for lost insulation: it bridges fibres less. */
const ICE_SHARE = 0.5;

/** Fills the filled share of each layer of a zone, and its heat links and vents, from the water it holds now. */
export function linkHeat(z: number, w: Wardrobe, stacks: Stacks, s: State, x: Scratch): void {
  const base = z * STRIDE;
  const n = stacks.layers[z];
  const { place, garment, rIn, rOut, rGap, through, dryLink, vent: flow } = stacks;
  const { filled, link, vent } = x;
  const { water, ice } = s;
  const { sorb, liquid: capacity, wetLoss } = w;
  let keepInside = 1;
  let outside = 0;
  vent[0] = flow[base] * AIR_HEAT;
  for (let k = 1; k <= n; k++) {
    const i = base + k;
    const j = place[i];
    const free = water[j] - sorb[j] - (1 - ICE_SHARE) * ice[j];
    let share = free > 0 ? free / capacity[j] : 0;
    if (share > 1) share = 1;
    filled[k] = share;
    vent[k] = flow[i] * AIR_HEAT;
    if (share === 0 && keepInside === 1) {
      link[k - 1] = dryLink[i];
      outside = rOut[i];
    } else {
      const keep = 1 - wetLoss[garment[i]] * share;
      link[k - 1] = 1 / (outside + rGap[i] + rIn[i] * keep) + through[i];
      outside = rOut[i] * keep;
      keepInside = keep;
    }
  }
  link[n] =
    keepInside === 1
      ? dryLink[base + n + 1]
      : 1 / (outside + 1 / stacks.boundary[z]) + (n > 0 ? stacks.throughOuter[z] : 0);
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
  const { place } = stacks;
  const { temperature, slope: slopes, evaporation, owed } = s;
  const heat = w.heat;
  const sun = sunWm2;
  const rate = 1 / dt;

  // Layers from the outside in; node k is tied to k−1 by link[k−1].
  let d: number;
  let r: number;
  for (let k = n; k >= 1; k--) {
    const j = place[base + k];
    const inertia = heat[j] * rate;
    const slope = slopes[j];
    const old = temperature[j];
    const inner = link[k - 1];
    d = inertia + inner + vent[k] + slope;
    r = (inertia + slope) * old + vent[k] * airC - LATENT_VAPOUR * evaporation[j] - owed[j] * rate;
    const outer = link[k];
    if (k === n) {
      d += outer;
      r += outer * airC + sun;
    } else {
      d += outer - outer * upper[k + 1];
      r += outer * right[k + 1];
    }
    const inverse = 1 / d;
    upper[k] = inner * inverse;
    right[k] = r * inverse;
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
    const j = place[base + k];
    const t = right[k] + upper[k] * below;
    // Book what the latent prediction assumed; the vapour step settles it.
    owed[j] = -dt * (LATENT_VAPOUR * evaporation[j] + slopes[j] * (t - temperature[j]));
    temperature[j] = t;
    dry += vent[k] * (t - airC);
    below = t;
  }
  dry += link[n] * (below - airC);
  s.skinOwed[z] = -dt * LATENT_VAPOUR * s.skinEvaporation[z] - dt * skinSlope * (skin - skinOld);
  s.skin[z] = skin;
  x.dryLoss[z] = dry;
  return kb * (central - tissue) + ks * (central - skin);
}
