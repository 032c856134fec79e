import { PERSON_FIELDS, PERSON_OPTIONAL, type Person } from '@/core/body/person';
import { athleteAs, givenMoved, type Learned } from '@/core/calibrate/learned';
import type { Wishes } from '@/core/search/wishes';
import { atomically, sql } from './db';

export interface Athlete {
  id: string;
  name: string;
  units: 'metric' | 'imperial';
  /** as they give themselves */
  given: Person;
  /** what their outings taught against that; null: nothing yet */
  known: Learned | null;
  /** as they are by now: what everything is worked out with */
  person: Person;
  wishes: Wishes;
  /** ids of causes in the book that they call chance */
  calledChance: string[];
  /** and of those that they made a cue of for the next winter */
  winterCues: string[];
  /** rise with every change */
  version: number;
  wishesVersion: number;
  /** the weather station they look to */
  station: string;
}

type Row = Record<string, number> & {
  known: Learned | null;
  called_chance: string[];
  winter_cues: string[];
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
  Object.fromEntries(KEYS.map((k) => [PERSON_FIELDS[k].column, p[k] ?? 0]));

/** What is as most people's is left out, as it came in. */
const isLeftOut = (k: keyof Person, v: number): boolean => v === 0 && PERSON_OPTIONAL.some((o) => o === k);
const givenOf = (r: Row): Person =>
  Object.fromEntries(
    KEYS.map((k) => [k, r[PERSON_FIELDS[k].column]] as const).filter(([k, v]) => !isLeftOut(k, v)),
  ) as Person;

const toAthlete = (r: Row): Athlete => ({
  id: r.id,
  name: r.name,
  units: r.units,
  given: givenOf(r),
  known: r.known,
  person: r.known ? athleteAs(givenOf(r), r.known) : givenOf(r),
  wishes: {
    weights: { caution: r.caution, fuss: r.fuss, weight: r.carried_weight },
    maxCues: r.max_cues,
    waiting: r.people_waiting,
    floorC: r.floor_feels_c,
    mouthBelowC: r.mouth_below_c,
  },
  calledChance: r.called_chance,
  winterCues: r.winter_cues,
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

/**
 * Saves what they give of themselves over a known version; what outings taught stays as sure of the truth as it was.
 * @returns the new version, or null when it was changed elsewhere meanwhile
 */
export async function saveAthlete(
  id: string,
  version: number,
  { name, units, given }: Pick<Athlete, 'name' | 'units' | 'given'>,
): Promise<number | null> {
  return atomically(async () => {
    const [before] = await sql()<Row[]>`select * from athlete where id = ${id} and version = ${version} for update`;
    if (!before) return null;
    const known = before.known && givenMoved(before.known, givenOf(before), given);
    const rows = await sql()<{ version: number }[]>`
      update athlete set ${sql()({ name, units, ...personColumns(given) })}, known = ${known && sql().json(known as never)},
        version = version + 1
      where id = ${id} returning version`;
    return rows[0].version;
  });
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

/** Says of a cause in the book that it is chance, or none after all. */
export async function callChance(id: string, cause: string, is: { chance: boolean }): Promise<void> {
  await sql()`
    update athlete set called_chance = array_remove(called_chance, ${cause}) || ${is.chance ? [cause] : []}::text[] where id = ${id}`;
}

/** Makes a cue of a cause in the book, or takes it off again. */
export async function remindOf(id: string, cause: string, is: { cue: boolean }): Promise<void> {
  await sql()`
    update athlete set winter_cues = array_remove(winter_cues, ${cause}) || ${is.cue ? [cause] : []}::text[] where id = ${id}`;
}
