import { fromCatalogue } from '@/core/clothing/catalogue';
import { refuse } from '@/formats/problem';
import { validated } from '@/formats/validate';
import { addGarment } from '@/store/closet';
import { door, readBody } from '@/app/api/door';

const schema = {
  type: 'object',
  properties: { catalogueId: { type: 'string' } },
  required: ['catalogueId'],
  additionalProperties: false,
};

/** Adds a piece from the catalogue to the closet. */
export async function POST(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const { catalogueId } = validated<{ catalogueId: string }>(schema, await readBody(request), 'Closet');
    const garment =
      fromCatalogue(catalogueId) ?? refuse('Closet', 'catalogueId', catalogueId, 'a garment of the catalogue');
    return { id: await addGarment(athlete.id, garment, catalogueId) };
  });
}
