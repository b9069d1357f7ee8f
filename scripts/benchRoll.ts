import { planRoll, rollRequestSchema } from '@/core/shop';
import { createRandom, isSolved, LinearModel, type Solver } from '@/core/shared';
import { rollFaults } from '@test/rollOracle';

import { between, timesOf, type Row } from './benchRow';

const ROLL = { widthMm: 500, lengthMm: 5000, priceMinor: 900 } as const;
/** Of the ten requests, so many are laid in rows too, each in this time: it takes long. */
const LEVEL_RUNS = 5;
const LEVELS_MS = 20_000;

/** Liners on rolls, and beside it the exact model of rows. */
export function benchRoll(
  solver: Solver,
  { pieces: count, timeLimitMs }: { readonly pieces: number; readonly timeLimitMs: number },
): Row[] {
  const answers = Array.from({ length: 10 }, (_, i) => {
    const random = createRandom((i + 1) * 17 + count);
    const request = {
      roll: ROLL,
      seed: i,
      timeLimitMs,
      pieces: Array.from({ length: count }, (_, p) => ({
        id: `p${p}`,
        widthMm: between(random, 60, 489),
        depthMm: between(random, 60, 559),
        qty: 1,
      })),
    };
    const answer = planRoll(rollRequestSchema.parse(request), { clock: () => performance.now() });
    return { ...answer, request, faults: rollFaults(request, answer) };
  });
  const levels = answers.slice(0, LEVEL_RUNS).map(({ request, usedLengthMm }) => {
    const start = performance.now();
    const level = layByLevels(ROLL.widthMm, request.pieces, solver, LEVELS_MS);
    return {
      over: 100 * (level.lengthMm / usedLengthMm - 1),
      isLonger: usedLengthMm > level.lengthMm + 1e-6,
      tookMs: performance.now() - start,
    };
  });
  const gaps = answers.map(
    ({ usedLengthMm, leastLengthMm }) => 100 * (usedLengthMm / leastLengthMm - 1),
  );
  const mean = (values: readonly number[]): string =>
    (values.reduce((a, b) => a + b, 0) / values.length).toFixed(1);
  return [
    {
      ...timesOf(
        `roll, ${count} pieces, in ${timeLimitMs} ms`,
        answers.map(({ elapsedMs }) => elapsedMs),
      ),
      note:
        `length mean ${mean(gaps)} %, at most ${Math.max(...gaps).toFixed(1)} % above the proven ` +
        `least; ${answers.filter(({ status }) => status === 'optimal').length} of 10 with the fewest ` +
        `rolls, proven; ${answers.flatMap(({ faults }) => faults).length} rules broken`,
    },
    {
      ...timesOf(
        '  the same in rows, by an exact model',
        levels.map(({ tookMs }) => tookMs),
      ),
      note:
        `mean ${mean(levels.map(({ over }) => over))} % longer; shorter in ` +
        `${levels.filter(({ isLonger }) => isLonger).length} of ${LEVEL_RUNS}`,
    },
  ];
}

interface Piece {
  readonly widthMm: number;
  readonly depthMm: number;
}

/**
 * The least length in which the pieces lie in rows from side to side, either way round, as a
 * mixed-integer model finds it in the time.
 * Where a roll ends is left out, so it has it easier.
 * Source: Lodi, Martello and Vigo, "Models and bounds for two-dimensional level packing problems", 2004.
 */
function layByLevels(
  widthMm: number,
  pieces: readonly Piece[],
  solver: Solver,
  timeLimitMs: number,
): { readonly lengthMm: number } {
  const copies = pieces
    .flatMap(({ widthMm: a, depthMm: b }, piece) => [
      { piece, across: a, along: b },
      { piece, across: b, along: a },
    ])
    .filter(({ across }) => across <= widthMm)
    .sort((a, b) => b.along - a.along);
  const model = new LinearModel();
  const begins = copies.map(() => model.addVariable({ most: 1, whole: true }));
  const laid = pieces.map((): (readonly [number, number])[] => []);
  copies.forEach(({ piece, across }, c) => {
    const begin = begins[c] ?? 0;
    laid[piece]?.push([begin, 1]);
    const row = copies.slice(c + 1).flatMap((other): (readonly [number, number])[] => {
      if (other.piece === piece || across + other.across > widthMm) return [];
      const isIn = model.addVariable({ most: 1, whole: true });
      laid[other.piece]?.push([isIn, 1]);
      return [[isIn, other.across]];
    });
    if (row.length > 0) model.addRow([...row, [begin, across - widthMm]], { most: 0 });
  });
  for (const terms of laid) model.addRow(terms, { least: 1, most: 1 });
  const solution = model.minimise(
    solver,
    copies.map(({ along }, c) => [begins[c] ?? 0, along] as const),
    { timeLimitMs, seed: 1 },
  );
  return { lengthMm: isSolved(solution) ? solution.objective : Infinity };
}
