import fc from 'fast-check';

import { decidePlaces, type Block } from './decidePlaces';
import { decideChoice } from './decideChoice';
import { findFitFaults } from './findFitFaults';
import { fitRequestSchema, type FitContainer, type FitGroup } from './model';
import { toPlacements } from './floor';
import { listStackings } from './piles';
import type { Chosen } from './selectContainers';
import type { Lie } from './suitability';

/**
 * A few blocks on a grid of whole millimetres, each a container of a group of its own or one that
 * is shared.
 */
const caseArb = fc.record({
  width: fc.integer({ min: 2, max: 5 }),
  depth: fc.integer({ min: 2, max: 5 }),
  isPullOut: fc.boolean(),
  fixed: fc.array(
    fc.record({ x: fc.integer({ min: 0, max: 3 }), y: fc.integer({ min: 0, max: 3 }) }),
    { maxLength: 1 },
  ),
  blocks: fc.array(
    fc.record({
      width: fc.integer({ min: 1, max: 3 }),
      depth: fc.integer({ min: 1, max: 3 }),
      canTurn: fc.boolean(),
      group: fc.integer({ min: 0, max: 2 }),
      massG: fc.constantFrom(500, 2000, 2500, 4500),
    }),
    { minLength: 1, maxLength: 4 },
  ),
  front: fc.boolean(),
});
type Case = typeof caseArb extends fc.Arbitrary<infer T> ? T : never;

interface Placed extends Lie {
  readonly x: number;
  readonly y: number;
  readonly block: Case['blocks'][number];
}

/** Tries every place and way round, with the rules written out once more. */
function canStand({ width, depth, isPullOut, fixed, blocks, front }: Case): boolean {
  const apart = (
    a: Lie & { readonly x: number; readonly y: number },
    b: Lie & { readonly x: number; readonly y: number },
  ) => a.x + a.width <= b.x || b.x + b.width <= a.x || a.y + a.depth <= b.y || b.y + b.depth <= a.y;
  const keepsWaysOut = (all: readonly Placed[]): boolean =>
    all.every((back) => {
      const before = all.filter(
        (other) =>
          other.y < back.y &&
          other.x < back.x + back.width &&
          back.x < other.x + other.width &&
          other.block.group !== back.block.group,
      );
      if (front && back.block.group === 0 && before.length > 0) return false;
      return isPullOut || before.reduce((sum, { block }) => sum + block.massG, 0) <= 4000;
    });
  const visit = (placed: readonly Placed[]): boolean => {
    const block = blocks[placed.length];
    if (!block) return keepsWaysOut(placed);
    for (const lie of block.canTurn ? [block, { width: block.depth, depth: block.width }] : [block])
      for (let x = 0; x + lie.width <= width; x += 1)
        for (let y = 0; y + lie.depth <= depth; y += 1) {
          const next = { x, y, width: lie.width, depth: lie.depth, block };
          if (
            placed.every((other) => apart(other, next)) &&
            fixed.every((box) => apart({ ...box, width: 1, depth: 1 }, next)) &&
            visit([...placed, next])
          )
            return true;
        }
    return false;
  };
  return visit([]);
}

test('what is decided is what trying every place and way round finds', () => {
  let none = 0;
  fc.assert(
    fc.property(caseArb, (one) => {
      const groups = [0, 1, 2].map((g): FitGroup => ({
        id: `g${g}`,
        name: `g${g}`,
        litres: 1,
        front: one.front && g === 0,
      }));
      const blocks = one.blocks.map(({ width, depth, canTurn, group, massG }, i): Block => {
        const container = {
          id: `c${i}`,
          name: '',
          outer: { width, depth, height: 10 },
          innerLitres: 1,
          innerHeight: 9,
          material: 'plastic',
          priceMinor: 1,
        } as FitContainer;
        return {
          pile: {
            container,
            levels: [{ container, group: groups[group] as FitGroup, massG, kind: `${i}` }],
          },
          lies: canTurn
            ? [
                { width, depth },
                { width: depth, depth: width },
              ]
            : [{ width, depth }],
        };
      });
      const { places } = decidePlaces(
        blocks,
        {
          width: one.width,
          depth: one.depth,
          isPullOut: one.isPullOut,
          fixed: one.fixed.map((box) => ({ ...box, width: 1, depth: 1, fromMm: 0 })),
        },
        { mostSteps: 1e6, hasTime: () => true },
      );
      const expected = canStand(one);
      expect(places === 'none').toBe(!expected);
      if (places === 'none') none += 1;
    }),
    { numRuns: 400 },
  );
  expect(none).toBeGreaterThan(40);
});

const tub = {
  id: 'tub',
  name: 'tub',
  outer: { width: 300, depth: 160, height: 120 },
  innerLitres: 4,
  innerHeight: 110,
  material: 'plastic' as const,
  priceMinor: 300,
  stackable: true,
  maxStack: 2,
};
const bayOf = (depth: number) =>
  fitRequestSchema.parse({
    bay: { id: 'bay', width: 320, depth, height: 280 },
    clearances: { side: 3, between: 2, top: 25, front: 5, back: 0 },
    containers: [tub],
    groups: [
      { id: 'daily', name: 'daily', litres: 4, massG: 1000, front: true },
      { id: 'spare', name: 'spare', litres: 4, massG: 3000 },
    ],
  });

test('two tubs go in one upon the other, the daily one on top, and not where the stack may not be', () => {
  const request = bayOf(170);
  const chosen = request.groups.map((group): Chosen => ({
    group,
    container: request.containers[0] as FitContainer,
    count: 1,
  }));
  expect(listStackings(request, chosen, 10)?.map((piles) => piles.length)).toEqual([1]);
  const verdict = decideChoice(request, chosen, { steps: 1000, hasTime: () => true });
  const placements = typeof verdict === 'object' ? toPlacements(verdict.spots) : [];
  expect(placements.map(({ groupId, z }) => [groupId, z])).toEqual([
    ['spare', 0],
    ['daily', 120],
  ]);
  expect(
    findFitFaults(request, { placements, unmet: [], costMinor: 600, usedLitres: 8, freeLitres: 0 }),
  ).toEqual([]);
  const flat = { ...request, containers: [{ ...tub, maxStack: 1 }] };
  expect(
    decideChoice(
      flat,
      chosen.map((part) => ({ ...part, container: flat.containers[0] as FitContainer })),
      { steps: 1000, hasTime: () => true },
    ),
  ).toBe('refuted');
});
