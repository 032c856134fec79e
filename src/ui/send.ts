import type { Problem } from '@/formats/problem';

export type Sent<T> = { ok: true; value: T } | { ok: false; problems: Problem[]; status: number };

/** Sends JSON (or form data) to the server; faults come back as problems to show, never as a silent loss. */
export async function send<T>(method: 'POST' | 'PUT' | 'DELETE', path: string, body?: unknown): Promise<Sent<T>> {
  try {
    const form = body instanceof FormData;
    const response = await fetch(path, {
      method,
      headers: form || body === undefined ? undefined : { 'content-type': 'application/json' },
      body: body === undefined ? undefined : form ? body : JSON.stringify(body),
    });
    const answer = (await response.json().catch(() => ({}))) as { problems?: Problem[] } & T;
    if (response.ok) return { ok: true, value: answer };
    return {
      ok: false,
      status: response.status,
      problems: answer.problems ?? [
        {
          where: 'Server',
          field: 'answer',
          value: String(response.status),
          allowed: 'a working server; look at the terminal that runs bin/demo',
        },
      ],
    };
  } catch {
    return {
      ok: false,
      status: 0,
      problems: [
        {
          where: 'Connection',
          field: 'server',
          value: 'not reached',
          allowed: 'start bin/demo again; what you see here is kept in this window',
        },
      ],
    };
  }
}
