import type { ToldOuting } from '@/core/underway/outed';
import type { Athlete } from './athlete';
import { sql } from './db';
import { packFor } from './packs';
import { tapsOf } from './taps';

/** An outing of which something was told that teaches. */
export interface Teaches {
  id: string;
  name: string;
  startMs: number;
  /** left out as unusual */
  leftOut: boolean;
  /** the athlete's numbers rest on it already */
  learned: boolean;
}

/** As many as a winter has. */
const MOST = 60;

/** Outings that were told, the oldest first: by a tap of how it felt, or by a weight. */
export async function listTeaching(athleteId: string): Promise<Teaches[]> {
  const rows = await sql()<{ id: string; name: string; start: string; left_out: boolean; learned: boolean }[]>`
    select o.id, o.name, o.start_local::text as start, o.left_out, o.learned_at is not null as learned from outing o
    where o.athlete_id = ${athleteId} and o.deleted_at is null and exists (
      select 1 from tap t where t.outing_id = o.id and t.told->>'kind' in ('felt', 'weighed', 'feels'))
      and exists (select 1 from tap t where t.outing_id = o.id and t.told->>'kind' = 'started')
    order by o.start_local desc limit ${MOST}`;
  return rows
    .map((r) => ({
      id: r.id,
      name: r.name,
      startMs: Date.parse(`${r.start.replace(' ', 'T')}Z`),
      leftOut: r.left_out,
      learned: r.learned,
    }))
    .reverse();
}

/** What an outing teaches from: everything of it, as a phone would have it. @returns null where it has no plan any more */
export async function toldOuting(athlete: Athlete, id: string): Promise<ToldOuting | null> {
  const [pack, taps] = await Promise.all([packFor(athlete, id, null), tapsOf(athlete.id, id, 0)]);
  if (pack === null || pack === 'no plan' || taps === null) return null;
  return { pack, taps: taps.map(({ seq: _seq, ...t }) => t) };
}

/** Marks outings as left out, or as learned from. @returns how many are the athlete's */
export async function markTeaching(
  athleteId: string,
  ids: readonly string[],
  mark: { leftOut?: boolean; learned?: boolean },
): Promise<number> {
  const { leftOut = null, learned = null } = mark;
  const done = await sql()`
    update outing set left_out = coalesce(${leftOut}::boolean, left_out),
      learned_at = case when ${learned}::boolean is null then learned_at when ${learned}::boolean then now() end
    where athlete_id = ${athleteId} and id in ${sql()(ids as string[])}`;
  return done.count;
}
