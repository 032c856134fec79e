import { rackCalendar } from '@/formats/rackCalendar';
import { refuse } from '@/formats/problem';
import { readRack } from '@/store/rack';
import { door } from '@/app/api/door';

/** Reminders of what hangs, as iCalendar. */
export async function GET(request: Request): Promise<Response> {
  return door(request, async (athlete) => {
    const { nowMs, pieces } = await readRack(athlete);
    const list = pieces.flatMap((p) => (p.dryMs !== null && p.dampGm2 > 0 ? [{ ...p, dryMs: p.dryMs }] : []));
    if (list.length === 0) refuse('Rack', 'pieces', 'none that is damp and will dry', 'a piece that hangs and is damp');
    return new Response(rackCalendar(list, nowMs), {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': 'attachment; filename="rack.ics"',
      },
    });
  });
}
