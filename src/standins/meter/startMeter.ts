import http from 'node:http';

import { createBeam } from './beam';
import { meterPage } from './meterPage';

export interface RunningMeter {
  readonly address: string;
  readonly measure: (trueMm: number) => number;
  readonly close: () => Promise<void>;
}

const MAX_BODY_BYTES = 1000;

/**
 * Starts the simulated distance meter: a small server on the loopback that speaks the interface of
 * docs/devices.md. `GET /` is its own page, `GET /readings` streams server-sent events with one reading a
 * line, `POST /measure` with `{"mm": 563}` takes a reading of that true distance.
 * @throws where the port is taken.
 */
export function startMeter({
  port,
  random,
}: {
  readonly port: number;
  readonly random: () => number;
}): Promise<RunningMeter> {
  const beam = createBeam(random);
  const listeners = new Set<http.ServerResponse>();
  let count = 0;
  const measure = (trueMm: number): number => {
    const mm = beam.read(trueMm);
    count += 1;
    for (const listener of listeners) listener.write(`id: ${count}\ndata: ${mm} mm\n\n`);
    return mm;
  };
  const server = http.createServer((request, response) => {
    if (request.method === 'GET' && request.url === '/readings') return listen(response, listeners);
    if (request.method === 'POST' && request.url === '/measure')
      return void takeReading(request, response, measure);
    if (request.method === 'GET' && request.url === '/')
      return answer(response, 200, 'text/html; charset=utf-8', meterPage);
    answer(
      response,
      404,
      'application/json',
      JSON.stringify({
        error: { code: 'not_found', message: 'GET /, GET /readings or POST /measure' },
      }),
    );
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => {
      const bound = server.address();
      const address = `http://127.0.0.1:${typeof bound === 'object' && bound ? bound.port : port}`;
      const close = () =>
        new Promise<void>((done) => {
          for (const listener of listeners) listener.end();
          server.close(() => done());
          server.closeAllConnections();
        });
      resolve({ address, measure, close });
    });
  });
}

function listen(response: http.ServerResponse, listeners: Set<http.ServerResponse>): void {
  response.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store' });
  response.write(': simulated distance meter\n\n');
  listeners.add(response);
  response.on('close', () => listeners.delete(response));
}

async function takeReading(
  request: http.IncomingMessage,
  response: http.ServerResponse,
  measure: (trueMm: number) => number,
): Promise<void> {
  // Only its own page and programs that name no page: no other site can press the button.
  const origin = request.headers.origin;
  if (origin !== undefined && origin !== `http://${request.headers.host ?? ''}`)
    return answer(
      response,
      403,
      'application/json',
      JSON.stringify({ error: { code: 'refused', message: 'another site asked' } }),
    );
  const mm = readDistance(await readBody(request));
  if (mm === undefined)
    return answer(
      response,
      400,
      'application/json',
      JSON.stringify({
        error: {
          code: 'bad_request',
          message: 'mm: a number above 0 and up to 60000',
          path: ['mm'],
        },
      }),
    );
  answer(response, 200, 'application/json', JSON.stringify({ mm: measure(mm) }));
}

async function readBody(request: http.IncomingMessage): Promise<string> {
  let body = '';
  for await (const chunk of request) {
    body += String(chunk);
    if (body.length > MAX_BODY_BYTES) return '';
  }
  return body;
}

function readDistance(body: string): number | undefined {
  try {
    const { mm } = JSON.parse(body) as { mm?: unknown };
    return typeof mm === 'number' && mm > 0 && mm <= 60_000 ? mm : undefined;
  } catch {
    return undefined;
  }
}

function answer(response: http.ServerResponse, status: number, type: string, body: string): void {
  response.writeHead(status, {
    'content-type': type,
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  });
  response.end(body);
}
