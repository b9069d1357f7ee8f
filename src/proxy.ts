import { NextResponse, type NextRequest } from 'next/server';

import { findGuardRefusal, securityHeaders } from './app/guard';

/**
 * Stands before every page: answers only to names it knows, lets nothing be changed from another
 * origin, and sends the security headers with a policy that names each script by a nonce.
 *
 * Routes under `/api` and pages of clients under `/c` are guarded by their own handler instead. What passes through here has its body
 * copied into memory and cut at 10 MB, and a home is brought in by a body of hundreds.
 */
export function proxy(request: NextRequest): NextResponse {
  const refusal = findGuardRefusal(request.method, request.headers);
  if (refusal)
    return NextResponse.json(
      { error: { code: 'refused', message: refusal.message } },
      { status: refusal.status },
    );
  const nonce = btoa(crypto.randomUUID());
  const sent = securityHeaders(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', sent['content-security-policy'] ?? '');
  const response = NextResponse.next({ request: { headers } });
  for (const [name, value] of Object.entries(sent)) response.headers.set(name, value);
  return response;
}

export const config = {
  matcher: [{ source: '/((?!api/|c/|_next/static|favicon.ico|icon.svg).*)' }],
};
