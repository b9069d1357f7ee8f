import type { Random } from '../shared';
import { Floor, type Packing } from './floor';
import type { FitRequest } from './model';
import type { Pile } from './piles';
import { searchSkyline, type Piece } from './skyline';
import { clearOf } from './suitability';

/** What stands of the piles, and where. */
export interface DensePacking {
  readonly stood: readonly Pile[];
  readonly packing: Packing;
}

/**
 * Fills the floor as densely as may be, by litres, with `searchSkyline`; front and back, left and right
 * are then swapped until the ways out are kept for all that stands, or for most of it. For bays
 * without obstacles: undefined where there are some.
 */
export function packDense(
  request: FitRequest,
  piles: readonly Pile[],
  means: { readonly random: Random; readonly fillings: number; readonly hasTime: () => boolean },
): DensePacking | undefined {
  const { x0, x1, y0, y1 } = clearOf(request);
  const gap = request.clearances.between;
  const room = { width: x1 - x0 + gap, depth: y1 - y0 + gap };
  if ((request.bay.obstacles ?? []).length > 0 || room.width <= 0 || room.depth <= 0)
    return undefined;
  const pieces = piles.map(
    ({ container: { outer, turnable, shape, innerLitres }, levels }): Piece => ({
      width: outer.width + gap,
      depth: outer.depth + gap,
      canTurn: (turnable ?? true) && shape !== 'round',
      worth: innerLitres * levels.length,
    }),
  );
  const { spots } = searchSkyline(pieces, room, means);
  let best: DensePacking | undefined;
  for (const isBack of [false, true]) {
    for (const isRight of [false, true]) {
      const floor = new Floor(request);
      const stood = spots.flatMap(({ piece, x, y, isTurned }): Pile[] => {
        const pile = piles[piece];
        const size = pieces[piece];
        if (!pile || !size) return [];
        const [width, depth] = isTurned ? [size.depth, size.width] : [size.width, size.depth];
        const place = {
          x: x0 + (isRight ? room.width - x - width : x),
          y: y0 + (isBack ? room.depth - y - depth : y),
          width: width - gap,
          depth: depth - gap,
          turned: isTurned,
        };
        return floor.standAt(pile, place) ? [pile] : [];
      });
      if (!best || stood.length > best.stood.length) best = { stood, packing: floor.packing };
      if (stood.length === spots.length) return best;
    }
  }
  return best;
}
