import { NextResponse, type NextRequest } from 'next/server';

/** Security headers for every page, and no change of data from another site's page. */
export function proxy(request: NextRequest): NextResponse {
  const origin = request.headers.get('origin');
  if (
    request.method !== 'GET' &&
    request.method !== 'HEAD' &&
    origin &&
    new URL(origin).host !== request.headers.get('host')
  )
    return NextResponse.json(
      {
        problems: [
          { where: 'Request', field: 'origin', value: origin.slice(0, 80), allowed: 'this application itself' },
        ],
      },
      { status: 403 },
    );
  const nonce = btoa(crypto.randomUUID());
  const dev = process.env.NODE_ENV === 'development';
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
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
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg).*)'] };
