import type { Problem } from '@/formats/problem';

/** What the server, or the way to it, would not do: with its reasons, for people. */
export class NotDone extends Error {
  constructor(
    readonly problems: Problem[],
    /** HTTP status; 0 where no answer came */
    readonly status: number,
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

type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** Asks the server; JSON or a form goes out, JSON comes back. @throws NotDone */
export async function request<T>(method: Method, path: string, body?: unknown, also: RequestInit = {}): Promise<T> {
  const form = body instanceof FormData;
  const response = await fetch(path, {
    method,
    headers: form || body === undefined ? undefined : { 'content-type': 'application/json' },
    body: body === undefined ? undefined : form ? body : JSON.stringify(body),
    ...also,
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
  throw new NotDone(answer.problems ?? [strange], response.status);
}

/** The reasons of whatever went wrong. */
export const problemsOf = (e: unknown): Problem[] =>
  e instanceof NotDone
    ? e.problems
    : [{ where: 'This page', field: 'its program', value: (e as Error).message, allowed: 'reload the page' }];
