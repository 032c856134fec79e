import { GARMENT_FIELDS, plainGarment, type Garment } from '@/core/clothing/garment';
import { dampNow } from '@/core/afterwards/rack';
import { DRYING_PLACE_NAMES, type DryingPlace } from '@/core/moisture/drying';
import { wallClock } from './clock';
import { sql } from './db';

/** A garment the athlete owns: physical properties under its own id, and its present state. */
export interface OwnedGarment {
  garment: Garment;
  catalogueId: string | null;
  /** g/m² beyond dry storage, now */
  dampGm2: number;
  /** where it hangs to dry; null: nowhere */
  hung: Hung | null;
  /** rises with every change */
  version: number;
}

/** A piece on the rack: since when, ms on the wall clock, and how damp it was then. */
export interface Hung {
  place: DryingPlace;
  sinceMs: number;
  fromGm2: number;
}

type Row = Record<string, unknown> & {
  hung_place: string | null;
  hung_since: Date | null;
  catalogue_id: string | null;
  damp_gm2: number;
  version: number;
};

const KEYS = Object.keys(GARMENT_FIELDS) as (keyof Garment)[];
/** Columns of a garment but its id, which the database gives. */
const STORED = KEYS.filter((k) => k !== 'id');
const AS_JSON: readonly (keyof Garment)[] = ['panels', 'openings'];

/** A row as a garment: nulls are what an optional property leaves out. */
function toGarment(r: Row): Garment {
  const entries = KEYS.map((k) => [k, k === 'id' ? r.id : r[GARMENT_FIELDS[k].column]] as const);
  return plainGarment(Object.fromEntries(entries.filter(([, v]) => v !== null)) as unknown as Garment);
}

function toOwned(r: Row): OwnedGarment {
  const garment = toGarment(r);
  const place = DRYING_PLACE_NAMES.find((p) => p === r.hung_place);
  const hung = place && r.hung_since ? { place, sinceMs: r.hung_since.getTime(), fromGm2: r.damp_gm2 } : null;
  return {
    catalogueId: r.catalogue_id,
    dampGm2: hung ? dampNow(garment, hung, wallClock(0)) : r.damp_gm2,
    hung,
    version: r.version,
    garment,
  };
}

const toColumns = (g: Garment): Record<string, unknown> =>
  Object.fromEntries(
    STORED.map((k) => [GARMENT_FIELDS[k].column, AS_JSON.includes(k) ? sql().json(g[k] as never) : (g[k] ?? null)]),
  );

/** What the athlete owns, skin out within each group. @param which `all` adds pieces taken out, for plans that still name them */
export async function listCloset(athleteId: string, which: 'owned' | 'all' = 'owned'): Promise<OwnedGarment[]> {
  const rows = await sql()<Row[]>`
    select * from garment where athlete_id = ${athleteId} ${which === 'all' ? sql()`` : sql()`and removed_at is null`}
    order by array_position(array['head', 'eyes', 'face', 'torso', 'hands', 'legs', 'feet'], body_group), layer_order, name`;
  return rows.map(toOwned);
}

/** @param id left out: a new one */
export async function addGarment(
  athleteId: string,
  garment: Garment,
  catalogueId: string | null,
  dampGm2 = 0,
  id?: string,
): Promise<string> {
  const rows = await sql()<{ id: string }[]>`
    insert into garment ${sql()({ athlete_id: athleteId, catalogue_id: catalogueId, damp_gm2: dampGm2, ...toColumns(garment), ...(id ? { id } : {}) } as never)}
    returning id`;
  return rows[0].id;
}

/** One garment the athlete owns, also one that was taken out; null when there is none. */
export async function getGarment(athleteId: string, id: string): Promise<OwnedGarment | null> {
  const rows = await sql()<Row[]>`select * from garment where id = ${id} and athlete_id = ${athleteId}`;
  return rows.length === 1 ? toOwned(rows[0]) : null;
}

/** Saves over a known version. @returns the new version, or null when it is gone or was changed elsewhere meanwhile */
export async function updateGarment(
  athleteId: string,
  id: string,
  version: number,
  { garment, dampGm2 }: Pick<OwnedGarment, 'garment' | 'dampGm2'>,
): Promise<number | null> {
  const rows = await sql()<{ version: number }[]>`
    update garment set ${sql()({ ...toColumns(garment), damp_gm2: dampGm2 } as never)}, version = version + 1,
      hung_since = case when hung_place is null then null else ${new Date(wallClock(0))}::timestamptz end
    where id = ${id} and athlete_id = ${athleteId} and version = ${version}
    returning version`;
  return rows[0]?.version ?? null;
}

/** Takes a garment out of the closet, or puts it back. @returns whether the athlete owns it */
export async function moveGarment(athleteId: string, id: string, to: 'out' | 'back'): Promise<boolean> {
  const at = to === 'out' ? sql()`now()` : null;
  const result = await sql()`update garment set removed_at = ${at} where id = ${id} and athlete_id = ${athleteId}`;
  return result.count === 1;
}

/** Hangs a piece to dry, or takes it off the rack; null: off. @returns false when there is none */
export async function hang(athleteId: string, id: string, place: DryingPlace | null): Promise<boolean> {
  const now = await getGarment(athleteId, id);
  if (!now) return false;
  const since = place && new Date(wallClock(0));
  const done = await sql()`
    update garment set damp_gm2 = ${now.dampGm2}, hung_place = ${place}, hung_since = ${since}, version = version + 1
    where id = ${id} and athlete_id = ${athleteId} and version = ${now.version}`;
  return done.count === 1;
}
