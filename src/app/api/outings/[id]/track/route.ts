import { isStop } from '@/core/effort/sports';
import { plannedStartMs } from '@/core/underway/pack';
import { timelineOf } from '@/core/outing/outing';
import { trackOf } from '@/core/outing/track';
import { refuse } from '@/formats/problem';
import { getOuting, routeOf } from '@/store/outings';
import { inThread } from '@/workers/intake';
import { checkId, door } from '@/app/api/door';

type Context = { params: Promise<{ id: string }> };

/** Reads what a watch recorded against an outing. Nothing is stored: what was read is told by the page like any tap. */
export async function POST(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const data = await request
      .formData()
      .catch(() => refuse('Form', 'body', 'unreadable', 'a form with a recorded track'));
    const file = data.get('track');
    if (!(file instanceof File) || file.size === 0) refuse('Form', 'Recorded track', 'not chosen', 'a GPX or CSV file');
    const [outing, points] = await Promise.all([getOuting(athlete.id, id), routeOf(athlete.id, id)]);
    if (!outing) return null;
    const { legs } = timelineOf(outing, athlete.person);
    const bytes = new Uint8Array(await file.arrayBuffer());
    return inThread(
      'recorded',
      {
        file: { name: file.name, bytes },
        track: points.length > 1 && outing.profile ? trackOf(points, outing.profile) : null,
        lengthM: legs.reduce((sum, l) => sum + (isStop(l) ? 0 : l.distanceM), 0),
        startMs: plannedStartMs({ outing }),
        utcOffsetMin: outing.utcOffsetMin,
      },
      file.name,
    );
  });
}
