'use server';

import { z } from 'zod';

import { mendings, reviewKinds } from '@/core/again';
import { bayIdSchema, projectIdSchema, putAwayTestIdSchema, roomIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { moveLook, removeTest } from '@/server/again/looks';
import { takeMending } from '@/server/again/mend';
import { addGroup } from '@/server/sort/groups';
import type { ActionResult } from '@/ui/actionResult';
import { answer, done } from './answer';

const ofHome = z.object({ projectId: projectIdSchema });
const lookAt = z.object({
  roomId: roomIdSchema.nullable(),
  kind: z.enum(reviewKinds),
  plannedOn: z.iso.date(),
});

export async function moveLookAction(
  projectId: string,
  at: unknown,
  dueOn: string,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ at: lookAt, dueOn: z.iso.date('Choose a day') }),
    { projectId, at, dueOn },
    async (input) => {
      await moveLook(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

/** A stray that belongs to no group becomes one where it lies. */
export async function groupStrayAction(
  projectId: string,
  roomId: string,
  stray: { readonly name: string; readonly bayId: string },
): Promise<ActionResult<string>> {
  return answer(
    ofHome.extend({
      roomId: roomIdSchema,
      name: z.string().trim().min(1).max(60),
      bayId: bayIdSchema,
    }),
    { projectId, roomId, ...stray },
    async (input) => ({
      ok: true,
      value: (await addGroup(await getDatabase(), input.projectId, input)).id,
    }),
  );
}

export async function removeTestAction(projectId: string, testId: string): Promise<ActionResult> {
  return answer(
    ofHome.extend({ testId: putAwayTestIdSchema }),
    { projectId, testId },
    async (input) => {
      await removeTest(await getDatabase(), input.projectId, input.testId);
      return done;
    },
  );
}

/** Takes a way to mend a finding; of another place the answer is the draft that was made. */
export async function takeMendingAction(
  projectId: string,
  key: string,
  mending: string,
): Promise<ActionResult<string | undefined>> {
  return answer(
    ofHome.extend({ key: z.string().min(1).max(200), mending: z.enum(mendings) }),
    { projectId, key, mending },
    async (input) => ({
      ok: true,
      value: await takeMending(await getDatabase(), input.projectId, input),
    }),
  );
}
