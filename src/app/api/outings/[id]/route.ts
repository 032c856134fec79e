import { timelineOf, type Outing } from '@/core/outing/outing';
import { atDoor } from '@/formats/problem';
import { outingSchema } from '@/formats/schemas';
import { validated } from '@/formats/validate';
import { deleteOuting, getOuting, updateOuting } from '@/store/outings';
import { checkId, door, readBody } from '@/app/api/door';

type Context = { params: Promise<{ id: string }> };

export async function PUT(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const body = validated<Omit<Outing, 'profile'>>(outingSchema, await readBody(request), 'Outing');
    const before = await getOuting(athlete.id, id);
    if (!before) return null;
    const outing: Outing = { ...body, profile: before.profile };
    atDoor('Outing', () => timelineOf(outing, athlete.person));
    return (await updateOuting(athlete.id, id, outing)) ? { ok: true } : null;
  });
}

export async function DELETE(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) =>
    (await deleteOuting(athlete.id, checkId((await context.params).id))) ? { ok: true } : null,
  );
}
