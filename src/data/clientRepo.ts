import 'server-only';

import type { ClientAnswer, ClientOpening, ClientPage, OutgoingMail } from '@/core/client';
import type { ClientPageId, OutgoingMailId, ProjectId } from '@/core/shared';
import type { Row } from './columns';
import type { Db } from './db';
import {
  clientAnswerRecord,
  clientOpeningRecord,
  clientPageRecord,
  outgoingMailRecord,
} from './records';

/** The page of that id, of whichever home. */
export async function findClientPage(db: Db, id: ClientPageId): Promise<ClientPage | undefined> {
  const row: Row | undefined = await db(clientPageRecord.table.name).where({ id }).first();
  return row && clientPageRecord.table.fromRow(row);
}

/** Counts an opening; outside undo, since nobody of the desk did it. */
export async function noteOpened(db: Db, id: ClientPageId, at: string): Promise<void> {
  const { table } = clientOpeningRecord;
  const opening: ClientOpening = { id, firstAt: at, lastAt: at, count: 1 };
  await db(table.name)
    .insert(table.toRow(opening))
    .onConflict('id')
    .merge({ last_at: at, count: db.raw(`${table.name}.count + 1`) });
}

/**
 * Keeps what arrived, outside undo: what a client said stays said. An answer that is known already is left
 * as it is; one that waits for the same question is replaced. Returns how many were new.
 */
export async function insertAnswers(
  db: Db,
  projectId: ProjectId,
  answers: readonly ClientAnswer[],
): Promise<number> {
  const { table } = clientAnswerRecord;
  return db.transaction(async (trx) => {
    let count = 0;
    const rows: readonly Row[] = await trx(table.name).where({ project_id: projectId });
    const known = rows.map(table.fromRow);
    for (const answer of answers) {
      if (known.some(({ id }) => id === answer.id)) continue;
      for (const before of known)
        if (
          before.state === 'waits' &&
          before.asked.key === answer.asked.key &&
          before.pageId === answer.pageId
        )
          await trx(table.name).where({ id: before.id }).update({ state: 'replaced' });
      await trx(table.name).insert(table.toRow(answer));
      known.push(answer);
      count += 1;
    }
    return count;
  });
}

/** Answers that wait in all homes, the newest first, with whose home it is. */
export async function listWaitingAnswers(db: Db): Promise<ClientAnswer[]> {
  const { table } = clientAnswerRecord;
  const rows: readonly Row[] = await db(table.name)
    .where({ state: 'waits' })
    .orderBy('said_at', 'desc');
  return rows.map(table.fromRow);
}

/** Changes how a message stands, outside undo: what was sent cannot be taken back. */
export async function updateMail(
  db: Db,
  id: OutgoingMailId,
  change: Partial<Pick<OutgoingMail, 'state' | 'tries' | 'problem' | 'triedAt'>>,
): Promise<void> {
  const { table } = outgoingMailRecord;
  const columns = Object.fromEntries(
    Object.entries(change).map(([field, value]) => [table.columnOf(field), value]),
  );
  await db(table.name).where({ id }).update(columns);
}

/** Takes a message in hand, where it is in one of these states: of two presses one goes on. */
export async function claimMail(
  db: Db,
  id: OutgoingMailId,
  { from, at }: { readonly from: readonly OutgoingMail['state'][]; readonly at: string },
): Promise<boolean> {
  const changed: number = await db(outgoingMailRecord.table.name)
    .where({ id })
    .whereIn('state', [...from])
    .update({ state: 'sending', tried_at: at, tries: db.raw('tries + 1') });
  return changed === 1;
}
