import type { Bay, Unit } from '@/core/look';
import { type RoomId, type UnitId, type BayId, toId } from '@/core/shared';
import { toBayFacts, type UnitFormRead } from './unitForm';

/** The form's unit with stand-in ids, for drawing and judging only. */
export function toPreviewUnit(read: UnitFormRead): Unit {
  const unitId = toId<UnitId>('preview');
  const bays = read.bays.map((bay, i): Bay => ({
    ...toBayFacts(bay),
    id: toId<BayId>(`preview-${i}`),
    unitId,
  }));
  return {
    ...read,
    bays,
    id: unitId,
    roomId: toId<RoomId>('preview'),
    position: 0,
    place: null,
  };
}
