import 'server-only';

import type { ProjectId } from '@/core/shared';
import { createParser, ownKindsOf, type DecisionEvent, type Group } from '@/core/sort';
import { announceDecisions } from '@/data/announcements';
import { recordChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { listKindSizes } from '@/data/countRepo';
import { loadLearned } from '../learn/loadLearned';
import { listDecisions, type AppendOutcome } from '@/data/decisionLog';
import {
  acceptImport,
  addImportRows,
  beginImport,
  dropImport,
  findReusedIds,
  finishImport,
} from '@/data/importRepo';
import { groupRecord, loadRecords } from '@/data/records';
import { createId, nowIso } from '../means';
import type { CsvFault } from '../exchange/csvTable';
import { readDecisionsCsv, writeDecisionsCsv, type ParsedDecisionRow } from './decisionsCsv';
import { createGroup } from './groups';

/** The whole log, or today's things alone (one line a thing: its decision that stands). */
export async function exportDecisionsCsv(
  db: Db,
  projectId: ProjectId,
  what: 'decisions' | 'things',
): Promise<string> {
  const { rooms, groups, things } = await loadRecords(db, projectId, 'groups', 'rooms', 'things');
  const log = await listDecisions(db, projectId);
  const standingIds = new Set(things.map((thing) => thing.decisionId));
  return writeDecisionsCsv(
    what === 'decisions' ? log : log.filter((event) => standingIds.has(event.id)),
    { rooms, groups },
  );
}

interface DecisionsImport {
  readonly faults: readonly CsvFault[];
  readonly goodCount: number;
  /** Set once something was kept. */
  readonly outcome: AppendOutcome | undefined;
}

interface ImportInput {
  readonly text: string;
  readonly acceptGoodRows: boolean;
  /** Ends it while it is still checked; once it is being kept, it is finished. */
  readonly signal?: AbortSignal;
  readonly onProgress?: (progress: {
    readonly stage: 'checking' | 'keeping';
    readonly done: number;
    readonly of: number;
  }) => void;
}

const ROWS_AT_ONCE = 400;

/**
 * Reads decisions from CSV. Nothing is kept while a row is faulty, unless the good ones were asked
 * for; what is kept, is kept whole, with the groups that its rooms lack, even where the server is killed
 * meanwhile (`importRepo.ts`). Others wait for some hundredths of a second at most.
 * @errors `not_found`: no such project.
 */
export async function importDecisionsCsv(
  db: Db,
  projectId: ProjectId,
  input: ImportInput,
): Promise<DecisionsImport> {
  const { rooms, groups, project } = await loadRecords(db, projectId, 'groups', 'rooms', 'project');
  const readThing = createParser(
    { mustAsk: project.terms.neverLeaves, bareUnit: project.units },
    ownKindsOf(
      await listKindSizes(db),
      (await loadLearned(db, { asKept: projectId })).learned.sizes,
    ),
  );
  const { rows, faults } = await readDecisionsCsv(
    input.text,
    { rooms, groups, createId, now: nowIso(), readThing },
    (doneRatio) => {
      refuseStopped(input.signal);
      input.onProgress?.({ stage: 'checking', done: doneRatio, of: 1 });
    },
  );
  const refused: DecisionsImport = { faults, goodCount: rows.length, outcome: undefined };
  if ((faults.length > 0 && !input.acceptGoodRows) || rows.length === 0) return refused;
  const { events, made } = withGroups(projectId, rows, groups);
  const importId = createId();
  await beginImport(db, { id: importId, projectId, now: nowIso() });
  try {
    const reused = await writeDown(db, projectId, { importId, events, rows, input });
    if (reused.length > 0 && !input.acceptGoodRows) {
      await dropImport(db, importId);
      return { ...refused, faults: [...faults, ...reused] };
    }
    await accept(db, projectId, { importId, made, rowCount: events.length });
  } catch (error) {
    await dropImport(db, importId);
    throw error;
  }
  const outcome = await finishImport(db, importId, (done, of) =>
    input.onProgress?.({ stage: 'keeping', done, of }),
  );
  announceDecisions(projectId);
  return { faults, goodCount: rows.length, outcome };
}

/** Somebody pressed Stop, or went away. */
export class StoppedError extends Error {}
function refuseStopped(signal: AbortSignal | undefined): void {
  if (signal?.aborted) throw new StoppedError('stopped');
}

/** Writes all rows down beside the log. Returns the rows whose ids are in the log with other content. */
async function writeDown(
  db: Db,
  projectId: ProjectId,
  {
    importId,
    events,
    rows,
    input,
  }: {
    readonly importId: string;
    readonly events: readonly DecisionEvent[];
    readonly rows: readonly ParsedDecisionRow[];
    readonly input: ImportInput;
  },
): Promise<CsvFault[]> {
  const faults: CsvFault[] = [];
  for (let i = 0; i < events.length; i += ROWS_AT_ONCE) {
    refuseStopped(input.signal);
    const some = events.slice(i, i + ROWS_AT_ONCE);
    const reused = new Set(await findReusedIds(db, projectId, some));
    await addImportRows(
      db,
      importId,
      some.filter(({ id }) => !reused.has(id)),
    );
    for (const [j, { id }] of some.entries())
      if (reused.has(id))
        faults.push({
          line: rows[i + j]?.line ?? 1,
          column: 'decision_id',
          code: 'unknown_decision',
          found: id,
          expected: 'an id of its own: the log holds it with other content',
        });
    await new Promise((resolve) => setImmediate(resolve));
  }
  return faults;
}

/** The groups that the rows name, and that the file counts from now on: together or not at all. */
async function accept(
  db: Db,
  projectId: ProjectId,
  {
    importId,
    made,
    rowCount,
  }: { readonly importId: string; readonly made: readonly Group[]; readonly rowCount: number },
): Promise<void> {
  const change = { projectId, deed: { code: 'groups_read' }, now: nowIso() } as const;
  await recordChange(db, change, async (writer, trx) => {
    for (const group of made) await writer.insert(groupRecord, group);
    await acceptImport(trx, importId, rowCount);
  });
}

/** Every row's event with its group, and the groups that had to be made. */
function withGroups(
  projectId: ProjectId,
  rows: readonly ParsedDecisionRow[],
  groups: readonly Group[],
): { readonly events: DecisionEvent[]; readonly made: readonly Group[] } {
  const made = new Map<string, Group>();
  const countOf = new Map<string, number>();
  for (const { roomId } of groups) countOf.set(roomId, (countOf.get(roomId) ?? 0) + 1);
  const events = rows.map(({ event, newGroupName }): DecisionEvent => {
    if (event.kind !== 'decided' || newGroupName === undefined) return event;
    const key = `${event.roomId} ${newGroupName.toLowerCase()}`;
    const known = made.get(key);
    if (known) return { ...event, groupId: known.id };
    const position = countOf.get(event.roomId) ?? 0;
    countOf.set(event.roomId, position + 1);
    const group = createGroup(projectId, { roomId: event.roomId, name: newGroupName, position });
    made.set(key, group);
    return { ...event, groupId: group.id };
  });
  return { events, made: [...made.values()] };
}
