import 'server-only';

import type { ProjectId } from '@/core/shared';
import type { DecisionEvent, Group } from '@/core/sort';
import { recordChange } from '@/data/changes';
import type { Db } from '@/data/db';
import { appendDecisions, listDecisions, type AppendOutcome } from '@/data/decisionLog';
import { getProjectRecords } from '@/data/projectRepo';
import { groupTable } from '@/data/tables';
import { createId, nowIso } from '../means';
import type { CsvFault } from '../exchange/csvTable';
import { parseDecisionsCsv, writeDecisionsCsv } from './decisionsCsv';
import { createGroup } from './groups';

/** The whole log, or today's things alone (one line a thing: its decision that stands). */
export async function exportDecisionsCsv(
  db: Db,
  projectId: ProjectId,
  what: 'decisions' | 'things',
): Promise<string> {
  const { rooms, groups, things } = await getProjectRecords(db, projectId);
  const log = await listDecisions(db, projectId);
  const standingIds = new Set(things.map((thing) => thing.decisionId));
  return writeDecisionsCsv(
    what === 'decisions' ? log : log.filter((event) => standingIds.has(event.id)),
    { rooms, groups },
  );
}

export interface DecisionsImport {
  readonly faults: readonly CsvFault[];
  readonly goodCount: number;
  /** Set once something was kept. */
  readonly outcome: AppendOutcome | undefined;
}

/**
 * Reads decisions from CSV. Nothing is kept while a row is faulty, unless the good ones were asked
 * for. Groups that the rooms lack are made.
 */
export async function importDecisionsCsv(
  db: Db,
  projectId: ProjectId,
  input: { readonly text: string; readonly acceptGoodRows: boolean },
): Promise<DecisionsImport> {
  const { rooms, groups } = await getProjectRecords(db, projectId);
  const { rows, faults } = parseDecisionsCsv(input.text, {
    rooms,
    groups,
    createId,
    now: nowIso(),
  });
  if ((faults.length > 0 && !input.acceptGoodRows) || rows.length === 0)
    return { faults, goodCount: rows.length, outcome: undefined };
  const made: Group[] = [];
  const events = rows.map(({ event, newGroupName }): DecisionEvent => {
    if (event.kind !== 'decided' || newGroupName === undefined) return event;
    const isSame = (group: Group) =>
      group.roomId === event.roomId && group.name.toLowerCase() === newGroupName.toLowerCase();
    const known = made.find(isSame);
    if (known) return { ...event, groupId: known.id };
    const position = groups.filter(({ roomId }) => roomId === event.roomId).length + made.length;
    const group = createGroup(projectId, {
      roomId: event.roomId,
      name: newGroupName.slice(0, 60),
      position,
    });
    made.push(group);
    return { ...event, groupId: group.id };
  });
  // The log first: should an id clash, no group is left behind without its things.
  const outcome = await appendDecisions(db, projectId, events);
  if (made.length > 0) {
    await recordChange(
      db,
      { projectId, label: 'added groups from a file', now: nowIso() },
      async (writer) => {
        for (const group of made) await writer.insert(groupTable, group);
      },
    );
  }
  return { faults, goodCount: rows.length, outcome };
}
