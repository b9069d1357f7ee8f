'use server';

import { z } from 'zod';

import { sharePartSchema } from '@/core/client';
import {
  clientAnswerIdSchema,
  clientPageIdSchema,
  outgoingMailIdSchema,
  projectIdSchema,
  type ProjectId,
} from '@/core/shared';
import { dataDirOf, type Db } from '@/data/db';
import { getDatabase } from '@/data/startData';
import { findProject, loadRecords } from '@/data/records';
import { makeClosingFile } from '@/server/client/closingFiles';
import { closingNames, closingPage } from '@/server/client/closingReport';
import { receiveAnswerFile, setAnswerAside, takeAnswer } from '@/server/client/answers';
import { linkBaseOf } from '@/server/client/linkBase';
import { askMore, makePage, revokePage, saveSharing } from '@/server/client/pages';
import { mailFromOf, mailTransportOf } from '@/server/mail/transport';
import { sendMail, writeMail, type MailMeans } from '@/server/mail/sendMail';
import type { ActionResult } from '@/ui/actionResult';
import { pageFormSchema, reportFormSchema, type TypedPage } from '@/ui/client/clientForms';
import {
  answerFaultWords,
  fileFaultWords,
  mailFaultWords,
  pageFaultWords,
} from '@/ui/client/clientWords';
import { answer, done } from './answer';

const ofHome = z.object({ projectId: projectIdSchema });
const ofAnswer = ofHome.extend({ answerId: clientAnswerIdSchema });
const ofPage = ofHome.extend({ pageId: clientPageIdSchema });

export async function saveSharingAction(
  projectId: string,
  parts: readonly string[],
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ parts: z.array(sharePartSchema).max(10) }),
    { projectId, parts },
    async (input) => {
      await saveSharing(await getDatabase(), input.projectId, input.parts);
      return done;
    },
  );
}

/** What a page that was made is reached by; the link is told this once. */
export interface PageMade {
  readonly pageId: string;
  readonly link: string | undefined;
  /** What went wrong with sending it; the page is there all the same. */
  readonly mailFault: string | undefined;
  readonly isSent: boolean;
}

export async function makePageAction(
  projectId: string,
  typed: TypedPage,
): Promise<ActionResult<PageMade>> {
  return answer(
    ofHome.extend({ form: pageFormSchema }),
    { projectId, form: typed },
    async ({ projectId: home, form }): Promise<ActionResult<PageMade>> => {
      const db = await getDatabase();
      const made = await makePage(db, home, {
        ...form,
        days: form.way === 'link' ? form.days : null,
      });
      if (!made.ok) return { ok: false, message: pageFaultWords(made.error) };
      const { page, secret } = made.value;
      const { address } = linkBaseOf(process.env);
      const link = secret === undefined ? undefined : `${address}/c/${page.id}/${secret}`;
      if (form.to === '')
        return {
          ok: true,
          value: { pageId: page.id, link, mailFault: undefined, isSent: false },
        };
      const mailId = await writeMail(db, home, {
        to: form.to,
        subject: form.subject || `For ${form.name}`,
        text: form.text || 'Here is your page.',
        pageId: page.id,
      });
      const sent = await sendMail(mailMeans(db, home), home, { mailId, secret });
      return {
        ok: true,
        value: {
          pageId: page.id,
          link,
          mailFault: sent.ok ? undefined : mailFaultWords(sent.error),
          isSent: sent.ok,
        },
      };
    },
  );
}

const mailMeans = (db: Db, projectId: ProjectId): MailMeans => ({
  db,
  dataDir: dataDirOf(process.env),
  transport: mailTransportOf(process.env),
  from: mailFromOf(process.env),
  linkBase: linkBaseOf(process.env).address,
  makeReport: async () => {
    const page = closingPage(await loadRecords(db, projectId, ...closingNames), undefined);
    return [await makeClosingFile(dataDirOf(process.env), page, 'pdf')];
  },
});

/** Sends the closing report, as it is put together now, as a PDF. */
export async function sendReportAction(
  projectId: string,
  typed: { readonly to: string; readonly text: string },
): Promise<ActionResult> {
  return answer(
    ofHome.extend({ form: reportFormSchema }),
    { projectId, form: typed },
    async (input) => {
      const db = await getDatabase();
      const mailId = await writeMail(db, input.projectId, {
        to: input.form.to,
        subject: 'Your closing report',
        text: input.form.text || 'Here is the report of your home.',
        pageId: null,
      });
      const sent = await sendMail(mailMeans(db, input.projectId), input.projectId, {
        mailId,
        secret: undefined,
      });
      return sent.ok ? done : { ok: false, message: mailFaultWords(sent.error) };
    },
  );
}

/** Sends a message that waits, or did not go, once more. */
export async function sendMailAction(projectId: string, mailId: string): Promise<ActionResult> {
  return answer(
    ofHome.extend({ mailId: outgoingMailIdSchema }),
    { projectId, mailId },
    async (input) => {
      const means = mailMeans(await getDatabase(), input.projectId);
      const sent = await sendMail(means, input.projectId, {
        mailId: input.mailId,
        secret: undefined,
      });
      return sent.ok ? done : { ok: false, message: mailFaultWords(sent.error) };
    },
  );
}

export async function askMoreAction(
  projectId: string,
  pageId: string,
): Promise<ActionResult<number>> {
  return answer(ofPage, { projectId, pageId }, async (input) => ({
    ok: true,
    value: await askMore(await getDatabase(), input.projectId, input.pageId),
  }));
}

export async function revokePageAction(projectId: string, pageId: string): Promise<ActionResult> {
  return answer(ofPage, { projectId, pageId }, async (input) => {
    await revokePage(await getDatabase(), input.projectId, input.pageId);
    return done;
  });
}

export async function takeAnswerAction(
  projectId: string,
  answerId: string,
  despite: boolean,
): Promise<ActionResult> {
  return answer(
    ofAnswer.extend({ despite: z.boolean() }),
    { projectId, answerId, despite },
    async (input) => {
      const db = await getDatabase();
      const taken = await takeAnswer(db, input.projectId, input);
      if (taken.ok) return done;
      const currency = (await findProject(db, input.projectId))?.currency ?? 'EUR';
      return { ok: false, message: answerFaultWords(taken.error, currency) };
    },
  );
}

export async function setAnswerAsideAction(
  projectId: string,
  answerId: string,
): Promise<ActionResult> {
  return answer(ofAnswer, { projectId, answerId }, async (input) => {
    await setAnswerAside(await getDatabase(), input.projectId, input.answerId);
    return done;
  });
}

/** Reads an answer file, or a pasted message that holds one; its answers then wait to be taken. */
export async function receiveAnswerFileAction(
  projectId: string,
  text: string,
): Promise<
  ActionResult<{
    readonly newCount: number;
    readonly knownCount: number;
    readonly strangeCount: number;
  }>
> {
  return answer(
    ofHome.extend({ text: z.string().max(400_000) }),
    { projectId, text },
    async (input) => {
      const received = await receiveAnswerFile(await getDatabase(), input.projectId, input.text);
      return received.ok
        ? { ok: true, value: received.value }
        : { ok: false, message: fileFaultWords(received.error) };
    },
  );
}
