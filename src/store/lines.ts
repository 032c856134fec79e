import { sql } from './db';

/** A line that was answered: with a name it is a regular, without one of the last few. */
export interface KeptSpoken {
  id: string;
  line: string;
  name: string | null;
  usedMs: number;
}

type Row = { id: string; line: string; name: string | null; used_at: Date };
const toLine = (r: Row): KeptSpoken => ({ id: r.id, line: r.line, name: r.name, usedMs: r.used_at.getTime() });

/** How many lines without a name are kept. */
const LAST = 5;
/** Nobody has more regulars. */
export const MOST_REGULARS = 40;

/** Regulars by name, then the last few by when they were used. */
export async function listLines(athleteId: string): Promise<KeptSpoken[]> {
  const rows = await sql()<Row[]>`
    select id, line, name, used_at from spoken_line where athlete_id = ${athleteId}
    order by name is null, name, used_at desc`;
  return rows.map(toLine);
}

/** Remembers that a line was used; what is older than the last few goes. */
export async function rememberLine(athleteId: string, line: string): Promise<void> {
  await sql()`
    insert into spoken_line (athlete_id, line) values (${athleteId}, ${line})
    on conflict (athlete_id, line) where name is null do update set used_at = now()`;
  await sql()`
    delete from spoken_line where athlete_id = ${athleteId} and name is null and id not in (
      select id from spoken_line where athlete_id = ${athleteId} and name is null order by used_at desc limit ${LAST})`;
}

/** Keeps a line under a name; the same name again changes its line. @returns null when there are too many */
export async function keepRegular(athleteId: string, name: string, line: string): Promise<KeptSpoken | null> {
  const rows = await sql()<Row[]>`
    insert into spoken_line (athlete_id, line, name)
    select ${athleteId}, ${line}, ${name}
    where (select count(*) from spoken_line where athlete_id = ${athleteId} and name is not null and name <> ${name}) < ${MOST_REGULARS}
    on conflict (athlete_id, name) where name is not null do update set line = excluded.line, used_at = now()
    returning id, line, name, used_at`;
  return rows.length === 1 ? toLine(rows[0]) : null;
}

/** @returns false when there is none */
export async function forgetLine(athleteId: string, id: string): Promise<boolean> {
  const result = await sql()`delete from spoken_line where id = ${id} and athlete_id = ${athleteId}`;
  return result.count === 1;
}
