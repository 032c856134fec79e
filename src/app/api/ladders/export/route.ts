import { ladderCsv, ladderReport } from '@/formats/doorReport';
import { refuse } from '@/formats/problem';
import { knownCloset } from '@/store/knownCloset';
import { keptLadder } from '@/store/ladders';
import { door } from '@/app/api/door';
import { askedFor, ladderKey } from '@/app/api/ladders/key';

/** A ladder as a file, `?as=csv` or `json`. */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const as = askedFor(request, 'as', ['csv', 'json'] as const, 'csv');
    const key = ladderKey(request);
    const kept = await keptLadder(athlete.id, key);
    if (!kept) refuse('Ladder', key.sport, 'not worked out yet', 'a ladder that was opened and is whole');
    const closet = (await knownCloset(athlete, 'all')).map((o) => o.garment);
    const name = `ladder-${key.sport.replace(/ /g, '-')}-${key.shelter}.${as}`;
    return new Response(
      as === 'csv' ? ladderCsv(kept.ladder, closet) : JSON.stringify(ladderReport(kept.ladder, closet), null, 1),
      {
        headers: {
          'content-type': as === 'csv' ? 'text/csv; charset=utf-8' : 'application/json',
          'content-disposition': `attachment; filename="${name}"`,
        },
      },
    );
  });
}
