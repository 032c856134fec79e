import { v4 as uuid } from 'uuid';
import type { Problem } from '@/formats/problem';

/** What the server, or the way to it, would not do: with its reasons, for people. */
export class NotDone extends Error {
  constructor(
    readonly problems: Problem[],
    /** HTTP status; 0 where no answer came */
    readonly status: number,
    /** all that the answer says */
    readonly answer?: unknown,
  ) {
    super(problems.map((p) => `${p.field} ${p.value}`).join('; '));
  }

  /** Whether the same again may go through later: nothing was wrong with what was sent. */
  get mayPass(): boolean {
    return this.status === 0 || this.status >= 500;
  }
}

const unreached: Problem = {
  where: 'Connection',
  field: 'the server',
  value: 'not reached',
  allowed: 'start bin/demo again; what you see here is kept in this window',
};

/** How often a request whose answer was not heard is sent again, and after how long at first, ms. */
const TRIES = 4;
const FIRST_RETRY_MS = 400;

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/**
 * Asks the server; JSON, a form or a file goes out, JSON comes back. What changes something goes under a key by which the server does it
 * once, and is sent again with it when no answer was heard: it may have been done.
 * @throws NotDone
 */
export async function request<T>(method: Method, path: string, body?: unknown, also: RequestInit = {}): Promise<T> {
  const key = method === 'GET' ? undefined : newKey();
  for (let tries = 1; ; tries++) {
    try {
      return await ask<T>(method, path, { body, key, also });
    } catch (e) {
      if (!(e instanceof NotDone) || !e.mayPass || tries >= TRIES || also.signal?.aborted) throw e;
      await new Promise((go) => setTimeout(go, FIRST_RETRY_MS * 2 ** (tries - 1)));
    }
  }
}

/** A key by which the server does a request once. Also where the page does not come over a secure way, as on a phone at home. */
export const newKey = (): string => uuid();

/** Asks once. @throws NotDone */
export async function ask<T>(
  method: Method,
  path: string,
  { body, key, also = {} }: { body?: unknown; key?: string; also?: RequestInit },
): Promise<T> {
  const raw = body instanceof FormData || body instanceof Blob;
  const headers: Record<string, string> = {};
  if (!raw && body !== undefined) headers['content-type'] = 'application/json';
  if (key) headers['idempotency-key'] = key;
  const response = await fetch(path, {
    method,
    body: body === undefined ? undefined : raw ? body : JSON.stringify(body),
    ...also,
    headers: { ...headers, ...(also.headers as Record<string, string>) },
  }).catch(() => {
    throw new NotDone([unreached], 0);
  });
  const answer = (await response.json().catch(() => ({}))) as { problems?: Problem[] } & T;
  if (response.ok) return answer;
  const strange: Problem = {
    where: 'Server',
    field: 'its answer',
    value: String(response.status),
    allowed: 'a working server; look at the terminal that runs bin/demo',
  };
  throw new NotDone(answer.problems ?? [strange], response.status, answer);
}

/** The reasons of whatever went wrong. */
export const problemsOf = (e: unknown): Problem[] =>
  e instanceof NotDone
    ? e.problems
    : [{ where: 'This page', field: 'its program', value: (e as Error).message, allowed: 'reload the page' }];
