import { checkPerson, PERSON } from '@/core/body/person';
import { atDoor } from '@/formats/problem';
import { text, VERSION } from '@/formats/schemaParts';
import { validated } from '@/formats/validate';
import { currentAthlete, saveAthlete, type Athlete } from '@/store/athlete';
import { Changed, door, readBody } from '@/app/api/door';

const schema = {
  type: 'object',
  properties: {
    name: { ...text, 'x-field': { label: 'Name' } },
    units: { enum: ['metric', 'imperial'] },
    person: PERSON,
    version: VERSION,
  },
  required: ['name', 'units', 'person', 'version'],
  additionalProperties: false,
};

/** On this way `person` is what they give of themselves. */
type Body = Pick<Athlete, 'name' | 'units' | 'person' | 'version'>;

export async function PUT(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const { version, ...me } = validated<Body>(schema, await readBody(request), 'Me');
    atDoor('Me', () => checkPerson(me.person));
    const saved = await saveAthlete(athlete.id, version, { name: me.name, units: me.units, given: me.person });
    if (saved !== null) return { version: saved };
    const { name, units, given: person, version: newest } = await currentAthlete();
    throw new Changed('Me', version, { version: newest, value: { name, units, person } });
  });
}
