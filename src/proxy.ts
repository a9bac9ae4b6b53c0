import { NextResponse, type NextRequest } from 'next/server';
import { isHttps } from '@/platform/session-cookie';

/** What somebody brought may be looked at, and do nothing: no script, no form, no origin of ours. */
const KEPT_FILE = "default-src 'none'; style-src 'unsafe-inline'; sandbox; frame-ancestors 'none'";

/** Security headers on every answer. Scripts run only with this answer's nonce; styles may be inline, since measured positions are. */
export function proxy(request: NextRequest): NextResponse {
  const nonce = Buffer.from(crypto.randomUUID()).toString('base64');
  const policy = request.nextUrl.pathname.startsWith('/api/files/') ? KEPT_FILE : pagePolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('Content-Security-Policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', policy);
  response.headers.set('X-Content-Type-Options', 'nosniff');
  response.headers.set('Referrer-Policy', 'same-origin');
  response.headers.set('X-Frame-Options', 'DENY');
  response.headers.set('Permissions-Policy', 'camera=(self), microphone=(), geolocation=(), screen-wake-lock=(self)');
  response.headers.set('Cross-Origin-Opener-Policy', 'same-origin');
  // Where the house is reached over https, browsers come back over https alone (RFC 6797).
  if (isHttps()) response.headers.set('Strict-Transport-Security', 'max-age=31536000');
  return response;
}

function pagePolicy(nonce: string): string {
  const development = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

export const config = { matcher: ['/((?!_next/static|_next/image|favicon.ico).*)'] };
