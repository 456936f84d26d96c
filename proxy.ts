import { randomBytes } from 'node:crypto';
import type { NextRequest } from 'next/server';
import { NextResponse } from 'next/server';

/** Whether an address decodes to text: no bytes that are no UTF-8, no NUL. */
function isText(url: string): boolean {
  try {
    return !decodeURIComponent(url.replace(/\+/g, ' ')).includes('\u0000');
  } catch {
    return false;
  }
}

/**
 * Headers of every page: a content security policy with a fresh nonce (scripts run only with it; no eval), no framing by
 * others, no guessing of types. Ant Design's dialogs add two style elements of their own, so styles may stand in line.
 */
export function proxy(request: NextRequest) {
  // An address that is no text leads nowhere, and says so.
  if (!isText(request.url))
    return NextResponse.json(
      { type: 'about:blank', title: 'Not understood', status: 400, detail: 'This address cannot be read.' },
      { status: 400, headers: { 'content-type': 'application/problem+json' } },
    );
  const nonce = randomBytes(16).toString('base64');
  const dev = process.env.NODE_ENV === 'development';
  const policy = [
    `default-src 'self'`,
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? ` 'unsafe-eval'` : ''}`,
    `style-src 'self' 'unsafe-inline'`,
    `img-src 'self' data:`,
    `font-src 'self'`,
    `connect-src 'self'${dev ? ' ws:' : ''}`,
    `worker-src 'self' blob:`,
    `object-src 'none'`,
    `base-uri 'none'`,
    `form-action 'self'`,
    `frame-ancestors 'self'`,
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('x-frame-options', 'SAMEORIGIN');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=()');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  if (request.nextUrl.pathname.startsWith('/b/')) {
    // A private link must not travel on in a referrer, a cache or a search engine.
    response.headers.set('referrer-policy', 'no-referrer');
    response.headers.set('cache-control', 'private, no-store');
    response.headers.set('x-robots-tag', 'noindex, nofollow');
  }
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|favicon.ico).*)'] };
