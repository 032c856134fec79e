import { timelineOf, type Outing } from '@/core/outing/outing';
import { atDoor } from '@/formats/problem';
import { outingChangeSchema, outingSchema } from '@/formats/schemas';
import { validated } from '@/formats/validate';
import { deleteOuting, getOuting, moveOuting, renameOuting, restoreOuting, updateOuting } from '@/store/outings';
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

type Change = { name: string } | { archived: boolean } | { deleted: false };

/** Renames an outing, puts it away or back, or brings a deleted one back. */
export async function PATCH(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const change = validated<Change>(outingChangeSchema, await readBody(request), 'Outing');
    const done =
      'name' in change
        ? await renameOuting(athlete.id, id, change.name)
        : 'archived' in change
          ? await moveOuting(athlete.id, id, change.archived ? 'away' : 'back')
          : await restoreOuting(athlete.id, id);
    return done ? { ok: true } : null;
  });
}

export async function DELETE(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) =>
    (await deleteOuting(athlete.id, checkId((await context.params).id))) ? { ok: true } : null,
  );
}
