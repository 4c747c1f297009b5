import { NextResponse, type NextRequest } from 'next/server';

/**
 * Before every page and route: writes must come from this very site (Host and Origin agree, and the host is
 * one we serve), and pages carry a strict content security policy with a fresh nonce.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? '';
  if (!allowedHost(host)) return refuse('host', 'This address is not served here.', 421);
  if (request.method !== 'GET' && request.method !== 'HEAD') {
    const origin = request.headers.get('origin');
    const sameSite = origin === null ? request.headers.get('sec-fetch-site') === null : hostOf(origin) === host;
    if (!sameSite) return refuse('origin', 'Changes are accepted from this site only.', 403);
  }
  if (request.nextUrl.pathname.startsWith('/api/')) return secured(NextResponse.next());
  const nonce = btoa(crypto.randomUUID());
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = secured(NextResponse.next({ request: { headers } }));
  response.headers.set('content-security-policy', policy);
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|favicon|icon).*)'] };

const LOCAL = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** This machine by its local names, and what TINWHEEL_HOSTS adds (comma separated). */
function allowedHost(host: string): boolean {
  const name = host.replace(/:\d+$/, '');
  return LOCAL.has(name) || (process.env.TINWHEEL_HOSTS ?? '').split(',').includes(name);
}

function hostOf(origin: string): string | null {
  try {
    return new URL(origin).host;
  } catch {
    return null;
  }
}

const refuse = (code: string, message: string, status: number): NextResponse => secured(NextResponse.json({ error: { code, message } }, { status }));

function secured(response: NextResponse): NextResponse {
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  return response;
}

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
