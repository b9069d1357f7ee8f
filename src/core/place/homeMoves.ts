import type { GroupId, RoomId } from '../shared';

interface Standing {
  readonly groupId: GroupId;
  readonly name: string;
  readonly litres: number;
  readonly massG: number;
  readonly from: { readonly roomId: RoomId; readonly bayId: string } | undefined;
  readonly to: { readonly roomId: RoomId; readonly bayId: string } | undefined;
}

/** Everything that goes the same way from one room to another, carried together. */
export interface RoomToRoom {
  readonly fromRoomId: RoomId;
  readonly toRoomId: RoomId;
  readonly groups: readonly Standing[];
  readonly litres: number;
  readonly massG: number;
  /** Walks with one carry each, by what one person lifts and one basket holds. */
  readonly carryCount: number;
}

/**
 * Groups that stand in one room today and live in another by the chosen arrangement, joined by way; the
 * fullest way first. Each group changes rooms once. O(groups).
 */
export function joinMovesByWay(
  groups: readonly Standing[],
  { liftG, basketLitres }: { readonly liftG: number; readonly basketLitres: number },
): RoomToRoom[] {
  const ways = new Map<string, Standing[]>();
  for (const group of groups) {
    if (!group.from || !group.to || group.from.roomId === group.to.roomId) continue;
    const key = `${group.from.roomId} ${group.to.roomId}`;
    ways.set(key, [...(ways.get(key) ?? []), group]);
  }
  return [...ways.values()]
    .flatMap((joined): RoomToRoom[] => {
      const [first] = joined;
      if (!first?.from || !first.to) return [];
      const litres = joined.reduce((sum, group) => sum + group.litres, 0);
      const massG = joined.reduce((sum, group) => sum + group.massG, 0);
      return [
        {
          fromRoomId: first.from.roomId,
          toRoomId: first.to.roomId,
          groups: joined,
          litres,
          massG,
          carryCount: Math.max(1, Math.ceil(massG / liftG), Math.ceil(litres / basketLitres)),
        },
      ];
    })
    .sort((a, b) => b.litres - a.litres);
}
