import { saturationFast } from '@/core/atmosphere/humidity';
import type { BodyParameters } from '@/core/body/bodyParameters';
import { ZONE_COUNT } from '@/core/body/zones';
import { STRIDE, type Stacks } from '@/core/clothing/stack';
import type { Wardrobe } from '@/core/clothing/wardrobe';
import { DRY_SKIN_CONDUCTANCE, DRY_WETTEDNESS, FULL_FILM } from '@/core/moisture/film';
import { AIR_HEAT, AIR_VAPOUR, LATENT_FUSION, LATENT_VAPOUR } from '@/core/quantity/units';
import type { Ledger } from './ledger';
import type { Scratch } from './scratch';
import type { State } from './state';

/** A conductance so large that a saturated layer keeps its own saturation pressure, g/(s m² Pa). */
const HELD = 1e3;
/** Frost that doubles a layer's resistance to vapour, g/m² (engineering value). */
const FROST_CLOG = 80;

/**
 * One implicit step of the water vapour of a zone, with what it evaporates from the skin and leaves in each layer.
 *
 * Unknown: vapour pressure at every layer. A layer with free water holds its saturation pressure; one without follows its
 * sorption line, pressure = saturation × water / regain (linear isotherm: real ones are S-shaped, which costs a few g/m²
 * in wool and nothing in synthetics). Both keep the system tridiagonal and water conserved to rounding.
 */
export function solveVapour(
  z: number,
  dt: number,
  body: BodyParameters,
  sweatGs: number,
  stacks: Stacks,
  s: State,
  x: Scratch,
  w: Wardrobe,
  airVapour: number,
  ledger: Ledger,
): void {
  const base = z * STRIDE;
  const n = stacks.layers[z];
  const area = body.area[z];
  const { vapourLink, pressure, saturation, upper, right, capacity } = x;
  const ventVapour = AIR_VAPOUR;
  const throughVapour = AIR_VAPOUR / AIR_HEAT;

  const skinSaturation = saturationFast(s.skin[z]);
  let outside = 0;
  for (let k = 1; k <= n; k++) {
    const j = stacks.garment[base + k] * ZONE_COUNT + z;
    const clog = 1 + s.ice[j] / FROST_CLOG;
    const inside = stacks.vIn[base + k] * clog;
    vapourLink[k - 1] = 1 / (outside + stacks.vGap[base + k] + inside) + stacks.through[base + k] * throughVapour;
    outside = stacks.vOut[base + k] * clog;
    saturation[k] = saturationFast(s.temperature[j]);
  }
  vapourLink[n] = 1 / (outside + 1 / stacks.boundaryVapour[z]) + (n > 0 ? stacks.throughOuter[z] * throughVapour : 0);

  // Skin wettedness, implicit in its film so that a thin film neither flickers nor runs negative.
  const sweat = sweatGs / area;
  const skinVent = stacks.vent[base] * ventVapour;
  let firstPressure = airVapour;
  if (n > 0) {
    const j = stacks.garment[base + 1] * ZONE_COUNT + z;
    firstPressure = saturation[1] * Math.min(1, s.water[j] / w.sorb[j]);
  }
  const pull = Math.max(0, vapourLink[0] * (skinSaturation - firstPressure) + skinVent * (skinSaturation - airVapour));
  const ahead = (s.film[z] + dt * sweat) / (1 + (dt * pull) / FULL_FILM);
  const filmShare = ahead > FULL_FILM ? 1 : ahead / FULL_FILM;
  x.wetness[z] = DRY_WETTEDNESS + (1 - DRY_WETTEDNESS) * filmShare;
  // Wet patches evaporate freely, dry skin only as fast as it lets water through; both into the same first gap.
  const free = vapourLink[0] + skinVent;
  const dryLink = ((1 - filmShare) * DRY_SKIN_CONDUCTANCE) / (free + DRY_SKIN_CONDUCTANCE);
  const wet = filmShare + dryLink;
  const skinLink = vapourLink[0] * wet;

  for (let k = 1; k <= n; k++) {
    const j = stacks.garment[base + k] * ZONE_COUNT + z;
    capacity[k] = s.water[j] >= w.sorb[j] ? HELD : w.sorb[j] / (saturation[k] * dt);
  }

  let again = true;
  for (let pass = 0; again && pass < 4; pass++) {
    again = false;
    for (let k = n; k >= 1; k--) {
      const j = stacks.garment[base + k] * ZONE_COUNT + z;
      const inner = k === 1 ? skinLink : vapourLink[k - 1];
      const vent = stacks.vent[base + k] * ventVapour;
      const held = capacity[k] === HELD;
      const start = held ? saturation[k] : (saturation[k] * s.water[j]) / w.sorb[j];
      let d = capacity[k] + inner + vent;
      let r = capacity[k] * start + vent * airVapour;
      if (k === n) {
        d += vapourLink[n];
        r += vapourLink[n] * airVapour;
      } else {
        d += vapourLink[k] * (1 - upper[k + 1]);
        r += vapourLink[k] * right[k + 1];
      }
      upper[k] = inner / d;
      right[k] = r / d;
    }
    let below = skinSaturation;
    for (let k = 1; k <= n; k++) {
      below = right[k] + upper[k] * below;
      pressure[k] = below;
    }
    pressure[0] = skinSaturation;
    for (let k = 1; k <= n; k++) {
      if (capacity[k] !== HELD) continue;
      const j = stacks.garment[base + k] * ZONE_COUNT + z;
      if (s.water[j] + dt * netInflow(k, n, base, skinLink, stacks, x, airVapour) < 0) {
        // It would dry out within the step: let its pressure fall with its water instead.
        capacity[k] = w.sorb[j] / (saturation[k] * dt);
        again = true;
      }
    }
  }

  let lost = 0;
  for (let k = 1; k <= n; k++) {
    const j = stacks.garment[base + k] * ZONE_COUNT + z;
    const inflow = netInflow(k, n, base, skinLink, stacks, x, airVapour);
    lost += stacks.vent[base + k] * ventVapour * (pressure[k] - airVapour);
    s.water[j] += dt * inflow;
    s.owed[j] += -dt * LATENT_VAPOUR * inflow;
    // `owed` now holds λ·(actual − assumed) evaporation; positive means more heat is still to be taken.
    s.evaporation[j] = -inflow;
    const wetNode = capacity[k] === HELD ? 1 : s.water[j] / w.sorb[j];
    s.slope[j] =
      LATENT_VAPOUR *
      wetNode *
      saturation[k] *
      0.065 *
      ((k === 1 ? skinLink : vapourLink[k - 1]) + vapourLink[k] + stacks.vent[base + k] * ventVapour);
    if (s.ice[j] > s.water[j]) meltForSublimation(j, s, w);
  }
  const toAir = (n === 0 ? skinLink : vapourLink[n]) * ((n === 0 ? skinSaturation : pressure[n]) - airVapour);
  const fromSkin =
    n === 0 ? toAir : skinLink * (skinSaturation - pressure[1]) + skinVent * wet * (skinSaturation - airVapour);
  lost += n === 0 ? 0 : toAir + skinVent * wet * (skinSaturation - airVapour);
  if (n === 0) lost = fromSkin;

  s.skinOwed[z] += dt * LATENT_VAPOUR * fromSkin;
  s.skinEvaporation[z] = fromSkin;
  s.skinSlope[z] = LATENT_VAPOUR * skinSaturation * 0.056 * (skinLink + skinVent * wet);

  // Of what leaves the skin, the share of dry diffusion is the body's own water; the rest comes from the film.
  const diffusion = fromSkin > 0 ? (fromSkin * dryLink) / wet : 0;
  let film = s.film[z] + dt * (sweat - (fromSkin - diffusion));
  let extra = 0;
  if (film < 0) {
    extra = -film;
    film = 0;
  }
  s.film[z] = film;
  ledger.sweat += sweatGs * dt;
  ledger.produced += sweatGs * dt + (diffusion * dt + extra) * area;
  ledger.evaporated += lost * dt * area;
  ledger.latent += LATENT_VAPOUR * lost * dt * area;
  x.evaporativeLoss[z] = LATENT_VAPOUR * lost;
}

/** Net vapour into layer k, g/s m², at the solved pressures. */
function netInflow(
  k: number,
  n: number,
  base: number,
  skinLink: number,
  stacks: Stacks,
  x: Scratch,
  airVapour: number,
): number {
  const p = x.pressure[k];
  const inner = k === 1 ? skinLink : x.vapourLink[k - 1];
  const outer = k === n ? airVapour : x.pressure[k + 1];
  return (
    inner * (x.pressure[k - 1] - p) -
    x.vapourLink[k] * (p - outer) -
    stacks.vent[base + k] * AIR_VAPOUR * (p - airVapour)
  );
}

/** Frost that left as vapour must first have melted: the node pays the heat of fusion. */
function meltForSublimation(j: number, s: State, w: Wardrobe): void {
  const melted = s.ice[j] - Math.max(0, s.water[j]);
  s.ice[j] -= melted;
  s.temperature[j] -= (LATENT_FUSION * melted) / w.heat[j];
}
