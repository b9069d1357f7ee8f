import 'server-only';

import {
  lastTaken,
  pageStateOf,
  standingOf,
  waitingAnswers,
  type AnswerOnDesk,
  type ClientDesk,
} from '@/core/client';
import type { Db } from '@/data/db';
import type { LoadName, Records } from '@/data/records';
import { nowIso } from '../means';
import { mailStateOf } from '../mail/sendMail';
import { loadHomeNow } from './answers';
import { askableNames, listAskable, loadShopLists } from './askable';

export const clientDeskNames = [
  ...askableNames,
  'clientAnswers',
  'clientOpenings',
  'clientPages',
  'outgoingMails',
  'sharings',
] as const satisfies readonly LoadName[];
type DeskRecords = Records<(typeof clientDeskNames)[number]>;

/** What waits of the client, and what is out to them. */
export async function loadClientDesk(
  db: Db,
  records: DeskRecords,
  stamp: string,
): Promise<ClientDesk> {
  const now = nowIso();
  const open = records.clientPages.filter((page) => pageStateOf(page, now) === 'open');
  const out = new Set(open.flatMap(({ asked }) => asked.map(({ key }) => key)));
  return {
    sharedParts: records.sharings[0]?.parts ?? [],
    askable: listAskable(records, await loadShopLists(db, records, stamp)).map((asked) => ({
      asked,
      isOut: out.has(asked.key),
    })),
    answers: await loadAnswersOnDesk(db, records, stamp),
    pages: records.clientPages.map((page) => ({
      page,
      state: pageStateOf(page, now),
      opening: records.clientOpenings.find(({ id }) => id === page.id),
      answerCount: records.clientAnswers.filter(({ pageId }) => pageId === page.id).length,
    })),
    mails: records.outgoingMails.map((mail) => ({ ...mail, state: mailStateOf(mail, now) })),
  };
}

/** Answers that wait to be taken, the newest first. */
export async function loadAnswersOnDesk(
  db: Db,
  records: Records<(typeof askableNames)[number] | 'clientAnswers'>,
  stamp: string,
): Promise<AnswerOnDesk[]> {
  const waiting = waitingAnswers(records.clientAnswers);
  if (waiting.length === 0) return [];
  const asked = waiting.map((answer) => answer.asked);
  const now = await loadHomeNow(db, records, { stamp, asked });
  return waiting.map((answer) => ({
    answer,
    standing: standingOf(answer.asked, now),
    before: lastTaken(answer, records.clientAnswers),
  }));
}
