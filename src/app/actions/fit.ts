'use server';

import { z } from 'zod';

import { fitAims, fitAnswerSchema } from '@/core/fit';
import { bayIdSchema, projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/db';
import { dropFit, takeFit } from '@/server/fit/takeFit';
import type { ActionResult } from '@/ui/actionResult';
import { fitFaultWords } from '@/ui/words';
import { answer, done } from './answer';

export async function takeFitAction(projectId: string, bayId: string, prefer: unknown, fit: unknown): Promise<ActionResult> {
  const schema = z.object({ projectId: projectIdSchema, bayId: bayIdSchema, prefer: z.enum(fitAims), answer: fitAnswerSchema });
  return answer(schema, { projectId, bayId, prefer, answer: fit }, async (input) => {
    const taken = await takeFit(await getDatabase(), input.projectId, input);
    if (taken.ok) return done;
    return { ok: false, message: `This no longer goes in as drawn (${taken.error.slice(0, 3).map(fitFaultWords).join('; ')}). Load the page again.` };
  });
}

export async function dropFitAction(projectId: string, bayId: string): Promise<ActionResult> {
  return answer(z.object({ projectId: projectIdSchema, bayId: bayIdSchema }), { projectId, bayId }, async (input) => {
    await dropFit(await getDatabase(), input.projectId, input.bayId);
    return done;
  });
}
