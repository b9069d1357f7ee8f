import type { CutPattern } from './cutModel';
import type { CutProblem, Pattern } from './cutPatterns';

/** What is cut too much of is taken off, board by board; equal boards are counted together. */
export function listCuts(
  chosen: readonly { readonly pattern: Pattern; readonly count: number }[],
  {
    problem,
    stockIds,
    pieceIds,
  }: {
    readonly problem: CutProblem;
    readonly stockIds: readonly string[];
    readonly pieceIds: readonly string[];
  },
): CutPattern[] {
  const left = Int32Array.from(problem.quantities);
  const byKey = new Map<string, { stock: number; counts: Int32Array; count: number }>();
  const add = (stock: number, counts: Int32Array, count: number) => {
    if (count === 0 || counts.every((n) => n === 0)) return;
    const key = `${stock}:${counts.join()}`;
    const known = byKey.get(key);
    if (known) known.count += count;
    else byKey.set(key, { stock, counts, count });
  };
  for (const { pattern, count } of chosen) {
    // As many as are wanted whole; the first one that would be too much is cut for what is left.
    let whole = count;
    pattern.counts.forEach((n, i) => {
      if (n > 0) whole = Math.min(whole, Math.floor(left[i]! / n));
    });
    add(pattern.stock, pattern.counts, whole);
    pattern.counts.forEach((n, i) => {
      left[i] = left[i]! - n * whole;
    });
    for (let t = whole; t < count; t += 1) {
      const counts = pattern.counts.map((n, i) => Math.min(n, left[i]!));
      add(pattern.stock, counts, 1);
      counts.forEach((n, i) => {
        left[i] = left[i]! - n;
      });
    }
  }
  const kerfMm = (list: Int32Array) => list.reduce((sum, n, i) => sum + n * problem.pieceMm[i]!, 0);
  return [...byKey.values()].map(({ stock, counts, count }) => ({
    stockId: stockIds[stock] ?? '',
    count,
    pieces: [...counts].flatMap((n, i) => (n > 0 ? [{ id: pieceIds[i] ?? '', n }] : [])),
    wasteMm: Math.max(0, Math.round((problem.stockMm[stock]! - kerfMm(counts)) * 1e6) / 1e6),
  }));
}
