/**
 * Splits money by weights into whole minor units that add up to it: what is left after rounding down goes
 * to the largest remainders, the first of equal ones. Weights that are all 0 split evenly. O(n log n).
 * Requires: weights >= 0. Ensures: the parts sum to `totalMinor`; no part has another sign than it.
 */
export function splitMinor(totalMinor: number, weights: readonly number[]): number[] {
  if (weights.length === 0) return [];
  const sum = weights.reduce((all, weight) => all + weight, 0);
  const shares = weights.map((weight) =>
    sum > 0 ? (Math.abs(totalMinor) * weight) / sum : Math.abs(totalMinor) / weights.length,
  );
  const parts = shares.map(Math.floor);
  let left = Math.abs(totalMinor) - parts.reduce((all, part) => all + part, 0);
  const byRemainder = shares
    .map((share, i) => ({ i, remainder: share - Math.floor(share) }))
    .sort((a, b) => b.remainder - a.remainder || a.i - b.i);
  for (const { i } of byRemainder) {
    if (left <= 0) break;
    parts[i]! += 1;
    left -= 1;
  }
  return totalMinor < 0 ? parts.map((part) => 0 - part) : parts;
}
