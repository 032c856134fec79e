import { atomically, sql } from './db';
import { createOuting, getOuting, routeOf } from './outings';

/** Takes an outing out of sight with its plans; `restoreOuting` brings it back within 30 days. @returns false when there is none */
export async function deleteOuting(athleteId: string, id: string): Promise<boolean> {
  const result = await sql()`
    update outing set deleted_at = now() where id = ${id} and athlete_id = ${athleteId} and deleted_at is null`;
  return result.count === 1;
}

export async function restoreOuting(athleteId: string, id: string): Promise<boolean> {
  const result = await sql()`
    update outing set deleted_at = null where id = ${id} and athlete_id = ${athleteId} and deleted_at is not null`;
  return result.count === 1;
}

export async function renameOuting(athleteId: string, id: string, name: string): Promise<boolean> {
  const result = await sql()`
    update outing set name = ${name}, updated_at = now(), version = version + 1
    where id = ${id} and athlete_id = ${athleteId} and deleted_at is null`;
  return result.count === 1;
}

/** Puts an outing away from the list, or back on it. */
export async function moveOuting(athleteId: string, id: string, to: 'away' | 'back'): Promise<boolean> {
  const result = await sql()`
    update outing set archived_at = ${to === 'away' ? sql()`now()` : null}
    where id = ${id} and athlete_id = ${athleteId} and deleted_at is null`;
  return result.count === 1;
}

/** Another outing like one that is there, with its route and its plans. @param named its name from that of the first @returns its id, or null when there is no such outing */
export async function copyOuting(
  athleteId: string,
  id: string,
  named: (name: string) => string,
): Promise<string | null> {
  return atomically(async () => {
    const outing = await getOuting(athleteId, id);
    if (!outing) return null;
    const copy = await createOuting(athleteId, { ...outing, name: named(outing.name) }, await routeOf(athleteId, id));
    await sql()`update outing set wishes = (select wishes from outing where id = ${id}) where id = ${copy}`;
    await sql()`
      insert into plan (athlete_id, outing_id, name, content, created_at)
      select athlete_id, ${copy}, name, content, created_at from plan where outing_id = ${id} and athlete_id = ${athleteId} and deleted_at is null`;
    return copy;
  });
}
