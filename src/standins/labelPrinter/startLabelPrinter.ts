import http from 'node:http';

import { z } from 'zod';

import type { LabelPrinter } from './printer';
import { printerPage } from './printerPage';

export interface RunningLabelPrinter {
  readonly address: string;
  readonly close: () => Promise<void>;
}

const MAX_BODY_BYTES = 8_000_000;
const jobSchema = z.object({
  format: z.literal('tin-box-labels'),
  version: z.literal(1),
  tapeMm: z.number().positive().max(100),
  labels: z
    .array(
      z.object({
        id: z.string().min(1).max(300),
        lengthMm: z.number().positive().max(1000),
        text: z.string().max(200),
        svg: z.string().max(200_000),
      }),
    )
    .max(500),
});
const orderSchema = z.discriminatedUnion('do', [
  z.object({ do: z.enum(['jam', 'clear', 'out']) }),
  z.object({ do: z.literal('tape'), mm: z.number().positive().max(100) }),
]);

/**
 * Starts the simulated label printer: a small server on the loopback that speaks the interface of
 * docs/devices.md. `GET /` is its own page, `GET /status` how it stands, `PUT`, `GET` and `DELETE
 * /jobs/:id` its queue, `POST /do` what goes wrong. It prints a label every `stepMs`.
 * @throws where the port is taken.
 */
export function startLabelPrinter({
  port,
  printer,
  stepMs = 500,
}: {
  readonly port: number;
  readonly printer: LabelPrinter;
  readonly stepMs?: number;
}): Promise<RunningLabelPrinter> {
  const timer = setInterval(printer.step, stepMs);
  const server = http.createServer((request, response) => {
    if (request.method === 'GET' && request.url === '/')
      return send(response, 200, { type: 'text/html; charset=utf-8', body: printerPage });
    if (request.method === 'GET' && request.url === '/status')
      return json(response, 200, {
        format: 'tin-box-label-printer',
        version: 1,
        state: printer.state(),
        tapeMm: printer.tapeMm(),
        tapeLeftMm: printer.tapeLeftMm(),
        queue: printer.queue(),
        out: printer.out(),
      });
    void answer(request, response, printer);
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => {
      const bound = server.address();
      resolve({
        address: `http://127.0.0.1:${typeof bound === 'object' && bound ? bound.port : port}`,
        close: () =>
          new Promise<void>((done) => {
            clearInterval(timer);
            server.close(() => done());
            server.closeAllConnections();
          }),
      });
    });
  });
}

async function answer(
  request: http.IncomingMessage,
  response: http.ServerResponse,
  printer: LabelPrinter,
): Promise<void> {
  // Only its own page and programs that name no page: no other site can print.
  const { origin } = request.headers;
  if (origin !== undefined && origin !== `http://${request.headers.host ?? ''}`)
    return fault(response, 403, { code: 'refused', message: 'another site asked' });
  const body = readJson(await readBody(request));
  const id = /^\/jobs\/([^/]{1,200})$/.exec(request.url ?? '')?.[1];
  if (id !== undefined) return onJob(response, printer, { id, method: request.method, body });
  if (request.method === 'POST' && request.url === '/do') {
    const order = orderSchema.safeParse(body);
    if (!order.success)
      return fault(response, 400, {
        code: 'bad_request',
        message: 'do: jam, clear, out, or tape with mm',
      });
    obey(printer, order.data);
    return json(response, 200, { state: printer.state() });
  }
  fault(response, 404, {
    code: 'not_found',
    message: 'GET /, GET /status, PUT, GET or DELETE /jobs/:id, or POST /do',
  });
}

function obey(printer: LabelPrinter, order: z.output<typeof orderSchema>): void {
  if ('mm' in order) printer.loadTape(order.mm);
  else ({ jam: printer.jam, clear: printer.clear, out: printer.useUpTape })[order.do]();
}

function onJob(
  response: http.ServerResponse,
  printer: LabelPrinter,
  {
    id,
    method,
    body,
  }: { readonly id: string; readonly method: string | undefined; readonly body: unknown },
): void {
  if (method === 'PUT') {
    const job = jobSchema.safeParse(body);
    if (!job.success)
      return fault(response, 400, {
        code: 'bad_request',
        message: job.error.issues[0]?.message ?? 'no such job',
        path: job.error.issues[0]?.path,
      });
    const said = printer.take({ id, ...job.data });
    return said
      ? json(response, 200, said)
      : fault(response, 409, {
          code: 'wrong_width',
          message: `the tape in the printer is ${printer.tapeMm()} mm wide`,
          loadedMm: printer.tapeMm(),
        });
  }
  const said = method === 'DELETE' ? printer.drop(id) : printer.find(id);
  if (said) return json(response, 200, said);
  fault(response, 404, { code: 'not_found', message: 'there is no such job' });
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
const fault = (response: http.ServerResponse, status: number, error: object): void =>
  json(response, status, { error });

function send(
  response: http.ServerResponse,
  status: number,
  { type, body }: { readonly type: string; readonly body: string },
): void {
  response.writeHead(status, {
    'content-type': type,
    'cache-control': 'no-store',
    'x-content-type-options': 'nosniff',
  });
  response.end(body);
}
