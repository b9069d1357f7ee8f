'use server';

import { z } from 'zod';

import { methodStepSchema, verdictSchema } from '@/core/sort';
import { carryIdSchema, projectIdSchema, roomIdSchema, sessionIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import {
  carryOut,
  endSession,
  nextStep,
  saveOwnMethod,
  settleDebt,
  startSession,
} from '@/server/sort/sessions';
import type { ActionResult } from '@/ui/actionResult';
import { sessionFormSchema } from '@/ui/sort/sessionForm';
import { answer, done } from './answer';

const placeSchema = z.object({ projectId: projectIdSchema, roomId: roomIdSchema });
type RoomPlace = z.input<typeof placeSchema>;

export async function startSessionAction(place: RoomPlace, typed: unknown): Promise<ActionResult> {
  return answer(
    placeSchema.extend({ form: sessionFormSchema }),
    { ...place, form: typed },
    async ({ projectId, roomId, form: { minutes, ...form } }) => {
      await startSession(await getDatabase(), projectId, {
        ...form,
        roomId,
        plannedMinutes: minutes,
      });
      return done;
    },
  );
}

export async function stepSessionAction(
  place: RoomPlace,
  sessionId: string,
  way: 'next' | 'end',
): Promise<ActionResult> {
  return answer(
    placeSchema.extend({ sessionId: sessionIdSchema, way: z.enum(['next', 'end']) }),
    { ...place, sessionId, way },
    async ({ projectId, ...input }) => {
      await (input.way === 'next' ? nextStep : endSession)(await getDatabase(), projectId, input);
      return done;
    },
  );
}

export async function saveOwnMethodAction(
  projectId: string,
  name: string,
  steps: unknown,
): Promise<ActionResult> {
  const schema = z.object({
    projectId: projectIdSchema,
    name: z.string().trim().min(1, 'Type a name for it').max(60),
    steps: z.array(methodStepSchema).min(1).max(12),
  });
  return answer(schema, { projectId, name, steps }, async (input) => {
    await saveOwnMethod(await getDatabase(), input.projectId, input);
    return done;
  });
}

const carryFormSchema = z.object({
  verdict: verdictSchema.nullable(),
  litres: z.number().min(0).max(100_000),
  massG: z.number().int().min(0).max(1_000_000_000),
  note: z.string().trim().max(120),
  dueOn: z.iso.date().nullable(),
});

export async function carryOutAction(place: RoomPlace, typed: unknown): Promise<ActionResult> {
  return answer(
    placeSchema.extend({ form: carryFormSchema }),
    { ...place, form: typed },
    async ({ projectId, roomId, form }) => {
      await carryOut(await getDatabase(), projectId, { ...form, roomId });
      return done;
    },
  );
}

export async function settleDebtAction(place: RoomPlace, carryId: string): Promise<ActionResult> {
  return answer(
    placeSchema.extend({ carryId: carryIdSchema }),
    { ...place, carryId },
    async ({ projectId, ...input }) => {
      await settleDebt(await getDatabase(), projectId, input);
      return done;
    },
  );
}
