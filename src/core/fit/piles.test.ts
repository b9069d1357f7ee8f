import fc from 'fast-check';

import { decideChoice } from './decideChoice';
import { findFitFaults } from './findFitFaults';
import { toPlacements } from './floor';
import { fitRequestSchema, type FitContainer, type FitGroup, type FitRequest } from './model';
import { canStack, fillContainers, listStackings, type Filled } from './piles';
import type { Chosen } from './selectContainers';

const material = 'plastic' as const;

const stackedArb = fc
  .record({
    pullOut: fc.boolean(),
    maxStack: fc.integer({ min: 2, max: 3 }),
    maxLoadG: fc.option(fc.constantFrom(1500, 3000), { nil: undefined }),
    groups: fc.array(
      fc.record({
        count: fc.integer({ min: 1, max: 2 }),
        massG: fc.constantFrom(1000, 2000, 3000),
        front: fc.boolean(),
      }),
      { minLength: 1, maxLength: 4 },
    ),
  })
  .filter(({ groups }) => groups.reduce((sum, { count }) => sum + count, 0) <= 5);

test('the ways to stack are those that trying every order on every pile finds, each once', () =>
  fc.assert(
    fc.property(stackedArb, ({ pullOut, maxStack, maxLoadG, groups }) => {
      const request = fitRequestSchema.parse({
        bay: { id: 'bay', width: 1200, depth: 600, height: 400, pullOut },
        groups: groups.map(({ massG, front }, g) => ({
          id: `g${g}`,
          name: `g${g}`,
          litres: 4,
          massG,
          front,
        })),
        containers: [
          {
            id: 'tub',
            name: 'tub',
            outer: { width: 200, depth: 150, height: 100 },
            innerLitres: 4,
            innerHeight: 90,
            material,
            priceMinor: 1,
            stackable: true,
            maxStack,
            ...(maxLoadG !== undefined && { maxLoadG }),
          },
        ],
      });
      const chosen = request.groups.map((group, g): Chosen => ({
        group,
        container: request.containers[0] as FitContainer,
        count: groups[g]?.count ?? 1,
      }));
      const keyOf = (piles: readonly (readonly Filled[])[]): string =>
        piles
          .map((levels) => levels.map(({ kind }) => kind).join(','))
          .sort()
          .join(';');
      const expected = new Set<string>();
      const visit = (piles: readonly (readonly Filled[])[], left: readonly Filled[]): void => {
        if (left.length === 0) expected.add(keyOf(piles));
        left.forEach((next, n) => {
          const rest = left.filter((_, i) => i !== n);
          visit([...piles, [next]], rest);
          piles.forEach((levels, p) => {
            if (levels.length < maxStack && canStack(request, levels, next))
              visit(
                piles.map((other, i) => (i === p ? [...levels, next] : other)),
                rest,
              );
          });
        });
      };
      visit([], fillContainers(chosen));
      const found =
        listStackings(request, chosen, 10_000)?.map((piles) =>
          keyOf(piles.map(({ levels }) => levels)),
        ) ?? [];
      expect(found.sort()).toEqual([...expected].sort());
    }),
    { numRuns: 60 },
  ));

const shapeArb = fc.record({
  width: fc.integer({ min: 90, max: 260 }),
  depth: fc.integer({ min: 90, max: 260 }),
  height: fc.integer({ min: 60, max: 150 }),
  isRound: fc.boolean(),
  stackable: fc.boolean(),
});

test('what the exact search stands breaks no rule, with circles, stacks and pipes that hang', () => {
  let stood = 0;
  let round = 0;
  fc.assert(
    fc.property(
      fc.array(fc.tuple(shapeArb, fc.integer({ min: 1, max: 2 })), { minLength: 1, maxLength: 4 }),
      fc.boolean(),
      fc.integer({ min: 0, max: 500 }),
      (shapes, pullOut, x) => {
        const request: FitRequest = fitRequestSchema.parse({
          bay: {
            id: 'bay',
            width: 620,
            depth: 380,
            height: 330,
            pullOut,
            obstacles: [{ label: 'pipe', x, y: 300, z: 120, width: 60, depth: 60, height: 210 }],
          },
          groups: shapes.map((_, i) => ({
            id: `g${i}`,
            name: `g${i}`,
            litres: 2,
            massG: 1200 + 900 * i,
            front: i === 0,
          })),
          containers: shapes.map(([{ width, depth, height, isRound, stackable }], i) => ({
            id: `c${i}`,
            name: `c${i}`,
            outer: { width, depth: isRound ? width : depth, height },
            shape: isRound ? 'round' : 'box',
            innerLitres: 2,
            innerHeight: height - 5,
            material,
            priceMinor: 1,
            stackable,
          })),
        });
        const chosen = request.groups.map((group: FitGroup, i): Chosen => ({
          group,
          container: request.containers[i] as FitContainer,
          count: shapes[i]?.[1] ?? 1,
        }));
        const verdict = decideChoice(request, chosen, { steps: 20_000, hasTime: () => true });
        if (typeof verdict === 'string') return;
        stood += 1;
        if (shapes.some(([{ isRound }]) => isRound)) round += 1;
        const pieces = chosen.reduce((sum, { count }) => sum + count, 0);
        expect(
          findFitFaults(request, {
            placements: toPlacements(verdict.spots),
            unmet: [],
            costMinor: pieces,
            usedLitres: 2 * chosen.length,
            freeLitres: 2 * (pieces - chosen.length),
          }),
        ).toEqual([]);
      },
    ),
    { numRuns: 300 },
  );
  expect(Math.min(stood - round, round)).toBeGreaterThan(20);
});
