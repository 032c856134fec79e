import pLimit from 'p-limit';
import { bookDay, type BookDay } from '@/core/afterwards/day';
import { triedOf, type Tried } from '@/core/afterwards/tried';
import { missOf, type Miss } from '@/core/afterwards/miss';
import type { Lesson } from '@/core/calibrate/learn';
import type { Athlete } from './athlete';
import { sql } from './db';
import { build } from './homeLines';
import { toldOuting } from './learning';
import { closetsOf, type Closets } from './packs';
import type { FeltWord } from './told';

/** One day of the book. */
export interface BookEntry {
  id: string;
  name: string;
  startMs: number;
  /** null: it cannot be laid out any more; what was told of it is kept all the same */
  day: BookDay | null;
  /** how far off what was said of it was; null: it taught nothing, or is not kept */
  miss: Miss | null;
  kept: boolean;
  leftOut: boolean;
}

interface Row {
  id: string;
  name: string;
  start: string;
  left_out: boolean;
  lesson: Lesson | null;
  mark: string;
  kept_mark: string | null;
  day: BookDay | null;
  word: FeltWord | null;
}

/** Days worked out at once: while one is reckoned the next is read. */
const AT_ONCE = 4;

/**
 * Days that are over and of which something was told or tapped, the oldest first. What is worked out of them is kept until something changes.
 * @param how `as kept`: what was worked out once stands, also where athlete or closet changed since: a page that waits for nothing
 */
export async function readBook(athlete: Athlete, how: 'fresh' | 'as kept' = 'fresh'): Promise<BookEntry[]> {
  reading++;
  try {
    return await readDays(athlete, how);
  } finally {
    if (--reading === 0) workedOutNow.clear();
  }
}

async function readDays(athlete: Athlete, how: 'fresh' | 'as kept'): Promise<BookEntry[]> {
  const rows = await sql()<Row[]>`
    select o.id, o.name, o.start_local::text as start, o.left_out, l.lesson, b.mark as kept_mark, b.day, w.felt as word,
      concat_ws(' ', ${build ?? 'none'}::text, o.version, a.version, p.id, p.version, t.mark, w.felt, c.mark) as mark
    from outing o
    join athlete a on a.id = o.athlete_id
    left join lateral (
      select id, version, content::text as names from plan
      where athlete_id = ${athlete.id} and outing_id = o.id and deleted_at is null order by updated_at desc limit 1
    ) p on true
    left join lateral (
      -- A track that was recorded is long and names no piece.
      select max(seq) as mark, string_agg(told::text, ' ') filter (where told->>'kind' <> 'recorded') as names from tap where outing_id = o.id and told->>'kind' in
        ('home', 'felt', 'feels', 'weighed', 'body', 'kept', 'saw', 'recorded', 'note', 'was', 'done', 'did', 'started', 'undo', 'with', 'dressed')
    ) t on true
    left join lateral (select k.felt from told k where k.outing_id = o.id limit 1) w on true
    left join lateral (select k.lesson from lesson k where k.outing_id = o.id limit 1) l on true
    left join lateral (select k.mark, k.day from book_day k where k.outing_id = o.id limit 1) b on true
    cross join lateral (
      -- Only pieces that the plan or a tap names: a jacket waxed today changes no day that it was not out on.
      select md5(string_agg(g.id::text || g.version, ' ' order by g.id)) as mark from garment g
      where g.athlete_id = ${athlete.id} and (position(g.id::text in p.names) > 0 or position(g.id::text in t.names) > 0)
    ) c
    where o.athlete_id = ${athlete.id} and o.deleted_at is null and (w.felt is not null or exists (
      select 1 from tap k where k.outing_id = o.id and k.told->>'kind' in ('home', 'felt', 'weighed', 'body', 'kept')))
    order by o.start_local, o.id`;
  const few = pLimit(AT_ONCE);
  let closets: Promise<Closets> | undefined;
  const anew = (r: Row) => few(async () => workedOut(athlete, r, await (closets ??= closetsOf(athlete.id))));
  return Promise.all(
    rows.map(async (r) => {
      const holds = how === 'as kept' || (build !== null && r.kept_mark === r.mark);
      const known = holds ? r.day : null;
      return {
        id: r.id,
        name: r.name,
        startMs: Date.parse(`${r.start.replace(' ', 'T')}Z`),
        day: known ?? (await anew(r)),
        miss: r.lesson && missOf(r.lesson),
        kept: r.lesson !== null,
        leftOut: r.left_out,
      };
    }),
  );
}

/**
 * Days that were worked out while somebody reads, by outing and mark: who asks for the same meanwhile waits for it, or has it, instead of doing it too. What was asked before a
 * day was kept does not know that it is; so they stand until nobody reads any more.
 */
const workedOutNow = new Map<string, Promise<BookDay | null>>();
let reading = 0;

function workedOut(athlete: Athlete, row: Row, closets: Closets): Promise<BookDay | null> {
  const name = `${row.id} ${row.mark}`;
  const known = workedOutNow.get(name);
  if (known) return known;
  const day = workOut(athlete, row, closets);
  workedOutNow.set(name, day);
  // Whoever asks again after it went wrong has it tried again.
  day.catch(() => workedOutNow.delete(name));
  return day;
}

async function workOut(athlete: Athlete, { id, mark, word }: Row, closets: Closets): Promise<BookDay | null> {
  const told = await toldOuting(athlete, id, closets);
  if (!told) return null;
  try {
    const day = bookDay(told, athlete.person, word);
    await sql()`
      insert into book_day (outing_id, mark, day) select id, ${mark}, ${sql().json(day as never)} from outing where id = ${id}
      on conflict (outing_id) do update set mark = excluded.mark, day = excluded.day`;
    return day;
  } catch {
    // An outing that cannot be laid out any more stays in the book with its name and date.
    return null;
  }
}

/** The days of the book that were told, as what was tried; those left out as unusual support nothing. */
export async function readTried(athlete: Athlete): Promise<Tried[]> {
  const book = await readBook(athlete, 'as kept');
  return book.flatMap((e) => (e.day && !e.leftOut ? (triedOf(e, e.day) ?? []) : []));
}
