import fc from 'fast-check';

import { fitAims, fitRequestSchema, type FitRequest } from '@/core/fit';

const sizeArb = (least: number, most: number) => fc.integer({ min: least, max: most });

const containerArb = fc.record({
  width: sizeArb(80, 420),
  depth: sizeArb(80, 420),
  height: sizeArb(60, 260),
  wall: sizeArb(2, 8),
  priceMinor: fc.constantFrom(0, 0, 150, 320, 499, 875),
  lid: fc.boolean(),
  clear: fc.boolean(),
  stackable: fc.boolean(),
  turnable: fc.boolean(),
  round: fc.boolean(),
  material: fc.constantFrom(
    'plastic' as const,
    'wicker' as const,
    'metal' as const,
    'card' as const,
  ),
  tareG: sizeArb(0, 900),
  maxLoadG: fc.constantFrom(undefined, 2000, 9000),
  maxStack: fc.constantFrom(undefined, 2, 3),
  available: fc.constantFrom(undefined, 1, 3),
});

const groupArb = fc.record({
  litres: sizeArb(0, 24),
  massG: fc.constantFrom(undefined, 500, 4000, 9000),
  lid: fc.constantFrom('any' as const, 'any' as const, 'required' as const, 'forbidden' as const),
  see: fc.constantFrom('any' as const, 'any' as const, 'clear' as const, 'opaque' as const),
  front: fc.boolean(),
  minInnerHeight: fc.constantFrom(undefined, 100),
});

const obstacleArb = fc.record({
  x: sizeArb(0, 500),
  y: sizeArb(0, 300),
  z: fc.constantFrom(0, 120, 250),
  width: sizeArb(20, 150),
  depth: sizeArb(20, 150),
  height: sizeArb(20, 200),
});

const drop = <T extends object>(record: T) =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined));

/** Random questions to `fit`: some ordinary, some tight, some without any answer. */
export const fitRequestArb: fc.Arbitrary<FitRequest> = fc
  .record({
    bay: fc.record({
      width: sizeArb(250, 900),
      depth: sizeArb(200, 500),
      height: sizeArb(150, 420),
      openingWidth: fc.constantFrom(undefined, undefined, 300),
      maxLoadG: fc.constantFrom(undefined, 15_000),
      pullOut: fc.boolean(),
      moist: fc.boolean(),
      obstacles: fc.array(obstacleArb, { maxLength: 2 }),
    }),
    groups: fc.array(groupArb, { minLength: 1, maxLength: 4 }),
    containers: fc.array(containerArb, { minLength: 1, maxLength: 6 }),
    prefer: fc.constantFrom(...fitAims),
    seed: fc.integer({ min: 0, max: 1000 }),
  })
  .map(({ bay, groups, containers, prefer, seed }) =>
    fitRequestSchema.parse({
      bay: {
        ...drop(bay),
        id: 'bay',
        obstacles: bay.obstacles.map((box, i) => ({ ...box, label: `pipe ${i}` })),
      },
      groups: groups.map((group, i) => ({ ...drop(group), id: `g${i}`, name: `group ${i}` })),
      containers: containers.map(({ width, wall, round, ...rest }, i) => {
        const depth = round ? width : rest.depth;
        const area = round
          ? Math.PI * (width / 2 - wall) ** 2
          : (width - 2 * wall) * (depth - 2 * wall);
        const { height, lid, clear, stackable, turnable, ...more } = rest;
        return {
          ...drop({ ...more, depth: undefined }),
          id: `c${i}`,
          name: `container ${i}`,
          outer: { width, depth, height },
          lid,
          clear,
          stackable,
          turnable,
          innerLitres: Math.round((area * (height - wall)) / 1e5) / 10,
          innerHeight: height - wall,
          shape: round ? 'round' : 'box',
        };
      }),
      prefer,
      seed,
      timeLimitMs: 200,
    }),
  );
