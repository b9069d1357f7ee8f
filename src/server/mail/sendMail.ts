import 'server-only';

import { pageStateOf, type MailFault, type OutgoingMail } from '@/core/client';
import {
  err,
  ok,
  outgoingMailIdSchema,
  type OutgoingMailId,
  type ProjectId,
  type Result,
} from '@/core/shared';
import { claimMail, findClientPage, updateMail } from '@/data/clientRepo';
import { DataError, type Db } from '@/data/db';
import { insertRecord, loadRecords, outgoingMailRecord } from '@/data/records';
import { pageFileName, renderPageFile } from '../client/pageFile';
import { renewSecret } from '../client/pages';
import { createId, nowIso } from '../means';
import { escapeHtml } from '../show/paper';
import type { Letter, MailTransport } from './transport';

/** What the closing report adds to a message: handed in, since it is made elsewhere. */
export type ReportMaker = () => Promise<Letter['attachments']>;

export interface MailMeans {
  readonly db: Db;
  readonly dataDir: string;
  readonly transport: MailTransport;
  readonly from: string;
  /** Where links lead: `https://box.example` without a slash behind. */
  readonly linkBase: string;
  readonly makeReport: ReportMaker;
}

/** Writes a message down; nothing is sent by it. */
export async function writeMail(
  db: Db,
  projectId: ProjectId,
  message: Pick<OutgoingMail, 'to' | 'subject' | 'text' | 'pageId'>,
): Promise<OutgoingMailId> {
  const id = outgoingMailIdSchema.parse(createId());
  await insertRecord(db, outgoingMailRecord, {
    ...message,
    id,
    projectId,
    state: 'waits',
    tries: 0,
    problem: '',
    madeAt: nowIso(),
    triedAt: null,
  });
  return id;
}

const TRIES_A_PRESS = 2;
/** After so long on its way nobody is sending it any more: the process ended in between. */
const LOST_AFTER_MS = 120_000;

/** How a message stands: one that was on its way when the process ended may have gone. */
export const mailStateOf = (mail: OutgoingMail, now: string): OutgoingMail['state'] =>
  mail.state === 'sending' &&
  Date.parse(now) - Date.parse(mail.triedAt ?? mail.madeAt) > LOST_AFTER_MS
    ? 'unclear'
    : mail.state;

/**
 * Sends a message that somebody pressed for. What has gone is not sent again; of two presses one goes on. A
 * link gets its secret now, kept nowhere but in the message; sent again, the one before opens nothing any more.
 * @errors `not_found`: no such message.
 */
export async function sendMail(
  means: MailMeans,
  projectId: ProjectId,
  {
    mailId,
    secret,
  }: {
    readonly mailId: OutgoingMailId;
    /** Of the link that was just made, where it was; undefined: it gets a new one. */
    readonly secret: string | undefined;
  },
): Promise<Result<undefined, MailFault>> {
  const { db } = means;
  const { outgoingMails } = await loadRecords(db, projectId, 'outgoingMails');
  const mail = outgoingMails.find(({ id }) => id === mailId);
  if (!mail) throw new DataError('not_found', 'there is no such message');
  const state = mailStateOf(mail, nowIso());
  // What was on its way when the process ended is taken for what it may be: sent.
  if (state === 'unclear' && mail.state === 'sending')
    await updateMail(db, mail.id, { state: 'unclear' });
  if (!(await claimMail(db, mail.id, { from: ['waits', 'failed', 'unclear'], at: nowIso() })))
    return err({ code: 'sent_already' });
  const sent = await handOver(means, mail, secret).catch(async (error: unknown) => {
    await updateMail(db, mail.id, { state: 'failed', problem: 'it could not be put together' });
    throw error;
  });
  if (sent.ok) await updateMail(db, mail.id, { state: 'sent', problem: '' });
  else
    await updateMail(db, mail.id, {
      state: sent.error.code === 'unclear' ? 'unclear' : 'failed',
      problem: 'said' in sent.error ? sent.error.said : '',
    });
  return sent;
}

async function handOver(
  means: MailMeans,
  mail: OutgoingMail,
  secret: string | undefined,
): Promise<Result<undefined, MailFault>> {
  const letter = await toLetter(means, mail, secret);
  if (!letter.ok) return letter;
  for (let tries = 1; ; tries += 1) {
    const sent = await means.transport.send(letter.value);
    if (sent.ok || sent.error.code !== 'no_answer' || tries >= TRIES_A_PRESS) return sent;
  }
}

async function toLetter(
  { db, dataDir, from, linkBase, makeReport }: MailMeans,
  mail: OutgoingMail,
  secret: string | undefined,
): Promise<Result<Letter, MailFault>> {
  const { id, to, subject, projectId } = mail;
  const head = { id, from, to, subject };
  if (mail.pageId === null)
    return ok({ ...head, ...bodyOf(mail.text, undefined), attachments: await makeReport() });
  const page = await findClientPage(db, mail.pageId);
  if (!page || pageStateOf(page, nowIso()) !== 'open') return err({ code: 'page_ended' });
  if (page.way === 'file') {
    const bytes = Buffer.from(await renderPageFile(db, dataDir, page));
    const file = { name: pageFileName(page), type: 'text/html', bytes };
    return ok({ ...head, ...bodyOf(mail.text, undefined), attachments: [file] });
  }
  const key = secret ?? (await renewSecret(db, projectId, page.id));
  return ok({
    ...head,
    ...bodyOf(mail.text, `${linkBase}/c/${page.id}/${key}`),
    attachments: [],
  });
}

const LINK = '{link}';

/** Plain text and HTML of a message; without a mark in it the link stands at its end. */
export function bodyOf(raw: string, link: string | undefined): Pick<Letter, 'text' | 'html'> {
  const words = link !== undefined && !raw.includes(LINK) ? `${raw}\n\n${LINK}` : raw;
  const anchor = link === undefined ? '' : `<a href="${escapeHtml(link)}">${escapeHtml(link)}</a>`;
  const paragraphs = escapeHtml(words)
    .split(/\n{2,}/)
    .map((each) => `<p>${each.replaceAll('\n', '<br>').replaceAll(LINK, anchor)}</p>`);
  return { text: words.replaceAll(LINK, link ?? ''), html: paragraphs.join('') };
}
