import 'server-only';

import type { LeadsTo, Passage } from '@/core/look';
import { passageIdSchema, type FixtureId, type PassageId, type ProjectId } from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { fixtureRecord, loadRecords, passageRecord } from '@/data/records';
import { createId, nowIso } from '../means';

type PassageInput = Omit<Passage, 'id' | 'projectId' | 'position'> & {
  readonly id: PassageId | undefined;
};

/** Keeps a hall, stairs or an opening; without an id it is new. @errors `not_found`. */
export const savePassage = atomic(
  async (db: Db, projectId: ProjectId, input: PassageInput): Promise<PassageId> => {
    const { passages } = await loadRecords(db, projectId, 'passages');
    const known = passages.find(({ id }) => id === input.id);
    if (input.id !== undefined && !known) throw new DataError('not_found', 'it is gone by now');
    const id = known?.id ?? passageIdSchema.parse(createId());
    await recordChange(
      db,
      {
        projectId,
        deed: { code: known ? 'passage_changed' : 'passage_added', name: input.name },
        now: nowIso(),
      },
      (writer) =>
        writer.put(passageRecord, {
          ...input,
          id,
          projectId,
          position: known?.position ?? passages.length,
        }),
    );
    return id;
  },
);

/** Removes it; doors that led there lead nowhere said again. @errors `not_found`. */
export const removePassage = atomic(
  async (db: Db, projectId: ProjectId, passageId: PassageId): Promise<void> => {
    const { passages, fixtures } = await loadRecords(db, projectId, 'passages', 'fixtures');
    const passage = passages.find(({ id }) => id === passageId);
    if (!passage) throw new DataError('not_found', 'it is gone by now');
    await recordChange(
      db,
      { projectId, deed: { code: 'passage_removed', name: passage.name }, now: nowIso() },
      async (writer) => {
        for (const door of fixtures)
          if (door.leadsTo?.to === 'passage' && door.leadsTo.passageId === passageId)
            await writer.put(fixtureRecord, { ...door, leadsTo: null });
        for (const other of passages)
          if (other.passageIds.includes(passageId))
            await writer.put(passageRecord, {
              ...other,
              passageIds: other.passageIds.filter((id) => id !== passageId),
            });
        await writer.remove(passageRecord, passageId);
      },
    );
  },
);

/** Says what is behind a door; null takes it back. @errors `not_found`. */
export const leadDoor = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    input: { readonly fixtureId: FixtureId; readonly leadsTo: LeadsTo | null },
  ): Promise<void> => {
    const { fixtures } = await loadRecords(db, projectId, 'fixtures');
    const door = fixtures.find(({ id }) => id === input.fixtureId);
    if (door?.kind !== 'door') throw new DataError('not_found', 'there is no such door');
    await recordChange(
      db,
      { projectId, deed: { code: 'door_led', name: door.name }, now: nowIso() },
      (writer) => writer.put(fixtureRecord, { ...door, leadsTo: input.leadsTo }),
    );
  },
);
