import { checkWishes, type Wishes } from '@/core/search/wishes';
import { atDoor } from '@/formats/problem';
import { object, orNull, VERSION } from '@/formats/schemaParts';
import { wishesSchema } from '@/formats/schemas';
import { validated } from '@/formats/validate';
import { outingWishes, saveOutingWishes } from '@/store/outingWishes';
import { Changed, checkId, door, readBody } from '@/app/api/door';

type Context = { params: Promise<{ id: string }> };

const schema = object({ own: orNull(wishesSchema), version: VERSION }, ['own', 'version']);
const WHERE = 'How you want this outing';

/** Wishes of one outing; null: as usual. */
export async function PUT(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const body = validated<{ own: Wishes | null; version: number }>(schema, await readBody(request), WHERE);
    const { own } = body;
    if (own) atDoor(WHERE, () => checkWishes(own));
    const saved = await saveOutingWishes(athlete.id, id, body);
    if (saved !== null) return { version: saved };
    const now = await outingWishes(athlete.id, id);
    if (!now) return null;
    throw new Changed(WHERE, body.version, { version: now.version, value: { own: now.own } });
  });
}
