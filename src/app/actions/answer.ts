import 'server-only';

import { revalidatePath } from 'next/cache';
import type { z } from 'zod';

import { DataError } from '@/data/db';
import type { ActionResult } from '@/ui/actionResult';

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
    if (error instanceof DataError) return { ok: false, message: dataErrorWords(error) };
    throw error;
  }
}

export const done = { ok: true, value: undefined } as const;

function dataErrorWords(error: DataError): string {
  switch (error.code) {
    case 'not_found':
      return 'That is no longer there. Load the page again.';
    case 'changed_since':
      return 'This was changed since, so it cannot be undone by itself.';
    case 'id_reused':
      return 'Two different decisions carry the same id; nothing was kept.';
    case 'picture_missing':
      return 'The file of this picture is missing. Take it again or bring it in.';
    case 'not_whole':
      return 'Not all of it has arrived. Send it again.';
    case 'data_not_writable':
    case 'database_newer':
      return error.message;
  }
}
