import { refuse } from '@/formats/problem';
import { readTaps } from '@/formats/tapJson';
import { countTaps, keepTaps, MOST_TAPS_OF_OUTING, tapsOf } from '@/store/taps';
import { checkId, door, readBody } from '@/app/api/door';

type Context = { params: Promise<{ id: string }> };

/** What was tapped on an outing, on whichever phone: `?since=` the place of the last one that is known; and what time it is here. */
export async function GET(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const since = Number(new URL(request.url).searchParams.get('since') ?? 0);
    if (!Number.isSafeInteger(since) || since < 0) refuse('Address', 'since', since, 'a whole number from 0 on');
    const taps = await tapsOf(athlete.id, id, since);
    if (taps === null) return null;
    // The server's own clock, not that of a demonstration: by it phones know how far theirs are off.
    return { taps, last: taps.length > 0 ? taps[taps.length - 1].seq : since, nowMs: Date.now() };
  });
}

/** Takes taps of a phone: each once, however often it is sent. What does not fit is told by its id with the reason; the rest is kept. */
export async function POST(request: Request, context: Context): Promise<Response> {
  return door(request, async (athlete) => {
    const id = checkId((await context.params).id);
    const { taps, refused } = readTaps(await readBody(request));
    if ((await countTaps(id)) + taps.length > MOST_TAPS_OF_OUTING)
      refuse('Taps', 'number', 'too many', `at most ${MOST_TAPS_OF_OUTING} for one outing`);
    const elsewhere = taps.length > 0 ? await keepTaps(athlete.id, id, taps) : [];
    if (elsewhere === null) return null;
    const taken = (tap: string) => ({
      id: tap,
      problems: [{ where: 'Tap', field: 'id', value: tap, allowed: 'a new UUID: another outing has this one' }],
    });
    return {
      kept: taps.map((t) => t.id).filter((t) => !elsewhere.includes(t)),
      refused: [...refused, ...elsewhere.map(taken)],
    };
  });
}
