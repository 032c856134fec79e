import { NextResponse, type NextRequest } from 'next/server';
import { LOOPBACK, refusalOf } from '@/app/gate';

/** Names under which this application is asked for: loopback's, and what EMBER_HOSTS lists, by commas. */
const HOSTS = [...LOOPBACK, ...(process.env.EMBER_HOSTS ?? '').split(',').filter((h) => h !== '')];

/** What pages and answers may be used for by others: nothing. */
const CLOSED = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
  'permissions-policy':
    'camera=(), microphone=(), payment=(), usb=(), midi=(), display-capture=(), geolocation=(self), screen-wake-lock=(self)',
};

/** Security headers for every page, and nothing for another site's page. */
export function proxy(request: NextRequest): NextResponse {
  const refusal = refusalOf(request.method, request.nextUrl.pathname, request.headers, HOSTS);
  if (refusal) return NextResponse.json({ problems: [refusal.problem] }, { status: refusal.status, headers: CLOSED });
  const nonce = btoa(crypto.randomUUID());
  const dev = process.env.NODE_ENV === 'development';
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ''}`,
    // Elements by nonce; attributes are how positions are given, and those of the drawings.
    "style-src 'self' 'unsafe-inline'",
    `style-src-elem 'self' ${dev ? "'unsafe-inline'" : `'nonce-${nonce}'`}`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${dev ? ' ws:' : ''}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  for (const [name, value] of Object.entries(CLOSED)) response.headers.set(name, value);
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg).*)'] };
