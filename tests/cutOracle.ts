import type { CutAnswer, CutRequestInput } from '@/core/shop';

/** Shares no code with the engine. Everything that an answer gets wrong, in words. */
export function cutFaults(
  request: CutRequestInput,
  { patterns, costMinor }: Pick<CutAnswer, 'patterns' | 'costMinor'>,
): string[] {
  const faults: string[] = [];
  let cost = 0;
  const cut = new Map<string, number>();
  const used = new Map<string, number>();
  for (const { stockId, count, pieces, wasteMm } of patterns) {
    const board = request.stock.find(({ id }) => id === stockId);
    if (!board || !Number.isInteger(count) || count < 1) {
      faults.push(`no board ${stockId} × ${count}`);
      continue;
    }
    cost += count * board.priceMinor;
    used.set(stockId, (used.get(stockId) ?? 0) + count);
    let [sum, n] = [0, 0];
    for (const piece of pieces) {
      const known = request.pieces.find(({ id }) => id === piece.id);
      if (!known || piece.n < 1) faults.push(`no piece ${piece.id}`);
      sum += (known?.lengthMm ?? 0) * piece.n;
      n += piece.n;
      cut.set(piece.id, (cut.get(piece.id) ?? 0) + piece.n * count);
    }
    const waste = board.lengthMm - sum - request.kerfMm * Math.max(0, n - 1);
    if (n === 0) faults.push(`an empty ${stockId}`);
    if (waste < -1e-4) faults.push(`${stockId} is too short by ${-waste}`);
    if (Math.abs(Math.max(0, waste) - wasteMm) > 1e-4) faults.push(`waste ${wasteMm} is ${waste}`);
  }
  for (const { id, qty } of request.pieces)
    if ((cut.get(id) ?? 0) !== qty) faults.push(`${cut.get(id) ?? 0} of ${qty} ${id}`);
  for (const { id, available } of request.stock)
    if (available !== undefined && (used.get(id) ?? 0) > available)
      faults.push(`more ${id} than there are`);
  if (cost !== costMinor) faults.push(`costs ${cost}, not ${costMinor}`);
  return faults;
}

/**
 * The least cost over every way of cutting board after board; undefined where the boards do not do.
 * For a few pieces only.
 */
export function bestCut({ stock, pieces, kerfMm }: CutRequestInput): number | undefined {
  const seen = new Map<string, number>();
  const solve = (left: readonly number[], have: readonly number[]): number => {
    if (left.every((n) => n === 0)) return 0;
    const key = `${left.join()}|${have.join()}`;
    const known = seen.get(key);
    if (known !== undefined) return known;
    let best = Infinity;
    stock.forEach((board, s) => {
      if ((have[s] ?? 0) <= 0) return;
      const fill = (i: number, room: number, after: readonly number[], any: boolean): void => {
        if (i === pieces.length) {
          if (any)
            best = Math.min(
              best,
              board.priceMinor +
                solve(
                  after,
                  have.map((n, t) => (t === s ? n - 1 : n)),
                ),
            );
          return;
        }
        const takes = (pieces[i]?.lengthMm ?? 0) + kerfMm;
        for (let n = 0; n <= (after[i] ?? 0) && n * takes <= room + 1e-6; n += 1)
          fill(
            i + 1,
            room - n * takes,
            after.map((m, j) => (j === i ? m - n : m)),
            any || n > 0,
          );
      };
      fill(0, board.lengthMm + kerfMm, left, false);
    });
    seen.set(key, best);
    return best;
  };
  const pieceCount = pieces.reduce((sum, { qty }) => sum + qty, 0);
  const best = solve(
    pieces.map(({ qty }) => qty),
    stock.map(({ available }) => Math.min(available ?? Infinity, pieceCount)),
  );
  return Number.isFinite(best) ? best : undefined;
}
