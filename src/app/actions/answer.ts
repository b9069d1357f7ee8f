import 'server-only';

import { revalidatePath } from 'next/cache';
import type { z } from 'zod';

import { toDataError } from '@/data/faults';
import type { ActionResult } from '@/ui/actionResult';
import { faultWords } from '../faultWords';

/** Parses what came in, runs the use case, and turns what can go wrong into words for the form. */
export async function answer<S extends z.ZodType, T>(
  schema: S,
  raw: unknown,
  work: (input: z.output<S>) => Promise<ActionResult<T>>,
): Promise<ActionResult<T>> {
  const parsed = schema.safeParse(raw);
  if (!parsed.success) {
    const fields = Object.fromEntries(
      parsed.error.issues.map((issue) => [issue.path.join('.'), issue.message]),
    );
    const [field, message] = Object.entries(fields)[0] ?? ['', ''];
    return { ok: false, message: field === '' ? message : `${field}: ${message}`, fields };
  }
  try {
    const result = await work(parsed.data);
    if (result.ok) revalidatePath('/', 'layout');
    return result;
  } catch (error) {
    const known = toDataError(error);
    if (known) return { ok: false, message: faultWords[known.code].words };
    throw error;
  }
}

export const done = { ok: true, value: undefined } as const;
