'use server';

import { z } from 'zod';

import {
  pictureIdSchema,
  projectIdSchema,
  roomIdSchema,
  unitIdSchema,
  vantagePointIdSchema,
} from '@/core/shared';
import { getDatabase } from '@/data/startData';
import {
  addVantagePoint,
  removePicture,
  removeVantagePoint,
  missBefore,
} from '@/server/look/pictures';
import { removeUnit } from '@/server/look/saveUnit';
import type { ActionResult } from '@/ui/actionResult';
import { answer, done } from './answer';

const placeSchema = z.object({
  projectId: projectIdSchema,
  roomId: roomIdSchema,
  unitId: z.string(),
});
type Place = z.input<typeof placeSchema>;

export async function removeUnitAction(place: Place): Promise<ActionResult> {
  return answer(
    placeSchema.extend({ unitId: unitIdSchema }),
    place,
    async ({ projectId, unitId }) => {
      await removeUnit(await getDatabase(), projectId, unitId);
      return done;
    },
  );
}

export async function addVantagePointAction(
  projectId: string,
  roomId: string,
  name: string,
  inView: string,
): Promise<ActionResult> {
  const schema = z.object({
    projectId: projectIdSchema,
    roomId: roomIdSchema,
    name: z.string().trim().min(1).max(80),
    inView: z.string().trim().max(120),
  });
  return answer(schema, { projectId, roomId, name, inView }, async (input) => {
    await addVantagePoint(await getDatabase(), input.projectId, input);
    return done;
  });
}

export async function removeVantagePointAction(
  projectId: string,
  vantagePointId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, vantagePointId: vantagePointIdSchema }),
    { projectId, vantagePointId },
    async (input) => {
      await removeVantagePoint(await getDatabase(), input.projectId, input.vantagePointId);
      return done;
    },
  );
}

export async function missBeforeAction(
  projectId: string,
  vantagePointId: string,
  said: string | null,
): Promise<ActionResult> {
  const schema = z.object({
    projectId: projectIdSchema,
    vantagePointId: vantagePointIdSchema,
    said: z.string().trim().min(1, 'Type a sentence').max(200, 'At most 200 letters').nullable(),
  });
  return answer(schema, { projectId, vantagePointId, said }, async (input) => {
    await missBefore(await getDatabase(), input.projectId, input);
    return done;
  });
}

export async function removePictureAction(
  projectId: string,
  pictureId: string,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, pictureId: pictureIdSchema }),
    { projectId, pictureId },
    async (input) => {
      await removePicture(await getDatabase(), input.projectId, input.pictureId);
      return done;
    },
  );
}
