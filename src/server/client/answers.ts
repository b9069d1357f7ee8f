import 'server-only';

import {
  askedFor,
  goesOverSomething,
  pageStateOf,
  readAnswerFile,
  standingOf,
  type AnswerFault,
  type FileFault,
  type Asked,
  type ClientAnswer,
  type ClientPage,
  type GivenAnswer,
  type HomeNow,
  type Standing,
} from '@/core/client';
import {
  agreementIdSchema,
  decisionIdSchema,
  err,
  ok,
  thingIdSchema,
  type ClientAnswerId,
  type DecisionId,
  type ProjectId,
  type Result,
} from '@/core/shared';
import { correctThing, type Verdict } from '@/core/sort';
import { announceAnswers, announceDecisions } from '@/data/announcements';
import { recordChange, requireUnchanged, stampOf, type ChangeWriter } from '@/data/changes';
import { findClientPage, insertAnswers } from '@/data/clientRepo';
import { DataError, type Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import {
  agreementRecord,
  approvalRecord,
  clientAnswerRecord,
  loadRecords,
  type Records,
} from '@/data/records';
import { agreementLinesOf } from '../agree/agreementLines';
import { createId, nowIso } from '../means';
import { askableNames, linesNow, loadShopLists } from './askable';

/** What is made of answers that came in. */
export interface Received {
  /** New, and waiting to be taken. */
  readonly newCount: number;
  /** Known already: the same ones count once. */
  readonly knownCount: number;
  /** To questions that the page did not ask. */
  readonly strangeCount: number;
}
/** Keeps what was said on a page. Nothing is changed by it until somebody takes it. */
export async function receiveAnswers(
  db: Db,
  page: ClientPage,
  given: readonly GivenAnswer[],
): Promise<Received> {
  const arrivedAt = nowIso();
  const answers = given.flatMap((each): ClientAnswer[] => {
    const asked = askedFor(page.asked, each);
    return asked && page.mayAnswer
      ? [
          {
            id: each.id,
            projectId: page.projectId,
            pageId: page.id,
            asked,
            says: each.says,
            words: each.words,
            by: each.by || page.name,
            // A clock that runs ahead does not overrule what is decided until then.
            saidAt: each.saidAt > arrivedAt ? arrivedAt : each.saidAt,
            arrivedAt,
            way: page.way,
            state: 'waits',
            settledAt: null,
            decisionId: null,
          },
        ]
      : [];
  });
  const newCount = await insertAnswers(db, page.projectId, answers);
  if (newCount > 0) announceAnswers(page.projectId);
  return {
    newCount,
    knownCount: answers.length - newCount,
    strangeCount: given.length - answers.length,
  };
}

/** Takes an answer file in, or a message that holds one; it must belong to a page of this home. */
export async function receiveAnswerFile(
  db: Db,
  projectId: ProjectId,
  raw: string,
): Promise<Result<Received, FileFault>> {
  const file = readAnswerFile(raw);
  if (!file.ok) return file;
  const page = await findClientPage(db, file.value.pageId);
  if (page?.projectId !== projectId || page.way !== 'file') return err({ code: 'other_home' });
  if (pageStateOf(page, nowIso()) !== 'open') return err({ code: 'page_ended' });
  return ok(await receiveAnswers(db, page, file.value.answers));
}

/** What answers are compared with: the home as it is now. */
export async function loadHomeNow(
  db: Db,
  records: Records<(typeof askableNames)[number]>,
  { stamp, asked }: { readonly stamp: string; readonly asked: readonly Asked[] },
): Promise<HomeNow> {
  // Lists are worked out only where a purchase was asked about.
  const needsLines = asked.some(({ about }) => about === 'purchase');
  return {
    things: records.things,
    lines: needsLines ? linesNow(await loadShopLists(db, records, stamp)) : [],
    agreementLines: agreementLinesOf(records),
  };
}

/**
 * Takes an answer: the thing is decided, the line has its yes at the price that was asked, the agreement is
 * signed as it was shown. What somebody decided since is gone over only where `despite` says so.
 * @errors `not_found`: no such answer.
 */
export async function takeAnswer(
  db: Db,
  projectId: ProjectId,
  { answerId, despite }: { readonly answerId: ClientAnswerId; readonly despite: boolean },
): Promise<Result<Standing, AnswerFault>> {
  const stamp = await stampOf(db, projectId);
  const records = await loadRecords(db, projectId, ...askableNames, 'clientAnswers');
  const answer = records.clientAnswers.find(({ id }) => id === answerId);
  if (!answer) throw new DataError('not_found', 'there is no such answer');
  if (answer.state !== 'waits') return err({ code: 'settled_already' });
  const { asked } = answer;
  const standing = standingOf(asked, await loadHomeNow(db, records, { stamp, asked: [asked] }));
  if (standing.is === 'gone') return err({ code: 'gone' });
  if (answer.says !== 'talk' && goesOverSomething(standing) && !despite)
    return err({ code: 'changed_since', standing });
  const deed = { code: 'answer_taken', name: answer.by } as const;
  await db.transaction(async (trx) => {
    // What was compared is what is changed.
    await requireUnchanged(trx, projectId, stamp);
    const decisionId =
      asked.about === 'thing' && answer.says !== 'talk'
        ? await decideThing(trx, projectId, { answer, records, thingId: asked.thingId })
        : null;
    await recordChange(trx, { projectId, deed, now: nowIso() }, async (writer) => {
      await writeTaken(writer, answer);
      await settle(writer, { ...answer, decisionId }, 'taken');
    });
  });
  announceDecisions(projectId);
  announceAnswers(projectId);
  return ok(standing);
}

/** Returns the decision that the answer became. */
async function decideThing(
  trx: Db,
  projectId: ProjectId,
  {
    answer,
    records,
    thingId,
  }: {
    readonly answer: ClientAnswer;
    readonly records: Records<'things'>;
    readonly thingId: string;
  },
): Promise<DecisionId | null> {
  const thing = records.things.find(({ id }) => id === thingId);
  if (!thing) return null;
  const event = correctThing(
    thing,
    { verdict: answer.says as Verdict, to: '', agreedBy: answer.by },
    {
      now: nowIso(),
      device: `answer of ${answer.by}`.slice(0, 40),
      actId: createId(),
      toDecisionId: (text) => decisionIdSchema.parse(text),
      createThingId: () => thingIdSchema.parse(createId()),
    },
  );
  await appendDecisions(trx, projectId, [event]);
  return event.id;
}

async function writeTaken(
  writer: ChangeWriter,
  { asked, says, by, saidAt, projectId }: ClientAnswer,
) {
  if (asked.about === 'purchase' && says !== 'talk') {
    const id = `${asked.roomId}_${asked.needId}`;
    if (says === 'yes')
      await writer.put(approvalRecord, {
        id,
        roomId: asked.roomId,
        needId: asked.needId,
        // The yes was to this price; what it comes to by now may be more.
        lineMinor: asked.lineMinor,
        approvedAt: saidAt,
      });
    else await writer.remove(approvalRecord, id);
  }
  if (asked.about === 'agreement' && says === 'agreed')
    await writer.insert(agreementRecord, {
      id: agreementIdSchema.parse(createId()),
      projectId,
      agreedAt: saidAt,
      agreedBy: by,
      lines: asked.lines,
    });
}

const settle = (
  writer: ChangeWriter,
  answer: ClientAnswer,
  state: 'taken' | 'set_aside',
): Promise<void> => writer.put(clientAnswerRecord, { ...answer, state, settledAt: nowIso() });

/** The answer is not taken; it stays to be read. @errors `not_found`. */
export async function setAnswerAside(
  db: Db,
  projectId: ProjectId,
  answerId: ClientAnswerId,
): Promise<void> {
  const { clientAnswers } = await loadRecords(db, projectId, 'clientAnswers');
  const answer = clientAnswers.find(({ id }) => id === answerId);
  if (!answer) throw new DataError('not_found', 'there is no such answer');
  if (answer.state !== 'waits') return;
  await recordChange(
    db,
    { projectId, deed: { code: 'answer_set_aside', name: answer.by }, now: nowIso() },
    (writer) => settle(writer, answer, 'set_aside'),
  );
}
