import { sql } from './db';

/** Something that was deleted and can be brought back. */
export interface Trashed {
  kind: 'outing' | 'plan' | 'garment';
  id: string;
  name: string;
  /** the outing of a plan */
  of: string | null;
  /** days until it is gone for good; null: it is kept, since old plans name it */
  daysLeft: number | null;
}

/** How long what was deleted can be brought back. */
const KEPT_DAYS = 30;

/** What was deleted, the newest first. What has lain there for longer than it is kept is gone with this. */
export async function listTrash(athleteId: string): Promise<Trashed[]> {
  const gone = sql()`${KEPT_DAYS} * interval '1 day'`;
  await sql()`delete from plan where athlete_id = ${athleteId} and deleted_at < now() - ${gone}`;
  await sql()`delete from outing where athlete_id = ${athleteId} and deleted_at < now() - ${gone}`;
  const rows = await sql()<(Omit<Trashed, 'daysLeft'> & { days: number })[]>`
    select kind, id, name, "of", extract(day from now() - at)::int as days from (
      select 'outing' as kind, id, name, null as "of", deleted_at as at from outing where athlete_id = ${athleteId}
      union all
      select 'plan', p.id, p.name, o.name, p.deleted_at from plan p join outing o on o.id = p.outing_id
      where p.athlete_id = ${athleteId} and o.deleted_at is null
      union all
      select 'garment', id, name, null, removed_at from garment where athlete_id = ${athleteId}
    ) as all_of_it where at is not null order by at desc`;
  return rows.map(({ days, ...r }) => ({ ...r, daysLeft: r.kind === 'garment' ? null : KEPT_DAYS - days }));
}
