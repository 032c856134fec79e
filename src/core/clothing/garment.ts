import { ZONES, type Zone } from '@/core/body/zones';
import { OutOfRange, within } from '@/core/quantity/range';
import { FIBRES, type Fibre } from './fibres';

/** Where a garment belongs in the closet and in the lanes of the score. */
export type Group = 'head' | 'eyes' | 'face' | 'torso' | 'hands' | 'legs' | 'feet';
export const GROUPS: Group[] = ['head', 'eyes', 'face', 'torso', 'hands', 'legs', 'feet'];

/** What it does there; the planner chooses at most one of a role within a group. */
export type Role =
  'base' | 'mid' | 'shell' | 'storm' | 'warm' | 'liner' | 'footwear' | 'over' | 'lens' | 'short' | 'heater';
export const ROLES: Role[] = [
  'base',
  'mid',
  'shell',
  'storm',
  'warm',
  'liner',
  'footwear',
  'over',
  'lens',
  'short',
  'heater',
];

/** Cloth over one zone where it differs from the rest of the garment. */
export interface Panel {
  /** share of the zone covered, 0–1 */
  coverage: number;
  thicknessMm?: number;
  weightGm2?: number;
  airPermeability?: number;
  ret?: number;
}

/** Something that opens. `setting` runs from 0 closed to 1 open. */
export interface Opening {
  id: string;
  label: string;
  /** words for the two ends, as a cue would say them */
  openWord: string;
  closeWord: string;
  /** free area to the outside when fully open, cm² */
  ventCm2: number;
  /** zones the air reaches */
  zones: Zone[];
  /** share of coverage lost in a zone when fully open: rolled sleeves, a tube pulled down, a hood put back */
  uncovers?: Partial<Record<Zone, number>>;
  /** setting when nobody has said otherwise */
  usual: number;
  /** seconds it takes, on the move or standing */
  seconds: number;
}

/** What a garment is made for, where that matters (boots, helmets, bar covers). */
export type Use = 'run' | 'nordic' | 'tour' | 'ride' | 'hike';
export const USES: Use[] = ['run', 'nordic', 'tour', 'ride', 'hike'];

/**
 * A garment with the physical properties the model needs. Units are in the names or stated here:
 * thickness mm under light pressure; weight g/m²; air permeability mm/s at 100 Pa (ISO 9237); Ret m²Pa/W (ISO 11092);
 * gap mm of air beneath it when worn loosely over what is meant to go under; water capacity g/g after wringing.
 */
export interface Garment {
  id: string;
  name: string;
  group: Group;
  role: Role;
  /** place from the skin out, 1–99; outer layers larger */
  order: number;
  fibre: Fibre;
  thicknessMm: number;
  weightGm2: number;
  airPermeability: number;
  ret: number;
  gapMm: number;
  /** share of open holes in the knit, 0–0.7 */
  openMesh: number;
  liquidCapacity: number;
  wicking: number;
  /** share of rain or melt kept off, 0–1 */
  waterResistance: number;
  membrane: boolean;
  /** lofted fill between two faces: water and frost sit at the cold face */
  filled: boolean;
  /** squeezes what is under it, 0–1 (tight boot, tight glove) */
  tightness: number;
  handForm?: 'fingers' | 'mitten';
  /** share of the breath's heat and water it gives back when over the mouth, 0–0.6 */
  mouthCover: number;
  /** heat it gives off of itself, W for the pair, and for how long it gives at least half of that, h; left out: none */
  heatW?: number;
  heatHours?: number;
  panels: Partial<Record<Zone, Panel>>;
  openings: Opening[];
  massG: number;
  packedL: number;
  /** price, in the currency of the athlete */
  price: number;
  /** time to put on or take off standing, s */
  changeSeconds: number;
  /** goes on or off over boots without taking them off */
  overBoots: boolean;
  /** what it is made for; empty: anything */
  suits: Use[];
}

export const MAX_OPENINGS = 4;

const plainOpening = (o: Opening): Opening => ({
  id: o.id,
  label: o.label,
  openWord: o.openWord,
  closeWord: o.closeWord,
  ventCm2: o.ventCm2,
  zones: o.zones,
  uncovers: o.uncovers,
  usual: o.usual,
  seconds: o.seconds,
});

/**
 * The same garment, made in one place: engines compile code for the shape of the objects it has seen, and garments come from
 * the catalogue, from files and from the database, each with its fields in another order.
 */
export const plainGarment = (g: Garment): Garment => ({
  id: g.id,
  name: g.name,
  group: g.group,
  role: g.role,
  order: g.order,
  fibre: g.fibre,
  thicknessMm: g.thicknessMm,
  weightGm2: g.weightGm2,
  airPermeability: g.airPermeability,
  ret: g.ret,
  gapMm: g.gapMm,
  openMesh: g.openMesh,
  liquidCapacity: g.liquidCapacity,
  wicking: g.wicking,
  waterResistance: g.waterResistance,
  membrane: g.membrane,
  filled: g.filled,
  tightness: g.tightness,
  handForm: g.handForm,
  mouthCover: g.mouthCover,
  heatW: g.heatW,
  heatHours: g.heatHours,
  panels: g.panels,
  openings: g.openings.map(plainOpening),
  massG: g.massG,
  packedL: g.packedL,
  price: g.price,
  changeSeconds: g.changeSeconds,
  overBoots: g.overBoots,
  suits: g.suits,
});

/** Physical range of each numeric field: [low, high, unit]. Source of the forms' limits and of the JSON Schema. */
export const GARMENT_RANGE = {
  order: [1, 99, ''],
  thicknessMm: [0.05, 80, 'mm'],
  weightGm2: [5, 3000, 'g/m²'],
  airPermeability: [0, 10000, 'mm/s at 100 Pa'],
  ret: [0.5, 1000, 'm²Pa/W'],
  gapMm: [0, 20, 'mm'],
  openMesh: [0, 0.7, ''],
  liquidCapacity: [0, 6, 'g/g'],
  wicking: [0, 1, ''],
  waterResistance: [0, 1, ''],
  tightness: [0, 1, ''],
  mouthCover: [0, 0.6, ''],
  massG: [1, 5000, 'g'],
  packedL: [0, 60, 'L'],
  price: [0, 10000, ''],
  changeSeconds: [1, 900, 's'],
} as const satisfies Record<string, readonly [number, number, string]>;

/** The same for what only some garments have. */
export const HEATER_RANGE = {
  heatW: [0.1, 40, 'W'],
  heatHours: [0.2, 48, 'h'],
} as const satisfies Record<string, readonly [number, number, string]>;

/** @throws OutOfRange naming garment, field, value and range. */
export function checkGarment(g: Garment): Garment {
  for (const key of Object.keys(GARMENT_RANGE) as (keyof typeof GARMENT_RANGE)[]) {
    const [low, high, unit] = GARMENT_RANGE[key];
    within(`garment "${g.name}" ${key}`, g[key], low, high, unit);
  }
  for (const key of Object.keys(HEATER_RANGE) as (keyof typeof HEATER_RANGE)[]) {
    const [low, high, unit] = HEATER_RANGE[key];
    if (g[key] !== undefined) within(`garment "${g.name}" ${key}`, g[key], low, high, unit);
  }
  if ((g.heatW === undefined) !== (g.heatHours === undefined))
    throw new OutOfRange(`garment "${g.name}" heat`, 'half given', 'both heatW and heatHours, or neither');
  if (!(g.fibre in FIBRES)) throw new OutOfRange(`garment "${g.name}" fibre`, g.fibre, Object.keys(FIBRES).join(', '));
  if (g.openings.length > MAX_OPENINGS)
    throw new OutOfRange(`garment "${g.name}" openings`, g.openings.length, `at most ${MAX_OPENINGS}`);
  const covered = Object.entries(g.panels) as [Zone, Panel][];
  if (covered.length === 0) throw new OutOfRange(`garment "${g.name}" panels`, 'none', 'at least one zone');
  for (const [zone, p] of covered) {
    if (!ZONES.includes(zone)) throw new OutOfRange(`garment "${g.name}" zone`, zone, ZONES.join(', '));
    within(`garment "${g.name}" ${zone} coverage`, p.coverage, 0, 1);
    for (const key of ['thicknessMm', 'weightGm2', 'airPermeability', 'ret'] as const) {
      const v = p[key];
      if (v !== undefined)
        within(
          `garment "${g.name}" ${zone} ${key}`,
          v,
          GARMENT_RANGE[key][0],
          GARMENT_RANGE[key][1],
          GARMENT_RANGE[key][2],
        );
    }
  }
  for (const o of g.openings) {
    within(`garment "${g.name}" opening ${o.id} ventCm2`, o.ventCm2, 0, 3000, 'cm²');
    within(`garment "${g.name}" opening ${o.id} usual`, o.usual, 0, 1);
  }
  return g;
}

/** Dry insulation of the cloth itself, m²K/W: thickness over conductivity (ISO 11092's Rct without the boundary layer). */
export function fabricResistance(g: Pick<Garment, 'thicknessMm' | 'fibre'>): number {
  return g.thicknessMm / 1000 / FIBRES[g.fibre].conductivity;
}

/** Water it holds over the worn area when wrung wet, g. */
export function wetCapacityG(g: Garment): number {
  return g.massG * (g.liquidCapacity + FIBRES[g.fibre].regain100);
}
