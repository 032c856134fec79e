import { forgetLine, listLines } from '@/store/lines';
import { checkId, door } from '@/app/api/door';

/** Forgets a line that was kept. */
export async function DELETE(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  return door(request, async (athlete) => {
    const done = await forgetLine(athlete.id, checkId((await context.params).id));
    return done ? { lines: await listLines(athlete.id) } : null;
  });
}
