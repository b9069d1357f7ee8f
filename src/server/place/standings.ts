import { keptLitresOf, keptMassGOf } from '@/core/sort';
import type { Records } from '@/data/records';

/** Where every group stands today and where it is to live, with the room of both. */
export function standingsOf({ groups, things, units }: Records<'groups' | 'things' | 'units'>) {
  const roomOfBay = new Map<string, (typeof units)[number]['roomId']>(
    units.flatMap((unit) => unit.bays.map((bay) => [bay.id, unit.roomId] as const)),
  );
  const at = (bayId: string | null) => {
    const roomId = bayId === null ? undefined : roomOfBay.get(bayId);
    return bayId === null || roomId === undefined ? undefined : { bayId, roomId };
  };
  return groups.map((group) => ({
    groupId: group.id,
    name: group.name,
    litres: keptLitresOf(group, things),
    massG: keptMassGOf(group, things),
    from: at(group.standsBayId),
    to: at(group.bayId),
  }));
}
