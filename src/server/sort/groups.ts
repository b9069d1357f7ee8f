import 'server-only';

import {
  groupIdSchema,
  type BayId,
  type GroupId,
  type ProjectId,
  type RoomId,
} from '@/core/shared';
import { usualPlacing, type Group } from '@/core/sort';
import { atomic, recordChange, type ChangeWriter } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { fitRecord, groupRecord, loadRecords } from '@/data/records';
import { createId, nowIso } from '../means';

interface GroupInput {
  readonly roomId: RoomId;
  readonly name: string;
  readonly bayId?: BayId | null;
}

/** Makes a group in a room; a group of that name that is there already is returned instead. */
export const addGroup = (db: Db, projectId: ProjectId, input: GroupInput): Promise<Group> =>
  recordChange(
    db,
    { projectId, deed: { code: 'group_added', name: input.name }, now: nowIso() },
    (writer, trx) => addGroupIn({ writer, trx }, projectId, input),
  );

/** The same within a larger change. @errors `not_found`. */
export async function addGroupIn(
  { writer, trx }: { readonly writer: ChangeWriter; readonly trx: Db },
  projectId: ProjectId,
  input: GroupInput,
): Promise<Group> {
  const { groups, rooms } = await loadRecords(trx, projectId, 'groups', 'rooms');
  if (rooms.every(({ id }) => id !== input.roomId))
    throw new DataError('not_found', `there is no room ${input.roomId}`);
  const inRoom = groups.filter(({ roomId }) => roomId === input.roomId);
  const known = inRoom.find(({ name }) => name.toLowerCase() === input.name.toLowerCase());
  if (known) return known;
  const group = createGroup(projectId, { ...input, position: inRoom.length });
  await writer.insert(groupRecord, group);
  return group;
}

/** A group with nothing settled but its name. */
export const createGroup = (
  projectId: ProjectId,
  input: {
    readonly roomId: RoomId;
    readonly name: string;
    readonly position: number;
    readonly bayId?: BayId | null;
  },
): Group => ({
  id: groupIdSchema.parse(createId()),
  projectId,
  roomId: input.roomId,
  name: input.name,
  bayId: input.bayId ?? null,
  standsBayId: null,
  uncountedLitres: 0,
  lid: 'any',
  see: 'any',
  front: false,
  loose: false,
  asks: {},
  placing: usualPlacing as Group['placing'],
  position: input.position,
});

/** Says whether a group may live outside its room; null: by its use. @errors `not_found`. */
export async function sayMayLeave(
  db: Db,
  projectId: ProjectId,
  { groupId, mayLeave }: { readonly groupId: GroupId; readonly mayLeave: boolean | null },
): Promise<void> {
  const group = (await loadRecords(db, projectId, 'groups')).groups.find(
    ({ id }) => id === groupId,
  );
  if (!group) throw new DataError('not_found', `there is no group ${groupId}`);
  await changeGroup(db, projectId, {
    groupId,
    change: { placing: { ...group.placing, mayLeaveRoom: mayLeave } },
  });
}

type GroupChange = Partial<
  Pick<Group, 'name' | 'uncountedLitres' | 'lid' | 'see' | 'front' | 'loose' | 'placing'>
>;

/**
 * Changes what a group asks of its place and its containers; where it lives is for `arrange`. A fit that was
 * taken stays, and Fit says what is wrong with it.
 */
export const changeGroup = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly groupId: GroupId; readonly change: GroupChange },
  ): Promise<void> => {
    const { groups } = await loadRecords(db, projectId, 'groups');
    const group = groups.find(({ id }) => id === input.groupId);
    if (!group) throw new DataError('not_found', `there is no group ${input.groupId}`);
    const after = { ...group, ...input.change };
    if (JSON.stringify(after) === JSON.stringify(group)) return;
    await recordChange(
      db,
      { projectId, deed: { code: 'group_changed', name: group.name }, now: nowIso() },
      (writer) => writer.put(groupRecord, after),
    );
  },
);

/** Takes a group away; what was decided for it stays decided, without a group. */
export const removeGroup = atomic(
  async (db: Db, projectId: ProjectId, groupId: GroupId): Promise<void> => {
    const { groups } = await loadRecords(db, projectId, 'groups');
    const group = groups.find(({ id }) => id === groupId);
    if (!group) throw new DataError('not_found', 'there is no such group in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'group_removed', name: group.name }, now: nowIso() },
      async (writer) => {
        if (group.bayId) await writer.remove(fitRecord, group.bayId);
        await writer.remove(groupRecord, groupId);
      },
    );
  },
);
