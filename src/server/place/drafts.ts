import 'server-only';

import type { Deed } from '@/core/home';
import {
  placesIn,
  type ArrangedScope,
  type Arrangement,
  type ArrangementRef,
  type Draft,
} from '@/core/place';
import {
  draftIdSchema,
  type BayId,
  type DraftId,
  type GroupId,
  type ProjectId,
} from '@/core/shared';
import type { Group } from '@/core/sort';
import { atomic, recordChange, type ChangeWriter } from '@/data/changes';
import { DataError, type Db } from '@/data/db';
import { draftRecord, groupRecord, loadRecords, type Records } from '@/data/records';
import { createId, nowIso } from '../means';

export type Assignment = readonly { readonly groupId: GroupId; readonly bayId: BayId | null }[];

/** What the chosen arrangement is called until there are several. */
const FIRST_NAME = 'First draft';

export const draftsOf = (records: Records<'drafts'>, roomId: ArrangedScope): Draft[] =>
  records.drafts.filter((draft) => draft.roomId === roomId);

/** Whether a group belongs to what is arranged. */
export const isWithin =
  (scope: ArrangedScope) =>
  (group: Pick<Group, 'roomId'>): boolean =>
    scope === null || group.roomId === scope;

/** @errors `not_found`: a draft that is not there. */
export function resolveArrangement(
  records: Records<'drafts'>,
  roomId: ArrangedScope,
  ref: ArrangementRef,
): Arrangement {
  const named = (['today', 'chosen'] as const).find((name) => name === ref);
  if (named) return named;
  const draft = draftsOf(records, roomId).find(({ id }) => id === ref);
  if (!draft) throw new DataError('not_found', `there is no draft ${ref}`);
  return draft.places === null ? 'chosen' : draft;
}

const bayIdsOf = ({ units }: Records<'units'>): ReadonlySet<string> =>
  new Set(units.flatMap((unit) => unit.bays.map(({ id }) => id)));

/** The groups of a home, each where an arrangement has it. */
export function groupsIn(
  records: Records<'groups' | 'units'>,
  roomId: ArrangedScope,
  arrangement: Arrangement,
): Group[] {
  const places = placesIn(records.groups, { arrangement, bayIds: bayIdsOf(records) });
  // In a draft of one room the groups of others are where they are to live.
  return records.groups.map((group) => ({
    ...group,
    bayId:
      isWithin(roomId)(group) || arrangement === 'today' ? (places[group.id] ?? null) : group.bayId,
  }));
}

/**
 * Puts groups in bays, or (null) back in the tray, in one arrangement, as one change. In the chosen
 * one a taken fit of a
 * touched bay no longer holds. @errors `not_found`: a group, bay or draft that is not there;
 * nothing is moved.
 */
export const arrange = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      roomId,
      ref,
      assignment,
    }: {
      readonly roomId: ArrangedScope;
      readonly ref: ArrangementRef;
      readonly assignment: Assignment;
    },
  ): Promise<void> => {
    const records = await loadRecords(db, projectId, 'drafts', 'groups', 'units');
    const arrangement = resolveArrangement(records, roomId, ref);
    const bays = records.units.flatMap((unit) => unit.bays);
    const now = placesIn(records.groups, { arrangement, bayIds: bayIdsOf(records) });
    const moves = assignment
      .map(({ groupId, bayId }) => {
        const group = records.groups.find(({ id }) => id === groupId);
        if (!group || (bayId !== null && bays.every(({ id }) => id !== bayId)))
          throw new DataError('not_found', `there is no group ${groupId} or no bay ${bayId ?? ''}`);
        return { group, bayId };
      })
      .filter(({ group, bayId }) => (now[group.id] ?? null) !== bayId);
    const [first] = moves;
    if (!first) return;
    const bayName = bays.find(({ id }) => id === first.bayId)?.name;
    const draftName = typeof arrangement === 'object' ? arrangement.name : arrangement;
    const deed = arrangeDeed({ first, bayName, moveCount: moves.length, draftName });
    await recordChange(db, { projectId, deed, now: nowIso() }, async (writer) => {
      if (arrangement === 'today')
        for (const { group, bayId } of moves)
          await writer.put(groupRecord, { ...group, standsBayId: bayId });
      else if (arrangement === 'chosen') await moveChosen(writer, moves);
      else await writer.put(draftRecord, { ...arrangement, places: withMoves(arrangement, moves) });
    });
  },
);

type Moves = readonly { readonly group: Group; readonly bayId: BayId | null }[];

/** Fits that were taken stay; Fit says what is wrong with them now. */
async function moveChosen(writer: ChangeWriter, moves: Moves): Promise<void> {
  for (const { group, bayId } of moves) await writer.put(groupRecord, { ...group, bayId });
}

const withMoves = ({ places }: Draft, moves: Moves): NonNullable<Draft['places']> => [
  ...(places ?? []).filter(({ groupId }) => moves.every(({ group }) => group.id !== groupId)),
  ...moves.map(({ group, bayId }) => ({ groupId: group.id, bayId })),
];

/**
 * Copies an arrangement into a new draft. The first copy gives the chosen arrangement a name of its
 * own too.
 */
export const addDraft = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      roomId,
      name,
      from,
    }: { readonly roomId: ArrangedScope; readonly name: string; readonly from: ArrangementRef },
  ): Promise<DraftId> => {
    const records = await loadRecords(db, projectId, 'drafts', 'groups', 'rooms', 'units');
    if (roomId !== null && records.rooms.every(({ id }) => id !== roomId))
      throw new DataError('not_found', `there is no room ${roomId}`);
    const drafts = draftsOf(records, roomId);
    const own = records.groups.filter(isWithin(roomId));
    const id = draftIdSchema.parse(createId());
    await recordChange(
      db,
      { projectId, deed: { code: 'draft_copied', name }, now: nowIso() },
      async (writer) => {
        if (drafts.length === 0)
          await writer.insert(draftRecord, {
            id: draftIdSchema.parse(createId()),
            projectId,
            roomId,
            name: FIRST_NAME,
            places: null,
            position: 0,
          });
        await writer.insert(draftRecord, {
          id,
          projectId,
          roomId,
          name,
          places: toPlaces(records, own, resolveArrangement(records, roomId, from)),
          position: Math.max(0, ...drafts.map(({ position }) => position)) + 1,
        });
      },
    );
    return id;
  },
);

function toPlaces(
  records: Records<'units'>,
  groups: readonly Group[],
  arrangement: Arrangement,
): NonNullable<Draft['places']> {
  const places = placesIn(groups, { arrangement, bayIds: bayIdsOf(records) });
  return groups.map(({ id }) => ({ groupId: id, bayId: places[id] ?? null }));
}

/** Makes a draft the one that is carried out; what was chosen before stays as a draft. One change. */
export const chooseDraft = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { roomId, draftId }: { readonly roomId: ArrangedScope; readonly draftId: DraftId },
  ): Promise<void> => {
    const records = await loadRecords(db, projectId, 'drafts', 'groups', 'units');
    const draft = resolveArrangement(records, roomId, draftId);
    if (typeof draft === 'string') return;
    const own = records.groups.filter(isWithin(roomId));
    const places = placesIn(own, { arrangement: draft, bayIds: bayIdsOf(records) });
    await recordChange(
      db,
      { projectId, deed: { code: 'draft_chosen', name: draft.name }, now: nowIso() },
      async (writer) => {
        for (const chosen of draftsOf(records, roomId).filter((other) => other.places === null))
          await writer.put(draftRecord, { ...chosen, places: toPlaces(records, own, 'chosen') });
        await moveChosen(
          writer,
          own
            .map((group) => ({ group, bayId: places[group.id] ?? null }))
            .filter(({ group, bayId }) => group.bayId !== bayId),
        );
        await writer.put(draftRecord, { ...draft, places: null });
      },
    );
  },
);

export const renameDraft = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    {
      roomId,
      draftId,
      name,
    }: { readonly roomId: ArrangedScope; readonly draftId: DraftId; readonly name: string },
  ): Promise<void> => {
    const draft = draftsOf(await loadRecords(db, projectId, 'drafts'), roomId).find(
      ({ id }) => id === draftId,
    );
    if (!draft) throw new DataError('not_found', `there is no draft ${draftId}`);
    await recordChange(
      db,
      { projectId, deed: { code: 'draft_named', name }, now: nowIso() },
      (writer) => writer.put(draftRecord, { ...draft, name }),
    );
  },
);

/** Takes a draft away. The chosen one stays: it is where everything is to live. */
export const removeDraft = atomic(
  async (
    db: Db,
    projectId: ProjectId,
    { roomId, draftId }: { readonly roomId: ArrangedScope; readonly draftId: DraftId },
  ): Promise<void> => {
    const draft = draftsOf(await loadRecords(db, projectId, 'drafts'), roomId).find(
      ({ id }) => id === draftId,
    );
    if (!draft) throw new DataError('not_found', 'there is no such draft in this home');
    if (draft.places === null) return;
    await recordChange(
      db,
      { projectId, deed: { code: 'draft_removed', name: draft.name }, now: nowIso() },
      (writer) => writer.remove(draftRecord, draftId),
    );
  },
);

/** What an arrangement is called afterwards: `place` is where, `draft` in which arrangement. */
const arrangeDeed = ({
  first,
  bayName,
  moveCount,
  draftName,
}: {
  readonly first: { readonly group: Group };
  readonly bayName: string | undefined;
  readonly moveCount: number;
  readonly draftName: string;
}): Deed => {
  if (moveCount > 1) return { code: 'groups_arranged', count: moveCount, draft: draftName };
  return bayName === undefined
    ? { code: 'group_put_back', name: first.group.name, draft: draftName }
    : { code: 'group_put', name: first.group.name, place: bayName, draft: draftName };
};
