import { PERSON_FIELDS, type Person } from '@/core/body/person';
import type { Wishes } from '@/core/search/wishes';
import { sql } from './db';

export interface Athlete {
  id: string;
  name: string;
  units: 'metric' | 'imperial';
  person: Person;
  wishes: Wishes;
}

type Row = Record<string, number> & {
  id: string;
  name: string;
  units: 'metric' | 'imperial';
  floor_feels_c: number | null;
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
  },
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

export async function saveAthlete(id: string, a: Pick<Athlete, 'name' | 'units' | 'person'>): Promise<void> {
  const { name, units, person } = a;
  await sql()`update athlete set ${sql()({ name, units, ...personColumns(person) })} where id = ${id}`;
}

export async function saveWishes(id: string, w: Wishes): Promise<void> {
  await sql()`
    update athlete set caution = ${w.weights.caution}, fuss = ${w.weights.fuss}, carried_weight = ${w.weights.weight},
      max_cues = ${w.maxCues}, people_waiting = ${w.waiting}, floor_feels_c = ${w.floorC}
    where id = ${id}`;
}

export async function createAthlete(name: string, person: Person): Promise<string> {
  const rows = await sql()<{ id: string }[]>`
    insert into athlete ${sql()({ name, ...personColumns(person) })} returning id`;
  return rows[0].id;
}
