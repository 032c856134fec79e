import { timelineOf, type Outing } from '@/core/outing/outing';
import { atDoor } from '@/formats/problem';
import { object, VERSION } from '@/formats/schemaParts';
import { outingChangeSchema, outingSchema } from '@/formats/schemas';
import { validated } from '@/formats/validate';
import { deleteOuting, moveOuting, renameOuting, restoreOuting } from '@/store/outingMoves';
import { getOuting, updateOuting } from '@/store/outings';
import { Changed, checkId, door, readBody } from '@/app/api/door';

type Context = { params: Promise<{ id: string }> };

interface Body {
  outing: Omit<Outing, 'profile'>;
  version: number;
}

const whole = object({ outing: outingSchema, version: VERSION }, ['outing', 'version']);

export async function PUT(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const body = validated<Body>(whole, await readBody(request), 'Outing');
    const before = await getOuting(athlete.id, id);
    if (!before) return null;
    const outing: Outing = { ...body.outing, profile: before.profile };
    atDoor('Outing', () => timelineOf(outing, athlete.person));
    const saved = await updateOuting(athlete.id, id, body.version, outing);
    if (saved !== null) return { version: saved };
    const now = await getOuting(athlete.id, id);
    if (!now) return null;
    const { id: _id, profile: _profile, version, ...value } = now;
    throw new Changed('Outing', body.version, { version, value: { outing: value } });
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
