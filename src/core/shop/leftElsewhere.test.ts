import { leftElsewhere, type RoomStock } from './leftElsewhere';

/** Rooms with what was bought of one tub for each, and how many its fits want. */
const roomsOf = (rooms: readonly (readonly [id: string, bought: number, wanted: number])[]) =>
  rooms.map(([name, pieces, wanted]) => ({
    name,
    purchases: [{ containerId: 'tub', pieces, returnedPieces: 0 }],
    wantedIds: Array.from({ length: wanted }, () => 'tub'),
  })) as unknown as readonly RoomStock[];

test.each<readonly [string, Parameters<typeof roomsOf>[0], readonly number[]]>([
  [
    'what one room has too much is there for another, not for itself',
    [
      ['a', 5, 2],
      ['b', 0, 4],
    ],
    [0, 3],
  ],
  [
    'nothing is there where every room uses what it bought',
    [
      ['a', 2, 2],
      ['b', 3, 3],
    ],
    [0, 0],
  ],
  [
    'each piece is counted once: rooms before this one come first',
    [
      ['a', 0, 2],
      ['b', 0, 2],
      ['c', 3, 0],
    ],
    [3, 1, 0],
  ],
  [
    'rooms after this one wait',
    [
      ['a', 0, 0],
      ['b', 0, 9],
      ['c', 3, 0],
    ],
    [3, 3, 0],
  ],
])('%s', (_, rooms, expected) => {
  const stocks = roomsOf(rooms);
  expect(rooms.map((_room, i) => leftElsewhere(stocks, i).get('tub')?.pieces ?? 0)).toEqual(
    expected,
  );
  // Only rooms with something left are named, and never the one that asks.
  for (const [i, [own]] of rooms.entries()) {
    const names = leftElsewhere(stocks, i).get('tub')?.roomNames ?? [];
    const withSome = rooms.flatMap(([name, bought, wanted]) =>
      bought > wanted && name !== own ? [name] : [],
    );
    expect(names).toEqual((expected[i] ?? 0) > 0 ? withSome : []);
  }
});
