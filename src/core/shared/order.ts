/** Orders texts by their code units: the same on every machine. */
export function compareText(a: string, b: string): number {
  if (a < b) return -1;
  return a > b ? 1 : 0;
}

/**
 * 1, 2, 3 …: the first whose share, counted up from 0, a roll of 0..1 stays below; undefined beyond
 * the last.
 */
export function pickByShare(roll: number, sharesUpTo: readonly number[]): number | undefined {
  const at = sharesUpTo.findIndex((upTo) => roll < upTo);
  return at < 0 ? undefined : at + 1;
}
