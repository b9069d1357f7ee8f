'use server';

import { z } from 'zod';

import type { KeptDeed } from '@/core/home';
import { projectIdSchema, roomIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { addRoom, changeProject, changeRoom, startProject } from '@/server/agree/saveProject';
import { undoOrRedo } from '@/server/undo';
import type { ActionResult } from '@/ui/actionResult';
import { projectFormSchema } from '@/ui/agree/projectForm';
import { roomFormSchema } from '@/ui/look/roomForm';
import { answer, done } from './answer';

export async function startProjectAction(typed: unknown): Promise<ActionResult<{ href: string }>> {
  return answer(projectFormSchema, typed, async ({ budget, status, roomBudgets, ...form }) => {
    void status;
    void roomBudgets;
    const id = await startProject(await getDatabase(), { ...form, budgetMinor: budget });
    return { ok: true, value: { href: `/projects/${id}/rooms/new` } };
  });
}

export async function changeProjectAction(
  projectId: string,
  typed: unknown,
): Promise<ActionResult<{ href: string }>> {
  const schema = z.object({ projectId: projectIdSchema, form: projectFormSchema });
  return answer(
    schema,
    { projectId, form: typed },
    async ({ projectId: id, form: { budget, ...form } }) => {
      await changeProject(await getDatabase(), id, { ...form, budgetMinor: budget });
      return { ok: true, value: { href: '' } };
    },
  );
}

export async function addRoomAction(
  projectId: string,
  typed: unknown,
): Promise<ActionResult<{ href: string }>> {
  const schema = z.object({ projectId: projectIdSchema, form: roomFormSchema });
  return answer(schema, { projectId, form: typed }, async ({ projectId: id, form }) => {
    const roomId = await addRoom(await getDatabase(), id, {
      name: form.name,
      purpose: form.purpose,
      budgetMinor: form.budget,
    });
    return { ok: true, value: { href: `/projects/${id}/rooms/${roomId}/look` } };
  });
}

export async function changeRoomAction(
  projectId: string,
  roomId: string,
  typed: unknown,
): Promise<ActionResult> {
  const form = z.object({
    name: z.string().trim().min(1).max(60),
    purpose: z.string().trim().max(400),
  });
  const schema = z.object({ projectId: projectIdSchema, roomId: roomIdSchema, form });
  return answer(schema, { projectId, roomId, form: typed }, async (input) => {
    await changeRoom(await getDatabase(), input.projectId, { roomId: input.roomId, ...input.form });
    return done;
  });
}

/** A room's share of the home's budget. */
export async function setRoomBudgetAction(
  { projectId, roomId }: { readonly projectId: string; readonly roomId: string },
  typed: unknown,
): Promise<ActionResult> {
  const schema = z.object({
    projectId: projectIdSchema,
    roomId: roomIdSchema,
    budget: roomFormSchema.shape.budget,
  });
  return answer(schema, { projectId, roomId, budget: typed }, async (input) => {
    await changeRoom(await getDatabase(), input.projectId, {
      roomId: input.roomId,
      budgetMinor: input.budget,
    });
    return done;
  });
}

export async function undoAction(
  projectId: string,
  way: 'undo' | 'redo',
): Promise<ActionResult<KeptDeed>> {
  return answer(
    z.object({ projectId: projectIdSchema, way: z.enum(['undo', 'redo']) }),
    { projectId, way },
    async (input) => ({
      ok: true,
      value: await undoOrRedo(await getDatabase(), input.projectId, input.way),
    }),
  );
}
