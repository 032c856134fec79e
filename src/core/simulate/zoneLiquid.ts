import type { BodyParameters } from '@/core/body/bodyParameters';
import { ZONE_COUNT } from '@/core/body/zones';
import { STRIDE, type Stacks } from '@/core/clothing/stack';
import type { Wardrobe } from '@/core/clothing/wardrobe';
import { DRIP_FILM, FULL_FILM, WICK_CLOTH_S, WICK_SKIN_S } from '@/core/moisture/film';
import { LATENT_FUSION } from '@/core/quantity/units';
import type { Ledger } from './ledger';
import type { Scratch } from './scratch';
import type { State } from './state';

/** Time a flake lies before it is melted or shaken off, s (engineering value). */
const MELT_S = 60;

/**
 * Moves liquid in one zone for one step: sweat that runs off or is wicked into the cloth, liquid between touching layers,
 * rain and melting snow from outside, overflow and drip; then freezes or thaws each layer.
 * Only unfrozen water beyond the sorbed share moves.
 */
export function moveLiquid(
  z: number,
  dt: number,
  body: BodyParameters,
  sweatGs: number,
  stacks: Stacks,
  s: State,
  x: Scratch,
  w: Wardrobe,
  ledger: Ledger,
): void {
  const base = z * STRIDE;
  const n = stacks.layers[z];
  const area = body.area[z];
  const { film, water, ice, temperature } = s;
  if (n === 0) {
    if (film[z] > DRIP_FILM) {
      ledger.dripped += (film[z] - DRIP_FILM) * area;
      film[z] = DRIP_FILM;
    }
    return;
  }
  const { garment, place } = stacks;
  const { sorb, liquid } = w;
  const filled = x.filled;
  let anyLiquid = film[z] > 1e-9;
  for (let k = 1; k <= n; k++) {
    const j = place[base + k];
    const free = water[j] - ice[j] - sorb[j];
    filled[k] = free > 0 ? free / liquid[j] : 0;
    if (free > 0) anyLiquid = true;
  }
  if (anyLiquid) {
    const wet = x.wetness[z];
    const first = garment[base + 1];
    fromSkin(z, first, 1, w.contact[first], dt, s, x, w);
    if (n > 1 && w.mesh[first] > 0) {
      // Open mesh lets the film reach the layer above through its holes.
      const second = garment[base + 2];
      fromSkin(z, second, 2, w.mesh[first] * w.contact[second], dt, s, x, w);
    }
    // What ISO 7933 calls unevaporated sweat leaves the film at once: into the cloth, or it drips when the cloth is full.
    let runoff = Math.min(film[z], (sweatGs / area) * dt * 0.5 * wet * wet);
    if (film[z] - runoff > DRIP_FILM) runoff = film[z] - DRIP_FILM;
    film[z] -= runoff;
    water[place[base + 1]] += runoff;

    for (let k = 1; k < n; k++) {
      const difference = filled[k] - filled[k + 1];
      if (difference === 0) continue;
      const a = garment[base + k];
      const b = garment[base + k + 1];
      const ja = place[base + k];
      const jb = place[base + k + 1];
      const wick =
        (w.contact[b] * Math.min(w.wicking[a], w.wicking[b]) * Math.min(liquid[ja], liquid[jb])) / WICK_CLOTH_S;
      let moved = wick * difference * dt;
      const limit = 0.5 * (moved > 0 ? freeLiquid(ja, s, w) : freeLiquid(jb, s, w));
      if (moved > limit) moved = limit;
      else if (moved < -limit) moved = -limit;
      water[ja] -= moved;
      water[jb] += moved;
    }
  }
  for (let k = 1; k <= n; k++) {
    const j = place[base + k];
    const over = water[j] - sorb[j] - liquid[j];
    if (over > 0) {
      const unfrozen = Math.min(over, water[j] - ice[j]);
      if (unfrozen > 0) {
        water[j] -= unfrozen;
        if (k < n) water[place[base + k + 1]] += unfrozen;
        else ledger.dripped += unfrozen * area;
      }
    }
    if (temperature[j] < 0 ? water[j] - ice[j] > sorb[j] : ice[j] > 0) changePhase(j, s, w);
  }
}

/** Liquid between skin film and the k-th layer by their fillings, g/m². Flows back to the skin from soaked cloth. */
function fromSkin(
  z: number,
  g: number,
  k: number,
  contact: number,
  dt: number,
  s: State,
  x: Scratch,
  w: Wardrobe,
): void {
  const j = g * ZONE_COUNT + z;
  let flow =
    ((contact * w.wicking[g] * FULL_FILM) / WICK_SKIN_S) * (Math.min(1.5, s.film[z] / FULL_FILM) - x.filled[k]) * dt;
  if (flow > 0) flow = Math.min(flow, 0.5 * s.film[z]);
  else flow = -Math.min(-flow, 0.3 * freeLiquid(j, s, w));
  s.film[z] -= flow;
  s.water[j] += flow;
}

function freeLiquid(j: number, s: State, w: Wardrobe): number {
  const liquid = s.water[j] - s.ice[j] - w.sorb[j];
  return liquid > 0 ? liquid : 0;
}

/** Freezes free liquid below 0 °C and thaws ice above it, as far as the layer's own heat allows. Energy is exact. */
function changePhase(j: number, s: State, w: Wardrobe): void {
  const t = s.temperature[j];
  if (t < 0) {
    const liquid = freeLiquid(j, s, w);
    if (liquid <= 0) return;
    const frozen = Math.min(liquid, (w.heat[j] * -t) / LATENT_FUSION);
    s.ice[j] += frozen;
    s.temperature[j] = t + (LATENT_FUSION * frozen) / w.heat[j];
  } else if (s.ice[j] > 0) {
    const thawed = Math.min(s.ice[j], (w.heat[j] * t) / LATENT_FUSION);
    s.ice[j] -= thawed;
    s.temperature[j] = t - (LATENT_FUSION * thawed) / w.heat[j];
  }
}

/**
 * Precipitation on the outermost layer for one step. Snow on a surface below 0 °C stays dry and is brushed off: it never
 * enters the books. On a warmer surface it melts there, with the surface's heat, and wets like rain.
 * @param mmH water equivalent  @param liquidShare what arrives liquid  @returns nothing; water and heat are booked
 */
export function precipitate(
  z: number,
  dt: number,
  mmH: number,
  liquidShare: number,
  airC: number,
  body: BodyParameters,
  stacks: Stacks,
  s: State,
  w: Wardrobe,
  ledger: Ledger,
): void {
  const base = z * STRIDE;
  const n = stacks.layers[z];
  const area = body.area[z];
  // An upright body catches about 0.3 of the fall on its surface, more in wind (engineering value).
  const fall = (0.3 * mmH * 1000 * dt) / 3600;
  const outer = n === 0 ? -1 : stacks.place[base + n];
  const surface = n === 0 ? s.skin[z] : s.temperature[outer];
  const heatStored = n === 0 ? body.skinC[z] / area : w.heat[outer];
  // Flakes melt at the rate the surface can give heat, its warmth above freezing within a minute; the rest falls off.
  const meltable = ((heatStored * Math.max(0, surface)) / LATENT_FUSION) * Math.min(1, dt / MELT_S);
  const melted = Math.min(fall * (1 - liquidShare), meltable);
  const arriving = fall * liquidShare + melted;
  if (arriving <= 0) return;
  if (n === 0) {
    const stays = Math.min(arriving, Math.max(0, DRIP_FILM - s.film[z]));
    s.film[z] += stays;
    ledger.precipitation += stays * area;
    const heat = melted * LATENT_FUSION + stays * 4.18 * Math.max(0, s.skin[z] - airC);
    s.skin[z] -= (heat * area) / body.skinC[z];
    ledger.toPrecipitation += heat * area;
    return;
  }
  let left = arriving;
  for (let k = n; k >= 1 && left > 0; k--) {
    const g = stacks.garment[base + k];
    const j = g * ZONE_COUNT + z;
    const passes = left * (1 - w.waterResistance[g]);
    const room = Math.max(0, w.sorb[j] + w.liquid[j] - s.water[j]);
    const taken = Math.min(room, passes);
    if (taken > 0) {
      // Only melting costs heat where it lands; cold rain is warmed by the layer it wets.
      const heat =
        (k === n ? Math.min(melted, taken) * LATENT_FUSION : 0) + taken * 4.18 * Math.max(0, s.temperature[j] - airC);
      s.water[j] += taken;
      s.temperature[j] -= heat / w.heat[j];
      ledger.toPrecipitation += heat * area;
      ledger.precipitation += taken * area;
    }
    left = passes - taken;
  }
}
