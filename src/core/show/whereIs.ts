import type { TakenFit } from '../fit';
import type { Room, Unit } from '../look';
import { rowsInPlace, type Row } from '../place';
import type { BayId } from '../shared';
import { leavingStatesOf, type Carry, type Group, type LeavingState, type Thing } from '../sort';

/** Where something stands or is to stand. */
interface Spot {
  readonly room: Room;
  readonly unit: Unit;
  readonly bayId: BayId;
  readonly bayName: string;
  /** Before or behind others, where the place is so deep that it has rows. */
  readonly row: Row | undefined;
  /** What it lies in there, by the fit that was taken, with how many of each. */
  readonly containers: readonly { readonly name: string; readonly count: number }[];
}

/** Where a thing or a group is. */
export interface Whereabouts {
  readonly name: string;
  readonly group: Group | undefined;
  readonly thing: Thing | undefined;
  /** The room in which it is, as far as it has no place. */
  readonly room: Room | undefined;
  /** Where it stands today, and where it is to live, where that is another place. */
  readonly stands: Spot | undefined;
  readonly lives: Spot | undefined;
  /** Of a thing that leaves: how far it has come, and the box that it went in. */
  readonly leaving: { readonly state: LeavingState; readonly carry: Carry | undefined } | undefined;
}

export interface WhereRecords {
  readonly rooms: readonly Room[];
  readonly units: readonly Unit[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly fits: readonly TakenFit[];
  readonly containers: readonly { readonly id: string; readonly name: string }[];
  readonly carries: readonly Carry[];
  readonly project: { readonly rowDepth: { readonly mm: number } | null };
}

/** Finds a thing or a group by its id; undefined where the home has no such. O(records). */
export function whereIs(records: WhereRecords, id: string): Whereabouts | undefined {
  const thing = records.things.find((each) => each.id === id);
  const groupId: string | null = thing ? thing.groupId : id;
  const group = records.groups.find((each) => each.id === groupId);
  const name = thing?.name ?? group?.name;
  if (name === undefined) return undefined;
  const state = thing && leavingStatesOf(records.things, records.carries).get(thing.id);
  const isHere = state === undefined;
  return {
    name,
    thing,
    group,
    room: records.rooms.find((room) => room.id === (thing ?? group)?.roomId),
    stands: isHere ? spotOf(records, group, group?.standsBayId ?? null) : undefined,
    lives: isHere ? spotOf(records, group, group?.bayId ?? null) : undefined,
    leaving: thing &&
      state && {
        state,
        carry: records.carries.findLast(
          ({ thingIds, verdict }) => verdict === thing.verdict && thingIds.includes(thing.id),
        ),
      },
  };
}

function spotOf(
  { rooms, units, fits, containers, groups, things, project }: WhereRecords,
  group: Group | undefined,
  bayId: BayId | null,
): Spot | undefined {
  const unit = units.find(({ bays }) => bays.some(({ id }) => id === bayId));
  const bay = unit?.bays.find(({ id }) => id === bayId);
  const room = rooms.find(({ id }) => id === unit?.roomId);
  if (!unit || !bay || !room) return undefined;
  const counts = new Map<string, number>();
  // Beside those that stand, or live, in the same place.
  const at = (other: Group) => (bayId === group?.bayId ? other.bayId : other.standsBayId) === bayId;
  // A fit is made for where a group lives.
  const fit = bayId === group?.bayId ? fits.find((each) => each.bayId === bayId) : undefined;
  for (const { groupId, containerId } of fit?.answer.placements ?? [])
    if (groupId === group?.id) counts.set(containerId, (counts.get(containerId) ?? 0) + 1);
  return {
    room,
    unit,
    bayId: bay.id,
    bayName: bay.name,
    row:
      group &&
      rowsInPlace(bay, { groups: groups.filter(at), things, rowDepthMm: project.rowDepth?.mm }).get(
        group.id,
      ),
    containers: [...counts].map(([id, count]) => ({
      name: containers.find((container) => container.id === id)?.name ?? id,
      count,
    })),
  };
}
