'use server';

import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { materialsSchema, type Materials } from '@/core/shop';
import { getDatabase } from '@/data/startData';
import { saveMaterials } from '@/server/shop/materials';
import type { ActionResult } from '@/ui/actionResult';
import { answer, done } from './answer';

export async function saveMaterialsAction(
  projectId: string,
  materials: Materials,
): Promise<ActionResult> {
  return answer(
    z.object({ projectId: projectIdSchema, materials: materialsSchema }),
    { projectId, materials },
    async (input) => {
      await saveMaterials(await getDatabase(), input.projectId, input.materials);
      return done;
    },
  );
}
