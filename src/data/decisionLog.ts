import 'server-only';

import type { Room } from '@/core/look';
import type { ProjectId } from '@/core/shared';
import {
  decisionEventSchema,
  foldDecisions,
  readDestination,
  reasonOf,
  type DecisionEvent,
  type Thing,
} from '@/core/sort';
import { type Reason } from '@/core/things';
import { announceDecisions } from './announcements';
import { DataError, refuseDamaged, type Db } from './db';
import { listRecords } from './records/listRecords';
import { findUnnamable } from './records/ownership';

/** What became of a batch: how many were new, how many had come before. */
export interface AppendOutcome {
  readonly addedCount: number;
  readonly repeatedCount: number;
}

/**
 * Adds events to a project's log and brings today's things up to date, in one transaction. An event
 * that came before with the same content counts once.
 * @errors `id_reused`: an id came before with other content · `not_found`: a room that is not this
 * project's, or a group or picture of another home. Nothing of the batch is kept.
 */
export async function appendDecisions(
  db: Db,
  projectId: ProjectId,
  events: readonly DecisionEvent[],
  { receivedAt = null }: { readonly receivedAt?: string | null } = {},
): Promise<AppendOutcome> {
  refuseDamaged(db);
  return db
    .transaction(async (trx) => {
      await refuseForeign(trx, projectId, events);
      let addedCount = 0;
      for (let i = 0; i < events.length; i += AT_ONCE)
        addedCount += await appendSome(trx, projectId, {
          events: events.slice(i, i + AT_ONCE),
          receivedAt,
        });
      return { addedCount, repeatedCount: events.length - addedCount };
    })
    .then((outcome) => {
      // Inside a larger transaction nothing stands yet; whoever listens hears of it with the next one.
      if (!db.isTransaction && outcome.addedCount > 0) announceDecisions(projectId);
      return outcome;
    });
}

/** So many events are written by one statement; SQLite takes a limited number of values in one. */
const AT_ONCE = 500;

/** Adds some events that are not there yet and folds their things anew. Returns how many were new. */
async function appendSome(
  trx: Db,
  projectId: ProjectId,
  {
    events,
    receivedAt,
  }: { readonly events: readonly DecisionEvent[]; readonly receivedAt: string | null },
): Promise<number> {
  // Any number of values in one question; SQLite takes a limited number of them one by one.
  const rows: readonly { id: string; event_json: string }[] = await trx('decision_events')
    .where({ project_id: projectId })
    .whereRaw('id IN (SELECT value FROM json_each(?))', [
      JSON.stringify(events.map(({ id }) => id)),
    ])
    .select('id', 'event_json');
  const known = new Map<string, DecisionEvent>(rows.map((row) => [row.id, toEvent(row)]));
  const added: DecisionEvent[] = [];
  for (const event of events) {
    const before = known.get(event.id);
    if (!before) {
      added.push(event);
      known.set(event.id, event);
    } else if (!isSameEvent(before, event)) {
      throw new DataError('id_reused', `the decision ${event.id} came before with other content`);
    }
  }
  if (added.length === 0) return 0;
  const rooms = await listRecords(trx, 'rooms', projectId);
  const values = added.map((event) => [
    event.id,
    event.thingId,
    JSON.stringify(withDestination(event, rooms)),
  ]);
  await trx.raw(
    `INSERT INTO decision_events (project_id, received_at, id, thing_id, event_json)
     SELECT ?, ?, value ->> 0, value ->> 1, value ->> 2 FROM json_each(?)`,
    [projectId, receivedAt, JSON.stringify(values)],
  );
  await refreshThings(trx, projectId, [...new Set(added.map(({ thingId }) => thingId))]);
  return added.length;
}

/** What was said of where it goes, as what it means; a room by its id. */
function withDestination(event: DecisionEvent, rooms: readonly Room[]): DecisionEvent {
  if (event.kind !== 'decided' || event.destination) return event;
  const destination = readDestination(event, rooms);
  return destination ? { ...event, destination } : event;
}

/**
 * Whether an event says what the log holds under its id already. Sent again, its time may be worked
 * out a little differently.
 */
export const isSameEvent = (known: DecisionEvent, event: DecisionEvent): boolean =>
  contentOf(known) === contentOf(event);
const contentOf = (event: DecisionEvent): string => {
  const { decidedAt: _, deviceAt: __, ...content } = decisionEventSchema.parse(event);
  // Its destination is read here from what was said.
  return JSON.stringify({ ...content, destination: undefined });
};

/**
 * A decision names rooms of its own project. A group may be gone since, and a picture may still be on
 * its way: they are kept as said, unless they are another home's.
 */
async function refuseForeign(
  trx: Db,
  projectId: ProjectId,
  events: readonly DecisionEvent[],
): Promise<void> {
  const decided = events.filter((event) => event.kind === 'decided');
  const named: readonly (readonly [target: string, ids: readonly string[]])[] = [
    [
      'rooms',
      decided.flatMap(({ roomId, destination }) =>
        destination?.kind === 'room' ? [roomId, destination.roomId] : [roomId],
      ),
    ],
    ['groups|?', decided.flatMap(({ groupId }) => groupId ?? [])],
    ['thingPictures|pictures|?', decided.flatMap(({ pictureId }) => pictureId ?? [])],
  ];
  for (const [target, ids] of named) {
    const [stray] = await findUnnamable(trx, projectId, { target, ids: [...new Set(ids)] });
    if (stray !== undefined)
      throw new DataError('not_found', `there is no ${target} ${stray} in this home`);
  }
}

interface EventRow {
  readonly seq: number;
  readonly event_json: string;
}

/** Folds the events of some things again and stores what comes out. */
async function refreshThings(
  trx: Db,
  projectId: ProjectId,
  thingIds: readonly string[],
): Promise<void> {
  const rows: readonly (EventRow & { readonly thing_id: string })[] = await trx('decision_events')
    .where({ project_id: projectId })
    .whereRaw('thing_id IN (SELECT value FROM json_each(?))', [JSON.stringify(thingIds)])
    .select('seq', 'thing_id', 'event_json');
  const byThing = new Map<string, EventRow[]>(thingIds.map((id) => [id, []]));
  // Ordered here: asked to order, SQLite walks the whole log instead of looking the things up.
  for (const row of [...rows].sort((a, b) => a.seq - b.seq)) byThing.get(row.thing_id)?.push(row);
  const gone: string[] = [];
  const values: unknown[] = [];
  for (const [thingId, events] of byThing) {
    // The log holds what was parsed when it came.
    const [thing] = foldDecisions(events.map(({ event_json }) => readEvent(event_json)));
    if (thing) values.push([thingId, events[0]?.seq ?? 0, thing.roomId, JSON.stringify(thing)]);
    else gone.push(thingId);
  }
  if (gone.length > 0)
    await trx('things').where({ project_id: projectId }).whereIn('id', gone).delete();
  await trx.raw(
    `INSERT INTO things (project_id, id, first_seq, room_id, thing_json)
     SELECT ?, value ->> 0, value ->> 1, value ->> 2, value ->> 3 FROM json_each(?) WHERE true
     ON CONFLICT (project_id, id) DO UPDATE SET first_seq = excluded.first_seq,
       room_id = excluded.room_id, thing_json = excluded.thing_json`,
    [projectId, JSON.stringify(values)],
  );
}

/** Reasons of older versions are words; the log is never rewritten, so they are read as codes here. */
const withCodes = <T extends { readonly reasons: readonly string[] }>(kept: T): T =>
  kept.reasons.every((reason) => reasonOf(reason) === reason)
    ? kept
    : { ...kept, reasons: kept.reasons.map((reason): Reason => reasonOf(reason) ?? 'forgotten') };

/** Reads an event that was parsed when it came. */
export function readEvent(eventJson: string): DecisionEvent {
  const event = JSON.parse(eventJson) as DecisionEvent;
  return event.kind === 'decided' ? withCodes(event) : event;
}

const toEvent = (row: Pick<EventRow, 'event_json'>): DecisionEvent =>
  decisionEventSchema.parse(JSON.parse(row.event_json));

/** The log in its order. */
export async function listDecisions(db: Db, projectId: ProjectId): Promise<DecisionEvent[]> {
  const rows: readonly EventRow[] = await db('decision_events')
    .where({ project_id: projectId })
    .orderBy('seq');
  return rows.map(toEvent);
}

/** Where the log of a project ends; 0 while it is empty. */
export async function lastSeqOf(db: Db, projectId: ProjectId): Promise<number> {
  const row = await db('decision_events')
    .where({ project_id: projectId })
    .orderBy('seq', 'desc')
    .first<{ seq: number } | undefined>('seq');
  return row?.seq ?? 0;
}

/** How many events a project's log holds, and where it ends. */
export async function countDecisions(
  db: Db,
  projectId: ProjectId,
): Promise<{ readonly count: number; readonly lastSeq: number }> {
  const row = await db('decision_events')
    .where({ project_id: projectId })
    .count({ count: '*' })
    .max({ lastSeq: 'seq' })
    .first<{ count: number; lastSeq: number | null }>();
  return { count: row.count, lastSeq: row.lastSeq ?? 0 };
}

/** What today's things of a project are called, each name once. */
export async function listThingNames(db: Db, projectId: ProjectId): Promise<string[]> {
  const rows: readonly { name: string }[] = await db('things')
    .where({ project_id: projectId })
    .distinct(db.raw("thing_json ->> 'name' AS name"));
  return rows.map(({ name }) => name);
}

export interface NumberedEvent {
  readonly seq: number;
  readonly event: DecisionEvent;
}

/** What came after a place in the log, in its order, so many at most. */
export async function listDecisionsAfter(
  db: Db,
  projectId: ProjectId,
  after: number,
  most: number,
): Promise<NumberedEvent[]> {
  const rows: readonly EventRow[] = await db('decision_events')
    .where({ project_id: projectId })
    .where('seq', '>', after)
    .orderBy('seq')
    .limit(most);
  return rows.map((row) => ({ seq: row.seq, event: toEvent(row) }));
}

/** When the event was decided before which so many others came; undefined where the log is shorter. */
export async function decidedAtFromEnd(
  db: Db,
  projectId: ProjectId,
  eventsAfter: number,
): Promise<string | undefined> {
  const row: Pick<EventRow, 'event_json'> | undefined = await db('decision_events')
    .where({ project_id: projectId })
    .orderBy('seq', 'desc')
    .offset(eventsAfter)
    .first('event_json');
  return row && toEvent(row).decidedAt;
}

/** The things that the latest events are about, each with its whole history, in the log's order. */
export async function listRecentHistories(
  db: Db,
  projectId: ProjectId,
  eventCount: number,
): Promise<DecisionEvent[]> {
  const recent = db('decision_events')
    .where({ project_id: projectId })
    .orderBy('seq', 'desc')
    .limit(eventCount)
    .select('thing_id');
  const rows: readonly EventRow[] = await db('decision_events')
    .where({ project_id: projectId })
    .whereIn('thing_id', db.from(recent.as('recent')).distinct('thing_id'));
  // The log holds what was parsed when it came; the bench opens too often to parse it all again.
  // Ordered here: asked to order, SQLite walks the whole log instead of looking the things up.
  return [...rows].sort((a, b) => a.seq - b.seq).map((row) => readEvent(row.event_json));
}

/** All that was ever said of one thing, in the log's order. */
export async function listHistory(
  db: Db,
  projectId: ProjectId,
  thingId: string,
): Promise<DecisionEvent[]> {
  const rows: readonly EventRow[] = await db('decision_events').where({
    project_id: projectId,
    thing_id: thingId,
  });
  return [...rows].sort((a, b) => a.seq - b.seq).map((row) => readEvent(row.event_json));
}

/** Today's things of a project as they were read last, and how far the log had come then. */
interface ThingCache {
  lastSeq: number;
  things: readonly Thing[];
}
/** By a database's configuration, which its transactions share. */
const caches = new WeakMap<object, Map<string, ThingCache>>();

/**
 * Today's things as stored, in the order in which they were first decided. What was read before is kept,
 * and only what the log touched since is read again: with 20,000 things, reading all takes a tenth
 * of a second.
 */
export async function listThings(db: Db, projectId: ProjectId): Promise<readonly Thing[]> {
  const lastSeq = await lastSeqOf(db, projectId);
  const { config } = db.client as { readonly config: object };
  const ofDb = caches.get(config) ?? new Map<string, ThingCache>();
  caches.set(config, ofDb);
  const cached = ofDb.get(projectId);
  if (cached?.lastSeq === lastSeq) return cached.things;
  // Inside a transaction things may yet be taken back, so nothing new of it is kept.
  if (db.isTransaction) return readThings(db, projectId);
  const things =
    cached && lastSeq > cached.lastSeq
      ? await readOver(db, projectId, cached)
      : await readThings(db, projectId);
  ofDb.set(projectId, { lastSeq, things });
  return things;
}

interface ThingRow {
  readonly id: string;
  readonly thing_json: string;
}
// Written by refreshThing from parsed events only, so it is read back as it is.
const toThing = (row: Pick<ThingRow, 'thing_json'>): Thing =>
  withCodes(JSON.parse(row.thing_json) as Thing);

async function readThings(db: Db, projectId: ProjectId): Promise<Thing[]> {
  const rows: readonly ThingRow[] = await db('things')
    .where({ project_id: projectId })
    .orderBy('first_seq')
    .select('id', 'thing_json');
  return rows.map(toThing);
}

/**
 * The cached things with those that the log touched since read again: changed in place, gone, or
 * new at the end.
 */
async function readOver(
  db: Db,
  projectId: ProjectId,
  cached: ThingCache,
): Promise<readonly Thing[]> {
  const touched: readonly { thing_id: string }[] = await db('decision_events')
    .where({ project_id: projectId })
    .where('seq', '>', cached.lastSeq)
    .distinct('thing_id');
  const ids = touched.map(({ thing_id }) => thing_id);
  // SQLite takes a limited number of values in one question.
  if (ids.length > 500) return readThings(db, projectId);
  const rows: readonly ThingRow[] = await db('things')
    .where({ project_id: projectId })
    .whereIn('id', ids)
    .orderBy('first_seq')
    .select('id', 'thing_json');
  const fresh = new Map<string, Thing>(rows.map((row) => [row.id, toThing(row)]));
  const isTouched = new Set(ids);
  const known = new Set<string>();
  const kept = cached.things.flatMap((thing) => {
    if (!isTouched.has(thing.id)) return [thing];
    known.add(thing.id);
    return fresh.get(thing.id) ?? [];
  });
  // One that came back from being taken back stands where it first stood; the order is then read anew.
  const isBack =
    [...fresh.keys()].some((id) => !known.has(id)) &&
    (await hasOlderThings(db, projectId, {
      ids: [...fresh.keys()].filter((id) => !known.has(id)),
      lastSeq: cached.lastSeq,
    }));
  return isBack
    ? readThings(db, projectId)
    : [...kept, ...[...fresh].filter(([id]) => !known.has(id)).map(([, thing]) => thing)];
}

async function hasOlderThings(
  db: Db,
  projectId: ProjectId,
  { ids, lastSeq }: { readonly ids: readonly string[]; readonly lastSeq: number },
): Promise<boolean> {
  const row: unknown = await db('things')
    .where({ project_id: projectId })
    .whereIn('id', ids)
    .where('first_seq', '<=', lastSeq)
    .first('id');
  return row !== undefined;
}
