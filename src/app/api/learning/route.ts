import { object, uuid } from '@/formats/schemaParts';
import { validated } from '@/formats/validate';
import { listTeaching, markTeaching, toldOuting } from '@/store/learning';
import { door, readBody } from '@/app/api/door';

/** Outings that teach, and of those that are counted and not taken over yet, all that is learned from. */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const outings = await listTeaching(athlete.id);
    const counted = outings.filter((o) => !o.leftOut && !o.learned);
    const told = await Promise.all(counted.map((o) => toldOuting(athlete, o.id)));
    return { outings, told: told.filter((t) => t !== null) };
  });
}

const schema = object(
  {
    outings: { type: 'array', minItems: 1, maxItems: 60, items: uuid },
    leftOut: { type: 'boolean' },
    learned: { type: 'boolean' },
  },
  ['outings'],
);

/** Leaves outings out of learning or counts them again; says that the athlete's numbers rest on them, or no longer. */
export async function PATCH(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const { outings, ...mark } = validated<{ outings: string[]; leftOut?: boolean; learned?: boolean }>(
      schema,
      await readBody(request),
      'Learning',
    );
    const changed = await markTeaching(athlete.id, outings, mark);
    return changed > 0 ? { changed } : null;
  });
}
