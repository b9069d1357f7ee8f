'use server';

import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { decideConflict } from '@/server/field/decideConflict';
import { actFaultWords } from '../actFaultWords';
import type { ActionResult } from '@/ui/actionResult';
import { answer, done } from './answer';

const schema = z.object({
  projectId: projectIdSchema,
  id: z.string().min(1).max(64),
  isOtherTaken: z.boolean(),
});

export async function decideConflictAction(
  projectId: string,
  id: string,
  isOtherTaken: boolean,
): Promise<ActionResult> {
  return answer(schema, { projectId, id, isOtherTaken }, async (input) => {
    const fault = await decideConflict(await getDatabase(), input.projectId, input);
    return fault ? { ok: false, message: await actFaultWords(fault, input.projectId) } : done;
  });
}
