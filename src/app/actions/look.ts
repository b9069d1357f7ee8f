'use server';

import { z } from 'zod';

import {
  pictureIdSchema,
  projectIdSchema,
  roomIdSchema,
  unitIdSchema,
  vantagePointIdSchema,
} from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import {
  addVantagePoint,
  removePicture,
  removeVantagePoint,
  missBefore,
} from '@/server/look/pictures';
import { removeUnit, saveUnit } from '@/server/look/saveUnit';
import type { ActionResult } from '@/ui/actionResult';
import { toBayFacts, unitFormSchemaFor } from '@/ui/look/unitForm';
import { layOutErrorWords } from '@/ui/look/lookWords';
import { answer, done } from './answer';

const placeSchema = z.object({
  projectId: projectIdSchema,
  roomId: roomIdSchema,
  unitId: z.string(),
});
type Place = z.input<typeof placeSchema>;

/** Keeps a unit; `unitId` is empty for a new one. */
export async function saveUnitAction(
  place: Place,
  typed: unknown,
): Promise<ActionResult<{ href: string }>> {
  return answer(placeSchema, place, async ({ projectId, roomId, unitId }) => {
    const db = await getDatabase();
    const { project } = await loadRecords(db, projectId, 'project');
    return answer(unitFormSchemaFor(project.units), typed, async (form) => {
      const bays = form.bays.map((bay) => ({ ...toBayFacts(bay), id: bay.id || undefined }));
      const saved = await saveUnit(db, projectId, {
        ...form,
        bays,
        roomId,
        id: unitId || undefined,
      });
      if (saved.ok)
        return { ok: true, value: { href: `/projects/${projectId}/rooms/${roomId}/look` } };
      // The core numbers new bays by itself; their names are told by their place in the form.
      const words = saved.error.map((error) =>
        layOutErrorWords(
          error,
          project.units,
          (id) => form.bays.find((bay) => bay.id === id)?.name ?? 'One place',
        ),
      );
      return { ok: false, message: words.join('. ') };
    });
  });
}

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
