import { checkWishes, type Wishes } from '@/core/search/wishes';
import { atDoor } from '@/formats/problem';
import { wishesSchema } from '@/formats/schemas';
import { validated } from '@/formats/validate';
import { saveWishes } from '@/store/athlete';
import { door, readBody } from '@/app/api/door';

export async function PUT(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const wishes = validated<Wishes>(wishesSchema, await readBody(request), 'How you want it');
    atDoor('How you want it', () => checkWishes(wishes));
    await saveWishes(athlete.id, wishes);
    return { ok: true };
  });
}
