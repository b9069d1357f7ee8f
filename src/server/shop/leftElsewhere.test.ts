import type { Records } from '@/data/records';
import { leftElsewhereOf } from './leftElsewhere';

type Home = Records<'containers' | 'fits' | 'purchases' | 'rooms' | 'units'>;

/** Rooms with what was bought of one tub for each, and how many its fit wants. */
const homeOf = (rooms: readonly (readonly [id: string, bought: number, wanted: number])[]) =>
  ({
    containers: [],
    rooms: rooms.map(([id]) => ({ id })),
    units: rooms.map(([id]) => ({ roomId: id, bays: [{ id: `${id} shelf` }] })),
    purchases: rooms.map(([roomId, pieces]) => ({
      ...{ roomId, containerId: 'tub', pieces, returnedPieces: 0 },
    })),
    fits: rooms.map(([id, , wanted]) => ({
      bayId: `${id} shelf`,
      answer: { placements: Array.from({ length: wanted }, () => ({ containerId: 'tub' })) },
    })),
  }) as unknown as Home;
const leftFor = (home: Home, roomId: string): number =>
  leftElsewhereOf(home, roomId as Home['rooms'][number]['id']).get('tub') ?? 0;

test.each<readonly [string, Parameters<typeof homeOf>[0], readonly number[]]>([
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
  const home = homeOf(rooms);
  expect(rooms.map(([id]) => leftFor(home, id))).toEqual(expected);
});
