import 'server-only';

import { z } from 'zod';

import { DataError } from '@/data/db';

/** A refusal that a person can act on; `path` names the field. */
export const refuse = (
  status: number,
  error: {
    readonly code: string;
    readonly message: string;
    readonly path?: readonly PropertyKey[];
  },
): Response => Response.json({ error }, { status, headers: { 'cache-control': 'no-store' } });

/** Parses with the first fault named, or runs `work`; what the data layer refuses becomes a status. */
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
  try {
    return await work(parsed.data);
  } catch (error) {
    if (!(error instanceof DataError)) throw error;
    return refuse(error.code === 'not_found' || error.code === 'picture_missing' ? 404 : 409, {
      code: error.code,
      message: error.message,
    });
  }
}

/** Reads a body up to `maxBytes`; undefined where it is larger, without holding the rest. */
export async function readBody(
  request: Request,
  maxBytes: number,
): Promise<Uint8Array | undefined> {
  const chunks: Uint8Array[] = [];
  let length = 0;
  const reader = request.body?.getReader();
  for (let next = await reader?.read(); next && !next.done; next = await reader?.read()) {
    length += next.value.byteLength;
    if (length > maxBytes) {
      await reader?.cancel();
      return undefined;
    }
    chunks.push(next.value);
  }
  const body = new Uint8Array(length);
  let offset = 0;
  for (const chunk of chunks) {
    body.set(chunk, offset);
    offset += chunk.byteLength;
  }
  return body;
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
