import 'server-only';

import type { z } from 'zod';

import { decodeText } from '@/server/exchange/decodeText';

/** A refusal that a person can act on; `path` names the field. */
export const refuse = (
  status: number,
  error: {
    readonly code: string;
    readonly message: string;
    readonly path?: readonly PropertyKey[];
  },
): Response => Response.json({ error }, { status, headers: { 'cache-control': 'no-store' } });

/** Parses with the first fault named, or runs `work`. */
export async function respond<S extends z.ZodType>(
  schema: S,
  raw: unknown,
  work: (input: z.output<S>) => Promise<Response>,
): Promise<Response> {
  const parsed = schema.safeParse(raw);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    const path = issue?.path ?? [];
    return refuse(400, {
      code: 'bad_request',
      message: `${path.join('.') || 'request'}: ${issue?.message ?? 'cannot be read'}`,
      path,
    });
  }
  return work(parsed.data);
}

type BodyFault =
  { readonly code: 'too_large'; readonly maxBytes: number } | { readonly code: 'not_whole' };

/** Refuses a body that is announced larger than `maxBytes`, before any of it is read. */
function findOversize(request: Request, maxBytes: number): BodyFault | undefined {
  const announced = Number(request.headers.get('content-length') ?? 0);
  return announced > maxBytes ? { code: 'too_large', maxBytes } : undefined;
}

/**
 * The body piece by piece, so that it need not be held. Ends with a fault where it is larger than
 * `maxBytes`, without reading the rest, or shorter than its headers say.
 */
export async function* readPieces(
  request: Request,
  maxBytes: number,
): AsyncGenerator<Uint8Array, BodyFault | undefined> {
  const oversize = findOversize(request, maxBytes);
  if (oversize) return oversize;
  let length = 0;
  const reader = request.body?.getReader();
  try {
    for (let next = await reader?.read(); next && !next.done; next = await reader?.read()) {
      length += next.value.byteLength;
      if (length > maxBytes) return { code: 'too_large', maxBytes };
      yield next.value;
    }
  } finally {
    await reader?.cancel().catch(() => undefined);
  }
  const announced = request.headers.get('content-length');
  return announced !== null && Number(announced) !== length ? { code: 'not_whole' } : undefined;
}

/** A request that is answered with a refusal, from wherever that is found; the handler catches it. */
export class RefusedError extends Error {
  constructor(readonly response: Response) {
    super('refused');
  }
}

/** Reads a body up to `maxBytes` as a whole; `what` names it in the refusal, as in "This picture". */
export async function readBody(
  request: Request,
  { maxBytes, what }: { readonly maxBytes: number; readonly what: string },
): Promise<Uint8Array> {
  const pieces = readPieces(request, maxBytes);
  const chunks: Uint8Array[] = [];
  for (;;) {
    const next = await pieces.next();
    if (!next.done) chunks.push(next.value);
    else if (next.value) throw new RefusedError(refuseBody(next.value, what));
    else return Buffer.concat(chunks);
  }
}

/** As `readBody`, for text in whichever way a spreadsheet program wrote it. */
export const readText = async (
  request: Request,
  limits: { readonly maxBytes: number; readonly what: string },
): Promise<string> => decodeText(await readBody(request, limits));

/** The answer to a body that was not taken. */
export function refuseBody(fault: BodyFault, what: string): Response {
  if (fault.code === 'not_whole')
    return refuse(400, {
      code: fault.code,
      message: `${what} did not arrive whole. Send it again.`,
    });
  const megabytes = fault.maxBytes / 1e6;
  const most = megabytes >= 1 ? `${Math.round(megabytes)} MB` : `${fault.maxBytes / 1000} kB`;
  return refuse(413, { code: fault.code, message: `${what} is larger than ${most}.` });
}

export function readJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

export const noStore = { 'cache-control': 'no-store' } as const;

/** Headers of a file to be saved under a name made of plain letters. */
export const asDownload = (fileName: string, type: string): HeadersInit => ({
  ...noStore,
  'content-type': type,
  'content-disposition': `attachment; filename="${fileName.replace(/[^a-zA-Z0-9._-]/g, '-')}"`,
});
