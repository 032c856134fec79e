import { fromCatalogue } from '@/core/clothing/catalogue';
import { refuse } from '@/formats/problem';
import { validated } from '@/formats/validate';
import { addGarment, listCloset } from '@/store/closet';
import { door, readBody } from '@/app/api/door';

const schema = {
  type: 'object',
  properties: { catalogueId: { type: 'string' }, copyOf: { type: 'string', format: 'uuid' } },
  additionalProperties: false,
  oneOf: [{ required: ['catalogueId'] }, { required: ['copyOf'] }],
};

/** Adds a piece to the closet: from the catalogue, or another like one that is owned. */
export async function POST(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const body = validated<{ catalogueId?: string; copyOf?: string }>(schema, await readBody(request), 'Closet');
    if (body.copyOf !== undefined) {
      const own = (await listCloset(athlete.id)).find((o) => o.garment.id === body.copyOf);
      if (!own) return null;
      const name = `${own.garment.name}, another`.slice(0, 120);
      return { id: await addGarment(athlete.id, { ...own.garment, name }, own.catalogueId, own.dampGm2) };
    }
    const garment =
      fromCatalogue(body.catalogueId!) ??
      refuse('Closet', 'catalogueId', body.catalogueId, 'a garment of the catalogue');
    return { id: await addGarment(athlete.id, garment, garment.id) };
  });
}
