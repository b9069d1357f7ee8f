import 'server-only';

import { drawHomePlan, findWayGaps, joinPlans, measureWays, type WayRoom } from '@/core/look';
import type { Records } from '@/data/records';

type WayRecords = Records<'fixtures' | 'passages' | 'rooms' | 'units'>;

/** So wide the home is drawn from above, in pixels. */
const WIDTH_PX = 560;

const toWayRooms = ({ rooms, units, fixtures }: WayRecords) =>
  rooms.map((room) => ({
    room,
    units: units.filter(({ roomId }) => roomId === room.id),
    fixtures: fixtures.filter(({ roomId }) => roomId === room.id),
    spots: [],
  }));

/** The home from above, how far it is from each room to each other, and what of it is guessed. */
export function waysOfHome(records: WayRecords) {
  const rooms = toWayRooms(records);
  const { passages } = records;
  const nameOf = (roomId: string) => records.rooms.find(({ id }) => id === roomId)?.name ?? '';
  return {
    sketch: drawHomePlan({ rooms, passages, widthPx: WIDTH_PX }),
    gaps: findWayGaps({ rooms, passages }),
    ways: listWays(rooms, records),
    doorsFrom: Object.fromEntries(
      passages.map(({ id }) => [
        id,
        rooms
          .filter(({ fixtures }) =>
            fixtures.some(({ leadsTo }) => leadsTo?.to === 'passage' && leadsTo.passageId === id),
          )
          .map(({ room }) => room.name),
      ]),
    ),
    misfits: joinPlans(rooms).misfits.map(
      ({ roomId, otherId }) => [nameOf(roomId), nameOf(otherId)] as const,
    ),
  };
}

/** Of how many ways between two rooms of the home the doors are known. */
export function countWays(records: WayRecords): { readonly joined: number; readonly all: number } {
  const rooms = toWayRooms(records);
  const { between } = measureWays({ rooms, passages: records.passages });
  const ways = pairsOf(rooms).map(([a, b]) => between(a.room.id, b.room.id));
  return { joined: ways.filter(({ isJoined }) => isJoined).length, all: ways.length };
}

const pairsOf = <T>(list: readonly T[]): (readonly [T, T])[] =>
  list.flatMap((first, i) => list.slice(i + 1).map((second) => [first, second] as const));

function listWays(rooms: readonly WayRoom[], { passages }: Pick<WayRecords, 'passages'>) {
  const measured = {
    low: measureWays({ rooms, passages }, 'low'),
    likely: measureWays({ rooms, passages }),
    high: measureWays({ rooms, passages }, 'high'),
  };
  return pairsOf(rooms).map(([{ room }, { room: other }]) => ({
    ...measured.likely.between(room.id, other.id),
    from: room.name,
    to: other.name,
    lowMetres: measured.low.between(room.id, other.id).metres,
    highMetres: measured.high.between(room.id, other.id).metres,
  }));
}
