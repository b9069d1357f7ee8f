import 'server-only';

import {
  boxKey,
  boxOf,
  carrySchema,
  leavingStatesOf,
  openBoxesOf,
  type Carry,
  type DoorBox,
} from '@/core/sort';
import { carryIdSchema, type CarryId, type ProjectId, type RoomId } from '@/core/shared';
import { atomic, recordChange } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { carryRecord, loadRecords } from '@/data/records';
import { listCarries } from '@/data/sessionRepo';
import { createId, nowIso } from '../means';

/**
 * Carries a box out of its room to the door: what is decided for it and still in the room, by name.
 * @errors `not_found`: nothing is in that box.
 */
export const carryBox = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { roomId, box }: { readonly roomId: RoomId; readonly box: DoorBox },
  ): Promise<CarryId> => {
    const { things } = await loadRecords(db, projectId, 'things');
    const here = things.filter((thing) => thing.roomId === roomId);
    const states = leavingStatesOf(here, await listCarries(db, roomId));
    const key = boxKey(box);
    const open = openBoxesOf(here, states).get(key);
    if (!open) throw new DataError('not_found', 'nothing stands in that box');
    const carry = carrySchema.parse({
      id: carryIdSchema.parse(createId()),
      roomId,
      verdict: box.verdict,
      toward: box.toward,
      litres: open.litres,
      massG: Math.round(open.massG),
      thingIds: here
        .filter((thing) => states.get(thing.id) === 'decided' && isIn(boxOf(thing), key))
        .map(({ id }) => id),
      carriedAt: nowIso(),
      note: '',
      dueOn: null,
      settledAt: null,
      goneAt: null,
      goneBy: '',
    });
    await recordChange(
      db,
      { projectId, deed: { code: 'box_carried', name: box.verdict }, now: nowIso() },
      (writer) => writer.insert(carryRecord, carry),
    );
    return carry.id;
  },
);
const isIn = (box: DoorBox | undefined, key: string): boolean =>
  box !== undefined && boxKey(box) === key;

/** What can be said of something that went out, at once or later. */
type GoingOut = Pick<Carry, 'goneAt' | 'goneBy' | 'note'>;

/** Says that a box has left the home, or corrects what was said of it. @errors `not_found`. */
export const sayGoingOut = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { roomId, carryId, said }: CarryPlace & { readonly said: GoingOut },
  ): Promise<void> => {
    const carry = await getCarry(db, { roomId, carryId });
    const code = carry.goneAt === null && said.goneAt !== null ? 'box_gone' : 'box_corrected';
    await recordChange(
      db,
      { projectId, deed: { code, name: carry.verdict ?? '' }, now: nowIso() },
      (writer) => writer.put(carryRecord, carrySchema.parse({ ...carry, ...said })),
    );
  },
);

/** It did not go out: its things stand in their box in the room again. @errors `not_found`. */
export const takeBackCarry = atomic(
  async (db: Db, projectId: ProjectId, place: CarryPlace): Promise<void> => {
    const carry = await getCarry(db, place);
    await recordChange(
      db,
      { projectId, deed: { code: 'box_back', name: carry.verdict ?? '' }, now: nowIso() },
      (writer) => writer.remove(carryRecord, carry.id),
    );
  },
);

interface CarryPlace {
  readonly roomId: RoomId;
  readonly carryId: CarryId;
}
async function getCarry(db: Db, { roomId, carryId }: CarryPlace): Promise<Carry> {
  const carry = (await listCarries(db, roomId)).find(({ id }) => id === carryId);
  if (!carry) throw new DataError('not_found', 'nothing so went out of this room');
  return carry;
}
