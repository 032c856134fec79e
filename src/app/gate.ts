import type { Problem } from '@/formats/problem';

/** The names of this machine itself. */
export const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'] as const;

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];

export interface Refusal {
  status: number;
  problem: Problem;
}

const no = (status: number, field: string, value: string, allowed: string): Refusal => ({
  status,
  problem: { where: 'Request', field, value: value.slice(0, 80), allowed },
});

/** `fell.example:3000` without its port, in small letters. */
const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Who is not let in, before anything is looked up. A page of another site may open ours by a link, and nothing else: it may not
 * read, not write, and not ask under a name of its own that leads here (DNS rebinding: the Host is then not one of ours).
 * Fetch metadata: W3C Fetch Metadata Request Headers; browsers send it, command line programs do not.
 * @param hosts names without port that this application answers to
 */
export function refusalOf(
  method: string,
  path: string,
  headers: Pick<Headers, 'get'>,
  hosts: readonly string[],
): Refusal | null {
  const host = headers.get('host') ?? '';
  if (!hosts.includes(nameOf(host))) return no(421, 'host', host || 'missing', hosts.join(', '));
  if (!METHODS.includes(method)) return no(405, 'method', method, METHODS.join(', '));
  const origin = headers.get('origin');
  if (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`)
    return no(403, 'origin', origin, 'this application itself');
  const site = headers.get('sec-fetch-site');
  const visits = headers.get('sec-fetch-mode') === 'navigate' && method === 'GET' && !path.startsWith('/api/');
  if (site !== null && site !== 'same-origin' && site !== 'none' && !visits)
    return no(403, 'sec-fetch-site', site, 'same-origin');
  return null;
}
