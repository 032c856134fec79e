import { checkWishes, type Wishes } from '@/core/search/wishes';
import { atDoor } from '@/formats/problem';
import { object, VERSION } from '@/formats/schemaParts';
import { wishesSchema } from '@/formats/schemas';
import { validated } from '@/formats/validate';
import { currentAthlete, saveWishes } from '@/store/athlete';
import { Changed, door, readBody } from '@/app/api/door';

const schema = object({ wishes: wishesSchema, version: VERSION }, ['wishes', 'version']);
const WHERE = 'How you want it';

export async function PUT(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const body = validated<{ wishes: Wishes; version: number }>(schema, await readBody(request), WHERE);
    atDoor(WHERE, () => checkWishes(body.wishes));
    const saved = await saveWishes(athlete.id, body.version, body.wishes);
    if (saved !== null) return { version: saved };
    const { wishes, wishesVersion } = await currentAthlete();
    throw new Changed(WHERE, body.version, { version: wishesVersion, value: { wishes } });
  });
}
