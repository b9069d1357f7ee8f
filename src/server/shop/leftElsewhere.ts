import 'server-only';

import { containerIdsOf } from '@/core/fit';
import type { RoomId } from '@/core/shared';
import { leftElsewhere, type LeftElsewhere } from '@/core/shop';
import type { Records } from '@/data/records';

/** What lies left over in the other rooms of a home, by container. */
export function leftElsewhereOf(
  { rooms, units, fits, purchases }: Records<'fits' | 'purchases' | 'rooms' | 'units'>,
  roomId: RoomId,
): ReadonlyMap<string, LeftElsewhere> {
  const roomOf = new Map(
    units.flatMap((unit) => unit.bays.map((bay) => [bay.id, unit.roomId] as const)),
  );
  return leftElsewhere(
    rooms.map(({ id, name }) => ({
      name,
      purchases: purchases.filter((purchase) => purchase.roomId === id),
      wantedIds: fits
        .filter(({ bayId }) => roomOf.get(bayId) === id)
        .flatMap(({ answer }) => containerIdsOf(answer)),
    })),
    rooms.findIndex(({ id }) => id === roomId),
  );
}
