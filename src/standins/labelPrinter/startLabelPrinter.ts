import { z } from 'zod';

import {
  startStandin,
  type RunningStandin,
  type StandinAnswer,
  type StandinRequest,
} from '../shared/startStandin';
import type { LabelPrinter } from './printer';
import { printerPage } from './printerPage';

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
}): Promise<RunningStandin> {
  const timer = setInterval(printer.step, stepMs);
  return startStandin({
    port,
    page: printerPage,
    answer: (request) => answer(request, printer),
    onClose: () => clearInterval(timer),
  });
}

function answer(request: StandinRequest, printer: LabelPrinter): StandinAnswer {
  const { method, path, body } = request;
  if (method === 'GET' && path === '/status')
    return {
      status: 200,
      value: {
        format: 'tin-box-label-printer',
        version: 1,
        state: printer.state(),
        tapeMm: printer.tapeMm(),
        tapeLeftMm: printer.tapeLeftMm(),
        queue: printer.queue(),
        out: printer.out(),
      },
    };
  const id = /^\/jobs\/([^/]{1,200})$/.exec(path)?.[1];
  if (id !== undefined) return onJob(printer, { id: decodeURIComponent(id), method, body });
  if (method !== 'POST' || path !== '/do') return undefined;
  const order = orderSchema.safeParse(body);
  if (!order.success)
    return fault(400, { code: 'bad_request', message: 'do: jam, clear, out, or tape with mm' });
  obey(printer, order.data);
  return { status: 200, value: { state: printer.state() } };
}

function obey(printer: LabelPrinter, order: z.output<typeof orderSchema>): void {
  if ('mm' in order) printer.loadTape(order.mm);
  else ({ jam: printer.jam, clear: printer.clear, out: printer.useUpTape })[order.do]();
}

function onJob(
  printer: LabelPrinter,
  { id, method, body }: { readonly id: string; readonly method: string; readonly body: unknown },
): StandinAnswer {
  if (method !== 'PUT') {
    const said = method === 'DELETE' ? printer.drop(id) : printer.find(id);
    return said && { status: 200, value: said };
  }
  const job = jobSchema.safeParse(body);
  if (!job.success) {
    const [issue] = job.error.issues;
    return fault(400, { code: 'bad_request', message: issue?.message, path: issue?.path });
  }
  const said = printer.take({ id, ...job.data });
  return said
    ? { status: 200, value: said }
    : fault(409, {
        code: 'wrong_width',
        message: `the tape in the printer is ${printer.tapeMm()} mm wide`,
        loadedMm: printer.tapeMm(),
      });
}

const fault = (status: number, error: object): StandinAnswer => ({ status, value: { error } });
