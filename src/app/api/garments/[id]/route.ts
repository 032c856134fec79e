import { checkGarment, GARMENT, type Garment } from '@/core/clothing/garment';
import { atDoor } from '@/formats/problem';
import { validated } from '@/formats/validate';
import { moveGarment, updateGarment } from '@/store/closet';
import { checkId, door, readBody } from '@/app/api/door';

type Context = { params: Promise<{ id: string }> };

const schema = {
  type: 'object',
  properties: {
    garment: GARMENT,
    dampGm2: { type: 'number', minimum: 0, maximum: 2000, description: 'g/m²', 'x-field': { label: 'Damp' } },
    removed: { type: 'boolean' },
  },
  additionalProperties: false,
  anyOf: [{ required: ['garment'] }, { required: ['removed'] }],
};

/** Changes a garment, its dampness, or takes it out of the closet and back. */
export async function PUT(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const body = validated<{ garment?: Garment; dampGm2?: number; removed?: boolean }>(
      schema,
      await readBody(request),
      'Closet',
    );
    if (body.removed !== undefined)
      return (await moveGarment(athlete.id, id, body.removed ? 'out' : 'back')) ? { ok: true } : null;
    const garment = atDoor('Closet', () => checkGarment(body.garment!));
    return (await updateGarment(athlete.id, id, garment, body.dampGm2)) ? { ok: true } : null;
  });
}
