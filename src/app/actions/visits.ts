'use server';

import { z } from 'zod';

import { daySchema } from '@/core/agree';
import { projectIdSchema, visitIdSchema } from '@/core/shared';
import { changeWorker } from '@/data/settingsRepo';
import { getDatabase } from '@/data/startData';
import { runEngine } from '@/server/engines/runEngine';
import { today } from '@/server/means';
import {
  listHomesToPlan,
  saveDaysTerms,
  takeDays,
  toHomesQuestion,
} from '@/server/visits/planDays';
import { moveVisit, removeVisit, saveVisit, type VisitFault } from '@/server/visits/saveVisit';
import { saveStatementTerms } from '@/server/visits/statement';
import type { ActionResult } from '@/ui/actionResult';
import type { DaysProposal } from '@/ui/visits/Proposal';
import {
  daysFormSchema,
  statementFormSchema,
  visitFormSchema,
  workerFormSchema,
} from '@/ui/visits/visitForm';
import { timesWords, visitDayWords } from '@/ui/visits/visitWords';
import { answer, done } from './answer';

const inProject = z.object({ projectId: projectIdSchema });
const ofVisit = inProject.extend({ visitId: visitIdSchema });

export async function saveVisitAction(projectId: string, typed: unknown): Promise<ActionResult> {
  return answer(
    inProject.extend({ form: visitFormSchema }),
    { projectId, form: typed },
    async ({ projectId: home, form: plan }) => {
      const kept = await saveVisit(await getDatabase(), home, { plan, today: today() });
      return kept.ok ? done : sayVisitFault(kept.error);
    },
  );
}

function sayVisitFault(error: VisitFault): ActionResult {
  const message =
    error.code === 'in_the_past'
      ? 'This day has passed. A visit is planned from today on'
      : `${error.person} is at ${error.homeName} from ${timesWords(error)} that day`;
  const field = error.code === 'in_the_past' ? 'day' : 'people';
  return { ok: false, message, fields: { [field]: message } };
}

/** Puts a planned visit on another day, where it is pinned. */
export async function moveVisitAction(
  projectId: string,
  visitId: string,
  day: string,
): Promise<ActionResult> {
  return answer(
    ofVisit.extend({ day: daySchema }),
    { projectId, visitId, day },
    async ({ projectId: home, ...move }) => {
      const kept = await moveVisit(await getDatabase(), home, { ...move, today: today() });
      return kept.ok ? done : sayVisitFault(kept.error);
    },
  );
}

/** Says when somebody works; with nothing typed they are taken off the list. */
export async function saveWorkerAction(name: string, typed: unknown): Promise<ActionResult> {
  return answer(
    z.object({ name: z.string().max(60), form: workerFormSchema }),
    { name, form: typed },
    async (input) => {
      await changeWorker(await getDatabase(), input.name || input.form.name, input.form);
      return done;
    },
  );
}

export async function removeWorkerAction(name: string): Promise<ActionResult> {
  return answer(z.object({ name: z.string().max(60) }), { name }, async (input) => {
    await changeWorker(await getDatabase(), input.name, undefined);
    return done;
  });
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

export async function saveStatementTermsAction(
  projectId: string,
  typed: unknown,
): Promise<ActionResult> {
  return answer(
    inProject.extend({ form: statementFormSchema }),
    { projectId, form: typed },
    async (input) => {
      await saveStatementTerms(await getDatabase(), input.projectId, input.form);
      return done;
    },
  );
}

/** Works out days for one home, or, without one, for all that are worked on. */
export async function proposeDaysAction(
  projectId: string | undefined,
): Promise<ActionResult<DaysProposal>> {
  return answer(
    z.object({ projectId: projectIdSchema.optional() }),
    { projectId },
    async (input) => {
      const db = await getDatabase();
      const ids = input.projectId === undefined ? await listHomesToPlan(db) : [input.projectId];
      const { question, homes } = await toHomesQuestion(db, ids, today());
      return { ok: true, value: { homes, answer: await runEngine('days', question) } };
    },
  );
}

const takenSchema = z.object({
  projectId: projectIdSchema.optional(),
  projectIds: z.array(projectIdSchema).max(200),
  visits: z
    .array(
      z.object({
        homeId: projectIdSchema,
        day: daySchema,
        fromMinute: z.number().int().min(0).max(1440),
        toMinute: z.number().int().min(0).max(1440),
        people: z.array(z.string().trim().min(1).max(60)).max(8),
        sectionIds: z.array(z.string()).max(60),
      }),
    )
    .max(1000),
});

/** Takes the days that were shown. A day on which somebody is elsewhere by now is named, and nothing kept. */
export async function takeDaysAction(
  projectIds: readonly string[],
  visits: unknown,
): Promise<ActionResult> {
  return answer(
    takenSchema,
    { projectIds, visits, projectId: projectIds.length === 1 ? projectIds[0] : undefined },
    async (input) => {
      const clash = await takeDays(await getDatabase(), { ...input, today: today() });
      return clash
        ? {
            ok: false,
            message:
              `${clash.person} is at ${clash.homeName} on ${visitDayWords(clash.day)}, ` +
              `${timesWords(clash)}, by now. Propose the days again.`,
          }
        : done;
    },
  );
}
