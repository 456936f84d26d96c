import { randomBytes } from 'node:crypto';
import type { NextRequest } from 'next/server';
import { NextResponse } from 'next/server';
import { isActionBody, isActionName } from '@/services/actionRequest';

/** Whether an address decodes to text: no bytes that are no UTF-8, no NUL. */
function isText(url: string): boolean {
  try {
    return !decodeURIComponent(url.replace(/\+/g, ' ')).includes('\u0000');
  } catch {
    return false;
  }
}

const refused = (status: number, detail: string) =>
  NextResponse.json(
    { type: 'about:blank', title: status === 403 ? 'Not allowed' : 'Not understood', status, detail },
    { status, headers: { 'content-type': 'application/problem+json' } },
  );

/** What is sent to a page must be an action of this page, or a form; else it is refused here. Null: it is. */
async function wrongForPage(request: NextRequest): Promise<NextResponse | null> {
  if (request.method !== 'POST' || request.nextUrl.pathname.startsWith('/api/')) return null;
  const action = request.headers.get('next-action');
  const type = request.headers.get('content-type') ?? '';
  const isForm = /^(multipart\/form-data|application\/x-www-form-urlencoded)/i.test(type);
  if (action === null && !isForm) return null;
  const origin = request.headers.get('origin');
  if (
    origin !== null &&
    (!URL.canParse(origin) || new URL(origin).host !== (request.headers.get('host') ?? ''))
  )
    return refused(403, 'This came from another site and was not done.');
  if (action !== null && !isActionName(action)) return refused(404, 'There is no such action.');
  try {
    const readable = isForm
      ? await request.formData().then(() => true)
      : isActionBody(new TextDecoder('utf-8', { fatal: true }).decode(await request.arrayBuffer()));
    return readable ? null : refused(400, 'What was sent cannot be read.');
  } catch {
    return refused(400, 'What was sent cannot be read.');
  }
}

/**
 * Headers of every page: a content security policy with a fresh nonce (scripts run only with it; no eval), no framing by
 * others, no guessing of types. Ant Design's dialogs add two style elements of their own, so styles may stand in line.
 */
export async function proxy(request: NextRequest) {
  if (!isText(request.url)) return refused(400, 'This address cannot be read.');
  const wrong = await wrongForPage(request);
  if (wrong) return wrong;
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
  // Once reached encrypted, always (RFC 6797); for this name alone, others may be somebody else's.
  if ((process.env.IMPEGNO_ADDRESS ?? '').startsWith('https:'))
    response.headers.set('strict-transport-security', 'max-age=31536000');
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('x-frame-options', 'SAMEORIGIN');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=()');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  if (/^\/(b|join|password|stand-in)\//.test(request.nextUrl.pathname)) {
    // A private link must not travel on in a referrer, a cache or a search engine.
    response.headers.set('referrer-policy', 'no-referrer');
    response.headers.set('cache-control', 'private, no-store');
    response.headers.set('x-robots-tag', 'noindex, nofollow');
  }
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|favicon.ico).*)'] };
