import { CP_WATER, LATENT_FUSION } from '@/core/quantity/units';
import { DRIP_FILM, MOST_SHARE } from '@/core/moisture/film';
import { UNDER_PACK, ZONES, zoneIndex, type Zone } from '@/core/body/zones';
import {
  AIR_C,
  AREA,
  COMES,
  DRIPPED,
  DT,
  FALLEN,
  FALL_LIQUID,
  FALL_SNOW,
  FILM,
  FILM_SHARE,
  GIVES,
  HEAT,
  HOLDS_BACK,
  INDEX,
  LAYERS,
  LIQUID,
  MELTS,
  MELTS_AT,
  NODES,
  NODES_A_ZONE,
  PER_AREA,
  PER_LIQUID,
  PLACE,
  PRESSED,
  RATE,
  RECORD,
  RUNS_DOWN,
  SHIELDS,
  SKIN,
  SKIN_CAPACITY,
  SKIN_EVAPORATION,
  SKIN_OWED,
  SORB,
  TO_FALLEN,
  WATER_RESISTANCE,
  WET_LAYERS,
  WICK_OUT,
  WICK_SKIN,
} from './layout';
import type { GarmentPlaces } from './state';

/** Time a flake lies before it is melted or shaken off, s (engineering value). */
const MELT_S = 60;

/**
 * Moves liquid in one zone for one step: sweat through an open mesh or off the skin (the first layer has drunk with the vapour),
 * overflow and drip; then freezes or thaws each layer. Only unfrozen water beyond the sorbed share moves.
 */
export function moveLiquid(m: Float64Array, z: number, at: GarmentPlaces): void {
  const n = m[LAYERS + z] & INDEX;
  const film = m[FILM + z];
  if (n === 0) {
    if (film > DRIP_FILM) {
      m[DRIPPED] += (film - DRIP_FILM) * m[AREA + z];
      m[FILM + z] = DRIP_FILM;
    }
    return;
  }
  const sweating = film > 1e-9;
  if (!sweating && m[WET_LAYERS + z] === 0) return;
  const skinNode = (NODES + z * NODES_A_ZONE * RECORD) & INDEX;
  const temperature = at.temperature & INDEX;
  const water = at.water & INDEX;
  const ice = at.ice & INDEX;
  const last = (skinNode + n * RECORD) & INDEX;
  if (sweating) {
    // Open mesh lets the film reach the layer above through its holes; being thick it keeps a soaked one off the skin.
    const second = (skinNode + 2 * RECORD) & INDEX;
    if (n > 1 && m[second + WICK_SKIN] > 0) wickThroughMesh(m, z, second, at);
    const left = m[FILM + z];
    if (left > DRIP_FILM) {
      m[FILM + z] = DRIP_FILM;
      m[water + (m[skinNode + RECORD + PLACE] & INDEX)] += left - DRIP_FILM;
      m[WET_LAYERS + z] = 1;
    }
  }
  for (let node = (skinNode + RECORD) & INDEX; node <= last; node = (node + RECORD) & INDEX) {
    const j = m[node + PLACE] & INDEX;
    const over = m[water + j] - m[node + SORB] - m[node + LIQUID];
    if (over > 0) {
      const free = m[water + j] - m[ice + j];
      const unfrozen = over < free ? over : free;
      if (unfrozen > 0) {
        m[water + j] -= unfrozen;
        // What cannot cross the layer runs down inside it and out at the hem.
        const across = node < last ? unfrozen * (1 - m[node + HOLDS_BACK]) : 0;
        if (across > 0) m[water + (m[node + RECORD + PLACE] & INDEX)] += across;
        m[DRIPPED] += (unfrozen - across) * m[AREA + z];
      }
    }
    const frozen = m[ice + j];
    const t = m[temperature + j];
    if (t < 0) {
      // Freezes free liquid, as far as the layer's own cold allows. Energy is exact.
      const liquid = m[water + j] - frozen - m[node + SORB];
      if (liquid > 0) {
        const able = (m[node + HEAT] * -t) / LATENT_FUSION;
        const freezes = liquid < able ? liquid : able;
        m[ice + j] = frozen + freezes;
        m[temperature + j] = t + (LATENT_FUSION * freezes) / m[node + HEAT];
      }
    } else if (frozen > 0) {
      const warm = t - m[node + MELTS_AT];
      const able = warm > 0 ? (m[node + HEAT] * warm) / LATENT_FUSION : 0;
      const thaws = frozen < able ? frozen : able;
      m[ice + j] = frozen - thaws;
      m[temperature + j] = t - (LATENT_FUSION * thaws) / m[node + HEAT];
    }
  }
}

/** Liquid from the film, as it is while the step lasts, to the layer over an open mesh. */
function wickThroughMesh(m: Float64Array, z: number, node: number, at: GarmentPlaces): void {
  const j = m[node + PLACE] & INDEX;
  const free = m[at.water + j] - m[at.ice + j] - m[node + SORB];
  const filled = free > 0 ? free * m[node + PER_LIQUID] : 0;
  if (filled >= m[FILM_SHARE + z]) return;
  const wicks = m[node + WICK_SKIN] * m[DT];
  const fills = filled > 0 ? 1 + wicks * m[node + PER_LIQUID] : 1;
  const flow = (wicks * (Math.min(MOST_SHARE, m[FILM_SHARE + z]) - filled)) / fills;
  const moved = Math.min(flow, m[FILM + z]);
  m[FILM + z] -= moved;
  m[at.water + j] += moved;
  m[WET_LAYERS + z] = 1;
}

/**
 * Liquid between touching layers: it leaves the one at once and comes to the other over the step, with its vapour. Come at once, too, it would
 * lie on a thin layer at the end of each step and be gone at the end of its vapour's.
 */
export function wickAcross(m: Float64Array, z: number, at: GarmentPlaces): void {
  const n = m[LAYERS + z] & INDEX;
  if (n < 2 || m[WET_LAYERS + z] === 0) return;
  const water = at.water & INDEX;
  const ice = at.ice & INDEX;
  const dt = m[DT];
  let node = (NODES + (z * NODES_A_ZONE + 1) * RECORD) & INDEX;
  let a = m[node + PLACE] & INDEX;
  let free = m[water + a] - m[ice + a] - m[node + SORB];
  let filled = free > 0 ? free * m[node + PER_LIQUID] : 0;
  for (let k = 1; k < n; k++) {
    const next = (node + RECORD) & INDEX;
    const b = m[next + PLACE] & INDEX;
    let freeOut = m[water + b] - m[ice + b] - m[next + SORB];
    const filledOut = freeOut > 0 ? freeOut * m[next + PER_LIQUID] : 0;
    let moved = m[node + WICK_OUT] * (filled - filledOut) * dt;
    if (moved > 0) {
      const most = free > 0 ? 0.5 * free : 0;
      if (moved > most) moved = most;
      m[water + a] -= moved;
      m[next + COMES] += moved * m[RATE];
    } else if (moved < 0) {
      const most = freeOut > 0 ? 0.5 * freeOut : 0;
      if (-moved > most) moved = -most;
      m[water + b] += moved;
      m[node + COMES] -= moved * m[RATE];
      freeOut += moved;
    }
    node = next;
    a = b;
    free = freeOut;
    filled = filledOut;
  }
}

/**
 * Where what a zone keeps off runs: the zones beneath it by their places (each comes later in the order of zones), and the share
 * that reaches them; the rest drips off hems, cuffs and the lie of the cloth (engineering values).
 */
const DOWN: readonly (readonly (readonly [to: number, share: number])[])[] = (() => {
  const to = (zone: Zone, share: number) => [zoneIndex(zone), share] as const;
  const down: Partial<Record<Zone, (readonly [number, number])[]>> = {
    scalp: [to('face', 0.15), to('neck', 0.5)],
    neck: [to('chest', 0.3), to('back', 0.3 * (1 - UNDER_PACK)), to('underPack', 0.3 * UNDER_PACK)],
    chest: [to('pelvis', 0.5)],
    back: [to('pelvis', 0.5)],
    underPack: [to('pelvis', 0.5)],
    pelvis: [to('thighs', 0.6)],
    arms: [to('hands', 0.3)],
    hands: [to('fingers', 0.5)],
    thighs: [to('calves', 0.6)],
    calves: [to('feet', 0.3)],
    feet: [to('toes', 0.3)],
  };
  return ZONES.map((z) => down[z] ?? []);
})();

/**
 * What falls on a zone, or what it is pressed into, for one step. Snow on a surface below 0 °C stays dry and is brushed off:
 * it never enters the books. On a warmer surface it melts there, with the surface's heat, and wets like rain. Each layer
 * keeps off its water resistance, less so where it is pressed, and nothing where it leaves bare or stands open; what the
 * outermost keeps off, or bare skin cannot hold, runs down. What a layer takes comes to it over the whole step,
 * with its vapour, and the heat it costs is owed over the next: at once, a thin layer would dry the slower, and melt the more, the longer the step.
 */
export function takeFall(m: Float64Array, z: number, at: GarmentPlaces): void {
  const n = m[LAYERS + z] & INDEX;
  const dt = m[DT];
  const airC = m[AIR_C];
  const area = m[AREA + z];
  const liquid = (m[FALL_LIQUID + z] + m[RUNS_DOWN + z]) * dt;
  m[RUNS_DOWN + z] = 0;
  const snow = m[FALL_SNOW + z] * dt;
  const skinNode = (NODES + z * NODES_A_ZONE * RECORD) & INDEX;
  const outer = skinNode + n * RECORD;
  const place = m[outer + PLACE] & INDEX;
  const surface = n === 0 ? m[SKIN + z] : m[at.temperature + place];
  const heatStored = n === 0 ? m[SKIN_CAPACITY + z] / area : m[outer + HEAT];
  // Flakes melt at the rate the surface can give heat, its warmth above freezing within a minute; the rest falls off.
  const meltable = ((heatStored * (surface > 0 ? surface : 0)) / LATENT_FUSION) * Math.min(1, dt / MELT_S);
  const melted = Math.min(snow, meltable);
  // What is pressed against snow melts it with the heat that goes into the snow anyway.
  const arriving = liquid + melted + m[MELTS + z] * (surface > 0 ? surface : 0) * dt;
  if (n === 0) {
    if (arriving <= 0) return;
    const dries = Math.max(0, m[SKIN_EVAPORATION + z]) * dt;
    const stays = Math.min(arriving, Math.max(0, DRIP_FILM + dries - m[FILM + z]));
    const heat = melted * LATENT_FUSION + stays * CP_WATER * Math.max(0, surface - airC);
    m[FILM + z] += stays;
    m[SKIN_OWED + z] += heat;
    m[FALLEN] += stays * area;
    m[TO_FALLEN] += heat * area;
    runDown(m, z, arriving - stays);
    return;
  }
  runDown(m, z, arriving * m[outer + SHIELDS] * m[outer + WATER_RESISTANCE] * (1 - m[PRESSED + z]));
  let left = arriving;
  for (let k = n; k >= 1; k--) {
    const node = (skinNode + k * RECORD) & INDEX;
    const j = m[node + PLACE] & INDEX;
    const meets = left * m[node + SHIELDS];
    const passes = meets * (1 - m[node + WATER_RESISTANCE] * (1 - m[PRESSED + z]));
    // What it loses to the air, and the innermost to the skin, makes room while it rains.
    const loses = Math.max(0, m[at.evaporation + j]) + (k === 1 ? m[GIVES + z] : 0);
    const room = Math.max(0, m[node + SORB] + m[node + LIQUID] + loses * dt - m[at.water + j]);
    const taken = Math.min(room, passes);
    m[node + COMES] += taken * m[RATE];
    if (taken > 0) {
      // Only melting costs heat where it lands; cold rain is warmed by the layer it wets.
      const heat =
        (k === n ? Math.min(melted, taken) * LATENT_FUSION : 0) +
        taken * CP_WATER * Math.max(0, m[at.temperature + j] - airC);
      m[at.owed + j] += heat;
      m[TO_FALLEN] += heat * area;
      m[FALLEN] += taken * area;
    }
    left += passes - meets - taken;
  }
}

/** Hands what a zone kept off, g/m² in this step, to the zones beneath it. */
function runDown(m: Float64Array, z: number, keptOff: number): void {
  if (keptOff <= 0) return;
  for (const [to, share] of DOWN[z]) m[RUNS_DOWN + to] += keptOff * m[RATE] * share * m[AREA + z] * m[PER_AREA + to];
}
