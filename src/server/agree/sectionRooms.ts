import type { Records } from '@/data/records';

/** Rooms with their places, as a section chooses among them. */
export const sectionRoomsOf = ({ rooms, units }: Records<'rooms' | 'units'>) =>
  rooms.map((room) => ({
    id: room.id as string,
    name: room.name,
    bays: units
      .filter((unit) => unit.roomId === room.id)
      .flatMap((unit) =>
        unit.bays.map((bay) => ({ id: bay.id, name: bay.name, unitName: unit.name })),
      ),
  }));
