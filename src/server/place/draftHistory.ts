import 'server-only';

import type { KeptDeed } from '@/core/home';
import { placesIn, type ArrangedScope, type ArrangementRef, type Draft } from '@/core/place';
import type { BayId, GroupId, ProjectId } from '@/core/shared';
import { listChanges, type Change } from '@/data/changes';
import type { Db } from '@/data/db';
import { draftRecord, type Records } from '@/data/records';
import { isWithin, resolveArrangement, type Assignment } from './drafts';

/** An arrangement as a change left it. */
interface DraftState {
  readonly seq: number;
  readonly deed: KeptDeed;
  readonly changedAt: string;
  readonly places: Assignment;
}

const MOST_STATES = 30;

/**
 * How an arrangement came to be, the latest first: walked back from now through what each change
 * remembers of its rows.
 * Ends where it was copied or chosen. O(changes × images).
 */
export async function draftHistory(
  db: Db,
  records: Records<'drafts' | 'groups' | 'project' | 'units'>,
  { roomId, ref }: { readonly roomId: ArrangedScope; readonly ref: ArrangementRef },
): Promise<DraftState[]> {
  const arrangement = resolveArrangement(records, roomId, ref);
  const own = records.groups.filter(isWithin(roomId));
  const bayIds = new Set(records.units.flatMap((unit) => unit.bays.map(({ id }) => id)));
  let places: Map<GroupId, BayId | null> = new Map(
    Object.entries(placesIn(own, { arrangement, bayIds })) as [GroupId, BayId | null][],
  );
  const states: DraftState[] = [];
  for (const change of await listChanges(db, records.project.id as ProjectId)) {
    const before =
      typeof arrangement === 'object'
        ? draftBefore(change, arrangement.id)
        : groupsBefore(change, roomId, arrangement === 'today' ? 'stands_bay_id' : 'bay_id');
    if (before === undefined) continue;
    states.push({
      seq: change.seq,
      deed: change.deed,
      changedAt: change.changedAt,
      places: [...places].map(([groupId, bayId]) => ({ groupId, bayId })),
    });
    if (before === 'beginning' || states.length >= MOST_STATES) break;
    places = new Map([...places, ...before]);
  }
  return states;
}

type Before = ReadonlyMap<GroupId, BayId | null> | 'beginning' | undefined;

function draftBefore({ images }: Change, draftId: Draft['id']): Before {
  const image = images.find(({ table, id }) => table === draftRecord.table.name && id === draftId);
  if (!image) return undefined;
  const draft = image.before && draftRecord.table.fromRow(image.before);
  return draft?.places
    ? new Map(draft.places.map(({ groupId, bayId }) => [groupId, bayId]))
    : 'beginning';
}

function groupsBefore(
  { images }: Change,
  roomId: ArrangedScope,
  column: 'bay_id' | 'stands_bay_id',
): Before {
  const moved = images.filter(
    ({ table, before, after }) =>
      table === 'groups' &&
      before &&
      (roomId === null || before.room_id === roomId) &&
      after &&
      (before[column] ?? null) !== (after[column] ?? null),
  );
  return moved.length === 0
    ? undefined
    : new Map(
        moved.map(({ id, before }) => [id as GroupId, (before?.[column] ?? null) as BayId | null]),
      );
}
