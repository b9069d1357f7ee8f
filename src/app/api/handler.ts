import 'server-only';

import { toDataError } from '@/data/faults';
import { faultWords } from '../faultWords';
import { findGuardRefusal, securityHeaders } from '../guard';
import { refuse, RefusedError } from './respond';

/** What every route of `/api` is made by: it guards, answers faults in words, and sends the security headers. */
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
