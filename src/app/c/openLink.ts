import 'server-only';

import { randomBytes } from 'node:crypto';

import type { ClientPage } from '@/core/client';
import { getDatabase } from '@/data/startData';
import type { Db } from '@/data/db';
import { answer } from '@/app/api/handler';
import { refuse } from '@/app/api/respond';
import { findGuardRefusal, securityHeaders } from '@/app/guard';
import { Attempts } from '@/server/client/attempts';
import { renderEnded } from '@/server/client/pageFile';
import { findByLink } from '@/server/client/pages';

/** One a process, whichever bundle asks. */
const globalAttempts = globalThis as typeof globalThis & { tinboxAttempts?: Attempts };
const attempts = (): Attempts => (globalAttempts.tinboxAttempts ??= new Attempts());

interface LinkParams {
  readonly pageId: string;
  readonly secret: string;
}
export interface OpenedLink {
  readonly db: Db;
  readonly page: ClientPage;
  /** Of the page's own script and style. */
  readonly nonce: string;
}

/**
 * What every address of a client's link is made by: it guards, limits attempts, opens the page behind the link, and
 * sends headers of its own: nothing is kept by a browser or found by a search engine, and no other site
 * hears of the address. A wrong link is told like one that never was.
 */
export const linkHandler =
  <P extends LinkParams>(
    work: (request: Request, opened: OpenedLink, params: P) => Promise<Response>,
  ) =>
  async (request: Request, { params }: { params: Promise<P> }): Promise<Response> => {
    const nonce = randomBytes(16).toString('base64');
    const refusal = findGuardRefusal(request.method, request.headers, { isClientPage: true });
    const response = refusal
      ? refuse(refusal.status, { code: 'refused', message: refusal.message })
      : await answer(request, async () => open(request, { params: await params, nonce, work }));
    for (const [name, value] of Object.entries(clientHeaders(nonce)))
      response.headers.set(name, value);
    return response;
  };

async function open<P extends LinkParams>(
  request: Request,
  {
    params,
    nonce,
    work,
  }: {
    readonly params: P;
    readonly nonce: string;
    readonly work: (request: Request, opened: OpenedLink, params: P) => Promise<Response>;
  },
): Promise<Response> {
  const address = request.headers.get('x-tinbox-address') ?? 'here';
  if (!attempts().mayTry(address))
    return refuse(429, { code: 'too_many', message: 'Too many tries. Wait ten minutes.' });
  const db = await getDatabase();
  const found = await findByLink(db, params);
  if (!found) {
    attempts().noteWrong(address);
    return refuse(404, { code: 'not_found', message: 'There is no such page.' });
  }
  if (found.state !== 'open')
    return new Response(await renderEnded(params.pageId, nonce), {
      status: 410,
      headers: { 'content-type': 'text/html; charset=utf-8' },
    });
  return work(request, { db, page: found.page, nonce }, params);
}

const clientHeaders = (nonce: string): Readonly<Record<string, string>> => ({
  ...securityHeaders(),
  'content-security-policy':
    `default-src 'none'; script-src 'nonce-${nonce}'; style-src 'nonce-${nonce}'; img-src 'self' data:; ` +
    `font-src data:; connect-src 'self'; form-action 'none'; base-uri 'none'; frame-ancestors 'none'`,
  'cache-control': 'no-store, private',
  'x-robots-tag': 'noindex, nofollow, noarchive',
  'referrer-policy': 'no-referrer',
  'x-frame-options': 'DENY',
});
