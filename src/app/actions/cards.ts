'use server';

import { z } from 'zod';

import { daySchema } from '@/core/agree';
import {
  jarIdSchema,
  kitIdSchema,
  projectIdSchema,
  roomIdSchema,
  routineIdSchema,
} from '@/core/shared';
import { getDatabase } from '@/data/startData';
import {
  keepJar,
  keepKit,
  keepRoutine,
  noteRoutine,
  packKit,
  removeJar,
  removeKit,
  removeRoutine,
} from '@/server/setUp/cards';
import type { ActionResult } from '@/ui/actionResult';
import { jarFormSchema, kitFormSchema, routineFormSchema } from '@/ui/setUp/cardForms';
import { answer, done } from './answer';

const ofHome = z.object({ projectId: projectIdSchema });
const ofRoom = ofHome.extend({ roomId: roomIdSchema });

export async function keepJarAction(
  projectId: string,
  roomId: string,
  id: string | undefined,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({ id: jarIdSchema.optional(), form: jarFormSchema }),
    { projectId, roomId, id, form: typed },
    async ({ form, ...input }) => {
      await keepJar(await getDatabase(), input.projectId, {
        id: input.id,
        jar: { ...form, roomId: input.roomId },
      });
      return done;
    },
  );
}

export async function removeJarAction(projectId: string, id: string): Promise<ActionResult> {
  return answer(ofHome.extend({ id: jarIdSchema }), { projectId, id }, async (input) => {
    await removeJar(await getDatabase(), input.projectId, input.id);
    return done;
  });
}

export async function keepRoutineAction(
  projectId: string,
  roomId: string,
  id: string | undefined,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofRoom.extend({ id: routineIdSchema.optional(), form: routineFormSchema }),
    { projectId, roomId, id, form: typed },
    async ({ form, ...input }) => {
      await keepRoutine(await getDatabase(), input.projectId, {
        id: input.id,
        routine: { ...form, roomId: input.roomId },
      });
      return done;
    },
  );
}

export async function removeRoutineAction(projectId: string, id: string): Promise<ActionResult> {
  return answer(ofHome.extend({ id: routineIdSchema }), { projectId, id }, async (input) => {
    await removeRoutine(await getDatabase(), input.projectId, input.id);
    return done;
  });
}

export async function hangRoutineAction(
  projectId: string,
  id: string,
  hungOn: string | null,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ id: routineIdSchema, hungOn: daySchema.nullable() }),
    { projectId, id, hungOn },
    async ({ projectId: home, ...input }) => {
      await noteRoutine(await getDatabase(), home, input);
      return done;
    },
  );
}

export async function checkRoutineAction(
  projectId: string,
  id: string,
  check: { readonly on: string; readonly holds: boolean },
): Promise<ActionResult> {
  return answer(
    ofHome.extend({
      id: routineIdSchema,
      check: z.object({ on: daySchema, holds: z.boolean() }),
    }),
    { projectId, id, check },
    async ({ projectId: home, ...input }) => {
      await noteRoutine(await getDatabase(), home, input);
      return done;
    },
  );
}

export async function keepKitAction(
  projectId: string,
  id: string | undefined,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ id: kitIdSchema.optional(), form: kitFormSchema }),
    { projectId, id, form: typed },
    async (input) => {
      await keepKit(await getDatabase(), input.projectId, { id: input.id, kit: input.form });
      return done;
    },
  );
}

export async function packKitAction(
  projectId: string,
  id: string,
  item: string | undefined,
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ id: kitIdSchema, item: z.string().max(80).optional() }),
    { projectId, id, item },
    async (input) => {
      await packKit(await getDatabase(), input.projectId, { id: input.id, item: input.item });
      return done;
    },
  );
}

export async function removeKitAction(projectId: string, id: string): Promise<ActionResult> {
  return answer(ofHome.extend({ id: kitIdSchema }), { projectId, id }, async (input) => {
    await removeKit(await getDatabase(), input.projectId, input.id);
    return done;
  });
}
