import { saturationFast } from '@/core/atmosphere/humidity';
import type { BodyParameters } from '@/core/body/bodyParameters';
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
/** Vapour that goes with a through-flow's heat, g/(s m² Pa) per W/m²K. */
const THROUGH_VAPOUR = AIR_VAPOUR / AIR_HEAT;

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
  const { place, vent: flow, clearLink, vIn, vOut, vGap, through } = stacks;
  const { water, ice, temperature, owed, evaporation, slope } = s;
  const sorb = w.sorb;
  const rate = 1 / dt;

  const skinSaturation = saturationFast(s.skin[z]);
  let clogInside = 1;
  let outside = 0;
  for (let k = 1; k <= n; k++) {
    const i = base + k;
    const j = place[i];
    const frozen = ice[j];
    saturation[k] = saturationFast(temperature[j]);
    capacity[k] = water[j] >= sorb[j] ? HELD : (sorb[j] * rate) / saturation[k];
    if (frozen === 0 && clogInside === 1) {
      vapourLink[k - 1] = clearLink[i];
      outside = vOut[i];
    } else {
      const clog = 1 + frozen / FROST_CLOG;
      vapourLink[k - 1] = 1 / (outside + vGap[i] + vIn[i] * clog) + through[i] * THROUGH_VAPOUR;
      outside = vOut[i] * clog;
      clogInside = clog;
    }
  }
  const toAirLink =
    clogInside === 1
      ? clearLink[base + n + 1]
      : 1 / (outside + 1 / stacks.boundaryVapour[z]) + (n > 0 ? stacks.throughOuter[z] * THROUGH_VAPOUR : 0);
  vapourLink[n] = toAirLink;

  // Skin wettedness, implicit in its film so that a thin film neither flickers nor runs negative.
  const sweat = sweatGs / area;
  const skinVent = flow[base] * AIR_VAPOUR;
  let firstPressure = airVapour;
  if (n > 0) {
    const j = place[base + 1];
    firstPressure = water[j] >= sorb[j] ? saturation[1] : (saturation[1] * water[j]) / sorb[j];
  }
  const firstLink = vapourLink[0];
  const pull = Math.max(0, firstLink * (skinSaturation - firstPressure) + skinVent * (skinSaturation - airVapour));
  const ahead = (s.film[z] + dt * sweat) / (1 + (dt * pull) / FULL_FILM);
  const filmShare = ahead > FULL_FILM ? 1 : ahead / FULL_FILM;
  x.wetness[z] = DRY_WETTEDNESS + (1 - DRY_WETTEDNESS) * filmShare;
  // Wet patches evaporate freely, dry skin only as fast as it lets water through; both into the same first gap.
  const free = firstLink + skinVent;
  const dryLink = ((1 - filmShare) * DRY_SKIN_CONDUCTANCE) / (free + DRY_SKIN_CONDUCTANCE);
  const wet = filmShare + dryLink;
  const skinLink = firstLink * wet;

  let again = true;
  for (let pass = 0; again && pass < 4; pass++) {
    again = false;
    for (let k = n; k >= 1; k--) {
      const i = base + k;
      const j = place[i];
      const inner = k === 1 ? skinLink : vapourLink[k - 1];
      const vent = flow[i] * AIR_VAPOUR;
      const hold = capacity[k];
      // A dry layer's capacity times its starting pressure is its water over the step.
      let d = hold + inner + vent;
      let r = (hold === HELD ? HELD * saturation[k] : water[j] * rate) + vent * airVapour;
      const outer = vapourLink[k];
      if (k === n) {
        d += outer;
        r += outer * airVapour;
      } else {
        d += outer * (1 - upper[k + 1]);
        r += outer * right[k + 1];
      }
      const inverse = 1 / d;
      upper[k] = inner * inverse;
      right[k] = r * inverse;
    }
    pressure[0] = skinSaturation;
    for (let k = 1; k <= n; k++) pressure[k] = right[k] + upper[k] * pressure[k - 1];
    for (let k = 1; k <= n; k++) {
      if (capacity[k] !== HELD) continue;
      const j = place[base + k];
      if (water[j] + dt * netInflow(k, n, flow[base + k], skinLink, x, airVapour) < 0) {
        // It would dry out within the step: let its pressure fall with its water instead.
        capacity[k] = (sorb[j] * rate) / saturation[k];
        again = true;
      }
    }
  }

  let lost = 0;
  for (let k = 1; k <= n; k++) {
    const i = base + k;
    const j = place[i];
    const inflow = netInflow(k, n, flow[i], skinLink, x, airVapour);
    const vent = flow[i] * AIR_VAPOUR;
    lost += vent * (pressure[k] - airVapour);
    const wetNode = capacity[k] === HELD ? 1 : water[j] / sorb[j];
    water[j] += dt * inflow;
    // `owed` now holds λ·(actual − assumed) evaporation; positive means more heat is still to be taken.
    owed[j] -= dt * LATENT_VAPOUR * inflow;
    evaporation[j] = -inflow;
    slope[j] =
      LATENT_VAPOUR *
      wetNode *
      saturation[k] *
      0.065 *
      ((k === 1 ? skinLink : vapourLink[k - 1]) + vapourLink[k] + vent);
    if (ice[j] > water[j]) meltForSublimation(j, s, w);
  }
  const toAir = (n === 0 ? skinLink : toAirLink) * ((n === 0 ? skinSaturation : pressure[n]) - airVapour);
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
function netInflow(k: number, n: number, flow: number, skinLink: number, x: Scratch, airVapour: number): number {
  const { pressure, vapourLink } = x;
  const p = pressure[k];
  const inner = k === 1 ? skinLink : vapourLink[k - 1];
  const outer = k === n ? airVapour : pressure[k + 1];
  return inner * (pressure[k - 1] - p) - vapourLink[k] * (p - outer) - flow * AIR_VAPOUR * (p - airVapour);
}

/** Frost that left as vapour must first have melted: the node pays the heat of fusion. */
function meltForSublimation(j: number, s: State, w: Wardrobe): void {
  const melted = s.ice[j] - Math.max(0, s.water[j]);
  s.ice[j] -= melted;
  s.temperature[j] -= (LATENT_FUSION * melted) / w.heat[j];
}
