'use server';

import { z } from 'zod';

import { daySchema } from '@/core/agree';
import { bayIdSchema, projectIdSchema, roomIdSchema, unitIdSchema } from '@/core/shared';
import { taskKinds } from '@/core/setUp';
import { getDatabase } from '@/data/startData';
import { noteAir, noteLiner, noteUnit, timeTask } from '@/server/setUp/setUp';
import type { ActionResult } from '@/ui/actionResult';
import { airFormSchema } from '@/ui/setUp/airForm';
import { tookFormSchema } from '@/ui/setUp/tookForm';
import { unitSetUpFormSchema } from '@/ui/setUp/unitSetUpForm';
import { answer, done } from './answer';

const ofRoom = z.object({ projectId: projectIdSchema, roomId: roomIdSchema });
const ofTask = ofRoom.extend({ kind: z.enum(taskKinds), of: z.string().max(100) });
type OfTask = { readonly kind: string; readonly of: string };

export async function timeTaskAction(
  projectId: string,
  roomId: string,
  task: OfTask,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofTask.extend({ form: tookFormSchema }),
    { projectId, roomId, ...task, form: typed },
    async ({ form, ...input }) => {
      await timeTask(await getDatabase(), input.projectId, { ...input, ...form });
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

export async function noteUnitAction(
  projectId: string,
  roomId: string,
  unitId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({ unitId: unitIdSchema, form: unitSetUpFormSchema }),
    { projectId, roomId, unitId, form: typed },
    async ({ form, ...input }) => {
      await noteUnit(await getDatabase(), input.projectId, { ...input, ...form });
      return done;
    },
  );
}

export async function noteLinerAction(
  projectId: string,
  roomId: string,
  bayId: string,
  changedOn: string,
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({ bayId: bayIdSchema, changedOn: daySchema }),
    { projectId, roomId, bayId, changedOn },
    async (input) => {
      await noteLiner(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}
