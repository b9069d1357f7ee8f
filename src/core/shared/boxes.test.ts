import fc from 'fast-check';

import { boxesOverlap, freeLitresOf, largestFreeBoxOf, type Box } from './boxes';

/** Small whole sizes, so that counting every cubic step is exact: a separate way to the same figure. */
const SIDE = 7;
const spaceArb = fc.record({
  width: fc.integer({ min: 1, max: SIDE }),
  depth: fc.integer({ min: 1, max: SIDE }),
  height: fc.integer({ min: 1, max: SIDE }),
});
const boxArb = fc.record({
  x: fc.integer({ min: 0, max: SIDE }),
  y: fc.integer({ min: 0, max: SIDE }),
  z: fc.integer({ min: 0, max: SIDE }),
  width: fc.integer({ min: 1, max: SIDE }),
  depth: fc.integer({ min: 1, max: SIDE }),
  height: fc.integer({ min: 1, max: SIDE }),
});
const caseArb = fc.tuple(spaceArb, fc.array(boxArb, { maxLength: 5 }));

type Space = Pick<Box, 'width' | 'depth' | 'height'>;
const range = (count: number) => Array.from({ length: count }, (_, i) => i);

/** Which voxels are free: one at a time, against every obstacle. */
function freeVoxels(space: Space, obstacles: readonly Box[]): Set<string> {
  const free = new Set<string>();
  for (const x of range(space.width))
    for (const y of range(space.depth))
      for (const z of range(space.height)) {
        if (
          !obstacles.some(
            (box) =>
              x >= box.x &&
              x < box.x + box.width &&
              y >= box.y &&
              y < box.y + box.depth &&
              z >= box.z &&
              z < box.z + box.height,
          )
        )
          free.add(`${x},${y},${z}`);
      }
  return free;
}

function largestByTrying(
  space: Space,
  free: ReadonlySet<string>,
  most = { width: Infinity, height: Infinity },
): number {
  let best = 0;
  for (const x of range(space.width))
    for (const y of range(space.depth))
      for (const z of range(space.height)) {
        for (const w of range(Math.min(space.width - x, most.width)))
          for (const d of range(space.depth - y)) {
            let h = 0;
            while (
              z + h < space.height &&
              range(w + 1).every((i) =>
                range(d + 1).every((j) => free.has(`${x + i},${y + j},${z + h}`)),
              )
            )
              h += 1;
            best = Math.max(best, (w + 1) * (d + 1) * Math.min(h, most.height));
          }
      }
  return best;
}

test('free litres are those of the voxels that no obstacle takes', () =>
  fc.assert(
    fc.property(caseArb, ([space, obstacles]) => {
      expect(freeLitresOf(space, obstacles) * 1e6).toBeCloseTo(
        freeVoxels(space, obstacles).size,
        6,
      );
    }),
    { numRuns: 300 },
  ));

test('what passes an opening is as large as any of that width and height', () =>
  fc.assert(
    fc.property(
      caseArb,
      fc.integer({ min: 1, max: 4 }),
      fc.integer({ min: 1, max: 4 }),
      ([space, obstacles], width, height) => {
        const box = largestFreeBoxOf(space, obstacles, { width, height });
        expect(box.width * box.depth * box.height).toBe(
          largestByTrying(space, freeVoxels(space, obstacles), { width, height }),
        );
        expect(box.width <= width && box.height <= height).toBe(true);
      },
    ),
    { numRuns: 100 },
  ));

test('the largest free box is as large as any found by trying all, lies inside, and touches no obstacle', () =>
  fc.assert(
    fc.property(caseArb, ([space, obstacles]) => {
      const box = largestFreeBoxOf(space, obstacles);
      const volume = box.width * box.depth * box.height;
      expect(volume).toBe(largestByTrying(space, freeVoxels(space, obstacles)));
      if (volume === 0) return;
      expect(
        box.x >= 0 &&
          box.y >= 0 &&
          box.z >= 0 &&
          box.x + box.width <= space.width &&
          box.y + box.depth <= space.depth &&
          box.z + box.height <= space.height,
      ).toBe(true);
      expect(obstacles.some((obstacle) => boxesOverlap(box, obstacle))).toBe(false);
    }),
    { numRuns: 150 },
  ));
