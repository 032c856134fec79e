import pino from 'pino';

/** The one log of the server: a JSON line each, on standard output; nothing that anybody typed goes into it. */
export const log = pino({ base: undefined, level: process.env.EMBER_LOG ?? 'info' });

/**
 * What went wrong without what was sent: the kind of error, its code, and where in our files it happened. The message is left
 * out, because the database's may quote values.
 */
export function traceOf(e: unknown): { kind: string; code: string | undefined; at: string[] } {
  const error = e instanceof Error ? e : new Error(typeof e);
  const at = (error.stack ?? '').split('\n').filter((l) => /^\s+at /.test(l));
  const code = (error as { code?: unknown }).code;
  return {
    kind: error.name,
    code: typeof code === 'string' ? code : undefined,
    at: at.slice(0, 8).map((l) => l.trim()),
  };
}
