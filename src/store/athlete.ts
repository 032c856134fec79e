import { PERSON_FIELDS, type Person } from '@/core/body/person';
import type { Wishes } from '@/core/search/wishes';
import { sql } from './db';

export interface Athlete {
  id: string;
  name: string;
  units: 'metric' | 'imperial';
  person: Person;
  wishes: Wishes;
  /** rise with every change */
  version: number;
  wishesVersion: number;
  /** the weather station they look to */
  station: string;
}

type Row = Record<string, number> & {
  id: string;
  name: string;
  units: 'metric' | 'imperial';
  floor_feels_c: number | null;
  mouth_below_c: number | null;
  station: string;
  version: number;
  wishes_version: number;
};

const KEYS = Object.keys(PERSON_FIELDS) as (keyof Person)[];
const personColumns = (p: Person): Record<string, number> =>
  Object.fromEntries(KEYS.map((k) => [PERSON_FIELDS[k].column, p[k]]));

const toAthlete = (r: Row): Athlete => ({
  id: r.id,
  name: r.name,
  units: r.units,
  person: Object.fromEntries(KEYS.map((k) => [k, r[PERSON_FIELDS[k].column]])) as Person,
  wishes: {
    weights: { caution: r.caution, fuss: r.fuss, weight: r.carried_weight },
    maxCues: r.max_cues,
    waiting: r.people_waiting,
    floorC: r.floor_feels_c,
    mouthBelowC: r.mouth_below_c,
  },
  version: r.version,
  wishesVersion: r.wishes_version,
  station: r.station,
});

/**
 * Who is using the application: today the one athlete of this installation. Every query takes its id, so sign-in can be
 * put here later without touching them.
 */
export async function currentAthlete(): Promise<Athlete> {
  const rows = await sql()<Row[]>`select * from athlete order by created_at limit 1`;
  if (rows.length === 0) throw new Error('There is no athlete yet: run bin/demo once to load the demo data');
  return toAthlete(rows[0]);
}

/** Saves over a known version. @returns the new version, or null when it was changed elsewhere meanwhile */
export async function saveAthlete(
  id: string,
  version: number,
  { name, units, person }: Pick<Athlete, 'name' | 'units' | 'person'>,
): Promise<number | null> {
  const rows = await sql()<{ version: number }[]>`
    update athlete set ${sql()({ name, units, ...personColumns(person) })}, version = version + 1
    where id = ${id} and version = ${version} returning version`;
  return rows[0]?.version ?? null;
}

/** Saves over a known version. @returns the new version, or null when they were changed elsewhere meanwhile */
export async function saveWishes(id: string, version: number, w: Wishes): Promise<number | null> {
  const rows = await sql()<{ version: number }[]>`
    update athlete set caution = ${w.weights.caution}, fuss = ${w.weights.fuss}, carried_weight = ${w.weights.weight},
      max_cues = ${w.maxCues}, people_waiting = ${w.waiting}, floor_feels_c = ${w.floorC},
      mouth_below_c = ${w.mouthBelowC ?? null},
      wishes_version = wishes_version + 1
    where id = ${id} and wishes_version = ${version} returning wishes_version as version`;
  return rows[0]?.version ?? null;
}

export async function chooseStation(id: string, station: string): Promise<void> {
  await sql()`update athlete set station = ${station} where id = ${id}`;
}

export async function createAthlete(name: string, person: Person): Promise<string> {
  const rows = await sql()<{ id: string }[]>`
    insert into athlete ${sql()({ name, ...personColumns(person) })} returning id`;
  return rows[0].id;
}
