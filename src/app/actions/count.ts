'use server';

import { z } from 'zod';

import { enoughRuleSchema } from '@/core/count';
import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { dropRule, saveRule, setHousehold } from '@/server/count/enoughRules';
import type { ActionResult } from '@/ui/actionResult';
import { answer, done } from './answer';

const ruleFormSchema = enoughRuleSchema.omit({ id: true, projectId: true });

export async function saveRuleAction(projectId: string, typed: unknown): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, form: ruleFormSchema }),
    { projectId, form: typed },
    async (input) => {
      await saveRule(await getDatabase(), input.projectId, input.form);
      return done;
    },
  );
}

export async function dropRuleAction(projectId: string, name: string): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, name: z.string().min(1).max(60) }),
    { projectId, name },
    async (input) => {
      await dropRule(await getDatabase(), input.projectId, input.name);
      return done;
    },
  );
}

const wholeNumber = (most: number) =>
  z
    .number({ error: 'Type a number' })
    .int('A whole number')
    .min(0, 'At least 0')
    .max(most, `At most ${most}`);

export async function setHouseholdAction(projectId: string, typed: unknown): Promise<ActionResult> {
  const schema = z.object({
    projectId: projectIdSchema,
    form: z.object({
      bedCount: wholeNumber(40),
      guestPlaceCount: wholeNumber(40),
      washEveryDays: wholeNumber(60).min(1, 'At least 1'),
    }),
  });
  return answer(schema, { projectId, form: typed }, async (input) => {
    await setHousehold(await getDatabase(), input.projectId, input.form);
    return done;
  });
}
