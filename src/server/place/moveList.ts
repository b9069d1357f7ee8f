import 'server-only';

import {
  BASKET,
  tickedItem,
  type KeptItem,
  type KeptMoveList,
  type MovesReason,
} from '@/core/place';
import { usableLitresOf } from '@/core/look';
import {
  bayIdSchema,
  err,
  groupIdSchema,
  ok,
  type BayId,
  type GroupId,
  type ProjectId,
  type Result,
  type RoomId,
} from '@/core/shared';
import { keptLitresOf, keptMassGOf } from '@/core/sort';
import { LIFTING_LIMIT_G } from '@/core/things';
import { atomic, recordChange, requireUnchanged, stampOf } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import {
  groupRecord,
  loadRecords,
  moveListRecord,
  type ProjectRecords,
  type Records,
} from '@/data/records';
import { runEngine } from '../engines/runEngine';
import { nowIso } from '../means';

/** Litres of a laundry basket. */
export const BASKET_LITRES = 45;
/** So long the order of moves is improved. */
const MOVES_MS = 2500;

interface MoveListInput {
  readonly roomId: RoomId;
  readonly cleaning: KeptMoveList['cleaning'];
  readonly cleanedBayIds: readonly BayId[];
  readonly basketsStand: string;
}
/** What cannot be carried out, with the name of the place that is too small. */
export type MoveListReasons = readonly (MovesReason & { readonly bayName: string })[];

/**
 * Makes the working list of a room, from where everything stands to where it is to live; an older
 * list goes. Groups of other
 * rooms move too where they stand in this room's places or are to live in them.
 * Fails with what makes it impossible, the bays by their names; nothing is kept then.
 * @errors `changed_meanwhile`: the home was changed while the order was worked out.
 */
export async function makeMoveList(
  db: Db,
  projectId: ProjectId,
  input: MoveListInput,
): Promise<Result<undefined, MoveListReasons>> {
  const stamp = await stampOf(db, projectId);
  const records = await loadRecords(db, projectId, 'groups', 'things', 'units');
  const list = await planFor(records, input);
  if (!list.ok) return list;
  const change = { projectId, deed: { code: 'moves_listed' }, now: nowIso() } as const;
  await recordChange(db, change, async (writer, trx) => {
    await requireUnchanged(trx, projectId, stamp);
    await writer.put(moveListRecord, list.value);
  });
  return ok(undefined);
}

async function planFor(
  records: Records<'groups' | 'things' | 'units'>,
  input: MoveListInput,
  inBasketIds: readonly GroupId[] = [],
): Promise<Result<KeptMoveList, MoveListReasons>> {
  const { units, groups, things } = records;
  const own = new Set(
    units
      .filter(({ roomId }) => roomId === input.roomId)
      .flatMap((unit) => unit.bays.map(({ id }) => id)),
  );
  const isOurs = (bayId: BayId | null) => bayId !== null && own.has(bayId);
  const moving = groups.filter(
    (group) => group.roomId === input.roomId || isOurs(group.standsBayId) || isOurs(group.bayId),
  );
  // Of other rooms only the places that something comes from or goes to, with what stays in them.
  const touched = new Set<BayId>(
    moving.flatMap((group) => [group.standsBayId, group.bayId]).filter((bayId) => bayId !== null),
  );
  const bays = units.flatMap((unit) =>
    unit.bays
      .filter(({ id }) => own.has(id) || touched.has(id))
      .map((bay) => ({ id: bay.id, litres: usableLitresOf(bay) })),
  );
  const staying = groups.filter(
    (group) =>
      !moving.includes(group) && group.standsBayId !== null && touched.has(group.standsBayId),
  );
  const list = await runEngine('moveList', {
    bays,
    inBasketIds,
    cleanedBayIds: input.cleanedBayIds.filter((id) => own.has(id)),
    basketLitres: BASKET_LITRES,
    liftG: LIFTING_LIMIT_G,
    timeLimitMs: MOVES_MS,
    groups: [...moving, ...staying].map((group) => ({
      id: group.id,
      litres: keptLitresOf(group, things),
      massG: keptMassGOf(group, things),
      from: group.standsBayId,
      to: moving.includes(group) ? group.bayId : group.standsBayId,
    })),
  });
  if (list.reasons.length > 0) {
    const nameOf = new Map<string, string>(
      units.flatMap((unit) => unit.bays.map(({ id, name }) => [id, name])),
    );
    return err(
      list.reasons.map((reason) => ({ ...reason, bayName: nameOf.get(reason.subject) ?? '' })),
    );
  }
  const items = list.items.map((item): KeptItem =>
    item.kind === 'clean'
      ? { kind: 'clean', bayId: bayIdSchema.parse(item.bayId), doneAt: null }
      : { ...item, groupId: groupIdSchema.parse(item.groupId), doneAt: null },
  );
  return ok({
    id: input.roomId,
    madeAt: nowIso(),
    cleaning: input.cleaning,
    cleanedBayIds: [...input.cleanedBayIds],
    basketsStand: input.basketsStand,
    items,
    stagedLitres: list.stagedLitres,
    leastStagedLitres: list.leastStagedLitres ?? null,
    baskets: list.baskets,
    circles: list.circles.map((circle) => [...circle]),
  });
}

const getList = (records: Records<'moveLists'>, roomId: RoomId): KeptMoveList => {
  const list = records.moveLists.find(({ id }) => id === roomId);
  if (!list) throw new DataError('not_found', `room ${roomId} has no list of moves`);
  return list;
};

/** Ticks a line, or opens it again; the group then stands where the line has put it. @errors `not_found`. */
export const tickMove = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      roomId,
      madeAt,
      index,
      isDone,
      at,
    }: {
      readonly roomId: RoomId;
      /** When the list was made whose line it is. */
      readonly madeAt: string;
      readonly index: number;
      readonly isDone: boolean;
      readonly at?: string;
    },
  ): Promise<void> => {
    const records = await loadRecords(db, projectId, 'groups', 'moveLists', 'units');
    const list = getList(records, roomId);
    const item = list.items[index];
    // Lines of a list that was made anew since are others.
    if (!item || list.madeAt !== madeAt)
      throw new DataError('not_found', `the list has no line ${index}`);
    if ((item.doneAt !== null) === isDone) return;
    const now = at ?? nowIso();
    const bays = records.units.flatMap((unit) => unit.bays);
    const group =
      item.kind === 'move' ? records.groups.find(({ id }) => id === item.groupId) : undefined;
    const stop = isDone ? 'to' : 'from';
    const place = item.kind === 'move' ? item[stop] : null;
    await recordChange(
      db,
      { projectId, deed: { code: isDone ? 'move_ticked' : 'move_reopened' }, now: nowIso() },
      async (writer) => {
        await writer.put(moveListRecord, tickedItem(list, index, isDone ? now : null));
        if (group)
          await writer.put(groupRecord, {
            ...group,
            standsBayId:
              place === null || place === BASKET
                ? null
                : (bays.find(({ id }) => id === place)?.id ?? null),
          });
      },
    );
  },
);

/**
 * Something stands elsewhere than the list says (null: in a basket): notes it, and works the rest
 * out anew from where things
 * really are; what is done stays on the list. Cleaning that is done is not asked for again.
 */
export async function noteDeviation(
  db: Db,
  projectId: ProjectId,
  {
    roomId,
    groupId,
    bayId,
  }: { readonly roomId: RoomId; readonly groupId: GroupId; readonly bayId: BayId | null },
): Promise<Result<undefined, MoveListReasons>> {
  const stamp = await stampOf(db, projectId);
  const records = await loadRecords(db, projectId, 'groups', 'moveLists', 'things', 'units');
  const list = getList(records, roomId);
  const group = records.groups.find(({ id }) => id === groupId);
  if (!group) throw new DataError('not_found', `there is no group ${groupId}`);
  const done = list.items.filter(({ doneAt }) => doneAt !== null);
  const cleaned = new Set(done.flatMap((item) => (item.kind === 'clean' ? [item.bayId] : [])));
  const moved = { ...group, standsBayId: bayId };
  const groups = records.groups.map((other) => (other.id === groupId ? moved : other));
  const rest = await planFor(
    { ...records, groups },
    { ...list, roomId, cleanedBayIds: list.cleanedBayIds.filter((id) => !cleaned.has(id)) },
    inBaskets(groups, { done, noted: bayId === null ? [groupId] : [] }),
  );
  if (!rest.ok) return rest;
  await recordChange(
    db,
    { projectId, deed: { code: 'standing_noted', name: group.name }, now: nowIso() },
    async (writer, trx) => {
      await requireUnchanged(trx, projectId, stamp);
      await writer.put(groupRecord, moved);
      await writer.put(moveListRecord, {
        ...rest.value,
        cleanedBayIds: list.cleanedBayIds,
        items: [...done, ...rest.value.items],
        leastStagedLitres: null,
      });
    },
  );
  return ok(undefined);
}

/** Groups that were carried into a basket, or were found in one, and stand nowhere since. */
const inBaskets = (
  groups: ProjectRecords['groups'],
  { done, noted }: { readonly done: readonly KeptItem[]; readonly noted: readonly GroupId[] },
): GroupId[] =>
  groups
    .filter(
      ({ id, standsBayId }) =>
        standsBayId === null &&
        (noted.includes(id) ||
          done.some((item) => item.kind === 'move' && item.groupId === id && item.to === BASKET)),
    )
    .map(({ id }) => id);
