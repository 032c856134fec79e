import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sql } from './db';
import { wallClock } from './clock';
import { isOver } from './outings';

/** What was worked out of an outing before, if it still holds. */
export interface KeptLine {
  outingId: string;
  /** names everything the line is worked out from: outing, plan, athlete, closet, and this build of the model */
  mark: string;
  /** null: none, or of something else */
  line: unknown;
}

/** This build of the application: another one may have another model. A page of the development server is worked out anew each time. */
export const build = (() => {
  const file = join(process.cwd(), '.next', 'BUILD_ID');
  return process.env.NODE_ENV === 'production' && existsSync(file) ? readFileSync(file, 'utf8') : null;
})();

/** The lines kept of an athlete's outings, with the mark each must have to hold. */
export async function keptLines(athleteId: string): Promise<KeptLine[]> {
  const hour = Math.floor(wallClock(0) / 3600_000);
  const rows = await sql()<{ id: string; mark: string; kept: string | null; line: unknown }[]>`
    select o.id, concat_ws(' ', ${build ?? 'none'}::text, o.version, a.version, p.id, p.version, c.mark) as mark,
      h.mark as kept, h.line
    from outing o
    join athlete a on a.id = o.athlete_id
    left join lateral (
      select id, version from plan
      where athlete_id = ${athleteId} and outing_id = o.id and deleted_at is null order by created_at desc limit 1
    ) p on true
    cross join (
      -- what hangs dries from hour to hour
      select md5(string_agg(id::text || version || case when hung_place is null then '' else ${hour}::text end, ' ' order by id)) as mark
      from garment where athlete_id = ${athleteId}
    ) c
    -- one at a time, by its key: a plan that reads through all of them would grow with everybody's
    left join lateral (select k.mark, k.line from home_line k where k.outing_id = o.id limit 1) h on true
    where o.athlete_id = ${athleteId} and o.deleted_at is null and o.archived_at is null and not ${isOver()}`;
  return rows.map((r) => ({ outingId: r.id, mark: r.mark, line: build !== null && r.kept === r.mark ? r.line : null }));
}

export async function keepLine({ outingId, mark, line }: KeptLine): Promise<void> {
  await sql()`
    insert into home_line (outing_id, mark, line)
    select id, ${mark}, ${sql().json(line as never)} from outing where id = ${outingId}
    on conflict (outing_id) do update set mark = excluded.mark, line = excluded.line`;
}
