import fc from 'fast-check';

import { createRandom } from '../shared';
import { findParts, orderDirect, type Knot } from './moveKnots';
import { sequenceLazily } from './sequenceKnot';
import { untieKnot } from './untieKnot';

const movesArb = fc.array(
  fc
    .record({ from: fc.nat(5), to: fc.nat(5), litres: fc.integer({ min: 1, max: 9 }) })
    .filter(({ from, to }) => from !== to),
  { maxLength: 7 },
);

test('two bays are in one part just where each is reached from the other; what lies downstream comes first', () =>
  fc.assert(
    fc.property(movesArb, (moves) => {
      const part = findParts(6, moves);
      const reaches = (from: number, to: number, seen = new Set<number>()): boolean =>
        from === to ||
        (!seen.has(from) &&
          (seen.add(from), moves.some((move) => move.from === from && reaches(move.to, to, seen))));
      for (let a = 0; a < 6; a += 1)
        for (let b = 0; b < 6; b += 1) {
          expect(part[a] === part[b]).toBe(reaches(a, b) && reaches(b, a));
          if (reaches(a, b) && part[a] !== part[b]) expect(part[b]).toBeLessThan(part[a] ?? 0);
        }
    }),
  ));

/** The moves of a knot; every bay holds what the fuller of both arrangements needs, and `extra` more. */
function knotOf(
  moves: readonly { readonly from: number; readonly to: number; readonly litres: number }[],
  extra: number,
): Knot {
  const sum = (side: 'from' | 'to', bay: number) =>
    moves.reduce((total, move) => total + (move[side] === bay ? move.litres : 0), 0);
  return {
    litres: Float64Array.from(moves, ({ litres }) => litres),
    from: Int32Array.from(moves, ({ from }) => from),
    to: Int32Array.from(moves, ({ to }) => to),
    load: Float64Array.from({ length: 6 }, (_, b) => sum('from', b)),
    room: Float64Array.from(
      { length: 6 },
      (_, b) => Math.max(sum('from', b), sum('to', b)) + extra,
    ),
  };
}
/** Carries an order out; false where a bay is too full on the way. */
function works(
  { litres, from, to, load, room }: Knot,
  staged: ReadonlySet<number>,
  order: readonly number[],
): boolean {
  const now = [...load];
  for (const g of staged) now[from[g] ?? 0]! -= litres[g] ?? 0;
  return order.every((g) => {
    now[from[g] ?? 0]! -= litres[g] ?? 0;
    now[to[g] ?? 0]! += litres[g] ?? 0;
    return (now[to[g] ?? 0] ?? 0) <= (room[to[g] ?? 0] ?? 0) + 1e-9;
  });
}
const ordersOf = (list: readonly number[]): number[][] =>
  list.length === 0
    ? [[]]
    : list.flatMap((g) =>
        ordersOf(list.filter((other) => other !== g)).map((rest) => [g, ...rest]),
      );

test('an order is found just where one of all orders works', () =>
  fc.assert(
    fc.property(
      movesArb.filter((moves) => moves.length < 7),
      fc.integer({ min: 0, max: 4 }),
      fc.nat(63),
      (moves, extra, mask) => {
        const knot = knotOf(moves, extra);
        const staged = new Set(moves.map((_, g) => g).filter((g) => (mask >> g) & 1));
        const straight = moves.map((_, g) => g).filter((g) => !staged.has(g));
        const found = orderDirect(knot, staged, 10_000);
        expect(found.code).toBe(
          ordersOf(straight).some((order) => works(knot, staged, order)) ? 'order' : 'none',
        );
        if (found.code === 'order') {
          expect([...found.order].sort((a, b) => a - b)).toEqual(straight);
          expect(works(knot, staged, found.order)).toBe(true);
        } else expect('stuck' in found && found.stuck.length).toBeGreaterThan(0);
      },
    ),
    { numRuns: 150 },
  ));

test('a knot is untied: everything arrives, nothing is handled that was not to be, and baskets end empty', () =>
  fc.assert(
    fc.property(movesArb, fc.integer({ min: 0, max: 2 }), (moves, extra) => {
      const knot = knotOf(moves, extra);
      const untied = untieKnot(knot, { random: createRandom(1), isOver: () => false });
      expect(untied.bound).toBeCloseTo(untied.stagedLitres, 9);
      const { steps, peakLitres } = sequenceLazily(knot, untied);
      const out = steps.filter(({ kind }) => kind === 'out').map(({ group }) => group);
      expect(
        steps
          .filter(({ kind }) => kind === 'back')
          .map(({ group }) => group)
          .sort((a, b) => a - b),
      ).toEqual([...out].sort((a, b) => a - b));
      expect([...out].every((g) => untied.staged.has(g))).toBe(true);
      expect(
        steps
          .filter(({ kind }) => kind !== 'out')
          .map(({ group }) => group)
          .sort((a, b) => a - b),
      ).toEqual(moves.map((_, g) => g));
      expect(peakLitres).toBeLessThanOrEqual(untied.stagedLitres + 1e-9);
    }),
    { numRuns: 100 },
  ));
