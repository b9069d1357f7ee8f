import fc from 'fast-check';

import { replayMoves } from '@test/movesOracle';
import { BASKET, planMoveList, type MoveItem } from '.';

const clock = () => 0;
const bayIds = ['a', 'b', 'c', 'd'];

/** Today's and the planned arrangement both fit; some things are in baskets, some have no home. */
const movesArb = fc
  .array(
    fc.record({
      litres: fc.integer({ min: 1, max: 30 }),
      massG: fc.integer({ min: 0, max: 40_000 }),
      from: fc.constantFrom(...bayIds, null),
      to: fc.constantFrom(...bayIds, null),
    }),
    { minLength: 1, maxLength: 8 },
  )
  .chain((groups) =>
    fc.tuple(
      fc.constant(groups.map((group, i) => ({ id: `g${i}`, ...group }))),
      fc.array(fc.integer({ min: 0, max: 12 }), { minLength: 4, maxLength: 4 }),
      fc.subarray(bayIds),
    ),
  )
  .map(([groups, spare, cleanedBayIds]) => ({
    groups,
    cleanedBayIds,
    basketLitres: 45,
    liftG: 15_000,
    timeLimitMs: 500,
    bays: bayIds.map((id, i) => ({
      id,
      litres:
        (spare[i] ?? 0) +
        Math.max(
          ...(['from', 'to'] as const).map((end) =>
            groups
              .filter((group) => group[end] === id)
              .reduce((sum, { litres }) => sum + litres, 0),
          ),
        ),
    })),
  }));
type Request = typeof movesArb extends fc.Arbitrary<infer T> ? T : never;

/** Carries the list out by hand. */
function walk(request: Request, items: readonly MoveItem[]): string[] {
  const at = new Map(request.groups.map(({ id, from }) => [id, from]));
  const held = (bayId: string) =>
    request.groups
      .filter(({ id }) => at.get(id) === bayId)
      .reduce((sum, { litres }) => sum + litres, 0);
  const faults: string[] = [];
  for (const item of items) {
    if (item.kind === 'clean') {
      if (held(item.bayId) > 0) faults.push(`${item.bayId} is not empty`);
      continue;
    }
    if (at.get(item.groupId) !== item.from) faults.push(`${item.groupId} is not at ${item.from}`);
    at.set(item.groupId, item.to);
    if (
      item.to !== null &&
      item.to !== BASKET &&
      held(item.to) > (request.bays.find(({ id }) => id === item.to)?.litres ?? 0) + 1e-9
    )
      faults.push(`${item.to} is overfull`);
  }
  for (const { id, to } of request.groups)
    if (at.get(id) !== to) faults.push(`${id} ended at ${at.get(id)}`);
  return faults;
}

test('every list ends as planned, overfills nothing, and cleans only what is empty', () =>
  fc.assert(
    fc.property(movesArb, (request) => {
      const list = planMoveList(request, { clock });
      expect(list.reasons).toEqual([]);
      expect(walk(request, list.items)).toEqual([]);
      expect(list.items.filter(({ kind }) => kind === 'clean').length).toBe(
        request.cleanedBayIds.length,
      );
    }),
    { numRuns: 300 },
  ));

test('without cleaning the list is as good as its proof, and its baskets are those of a separate replay', () =>
  fc.assert(
    fc.property(movesArb, (request) => {
      const list = planMoveList({ ...request, cleanedBayIds: [] }, { clock });
      const replay = replayMoves(
        {
          bays: request.bays,
          groups: request.groups.map(({ id, litres, from, to }) => ({ id, litres, from, to })),
          basketLitres: 45,
        },
        list.items.filter((item) => item.kind === 'move'),
      );
      expect(replay).toEqual({
        faults: [],
        stagedLitres: list.stagedLitres,
        baskets: list.baskets,
      });
      expect(list.stagedLitres).toBeGreaterThanOrEqual((list.leastStagedLitres ?? NaN) - 1e-9);
    }),
    { numRuns: 150 },
  ));

const three = {
  bays: [
    { id: 'a', litres: 10 },
    { id: 'b', litres: 10 },
  ],
  basketLitres: 45,
  liftG: 15_000,
  timeLimitMs: 500,
};

test('two bays that wait for each other are shown as a circle, and one goes by basket', () => {
  const list = planMoveList(
    {
      ...three,
      cleanedBayIds: [],
      groups: [
        { id: 'x', litres: 8, massG: 31_000, from: 'a', to: 'b' },
        { id: 'y', litres: 6, massG: 100, from: 'b', to: 'a' },
      ],
    },
    { clock },
  );
  expect(list).toMatchObject({
    circles: [['b', 'a', 'b']],
    stagedLitres: 6,
    leastStagedLitres: 6,
    baskets: 1,
  });
  expect(
    list.items.map((item) => item.kind === 'move' && [item.groupId, item.to, item.carryCount]),
  ).toEqual([
    ['y', BASKET, 1],
    ['x', 'b', 3],
    ['y', 'a', 1],
  ]);
});

test('what comes in goes in as soon as there is room, not at the end', () => {
  const list = planMoveList(
    {
      ...three,
      cleanedBayIds: [],
      groups: [
        { id: 'new', litres: 9, massG: 1, from: null, to: 'b' },
        { id: 'old', litres: 5, massG: 1, from: 'a', to: null },
        { id: 'move', litres: 3, massG: 1, from: 'a', to: 'a' },
      ],
    },
    { clock },
  );
  expect(list.items.map((item) => item.kind === 'move' && item.groupId)).toEqual(['new', 'old']);
});

test('a plan that overfills a bay names it and its litres', () =>
  expect(
    planMoveList(
      {
        ...three,
        cleanedBayIds: [],
        groups: [{ id: 'x', litres: 12, massG: 1, from: null, to: 'b' }],
      },
      { clock },
    ).reasons,
  ).toMatchObject([{ code: 'bay_too_small', subject: 'b' }]));

test('what waits in baskets already is counted with them, and goes in from there', () => {
  const list = planMoveList(
    {
      ...three,
      cleanedBayIds: [],
      inBasketIds: ['x'],
      bays: [
        { id: 'a', litres: 60 },
        { id: 'b', litres: 60 },
      ],
      groups: [
        { id: 'x', litres: 50, massG: 1, from: null, to: 'b' },
        { id: 'y', litres: 9, massG: 1, from: null, to: 'a' },
      ],
    },
    { clock },
  );
  expect(list).toMatchObject({ baskets: 2, stagedLitres: 50 });
  expect(list.items.map((item) => item.kind === 'move' && [item.groupId, item.from])).toEqual([
    ['x', BASKET],
    ['y', null],
  ]);
});
