import { PERSON_RANGE } from '@/core/body/person';
import { fromCatalogue } from '@/core/clothing/catalogue';
import { refuse } from '@/formats/problem';
import { number, object } from '@/formats/schemaParts';
import { validated } from '@/formats/validate';
import { saveAthlete } from '@/store/athlete';
import { addGarment, listCloset } from '@/store/closet';
import { atomically } from '@/store/db';
import { door, readBody } from '@/app/api/door';

const share = (key: keyof typeof PERSON_RANGE) => number(PERSON_RANGE[key][0], PERSON_RANGE[key][1]);
const schema = object(
  {
    pieces: { type: 'array', items: { type: 'string', maxLength: 80 }, maxItems: 60, uniqueItems: true },
    units: { enum: ['metric', 'imperial'] },
    warmth: share('warmth'),
    sweatGain: share('sweatGain'),
    constriction: share('constriction'),
  },
  ['pieces', 'units', 'warmth', 'sweatGain', 'constriction'],
);
interface Body {
  pieces: string[];
  units: 'metric' | 'imperial';
  warmth: number;
  sweatGain: number;
  constriction: number;
}

/** The five answers of a first visit: what is owned, and who somebody is. Stored whole or not at all; only for an empty closet. */
export async function POST(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const body = validated<Body>(schema, await readBody(request), 'First visit');
    const garments = body.pieces.map(
      (id) => fromCatalogue(id) ?? refuse('First visit', 'piece', id, 'a garment of the catalogue'),
    );
    return atomically(async () => {
      if ((await listCloset(athlete.id)).length > 0)
        refuse('First visit', 'closet', 'not empty', 'an empty one; add pieces in the closet');
      for (const g of garments) await addGarment(athlete.id, g, g.id);
      const { warmth, sweatGain, constriction, units } = body;
      const given = { ...athlete.given, warmth, sweatGain, constriction };
      if ((await saveAthlete(athlete.id, athlete.version, { name: athlete.name, units, given })) === null)
        refuse('First visit', 'you', 'changed elsewhere', 'the newest; reload the page');
      return { pieces: garments.length };
    });
  });
}
