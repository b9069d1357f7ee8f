import { cpuClock as clock } from '@test/cpuClock';
import fc from 'fast-check';

import { loadSolver, type Solver } from '../shared';
import { findFitFaults, fitRequestSchema, planFit, type FitAnswer, type Placement } from '.';

let solver: Solver;
beforeAll(async () => {
  solver = await loadSolver();
});

const BOARD_MM = 10;
const HIGH_MM = 70;
const board = (length: number, more = {}) => ({
  id: 'board',
  name: 'board',
  role: 'divider' as const,
  outer: { width: length, depth: BOARD_MM, height: HIGH_MM },
  innerLitres: 0,
  innerHeight: 0,
  material: 'plastic' as const,
  tareG: 120,
  priceMinor: 600,
  ...more,
});
const bin = (more = {}) => ({
  id: 'bin',
  name: 'bin',
  outer: { width: 310, depth: 410, height: 110 },
  innerLitres: 12,
  innerHeight: 100,
  innerWidth: 300,
  innerDepth: 400,
  material: 'plastic' as const,
  priceMinor: 900,
  turnable: false,
  ...more,
});
const drawer = { id: 'drawer', width: 506, depth: 405, height: 110, pullOut: true };
const group = (id: string, litres: number, more = {}) => ({ id, name: id, litres, ...more });
const ask = (groups: object[], containers: object[], bay: object = drawer) =>
  fitRequestSchema.parse({ bay, groups, containers, timeLimitMs: 400 });

test('a drawer is parted for its groups wall to wall, with a board less than there are groups', () => {
  // 500 by 400 by 70 inside: 14 l less two boards.
  const request = ask([group('a', 6), group('b', 4), group('c', 2.5)], [board(400)]);
  const answer = planFit(request, { solver, clock });
  expect(findFitFaults(request, answer)).toEqual([]);
  expect(answer.unmet).toEqual([]);
  expect(answer.costMinor).toBe(2 * 600);
  const cells = [...answer.placements].sort((a, b) => a.x - b.x);
  expect(cells.map(({ turned, y, cell }) => [turned, y, cell?.depth, cell?.wall])).toEqual([
    [true, 5, 400, undefined],
    [true, 5, 400, undefined],
    [true, 5, 400, true],
  ]);
  const [first, last] = [cells[0]!, cells[2]!];
  expect(first.x).toBe(3);
  expect(last.x + last.cell!.width).toBeCloseTo(503, 6);
});

test('a group that is pinned to a board lies beside it, and one pinned to something else does not', () => {
  const tray = { ...bin({ id: 'tray', outer: { width: 240, depth: 300, height: 60 } }) };
  const request = ask(
    [group('a', 2), group('b', 2)],
    [board(400), { ...tray, innerLitres: 3, innerHeight: 55, innerWidth: 230, priceMinor: 1 }],
  );
  const boardsWith = (pins: { groupId: string; containerId: string }[]) =>
    planFit({ ...request, pins }, { solver, clock }).placements.map(
      ({ groupId, containerId }) => `${groupId} ${containerId}`,
    );
  expect(boardsWith([]).sort()).toEqual(['a tray', 'b tray']);
  expect(boardsWith([{ groupId: 'a', containerId: 'board' }]).sort()).toEqual([
    'a board',
    'b tray',
  ]);
  // Where some of what it is pinned to lie there already, too.
  const dear = request.containers.map((container) =>
    container.id === 'tray' ? { ...container, priceMinor: 5000, spare: 1 } : container,
  );
  const pins = ['a', 'b'].map((groupId) => ({ groupId, containerId: 'tray' }));
  const { placements } = planFit({ ...request, containers: dear, pins }, { solver, clock });
  expect(placements.map(({ containerId }) => containerId)).toEqual(['tray', 'tray']);
});

test('a bin is parted for two groups where it is cheaper than two bins', () => {
  const request = ask(
    [group('a', 4), group('b', 3)],
    [bin({ available: 1 }), board(280, { mostWidth: 420 })],
    {
      id: 'shelf',
      width: 330,
      depth: 430,
      height: 200,
    },
  );
  const answer = planFit(request, { solver, clock });
  expect(findFitFaults(request, answer)).toEqual([]);
  expect(answer.unmet).toEqual([]);
  expect(answer.surfaces?.map(({ containerId }) => containerId)).toEqual(['bin']);
  expect(answer.costMinor).toBe(900 + 600);
});

test('the boards of a drawer are as few as they can be: all groups in it wherever they have the room', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 5, max: 40 }), { minLength: 2, maxLength: 6 }),
      fc.boolean(),
      (tenths, isAlong) => {
        const bay = isAlong ? { ...drawer, width: 405 + 1, depth: 507 } : drawer;
        const request = ask(
          tenths.map((litres, i) => group(`g${i}`, litres / 10)),
          [board(isAlong ? bay.width : bay.depth)],
          bay,
        );
        const answer = planFit(request, { solver, clock });
        expect(findFitFaults(request, answer)).toEqual([]);
        // Worked out by hand: each group's width at the full length and height, a board between two.
        const [long, wide] = isAlong ? [400, 502] : [400, 500];
        const neededMm =
          tenths.reduce(
            (sum, litres) => sum + Math.max(20, Math.ceil((litres * 1e5) / (long * HIGH_MM))),
            0,
          ) +
          (tenths.length - 1) * BOARD_MM;
        // The search keeps a gap beside each board, and a board for the last.
        if (neededMm + BOARD_MM + 2 * tenths.length <= wide) {
          expect(answer.unmet).toEqual([]);
          expect(answer.costMinor).toBe((tenths.length - 1) * 600);
        } else if (neededMm > wide) expect(answer.unmet).not.toEqual([]);
      },
    ),
    { numRuns: 25 },
  );
}, 120_000);

test.each([
  ['board', 0, { role: 'divider', outer: { width: 10, depth: 10, height: 50 } }, 'thicker'],
])('nonsense is refused: a %s', (_, __, more, words) => {
  const parsed = fitRequestSchema.safeParse({
    bay: drawer,
    groups: [],
    containers: [{ ...board(400), ...more }],
  });
  expect(parsed.error?.issues[0]?.message).toContain(words);
});

describe('the checker', () => {
  const request = ask(
    [group('a', 1), group('b', 1), group('c', 1)],
    [board(400, { mostWidth: 410, available: 2 }), bin()],
  );
  const cell = (groupId: string, x: number, width: number, more: Partial<Placement> = {}) => ({
    containerId: 'board',
    groupId,
    x,
    y: 5,
    z: 0,
    turned: true,
    cell: { width, depth: 400 },
    ...more,
  });
  const wall = (groupId: string, x: number, width: number) =>
    cell(groupId, x, width, { cell: { width, depth: 400, wall: true } });
  const rulesOf = (placements: readonly Placement[], surfaces: FitAnswer['surfaces'] = []) =>
    findFitFaults(request, {
      placements: [...placements],
      surfaces,
      unmet: [],
      costMinor: 0,
      usedLitres: 0,
      freeLitres: 0,
    })
      .map(({ rule }) => rule)
      .filter((rule) => rule !== 'litres' && rule !== 'totals');

  test('takes a drawer that is parted wall to wall', () =>
    expect(rulesOf([cell('a', 3, 100), cell('b', 113, 100), wall('c', 223, 280)])).toEqual([]));

  test.each<readonly [string, string, readonly Placement[]]>([
    ['a compartment that begins in the middle', 'divider', [cell('a', 40, 100)]],
    ['a gap between two', 'divider', [cell('a', 3, 100), cell('b', 120, 100)]],
    ['one over the other', 'gap', [cell('a', 3, 100), cell('b', 103, 100)]],
    ['a wall that is not there', 'divider', [cell('a', 3, 100), wall('b', 113, 100)]],
    ['a drawer that nothing parts', 'divider', [wall('a', 3, 500)]],
    ['a board that parts nothing', 'divider', [cell('a', 3, 100)]],
    [
      'a board that does not reach',
      'divider',
      [cell('a', 3, 100, { cell: { width: 100, depth: 300 } })],
    ],
    [
      'boards along and across',
      'divider',
      [cell('a', 3, 100), cell('b', 113, 390, { turned: false, cell: { width: 390, depth: 100 } })],
    ],
    ['a board without a compartment', 'divider', [cell('a', 3, 100, { cell: undefined })]],
    ['a compartment of a bin', 'divider', [{ ...cell('a', 3, 100), containerId: 'bin' }]],
    [
      'more boards than there are',
      'available',
      [cell('a', 3, 100), cell('b', 113, 100), cell('c', 223, 100)],
    ],
  ])('sees %s', (_, rule, placements) => expect(rulesOf(placements)).toContain(rule));

  test('sees that nothing closes a shelf that is no drawer', () => {
    const shelf = { ...request, bay: { ...request.bay, pullOut: false } };
    const faults = findFitFaults(shelf, {
      placements: [cell('a', 3, 100)],
      unmet: [],
      costMinor: 600,
      usedLitres: 0,
      freeLitres: 0,
    });
    expect(faults.map(({ rule }) => rule)).toContain('divider');
  });
});
