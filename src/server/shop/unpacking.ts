import { containerIdsOf } from '@/core/fit';
import { keptPiecesOf } from '@/core/shop';
import type { Records } from '@/data/records';

/** What was bought for each room, and in which places its fits want it. */
export function unpackingOf({
  rooms,
  purchases,
  fits,
  units,
}: Records<'rooms' | 'purchases' | 'fits' | 'units'>) {
  return rooms
    .map((room) => {
      const bays = units.filter((unit) => unit.roomId === room.id).flatMap((unit) => unit.bays);
      const lines = new Map<
        string,
        { label: string; pieces: number; containerId: string | null }
      >();
      for (const purchase of purchases) {
        if (purchase.roomId !== room.id || keptPiecesOf(purchase) === 0) continue;
        const key = purchase.containerId ?? purchase.label;
        const known = lines.get(key);
        lines.set(key, {
          label: purchase.label,
          containerId: purchase.containerId,
          pieces: (known?.pieces ?? 0) + keptPiecesOf(purchase),
        });
      }
      return {
        roomName: room.name,
        lines: [...lines.values()].map(({ label, pieces, containerId }) => ({
          label,
          pieces,
          places: bays.flatMap(({ id, name }) => {
            const count = fits
              .filter(({ bayId }) => bayId === id)
              .flatMap(({ answer }) => containerIdsOf(answer))
              .filter((id) => id === containerId).length;
            return count > 0 ? [{ name, count }] : [];
          }),
        })),
      };
    })
    .filter(({ lines }) => lines.length > 0);
}
