import type { Garment } from '@/core/clothing/garment';
import { sql } from './db';

/** A garment the athlete owns: physical properties under its own id, and its present state. */
export interface OwnedGarment {
  garment: Garment;
  catalogueId: string | null;
  dampGm2: number;
}

interface Row {
  id: string;
  catalogue_id: string | null;
  name: string;
  body_group: Garment['group'];
  role: Garment['role'];
  layer_order: number;
  fibre: Garment['fibre'];
  thickness_mm: number;
  weight_gm2: number;
  air_permeability_mm_s: number;
  ret_m2paw: number;
  gap_mm: number;
  open_mesh: number;
  liquid_capacity_gg: number;
  wicking: number;
  water_resistance: number;
  membrane: boolean;
  filled: boolean;
  tightness: number;
  hand_form: Garment['handForm'] | null;
  mouth_cover: number;
  mass_g: number;
  packed_l: number;
  price: number;
  change_seconds: number;
  over_boots: boolean;
  heat_w: number | null;
  heat_hours: number | null;
  suits: Garment['suits'];
  panels: Garment['panels'];
  openings: Garment['openings'];
  damp_gm2: number;
}

const toOwned = (r: Row): OwnedGarment => ({
  catalogueId: r.catalogue_id,
  dampGm2: r.damp_gm2,
  garment: {
    id: r.id,
    name: r.name,
    group: r.body_group,
    role: r.role,
    order: r.layer_order,
    fibre: r.fibre,
    thicknessMm: r.thickness_mm,
    weightGm2: r.weight_gm2,
    airPermeability: r.air_permeability_mm_s,
    ret: r.ret_m2paw,
    gapMm: r.gap_mm,
    openMesh: r.open_mesh,
    liquidCapacity: r.liquid_capacity_gg,
    wicking: r.wicking,
    waterResistance: r.water_resistance,
    membrane: r.membrane,
    filled: r.filled,
    tightness: r.tightness,
    ...(r.hand_form ? { handForm: r.hand_form } : {}),
    mouthCover: r.mouth_cover,
    massG: r.mass_g,
    packedL: r.packed_l,
    price: r.price,
    changeSeconds: r.change_seconds,
    overBoots: r.over_boots,
    ...(r.heat_w !== null && r.heat_hours !== null ? { heatW: r.heat_w, heatHours: r.heat_hours } : {}),
    suits: r.suits,
    panels: r.panels,
    openings: r.openings,
  },
});

const toColumns = (g: Garment) => ({
  name: g.name,
  body_group: g.group,
  role: g.role,
  layer_order: g.order,
  fibre: g.fibre,
  thickness_mm: g.thicknessMm,
  weight_gm2: g.weightGm2,
  air_permeability_mm_s: g.airPermeability,
  ret_m2paw: g.ret,
  gap_mm: g.gapMm,
  open_mesh: g.openMesh,
  liquid_capacity_gg: g.liquidCapacity,
  wicking: g.wicking,
  water_resistance: g.waterResistance,
  membrane: g.membrane,
  filled: g.filled,
  tightness: g.tightness,
  hand_form: g.handForm ?? null,
  mouth_cover: g.mouthCover,
  mass_g: g.massG,
  packed_l: g.packedL,
  price: g.price,
  change_seconds: g.changeSeconds,
  over_boots: g.overBoots,
  heat_w: g.heatW ?? null,
  heat_hours: g.heatHours ?? null,
  suits: g.suits,
  panels: sql().json(g.panels as never),
  openings: sql().json(g.openings as never),
});

/** What the athlete owns, skin out within each group. `withRemoved` adds pieces taken out, for plans that still name them. */
export async function listCloset(athleteId: string, withRemoved = false): Promise<OwnedGarment[]> {
  const rows = await sql()<Row[]>`
    select * from garment where athlete_id = ${athleteId} ${withRemoved ? sql()`` : sql()`and removed_at is null`}
    order by array_position(array['head', 'eyes', 'face', 'torso', 'hands', 'legs', 'feet'], body_group), layer_order, name`;
  return rows.map(toOwned);
}

export async function addGarment(
  athleteId: string,
  garment: Garment,
  catalogueId: string | null,
  dampGm2 = 0,
): Promise<string> {
  const rows = await sql()<{ id: string }[]>`
    insert into garment ${sql()({ athlete_id: athleteId, catalogue_id: catalogueId, damp_gm2: dampGm2, ...toColumns(garment) })}
    returning id`;
  return rows[0].id;
}

/** @returns false when the athlete owns no such garment */
export async function updateGarment(
  athleteId: string,
  id: string,
  garment: Garment,
  dampGm2: number,
): Promise<boolean> {
  const result = await sql()`
    update garment set ${sql()({ ...toColumns(garment), damp_gm2: dampGm2 })}
    where id = ${id} and athlete_id = ${athleteId}`;
  return result.count === 1;
}

/** Takes a garment out of the closet, or puts it back. */
export async function setRemoved(athleteId: string, id: string, removed: boolean): Promise<boolean> {
  const result = await sql()`
    update garment set removed_at = ${removed ? sql()`now()` : null} where id = ${id} and athlete_id = ${athleteId}`;
  return result.count === 1;
}
