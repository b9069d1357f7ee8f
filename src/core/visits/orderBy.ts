import { addDays } from '../shared';
import { visitStateOf } from './visitState';
import type { Visit } from './model';

/** What has to be ordered for a room, counted back from the visit that sets it up. */
export interface OrderLine {
  readonly roomName: string;
  readonly names: readonly string[];
  /** The last planned visit of the room: there it is set up. */
  readonly neededOn: string;
  /** The latest day to order, where the order takes longest and shortest. */
  readonly safeDay: string;
  readonly lastDay: string;
}

/** A room with what is on its list and not bought. */
interface OpenRoomList {
  readonly name: string;
  readonly sectionIds: readonly string[];
  readonly names: readonly string[];
}

/**
 * The latest day on which each room's open list must be ordered to be there on its last planned visit,
 * the most urgent first. Rooms without a planned visit, or with nothing to buy, are left out.
 */
export function orderByOf(
  rooms: readonly OpenRoomList[],
  {
    visits,
    today,
    days,
  }: {
    readonly visits: readonly Visit[];
    readonly today: string;
    readonly days: { readonly orderLowDays: number; readonly orderHighDays: number };
  },
): OrderLine[] {
  return rooms
    .flatMap(({ name, sectionIds, names }): OrderLine[] => {
      const neededOn = visits
        .filter(
          (visit) =>
            visitStateOf(visit) === 'planned' &&
            visit.day >= today &&
            visit.sectionIds.some((id) => sectionIds.includes(id)),
        )
        .map(({ day }) => day)
        .sort()
        .at(-1);
      if (neededOn === undefined || names.length === 0) return [];
      return [
        {
          roomName: name,
          names,
          neededOn,
          safeDay: addDays(neededOn, -days.orderHighDays),
          lastDay: addDays(neededOn, -days.orderLowDays),
        },
      ];
    })
    .sort((a, b) => a.safeDay.localeCompare(b.safeDay));
}
