'use server';

import { z } from 'zod';

import { daySchema } from '@/core/agree';
import { projectIdSchema, sectionIdSchema, visitIdSchema } from '@/core/shared';
import { bringCodes, visitMarks, type DaysAnswer } from '@/core/visits';
import { loadRecords } from '@/data/records';
import { getDatabase } from '@/data/startData';
import { estimateNames } from '@/server/agree/loadEstimate';
import { runEngine } from '@/server/engines/runEngine';
import { nowIso, today } from '@/server/means';
import { saveDaysTerms, takeDays, toDaysQuestion } from '@/server/visits/planDays';
import {
  markVisit,
  noteVisit,
  packForVisit,
  removeVisit,
  saveVisit,
} from '@/server/visits/saveVisit';
import type { ActionResult } from '@/ui/actionResult';
import { daysFormSchema, visitFormSchema, visitNotesSchema } from '@/ui/visits/visitForm';
import { visitDayWords } from '@/ui/visits/visitWords';
import { answer, done } from './answer';

const inProject = z.object({ projectId: projectIdSchema });
const ofVisit = inProject.extend({ visitId: visitIdSchema });

export async function saveVisitAction(projectId: string, typed: unknown): Promise<ActionResult> {
  return answer(
    inProject.extend({ form: visitFormSchema }),
    { projectId, form: typed },
    async ({ projectId: home, form: plan }) => {
      const kept = await saveVisit(await getDatabase(), home, { plan, today: today() });
      if (kept.ok) return done;
      const { error } = kept;
      const message =
        error.code === 'in_the_past'
          ? 'This day has passed. A visit is planned from today on'
          : `${error.person} is at ${error.homeName} at that time`;
      const field = error.code === 'in_the_past' ? 'day' : 'people';
      return { ok: false, message, fields: { [field]: message } };
    },
  );
}

export async function markVisitAction(
  projectId: string,
  visitId: string,
  mark: string,
): Promise<ActionResult> {
  return answer(
    ofVisit.extend({ mark: z.enum(visitMarks) }),
    { projectId, visitId, mark },
    async (input) => {
      await markVisit(await getDatabase(), input.projectId, { ...input, now: nowIso() });
      return done;
    },
  );
}

export async function noteVisitAction(
  projectId: string,
  visitId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    ofVisit.extend({ form: visitNotesSchema }),
    { projectId, visitId, form: typed },
    async (input) => {
      const { hours, ...notes } = input.form;
      await noteVisit(await getDatabase(), input.projectId, {
        ...notes,
        visitId: input.visitId,
        correctedMinutes: hours === null ? null : Math.round(hours * 60),
      });
      return done;
    },
  );
}

export async function packForVisitAction(
  projectId: string,
  visitId: string,
  input: { readonly code: string; readonly isBack: boolean },
): Promise<ActionResult> {
  return answer(
    ofVisit.extend({ code: z.enum(bringCodes), isBack: z.boolean() }),
    { projectId, visitId, ...input },
    async (read) => {
      await packForVisit(await getDatabase(), read.projectId, read);
      return done;
    },
  );
}

export async function removeVisitAction(projectId: string, visitId: string): Promise<ActionResult> {
  return answer(ofVisit, { projectId, visitId }, async (input) => {
    await removeVisit(await getDatabase(), input.projectId, input.visitId);
    return done;
  });
}

export async function saveDaysTermsAction(
  projectId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    inProject.extend({ form: daysFormSchema }),
    { projectId, form: typed },
    async (input) => {
      await saveDaysTerms(await getDatabase(), input.projectId, input.form);
      return done;
    },
  );
}

export async function proposeDaysAction(projectId: string): Promise<ActionResult<DaysAnswer>> {
  return answer(inProject, { projectId }, async (input) => {
    const db = await getDatabase();
    const records = await loadRecords(db, input.projectId, ...estimateNames);
    const question = await toDaysQuestion(db, records, today());
    return { ok: true, value: await runEngine('days', question) };
  });
}

const proposedSchema = z
  .array(
    z.object({
      day: daySchema,
      fromMinute: z.number().int().min(0).max(1440),
      toMinute: z.number().int().min(0).max(1440),
      sectionIds: z.array(sectionIdSchema).max(60),
    }),
  )
  .max(400);

/** Takes the days that were shown. A day on which somebody is elsewhere by now is named, and nothing kept. */
export async function takeDaysAction(projectId: string, visits: unknown): Promise<ActionResult> {
  return answer(
    inProject.extend({ visits: proposedSchema }),
    { projectId, visits },
    async (input) => {
      const clash = await takeDays(await getDatabase(), input.projectId, {
        visits: input.visits,
        today: today(),
      });
      return clash
        ? {
            ok: false,
            message: `${clash.person} is at ${clash.homeName} on ${visitDayWords(clash.day)} by now. Propose the days again.`,
          }
        : done;
    },
  );
}
