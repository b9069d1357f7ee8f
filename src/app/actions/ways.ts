'use server';

import { z } from 'zod';

import { fixtureIdSchema, passageIdSchema, projectIdSchema } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { leadDoor, removePassage, savePassage } from '@/server/look/savePassage';
import type { ActionResult } from '@/ui/actionResult';
import { passageFormSchemaFor, typedLeadsTo } from '@/ui/look/passageForm';
import { answer, done } from './answer';

export async function savePassageAction(projectId: string, typed: unknown): Promise<ActionResult> {
  return answer(z.object({ projectId: projectIdSchema }), { projectId }, async (input) => {
    const db = await getDatabase();
    const { project } = await loadRecords(db, input.projectId, 'project');
    return answer(passageFormSchemaFor(project.units), typed, async (passage) => {
      await savePassage(db, input.projectId, passage);
      return done;
    });
  });
}

export async function removePassageAction(
  projectId: string,
  passageId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, passageId: passageIdSchema }),
    { projectId, passageId },
    async (input) => {
      await removePassage(await getDatabase(), input.projectId, input.passageId);
      return done;
    },
  );
}

/** Says what is behind a door, as the list has it: `outside`, `room:ID`, `passage:ID`, or nothing. */
export async function leadDoorAction(
  projectId: string,
  fixtureId: string,
  leadsTo: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, fixtureId: fixtureIdSchema, leadsTo: typedLeadsTo }),
    { projectId, fixtureId, leadsTo },
    async (input) => {
      await leadDoor(await getDatabase(), input.projectId, input);
      return done;
    },
  );
}
