import { clothedAs, ZONES, ZONE_COUNT, ZONE_TABLE, type ClothedZone } from '@/core/body/zones';
import { byText } from '@/core/quantity/exact';
import { clamp, OutOfRange } from '@/core/quantity/range';
import { LATENT_VAPOUR } from '@/core/quantity/units';
import { FIBRES, saturationRegain, wetConductance } from './fibres';
import { checkGarment, MAX_OPENINGS, type Garment } from './garment';
import { bothersIndoors, isCoat, isHelmet, isLayer, isStandby } from './purpose';

/**
 * The garments of one run, turned into flat arrays for the integrator: index `g * ZONE_COUNT + zone`.
 * Built once; a run of any plan over the same garments allocates nothing more.
 */
export interface GarmentArrays {
  garments: Garment[];
  count: number;
  /** coverage 0–1 */
  cover: Float64Array;
  /** dry resistance of the cloth, m²K/W */
  resistance: Float64Array;
  /** thickness, m */
  thickness: Float64Array;
  /** vapour resistance of the cloth, s·m²·Pa/g (Ret × latent heat) */
  vapour: Float64Array;
  permeability: Float64Array;
  gap: Float64Array;
  /** dry heat capacity, J/m²K */
  heat: Float64Array;
  /** sorbed water at saturation, g/m²; 1/sorb, 0 where not covered */
  sorb: Float64Array;
  perSorb: Float64Array;
  /** liquid capacity beyond that, g/m² */
  liquid: Float64Array;
  /** rise of the cloth's conductance with each g/m² of liquid; share of loft, and of the air beneath, lost when full */
  bridges: Float64Array;
  collapse: Float64Array;
  cling: Float64Array;
  wicking: Float64Array;
  /** share of the layer that touches what lies beneath, 0–1 */
  contact: Float64Array;
  waterResistance: Float64Array;
  /** share of the cloth's resistance inside the node where its water sits */
  inner: Float64Array;
  order: Float64Array;
  tightness: Float64Array;
  /** thickness that fits inside before it squeezes, m; Infinity where nothing sets a limit */
  room: Float64Array;
  /** open share of the knit, 0–0.7: lets liquid pass to the layer above */
  mesh: Float64Array;
  mitten: Uint8Array;
  /** mass of what is worn over the body by choice, kg; 0 for boots, helmets and the like */
  layerKg: Float64Array;
  /** 1 for the jacket that is kept dry for stops */
  standby: Uint8Array;
  /** 1 for a layer of the torso; 1 for what goes over it against wind and wet; and of what is taken off under a roof, and in camp, how much it bothers there, 0–1 */
  torso: Uint8Array;
  shell: Uint8Array;
  coat: Float64Array;
  camp: Float64Array;
  mouth: Float64Array;
  openingCount: Uint8Array;
  /** free area per zone area, index (g*4+o)*ZONE_COUNT+z */
  ventArea: Float64Array;
  uncover: Float64Array;
  /** share of a garment's own heat given off in each zone, 0–1 */
  heatShare: Float64Array;
  /** 1 where what a garment holds in a zone is water on legs and feet, which work keeps warm: trousers reach over the pelvis too */
  onLegs: Float64Array;
  /** index of each garment id; garment indexes from the skin out */
  indexOf: Map<string, number>;
  inOrder: Int16Array;
  /** the zones each garment covers at all, and the garments that cover each zone at all, from the skin out */
  zonesOf: Uint8Array[];
  inZone: Uint8Array[];
}

/** Numerical floor of the water a surface holds as an adsorbed film, g/m²: keeps dry synthetics from being infinitely stiff. */
const SURFACE_FILM = 2;
/** The same for liquid, g/m²: even a bare film of cloth holds droplets. */
const LEAST_LIQUID = 5;

/** Water a cloth sorbs at saturation, g/m². @param weightGm2 of the cloth there, where a panel has its own */
export const sorbs = (g: Garment, weightGm2 = g.weightGm2): number =>
  Math.max(SURFACE_FILM, weightGm2 * saturationRegain(g.fibre));

/** Liquid it holds beyond that before it drips, g/m². */
export const holdsLiquid = (g: Garment, weightGm2 = g.weightGm2): number =>
  Math.max(LEAST_LIQUID, weightGm2 * g.liquidCapacity);

/** Thermal inertia floor, J/m²K: a bare shell follows within seconds either way; the floor keeps ten-second steps smooth. */
const HEAT_FLOOR = 500;
/**
 * A loose boot or shoe has room for one thick sock, m, one that holds the foot as ski boots do for a thin sock, one that squeezes for none; between these
 * tightnesses, and more than that is squeezed (common practice, no published source).
 */
const SHOE_ROOM = 0.0055;
const LOOSE_SHOE = 0.1;
const FULL_SHOE = 0.3;
const shoeRoom = (tightness: number): number =>
  SHOE_ROOM * clamp((FULL_SHOE - tightness) / (FULL_SHOE - LOOSE_SHOE), 0, 1);

/** What gloves, hats, helmets, and what is before face and eyes, bother under a roof, beside a coat: a share; and helmets in camp (engineering values). */
const SMALL_INDOORS = 0.2;
const HELMET_IN_CAMP = 0.5;
/** Skin of a zone of the table's person, m², over which an opening's area and a heater's heat are spread. */
const areaOf = (zone: ClothedZone): number =>
  ZONE_TABLE.reduce((sum, row) => sum + (clothedAs(row.zone) === zone ? row.areaM2 : 0), 0);
/** What each column of the integrator is dressed like. */
const DRESSED = ZONES.map(clothedAs);
const LEG_ZONES: ReadonlySet<ClothedZone> = new Set(['thighs', 'calves', 'feet', 'toes']);

const fromSkinOut = (a: Garment, b: Garment): number =>
  a.order - b.order || a.thicknessMm - b.thicknessMm || byText(a.id, b.id);

/** What the arrays hold by zone, by opening and zone, and once a garment. */
const BY_ZONE = [
  'cover',
  'resistance',
  'thickness',
  'vapour',
  'permeability',
  'gap',
  'heat',
  'sorb',
  'perSorb',
  'liquid',
  'bridges',
  'heatShare',
  'onLegs',
] as const;
const BY_OPENING = ['ventArea', 'uncover'] as const;
const ONCE = [
  'collapse',
  'cling',
  'wicking',
  'contact',
  'waterResistance',
  'inner',
  'order',
  'tightness',
  'room',
  'mesh',
  'mitten',
  'layerKg',
  'standby',
  'torso',
  'shell',
  'coat',
  'camp',
  'mouth',
  'openingCount',
] as const;

/** One garment's share of the arrays. */
interface Columns {
  byZone: Record<(typeof BY_ZONE)[number], Float64Array>;
  byOpening: Record<(typeof BY_OPENING)[number], Float64Array>;
  once: Record<(typeof ONCE)[number], number>;
  zones: Uint8Array;
}

/** A search dresses the same garments in hundreds of kits: what one comes to is worked out, and checked, once. */
const known = new WeakMap<Garment, Columns>();

function columnsOf(g: Garment): Columns {
  let columns = known.get(g);
  if (!columns) known.set(g, (columns = newColumns(checkGarment(g))));
  return columns;
}

function newColumns(g: Garment): Columns {
  const blank = <K extends string>(names: readonly K[], length: number) =>
    Object.fromEntries(names.map((n) => [n, new Float64Array(length)])) as Record<K, Float64Array>;
  const w = blank(BY_ZONE, ZONE_COUNT);
  const open = blank(BY_OPENING, MAX_OPENINGS * ZONE_COUNT);
  const fibre = FIBRES[g.fibre];
  for (let z = 0; z < ZONE_COUNT; z++) {
    const panel = g.panels[DRESSED[z]];
    if (!panel) continue;
    const thickness = (panel.thicknessMm ?? g.thicknessMm) / 1000;
    const weight = panel.weightGm2 ?? g.weightGm2;
    w.cover[z] = panel.coverage;
    w.thickness[z] = thickness;
    w.resistance[z] = thickness / fibre.conductivity;
    w.bridges[z] = wetConductance(g.fibre, thickness);
    w.vapour[z] = (panel.ret ?? g.ret) * LATENT_VAPOUR;
    // Open holes let air past the cloth: permeability rises steeply with mesh.
    w.permeability[z] = Math.max(panel.airPermeability ?? g.airPermeability, 6000 * g.openMesh);
    w.gap[z] = g.gapMm / 1000;
    w.heat[z] = Math.max(HEAT_FLOOR, weight * fibre.heat);
    w.sorb[z] = sorbs(g, weight);
    w.perSorb[z] = 1 / w.sorb[z];
    w.liquid[z] = holdsLiquid(g, weight);
  }
  if (g.heatW) {
    const covered = ZONE_TABLE.map((row, z) => (g.panels[DRESSED[z]]?.coverage ?? 0) * row.areaM2);
    const all = covered.reduce((a, b) => a + b, 0);
    for (let z = 0; z < ZONE_COUNT; z++) w.heatShare[z] = all > 0 ? covered[z] / all : 0;
  }
  DRESSED.forEach(
    (zone, z) => (w.onLegs[z] = LEG_ZONES.has(zone) || (zone === 'pelvis' && g.group === 'legs') ? 1 : 0),
  );
  g.openings.forEach((o, n) => {
    const area = o.zones.reduce((s, z) => s + areaOf(z), 0);
    for (let z = 0; z < ZONE_COUNT; z++) {
      const k = n * ZONE_COUNT + z;
      if (o.zones.includes(DRESSED[z]) && area > 0) open.ventArea[k] = o.ventCm2 / 1e4 / area;
      open.uncover[k] = o.uncovers?.[DRESSED[z]] ?? 0;
    }
  });
  return {
    byZone: w,
    byOpening: open,
    once: {
      collapse: fibre.collapse,
      cling: fibre.cling,
      wicking: g.wicking,
      contact: Math.max(0.05, (1 - g.openMesh * 1.2) * Math.min(1, 1.2 / (0.6 + g.gapMm))),
      waterResistance: g.waterResistance,
      inner: g.filled ? 0.75 : 0.5,
      order: g.order,
      tightness: g.tightness,
      room: g.role === 'footwear' ? shoeRoom(g.tightness) : Infinity,
      mesh: g.openMesh,
      mitten: g.handForm === 'mitten' ? 1 : 0,
      layerKg: isLayer(g) ? g.massG / 1000 : 0,
      standby: isStandby(g) ? 1 : 0,
      torso: g.group === 'torso' ? 1 : 0,
      shell: g.group === 'torso' && (g.role === 'shell' || g.role === 'storm') ? 1 : 0,
      coat: isCoat(g) ? 1 : bothersIndoors(g) ? SMALL_INDOORS : 0,
      camp: isHelmet(g) ? HELMET_IN_CAMP : 0,
      mouth: g.mouthCover,
      openingCount: g.openings.length,
    },
    zones: Uint8Array.from(DRESSED.flatMap((z, i) => (g.panels[z] ? [i] : []))),
  };
}

/** @throws OutOfRange on a garment outside its range, a duplicate id or more than 200 garments */
export function garmentArrays(garments: Garment[]): GarmentArrays {
  const count = garments.length;
  if (count > 200) throw new OutOfRange('garments', count, 'at most 200');
  const columns = garments.map(columnsOf);
  const f = () => new Float64Array(count * ZONE_COUNT);
  const each = () => new Float64Array(count);
  const w: GarmentArrays = {
    garments,
    count,
    cover: f(),
    resistance: f(),
    thickness: f(),
    vapour: f(),
    permeability: f(),
    gap: f(),
    heat: f(),
    sorb: f(),
    perSorb: f(),
    liquid: f(),
    bridges: f(),
    collapse: each(),
    cling: each(),
    wicking: each(),
    contact: each(),
    waterResistance: each(),
    inner: each(),
    order: each(),
    tightness: each(),
    room: each(),
    mesh: each(),
    mitten: new Uint8Array(count),
    layerKg: each(),
    standby: new Uint8Array(count),
    torso: new Uint8Array(count),
    shell: new Uint8Array(count),
    coat: each(),
    camp: each(),
    mouth: each(),
    openingCount: new Uint8Array(count),
    ventArea: new Float64Array(count * MAX_OPENINGS * ZONE_COUNT),
    uncover: new Float64Array(count * MAX_OPENINGS * ZONE_COUNT),
    heatShare: f(),
    onLegs: f(),
    indexOf: new Map(),
    inOrder: new Int16Array(count),
    inZone: [],
    zonesOf: columns.map((c) => c.zones),
  };
  columns.forEach(({ byZone, byOpening, once }, i) => {
    const { id } = garments[i];
    if (w.indexOf.has(id)) throw new OutOfRange('garment id', id, 'each id once');
    w.indexOf.set(id, i);
    for (const name of BY_ZONE) w[name].set(byZone[name], i * ZONE_COUNT);
    for (const name of BY_OPENING) w[name].set(byOpening[name], i * MAX_OPENINGS * ZONE_COUNT);
    for (const name of ONCE) w[name][i] = once[name];
  });
  // Layers of one place lie thin beneath thick, whatever the order in which they are listed.
  const sorted = garments.map((_, i) => i).sort((a, b) => fromSkinOut(garments[a], garments[b]));
  w.inOrder.set(sorted);
  w.inZone = DRESSED.map((zone) => Uint8Array.from(sorted.filter((g) => garments[g].panels[zone])));
  return w;
}
