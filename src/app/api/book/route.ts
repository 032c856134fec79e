import { SUSPECTS } from '@/core/afterwards/causes';
import { bookCsv } from '@/formats/bookCsv';
import { object } from '@/formats/schemaParts';
import { validated } from '@/formats/validate';
import { callChance, remindOf } from '@/store/athlete';
import { readBook } from '@/store/book';
import { listCloset } from '@/store/closet';
import { checkId, door, readBody } from '@/app/api/door';

/** The book as a table, `?of=` ids of the days: those that a filter shows; left out: all. */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const of = new URL(request.url).searchParams.get('of');
    const ids = of === null ? null : new Set(of.split(',').map((id) => checkId(id, 'of')));
    const entries = (await readBook(athlete)).filter((e) => ids === null || ids.has(e.id));
    const closet = (await listCloset(athlete.id, 'all')).map((o) => o.garment);
    return new Response(bookCsv(entries, closet), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="book.csv"',
      },
    });
  });
}

const schema = {
  ...object({ cause: { enum: SUSPECTS.map((s) => s.id) }, chance: { type: 'boolean' }, cue: { type: 'boolean' } }, [
    'cause',
  ]),
  minProperties: 2,
};

/** Says of a cause that it is chance, or none after all; or makes a cue of it for the next winter, or takes that off again. */
export async function PATCH(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    type Said = { cause: string; chance?: boolean; cue?: boolean };
    const { cause, chance, cue } = validated<Said>(schema, await readBody(request), 'Book');
    if (chance !== undefined) await callChance(athlete.id, cause, { chance });
    if (cue !== undefined) await remindOf(athlete.id, cause, { cue });
    return { chance, cue };
  });
}
