import 'server-only';

import { containerIdsOf } from '@/core/fit';
import { keptLitresOf } from '@/core/sort';
import type { OpenHome } from '../desk/openRoom';
import { leftoversOf, loadPriceList, loadRoomShopping } from '../shop/roomShopping';
import { listOpenPlaces } from './openPlaces';
import { listFitContainers } from './takeFit';

type Opened = Pick<OpenHome<'fitWishes' | 'giftCards' | 'people' | 'shortages'>, 'db' | 'records'>;

/** What is open in every room, what the home owns and has to spare, and what was bought too much. */
export async function loadHomeFit({ db, records }: Opened) {
  const open = listOpenPlaces(records, await listFitContainers(db, records));
  const taken = new Set<string>(records.fits.map(({ bayId }) => bayId));
  const places = records.units.flatMap((unit) =>
    unit.bays
      .filter((bay) => !bay.outOfScope && !taken.has(bay.id))
      .flatMap((bay) => {
        const groups = records.groups.filter(
          (group) =>
            group.bayId === bay.id && !group.loose && keptLitresOf(group, records.things) > 0,
        );
        const room = records.rooms.find(({ id }) => id === unit.roomId);
        return groups.length === 0 || !room
          ? []
          : [
              {
                bayId: bay.id as string,
                name: bay.name,
                unitName: unit.name,
                room: { id: room.id as string, name: room.name },
                groupNames: groups.map(({ name }) => name),
                litres: groups.reduce((sum, group) => sum + keptLitresOf(group, records.things), 0),
              },
            ];
      }),
  );
  const prices = await loadPriceList(db);
  const leftovers = await Promise.all(
    records.rooms.map(async (room) => ({
      room,
      leftovers: leftoversOf(
        records,
        await loadRoomShopping(db, records, room.id, prices),
        room.id,
      ),
    })),
  );
  const owned = records.containers.filter(({ projectId }) => projectId !== null);
  const usedOf = (containerId: string) =>
    records.fits.flatMap(({ answer }) => containerIdsOf(answer)).filter((id) => id === containerId)
      .length;
  return {
    places,
    /** Those of them that containers are there for. */
    fitCount: open.places.length,
    owned,
    spare: owned.flatMap(({ id, name, ownedCount }) => {
      const count = (ownedCount ?? 0) - usedOf(id);
      return count > 0 ? [{ name, count }] : [];
    }),
    leftovers: leftovers.filter((each) => each.leftovers.length > 0),
  };
}
