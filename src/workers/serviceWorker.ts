import { CacheFirst, Serwist, type SerwistPlugin } from 'serwist';

import {
  findKept,
  forgetEverything,
  forgetWhenTooOld,
  hasKept,
  listHomes,
  noteContact,
  putKept,
  toKept,
} from './along/alongStore';
import { HOMES_ARE_NEW } from './along/messages';
import { findKeptFor, renderNotAlong, toResponse } from './along/serveKept';

// What this file uses of the scope of a service worker; the whole of it contradicts a page's types.
interface ExtendableEvent extends Event {
  readonly waitUntil: (work: Promise<unknown>) => void;
}
/** Addresses of everything the application is made of, named by their content; put in where this is bundled. */
declare const SHELL_FILES: readonly string[];

const SHELL = 'tin-box-shell';
/** A page that is kept is given after so long without an answer. */
const PATIENCE_MS = 6000;
/** Answers of what stands before the desk where the desk itself does not answer. */
const NO_DESK = new Set([502, 503, 504]);
const FORGET_HEADER = 'x-tinbox-forget';

/** A worker's script given by a service worker has to be an answer of its own, or its thread does not begin. */
const ownAnswer: SerwistPlugin = {
  handlerWillRespond: ({ request, response }) =>
    Promise.resolve(
      request.destination === 'worker'
        ? new Response(response.body, { status: response.status, headers: response.headers })
        : response,
    ),
};

const serwist = new Serwist({
  precacheEntries: [],
  // A newer version waits until it is asked for (`SKIP_WAITING`): what a page has open stays as it is.
  skipWaiting: false,
  clientsClaim: true,
  disableDevLogs: true,
  runtimeCaching: [
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/_next/static/'),
      handler: new CacheFirst({ cacheName: SHELL, plugins: [ownAnswer] }),
    },
    {
      matcher: ({ request, url, sameOrigin }) =>
        sameOrigin && request.mode === 'navigate' && !url.pathname.startsWith('/c/'),
      handler: ({ request, event }) => openPage(request, event),
    },
    {
      matcher: ({ url, sameOrigin }) => sameOrigin && url.pathname.startsWith('/api/pictures/'),
      handler: ({ request }) => openPicture(request),
    },
  ],
});
serwist.addEventListeners();

/** The page from the desk; where it does not answer, as it was taken along. */
async function openPage(request: Request, event: ExtendableEvent): Promise<Response> {
  const { pathname, search } = new URL(request.url);
  const isKept = await hasKept(pathname + search).catch(() => false);
  const answer = await askDesk(request, isKept ? PATIENCE_MS : undefined);
  if (answer) {
    if (isKept && answer.ok) event.waitUntil(keepAgain(pathname + search, answer.clone()));
    return answer;
  }
  await forgetWhenTooOld(new Date());
  const kept = await findKeptFor(request.url);
  return kept ? toResponse(kept) : renderNotAlong();
}

/** Undefined where there is no answer, in so much time where that is told. */
async function askDesk(request: Request, patienceMs?: number): Promise<Response | undefined> {
  try {
    const asked = fetch(request);
    const answer = await (patienceMs === undefined ? asked : within(asked, patienceMs));
    if (!answer || NO_DESK.has(answer.status)) return undefined;
    // A device that was put out hears of it here.
    if (answer.headers.has(FORGET_HEADER)) await forgetAll();
    else await noteContact(new Date()).catch(() => undefined);
    return answer;
  } catch {
    return undefined;
  }
}

const within = (work: Promise<Response>, ms: number): Promise<Response | undefined> =>
  Promise.race([work, new Promise<undefined>((resolve) => setTimeout(resolve, ms))]);

/** A page of a home that was taken along is kept as it is seen now. */
async function keepAgain(url: string, answer: Response): Promise<void> {
  const before = await findKept(url);
  // A copy of an answer does not say where it comes from.
  if (before && before.leadsTo === undefined)
    await putKept(await toKept(answer, { url, projectId: before.projectId, now: new Date() }));
}

async function openPicture(request: Request): Promise<Response> {
  const answer = await askDesk(request);
  if (answer) return answer;
  const kept = await findKeptFor(request.url);
  return kept ? toResponse(kept) : Response.error();
}

async function forgetAll(): Promise<void> {
  await forgetEverything();
  for (const name of await caches.keys()) await caches.delete(name);
}

/** What the application is made of, all of it, so that no part is missing without a connection. */
async function keepShell(): Promise<void> {
  const cache = await caches.open(SHELL);
  const missing: string[] = [];
  for (const file of SHELL_FILES) if (!(await cache.match(file))) missing.push(file);
  await cache.addAll(missing);
}

/** Files of earlier versions; pages that were taken along with one need them until they are fetched anew. */
async function sweepShell(): Promise<void> {
  const cache = await caches.open(SHELL);
  const now = new Set(SHELL_FILES);
  for (const { url } of await cache.keys())
    if (!now.has(new URL(url).pathname)) await cache.delete(url);
}

const scope: EventTarget = globalThis as unknown as EventTarget;
scope.addEventListener('install', (event) => (event as ExtendableEvent).waitUntil(keepShell()));
scope.addEventListener('activate', (event) =>
  (event as ExtendableEvent).waitUntil(
    listHomes().then((homes) => (homes.length === 0 ? sweepShell() : undefined)),
  ),
);
scope.addEventListener('message', (event) => {
  if ((event as MessageEvent<unknown>).data === HOMES_ARE_NEW)
    (event as unknown as ExtendableEvent).waitUntil(sweepShell());
});
