import { type Ladder } from '@/core/search/ladderTerms';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Units } from '@/formats/measures';
import { sql } from './db';

/** Which ladder: of one sport, in one place, in the bands of one system of units. */
export interface LadderKey {
  sport: Ladder['sport'];
  shelter: Ladder['shelter'];
  units: Units;
}

/** This build of the application: another one may have another model. */
const build = ((): string => {
  const file = join(process.cwd(), '.next', 'BUILD_ID');
  return existsSync(file) ? readFileSync(file, 'utf8') : 'development';
})();

/** Names everything a ladder is worked out from: athlete, wishes, what the closet's pieces are (not how damp), and this build. */
export async function ladderMark(athleteId: string): Promise<string> {
  const [{ mark }] = await sql()<{ mark: string }[]>`
    select concat_ws(' ', ${build}::text, a.version, a.wishes_version, (
      select md5(string_agg((to_jsonb(g) - 'damp_gm2' - 'version' - 'created_at')::text, ' ' order by g.id))
      from garment g where g.athlete_id = a.id and g.removed_at is null)) as mark
    from athlete a where a.id = ${athleteId}`;
  return mark;
}

/** A ladder that was kept, and whether it still holds; null: none. */
export async function keptLadder(
  athleteId: string,
  { sport, shelter, units }: LadderKey,
): Promise<{ ladder: Ladder; mark: string; madeMs: number } | null> {
  const [r] = await sql()<{ content: Ladder; mark: string; made_at: Date }[]>`
    select content, mark, made_at from ladder
    where athlete_id = ${athleteId} and sport = ${sport} and shelter = ${shelter} and units = ${units}`;
  return r ? { ladder: r.content, mark: r.mark, madeMs: r.made_at.getTime() } : null;
}

export async function keepLadder(athleteId: string, mark: string, units: Units, ladder: Ladder): Promise<void> {
  await sql()`
    insert into ladder (athlete_id, sport, shelter, units, mark, content)
    values (${athleteId}, ${ladder.sport}, ${ladder.shelter}, ${units}, ${mark}, ${sql().json(ladder as never)})
    on conflict (athlete_id, sport, shelter, units)
    do update set mark = excluded.mark, content = excluded.content, made_at = now()`;
}
