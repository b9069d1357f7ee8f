import 'server-only';

import { randomBytes } from 'node:crypto';
import http, { type IncomingMessage, type ServerResponse } from 'node:http';
import { sealData, unsealData } from 'iron-session';

import type { Db } from '@/data/db';
import {
  findLetIn,
  LET_IN_DAYS,
  pairDevice,
  wasPutOut,
  type PairingOutcome,
} from '@/server/devices/pairing';
import { AddressLimits, defaultLimits, type Limits } from './addressLimits';
import type { ServedCertificate } from './certificates';
import { openFront } from './front';
import { renderPairedPage, renderPairingPage } from './pairingPage';
import { renderPlainPage } from './plainPage';

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
  /** What to show now; asked again every hour, so that it is renewed in time. */
  readonly certify: () => Promise<ServedCertificate>;
  /** The certificate of this machine's own authority, for devices to trust; undefined where one was brought. */
  readonly authority: () => { readonly pem: string; readonly fingerprint: string } | undefined;
  /** Addresses of proxies in front, whose word on who asks, and how, counts. */
  readonly proxies?: readonly string[];
  readonly now?: () => Date;
  /** How often open streams are looked at, so that a device that was put out hears nothing more. */
  readonly sweepMs?: number;
  readonly limits?: Partial<Limits>;
}

const CERTIFY_EVERY_MS = 3_600_000;
/** 180 days; only with a certificate that somebody brought, since with our own a renewal would lock out. */
const STRICT = 'max-age=15552000';
const AUTHORITY_FILE = '/authority.crt';

const COOKIE = 'tin-box-let-in';
const CALENDAR = '/api/calendar';
const CALENDAR_ADDRESS = `${CALENDAR}/address`;
/** Named to the app behind; what comes from outside under these names is thrown away. */
const DEVICE_HEADER = 'x-tinbox-device';
/** Whose tries at a client's link are counted together. */
const ADDRESS_HEADER = 'x-tinbox-address';
/** A client's page: it is opened by its own secret, and needs no pairing. */
const CLIENT_PAGE = /^\/c\/[\w-]+\/[\w-]+(\/answers|\/pictures\/[\w-]+)?$/;
/** Tells a device that was put out to forget what it took along. */
const FORGET_HEADER = 'x-tinbox-forget';
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
  let shown = await options.certify();
  const context: Context = {
    ...options,
    proxies: options.proxies ?? [],
    now,
    open,
    limits,
    served: () => shown,
  };
  const take = (request: IncomingMessage, response: ServerResponse, isPlain: boolean) => {
    const leave = limits.enter(askerOf(context, request));
    if (!leave) return answerBusy(response);
    response.once('close', leave);
    const isCleared = isPlain && !isBehindTls(context, request);
    if (isCleared) return answerPlain(context, request, response);
    if (shown.isBrought) response.setHeader('strict-transport-security', STRICT);
    handle(context, request, response).catch(() => {
      if (!response.headersSent) response.writeHead(500);
      response.end();
    });
  };
  const front = await openFront({
    host: options.host,
    port: options.port,
    certificate: shown,
    onSecure: (request, response) => take(request, response, false),
    onPlain: (request, response) => take(request, response, true),
  });
  const renewal = setInterval(() => {
    options.certify().then(
      (next) => {
        if (next.cert === shown.cert) return;
        shown = next;
        front.show(next);
      },
      // What is shown stays good for weeks; the next hour tries again.
      () => undefined,
    );
  }, CERTIFY_EVERY_MS);
  const sweep = setInterval(() => {
    for (const [response, deviceId] of open) {
      void findLetIn(options.db, deviceId, now()).then(
        (device) => device ?? response.destroy(),
        () => response.destroy(),
      );
    }
  }, options.sweepMs ?? 1000);
  return {
    port: front.port,
    close: () => {
      clearInterval(sweep);
      clearInterval(renewal);
      return front.close();
    },
  };
}

type Context = Required<
  Pick<GatewayOptions, 'db' | 'secret' | 'upstreamPort' | 'now' | 'proxies' | 'authority'>
> & {
  readonly open: Map<ServerResponse, string>;
  readonly limits: AddressLimits;
  readonly served: () => ServedCertificate;
};

const plainAddress = (address: string | undefined): string =>
  (address ?? '').replace(/^::ffff:/, '');

/** Whether it comes from a proxy that was named, whose word counts. */
const isFromProxy = ({ proxies }: Pick<Context, 'proxies'>, request: IncomingMessage): boolean =>
  proxies.includes(plainAddress(request.socket.remoteAddress));

/** Whether a named proxy says that it was encrypted as far as to it. */
const isBehindTls = (context: Context, request: IncomingMessage): boolean =>
  isFromProxy(context, request) && request.headers['x-forwarded-proto'] === 'https';

/** Who asks: the nearest that a named proxy tells of, or whoever is connected. */
function askerOf(context: Pick<Context, 'proxies'>, request: IncomingMessage): string {
  const told = request.headers['x-forwarded-for'];
  const last = (Array.isArray(told) ? told.join(',') : (told ?? '')).split(',').at(-1)?.trim();
  return isFromProxy(context, request) && last ? last : addressOf(request);
}

/** Under which name it was asked, with its port. */
function hostOf(context: Context, request: IncomingMessage): string {
  const told = request.headers['x-forwarded-host'];
  return isFromProxy(context, request) && typeof told === 'string'
    ? told
    : (request.headers.host ?? '');
}

/** In the clear there is one page, which says how to come in, and the certificate to trust. */
function answerPlain(context: Context, request: IncomingMessage, response: ServerResponse): void {
  if (!isOwnName(context, request))
    return answerPage(response, {
      status: 421,
      message: 'This address is not one that Tin Box answers to.',
    });
  const authority = context.authority();
  if (request.method === 'GET' && request.url === AUTHORITY_FILE && authority) {
    response.writeHead(200, {
      'content-type': 'application/x-x509-ca-cert',
      'content-disposition': 'attachment; filename="tin-box-authority.crt"',
      'cache-control': 'no-store',
      connection: 'close',
    });
    response.end(authority.pem);
    return;
  }
  const nonce = newNonce();
  response.writeHead(request.method === 'GET' ? 200 : 426, {
    ...pageHeaders(nonce),
    connection: 'close',
    ...(request.method === 'GET' ? {} : { upgrade: 'TLS/1.2, HTTP/1.1' }),
  });
  response.end(
    renderPlainPage({
      nonce,
      address: `https://${hostOf(context, request)}`,
      fingerprint: authority?.fingerprint,
      file: AUTHORITY_FILE,
    }),
  );
}

async function handle(
  context: Context,
  request: IncomingMessage,
  response: ServerResponse,
): Promise<void> {
  // A name that is not this machine's address is another site's trick with DNS.
  if (!isOwnName(context, request))
    return answerPage(response, {
      status: 421,
      message: 'This address is not one that Tin Box answers to.',
    });
  if (CLIENT_PAGE.test(request.url ?? '')) {
    if (!context.limits.admitClient(askerOf(context, request))) return answerBusy(response);
    return handOn(context, request, response, undefined);
  }
  const deviceId = await readDeviceId(context, request);
  const device = deviceId && (await findLetIn(context.db, deviceId, context.now()));
  if (device && request.method === 'GET' && request.url === CALENDAR_ADDRESS)
    return answerCalendarAddress(context, request, response, device);
  if (device) return handOn(context, request, response, device);
  await tellToForget(context, deviceId, response);
  if (!context.limits.admitStranger(askerOf(context, request))) return answerBusy(response);
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
    request.headers.origin !== `https://${hostOf(context, request)}`
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
    'set-cookie': `${COOKIE}=${seal}; HttpOnly; Secure; SameSite=Strict; Path=/; Max-Age=${LET_IN_DAYS * 86_400}`,
  });
  response.end(renderPairedPage({ nonce, name: outcome.device.name }));
}

/** A name that the certificate is good for, or the address at which it was reached. */
function isOwnName(context: Context, request: IncomingMessage): boolean {
  const host = hostOf(context, request)
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .toLowerCase();
  if (host === '') return false;
  const isCovered = (name: string) =>
    name === host || (name.startsWith('*.') && host.replace(/^[^.]+/, '*') === name);
  return (
    host === plainAddress(request.socket.localAddress) || context.served().names.some(isCovered)
  );
}

/** What a device that was put out took along is not its own any more. */
async function tellToForget(
  { db }: Context,
  deviceId: string | undefined,
  response: ServerResponse,
): Promise<void> {
  if (deviceId === undefined || !(await wasPutOut(db, deviceId))) return;
  // The service worker hears the one and empties its databases; the browser the other, for all else.
  response.setHeader(FORGET_HEADER, 'everything');
  response.setHeader('clear-site-data', '"cache", "storage"');
}

/** The device that the request's cookie was sealed for, let in or not. */
async function readDeviceId(
  { secret }: Context,
  request: IncomingMessage,
): Promise<string | undefined> {
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
  return typeof deviceId === 'string' && use === undefined ? deviceId : undefined;
}

/** What a key is good for, so that no other seal passes for one. */
const CALENDAR_USE = 'calendar';

/** The address under which a calendar program on this device subscribes: it brings no cookie, but a key. */
async function answerCalendarAddress(
  context: Context,
  request: IncomingMessage,
  response: ServerResponse,
  device: { readonly id: string },
): Promise<void> {
  const key = await sealData(
    { deviceId: device.id, use: CALENDAR_USE },
    { password: context.secret, ttl: LET_IN_DAYS * 86_400 },
  );
  response.writeHead(200, { 'content-type': 'application/json', 'cache-control': 'no-store' });
  response.end(
    JSON.stringify({
      address: `https://${hostOf(context, request)}${CALENDAR}?key=${encodeURIComponent(key)}`,
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
  context: Context,
  request: IncomingMessage,
  response: ServerResponse,
  /** Undefined: a client with a link, who brings no cookie of ours. */
  device: { readonly id: string } | undefined,
): Promise<void> {
  const { upstreamPort, open } = context;
  const upstream = `127.0.0.1:${upstreamPort}`;
  const headers: http.OutgoingHttpHeaders = Object.fromEntries(
    Object.entries(request.headers).filter(
      ([name]) => !NOT_HANDED_ON.has(name) && name !== 'cookie',
    ),
  );
  headers.host = upstream;
  if (device) headers[DEVICE_HEADER] = device.id;
  else headers[ADDRESS_HEADER] = askerOf(context, request);
  // The app compares origin and host: what came from this gateway's own pages is its own.
  if (request.headers.origin === `https://${hostOf(context, request)}`)
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
