import type { Bay, Unit } from '@/core/look';
import { bayIdSchema, roomIdSchema, unitIdSchema } from '@/core/shared';
import { toBayFacts, type UnitFormRead } from './unitForm';

/** The form's unit with stand-in ids, for drawing and judging only. */
export function toPreviewUnit(read: UnitFormRead): Unit {
  const unitId = unitIdSchema.parse('preview');
  const bays = read.bays.map((bay, i): Bay => ({
    ...toBayFacts(bay),
    id: bayIdSchema.parse(`preview-${i}`),
    unitId,
  }));
  return {
    ...read,
    bays,
    id: unitId,
    roomId: roomIdSchema.parse('preview'),
    position: 0,
    place: null,
  };
}
