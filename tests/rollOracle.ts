import type { RollAnswer, RollRequestInput } from '@/core/shop';

/** Shares no code with the engine. Everything that an answer gets wrong, in words. */
export function rollFaults(
  { roll, pieces }: RollRequestInput,
  { placed, rolls, usedLengthMm }: Pick<RollAnswer, 'placed' | 'rolls' | 'usedLengthMm'>,
): string[] {
  const faults: string[] = [];
  const boxes = placed.map(({ id, roll: on, x, y, turned }) => {
    const piece = pieces.find((known) => known.id === id);
    if (!piece) faults.push(`no piece ${id}`);
    if (turned && piece?.turnable === false) faults.push(`${id} must not be turned`);
    const [wide, deep] = turned
      ? [piece?.depthMm ?? 0, piece?.widthMm ?? 0]
      : [piece?.widthMm ?? 0, piece?.depthMm ?? 0];
    if (x < -1e-6 || y < -1e-6 || x + wide > roll.widthMm + 1e-5 || y + deep > roll.lengthMm + 1e-5)
      faults.push(`${id} sticks out`);
    if (!Number.isInteger(on) || on < 0 || on >= rolls) faults.push(`${id} on roll ${on}`);
    return { id, on, x, y, wide, deep };
  });
  for (const { id, qty } of pieces)
    if (placed.filter((piece) => piece.id === id).length !== qty)
      faults.push(`not ${qty} of ${id}`);
  boxes.forEach((a, i) =>
    boxes.slice(i + 1).forEach((b) => {
      if (
        a.on === b.on &&
        a.x + a.wide > b.x + 1e-5 &&
        b.x + b.wide > a.x + 1e-5 &&
        a.y + a.deep > b.y + 1e-5 &&
        b.y + b.deep > a.y + 1e-5
      )
        faults.push(`${a.id} over ${b.id}`);
    }),
  );
  const used = Array.from({ length: rolls }, (_, r) =>
    Math.max(0, ...boxes.filter(({ on }) => on === r).map(({ y, deep }) => y + deep)),
  ).reduce((sum, end) => sum + end, 0);
  if (Math.abs(used - usedLengthMm) > 1e-3) faults.push(`uses ${used}, not ${usedLengthMm}`);
  return faults;
}

/**
 * The least length that levels across the roll need, each as deep as its deepest piece, every piece
 * either way round: tries everything.
 */
export function bestLevels({ roll, pieces }: RollRequestInput): number {
  const each = pieces.flatMap((piece) => Array.from({ length: piece.qty }, () => piece));
  let best = Infinity;
  const lay = (
    i: number,
    levels: readonly { readonly wide: number; readonly deep: number }[],
  ): void => {
    const sum = levels.reduce((all, { deep }) => all + deep, 0);
    if (sum >= best) return;
    const piece = each[i];
    if (!piece) {
      best = sum;
      return;
    }
    for (const [wide, deep] of [
      [piece.widthMm, piece.depthMm],
      ...(piece.turnable === false ? [] : [[piece.depthMm, piece.widthMm]]),
    ] as [number, number][]) {
      if (wide > roll.widthMm) continue;
      levels.forEach((level, l) => {
        if (level.wide + wide <= roll.widthMm + 1e-9)
          lay(
            i + 1,
            levels.map((other, m) =>
              m === l ? { wide: other.wide + wide, deep: Math.max(other.deep, deep) } : other,
            ),
          );
      });
      lay(i + 1, [...levels, { wide, deep }]);
    }
  };
  lay(0, []);
  return best;
}
