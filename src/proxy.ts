import { NextResponse, type NextRequest } from 'next/server';
import { senderRefusal } from './server/sender';

/**
 * Before every page: the host must be one we serve, and the page carries a strict content security policy with a fresh nonce.
 * The API looks at who sends by itself (server/http.ts), without this detour: it is what people wait for when they save.
 */
export function proxy(request: NextRequest): NextResponse {
  const refusal = senderRefusal(request);
  if (refusal) return NextResponse.json({ error: { code: refusal.code, message: refusal.message } }, { status: refusal.status });
  if (STATIC.test(request.nextUrl.pathname)) return NextResponse.next();
  const nonce = btoa(crypto.randomUUID());
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  return response;
}

export const config = { matcher: ['/((?!api/).*)'] };

/** What needs no policy of its own: scripts, styles, fonts and pictures. */
const STATIC = /^\/(_next\/|favicon|icon)/;

function contentPolicy(nonce: string): string {
  const development = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}
