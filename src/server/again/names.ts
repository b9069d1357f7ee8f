import type { Records } from '@/data/records';

/** What groups and places are called in a sentence; what is gone since is said to be. */
export function namesOf({ groups, units, rooms }: Records<'groups' | 'rooms' | 'units'>) {
  const bays = new Map(
    units.flatMap((unit) => {
      const room = rooms.find(({ id }) => id === unit.roomId)?.name.toLowerCase() ?? '';
      return unit.bays.map((bay) => [bay.id as string, `${unit.name}, ${bay.name} (${room})`]);
    }),
  );
  return {
    group: (id: string) => groups.find((group) => group.id === id)?.name ?? 'a group that is gone',
    bay: (id: string) => bays.get(id) ?? 'a place that is gone',
  };
}
