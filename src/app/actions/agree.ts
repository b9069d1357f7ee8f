'use server';

import { z } from 'zod';

import { schoolChoicesSchema } from '@/core/look';
import { projectIdSchema, roomIdSchema, sectionIdSchema } from '@/core/shared';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import {
  chooseSchools,
  moveSection,
  recordAgreement,
  removeSection,
  saveSection,
  saveTerms,
  suggestSections,
} from '@/server/agree/saveTerms';
import type { ActionResult } from '@/ui/actionResult';
import { sectionFormSchema } from '@/ui/agree/sectionForm';
import { termsFormSchema } from '@/ui/agree/termsForm';
import { answer, done } from './answer';

const projectOnly = z.object({ projectId: projectIdSchema });

export async function saveTermsAction(projectId: string, typed: unknown): Promise<ActionResult> {
  return answer(
    projectOnly.extend({ form: termsFormSchema }),
    { projectId, form: typed },
    async (input) => {
      const db = await getDatabase();
      const { project } = await loadRecords(db, input.projectId, 'project');
      await saveTerms(db, input.projectId, { ...project.terms, ...input.form });
      return done;
    },
  );
}

/** Chooses ways of working for the whole project, or for one room. */
export async function chooseSchoolsAction(
  projectId: string,
  roomId: string | undefined,
  choices: unknown,
): Promise<ActionResult> {
  const schema = projectOnly.extend({
    roomId: roomIdSchema.optional(),
    choices: schoolChoicesSchema,
  });
  return answer(schema, { projectId, roomId, choices }, async (input) => {
    await chooseSchools(await getDatabase(), input.projectId, {
      roomId: input.roomId,
      choices: input.choices,
    });
    return done;
  });
}

export async function saveSectionAction(projectId: string, typed: unknown): Promise<ActionResult> {
  return answer(
    projectOnly.extend({ form: sectionFormSchema }),
    { projectId, form: typed },
    async (input) => {
      await saveSection(await getDatabase(), input.projectId, input.form);
      return done;
    },
  );
}

export async function suggestSectionsAction(
  projectId: string,
  roomId: string,
): Promise<ActionResult> {
  return answer(
    projectOnly.extend({ roomId: roomIdSchema }),
    { projectId, roomId },
    async (input) => {
      await suggestSections(await getDatabase(), input.projectId, input.roomId);
      return done;
    },
  );
}

export async function moveSectionAction(
  projectId: string,
  sectionId: string,
  way: 'up' | 'down',
): Promise<ActionResult> {
  return answer(
    projectOnly.extend({ sectionId: sectionIdSchema, way: z.enum(['up', 'down']) }),
    { projectId, sectionId, way },
    async (input) => {
      await moveSection(await getDatabase(), input.projectId, input.sectionId, input.way);
      return done;
    },
  );
}

export async function removeSectionAction(
  projectId: string,
  sectionId: string,
): Promise<ActionResult> {
  return answer(
    projectOnly.extend({ sectionId: sectionIdSchema }),
    { projectId, sectionId },
    async (input) => {
      await removeSection(await getDatabase(), input.projectId, input.sectionId);
      return done;
    },
  );
}

export async function recordAgreementAction(
  projectId: string,
  agreedBy: string,
): Promise<ActionResult> {
  return answer(
    projectOnly.extend({ agreedBy: z.string().trim().min(1, 'Who agrees?').max(60) }),
    { projectId, agreedBy },
    async (input) => {
      await recordAgreement(await getDatabase(), input.projectId, input.agreedBy);
      return done;
    },
  );
}
