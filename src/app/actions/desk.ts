'use server';

import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { dataDirOf } from '@/data/db';
import { backupSettingsSchema, changeBackupSettings } from '@/data/settingsRepo';
import { getDatabase } from '@/data/startData';
import { runBackup } from '@/server/backup/backupSchedule';
import { forget, putAway } from '@/server/desk/putAway';
import type { ActionResult } from '@/ui/actionResult';
import { answer, done } from './answer';

const scheduleSchema = z.object({
  every: backupSettingsSchema.shape.every.unwrap(),
  keep: backupSettingsSchema.shape.keep.unwrap(),
});

export async function saveBackupScheduleAction(typed: unknown): Promise<ActionResult> {
  return answer(scheduleSchema, typed, async (schedule) => {
    await changeBackupSettings(await getDatabase(), schedule);
    return done;
  });
}

export async function backUpNowAction(): Promise<ActionResult> {
  return answer(z.null(), null, async () => {
    const problem = await runBackup();
    return problem === '' ? done : { ok: false, message: problem };
  });
}

export async function putAwayAction(projectId: string, isAway: boolean): Promise<ActionResult> {
  const schema = z.object({ projectId: projectIdSchema, isAway: z.boolean() });
  return answer(schema, { projectId, isAway }, async (input) => {
    await putAway(await getDatabase(), input.projectId, input.isAway);
    return done;
  });
}

export async function forgetAction(projectId: string, typedName: string): Promise<ActionResult> {
  const schema = z.object({ projectId: projectIdSchema, typedName: z.string().max(200) });
  return answer(schema, { projectId, typedName }, async (input) => {
    await forget(await getDatabase(), dataDirOf(process.env), input);
    return done;
  });
}
