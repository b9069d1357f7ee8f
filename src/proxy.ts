import { NextResponse, type NextRequest } from 'next/server';

/** Names under which the app may be asked; anything else is another site's trick with DNS. */
const LOOPBACK_NAMES = new Set(['localhost', '127.0.0.1', '[::1]']);
const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Stands before every page and route: answers only to names it knows, lets nothing be changed from
 * another origin, and sends the security headers with a policy that names each script by a nonce.
 */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? '';
  if (!isKnownHost(host)) return refuse('This address is not one that Tin Box answers to.', 421);
  if (!SAFE_METHODS.has(request.method) && !isSameOrigin(request, host)) {
    return refuse('This change came from another site and was not made.', 403);
  }
  const nonce = btoa(crypto.randomUUID());
  const policy = contentSecurityPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('x-frame-options', 'SAMEORIGIN');
  response.headers.set('referrer-policy', 'no-referrer');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('cross-origin-resource-policy', 'same-origin');
  response.headers.set('permissions-policy', 'geolocation=(), microphone=(), payment=(), usb=()');
  return response;
}

export const config = {
  matcher: [{ source: '/((?!_next/static|favicon.ico|icon.svg).*)' }],
};

function isKnownHost(host: string): boolean {
  const name = host.replace(/:\d+$/, '').toLowerCase();
  const extra = (process.env.TINBOX_HOSTS ?? '')
    .split(',')
    .map((entry) => entry.trim().toLowerCase())
    .filter(Boolean);
  return LOOPBACK_NAMES.has(name) || extra.includes(name);
}

/** A browser always says where a change comes from; what says nothing is not a browser of ours. */
function isSameOrigin(request: NextRequest, host: string): boolean {
  const site = request.headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin') return false;
  const origin = request.headers.get('origin');
  if (origin === null) return site === 'same-origin';
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

function contentSecurityPolicy(nonce: string): string {
  // React's development build evaluates code to rebuild stack traces; the shipped one does not.
  const development = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';
  return [
    "default-src 'self'",
    // The solver is WebAssembly, which counts as code.
    `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'${development}`,
    // Drag and drop and drawings to scale set style attributes.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    // The client's page carries its fonts inside, so that it opens anywhere.
    "font-src 'self' data:",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'self'",
  ].join('; ');
}

const refuse = (message: string, status: number): NextResponse =>
  NextResponse.json({ error: { code: 'refused', message } }, { status });
