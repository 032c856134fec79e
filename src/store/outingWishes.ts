import type { Wishes } from '@/core/search/wishes';
import { wishesSchema } from '@/formats/schemas';
import { validated } from '@/formats/validate';
import { log, traceOf } from './log';
import { sql } from './db';

/** How the plans of one outing are wanted; null: as the athlete usually wants them. */
export interface OutingWishes {
  own: Wishes | null;
  version: number;
}

/** @returns null when there is no such outing */
export async function outingWishes(athleteId: string, id: string): Promise<OutingWishes | null> {
  const [row] = await sql()<OutingWishes[]>`
    select wishes as own, wishes_version as version from outing
    where id = ${id} and athlete_id = ${athleteId} and deleted_at is null`;
  return row ? { own: row.own && readable(row.own, id), version: row.version } : null;
}

/** Wishes that were written past the door and cannot be read are as if there were none: the page says then that they are as usual. */
function readable(own: unknown, outing: string): Wishes | null {
  try {
    return validated<Wishes>(wishesSchema, own, 'Wishes');
  } catch (e) {
    log.warn({ outing, ...traceOf(e) }, 'an outing’s own wishes cannot be read: taken as usual');
    return null;
  }
}

/**
 * Saves over a known version.
 * @returns the new version, or null when the outing is gone or its wishes were changed elsewhere meanwhile
 */
export async function saveOutingWishes(
  athleteId: string,
  id: string,
  { own, version }: OutingWishes,
): Promise<number | null> {
  const rows = await sql()<{ version: number }[]>`
    update outing set wishes = ${own && sql().json(own as never)}, wishes_version = wishes_version + 1
    where id = ${id} and athlete_id = ${athleteId} and deleted_at is null and wishes_version = ${version}
    returning wishes_version as version`;
  return rows[0]?.version ?? null;
}
