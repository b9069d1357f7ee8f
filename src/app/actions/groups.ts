'use server';

import { z } from 'zod';

import { lidWishes, seeWishes } from '@/core/fit';
import { groupIdSchema, projectIdSchema, roomIdSchema } from '@/core/shared';
import { groupSchema, placingSchema, type Group } from '@/core/sort';
import { getDatabase } from '@/data/startData';
import { addGroup, changeGroup, removeGroup, sayMayLeave } from '@/server/sort/groups';
import type { ActionResult } from '@/ui/actionResult';
import { answer, done } from './answer';

const nameSchema = z
  .string()
  .trim()
  .min(1, 'Type a name for the group')
  .max(60, 'At most 60 letters');

export async function addGroupAction(
  projectId: string,
  roomId: string,
  name: string,
): Promise<ActionResult<Group>> {
  const schema = z.object({ projectId: projectIdSchema, roomId: roomIdSchema, name: nameSchema });
  return answer(schema, { projectId, roomId, name }, async (input) => ({
    ok: true,
    value: await addGroup(await getDatabase(), input.projectId, input),
  }));
}

const wishesSchema = z.object({
  name: nameSchema,
  uncountedLitres: z.number().min(0).max(10_000),
  lid: z.enum(lidWishes),
  see: z.enum(seeWishes),
  front: z.boolean(),
  loose: z.boolean(),
  asks: groupSchema.shape.asks,
  placing: placingSchema,
});

export async function changeGroupAction(
  projectId: string,
  groupId: string,
  wishes: z.input<typeof wishesSchema>,
): Promise<ActionResult> {
  const schema = z.object({
    projectId: projectIdSchema,
    groupId: groupIdSchema,
    change: wishesSchema,
  });
  return answer(schema, { projectId, groupId, change: wishes }, async (input) => {
    await changeGroup(await getDatabase(), input.projectId, input);
    return done;
  });
}

export async function sayMayLeaveAction(
  projectId: string,
  groupId: string,
  mayLeave: boolean | null,
): Promise<ActionResult> {
  return answer(
    z.object({
      projectId: projectIdSchema,
      groupId: groupIdSchema,
      mayLeave: z.boolean().nullable(),
    }),
    { projectId, groupId, mayLeave },
    async (input) => {
      await sayMayLeave(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

export async function removeGroupAction(projectId: string, groupId: string): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, groupId: groupIdSchema }),
    { projectId, groupId },
    async (input) => {
      await removeGroup(await getDatabase(), input.projectId, input.groupId);
      return done;
    },
  );
}
