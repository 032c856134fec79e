import { NextResponse } from 'next/server';
import { OutOfRange } from '@/core/quantity/range';
import { Refused, shown, type Problem } from '@/formats/problem';
import { parseJson } from '@/formats/validate';
import { KeyTaken, once, type Answer } from '@/store/answered';
import { currentAthlete, type Athlete } from '@/store/athlete';
import { TooBusy } from '@/workers/intake';
import { isAway, isSlow, OutcomeUnknown, renewPool, unwritable } from '@/store/db';
import { log, traceOf } from '@/store/log';

/** Largest request body, bytes: a route and a forecast with room to spare. */
export const MAX_BODY = 20 * 1024 * 1024;
const MB = 1024 * 1024;

/** Answers are one person's: nothing on the way keeps them. */
const PERSONAL = { 'cache-control': 'no-store' };

const json = ({ status, body }: Answer, headers: Record<string, string> = {}): Response =>
  NextResponse.json(body, { status, headers: { ...PERSONAL, ...headers } });
const refusal = (status: number, problems: Problem[]): Answer => ({ status, body: { problems } });

/** A version that is not the newest any more: said with what stands there now, so that both can be shown. */
export class Changed extends Error {
  constructor(
    readonly where: string,
    readonly version: number,
    readonly now: { version: number; value: unknown },
  ) {
    super(`${where} was changed elsewhere`);
  }
}

/**
 * The common door of all handlers: finds the athlete, does the work once for each `Idempotency-Key`, turns refusals into clear
 * answers, and keeps the server up whatever comes in.
 * @param work its answer as JSON; null: no such thing; a Response goes out as it is (files, never with a key)
 */
export async function door(
  request: Request,
  work: (athlete: Athlete) => Promise<Response | object | null>,
): Promise<Response> {
  try {
    const length = Number(request.headers.get('content-length') ?? 0);
    if (length > MAX_BODY) return json(tooLarge(`${(length / MB).toFixed(0)} MB`));
    const athlete = await currentAthlete();
    const key = request.headers.get('idempotency-key');
    if (key !== null && !['GET', 'HEAD'].includes(request.method)) {
      checkId(key, 'Idempotency-Key');
      // The body is read before the transaction: a slow sender holds no connection.
      // A form is not compared: each sending of it is divided by other marks.
      const isJson = (request.headers.get('content-type') ?? '').startsWith('application/json');
      const sent = isJson ? await readText(request.clone()) : 'a form, a file or nothing';
      const asked = [request.method, new URL(request.url).pathname, sent].join('\n');
      return json(await once(athlete.id, key, asked, async () => answerOf(await work(athlete))));
    }
    const result = await work(athlete);
    if (result instanceof Response) {
      result.headers.set('cache-control', PERSONAL['cache-control']);
      return result;
    }
    return json(answerOf(result));
  } catch (e) {
    return refused(e, request);
  }
}

function answerOf(result: object | null): Answer {
  if (result instanceof Response) throw new Error('an answer that is to be kept must be JSON');
  if (result !== null) return { status: 200, body: result };
  return refusal(404, [
    { where: 'Request', field: 'item', value: 'not there', allowed: 'something of yours that still exists' },
  ]);
}

const tooLarge = (value: string): Answer =>
  refusal(413, [{ where: 'Request', field: 'size', value, allowed: `at most ${MAX_BODY / MB} MB` }]);

/** Whatever went wrong as an answer for people. What is ours goes to the log, not to them. */
function refused(e: unknown, request: Request): Response {
  if (e instanceof Refused) return json(refusal(400, e.problems));
  if (e instanceof TooLarge) return json(tooLarge(`over ${MAX_BODY / MB} MB`));
  if (e instanceof OutOfRange)
    return json(refusal(400, [{ where: 'Input', field: e.field, value: shown(e.value), allowed: e.allowed }]));
  if (e instanceof KeyTaken)
    return json(
      refusal(422, [
        { where: 'Request', field: 'Idempotency-Key', value: e.message, allowed: 'a new key for a new request' },
      ]),
    );
  if (e instanceof Changed) {
    const allowed = 'the newest: it was changed in another window meanwhile';
    const problem: Problem = { where: e.where, field: 'version', value: String(e.version), allowed };
    return json({ status: 409, body: { problems: [problem], now: e.now } });
  }
  const cannot = unwritable(e);
  if (isAway(e) && !isSlow(e) && !cannot) renewPool();
  log.error({ route: new URL(request.url).pathname, method: request.method, ...traceOf(e) }, 'a request failed');
  const [status, says] =
    e instanceof OutcomeUnknown
      ? [503, 'it is not known whether this was stored: ask again with the same key']
      : e instanceof TooBusy
        ? [503, 'too many files are being read; try in a moment']
        : cannot
          ? [507, `${cannot}: this is not stored. What was stored is safe; make room, and it goes through`]
          : isAway(e)
            ? [503, 'the database is being started again; try in a moment']
            : [500, 'this is our fault; what was sent is not stored'];
  return json(
    refusal(status as number, [{ where: 'Server', field: 'error', value: 'not done', allowed: says as string }]),
    status === 503 ? { 'retry-after': '1' } : {},
  );
}

class TooLarge extends Error {}

/** Reads a JSON body with a bound on its size even when no length was announced. @throws Refused */
export async function readBody(request: Request): Promise<unknown> {
  const type = request.headers.get('content-type') ?? 'missing';
  if (type.split(';')[0].trim().toLowerCase() !== 'application/json')
    throw new Refused([{ where: 'Request', field: 'content-type', value: shown(type), allowed: 'application/json' }]);
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
      throw new TooLarge();
    }
    text += decoder.decode(value, { stream: true });
  }
}

/** An id from a path or a header. @throws Refused when it is no UUID */
export function checkId(id: string, field = 'id'): string {
  if (!/^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i.test(id))
    throw new Refused([{ where: 'Address', field, value: shown(id), allowed: 'a UUID' }]);
  return id;
}
