'use server';

import { z } from 'zod';

import { containerIdSchema, projectIdSchema } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import {
  addCatalogueContainer,
  addOwnedContainer,
  removeOwnedContainer,
} from '@/server/fit/addContainer';
import type { ActionResult } from '@/ui/actionResult';
import { ownedFormSchemaFor, soldFormSchemaFor } from '@/ui/fit/containerForm';
import { answer, done } from './answer';

export async function addOwnedContainerAction(
  projectId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(z.object({ projectId: projectIdSchema }), { projectId }, async (input) => {
    const db = await getDatabase();
    const { project } = await loadRecords(db, input.projectId, 'project');
    return answer(ownedFormSchemaFor(project.units), typed, async (form) => {
      await addOwnedContainer(db, input.projectId, form);
      return done;
    });
  });
}

export async function removeOwnedContainerAction(
  projectId: string,
  containerId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, containerId: containerIdSchema }),
    { projectId, containerId },
    async (input) => {
      await removeOwnedContainer(await getDatabase(), input.projectId, input.containerId);
      return done;
    },
  );
}

/** The catalogue belongs to no home, so bare numbers in it are centimetres. */
export async function addSoldContainerAction(typed: unknown): Promise<ActionResult> {
  return answer(soldFormSchemaFor('cm'), typed, async (form) => {
    await addCatalogueContainer(await getDatabase(), form);
    return done;
  });
}
