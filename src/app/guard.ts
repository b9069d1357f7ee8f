/** Names under which the app may be asked; anything else is another site's trick with DNS. */
const LOOPBACK_NAMES = new Set(['localhost', '127.0.0.1', '[::1]']);
const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

interface GuardRefusal {
  readonly status: 403 | 421;
  readonly message: string;
}

/**
 * Why a request is not answered at all: it asks under a name that is not ours, or would change
 * something from another origin. Pages ask it in `proxy.ts`, routes in `api/handler.ts`.
 */
export function findGuardRefusal(
  method: string,
  headers: Pick<Headers, 'get'>,
  { isClientPage = false }: { readonly isClientPage?: boolean } = {},
): GuardRefusal | undefined {
  const host = headers.get('host') ?? '';
  if (!isKnownHost(host) && !(isClientPage && isPublicHost(host)))
    return { status: 421, message: 'This address is not one that Tin Box answers to.' };
  if (!SAFE_METHODS.has(method) && !isSameOrigin(headers, host))
    return { status: 403, message: 'This change came from another site and was not made.' };
  return undefined;
}

function isKnownHost(host: string): boolean {
  const name = host.replace(/:\d+$/, '').toLowerCase();
  const extra = (process.env.TINBOX_HOSTS ?? '')
    .split(',')
    .map((entry) => entry.trim().toLowerCase())
    .filter(Boolean);
  return LOOPBACK_NAMES.has(name) || extra.includes(name);
}

/** The name under which the pages of clients, and nothing else, are reached from outside. */
function isPublicHost(host: string): boolean {
  const address = process.env.TINBOX_PUBLIC_ADDRESS ?? '';
  try {
    return address !== '' && new URL(address).host === host.toLowerCase();
  } catch {
    return false;
  }
}

/** A browser always says where a change comes from; what says nothing is not a browser of ours. */
function isSameOrigin(headers: Pick<Headers, 'get'>, host: string): boolean {
  const site = headers.get('sec-fetch-site');
  if (site !== null && site !== 'same-origin') return false;
  const origin = headers.get('origin');
  if (origin === null) return site === 'same-origin';
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

/**
 * What every answer carries, page or route. `nonce` names the scripts that a page may run; without
 * one it runs none.
 */
export function securityHeaders(nonce?: string): Readonly<Record<string, string>> {
  return {
    'content-security-policy': contentSecurityPolicy(nonce),
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'SAMEORIGIN',
    'referrer-policy': 'no-referrer',
    'cross-origin-opener-policy': 'same-origin',
    'cross-origin-resource-policy': 'same-origin',
    // Speech is heard where a device understands it itself, and nowhere else (`ui/inHand/speech.ts`).
    'permissions-policy': 'geolocation=(), microphone=(self), payment=(), usb=()',
  };
}

function contentSecurityPolicy(nonce: string | undefined): string {
  // React's development build evaluates code to rebuild stack traces; the shipped one does not.
  const development = process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : '';
  return [
    "default-src 'self'",
    // The solver is WebAssembly, which counts as code.
    nonce === undefined
      ? "script-src 'none'"
      : `script-src 'self' 'nonce-${nonce}' 'wasm-unsafe-eval'${development}`,
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
