import 'server-only';

import type { Deed } from '@/core/home';
import {
  traceWalls,
  type Fixture,
  type Room,
  type RoomCheck,
  type RoomPlan,
  type TraceWallsError,
  type WallPlace,
} from '@/core/look';
import {
  err,
  fixtureIdSchema,
  ok,
  type CheckId,
  type FixtureId,
  type ProjectId,
  type Result,
  type RoomId,
  type UnitId,
} from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { fixtureRecord, loadRecords, roomRecord, unitRecord } from '@/data/records';
import { createId, nowIso } from '../means';

/** @errors `not_found`. */
async function getRoom(db: Db, projectId: ProjectId, roomId: RoomId): Promise<Room> {
  const room = (await loadRecords(db, projectId, 'rooms')).rooms.find(({ id }) => id === roomId);
  if (!room) throw new DataError('not_found', `there is no room ${roomId}`);
  return room;
}

/** Keeps a room's walls; refuses those that do not go round a room. */
export const saveRoomPlan = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly roomId: RoomId; readonly plan: RoomPlan },
  ): Promise<Result<undefined, TraceWallsError>> => {
    const outline = traceWalls(input.plan);
    if (!outline.ok) return err(outline.error);
    const room = await getRoom(db, projectId, input.roomId);
    await recordChange(
      db,
      { projectId, deed: { code: 'walls_measured', name: room.name }, now: nowIso() },
      (writer) => writer.put(roomRecord, { ...room, plan: input.plan }),
    );
    return ok(undefined);
  },
);

/** Changes what is noted about a room: its checks, where routines break, its schools, the hours worked. */
export const noteRoom = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: {
      readonly roomId: RoomId;
      readonly deed: Deed;
      readonly change: Partial<
        Pick<Room, 'checks' | 'routineBreaks' | 'schools' | 'workedMinutes'>
      >;
    },
  ): Promise<void> => {
    const room = await getRoom(db, projectId, input.roomId);
    await recordChange(db, { projectId, deed: input.deed, now: nowIso() }, (writer) =>
      writer.put(roomRecord, { ...room, ...input.change }),
    );
  },
);

/** Says whether something is possible in a room again, or takes it back. @errors `not_found`. */
export const answerCheck = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      roomId,
      checkId,
      answer,
    }: {
      readonly roomId: RoomId;
      readonly checkId: CheckId;
      readonly answer: RoomCheck['answer'];
    },
  ): Promise<void> => {
    const { checks } = await getRoom(db, projectId, roomId);
    const check = checks.find(({ id }) => id === checkId);
    if (!check) throw new DataError('not_found', 'this is not asked any more');
    await noteRoom(db, projectId, {
      roomId,
      deed: { code: 'check_answered', name: check.text },
      change: { checks: checks.map((each) => (each.id === checkId ? { ...each, answer } : each)) },
    });
  },
);

/** Keeps a fixture; without an id it is new. */
export const saveFixture = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: Omit<Fixture, 'id'> & { readonly id: FixtureId | undefined },
  ): Promise<FixtureId> => {
    await getRoom(db, projectId, input.roomId);
    const id = input.id ?? fixtureIdSchema.parse(createId());
    await recordChange(
      db,
      {
        projectId,
        deed: { code: input.id ? 'fixture_changed' : 'fixture_added', name: input.name },
        now: nowIso(),
      },
      (writer) => writer.put(fixtureRecord, { ...input, id }),
    );
    return id;
  },
);

export const removeFixture = atomic(
  async (db: Db, projectId: ProjectId, fixtureId: FixtureId): Promise<void> => {
    const fixture = (await loadRecords(db, projectId, 'fixtures')).fixtures.find(
      ({ id }) => id === fixtureId,
    );
    if (!fixture) throw new DataError('not_found', 'there is no such fixture in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'fixture_removed', name: fixture.name }, now: nowIso() },
      (writer) => writer.remove(fixtureRecord, fixtureId),
    );
  },
);

/** What can be moved in a plan. */
export type PlanItem =
  | { readonly kind: 'unit'; readonly id: UnitId }
  | { readonly kind: 'fixture'; readonly id: FixtureId }
  | { readonly kind: 'clear'; readonly id: CheckId; readonly roomId: RoomId };

/**
 * Puts a unit, a fixture or a clear space somewhere else; null takes a unit or clear space out of
 * the plan. @errors `not_found`.
 */
export const movePlanItem = atomic(
  async (db: Db, projectId: ProjectId, item: PlanItem, place: WallPlace | null): Promise<void> => {
    const records = await loadRecords(db, projectId, 'fixtures', 'rooms', 'units');
    const change = (name: string) => ({
      projectId,
      deed: { code: 'plan_item_moved', name } as const,
      now: nowIso(),
    });
    if (item.kind === 'unit') {
      const unit = records.units.find(({ id }) => id === item.id);
      if (!unit) throw new DataError('not_found', `there is no unit ${item.id}`);
      const { bays, ...facts } = unit;
      void bays;
      await recordChange(db, change(unit.name), (writer) =>
        writer.put(unitRecord, { ...facts, place }),
      );
      return;
    }
    if (item.kind === 'fixture') {
      const fixture = records.fixtures.find(({ id }) => id === item.id);
      if (!fixture || !place) throw new DataError('not_found', `there is no fixture ${item.id}`);
      await recordChange(db, change(fixture.name), (writer) =>
        writer.put(fixtureRecord, { ...fixture, place }),
      );
      return;
    }
    const room = records.rooms.find(({ id }) => id === item.roomId);
    const check = room?.checks.find(({ id }) => id === item.id);
    if (!room || !check) throw new DataError('not_found', `there is no check ${item.id}`);
    const checks = room.checks.map((other) =>
      other.id === item.id && other.clear ? { ...other, clear: { ...other.clear, place } } : other,
    );
    await recordChange(db, change(check.text), (writer) =>
      writer.put(roomRecord, { ...room, checks }),
    );
  },
);
