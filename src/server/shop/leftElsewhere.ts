import 'server-only';

import { containerIdsOf } from '@/core/fit';
import type { RoomId } from '@/core/shared';
import { keptPiecesOf } from '@/core/shop';
import type { Records } from '@/data/records';

/**
 * What lies left over in the other rooms, less what the rooms before this one lack: each piece is counted for one room.
 */
export function leftElsewhereOf(
  records: Records<'containers' | 'fits' | 'purchases' | 'rooms' | 'units'>,
  roomId: RoomId,
): ReadonlyMap<string, number> {
  const left = new Map<string, number>();
  const lacking = new Map<string, number>();
  const own = records.rooms.findIndex(({ id }) => id === roomId);
  for (const [i, room] of records.rooms.entries()) {
    if (i === own) continue;
    const bayIds = new Set(
      records.units
        .filter((unit) => unit.roomId === room.id)
        .flatMap((unit) => unit.bays.map(({ id }) => id)),
    );
    const over = new Map<string, number>();
    const add = (id: string, pieces: number) => over.set(id, (over.get(id) ?? 0) + pieces);
    for (const purchase of records.purchases)
      if (purchase.roomId === room.id && purchase.containerId !== null)
        add(purchase.containerId, keptPiecesOf(purchase));
    for (const fit of records.fits)
      if (bayIds.has(fit.bayId)) for (const id of containerIdsOf(fit.answer)) add(id, -1);
    for (const [id, pieces] of over) {
      if (pieces > 0) left.set(id, (left.get(id) ?? 0) + pieces);
      else if (i < own) lacking.set(id, (lacking.get(id) ?? 0) - pieces);
    }
  }
  return new Map(
    [...left]
      .map(([id, pieces]) => [id, pieces - (lacking.get(id) ?? 0)] as const)
      .filter(([, pieces]) => pieces > 0),
  );
}
