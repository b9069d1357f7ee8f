import fc from 'fast-check';

import { HALL } from '@test/builders';
import { findLeftovers, purchaseSchema, spentMinorOf } from '.';

const bought = (id: string, change: object = {}) =>
  purchaseSchema.parse({
    id,
    roomId: HALL,
    containerId: 'tray',
    shopName: 'Shop',
    label: 'Tray',
    pieces: 6,
    paidMinor: 1800,
    boughtAt: '2026-11-06T10:00:00.000Z',
    ...change,
  });
const find = (purchases: ReturnType<typeof bought>[], wanted: number, owned = 0) =>
  findLeftovers({
    purchases,
    wantedOf: () => wanted,
    ownedOf: () => owned,
    shortElsewhere: () => [{ roomId: 'attic', pieces: 2 }],
  });

test('six bought for four leave two, to go where they are wanted or back by the nearest day', () => {
  const [leftover] = find(
    [
      bought('late', { returnBy: '2026-12-24', pieces: 3 }),
      bought('never', { pieces: 1 }),
      bought('soon', { returnBy: '2026-11-30', pieces: 2 }),
    ],
    4,
  );
  expect(leftover).toMatchObject({
    containerId: 'tray',
    pieces: 2,
    wantedElsewhere: [{ roomId: 'attic', pieces: 2 }],
  });
  expect(leftover?.purchases.map(({ id }) => id)).toEqual(['soon', 'late', 'never']);
});

test('kept and left over are what was bought less what went back; owned pieces are used before bought ones', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 12 }),
      fc.integer({ min: 0, max: 6 }),
      fc.integer({ min: 0, max: 12 }),
      (wanted, owned, returnedPieces) => {
        const over =
          find([bought('a', { pieces: 12, returnedPieces })], wanted, owned)[0]?.pieces ?? 0;
        const used = 12 - returnedPieces - over;
        expect(used).toBe(Math.min(12 - returnedPieces, Math.max(0, wanted - owned)));
      },
    ),
  ));

test('what was paid back is not spent', () =>
  expect(spentMinorOf([bought('a', { returnedPieces: 2, refundMinor: 600 }), bought('b')])).toBe(
    3000,
  ));
test('a delivery is nothing to bring back', () =>
  expect(find([bought('d', { containerId: null, pieces: 0 })], 0)).toEqual([]));
