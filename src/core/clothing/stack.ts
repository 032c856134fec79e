// Longer than a file should be: the layers of all zones are put into one set of arrays in one pass, which is what makes a change of
// clothes cheap enough to search over.
import { airConductivity, airDensity, STANDARD_PRESSURE } from '@/core/atmosphere/air';
import { REFERENCE_AREA_M2, ZONES, ZONE_COUNT, ZONE_TABLE, zoneIndex, type Zone } from '@/core/body/zones';
import { AIR_HEAT, AIR_VAPOUR, LATENT_VAPOUR } from '@/core/quantity/units';
import { closes, openingFlow, pumping, slows, takenUp, throughFlow } from './airExchange';
import { CHEEK_TISSUE } from '@/core/atmosphere/bareSkin';
import { bareConvection, convection, lewis, radiation } from '@/core/atmosphere/boundaryLayer';
import { LEAST_COVER, MAX_OPENINGS } from './garment';
import type { GarmentArrays } from './garmentArrays';
import { isHelmet } from './purpose';

/** Most layers on one zone that are simulated. */
export const MAX_LAYERS = 12;
/** Places a zone takes in the arrays: skin, layers, and one for the link to the air. */
export const STRIDE = MAX_LAYERS + 2;

/** Air around the dressed athlete while a configuration lasts. */
export interface Ambient {
  airC: number;
  /** air pressure, Pa; sea level where left out */
  pressurePa?: number;
  /** wind relative to the moving body, m/s */
  relativeWind: number;
  /** walking-equivalent limb speed, m/s (effort/activity `pumpingSpeed`) */
  pumping: number;
  packOn: boolean;
  /** the outer layers (shell, storm, warm) are worn over the pack */
  packUnder?: boolean;
  /** what some zones touch instead of the air */
  touch?: Contact;
  /** heat a garment gives off over all its zones, W, one a garment */
  heatW?: Float64Array;
  /** m², of the body that wears it; the table's where left out */
  bodyArea?: number;
}

/** Contact with snow or water. */
export interface Contact {
  /** share of each zone that touches, 0–1, one a zone */
  share: Float64Array;
  /** W/m²K */
  conductance: number;
  /** °C */
  surfaceC: number;
  /** loft that body weight presses out where it touches, 0–1 */
  squeeze: number;
}

/** What is worn and how far each opening is open; arrays over the arrays. */
export interface WornState {
  worn: Uint8Array;
  /** index g*4+o, 0 closed to 1 open */
  open: Float64Array;
}

/**
 * The stacks of all zones under one configuration: index `zone * STRIDE + node`, node 0 is skin, node k the k-th layer.
 * All per m² of skin.
 */
export interface Stacks {
  layers: Uint8Array;
  /** garment index at node k */
  garment: Int16Array;
  /** place of node k in the arrays's and the state's arrays, `garment * ZONE_COUNT + zone` */
  place: Int32Array;
  /** coverage with openings as they are, 0–1 */
  cover: Float64Array;
  /** share of what falls on the layer that its cloth meets: not past it where it leaves skin bare, nor in at what is open, 0–1 */
  shields: Float64Array;
  /** dry resistance inside and outside the layer's water node, m²K/W */
  rIn: Float64Array;
  rOut: Float64Array;
  /** resistance of the air gap beneath the layer, m²K/W */
  rGap: Float64Array;
  /** through-flow conductance across the link beneath layer k, W/m²K */
  through: Float64Array;
  /** the same on the outermost link, W/m²K */
  throughOuter: Float64Array;
  /** direct exchange of node k with the outside air, W/m²K and g/(s m² Pa) */
  ventHeat: Float64Array;
  ventVapour: Float64Array;
  /** heat given off in node k, W/m² */
  source: Float64Array;
  /** vapour resistances, s m² Pa/g */
  vIn: Float64Array;
  vOut: Float64Array;
  vGap: Float64Array;
  /** the link beneath node k (k = layers + 1: to the air) while everything is dry and unfrozen: W/m²K and g/(s m² Pa) */
  dryLink: Float64Array;
  clearLink: Float64Array;
  /** what the outer surface faces, °C: the air, or what it touches */
  outsideC: Float64Array;
  /** boundary conductance, W/m²K, and its vapour twin, g/(s m² Pa) */
  boundary: Float64Array;
  boundaryVapour: Float64Array;
  /** outer area over skin area */
  areaFactor: Float64Array;
  /** squeeze of blood flow, 0–1 */
  flowFactor: Float64Array;
  /** resistance of the tissue behind what is bare of the face, m²K/W; 0 where nothing is */
  bareFace: number;
  /** share of breath given back, and the garment that does it, −1 for none */
  mouth: number;
  mouthGarment: number;
}

export function newStacks(): Stacks {
  const n = ZONE_COUNT * STRIDE;
  const f = () => new Float64Array(n);
  const zone = () => new Float64Array(ZONE_COUNT);
  return {
    layers: new Uint8Array(ZONE_COUNT),
    garment: new Int16Array(n),
    place: new Int32Array(n),
    cover: f(),
    shields: f(),
    rIn: f(),
    rOut: f(),
    rGap: f(),
    through: f(),
    throughOuter: zone(),
    ventHeat: f(),
    ventVapour: f(),
    source: f(),
    vIn: f(),
    vOut: f(),
    vGap: f(),
    dryLink: f(),
    clearLink: f(),
    outsideC: zone(),
    boundary: zone(),
    boundaryVapour: zone(),
    areaFactor: zone(),
    flowFactor: new Float64Array(ZONE_COUNT).fill(1),
    bareFace: 0,
    mouth: 0,
    mouthGarment: -1,
  };
}

/** Share of each zone that a pack presses and covers: its panel, shoulder straps and hip belt (engineering values). */
const PACK_COVER: Partial<Record<Zone, number>> = { underPack: 1, chest: 0.15, pelvis: 0.12 };
const PACK = Float64Array.from(ZONES, (z) => PACK_COVER[z] ?? 0);
/** Share of an opening's free area that what falls finds: flaps and arms shade the rest (engineering value). */
const GAPES = 0.4;
/** Layers from this place out (shells, storm and warm layers) are the ones worn over a pack. */
const OVER_PACK = 50;
/** Share of a zone that the pack presses and covers, 0–1. */
export const packShare = (z: number): number => PACK[z];
const HANDS = zoneIndex('hands');
const FINGERS = zoneIndex('fingers');
const TOES = zoneIndex('toes');
const FACE = zoneIndex('face');
const SCALP = zoneIndex('scalp');
const EXTREMITY = ZONES.map((z) => z === 'hands' || z === 'fingers' || z === 'feet' || z === 'toes');
/** Radius of the shared space of a mitten and of the toes in a sock, mm. */
const MITTEN_RADIUS = 30;
/** Air gaps wider than this convect by themselves, m. */
const GAP_LIMIT = 0.008;
/** Radiation across a gap, W/m²K (two textile faces near 10 °C, from 4 ε σ T³). */
const GAP_RADIATION = 4.3;
/** Vapour conductance of still air per metre, g/(s m Pa): diffusivity 2.3e-5 m²/s × M/RT. */
const AIR_DIFFUSION = 2.3e-5 * AIR_VAPOUR;
/** Parallel-path reference for a layer that covers only part of a zone, m²K/W: a typical boundary layer. */
const PARALLEL = 0.09;
/** What is tight squeezes so much of its tightness over bare skin, all of it over cloth of so many m; and overfill, m, that squeezes like a tightness of 1 (engineering values). */
const TIGHT_ON_SKIN = 0.35;
const TIGHT_OVER = 0.003;
const OVERFILL_PER_TIGHT = 0.004;
/** Vapour that goes with a through-flow's heat, g/(s m² Pa) per W/m²K. */
export const THROUGH_VAPOUR = AIR_VAPOUR / AIR_HEAT;
/** A pack's back panel: insulation m²K/W and how much of the air exchange it leaves. */
const PACK_RESISTANCE = 0.14;
const PACK_AIR = 0.05;
/** and of the vapour on its share it keeps in. */
const PACK_VAPOUR = 0.92;

/**
 * Builds the stacks of all zones.
 *
 * Curvature: a layer of thickness t on radius r has (1 + t/r) times the skin's area outside (why mittens beat gloves);
 * resistances are per m² of skin, hence divided by the local area factor.
 * Partial coverage is taken in parallel with bare boundary air.
 * @throws nothing; layers beyond MAX_LAYERS on one zone are refused earlier by `checkWorn`.
 */
export function buildStacks(w: GarmentArrays, state: WornState, air: Ambient, out: Stacks): void {
  const kAir = airConductivity(Math.max(-20, Math.min(25, (air.airC + 30) / 2)));
  const pressure = air.pressurePa ?? STANDARD_PRESSURE;
  const density = airDensity(air.airC, pressure);
  const v = air.relativeWind;
  const hBody = convection(Math.sqrt(v * v + 0.3 * air.pumping * air.pumping), pressure);
  const bare = bareConvection(air.airC);
  const radiates = radiation(air.airC);
  const perPa = lewis(pressure) / LATENT_VAPOUR;
  const thin = pressure / STANDARD_PRESSURE;
  const heat = AIR_HEAT * (density / 1.293);
  out.mouth = 0;
  out.mouthGarment = -1;
  const perArea = REFERENCE_AREA_M2 / (air.bodyArea ?? REFERENCE_AREA_M2);

  for (let z = 0; z < ZONE_COUNT; z++) {
    const base = z * STRIDE;
    let n = 0;
    let mitten = false;
    let tight = 0;
    // Thickness so far, and the overfill of a boot at layer `full`.
    let inside = 0;
    let most = 0;
    let full = 0;
    const list = w.inZone[z];
    for (let i = 0; i < list.length && n < MAX_LAYERS; i++) {
      const g = list[i];
      if (!state.worn[g]) continue;
      const cover = coverage(w, state, g, z);
      if (cover < LEAST_COVER) continue;
      n++;
      out.garment[base + n] = g;
      out.place[base + n] = g * ZONE_COUNT + z;
      out.cover[base + n] = cover;
      if (w.mitten[g]) mitten = true;
      // A tight outer layer squeezes flow the more there is under it; a boot fuller than it was made for is tight too.
      const overfill = Math.min(0.8, Math.max(0, inside - w.room[g]) / OVERFILL_PER_TIGHT);
      if (overfill > 0) full = n;
      const squeezes = TIGHT_ON_SKIN + (1 - TIGHT_ON_SKIN) * Math.min(1, inside / TIGHT_OVER);
      tight += Math.min(1, w.tightness[g] * squeezes + overfill);
      if (overfill > most) most = overfill;
      inside += w.thickness[g * ZONE_COUNT + z];
      if (z === FACE && w.mouth[g] * cover > out.mouth) {
        out.mouth = w.mouth[g] * cover;
        out.mouthGarment = g;
      }
    }
    if (z === FACE) out.bareFace = bareFace(w, out, n);
    out.layers[z] = n;
    out.flowFactor[z] = EXTREMITY[z] ? Math.max(0.3, 1 - 0.75 * tight) : 1;

    let radius = ZONE_TABLE[z].radiusMm / 1000;
    if ((z === FINGERS || z === HANDS) && mitten) radius = MITTEN_RADIUS / 1000;
    if (z === TOES && n > 0) radius = Math.max(radius, 0.022);
    const pack = air.packOn ? PACK[z] : 0;
    // The pack lies on layer `beneath`; only what is beneath it is pressed and cut off from the air.
    let beneath = n;
    if (air.packUnder) while (beneath > 0 && w.order[out.garment[base + beneath]] >= OVER_PACK) beneath--;

    // From the outside in: series permeability and the slowing of inner gaps.
    let inversePermeability = 0;
    let outerSlow = 0;
    let outerCloses = 0;
    for (let k = n; k >= 1; k--) {
      const g = out.garment[base + k];
      const j = g * ZONE_COUNT + z;
      const cover = out.cover[base + k];
      // Where a garment leaves part of the zone bare its cloth resists the wind on its own share only: what lies beneath
      // goes on resisting, and the bare share's heat is counted by the parallel paths below.
      const airShare = k <= beneath ? 1 - pack * (1 - PACK_AIR) : 1;
      inversePermeability += cover / Math.max(0.01, w.permeability[j]);
      const q = throughFlow(1 / inversePermeability, v, density) * airShare;
      out.through[base + k] = q * heat;

      // Where there is no cloth there is no gap beneath it.
      let own = cover * pumping(w.gap[j] + holes(w, out, base + k - 1, k - 1), w.resistance[j], air.pumping, v);
      let gapes = 0;
      for (let o = 0; o < w.openingCount[g]; o++) {
        const setting = state.open[g * MAX_OPENINGS + o];
        if (setting === 0) continue;
        const area = w.ventArea[(g * MAX_OPENINGS + o) * ZONE_COUNT + z] * setting;
        own += openingFlow(area, v);
        gapes += area;
      }
      out.shields[base + k] = cover * (1 - Math.min(1, GAPES * gapes));
      own *= airShare;
      const gapFlow = 1 / (1 / Math.max(1e-6, own) + outerSlow);
      // What gets further in beneath closed loft is taken from what there is beneath it: a layer more inside never lets in more air.
      if (k < n) out.ventHeat[base + k + 1] = Math.max(0, out.ventHeat[base + k + 1] - outerCloses * gapFlow);
      // Cloth that lets wind through hardly holds back the air beneath it.
      outerCloses = Math.max(outerCloses, cover * closes(w.resistance[j]));
      outerSlow += cover * slows(own + q + 1e-6, outerCloses);
      out.ventHeat[base + k] = gapFlow;
    }
    // Beside a garment that covers a part of the zone, what passed through the layer beneath it goes on; past bare skin nothing does.
    for (let k = 1; k <= n; k++) {
      const cover = out.cover[base + k];
      out.through[base + k] = cover * out.through[base + k] + (k > 1 ? (1 - cover) * out.through[base + k - 1] : 0);
    }
    out.throughOuter[z] = n > 0 ? out.through[base + n] : 0;
    for (let k = 1; k <= n; k++)
      out.ventHeat[base + k] = takenUp(out.ventHeat[base + k], hBody * ZONE_TABLE[z].convection, AIR_HEAT * thin);
    const touched = air.touch?.share[z] ?? 0;
    const weight = touched > 0 ? touched * air.touch!.squeeze : 0;
    // From the skin out: resistances with curvature.
    let area = 1;
    let built = 0;
    let squeezeOutside = most;
    for (let k = 1; k <= n; k++) squeezeOutside += w.tightness[out.garment[base + k]];
    for (let k = 1; k <= n; k++) {
      const g = out.garment[base + k];
      const j = g * ZONE_COUNT + z;
      const cover = out.cover[base + k];
      // What is tight outside, and pack straps, press the loft out of what lies beneath.
      squeezeOutside -= w.tightness[g] + (k === full ? most : 0);
      const pressed = k <= beneath ? pack : 0;
      const squeeze = (1 - 0.4 * pressed) * (1 - weight) * Math.max(0.4, 1 - 0.45 * squeezeOutside);
      const gap = Math.min(GAP_LIMIT, w.gap[j] * squeeze);
      built += gap;
      const areaGap = 1 + built / radius;
      const t = w.thickness[j] * squeeze;
      built += t * cover;
      const areaOut = 1 + built / radius;
      area = (areaGap + areaOut) / 2;
      const rGapFull = 1 / (kAir / Math.max(0.0003, gap) + GAP_RADIATION) / areaGap;
      const rFull = (w.resistance[j] * squeeze) / area;
      const share = parallelShare(rGapFull + rFull, cover);
      // A pack worn beneath this layer insulates like a pad where it lies.
      const panel = k === beneath + 1 ? pack * PACK_RESISTANCE : 0;
      out.rGap[base + k] = rGapFull * share + panel;
      out.rIn[base + k] = rFull * share * w.inner[g];
      out.rOut[base + k] = rFull * share * (1 - w.inner[g]);
      const vFull = w.vapour[j] / area;
      out.vGap[base + k] =
        ((Math.max(0.0003, gap) / AIR_DIFFUSION / areaGap) * cover) / (panel > 0 ? 1 - pack * PACK_VAPOUR : 1);
      const vShare = cover >= 0.999 ? 1 : parallelVapourShare(vFull, cover);
      out.vIn[base + k] = vFull * vShare * w.inner[g];
      out.vOut[base + k] = vFull * vShare * (1 - w.inner[g]);
      out.source[base + k] = air.heatW ? (air.heatW[g] * w.heatShare[j] * perArea) / ZONE_TABLE[z].areaM2 : 0;
      area = areaOut;
    }
    shareVents(w, out, { base, n, beneath, kept: pack * (1 - PACK_AIR), heat: AIR_HEAT * thin });
    out.areaFactor[z] = area;
    let uncovered = 1;
    for (let k = 1; k <= n; k++) uncovered *= 1 - out.cover[base + k];
    const h = (hBody + uncovered * Math.max(0, bare - hBody)) * ZONE_TABLE[z].convection;
    let boundary = (h + radiates) * area;
    let vapour = h * perPa * area;
    if (pack > 0 && beneath === n) {
      boundary = boundary * (1 - pack) + pack / (1 / boundary + PACK_RESISTANCE);
      vapour *= 1 - pack * PACK_VAPOUR;
    }
    let outsideC = air.airC;
    if (touched > 0) {
      const { conductance, surfaceC } = air.touch!;
      const toAir = boundary * (1 - touched);
      const toSurface = touched * conductance;
      boundary = toAir + toSurface;
      outsideC = (toAir * air.airC + toSurface * surfaceC) / boundary;
      vapour *= 1 - 0.9 * touched;
    }
    out.outsideC[z] = outsideC;
    out.boundary[z] = boundary;
    out.boundaryVapour[z] = vapour;
    linksWhenDry(out, z, n);
  }
}

/** The gaps of a zone: where they begin, how many, the layer a pack lies on and what of the air it keeps off there, 0–1, and the heat of air, J/m³K. */
interface Gaps {
  base: number;
  n: number;
  beneath: number;
  kept: number;
  heat: number;
}

/**
 * Shares what the flow of each gap takes up, m³/s m², among the layers beside it. Air in a gap is as warm as the middle of the gap: how far that is on the way from the middle
 * of one layer to that of the next follows from their resistances, so that beneath thick loft nearly all is taken from what lies under it. Through the holes of an open mesh
 * the air above it reaches the skin; a pack keeps the air outside it off what lies beneath.
 */
function shareVents(w: GarmentArrays, out: Stacks, { base, n, beneath, kept, heat }: Gaps): void {
  const open = n > 1 ? w.mesh[out.garment[base + 1]] : 0;
  out.ventHeat[base] = out.ventVapour[base] = 0;
  for (let k = 1; k <= n; k++) {
    const i = base + k;
    const flow = out.ventHeat[i];
    const outer = midGap(k > 1 ? out.rOut[i - 1] : 0, out.rGap[i], out.rIn[i]);
    const outerVapour = midGap(k > 1 ? out.vOut[i - 1] : 0, out.vGap[i], out.vIn[i]);
    const reaches = k - 1 === beneath ? 1 - kept : 1;
    const toSkin = k === 2 ? open : 0;
    const inner = flow * (1 - outer) * reaches;
    const innerVapour = flow * (1 - outerVapour) * reaches;
    out.ventHeat[i - 1] += inner * (1 - toSkin);
    out.ventVapour[i - 1] += innerVapour * (1 - toSkin);
    out.ventHeat[base] += flow * (1 - outer) * toSkin;
    out.ventVapour[base] += flow * (1 - outerVapour) * toSkin;
    out.ventHeat[i] = flow * outer;
    out.ventVapour[i] = flow * outerVapour;
  }
  for (let k = 0; k <= n; k++) {
    out.ventVapour[base + k] *= AIR_VAPOUR;
    out.ventHeat[base + k] *= heat;
  }
}

/** How far on the way from the middle of one layer to that of the next the middle of the gap between them lies, 0–1. */
const midGap = (outside: number, gap: number, inside: number): number => (outside + gap / 2) / (outside + gap + inside);

/** Fills the links of a zone as they are without liquid or ice, which is most of the time. */
function linksWhenDry(out: Stacks, z: number, n: number): void {
  const base = z * STRIDE;
  let heatOutside = 0;
  let vapourOutside = 0;
  for (let k = 1; k <= n; k++) {
    const i = base + k;
    out.dryLink[i] = 1 / (heatOutside + out.rGap[i] + out.rIn[i]) + out.through[i];
    out.clearLink[i] = 1 / (vapourOutside + out.vGap[i] + out.vIn[i]) + out.through[i] * THROUGH_VAPOUR;
    heatOutside = out.rOut[i];
    vapourOutside = out.vOut[i];
  }
  const outer = n > 0 ? out.throughOuter[z] : 0;
  out.dryLink[base + n + 1] = 1 / (heatOutside + 1 / out.boundary[z]) + outer;
  out.clearLink[base + n + 1] = 1 / (vapourOutside + 1 / out.boundaryVapour[z]) + outer * THROUGH_VAPOUR;
}

/**
 * What of the face stays bare decides how fast it freezes: nose and cheeks behind the tissue of the wind chill index (0.091 m²K/W,
 * Osczevski & Bluestein 2005), the brow behind better perfused skin, and under a hat or hood only what lies about the eyes, the warmest of the
 * face (engineering values). What lies over nose and cheeks is worn on the face or is a balaclava; eyewear covers the eyes, goggles the brow too.
 */
const BROW = 0.05;
const ABOUT_EYES = 0.03;
/** Covering less of the face than this leaves nose and cheeks bare; less of the scalp, the brow. */
const COVERS_CHEEKS = 0.2;
const COVERS_BROW = 0.4;

function bareFace(w: GarmentArrays, out: Stacks, n: number): number {
  let cheeks = true;
  let brow = true;
  let eyes = true;
  for (let k = 1; k <= out.layers[SCALP]; k++) {
    const i = SCALP * STRIDE + k;
    // A helmet ends above the brow.
    if (out.cover[i] >= COVERS_BROW && !isHelmet(w.garments[out.garment[i]])) brow = false;
  }
  for (let k = 1; k <= n; k++) {
    const i = FACE * STRIDE + k;
    const g = w.garments[out.garment[i]];
    if (g.group === 'eyes') {
      eyes = false;
      if (out.cover[i] >= COVERS_CHEEKS) brow = false;
    } else if (out.cover[i] >= COVERS_CHEEKS) cheeks = false;
  }
  return cheeks ? CHEEK_TISSUE : brow ? BROW : eyes ? ABOUT_EYES : 0;
}

/** Depth of air in the holes of an open mesh on the skin, m: room in which the air beneath the next layer moves. */
const holes = (w: GarmentArrays, out: Stacks, i: number, k: number): number =>
  k === 1 ? w.mesh[out.garment[i]] * w.thickness[out.place[i]] : 0;

/** Coverage of a zone by a garment with its openings as they are, 0–1. */
export function coverage(w: GarmentArrays, state: WornState, g: number, z: number): number {
  let cover = w.cover[g * ZONE_COUNT + z];
  if (cover === 0) return 0;
  for (let o = 0; o < w.openingCount[g]; o++) {
    const off = w.uncover[(g * MAX_OPENINGS + o) * ZONE_COUNT + z];
    if (off > 0) cover *= 1 - off * state.open[g * MAX_OPENINGS + o];
  }
  return cover;
}

/** Share of a layer's resistance that counts when it covers only part of the zone (parallel paths over a boundary layer). */
function parallelShare(r: number, cover: number): number {
  if (cover >= 0.999) return 1;
  const together = 1 / (cover / (r + PARALLEL) + (1 - cover) / PARALLEL) - PARALLEL;
  return together / r;
}

/** Ret of a bare boundary layer, m²Pa/W: a typical one in moving air. */
const BARE_RET = 8;

/** The vapour twin of `parallelShare`. */
function parallelVapourShare(r: number, cover: number): number {
  const bare = BARE_RET * LATENT_VAPOUR;
  const together = 1 / (cover / (r + bare) + (1 - cover) / bare) - bare;
  return together / r;
}
