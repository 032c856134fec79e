import type { Plan } from '@/core/kit/plan';
import { sql } from './db';

export interface StoredPlan {
  id: string;
  outingId: string;
  name: string;
  plan: Plan;
  version: number;
  updatedMs: number;
}

interface Row {
  id: string;
  outing_id: string;
  name: string;
  content: Plan;
  version: number;
  updated_at: Date;
}

const toPlan = (r: Row): StoredPlan => ({
  id: r.id,
  outingId: r.outing_id,
  name: r.name,
  plan: r.content,
  version: r.version,
  updatedMs: r.updated_at.getTime(),
});

export async function listPlans(athleteId: string, outingId: string): Promise<StoredPlan[]> {
  const rows = await sql()<Row[]>`
    select * from plan where athlete_id = ${athleteId} and outing_id = ${outingId} and deleted_at is null order by created_at`;
  return rows.map(toPlan);
}

/** @returns null when the outing is not the athlete's */
export async function createPlan(
  athleteId: string,
  outingId: string,
  name: string,
  plan: Plan,
): Promise<StoredPlan | null> {
  const rows = await sql()<Row[]>`
    insert into plan (athlete_id, outing_id, name, content)
    select ${athleteId}, id, ${name}, ${sql().json(plan as never)} from outing where id = ${outingId} and athlete_id = ${athleteId}
    returning *`;
  return rows.length === 1 ? toPlan(rows[0]) : null;
}

/** Saves over a known version. @returns the stored plan, or null when it is gone or was changed elsewhere meanwhile */
export async function savePlan(
  athleteId: string,
  id: string,
  version: number,
  name: string,
  plan: Plan,
): Promise<StoredPlan | null> {
  const rows = await sql()<Row[]>`
    update plan set name = ${name}, content = ${sql().json(plan as never)}, version = version + 1, updated_at = now()
    where id = ${id} and athlete_id = ${athleteId} and version = ${version} and deleted_at is null
    returning *`;
  return rows.length === 1 ? toPlan(rows[0]) : null;
}

export async function getPlan(athleteId: string, id: string): Promise<StoredPlan | null> {
  const rows = await sql()<
    Row[]
  >`select * from plan where id = ${id} and athlete_id = ${athleteId} and deleted_at is null`;
  return rows.length === 1 ? toPlan(rows[0]) : null;
}

/** Takes a plan out of sight; `restorePlan` brings it back within 30 days. @returns false when there is none */
export async function deletePlan(athleteId: string, id: string): Promise<boolean> {
  const result = await sql()`
    update plan set deleted_at = now() where id = ${id} and athlete_id = ${athleteId} and deleted_at is null`;
  return result.count === 1;
}

export async function restorePlan(athleteId: string, id: string): Promise<boolean> {
  const result = await sql()`
    update plan set deleted_at = null where id = ${id} and athlete_id = ${athleteId} and deleted_at is not null`;
  return result.count === 1;
}
