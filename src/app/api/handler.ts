import 'server-only';

import { toDataError } from '@/data/faults';
import { faultWords } from '../faultWords';
import { findGuardRefusal, securityHeaders } from '../guard';
import { refuse, RefusedError } from './respond';

/**
 * What every route of `/api` is made by: it guards, answers faults in words, and sends the security
 * headers.
 */
export function handler<C>(
  work: (request: Request, context: C) => Promise<Response> | Response,
): (request: Request, context: C) => Promise<Response> {
  return async (request, context) => {
    const refusal = findGuardRefusal(request.method, request.headers);
    const response = refusal
      ? refuse(refusal.status, { code: 'refused', message: refusal.message })
      : await answer(request, () => work(request, context));
    for (const [name, value] of Object.entries(securityHeaders()))
      if (!response.headers.has(name)) response.headers.set(name, value);
    return response;
  };
}

/** The answer of `work`, or, where it fails for a reason that a person can mend, that reason in words. */
export async function answer(
  request: Request,
  work: () => Promise<Response> | Response,
): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof RefusedError) return error.response;
    const known = toDataError(error);
    if (known) {
      const { status, words } = faultWords[known.code];
      return refuse(status, { code: known.code, message: words });
    }
    // Whoever asked went away, or sent what is no request: not a fault of ours.
    if (request.signal.aborted || isBrokenBody(error))
      return refuse(400, {
        code: 'not_whole',
        message: 'The request broke off or cannot be read.',
      });
    throw error;
  }
}

/** Node's and undici's names for a body that ended early or is not what its headers say. */
const isBrokenBody = (error: unknown): boolean =>
  error instanceof Error &&
  (/aborted|terminated|premature|ECONNRESET/i.test(error.message) || error.name === 'AbortError');

/**
 * An answer of a line of JSON at a time, for what takes long: what `work` says of its progress, and at
 * the end its answer or the fault. Asked for anything but `application/x-ndjson`, only that last one.
 */
export async function answerLongWork(
  request: Request,
  work: (say: (progress: unknown) => void) => Promise<Response>,
): Promise<Response> {
  if (request.headers.get('accept') !== 'application/x-ndjson') return work(() => undefined);
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    start: async (controller) => {
      const say = (line: unknown) => {
        // Whoever listened may be gone; the work goes on as it does without.
        if (!request.signal.aborted)
          controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
      };
      try {
        say((await (await answer(request, () => work(say))).json()) as unknown);
        if (!request.signal.aborted) controller.close();
      } catch (error) {
        controller.error(error);
      }
    },
  });
  return new Response(body, {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store' },
  });
}
