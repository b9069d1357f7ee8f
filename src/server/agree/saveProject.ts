import 'server-only';

import { defaultTerms, type Person, type Project } from '@/core/agree';
import type { Room } from '@/core/look';
import {
  personIdSchema,
  projectIdSchema,
  roomIdSchema,
  type ProjectId,
  type RoomId,
} from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { insertRecord, loadRecords, personRecord, projectRecord, roomRecord } from '@/data/records';
import { createId, nowIso } from '../means';

type PersonInput = Omit<Person, 'id' | 'projectId' | 'position' | 'mark'> & {
  readonly id: string | undefined;
};
export type ProjectInput = Pick<
  Project,
  | 'name'
  | 'units'
  | 'currency'
  | 'budgetMinor'
  | 'readyBy'
  | 'bedCount'
  | 'guestPlaceCount'
  | 'pets'
  | 'rowDepth'
> & {
  readonly people: readonly PersonInput[];
};

/** Starts a project with its household. Not a change to be undone: there is nothing before it. */
export async function startProject(db: Db, input: ProjectInput): Promise<ProjectId> {
  const { people, ...facts } = input;
  const project: Project = {
    ...facts,
    id: projectIdSchema.parse(createId()),
    status: 'active',
    archivedAt: null,
    createdAt: nowIso(),
    washEveryDays: 7,
    terms: defaultTerms,
  };
  await db.transaction(async (trx) => {
    await insertRecord(trx, projectRecord, project);
    for (const person of toPeople(project.id, people, []))
      await insertRecord(trx, personRecord, person);
  });
  return project.id;
}

/** Changes what was agreed for the whole: date, budget, units, household. */
export const changeProject = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: ProjectInput & {
      readonly roomBudgets: Readonly<Record<string, number>>;
      readonly status: Project['status'];
    },
  ): Promise<void> => {
    const { people, roomBudgets, ...facts } = input;
    const before = await loadRecords(db, projectId, 'people', 'project', 'rooms');
    const after = toPeople(projectId, people, before.people);
    await recordChange(
      db,
      { projectId, deed: { code: 'project_changed' }, now: nowIso() },
      async (writer) => {
        await writer.put(projectRecord, { ...before.project, ...facts });
        for (const person of before.people) {
          if (after.every(({ id }) => id !== person.id))
            await writer.remove(personRecord, person.id);
        }
        for (const person of after) await writer.put(personRecord, person);
        for (const room of before.rooms) {
          const budgetMinor = roomBudgets[room.id];
          if (budgetMinor !== undefined && budgetMinor !== room.budgetMinor)
            await writer.put(roomRecord, { ...room, budgetMinor });
        }
      },
    );
  },
);

/** A person's mark is given where labels are made, and stays. */
const toPeople = (
  projectId: ProjectId,
  people: readonly PersonInput[],
  before: readonly Person[],
): Person[] =>
  people.map(({ id, ...facts }, position) => ({
    ...facts,
    id: personIdSchema.parse(id ?? createId()),
    projectId,
    position,
    mark: before.find((person) => person.id === id)?.mark ?? null,
  }));

/** A room about which nothing is noted yet. */
export const createRoom = (
  facts: Pick<Room, 'id' | 'projectId' | 'name' | 'purpose' | 'budgetMinor' | 'position'>,
): Room => ({
  ...facts,
  plan: null,
  checks: [],
  routineBreaks: [],
  schools: {},
  workedMinutes: null,
});

/** Adds a room at the end of the lid. */
export const addRoom = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly name: string; readonly purpose: string; readonly budgetMinor: number },
  ): Promise<RoomId> => {
    const { rooms } = await loadRecords(db, projectId, 'rooms');
    const id = roomIdSchema.parse(createId());
    await recordChange(
      db,
      { projectId, deed: { code: 'room_added', name: input.name }, now: nowIso() },
      (writer) =>
        writer.insert(roomRecord, createRoom({ ...input, id, projectId, position: rooms.length })),
    );
    return id;
  },
);

type RoomChange = Pick<Room, 'name' | 'purpose' | 'budgetMinor'>;

/** Changes a room's name, purpose or share of the budget. @errors `not_found`. */
export const changeRoom = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { roomId, ...change }: { readonly roomId: RoomId } & Partial<RoomChange>,
  ): Promise<void> => {
    const { rooms } = await loadRecords(db, projectId, 'rooms');
    const room = rooms.find(({ id }) => id === roomId);
    if (!room) throw new DataError('not_found', 'there is no such room in this home');
    await recordChange(
      db,
      { projectId, deed: { code: 'room_changed', name: room.name }, now: nowIso() },
      (writer) => writer.put(roomRecord, { ...room, ...change }),
    );
  },
);
