import { checkGarment, GARMENT, type Garment } from '@/core/clothing/garment';
import { DRYING_PLACE_NAMES, type DryingPlace } from '@/core/moisture/drying';
import { atDoor } from '@/formats/problem';
import { object, orNull, VERSION } from '@/formats/schemaParts';
import { validated } from '@/formats/validate';
import { getGarment, hang, moveGarment, updateGarment } from '@/store/closet';
import { Changed, checkId, door, readBody } from '@/app/api/door';

type Context = { params: Promise<{ id: string }> };

const DAMP = { type: 'number', minimum: 0, maximum: 2000, description: 'g/m²', 'x-field': { label: 'Damp' } };
const whole = object({ garment: GARMENT, dampGm2: DAMP, version: VERSION }, ['garment', 'dampGm2', 'version']);
const move = {
  ...object({ removed: { type: 'boolean' }, hung: orNull({ enum: [...DRYING_PLACE_NAMES] }) }, []),
  minProperties: 1,
};

interface Whole {
  garment: Garment;
  dampGm2: number;
  version: number;
}

/** Changes a garment and how damp it is. */
export async function PUT(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const { garment: sent, dampGm2, version } = validated<Whole>(whole, await readBody(request), 'Closet');
    const garment = atDoor('Closet', () => checkGarment(sent));
    const saved = await updateGarment(athlete.id, id, version, { garment, dampGm2 });
    if (saved !== null) return { version: saved };
    const now = await getGarment(athlete.id, id);
    if (!now) return null;
    const value = { garment: now.garment, dampGm2: now.dampGm2 };
    throw new Changed('Closet', version, { version: now.version, value });
  });
}

/** Takes a garment out of the closet, or puts it back; hangs it somewhere to dry, or takes it off. */
export async function PATCH(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const { removed, hung } = validated<{ removed?: boolean; hung?: DryingPlace | null }>(
      move,
      await readBody(request),
      'Closet',
    );
    if (hung !== undefined && !(await hang(athlete.id, id, hung))) return null;
    if (removed === undefined) return { ok: true };
    return (await moveGarment(athlete.id, id, removed ? 'out' : 'back')) ? { ok: true } : null;
  });
}
