import type { Person } from '@/core/body/person';
import type { Wishes } from '@/core/plan/wishes';
import { sql } from './db';

export interface Athlete {
  id: string;
  name: string;
  units: 'metric' | 'imperial';
  person: Person;
  wishes: Wishes;
}

interface Row {
  id: string;
  name: string;
  units: 'metric' | 'imperial';
  mass_kg: number;
  height_m: number;
  fat_percent: number;
  vo2max_ml_kg_min: number;
  rest_bpm: number;
  max_bpm: number;
  sweat_gain: number;
  metabolic_bias: number;
  constriction: number;
  warmth_k: number;
  caution: number;
  fuss: number;
  carried_weight: number;
  max_cues: number;
  people_waiting: number;
  floor_feels_c: number | null;
}

const toAthlete = (r: Row): Athlete => ({
  id: r.id,
  name: r.name,
  units: r.units,
  person: {
    massKg: r.mass_kg,
    heightM: r.height_m,
    fatPercent: r.fat_percent,
    vo2maxMl: r.vo2max_ml_kg_min,
    restBpm: r.rest_bpm,
    maxBpm: r.max_bpm,
    sweatGain: r.sweat_gain,
    metabolicBias: r.metabolic_bias,
    constriction: r.constriction,
    warmth: r.warmth_k,
  },
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
  const p = a.person;
  await sql()`
    update athlete set name = ${a.name}, units = ${a.units}, mass_kg = ${p.massKg}, height_m = ${p.heightM},
      fat_percent = ${p.fatPercent}, vo2max_ml_kg_min = ${p.vo2maxMl}, rest_bpm = ${p.restBpm}, max_bpm = ${p.maxBpm},
      sweat_gain = ${p.sweatGain}, metabolic_bias = ${p.metabolicBias}, constriction = ${p.constriction},
      warmth_k = ${p.warmth}
    where id = ${id}`;
}

export async function saveWishes(id: string, w: Wishes): Promise<void> {
  await sql()`
    update athlete set caution = ${w.weights.caution}, fuss = ${w.weights.fuss}, carried_weight = ${w.weights.weight},
      max_cues = ${w.maxCues}, people_waiting = ${w.waiting}, floor_feels_c = ${w.floorC}
    where id = ${id}`;
}

export async function createAthlete(name: string, person: Person): Promise<string> {
  const rows = await sql()<{ id: string }[]>`
    insert into athlete (name, mass_kg, height_m, fat_percent, vo2max_ml_kg_min, rest_bpm, max_bpm, sweat_gain,
      metabolic_bias, constriction, warmth_k)
    values (${name}, ${person.massKg}, ${person.heightM}, ${person.fatPercent}, ${person.vo2maxMl}, ${person.restBpm},
      ${person.maxBpm}, ${person.sweatGain}, ${person.metabolicBias}, ${person.constriction}, ${person.warmth})
    returning id`;
  return rows[0].id;
}
