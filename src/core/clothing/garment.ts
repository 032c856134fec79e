import { Type, type Static } from '@sinclair/typebox';
import { clothedAs, CLOTHED_ZONES, ZONE_TABLE, type ClothedZone, type Zone } from '@/core/body/zones';
import { PURPOSES, type Purpose } from '@/core/effort/sports';
import { booleanField, field, fieldsOf, numberField, rangesOf, withinRanges, wordField } from '@/core/quantity/field';
import { OutOfRange, within } from '@/core/quantity/range';
import { FIBRES, saturationRegain, type Fibre } from './fibres';

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

/** What kind of opening it is: one that lets air in, sleeves that roll up, a hood, or a tube that is pulled over the face. */
export type OpeningKind = 'vent' | 'sleeves' | 'hood' | 'tube';
export const OPENING_KINDS: OpeningKind[] = ['vent', 'sleeves', 'hood', 'tube'];

/** Something that opens. `setting` runs from 0 closed to 1 open. */
export interface Opening {
  id: string;
  kind: OpeningKind;
  label: string;
  /** words for the two ends, as a cue would say them */
  openWord: string;
  closeWord: string;
  /** free area to the outside when fully open, cm² */
  ventCm2: number;
  /** zones the air reaches */
  zones: ClothedZone[];
  /** share of coverage lost in a zone when fully open: rolled sleeves, a tube pulled down, a hood put back */
  uncovers?: Partial<Record<ClothedZone, number>>;
  /** setting when nobody has said otherwise */
  usual: number;
  /** seconds it takes, on the move or standing */
  seconds: number;
}

/** Coverage below this is no layer at all: a hem or an ear strap. */
export const LEAST_COVER = 0.1;

export const MAX_OPENINGS = 4;
export const OPENING_RANGE = {
  ventCm2: [0, 3000, 'cm²'],
  usual: [0, 1, ''],
  seconds: [0, 900, 's'],
} as const;

/** Openings stored before they had a kind were told apart by their ids. */
const KIND_BY_ID: Record<string, OpeningKind> = { sleeves: 'sleeves', hood: 'hood', up: 'tube' };

/** An opening as it came in, with its kind where the file or row is older than kinds. */
export const withKind = (o: Omit<Opening, 'kind'> & { kind?: OpeningKind }): Opening => ({
  ...o,
  kind: o.kind ?? KIND_BY_ID[o.id] ?? 'vent',
});

const ID_LENGTH = 80;
export const NAME_LENGTH = 120;
const share = Type.Number({ minimum: 0, maximum: 1 });
const text = Type.String({ minLength: 1, maxLength: NAME_LENGTH });
const id = Type.String({ minLength: 1, maxLength: ID_LENGTH });
const zone = { enum: [...CLOTHED_ZONES] };

const openingSchema = Type.Object(
  {
    id,
    kind: Type.Optional(Type.Unsafe<OpeningKind>({ enum: OPENING_KINDS })),
    label: text,
    openWord: text,
    closeWord: text,
    ventCm2: Type.Number({ minimum: OPENING_RANGE.ventCm2[0], maximum: OPENING_RANGE.ventCm2[1] }),
    zones: Type.Array(Type.Unsafe<ClothedZone>(zone), { maxItems: CLOTHED_ZONES.length }),
    uncovers: Type.Optional(
      Type.Unsafe<Partial<Record<ClothedZone, number>>>({
        type: 'object',
        additionalProperties: share,
        propertyNames: zone,
      }),
    ),
    usual: share,
    seconds: Type.Number({ minimum: OPENING_RANGE.seconds[0], maximum: OPENING_RANGE.seconds[1] }),
  },
  { additionalProperties: false },
);

const thicknessMm = numberField(0.05, 80, 'mm', {
  column: 'thickness_mm',
  label: 'Thickness',
  how: 'under a ruler and a light book',
  step: 0.1,
});
const weightGm2 = numberField(5, 3000, 'g/m²', { column: 'weight_gm2', label: 'Cloth weight', how: 'label', step: 5 });
const airPermeability = numberField(0, 10000, 'mm/s at 100 Pa', {
  column: 'air_permeability_mm_s',
  label: 'Wind through',
  how: '0 membrane, 8 wind shell, 500 fleece',
  step: 1,
});
const ret = numberField(0.5, 1000, 'm²Pa/W', {
  column: 'ret_m2paw',
  label: 'Ret',
  how: 'label; lower breathes better',
  step: 0.5,
});

const panelSchema = Type.Object(
  {
    coverage: share,
    thicknessMm: Type.Optional(thicknessMm),
    weightGm2: Type.Optional(weightGm2),
    airPermeability: Type.Optional(airPermeability),
    ret: Type.Optional(ret),
  },
  { additionalProperties: false },
);
/** What a panel may have of its own. */
const PANEL_RANGE = rangesOf(Type.Object({ thicknessMm, weightGm2, airPermeability, ret }));

/**
 * Every property of a garment, in one place: a new one is a line here, a column in a migration, and its use in the physics.
 * Units: thickness mm under light pressure; weight g/m²; air permeability mm/s at 100 Pa (ISO 9237); Ret m²Pa/W (ISO 11092);
 * gap mm of air beneath it when worn loosely over what is meant to go under; water capacity g/g after wringing.
 */
export const GARMENT = Type.Object(
  {
    id,
    name: field(text, { column: 'name', label: 'Name' }),
    group: wordField(GROUPS, { column: 'body_group' }),
    role: wordField(ROLES, { column: 'role' }),
    fibre: wordField(Object.keys(FIBRES) as Fibre[], { column: 'fibre', label: 'Fibre' }),
    /** place from the skin out; outer layers larger */
    order: numberField(1, 99, '', { column: 'layer_order' }),
    thicknessMm,
    massG: numberField(1, 5000, 'g', { column: 'mass_g', label: 'Mass', how: 'dry, on the kitchen scale', step: 1 }),
    weightGm2,
    ret,
    airPermeability,
    gapMm: numberField(0, 20, 'mm', { column: 'gap_mm', label: 'Air beneath', how: 'loose 5, close 0.6', step: 0.1 }),
    /** share of open holes in the knit */
    openMesh: numberField(0, 0.7, '', { column: 'open_mesh' }),
    liquidCapacity: numberField(0, 6, 'g/g', {
      column: 'liquid_capacity_gg',
      label: 'Holds water',
      how: '(wrung wet − dry) ÷ dry',
      step: 0.1,
    }),
    wicking: numberField(0, 1, '', { column: 'wicking' }),
    /** share of rain or melt kept off */
    waterResistance: numberField(0, 1, '', {
      column: 'water_resistance',
      label: 'Keeps rain off',
      how: '0 none, 1 all',
      step: 0.05,
    }),
    /** squeezes what is under it: tight boot, tight glove */
    tightness: numberField(0, 1, '', { column: 'tightness', label: 'Tight', how: '0 loose, 1 squeezes', step: 0.05 }),
    /** share of the breath's heat and water it gives back when over the mouth */
    mouthCover: numberField(0, 0.6, '', { column: 'mouth_cover' }),
    packedL: numberField(0, 60, 'L', { column: 'packed_l' }),
    /** in the currency of the athlete */
    price: numberField(0, 10000, '', {
      column: 'price',
      label: 'Price',
      how: 'in your own money, used or new',
      step: 1,
    }),
    /** time to put on or take off standing */
    changeSeconds: numberField(1, 900, 's', { column: 'change_seconds' }),
    membrane: booleanField({ column: 'membrane' }),
    /** lofted fill between two faces: water and frost sit at the cold face */
    filled: booleanField({ column: 'filled' }),
    /** goes on or off over boots without taking them off */
    overBoots: booleanField({ column: 'over_boots' }),
    handForm: Type.Optional(wordField(['fingers', 'mitten'], { column: 'hand_form' })),
    /** heat it gives off of itself, for the pair, and for how long it gives at least half of that; both or neither */
    heatW: Type.Optional(
      numberField(0.1, 40, 'W', { column: 'heat_w', label: 'Gives off', how: 'the pair together', step: 0.1 }),
    ),
    heatHours: Type.Optional(
      numberField(0.2, 48, 'h', { column: 'heat_hours', label: 'For', how: 'until half of that is left', step: 0.5 }),
    ),
    /** what it is made for; empty: anything */
    suits: field(Type.Array(Type.Unsafe<Purpose>({ enum: PURPOSES }), { maxItems: PURPOSES.length }), {
      column: 'suits',
    }),
    panels: field(
      Type.Unsafe<Partial<Record<ClothedZone, Panel>>>({
        type: 'object',
        propertyNames: zone,
        additionalProperties: panelSchema,
        minProperties: 1,
      }),
      { column: 'panels' },
    ),
    openings: field(Type.Unsafe<Opening[]>({ type: 'array', items: openingSchema, maxItems: MAX_OPENINGS }), {
      column: 'openings',
    }),
  },
  { additionalProperties: false },
);

/** A garment with the physical properties the model needs. */
export type Garment = Static<typeof GARMENT>;

export const GARMENT_FIELDS = fieldsOf(GARMENT);
export const GARMENT_RANGE = rangesOf(GARMENT);

const KEYS = Object.keys(GARMENT.properties) as (keyof Garment)[];
const OPENING_KEYS = Object.keys(openingSchema.properties) as (keyof Opening)[];

/** The same thing with its keys in one order. */
function ordered<T extends object>(value: T, keys: readonly (keyof T)[]): T {
  const out = {} as T;
  for (const k of keys) out[k] = value[k];
  return out;
}

/**
 * The same garment, made in one place: engines compile code for the shape of the objects it has seen, and garments come from
 * the catalogue, from files and from the database, each with its fields in another order.
 */
export const plainGarment = (g: Garment): Garment => ({
  ...ordered(g, KEYS),
  openings: g.openings.map((o) => ordered(withKind(o), OPENING_KEYS)),
});

/** @throws OutOfRange naming garment, field, value and range. */
export function checkGarment(g: Garment): Garment {
  const name = (key: string) => `garment "${g.name}" ${key}`;
  withinRanges(g, GARMENT_RANGE, name, ['heatW', 'heatHours']);
  if ((g.heatW === undefined) !== (g.heatHours === undefined))
    throw new OutOfRange(name('heat'), 'half given', 'both heatW and heatHours, or neither');
  if (!(g.fibre in FIBRES)) throw new OutOfRange(name('fibre'), g.fibre, Object.keys(FIBRES).join(', '));
  if (g.openings.length > MAX_OPENINGS)
    throw new OutOfRange(name('openings'), g.openings.length, `at most ${MAX_OPENINGS}`);
  const covered = Object.entries(g.panels) as [ClothedZone, Panel][];
  if (covered.length === 0) throw new OutOfRange(name('panels'), 'none', 'at least one zone');
  for (const [zone, panel] of covered) {
    if (!CLOTHED_ZONES.includes(zone)) throw new OutOfRange(name('zone'), zone, CLOTHED_ZONES.join(', '));
    within(name(`${zone} coverage`), panel.coverage, 0, 1);
    withinRanges(panel, PANEL_RANGE, (key) => name(`${zone} ${key}`), Object.keys(PANEL_RANGE));
  }
  for (const o of g.openings) withinRanges(o, OPENING_RANGE, (key) => name(`opening ${o.id} ${key}`));
  return g;
}

/** How a garment is made over a zone; undefined where it is not there. */
export const panelOver = (g: Garment, zone: Zone): Panel | undefined => g.panels[clothedAs(zone)];

/** Dry insulation of the cloth itself, m²K/W: thickness over conductivity (ISO 11092's Rct without the boundary layer). */
export function fabricResistance(g: Pick<Garment, 'thicknessMm' | 'fibre'>): number {
  return g.thicknessMm / 1000 / FIBRES[g.fibre].conductivity;
}

/** The same over all that it covers of the reference person, m⁴K/W: a jacket is warmer than a vest of the same cloth. */
export const warmthOverBody = (g: Garment): number =>
  fabricResistance(g) * ZONE_TABLE.reduce((sum, row) => sum + row.areaM2 * (panelOver(g, row.zone)?.coverage ?? 0), 0);

/** Water it holds over the worn area when wrung wet, g. */
export function wetCapacityG(g: Garment): number {
  return g.massG * (g.liquidCapacity + saturationRegain(g.fibre));
}
