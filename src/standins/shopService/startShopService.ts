import http from 'node:http';

import { stallMoods, type Stall, type StallMood } from './stall';
import { stallPage } from './stallPage';

export interface RunningShopService {
  readonly address: string;
  readonly close: () => Promise<void>;
}

const MAX_BODY_BYTES = 1000;
/** How long a slow shop takes; longer than anybody who asks waits. */
const SLOW_MS = 6000;

/**
 * Starts the simulated shop service: a small server on the loopback that speaks the interface of
 * docs/devices.md. `GET /` is its own page, `GET /offers` its prices and stock, `POST /do` with
 * `{"do": "sell_out" | "restock" | "change_prices" | "well" | "slow" | "down", "offerId"?}` moves them.
 * @throws where the port is taken.
 */
export function startShopService({
  port,
  stall,
  name,
}: {
  readonly port: number;
  readonly stall: Stall;
  readonly name: string;
}): Promise<RunningShopService> {
  const server = http.createServer((request, response) => {
    if (request.method === 'GET' && request.url === '/')
      return answer(response, 200, 'text/html; charset=utf-8', stallPage(name));
    if (request.method === 'GET' && request.url === '/state')
      return json(response, 200, { mood: stall.mood(), offers: stall.offers() });
    if (request.method === 'GET' && request.url === '/offers')
      return void sendOffers(response, stall, name);
    if (request.method === 'POST' && request.url === '/do')
      return void act(request, response, stall);
    json(response, 404, {
      error: { code: 'not_found', message: 'GET /, GET /offers or POST /do' },
    });
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => {
      const bound = server.address();
      const address = `http://127.0.0.1:${typeof bound === 'object' && bound ? bound.port : port}`;
      resolve({
        address,
        close: () =>
          new Promise<void>((done) => {
            server.close(() => done());
            server.closeAllConnections();
          }),
      });
    });
  });
}

async function sendOffers(
  response: http.ServerResponse,
  stall: Stall,
  name: string,
): Promise<void> {
  if (stall.mood() === 'down')
    return json(response, 503, { error: { code: 'down', message: 'the shop cannot answer now' } });
  if (stall.mood() === 'slow') await new Promise((resolve) => setTimeout(resolve, SLOW_MS).unref());
  json(response, 200, {
    format: 'tin-box-offers',
    version: 1,
    shop: name,
    offers: stall.offers().map(({ id, packSize, priceMinor, inStock, aisle }) => ({
      id,
      packSize,
      priceMinor,
      inStock,
      aisle,
    })),
  });
}

async function act(
  request: http.IncomingMessage,
  response: http.ServerResponse,
  stall: Stall,
): Promise<void> {
  // Only its own page and programs that name no page: no other site can move the stock.
  const origin = request.headers.origin;
  if (origin !== undefined && origin !== `http://${request.headers.host ?? ''}`)
    return json(response, 403, { error: { code: 'refused', message: 'another site asked' } });
  const { what, offerId } = readOrder(await readBody(request));
  if (stallMoods.some((mood) => mood === what)) stall.setMood(what as StallMood);
  else if (what === 'restock') stall.restock();
  else if (what === 'change_prices') stall.changePrices();
  else if (what !== 'sell_out' || !stall.sellOut(offerId))
    return json(response, 400, {
      error: {
        code: 'bad_request',
        message:
          'do: sell_out with the offerId of an offer, restock, change_prices, well, slow or down',
        path: ['do'],
      },
    });
  json(response, 200, { mood: stall.mood(), offers: stall.offers() });
}

async function readBody(request: http.IncomingMessage): Promise<string> {
  let body = '';
  for await (const chunk of request) {
    body += String(chunk);
    if (body.length > MAX_BODY_BYTES) return '';
  }
  return body;
}

function readOrder(body: string): { readonly what: string; readonly offerId: string } {
  try {
    const order = JSON.parse(body) as { do?: unknown; offerId?: unknown };
    return {
      what: typeof order.do === 'string' ? order.do : '',
      offerId: typeof order.offerId === 'string' ? order.offerId : '',
    };
  } catch {
    return { what: '', offerId: '' };
  }
}

const json = (response: http.ServerResponse, status: number, value: unknown): void =>
  answer(response, status, 'application/json', JSON.stringify(value));

function answer(response: http.ServerResponse, status: number, type: string, body: string): void {
  response.writeHead(status, {
    'content-type': type,
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  });
  response.end(body);
}
