import { sql } from './db';

export const FELT_WORDS = ['right', 'too warm', 'too cold', 'wet'] as const;
export type FeltWord = (typeof FELT_WORDS)[number];

/** An outing that is over and of which nobody has said how it was. */
export interface Untold {
  id: string;
  name: string;
  sport: string;
  startMs: number;
}

/** The last outing that ended within some days and waits to be told; null: none. @param nowMs local wall clock */
export async function lastUntold(athleteId: string, nowMs: number): Promise<Untold | null> {
  const now = new Date(nowMs).toISOString().slice(0, 19);
  const rows = await sql()<{ id: string; name: string; sport: string; start: string }[]>`
    select o.id, o.name, o.sport, o.start_local::text as start from outing o
    where o.athlete_id = ${athleteId} and o.deleted_at is null and o.start_local < ${now}::timestamp
      and o.start_local > ${now}::timestamp - interval '14 days'
      and not exists (select 1 from told t where t.outing_id = o.id)
      and not exists (select 1 from tap t where t.outing_id = o.id and t.told->>'kind' in ('felt', 'kept'))
    order by o.start_local desc limit 1`;
  const [r] = rows;
  return r ? { id: r.id, name: r.name, sport: r.sport, startMs: Date.parse(`${r.start.replace(' ', 'T')}Z`) } : null;
}

/** How an outing was; null takes it back. @returns false when there is no such outing */
export async function tell(athleteId: string, outingId: string, felt: FeltWord | null): Promise<boolean> {
  if (felt === null) {
    const gone = await sql()`
      delete from told using outing o where told.outing_id = o.id and o.id = ${outingId} and o.athlete_id = ${athleteId}`;
    return gone.count === 1;
  }
  const rows = await sql()`
    insert into told (outing_id, felt) select id, ${felt} from outing where id = ${outingId} and athlete_id = ${athleteId}
    on conflict (outing_id) do update set felt = excluded.felt, told_at = now() returning outing_id`;
  return rows.length === 1;
}
