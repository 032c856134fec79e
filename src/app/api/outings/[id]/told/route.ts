import { object } from '@/formats/schemaParts';
import { validated } from '@/formats/validate';
import { FELT_WORDS, tell, type FeltWord } from '@/store/told';
import { checkId, door, readBody } from '@/app/api/door';

const schema = object({ felt: { enum: [...FELT_WORDS, null] } }, ['felt']);

/** How an outing was, in one word; null takes it back. */
export async function PUT(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const { felt } = validated<{ felt: FeltWord | null }>(schema, await readBody(request), 'How it was');
    return (await tell(athlete.id, id, felt)) ? { ok: true } : null;
  });
}
