import type { Lesson } from '@/core/calibrate/learn';
import type { Learned } from '@/core/calibrate/learned';
import type { ToldOuting } from '@/core/underway/outed';
import type { Athlete } from './athlete';
import { atomically, sql } from './db';
import { packFor, type Closets } from './packs';
import { tapsOf } from './taps';

/** An outing of which something was told that teaches. */
export interface Teaches {
  id: string;
  name: string;
  startMs: number;
  /** kept: it is in what is known; in the numbers: an earlier version wrote it into the athlete's own; left out: an unusual day */
  stands: 'waits' | 'kept' | 'in the numbers' | 'left out';
}

/** As many as a few winters have. */
const MOST = 200;

/** Outings that were told, the oldest first: by a tap of how it felt, or by a weight. */
export async function listTeaching(athleteId: string): Promise<Teaches[]> {
  const rows = await sql()<{ id: string; name: string; start: string; stands: Teaches['stands'] }[]>`
    select o.id, o.name, o.start_local::text as start,
      case when o.left_out then 'left out' when l.outing_id is not null then 'kept'
        when o.learned_at is not null then 'in the numbers' else 'waits' end as stands
    from outing o left join lesson l on l.outing_id = o.id
    where o.athlete_id = ${athleteId} and o.deleted_at is null and exists (
      select 1 from tap t where t.outing_id = o.id and t.told->>'kind' in ('felt', 'weighed', 'feels', 'body'))
      and exists (select 1 from tap t where t.outing_id = o.id and t.told->>'kind' = 'started')
    order by o.start_local desc limit ${MOST}`;
  return rows
    .map((r) => ({
      id: r.id,
      name: r.name,
      startMs: Date.parse(`${r.start.replace(' ', 'T')}Z`),
      stands: r.stands,
    }))
    .reverse();
}

/** What one outing taught when it was kept; null: it was not. */
export async function lessonKept(athleteId: string, outingId: string): Promise<Lesson | null> {
  const [row] = await sql()<{ lesson: Lesson }[]>`
    select l.lesson from lesson l join outing o on o.id = l.outing_id
    where l.outing_id = ${outingId} and o.athlete_id = ${athleteId}`;
  return row?.lesson ?? null;
}

/** All that was kept, in the order in which it was learned. */
export async function lessonsKept(athleteId: string): Promise<{ outingId: string; lesson: Lesson }[]> {
  const rows = await sql()<{ id: string; lesson: Lesson }[]>`
    select l.outing_id as id, l.lesson from lesson l join outing o on o.id = l.outing_id
    where o.athlete_id = ${athleteId} and o.deleted_at is null order by l.seq`;
  return rows.map((r) => ({ outingId: r.id, lesson: r.lesson }));
}

/** What is to be known from now on. */
export interface Kept {
  /** of the athlete; it rises */
  version: number;
  known: Learned | null;
  lessons: { outingId: string; lesson: Lesson }[];
  /** beside what is kept already, or instead of all of it */
  how: 'beside' | 'instead';
  /** what these taught is taken back: they wait again */
  drop?: string[];
  /** the same, and they are unusual days from now on */
  leftOut?: string[];
}

/**
 * Keeps what outings taught, over a known version of the athlete: all of it or nothing.
 * @returns the new version; null when the athlete was changed elsewhere meanwhile; `unknown` for an outing that is not theirs
 */
export async function keepLessons(athleteId: string, kept: Kept): Promise<number | null | 'unknown'> {
  return atomically(async () => {
    const tx = sql();
    const [now] = await tx`select 1 from athlete where id = ${athleteId} and version = ${kept.version} for update`;
    if (!now) return null;
    const { drop = [], leftOut = [] } = kept;
    const named = [...new Set([...kept.lessons.map((l) => l.outingId), ...drop, ...leftOut])];
    const own = await tx`select id from outing where athlete_id = ${athleteId} and id = any(${named}::uuid[])`;
    if (own.length !== named.length) return 'unknown';
    if (kept.how === 'instead')
      await tx`delete from lesson using outing o where o.id = lesson.outing_id and o.athlete_id = ${athleteId}`;
    for (const { outingId, lesson } of kept.lessons)
      await tx`
        insert into lesson (outing_id, seq, lesson)
        select ${outingId}, coalesce(max(l.seq), 0) + 1, ${tx.json(lesson as never)}
        from lesson l join outing o on o.id = l.outing_id where o.athlete_id = ${athleteId}
        on conflict (outing_id) do update set lesson = excluded.lesson, kept_at = now()`;
    await tx`update outing set left_out = false where id = any(${kept.lessons.map((l) => l.outingId)}::uuid[])`;
    await tx`update outing set left_out = true where id = any(${leftOut}::uuid[])`;
    await tx`delete from lesson where outing_id = any(${[...drop, ...leftOut]}::uuid[])`;
    const [row] = await tx<{ version: number }[]>`
      update athlete set known = ${kept.known && tx.json(kept.known as never)}, version = version + 1
      where id = ${athleteId} returning version`;
    return row.version;
  });
}

/**
 * What an outing teaches from: everything of it, as a phone would have it.
 * @param closets where they are read already @returns null where it has no plan any more
 */
export async function toldOuting(athlete: Athlete, id: string, closets?: Closets): Promise<ToldOuting | null> {
  const [pack, taps] = await Promise.all([packFor(athlete, id, null, closets), tapsOf(athlete.id, id, 0)]);
  if (pack === null || pack === 'no plan' || taps === null) return null;
  // What is damp now was not damp then: an outing that is over begins dry unless somebody told otherwise.
  return { pack: { ...pack, damp: {} }, taps: taps.map(({ seq: _seq, ...t }) => t) };
}

/** Leaves an outing that was not kept out of learning, or counts it again. @returns whether it is the athlete's */
export async function leaveOut(athleteId: string, id: string, left: { out: boolean }): Promise<boolean> {
  const done = await sql()`
    update outing set left_out = ${left.out} where athlete_id = ${athleteId} and id = ${id}`;
  return done.count === 1;
}

export async function isLeftOut(athleteId: string, id: string): Promise<boolean> {
  const [row] = await sql()<{ left_out: boolean }[]>`
    select left_out from outing where athlete_id = ${athleteId} and id = ${id}`;
  return row?.left_out ?? false;
}
