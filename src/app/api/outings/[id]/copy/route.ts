import { NAME_LENGTH } from '@/core/clothing/garment';
import { copyOuting } from '@/store/outingMoves';
import { checkId, door } from '@/app/api/door';

/** Another outing like this one, with its route and plans. */
export async function POST(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const copy = await copyOuting(athlete.id, id, (name) => `${name}, again`.slice(0, NAME_LENGTH));
    return copy ? { id: copy } : null;
  });
}
