import 'server-only';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { listChangeHeads } from '@/data/changes';
import { toDataError } from '@/data/faults';
import { getDatabase } from '@/data/startData';
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
    const before = await findLastChange(raw);
    const result = await work(parsed.data);
    if (!result.ok) return result;
    showAnew();
    const after = await findLastChange(raw);
    return after && after.seq !== before?.seq ? { ...result, undo: after } : result;
  } catch (error) {
    const known = toDataError(error);
    if (known) return { ok: false, message: faultWords[known.code].words };
    throw error;
  }
}

/** The answer of an action brings the page that is shown along, as it is now. */
export const showAnew = (): void => revalidatePath('/', 'layout');

/** The last change of the project that the input names, where it names one. */
async function findLastChange(raw: unknown) {
  const named = z.object({ projectId: projectIdSchema }).safeParse(raw);
  if (!named.success) return undefined;
  const { projectId } = named.data;
  const [change] = await listChangeHeads(await getDatabase(), projectId, 1);
  return change && { ...change, projectId };
}

export const done = { ok: true, value: undefined } as const;
