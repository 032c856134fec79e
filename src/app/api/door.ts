import { NextResponse } from 'next/server';
import { OutOfRange } from '@/core/quantity/range';
import { Refused, shown, type Problem } from '@/formats/problem';
import { parseJson } from '@/formats/validate';
import { currentAthlete, type Athlete } from '@/store/athlete';

/** Largest request body, bytes: a route and a forecast with room to spare. */
export const MAX_BODY = 20 * 1024 * 1024;

const answer = (status: number, problems: Problem[]) => NextResponse.json({ problems }, { status });

/**
 * The common door of all handlers: finds the athlete, turns refusals into clear answers, and keeps the server up whatever
 * comes in.
 */
export async function door(
  request: Request,
  work: (athlete: Athlete) => Promise<Response | object | null>,
): Promise<Response> {
  try {
    const length = Number(request.headers.get('content-length') ?? 0);
    if (length > MAX_BODY) {
      return answer(413, [
        {
          where: 'Request',
          field: 'size',
          value: `${(length / 1048576).toFixed(0)} MB`,
          allowed: `at most ${MAX_BODY / 1048576} MB`,
        },
      ]);
    }
    const result = await work(await currentAthlete());
    if (result === null)
      return answer(404, [
        { where: 'Request', field: 'item', value: 'not there', allowed: 'something of yours that still exists' },
      ]);
    return result instanceof Response ? result : NextResponse.json(result);
  } catch (e) {
    if (e instanceof Refused) return answer(400, e.problems);
    if (e instanceof OutOfRange)
      return answer(400, [{ where: 'Input', field: e.field, value: shown(e.value), allowed: e.allowed }]);
    console.error(e);
    return answer(500, [
      {
        where: 'Server',
        field: 'error',
        value: shown((e as Error).message),
        allowed: 'this is our fault; nothing was stored',
      },
    ]);
  }
}

/** Reads a JSON body with a bound on its size even when no length was announced. @throws Refused */
export async function readBody(request: Request): Promise<unknown> {
  return parseJson(await readText(request), 'Request');
}

async function readText(request: Request): Promise<string> {
  if (!request.body) return '';
  const reader = request.body.getReader();
  const decoder = new TextDecoder();
  let text = '';
  let size = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return text + decoder.decode();
    size += value.byteLength;
    if (size > MAX_BODY) {
      await reader.cancel();
      throw new Refused([{ where: 'Request', field: 'size', value: 'over 20 MB', allowed: 'at most 20 MB' }]);
    }
    text += decoder.decode(value, { stream: true });
  }
}

/** An id from a path. @throws Refused when it is no UUID */
export function checkId(id: string): string {
  if (!/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i.test(id))
    throw new Refused([{ where: 'Address', field: 'id', value: shown(id), allowed: 'an id of something stored' }]);
  return id;
}
