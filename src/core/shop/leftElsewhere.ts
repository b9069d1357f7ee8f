import { keptPiecesOf } from './findLeftovers';
import type { Purchase } from './records';

/** What was bought for a room, and the containers that its taken fits stand in, one id a piece. */
export interface RoomStock {
  readonly name: string;
  readonly purchases: readonly Bought[];
  readonly wantedIds: readonly string[];
}
type Bought = Pick<Purchase, 'containerId' | 'pieces' | 'returnedPieces'>;

/** Pieces of each container that were bought and kept beyond those that are wanted; below zero where some lack. */
export function piecesOver({
  purchases,
  wantedIds,
}: Omit<RoomStock, 'name'>): ReadonlyMap<string, number> {
  const over = new Map<string, number>();
  const add = (id: string, pieces: number) => over.set(id, (over.get(id) ?? 0) + pieces);
  for (const purchase of purchases)
    if (purchase.containerId !== null) add(purchase.containerId, keptPiecesOf(purchase));
  for (const id of wantedIds) add(id, -1);
  return over;
}

/** Pieces of a container that lie left over, and the rooms in which they lie. */
export interface LeftElsewhere {
  readonly pieces: number;
  readonly roomNames: readonly string[];
}

/**
 * What lies left over in the other rooms for room number `own`, less what the rooms before it lack: each piece is
 * counted for one room.
 */
export function leftElsewhere(
  rooms: readonly RoomStock[],
  own: number,
): ReadonlyMap<string, LeftElsewhere> {
  const left = new Map<string, LeftElsewhere>();
  const lacking = new Map<string, number>();
  for (const [i, room] of rooms.entries()) {
    if (i === own) continue;
    for (const [id, pieces] of piecesOver(room)) {
      const known = left.get(id) ?? { pieces: 0, roomNames: [] };
      if (pieces > 0)
        left.set(id, {
          pieces: known.pieces + pieces,
          roomNames: [...known.roomNames, room.name],
        });
      else if (i < own) lacking.set(id, (lacking.get(id) ?? 0) - pieces);
    }
  }
  return new Map(
    [...left]
      .map(([id, each]) => [id, { ...each, pieces: each.pieces - (lacking.get(id) ?? 0) }] as const)
      .filter(([, { pieces }]) => pieces > 0),
  );
}
