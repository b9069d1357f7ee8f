import http from 'node:http';

export interface RunningStandin {
  readonly address: string;
  readonly close: () => Promise<void>;
}
/** What was asked; `body` is undefined where it is no JSON, or too long. */
export interface StandinRequest {
  readonly method: string;
  readonly path: string;
  readonly query: URLSearchParams;
  readonly body: unknown;
}
/** What is answered: JSON, or bytes where a type is named; undefined: there is no such address. */
export type StandinAnswer =
  | {
      readonly status: number;
      readonly value: unknown;
      readonly type?: string;
      readonly afterMs?: number;
    }
  | undefined;

const MAX_BODY_BYTES = 32_000_000;

/**
 * A small server on the loopback that plays a device or a service: `GET /` is its own page, everything else
 * JSON. Only its page and programs that name no page are answered, so that no other site can use it.
 * @throws where the port is taken.
 */
export function startStandin({
  port,
  page,
  answer,
  onClose = () => undefined,
}: {
  readonly port: number;
  readonly page: string;
  readonly answer: (request: StandinRequest) => StandinAnswer;
  readonly onClose?: () => void;
}): Promise<RunningStandin> {
  const server = http.createServer((request, response) => {
    if (request.method === 'GET' && request.url === '/')
      return send(response, 200, { type: 'text/html; charset=utf-8', body: page });
    void onRequest(request, response, answer);
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => {
      const bound = server.address();
      resolve({
        address: `http://127.0.0.1:${typeof bound === 'object' && bound ? bound.port : port}`,
        close: () =>
          new Promise<void>((done) => {
            onClose();
            server.close(() => done());
            server.closeAllConnections();
          }),
      });
    });
  });
}

async function onRequest(
  request: http.IncomingMessage,
  response: http.ServerResponse,
  answer: (request: StandinRequest) => StandinAnswer,
): Promise<void> {
  const { origin } = request.headers;
  if (origin !== undefined && origin !== `http://${request.headers.host ?? ''}`)
    return json(response, 403, { error: { code: 'refused', message: 'another site asked' } });
  const url = new URL(request.url ?? '/', 'http://127.0.0.1');
  const given = answer({
    method: request.method ?? 'GET',
    path: url.pathname,
    query: url.searchParams,
    body: readJson(await readBody(request)),
  });
  if (!given)
    return json(response, 404, { error: { code: 'not_found', message: 'there is no such thing' } });
  if (given.type !== undefined && given.value instanceof Uint8Array)
    return send(response, given.status, { type: given.type, body: given.value });
  if (given.afterMs === undefined) return json(response, given.status, given.value);
  setTimeout(() => json(response, given.status, given.value), given.afterMs).unref();
}

async function readBody(request: http.IncomingMessage): Promise<string> {
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of request as AsyncIterable<Buffer>) {
    size += chunk.length;
    if (size > MAX_BODY_BYTES) return '';
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

function readJson(body: string): unknown {
  try {
    return JSON.parse(body);
  } catch {
    return undefined;
  }
}

const json = (response: http.ServerResponse, status: number, value: unknown): void =>
  send(response, status, { type: 'application/json', body: JSON.stringify(value) });

function send(
  response: http.ServerResponse,
  status: number,
  { type, body }: { readonly type: string; readonly body: string | Uint8Array },
): void {
  response.writeHead(status, {
    'content-type': type,
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  });
  response.end(body);
}
