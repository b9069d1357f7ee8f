import 'server-only';

import type { ProjectId } from '@/core/shared';
import { decisionEventSchema, type DecisionEvent } from '@/core/sort';
import { DataError, type Db } from './db';
import { appendDecisions, isSameEvent, readEvent } from './decisionLog';

/**
 * Decisions of a file on their way into the log. They are written down here first; the moment at which
 * all of them are, and the import is accepted, is the moment at which it counts: from then on it is
 * finished whatever happens, a slice at a time, so that nobody waits behind a hundred thousand rows.
 * A file that was not accepted when the server ended has left nothing.
 */
export async function beginImport(
  db: Db,
  input: { readonly id: string; readonly projectId: ProjectId; readonly now: string },
): Promise<void> {
  await db('imports').insert({
    id: input.id,
    project_id: input.projectId,
    state: 'waiting',
    row_count: 0,
    begun_at: input.now,
  });
}

export async function addImportRows(
  db: Db,
  importId: string,
  events: readonly DecisionEvent[],
): Promise<void> {
  await db.raw(
    'INSERT INTO import_rows (import_id, event_json) SELECT ?, value FROM json_each(?)',
    [importId, JSON.stringify(events.map((event) => JSON.stringify(event)))],
  );
}

/** Of these events, the ids that the log holds already with other content. */
export async function findReusedIds(
  db: Db,
  projectId: ProjectId,
  events: readonly DecisionEvent[],
): Promise<string[]> {
  const byId = new Map(events.map((event) => [event.id as string, event]));
  const rows: readonly { id: string; event_json: string }[] = await db('decision_events')
    .where({ project_id: projectId })
    .whereIn('id', [...byId.keys()])
    .select('id', 'event_json');
  return rows.flatMap(({ id, event_json }) => {
    const event = byId.get(id);
    const known = decisionEventSchema.parse(JSON.parse(event_json));
    return event && !isSameEvent(known, event) ? [id] : [];
  });
}

/** From here on the file counts. Inside the transaction that makes what its rows name. */
export async function acceptImport(trx: Db, importId: string, rowCount: number): Promise<void> {
  await trx('imports').where({ id: importId }).update({ state: 'accepted', row_count: rowCount });
}

export async function dropImport(db: Db, importId: string): Promise<void> {
  // By hand, a slice at a time: the cascade of a hundred thousand rows would hold up the others.
  for (;;) {
    const seqs = (await db('import_rows')
      .where({ import_id: importId })
      .limit(2000)
      .pluck('seq')) as number[];
    if (seqs.length === 0) break;
    await db('import_rows').whereIn('seq', seqs).delete();
    await giveWay();
  }
  await db('imports').where({ id: importId }).delete();
}

/** What became of an accepted file. */
interface ImportOutcome {
  readonly addedCount: number;
  readonly repeatedCount: number;
}
/** A slice aims at half of what others may be held up. */
const SLICE_MS = 25;

/** Works an accepted file into the log, slice by slice; each slice is whole or not at all. */
export async function finishImport(
  db: Db,
  importId: string,
  onProgress: (doneCount: number, ofCount: number) => void = () => undefined,
): Promise<ImportOutcome> {
  const row: { project_id: ProjectId; row_count: number } | undefined = await db('imports')
    .where({ id: importId, state: 'accepted' })
    .first('project_id', 'row_count');
  if (!row) throw new DataError('not_found', `there is no accepted import ${importId}`);
  let outcome: ImportOutcome = { addedCount: 0, repeatedCount: 0 };
  let done = row.row_count - (await countRows(db, importId));
  for (let size = 50; ;) {
    const begun = performance.now();
    const slice = await takeSlice(db, importId, row.project_id, size);
    if (!slice) break;
    outcome = {
      addedCount: outcome.addedCount + slice.addedCount,
      repeatedCount: outcome.repeatedCount + slice.repeatedCount,
    };
    done += slice.takenCount;
    onProgress(done, row.row_count);
    const tookMs = performance.now() - begun;
    size = Math.max(10, Math.min(1000, Math.round((size * SLICE_MS) / Math.max(1, tookMs))));
    await giveWay();
  }
  await db('imports').where({ id: importId }).delete();
  return outcome;
}

/** Others first: a page, a decision. */
const giveWay = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

async function countRows(db: Db, importId: string): Promise<number> {
  const row = await db('import_rows')
    .where({ import_id: importId })
    .count({ count: '*' })
    .first<{ count: number }>();
  return row.count;
}

async function takeSlice(
  db: Db,
  importId: string,
  projectId: ProjectId,
  size: number,
): Promise<(ImportOutcome & { readonly takenCount: number }) | undefined> {
  return db.transaction(async (trx) => {
    const rows: readonly { seq: number; event_json: string }[] = await trx('import_rows')
      .where({ import_id: importId })
      .orderBy('seq')
      .limit(size);
    if (rows.length === 0) return undefined;
    // Written down from parsed rows only.
    const events = rows.map(({ event_json }) => readEvent(event_json));
    const outcome = await appendDecisions(trx, projectId, events);
    await trx('import_rows')
      .where({ import_id: importId })
      .where('seq', '<=', rows.at(-1)?.seq ?? 0)
      .delete();
    return { ...outcome, takenCount: rows.length };
  });
}

/**
 * At the start: files that were accepted are finished, others are dropped. Returns how many were
 * finished.
 */
export async function settleImports(db: Db): Promise<number> {
  const rows: readonly { id: string; state: string }[] = await db('imports').select('id', 'state');
  for (const { id, state } of rows)
    await (state === 'accepted' ? finishImport(db, id) : dropImport(db, id));
  return rows.filter(({ state }) => state === 'accepted').length;
}
