'use server';

import { z } from 'zod';

import { projectIdSchema, roomIdSchema } from '@/core/shared';
import { taskKinds } from '@/core/setUp';
import { getDatabase } from '@/data/startData';
import { noteAir, tickTask } from '@/server/setUp/setUp';
import type { ActionResult } from '@/ui/actionResult';
import { airFormSchema } from '@/ui/setUp/airForm';
import { answer, done } from './answer';

const ofRoom = z.object({ projectId: projectIdSchema, roomId: roomIdSchema });

export async function tickTaskAction(
  projectId: string,
  roomId: string,
  task: { readonly kind: string; readonly of: string },
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({ kind: z.enum(taskKinds), of: z.string().max(100) }),
    { projectId, roomId, ...task },
    async (input) => {
      await tickTask(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}

export async function noteAirAction(
  projectId: string,
  roomId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({ form: airFormSchema }),
    { projectId, roomId, form: typed },
    async (input) => {
      await noteAir(await getDatabase(), input.projectId, {
        roomId: input.roomId,
        ...input.form,
      });
      return done;
    },
  );
}
