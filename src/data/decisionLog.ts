import 'server-only';

import type { ProjectId, RoomId } from '@/core/shared';
import { decisionEventSchema, foldDecisions, type DecisionEvent, type Thing } from '@/core/sort';
import { DataError, type Db } from './db';

/** What became of a batch: how many were new, how many had come before. */
export interface AppendOutcome {
  readonly addedCount: number;
  readonly repeatedCount: number;
}

/**
 * Adds events to a project's log and brings today's things up to date, in one transaction. An event
 * that came before with the same content counts once.
 * @errors `id_reused`: an id came before with other content; nothing of the batch is kept.
 */
export async function appendDecisions(db: Db, projectId: ProjectId, events: readonly DecisionEvent[]): Promise<AppendOutcome> {
  return db.transaction(async (trx) => {
    let addedCount = 0;
    for (const event of events) {
      const eventJson = JSON.stringify(event);
      const before: { event_json: string } | undefined = await trx('decision_events')
        .where({ project_id: projectId, id: event.id })
        .first('event_json');
      if (before) {
        const known = decisionEventSchema.parse(JSON.parse(before.event_json));
        if (JSON.stringify(known) === JSON.stringify(decisionEventSchema.parse(event))) continue;
        throw new DataError('id_reused', `the decision ${event.id} came before with other content`);
      }
      await trx('decision_events').insert({ project_id: projectId, id: event.id, thing_id: event.thingId, event_json: eventJson });
      addedCount += 1;
    }
    for (const thingId of new Set(events.map((event) => event.thingId))) await refreshThing(trx, projectId, thingId);
    return { addedCount, repeatedCount: events.length - addedCount };
  });
}

interface EventRow {
  readonly seq: number;
  readonly event_json: string;
}

/** Folds the events of one thing again and stores what comes out. */
async function refreshThing(trx: Db, projectId: ProjectId, thingId: string): Promise<void> {
  const rows: readonly EventRow[] = await trx('decision_events')
    .where({ project_id: projectId, thing_id: thingId })
    .orderBy('seq');
  const thing = foldDecisions(rows.map(toEvent))[0];
  const key = { project_id: projectId, id: thingId };
  if (!thing) {
    await trx('things').where(key).delete();
    return;
  }
  const row = { ...key, first_seq: rows[0]?.seq ?? 0, room_id: thing.roomId, thing_json: JSON.stringify(thing) };
  await trx('things').insert(row).onConflict(['project_id', 'id']).merge();
}

const toEvent = (row: Pick<EventRow, 'event_json'>): DecisionEvent => decisionEventSchema.parse(JSON.parse(row.event_json));

/** The log in its order; of one room, the events about things that were ever decided in it. */
export async function listDecisions(db: Db, projectId: ProjectId, roomId?: RoomId): Promise<DecisionEvent[]> {
  const rows: readonly EventRow[] = await db('decision_events').where({ project_id: projectId }).orderBy('seq');
  const events = rows.map(toEvent);
  if (roomId === undefined) return events;
  const thingIds = new Set(events.filter((event) => event.kind === 'decided' && event.roomId === roomId).map((event) => event.thingId));
  return events.filter((event) => thingIds.has(event.thingId));
}

/** Today's things as stored, in the order in which they were first decided. */
export async function listThings(db: Db, projectId: ProjectId): Promise<Thing[]> {
  const rows: readonly { thing_json: string }[] = await db('things').where({ project_id: projectId }).orderBy('first_seq');
  // Written by refreshThing from parsed events only, so it is read back as it is.
  return rows.map((row) => JSON.parse(row.thing_json) as Thing);
}
