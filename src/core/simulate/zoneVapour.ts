import { saturationFast } from '@/core/atmosphere/humidity';
import { FILLING_OVER_HUMIDITY, SORPTION_STEPS } from '@/core/clothing/sorption';
import { DRY_SKIN_CONDUCTANCE, DRY_WETTEDNESS, FULL_FILM, MOST_SHARE } from '@/core/moisture/film';
import { LATENT_FUSION, LATENT_VAPOUR } from '@/core/quantity/units';
import {
  AIR_VAPOUR,
  AREA,
  COMES,
  CLEAR_LINK,
  DT,
  EVAPORATED,
  EVAPORATIVE_LOSS,
  FILM,
  FILM_SHARE,
  GIVES,
  HELD,
  INFLOW,
  INDEX,
  LAYERS,
  MEAN_C,
  NODES,
  NODES_A_ZONE,
  PER_AREA,
  PER_HUMIDITY,
  PER_LIQUID,
  PER_SORB,
  PLACE,
  PRESSURE,
  PRODUCED,
  RATE,
  RECORD,
  RIGHT,
  SATURATION,
  SKIN,
  SKIN_EVAPORATION,
  SKIN_MEAN,
  SKIN_OWED,
  SKIN_SLOPE,
  SORB,
  SWEAT,
  THROUGH_VAPOUR,
  UPPER,
  VAPOUR_LINK,
  VENT_VAPOUR,
  V_GAP,
  V_IN,
  V_OUT,
  WETNESS,
  WET_LAYERS,
  WICK_SKIN,
} from './layout';
import { changesOver, HOLD, solveChangedOver } from './changedOver';
import type { GarmentPlaces } from './state';

/** Rise of a layer's resistance to vapour with frost, m²/g: 80 g/m² double it (engineering value). */
const FROST_CLOG = 1 / 80;
const PER_FULL_FILM = 1 / FULL_FILM;
/** Relative rise of the saturation curve per kelvin near 0 °C and near skin temperature, 1/K. */
const CURVE_COLD = 0.065;
const CURVE_SKIN = 0.056;

/** Share of what a layer can sorb over the humidity that this share is in balance with, between the entries of the table. @param share 0–1 */
function fillingOverHumidity(share: number): number {
  const x = share * SORPTION_STEPS;
  const i = x | 0;
  const a = FILLING_OVER_HUMIDITY[i];
  return a + (FILLING_OVER_HUMIDITY[i + 1] - a) * (x - i);
}

/**
 * One implicit step of the water vapour of a zone, at its mean temperatures over the step, with what it evaporates from the skin
 * and leaves in each layer.
 *
 * Unknown: vapour pressure at every layer. A layer with free water holds its saturation pressure; one without follows its
 * sorption curve along the chord from dry to where it is now, pressure = saturation × humidity of the curve × water after over
 * water before the step. Both keep the system tridiagonal, water positive, and conserved to rounding.
 */
export function stepVapour(m: Float64Array, z: number, at: GarmentPlaces): void {
  const n = m[LAYERS + z] & INDEX;
  const skinNode = (NODES + z * NODES_A_ZONE * RECORD) & INDEX;
  const temperature = at.temperature & INDEX;
  const water = at.water & INDEX;
  const ice = at.ice & INDEX;
  const evaporation = at.evaporation & INDEX;
  const slope = at.slope & INDEX;
  const owed = at.owed & INDEX;
  const dt = m[DT];
  const rate = m[RATE];
  const air = m[AIR_VAPOUR];
  const sweat = m[SWEAT + z] * m[PER_AREA + z];
  const skinSaturation = saturationFast(m[SKIN_MEAN + z]);
  const skinVent = m[skinNode + VENT_VAPOUR];

  // Links and elimination from the outside in; frost clogs the layer it sits in.
  let node = (skinNode + n * RECORD) & INDEX;
  let j = m[node + PLACE] & INDEX;
  let clog = 1;
  if (n > 0 && m[ice + j] > 0) clog = 1 + m[ice + j] * FROST_CLOG;
  const airNode = node + RECORD;
  let outer =
    clog === 1
      ? m[airNode + CLEAR_LINK]
      : 1 / (m[node + V_OUT] * clog + m[airNode + V_GAP]) + m[airNode + THROUGH_VAPOUR];
  const toAirLink = outer;
  m[node + VAPOUR_LINK] = outer;
  let fromOutside = outer * air;
  let reflected = 0;
  let wet = 0;
  let dryLink = 0;
  let skinLink = 0;
  let k = n;
  do {
    let inner = outer;
    let curve = 0;
    let moist = 0;
    let filledShare = 1;
    let held = false;
    let clogInside = 1;
    let jInside = 0;
    if (k > 0) {
      curve = saturationFast(m[node + MEAN_C]);
      moist = m[water + j];
      held = moist >= m[node + SORB];
      if (!held) filledShare = fillingOverHumidity(moist * m[node + PER_SORB]);
      const within = (node - RECORD) & INDEX;
      jInside = m[within + PLACE] & INDEX;
      if (k > 1 && m[ice + jInside] > 0) clogInside = 1 + m[ice + jInside] * FROST_CLOG;
      inner =
        clog === 1 && clogInside === 1
          ? m[node + CLEAR_LINK]
          : 1 / (m[within + V_OUT] * clogInside + m[node + V_GAP] + m[node + V_IN] * clog) + m[node + THROUGH_VAPOUR];
      m[within + VAPOUR_LINK] = inner;
    }
    if (k <= 1) {
      // Skin wettedness, implicit in its film so that a thin film neither flickers nor runs negative. All that takes from the film goes on at once, the
      // cloth and what runs off too: taken one after another, it would hang on the length of the step how wet the skin is.
      const first = k === 0 ? air : held ? curve : (curve * moist * m[node + PER_SORB]) / filledShare;
      const pull = inner * (skinSaturation - first) + skinVent * (skinSaturation - air);
      let gains = sweat;
      let losses = pull > 0 ? pull : 0;
      let wicks = 0;
      let filled = 0;
      if (k === 1) {
        gains -= 0.5 * sweat * m[WETNESS + z] * m[WETNESS + z];
        const free = moist - m[ice + j] - m[node + SORB];
        wicks = m[node + WICK_SKIN];
        if (free > 0) {
          filled = free * m[node + PER_LIQUID];
          // Rain, or what the layer over it gives, makes up for what it loses to skin and air meanwhile.
          if (m[node + COMES] > 0) {
            const dries = m[evaporation + j] > 0 ? m[evaporation + j] : 0;
            filled += dt * (m[node + COMES] - dries) * m[node + PER_LIQUID];
          }
          // The layer fills while it wicks.
          wicks /= 1 + dt * wicks * m[node + PER_LIQUID];
        }
        gains += wicks * filled;
        losses += wicks;
        const second = (node + RECORD) & INDEX;
        if (n > 1) losses += m[second + WICK_SKIN];
      }
      const ahead = (m[FILM + z] + dt * gains) / (1 + dt * losses * PER_FULL_FILM);
      const filmShare = ahead > FULL_FILM ? 1 : ahead * PER_FULL_FILM;
      m[FILM_SHARE + z] = ahead * PER_FULL_FILM;
      const wetness = DRY_WETTEDNESS + (1 - DRY_WETTEDNESS) * filmShare;
      m[WETNESS + z] = wetness;
      if (k === 1) {
        const share = m[FILM_SHARE + z];
        // What ISO 7933 calls unevaporated sweat leaves the film at once for the cloth.
        let flow =
          dt * (wicks * ((share < MOST_SHARE ? share : MOST_SHARE) - filled) + 0.5 * sweat * wetness * wetness);
        const there = m[FILM + z] + dt * sweat;
        if (flow > there) flow = there;
        if (flow < 0) {
          const free = moist - m[ice + j] - m[node + SORB];
          const most = free > 0 ? -0.3 * free : 0;
          if (flow < most) flow = most;
        }
        // It comes over the whole step: what the layer is in balance with is still read from what it held.
        m[FILM + z] -= flow;
        moist += flow;
        m[water + j] = moist;
        m[GIVES + z] = flow < 0 ? -flow * rate : 0;
      }
      // Wet patches evaporate freely, dry skin only as fast as it lets water through; both into the same first gap.
      dryLink = ((1 - filmShare) * DRY_SKIN_CONDUCTANCE) / (inner + skinVent + DRY_SKIN_CONDUCTANCE);
      wet = filmShare + dryLink;
      skinLink = inner * wet;
      inner = skinLink;
    }
    if (k > 0) {
      // A dry layer's capacity, water per humidity / (saturation · dt), times its starting pressure is its water over the step.
      // The row is multiplied through by its saturation pressure, which saves a division.
      const perHumidity = m[node + SORB] * filledShare;
      const vent = m[node + VENT_VAPOUR];
      const inverse = curve / ((held ? HOLD * curve : perHumidity * rate) + curve * (inner + vent + outer - reflected));
      const right = (vent * air + fromOutside + (held ? HOLD * curve : moist * rate + m[node + COMES])) * inverse;
      const upper = inner * inverse;
      m[node + SATURATION] = curve;
      m[node + PER_HUMIDITY] = perHumidity;
      m[node + HELD] = held ? 1 : 0;
      m[node + UPPER] = upper;
      m[node + RIGHT] = right;
      fromOutside = inner * right;
      reflected = inner * upper;
      outer = inner;
      clog = clogInside;
      node = (node - RECORD) & INDEX;
      j = jInside;
    }
    k--;
  } while (k > 0);
  m[skinNode + VAPOUR_LINK] = skinLink;

  // And back out: pressures, and what each layer takes up.
  let changes = false;
  let below = skinSaturation;
  let link = skinLink;
  let flux = 0;
  node = skinNode;
  m[node + PRESSURE] = below;
  for (let k = 1; k <= n; k++) {
    const next = (node + RECORD) & INDEX;
    const p = m[next + RIGHT] + m[next + UPPER] * below;
    m[next + PRESSURE] = p;
    const into = link * (below - p);
    if (k > 1) {
      m[node + INFLOW] = flux - into - m[node + VENT_VAPOUR] * (below - air);
      if (changesOver(m, node, water)) changes = true;
    }
    flux = into;
    below = p;
    link = m[next + VAPOUR_LINK];
    node = next;
  }
  if (n > 0) {
    m[node + INFLOW] = flux - (toAirLink + m[node + VENT_VAPOUR]) * (below - air);
    if (changes || changesOver(m, node, water)) solveChangedOver(m, skinNode, n, water);
  }

  let lost = 0;
  let wetLayers = 0;
  let inside = skinLink;
  node = skinNode;
  for (let k = 1; k <= n; k++) {
    node = (node + RECORD) & INDEX;
    const i = m[node + PLACE] & INDEX;
    const net = m[node + INFLOW];
    const vent = m[node + VENT_VAPOUR];
    const outside = m[node + VAPOUR_LINK];
    lost += vent * (m[node + PRESSURE] - air);
    const before = m[water + i];
    const wetNode = m[node + HELD] === 1 ? 1 : before * m[node + PER_SORB];
    const now = before + dt * (net + m[node + COMES]);
    m[node + COMES] = 0;
    m[water + i] = now;
    // `owed` now holds λ·(actual − assumed) evaporation; positive means more heat is still to be taken.
    m[owed + i] -= dt * LATENT_VAPOUR * net;
    const steep = CURVE_COLD * wetNode * m[node + SATURATION] * (inside + outside + vent);
    // What is kept for the next step is the rate at this one's end, where the layer is a little further on than its mean.
    m[evaporation + i] = steep * (m[temperature + i] - m[node + MEAN_C]) - net;
    m[slope + i] = LATENT_VAPOUR * steep;
    const frozen = m[ice + i];
    if (frozen > 0) {
      wetLayers = 1;
      if (frozen > now) {
        // Frost that left as vapour must first have melted: the node owes the heat of fusion.
        const melted = frozen - (now > 0 ? now : 0);
        m[ice + i] = frozen - melted;
        m[owed + i] += LATENT_FUSION * melted;
      }
    } else if (now > m[node + SORB]) wetLayers = 1;
    inside = outside;
  }
  m[WET_LAYERS + z] = wetLayers;
  const aside = skinVent * wet * (skinSaturation - air);
  const fromSkin =
    n === 0 ? skinLink * (skinSaturation - air) : skinLink * (skinSaturation - m[skinNode + RECORD + PRESSURE]) + aside;
  lost = n === 0 ? fromSkin : lost + toAirLink * (m[node + PRESSURE] - air) + aside;

  m[SKIN_OWED + z] += dt * LATENT_VAPOUR * fromSkin;
  const skinSteep = CURVE_SKIN * skinSaturation * (skinLink + skinVent * wet);
  m[SKIN_EVAPORATION + z] = fromSkin + skinSteep * (m[SKIN + z] - m[SKIN_MEAN + z]);
  m[SKIN_SLOPE + z] = LATENT_VAPOUR * skinSteep;

  // Of what leaves the skin, the share of dry diffusion is the body's own water; the rest comes from the film.
  const diffusion = fromSkin > 0 ? (fromSkin * dryLink) / wet : 0;
  let film = m[FILM + z] + dt * (sweat - (fromSkin - diffusion));
  let extra = 0;
  if (film < 0) {
    extra = -film;
    film = 0;
  }
  m[FILM + z] = film;
  const area = m[AREA + z];
  m[PRODUCED] += ((sweat + diffusion) * dt + extra) * area;
  m[EVAPORATED] += lost * dt * area;
  m[EVAPORATIVE_LOSS + z] = LATENT_VAPOUR * lost;
}
