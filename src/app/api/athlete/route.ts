import { checkPerson, PERSON, type Person } from '@/core/body/person';
import { atDoor } from '@/formats/problem';
import { validated } from '@/formats/validate';
import { saveAthlete } from '@/store/athlete';
import { door, readBody } from '@/app/api/door';

const schema = {
  type: 'object',
  properties: {
    name: { type: 'string', minLength: 1, maxLength: 120, 'x-field': { label: 'Name' } },
    units: { enum: ['metric', 'imperial'] },
    person: PERSON,
  },
  required: ['name', 'units', 'person'],
  additionalProperties: false,
};

export async function PUT(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const body = validated<{ name: string; units: 'metric' | 'imperial'; person: Person }>(
      schema,
      await readBody(request),
      'Me',
    );
    atDoor('Me', () => checkPerson(body.person));
    await saveAthlete(athlete.id, body);
    return { ok: true };
  });
}
