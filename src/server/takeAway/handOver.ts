import 'server-only';

import {
  carryIdSchema,
  err,
  ok,
  pictureIdSchema,
  type HandoverId,
  type ProjectId,
  type Result,
} from '@/core/shared';
import { boxOf, carrySchema, leavingStatesOf, type Thing } from '@/core/sort';
import {
  handedCounts,
  linesOf,
  streamOf,
  type Handover,
  type HandOverFault,
  type HandoverLine,
  type Stream,
} from '@/core/takeAway';
import { atomic, recordChange, type ChangeWriter } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { keepPictureFiles } from '@/data/pictureFiles';
import {
  carryRecord,
  handoverRecord,
  haulBoxRecord,
  haulTripRecord,
  loadRecords,
} from '@/data/records';
import { listFairValues } from '@/data/settingsRepo';
import { encodePicture, type PictureError } from '../look/encodePicture';
import { createId, nowIso } from '../means';
import type { AtStop } from './atStop';
import { leavingNames, listDestinations, loadLeaving, type LeavingRecords } from './leaving';

/**
 * Keeps what was handed over at a stop: the proof, and for every room what has gone with it. What was refused
 * waits on, with the reason. Its boxes are gone; a trip without boxes has ended.
 * @errors `not_found`: no such trip.
 */
export const handOver = atomic(
  async (db: Db, projectId: ProjectId, said: AtStop): Promise<Result<undefined, HandOverFault>> => {
    const records = await loadRecords(db, projectId, ...leavingNames);
    // Sent again: it counted already.
    if (records.handovers.some(({ id }) => id === said.id)) return ok(undefined);
    const { leaving } = await loadLeaving(db, records);
    const boxes = records.haulBoxes.filter(({ id }) => said.boxIds.includes(id));
    const inBoxes = new Set(boxes.flatMap(({ loads }) => loads.map(({ thingId }) => thingId)));
    const loose = leaving
      .filter(({ thing }) => said.thingIds.includes(thing.id) && !inBoxes.has(thing.id))
      .map(({ thing }) => ({ loads: [{ thingId: thing.id, count: thing.count }] }));
    const waiting = new Map(leaving.map((each) => [each.thing.id as string, each]));
    const lines = linesOf([...boxes, ...loose], records.things, await listFairValues(db)).filter(
      ({ thingId }) => waiting.has(thingId),
    );
    if (lines.length === 0) return err({ code: 'nothing' });
    const refusedIds = new Map(said.refused.map(({ thingId, reason }) => [thingId, reason]));
    // What nobody has wiped stays at home: it was neither taken nor refused.
    const isUnwiped = ({ thingId }: HandoverLine) => waiting.get(thingId)?.needsWiping ?? false;
    const taken = lines.filter((line) => !refusedIds.has(line.thingId) && !isUnwiped(line));
    if (taken.length === 0 && lines.every(isUnwiped))
      return err({ code: 'not_wiped', names: lines.map(({ name }) => name) });
    const destination = (await listDestinations(db)).find(({ id }) => id === said.destinationId);
    const handover: Handover = {
      id: said.id,
      projectId,
      destinationId: said.destinationId,
      destinationName: destination?.name ?? said.destinationName,
      stream: streamOfLines(lines, records.things),
      tripId: records.haulTrips.some(({ id }) => id === said.tripId) ? said.tripId : null,
      at: said.at,
      by: said.by,
      lines: taken.map((line) => ({
        ...line,
        value: records.leavings[0]?.wantsValues ? line.value : null,
      })),
      refused: lines
        .filter(({ thingId }) => refusedIds.has(thingId))
        .map(({ thingId, name, count }) => ({
          thingId,
          name,
          count,
          reason: refusedIds.get(thingId) ?? '',
        })),
      receiptNumber: said.receiptNumber,
      pictureId: null,
    };
    const deed = {
      code: 'handed_over',
      name: `${taken.length} ${taken.length === 1 ? 'pile' : 'piles'}`,
      place: handover.destinationName,
    } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, async (writer) => {
      await writer.insert(handoverRecord, handover);
      await writeGoingOut(writer, records, handover);
      for (const { id } of boxes) await writer.remove(haulBoxRecord, id);
      const trip = records.haulTrips.find(({ id }) => id === said.tripId);
      const hasMore = records.haulBoxes.some(
        ({ id, tripId }) => tripId === said.tripId && !said.boxIds.includes(id),
      );
      if (trip && (!hasMore || trip.pickUp !== null))
        await writer.put(haulTripRecord, { ...trip, endedAt: said.at });
    });
    return ok(undefined);
  },
);

const streamOfLines = (lines: readonly HandoverLine[], things: readonly Thing[]): Stream => {
  const first = things.find(({ id }) => id === lines[0]?.thingId);
  return (first && streamOf(first)) ?? 'give';
};

/**
 * What has left with a handover, a room and box of the bench each: piles of which no piece waits any
 * more. What the bench, the results and the client's page say follows from these.
 */
async function writeGoingOut(
  writer: ChangeWriter,
  { things, carries, handovers }: Pick<LeavingRecords, 'things' | 'carries' | 'handovers'>,
  handover: Handover,
): Promise<void> {
  const handed = handedCounts([...handovers.filter(({ id }) => id !== handover.id), handover]);
  const states = leavingStatesOf(things, carries);
  const whole = handover.lines.flatMap(({ thingId }) => {
    const thing = things.find(({ id }) => id === thingId);
    const isWhole = thing && (handed.get(thing.id) ?? 0) >= thing.count;
    return thing && isWhole && states.get(thing.id) !== 'gone' ? [thing] : [];
  });
  const groups = new Map<string, Thing[]>();
  for (const thing of whole) {
    const box = boxOf(thing);
    if (!box) continue;
    const key = `${thing.roomId}|${box.verdict}|${box.toward}`;
    groups.set(key, [...(groups.get(key) ?? []), thing]);
  }
  for (const group of groups.values()) {
    const [first] = group;
    const box = first && boxOf(first);
    if (!first || !box) continue;
    await writer.insert(
      carryRecord,
      carrySchema.parse({
        id: carryIdSchema.parse(createId()),
        roomId: first.roomId,
        verdict: box.verdict,
        toward: box.toward,
        litres: group.reduce((sum, { litres }) => sum + litres, 0),
        massG: Math.round(group.reduce((sum, { massG }) => sum + massG, 0)),
        thingIds: group.map(({ id }) => id),
        carriedAt: handover.at,
        note: '',
        dueOn: null,
        settledAt: null,
        goneAt: handover.at,
        goneBy: handover.destinationName,
        handoverId: handover.id,
      }),
    );
  }
}

/** Corrects what was said at a stop, or its lines' condition and value. @errors `not_found`. */
export const correctHandover = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      handoverId,
      change,
    }: {
      readonly handoverId: HandoverId;
      readonly change: {
        readonly receiptNumber?: string | undefined;
        readonly lines?:
          readonly Pick<HandoverLine, 'thingId' | 'condition' | 'value'>[] | undefined;
      };
    },
  ): Promise<void> => {
    const handover = await getHandover(db, projectId, handoverId);
    const deed = { code: 'handover_corrected', place: handover.destinationName } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, (writer) =>
      writer.put(handoverRecord, {
        ...handover,
        receiptNumber: change.receiptNumber ?? handover.receiptNumber,
        lines: handover.lines.map((line) => ({
          ...line,
          ...change.lines?.find(({ thingId }) => thingId === line.thingId),
        })),
      }),
    );
  },
);

/** It was not handed over after all: everything waits again. @errors `not_found`. */
export const removeHandover = atomic(
  async (db: Db, projectId: ProjectId, handoverId: HandoverId): Promise<void> => {
    const handover = await getHandover(db, projectId, handoverId);
    const { carries, haulTrips } = await loadRecords(db, projectId, 'carries', 'haulTrips');
    const trip = haulTrips.find(({ id }) => id === handover.tripId);
    const deed = { code: 'handover_removed', place: handover.destinationName } as const;
    await recordChange(db, { projectId, deed, now: nowIso() }, async (writer) => {
      for (const carry of carries)
        if (carry.handoverId === handoverId) await writer.remove(carryRecord, carry.id);
      await writer.remove(handoverRecord, handoverId);
      if (trip) await writer.put(haulTripRecord, { ...trip, endedAt: null });
    });
  },
);

/** Ties a picture of the receipt to a handover; its metadata is left out. @errors `not_found`. */
export async function pictureReceipt(
  db: Db,
  dataDir: string,
  {
    projectId,
    handoverId,
    bytes,
  }: {
    readonly projectId: ProjectId;
    readonly handoverId: HandoverId;
    readonly bytes: Uint8Array;
  },
): Promise<Result<undefined, PictureError>> {
  const handover = await getHandover(db, projectId, handoverId);
  const encoded = await encodePicture(bytes);
  if (!encoded.ok) return encoded;
  const pictureId = pictureIdSchema.parse(createId());
  const deed = { code: 'handover_corrected', place: handover.destinationName } as const;
  await keepPictureFiles(dataDir, { id: pictureId, bytes: encoded.value }, (place) =>
    recordChange(db, { projectId, deed, now: nowIso() }, async (writer) => {
      await writer.put(handoverRecord, { ...handover, pictureId });
      await place();
    }),
  );
  return ok(undefined);
}

async function getHandover(db: Db, projectId: ProjectId, id: HandoverId): Promise<Handover> {
  const { handovers } = await loadRecords(db, projectId, 'handovers');
  const found = handovers.find((each) => each.id === id);
  if (!found) throw new DataError('not_found', 'there is no such handover');
  return found;
}
