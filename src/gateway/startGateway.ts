import 'server-only';

import { randomBytes } from 'node:crypto';
import http, { type IncomingMessage, type ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import { sealData, unsealData } from 'iron-session';

import type { Db } from '@/data/db';
import { findLetIn, LET_IN_DAYS, pairDevice, type PairingOutcome } from '@/server/devices/pairing';
import { AddressLimits, defaultLimits, type Limits } from './addressLimits';
import { renderPairedPage, renderPairingPage } from './pairingPage';

export interface Gateway {
  readonly port: number;
  readonly close: () => Promise<void>;
}
interface GatewayOptions {
  readonly db: Db;
  /** Seals the cookies; 32 characters or more, kept on this machine. */
  readonly secret: string;
  /** Where the app listens, on the loopback. */
  readonly upstreamPort: number;
  readonly host: string;
  readonly port: number;
  readonly now?: () => Date;
  /** How often open streams are looked at, so that a device that was put out hears nothing more. */
  readonly sweepMs?: number;
  readonly limits?: Partial<Limits>;
}

/**
 * Headers that never end, and lines on which nothing is said, are closed; a home being sent goes on
 * being sent.
 */
const TIMEOUTS = { headersTimeout: 15_000, requestTimeout: 0, connectionsCheckingInterval: 5_000 };
const IDLE_MS = 60_000;

const COOKIE = 'tin-box-let-in';
const CALENDAR = '/api/calendar';
const CALENDAR_ADDRESS = `${CALENDAR}/address`;
/** Named to the app behind; what comes from outside under these names is thrown away. */
const DEVICE_HEADER = 'x-tinbox-device';
/** Whose tries at a client's link are counted together. */
const ADDRESS_HEADER = 'x-tinbox-address';
/** A client's page: it is opened by its own secret, and needs no pairing. */
const CLIENT_PAGE = /^\/c\/[\w-]+\/[\w-]+(\/answers|\/pictures\/[\w-]+)?$/;
const MAX_FORM_BYTES = 2000;
/** Headers that speak of one connection, or that only this gateway may set. */
const NOT_HANDED_ON = new Set([
  'connection',
  'keep-alive',
  'proxy-authorization',
  'te',
  'trailer',
  'upgrade',
  'forwarded',
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-real-ip',
  'x-middleware-subrequest',
  DEVICE_HEADER,
  ADDRESS_HEADER,
]);

/**
 * Stands between the network and the app, which itself listens on the loopback alone. A device that was not
 * let in gets the pairing page and nothing else, whatever it asks for; one that was is handed on, with its
 * address translated, so that the app's own guards hold for it too.
 * Source: RFC 9110 §7.6.1 (what a proxy hands on).
 */
export async function startGateway(options: GatewayOptions): Promise<Gateway> {
  const now = options.now ?? (() => new Date());
  const open = new Map<ServerResponse, string>();
  const limits = new AddressLimits({ ...defaultLimits, ...options.limits }, () => now().getTime());
  const server = http.createServer(TIMEOUTS, (request, response) => {
    const leave = limits.enter(addressOf(request));
    if (!leave) return answerBusy(response);
    response.once('close', leave);
    handle({ ...options, now, open, limits }, request, response).catch(() => {
      if (!response.headersSent) response.writeHead(500);
      response.end();
    });
  });
  server.timeout = IDLE_MS;
  const sweep = setInterval(() => {
    for (const [response, deviceId] of open) {
      void findLetIn(options.db, deviceId, now()).then(
        (device) => device ?? response.destroy(),
        () => response.destroy(),
      );
    }
  }, options.sweepMs ?? 1000);
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(options.port, options.host, resolve);
  });
  return {
    port: (server.address() as AddressInfo).port,
    close: () =>
      new Promise((resolve) => {
        clearInterval(sweep);
        server.close(() => resolve());
        server.closeAllConnections();
      }),
  };
}

type Context = Required<Pick<GatewayOptions, 'db' | 'secret' | 'upstreamPort' | 'now'>> & {
  readonly open: Map<ServerResponse, string>;
  readonly limits: AddressLimits;
};

async function handle(
  context: Context,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  // A name that is not this machine's address is another site's trick with DNS.
  if (!isOwnAddress(request))
    return answerPage(response, {
      status: 421,
      message: 'This address is not one that Tin Box answers to.',
    });
  if (CLIENT_PAGE.test(request.url ?? '')) {
    if (!context.limits.admitClient(addressOf(request))) return answerBusy(response);
    return handOn(context, request, response, undefined);
  }
  const device = await readDevice(context, request);
  if (device && request.method === 'GET' && request.url === CALENDAR_ADDRESS)
    return answerCalendarAddress(context, request, response, device);
  if (device) return handOn(context, request, response, device);
  if (!context.limits.admitStranger(addressOf(request))) return answerBusy(response);
  const subscriber = await readSubscriber(context, request);
  if (subscriber) {
    // The key is ours alone: the app behind never sees it.
    request.url = CALENDAR;
    return handOn(context, request, response, subscriber);
  }
  const isForm = request.method === 'POST' && request.url === '/pair';
  if (!isForm) return answerPage(response, { status: 401, message: '' });
  if (
    request.headers.origin !== undefined &&
    request.headers.origin !== `http://${request.headers.host}`
  )
    return answerPage(response, { status: 403, message: 'This came from another site.' });
  const form = new URLSearchParams(await readText(request, MAX_FORM_BYTES));
  const outcome = await pairDevice(context.db, {
    typed: form.get('code') ?? '',
    name: form.get('name') ?? '',
    now: context.now(),
  });
  if (outcome.code !== 'paired')
    return answerPage(response, { status: 401, message: wordOutcome(outcome) });
  const seal = await sealData(
    { deviceId: outcome.device.id },
    { password: context.secret, ttl: LET_IN_DAYS * 86_400 },
  );
  const nonce = newNonce();
  response.writeHead(200, {
    ...pageHeaders(nonce),
    // Not marked secure: a home's network has no certificates. It is sealed, and good on this machine alone.
    'set-cookie': `${COOKIE}=${seal}; HttpOnly; SameSite=Strict; Path=/; Max-Age=${LET_IN_DAYS * 86_400}`,
  });
  response.end(renderPairedPage({ nonce, name: outcome.device.name }));
}

function isOwnAddress(request: IncomingMessage): boolean {
  const host = (request.headers.host ?? '').replace(/:\d+$/, '').replace(/^\[|\]$/g, '');
  const own = (request.socket.localAddress ?? '').replace(/^::ffff:/, '');
  return host !== '' && host === own;
}

async function readDevice(
  { db, secret, now }: Context,
  request: IncomingMessage,
): Promise<{ readonly id: string } | undefined> {
  const sealed = (request.headers.cookie ?? '')
    .split(';')
    .map((part) => part.trim())
    .find((part) => part.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1);
  if (sealed === undefined) return undefined;
  // What was not sealed here, or is too old, unseals to nothing.
  const { deviceId, use } = await unsealData<{ deviceId?: unknown; use?: unknown }>(sealed, {
    password: secret,
    ttl: LET_IN_DAYS * 86_400,
  }).catch(() => ({ deviceId: undefined, use: undefined }));
  // The key of a calendar reads the calendar; it lets nobody in.
  return typeof deviceId === 'string' && use === undefined
    ? findLetIn(db, deviceId, now())
    : undefined;
}

/** What a key is good for, so that no other seal passes for one. */
const CALENDAR_USE = 'calendar';

/** The address under which a calendar program on this device subscribes: it brings no cookie, but a key. */
async function answerCalendarAddress(
  { secret }: Context,
  request: IncomingMessage,
  response: ServerResponse,
  device: { readonly id: string },
): Promise<void> {
  const key = await sealData(
    { deviceId: device.id, use: CALENDAR_USE },
    { password: secret, ttl: LET_IN_DAYS * 86_400 },
  );
  response.writeHead(200, { 'content-type': 'application/json', 'cache-control': 'no-store' });
  response.end(
    JSON.stringify({
      address: `http://${request.headers.host}${CALENDAR}?key=${encodeURIComponent(key)}`,
      isOfDevice: true,
    }),
  );
}

/** The device that a subscription's key was made for, as long as it is let in. */
async function readSubscriber(
  { db, secret, now }: Context,
  request: IncomingMessage,
): Promise<{ readonly id: string } | undefined> {
  if (request.method !== 'GET' || !request.url?.startsWith(`${CALENDAR}?`)) return undefined;
  const key = new URL(request.url, 'http://gateway').searchParams.get('key');
  if (key === null) return undefined;
  const { deviceId, use } = await unsealData<{ deviceId?: unknown; use?: unknown }>(key, {
    password: secret,
    ttl: LET_IN_DAYS * 86_400,
  }).catch(() => ({ deviceId: undefined, use: undefined }));
  return use === CALENDAR_USE && typeof deviceId === 'string'
    ? findLetIn(db, deviceId, now())
    : undefined;
}

function handOn(
  { upstreamPort, open }: Context,
  request: IncomingMessage,
  response: ServerResponse,
  /** Undefined: a client with a link, who brings no cookie of ours. */
  device: { readonly id: string } | undefined,
): Promise<void> {
  const upstream = `127.0.0.1:${upstreamPort}`;
  const headers: http.OutgoingHttpHeaders = Object.fromEntries(
    Object.entries(request.headers).filter(
      ([name]) => !NOT_HANDED_ON.has(name) && name !== 'cookie',
    ),
  );
  headers.host = upstream;
  if (device) headers[DEVICE_HEADER] = device.id;
  else headers[ADDRESS_HEADER] = addressOf(request);
  // The app compares origin and host: what came from this gateway's own pages is its own.
  if (request.headers.origin === `http://${request.headers.host}`)
    headers.origin = `http://${upstream}`;
  const cookie = (request.headers.cookie ?? '')
    .split(';')
    .map((part) => part.trim())
    .filter((part) => part !== '' && !part.startsWith(`${COOKIE}=`))
    .join('; ');
  if (device && cookie !== '') headers.cookie = cookie;
  return new Promise((resolve) => {
    const outgoing = http.request(
      { host: '127.0.0.1', port: upstreamPort, method: request.method, path: request.url, headers },
      (incoming) => {
        const {
          connection: _,
          'keep-alive': __,
          'transfer-encoding': ___,
          ...answered
        } = incoming.headers;
        const location = answered.location?.replace(`http://${upstream}`, '');
        response.writeHead(incoming.statusCode ?? 502, {
          ...answered,
          ...(location === undefined ? {} : { location }),
        });
        incoming.pipe(response);
      },
    );
    outgoing.once('error', () => {
      if (!response.headersSent) response.writeHead(502, { 'content-type': 'text/plain' });
      response.end('Tin Box does not answer at the moment.');
    });
    if (device) open.set(response, device.id);
    response.once('close', () => {
      open.delete(response);
      outgoing.destroy();
      resolve();
    });
    request.pipe(outgoing);
  });
}

const addressOf = (request: IncomingMessage): string => request.socket.remoteAddress ?? '';

function answerBusy(response: ServerResponse): void {
  response.writeHead(429, {
    'content-type': 'text/plain',
    'retry-after': '60',
    connection: 'close',
  });
  response.end('Too much at once from this address. Wait a minute.');
}

const newNonce = (): string => randomBytes(16).toString('base64');
const pageHeaders = (nonce: string) => ({
  'content-type': 'text/html; charset=utf-8',
  'cache-control': 'no-store',
  'x-content-type-options': 'nosniff', // Under "no-referrer" a form would not say where it comes from.
  'referrer-policy': 'same-origin',
  'x-frame-options': 'DENY',
  'content-security-policy':
    `default-src 'none'; script-src 'nonce-${nonce}'; style-src 'nonce-${nonce}'; img-src data:; ` +
    `form-action 'self'; base-uri 'none'; frame-ancestors 'none'`,
});

function answerPage(
  response: ServerResponse,
  { status, message }: { readonly status: number; readonly message: string },
): void {
  const nonce = newNonce();
  response.writeHead(status, { ...pageHeaders(nonce), connection: 'close' });
  response.end(renderPairingPage({ nonce, message }));
}

function wordOutcome(outcome: Exclude<PairingOutcome, { readonly code: 'paired' }>): string {
  if (outcome.code === 'wrong' && outcome.triesLeft > 0)
    return `That is not the code. ${outcome.triesLeft === 1 ? 'One try is' : `${outcome.triesLeft} tries are`} left.`;
  return 'There is no code to join by at the moment. Ask for a new one at the desk.';
}

/** Reads a small body; what is longer is cut off, and will not be a code. */
async function readText(request: IncomingMessage, maxBytes: number): Promise<string> {
  const chunks: Buffer[] = [];
  let length = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    length += chunk.byteLength;
    if (length > maxBytes) return '';
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}
