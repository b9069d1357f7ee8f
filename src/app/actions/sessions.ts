'use server';

import { z } from 'zod';

import { methodStepSchema } from '@/core/sort';
import { carryIdSchema, projectIdSchema, roomIdSchema, sessionIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { changeSteps, saveOwnMethod, settleDebt, startSession } from '@/server/sort/sessions';
import { sayGoingOut, takeBackCarry } from '@/server/sort/goingOut';
import type { ActionResult } from '@/ui/actionResult';
import { goingOutFormSchema } from '@/ui/sort/goingOutForm';
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

const sessionPlaceSchema = placeSchema.extend({ sessionId: sessionIdSchema });

export async function changeStepsAction(
  place: RoomPlace,
  sessionId: string,
  steps: unknown,
): Promise<ActionResult> {
  return answer(
    sessionPlaceSchema.extend({ steps: z.array(methodStepSchema).min(1).max(12) }),
    { ...place, sessionId, steps },
    async ({ projectId, ...input }) => {
      await changeSteps(await getDatabase(), projectId, input);
      return done;
    },
  );
}

const carryPlaceSchema = placeSchema.extend({ carryId: carryIdSchema });

export async function sayGoingOutAction(
  place: RoomPlace,
  carryId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    carryPlaceSchema.extend({ form: goingOutFormSchema }),
    { ...place, carryId, form: typed },
    async ({ projectId, form: { goneOn, ...said }, ...input }) => {
      await sayGoingOut(await getDatabase(), projectId, {
        ...input,
        said: { ...said, goneAt: goneOn === '' ? null : new Date(goneOn).toISOString() },
      });
      return done;
    },
  );
}

export async function takeBackCarryAction(
  place: RoomPlace,
  carryId: string,
): Promise<ActionResult> {
  return answer(carryPlaceSchema, { ...place, carryId }, async ({ projectId, ...input }) => {
    await takeBackCarry(await getDatabase(), projectId, input);
    return done;
  });
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

/** A debt of whichever room, from the list of all of them. */
export async function settleAnyDebtAction(
  projectId: string,
  place: { readonly roomId: string; readonly carryId: string },
): Promise<ActionResult> {
  return settleDebtAction({ projectId, roomId: place.roomId }, place.carryId);
}
