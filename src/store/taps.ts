import type { Tap } from '@/core/underway/taps';
import type { DryingPlace } from '@/core/moisture/drying';
import { validate as isUuid } from 'uuid';
import { atomically, sql } from './db';

/** More taps than the longest day has with a pulse every few seconds; beyond this something is wrong. */
export const MOST_TAPS_OF_OUTING = 100_000;

/** Where things are hung that are ticked in the hall. */
const HALL_LINE: DryingPlace = 'on a line indoors';

/** A tap with the place in which it came in. */
export interface StoredTap extends Tap {
  seq: number;
}

/** What of an outing's taps came in after some place, the oldest first. @returns null for no such outing of the athlete */
export async function tapsOf(athleteId: string, outingId: string, since: number): Promise<StoredTap[] | null> {
  const [own] = await sql()`select 1 from outing where id = ${outingId} and athlete_id = ${athleteId}`;
  if (!own) return null;
  const rows = await sql()<{ id: string; at_ms: number; device: string; told: Tap['told']; seq: string }[]>`
    select id, at_ms, device, told, seq from tap where outing_id = ${outingId} and seq > ${since} order by seq limit 5000`;
  return rows.map((r) => ({ id: r.id, atMs: r.at_ms, device: r.device, told: r.told, seq: Number(r.seq) }));
}

/**
 * Keeps taps of an outing: one that is there already does no harm. All or none.
 * @returns ids that another outing has already, and so are not taken; null for no such outing
 */
export async function keepTaps(athleteId: string, outingId: string, taps: readonly Tap[]): Promise<string[] | null> {
  return atomically(async () => {
    const tx = sql();
    const [own] = await tx`select 1 from outing where id = ${outingId} and athlete_id = ${athleteId}`;
    if (!own) return null;
    for (const t of taps) {
      const { count } = await tx`
        insert into tap (id, outing_id, at_ms, device, told) values (${t.id}, ${outingId}, ${t.atMs}, ${t.device},
          ${tx.json(t.told as never)}) on conflict (id) do nothing`;
      // Once, when it comes in first: what is set by hand later stays.
      if (count === 1 && t.told.kind === 'wet' && isUuid(t.told.garment))
        await tx`
          update garment set damp_gm2 = ${t.told.dampGm2}, version = version + 1
          where id = ${t.told.garment} and athlete_id = ${athleteId} and removed_at is null`;
      // What was hung up on the phone hangs here too, from then on.
      if (count === 1 && t.told.kind === 'hung' && isUuid(t.told.garment))
        await tx`
          update garment set hung_place = ${t.told.hung ? HALL_LINE : null}, version = version + 1,
            hung_since = ${t.told.hung ? new Date(t.atMs) : null}
          where id = ${t.told.garment} and athlete_id = ${athleteId} and removed_at is null`;
    }
    const ids = taps.map((t) => t.id);
    const elsewhere = await tx<
      { id: string }[]
    >`select id from tap where id in ${tx(ids)} and outing_id <> ${outingId}`;
    return elsewhere.map((r) => r.id);
  });
}

/** How many taps an outing has. */
export async function countTaps(outingId: string): Promise<number> {
  const [{ n }] = await sql()<{ n: number }[]>`select count(*)::int as n from tap where outing_id = ${outingId}`;
  return n;
}
