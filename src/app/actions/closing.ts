'use server';

import { z } from 'zod';

import { projectIdSchema } from '@/core/shared';
import { getDatabase } from '@/data/startData';
import { noteConsent, saveClosing, withdrawConsent } from '@/server/client/closingReport';
import type { ActionResult } from '@/ui/actionResult';
import { closingFormSchema, consentFormSchema } from '@/ui/client/closingForm';
import { answer, done } from './answer';

const ofHome = z.object({ projectId: projectIdSchema });

export async function saveClosingAction(projectId: string, form: unknown): Promise<ActionResult> {
  return answer(ofHome.extend({ form: closingFormSchema }), { projectId, form }, async (input) => {
    await saveClosing(await getDatabase(), input.projectId, input.form);
    return done;
  });
}

export async function noteConsentAction(projectId: string, by: string): Promise<ActionResult> {
  return answer(ofHome.extend({ by: consentFormSchema }), { projectId, by }, async (input) => {
    await noteConsent(await getDatabase(), input.projectId, input.by);
    return done;
  });
}

export async function withdrawConsentAction(projectId: string): Promise<ActionResult> {
  return answer(ofHome, { projectId }, async (input) => {
    await withdrawConsent(await getDatabase(), input.projectId);
    return done;
  });
}
