import type { FitAnswer, FitRequest, Placement } from './model';

/** Air around one placed container, in mm: to the nearest thing straight that way, or to the bay. */
export interface Around {
  readonly leftMm: number;
  readonly rightMm: number;
  readonly frontMm: number;
  readonly backMm: number;
  readonly aboveMm: number;
}

interface Solid {
  readonly from: readonly [x: number, y: number, z: number];
  readonly to: readonly [x: number, y: number, z: number];
}

/** Returns undefined where there is no such placement. Round containers count as their square. */
export function clearancesAround(
  request: FitRequest,
  answer: Pick<FitAnswer, 'placements'>,
  index: number,
): Around | undefined {
  const placement = answer.placements[index];
  const own = placement && toSolid(request, placement);
  if (!own) return undefined;
  const { bay } = request;
  const others = [
    ...answer.placements.flatMap((other, i) =>
      i === index ? [] : (toSolid(request, other) ?? []),
    ),
    ...(bay.obstacles ?? []).map((box): Solid => ({
      from: [box.x, box.y, box.z],
      to: [box.x + box.width, box.y + box.depth, box.z + box.height],
    })),
  ];
  const size = [bay.width, bay.depth, bay.height] as const;
  const air = (axis: 0 | 1 | 2, side: 'before' | 'after'): number => {
    const inLine = others.filter((other) =>
      ([0, 1, 2] as const).every(
        (a) => a === axis || (other.from[a] < own.to[a] - 1e-6 && own.from[a] < other.to[a] - 1e-6),
      ),
    );
    const gaps = inLine
      .map((other) =>
        side === 'before' ? own.from[axis] - other.to[axis] : other.from[axis] - own.to[axis],
      )
      .filter((gap) => gap >= -1e-6);
    return Math.max(
      0,
      Math.min(side === 'before' ? own.from[axis] : size[axis] - own.to[axis], ...gaps),
    );
  };
  return {
    leftMm: air(0, 'before'),
    rightMm: air(0, 'after'),
    frontMm: air(1, 'before'),
    backMm: air(1, 'after'),
    aboveMm: air(2, 'after'),
  };
}

function toSolid(
  request: FitRequest,
  { containerId, x, y, z, turned }: Placement,
): Solid | undefined {
  const outer = request.containers.find(({ id }) => id === containerId)?.outer;
  if (!outer) return undefined;
  const [width, depth] = turned ? [outer.depth, outer.width] : [outer.width, outer.depth];
  return { from: [x, y, z], to: [x + width, y + depth, z + outer.height] };
}
