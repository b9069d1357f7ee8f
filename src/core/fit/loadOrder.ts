import type { Placement } from './model';

/**
 * The order in which containers go in, by their index: what stands behind and below first, from the left, so that
 * nothing that stands is moved again. Requires: placements that keep the rules. O(n log n).
 */
export const loadOrder = (placements: readonly Placement[]): number[] =>
  placements
    .map((_, i) => i)
    .sort((a, b) => {
      const [one, other] = [placements[a]!, placements[b]!];
      return other.y - one.y || one.z - other.z || one.x - other.x || a - b;
    });
