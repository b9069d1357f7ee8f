'use server';

import { z } from 'zod';

import { enoughRuleSchema } from '@/core/count';
import { projectIdSchema } from '@/core/shared';
import { addWeighing, kindKeyOf, kinds, kindSizeSchema, noKindSize } from '@/core/sort';
import { listKindSizes, putKindSize, removeKindSize } from '@/data/countRepo';
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

const kindSchema = z
  .string()
  .refine((id) => kinds.some((kind) => kindKeyOf(kind) === id), 'is no kind of thing');

/** Types a kind's size over; both empty put the shipped figures back, but what was weighed stays. */
export async function setKindSizeAction(typed: unknown): Promise<ActionResult> {
  return answer(
    kindSizeSchema.pick({ litres: true, massG: true }).extend({ id: kindSchema }),
    typed,
    async (input) => {
      const db = await getDatabase();
      const known =
        (await listKindSizes(db)).find(({ id }) => id === input.id) ?? noKindSize(input.id);
      await putKindSize(db, { ...known, ...input });
      return done;
    },
  );
}

export async function weighKindAction(typed: unknown): Promise<ActionResult> {
  const schema = z.object({
    id: kindSchema,
    count: z.number({ error: 'Type how many' }).int('Whole pieces').min(1, 'At least 1').max(1000),
    massG: z.number({ error: 'Type grams' }).positive('More than 0').max(200_000, 'At most 200 kg'),
  });
  return answer(schema, typed, async ({ id, ...weighing }) => {
    const db = await getDatabase();
    const known = (await listKindSizes(db)).find((size) => size.id === id) ?? noKindSize(id);
    await putKindSize(db, addWeighing(known, weighing));
    return done;
  });
}

export async function resetKindAction(id: string): Promise<ActionResult> {
  return answer(kindSchema, id, async (key) => {
    await removeKindSize(await getDatabase(), key);
    return done;
  });
}
