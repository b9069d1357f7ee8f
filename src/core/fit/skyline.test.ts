import fc from 'fast-check';

import { createRandom } from '../shared';
import { fitRequestSchema } from './model';
import { packDense } from './packDense';
import { buildPiles, fillContainers } from './piles';
import { searchSkyline, type Piece, type SkylineFilling } from './skyline';

const means = (fillings: number, seed = 1) => ({
  random: createRandom(seed),
  fillings,
  hasTime: () => true,
});
const pieceArb: fc.Arbitrary<Piece> = fc.record({
  width: fc.integer({ min: 20, max: 400 }),
  depth: fc.integer({ min: 20, max: 400 }),
  canTurn: fc.boolean(),
  worth: fc.integer({ min: 1, max: 9 }),
});

/** What is wrong with a filling, told without the engine's own geometry. */
function faultsOf(
  pieces: readonly Piece[],
  room: { readonly width: number; readonly depth: number },
  { spots, worth }: SkylineFilling,
): string[] {
  const rects = spots.map(({ piece, x, y, isTurned }) => {
    const { width, depth, canTurn } = pieces[piece] ?? { width: 0, depth: 0, canTurn: false };
    return {
      piece,
      x,
      y,
      x1: x + (isTurned ? depth : width),
      y1: y + (isTurned ? width : depth),
      isBentWrongly: isTurned && !canTurn,
    };
  });
  const faults = rects.flatMap((a, i) => [
    ...(a.x < -1e-6 || a.y < -1e-6 || a.x1 > room.width + 1e-6 || a.y1 > room.depth + 1e-6
      ? [`${a.piece} sticks out`]
      : []),
    ...(a.isBentWrongly ? [`${a.piece} is turned`] : []),
    ...rects
      .slice(i + 1)
      .flatMap((b) =>
        a.piece === b.piece ||
        (a.x < b.x1 - 1e-6 && b.x < a.x1 - 1e-6 && a.y < b.y1 - 1e-6 && b.y < a.y1 - 1e-6)
          ? [`${a.piece} over ${b.piece}`]
          : [],
      ),
  ]);
  const summed = spots.reduce((sum, { piece }) => sum + (pieces[piece]?.worth ?? NaN), 0);
  return summed === worth ? faults : [...faults, `worth ${worth} instead of ${summed}`];
}

test('nothing overlaps, sticks out or is turned against its will, and the worth is that of what stands', () =>
  fc.assert(
    fc.property(
      fc.array(pieceArb, { maxLength: 14 }),
      fc.integer({ min: 100, max: 900 }),
      fc.integer({ min: 100, max: 600 }),
      (pieces, width, depth) => {
        const room = { width, depth };
        expect(faultsOf(pieces, room, searchSkyline(pieces, room, means(60)))).toEqual([]);
      },
    ),
    { numRuns: 150 },
  ));

test('more fillings never leave less', () =>
  fc.assert(
    fc.property(
      fc.array(pieceArb, { minLength: 2, maxLength: 12 }),
      fc.integer({ min: 1, max: 50 }),
      (pieces, seed) => {
        const room = { width: 500, depth: 400 };
        expect(searchSkyline(pieces, room, means(200, seed)).worth).toBeGreaterThanOrEqual(
          searchSkyline(pieces, room, means(20, seed)).worth,
        );
      },
    ),
    { numRuns: 60 },
  ));

/** A floor cut into pieces without a rest, by its largest pieces. */
function cutUp(count: number, seed: number): Piece[] {
  const random = createRandom(seed);
  const pieces = [{ width: 1000, depth: 600 }];
  while (pieces.length < count) {
    pieces.sort((a, b) => b.width * b.depth - a.width * a.depth);
    const piece = pieces.shift();
    if (!piece) break;
    const isAcross = piece.width > piece.depth;
    const cut = Math.round((isAcross ? piece.width : piece.depth) * (0.3 + random() * 0.4));
    pieces.push(
      isAcross ? { ...piece, width: cut } : { ...piece, depth: cut },
      isAcross ? { ...piece, width: piece.width - cut } : { ...piece, depth: piece.depth - cut },
    );
  }
  return pieces.map((piece) => ({ ...piece, canTurn: true, worth: piece.width * piece.depth }));
}

test.each([1, 2, 3, 4, 5])('a floor cut into 16 pieces is filled again, cut %i', (seed) => {
  const pieces = cutUp(16, seed);
  expect(searchSkyline(pieces, { width: 1000, depth: 600 }, means(20_000))).toMatchObject({
    worth: 600_000,
  });
});

test('piles stand with the ways out kept: of two in a row the daily one comes to the front', () => {
  const request = fitRequestSchema.parse({
    bay: { id: 'b', width: 200, depth: 400, height: 200 },
    clearances: { side: 0, between: 0, top: 0, front: 0, back: 0 },
    groups: [
      { id: 'heavy', name: 'heavy', litres: 4, massG: 9000 },
      { id: 'daily', name: 'daily', litres: 4, massG: 100, front: true },
    ],
    containers: [
      {
        id: 'c',
        name: 'c',
        outer: { width: 200, depth: 200, height: 150 },
        innerLitres: 4,
        innerHeight: 140,
        material: 'plastic',
        priceMinor: 1,
      },
    ],
  });
  const [container] = request.containers;
  const piles = buildPiles(
    request,
    fillContainers(
      request.groups.flatMap((group) => (container ? [{ container, group, count: 1 }] : [])),
    ),
    1,
  );
  const dense = packDense(request, piles, means(10));
  expect(dense?.stood).toHaveLength(2);
  expect(
    dense?.packing.spots.find(({ pile }) => pile.levels.some(({ group }) => group.id === 'daily'))
      ?.place.y,
  ).toBe(0);
  expect(
    packDense(
      {
        ...request,
        bay: {
          ...request.bay,
          obstacles: [{ label: 'pipe', x: 0, y: 0, z: 0, width: 10, depth: 10, height: 200 }],
        },
      },
      piles,
      means(10),
    ),
  ).toBeUndefined();
});
