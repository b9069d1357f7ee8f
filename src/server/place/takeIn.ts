import 'server-only';

import {
  capital,
  decisionIdSchema,
  type ProjectId,
  type RoomId,
  type ThingId,
} from '@/core/shared';
import { type Group, movesRoom } from '@/core/sort';
import { announceDecisions } from '@/data/announcements';
import { recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { appendDecisions } from '@/data/decisionLog';
import { loadRecords } from '@/data/records';
import { createId, nowIso } from '../means';
import { addGroupIn } from '../sort/groups';

/**
 * Takes a thing that waits elsewhere into a room: it is kept from now on, in a group of its own
 * name, which can then be placed.
 * The decision goes into the log like any other, in one transaction with the group. @errors `not_found`.
 */
export async function takeIn(
  db: Db,
  projectId: ProjectId,
  { roomId, thingId }: { readonly roomId: RoomId; readonly thingId: ThingId },
): Promise<Group> {
  const group = await recordChange(
    db,
    { projectId, deed: { code: 'waiting_taken_in' }, now: nowIso() },
    async (writer, trx) => {
      const { things } = await loadRecords(trx, projectId, 'things');
      const thing = things.find(({ id }) => id === thingId);
      if (!thing || !movesRoom(thing))
        throw new DataError('not_found', `nothing that waits has the id ${thingId}`);
      const into = await addGroupIn({ writer, trx }, projectId, {
        roomId,
        name: capital(thing.name).slice(0, 60),
      });
      const { id: _id, decisionId: _decisionId, destination: _destination, ...facts } = thing;
      await appendDecisions(trx, projectId, [
        {
          ...facts,
          kind: 'decided',
          id: decisionIdSchema.parse(createId()),
          thingId,
          decidedAt: nowIso(),
          device: 'desk',
          roomId,
          verdict: 'keep',
          groupId: into.id,
          to: '',
        },
      ]);
      return into;
    },
  );
  announceDecisions(projectId);
  return group;
}
