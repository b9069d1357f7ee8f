import { asPlaced, overRimMm } from './contents';
import { bearingsOf } from './levels';
import type { FitAnswer, FitRequest, Placement, Surface } from './model';
import { roleOf } from './suitability';

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
  answer: Pick<FitAnswer, 'placements' | 'surfaces'>,
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
    ...bearingSolids(request, answer.surfaces ?? []),
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

/** What bears others, in its solid parts: what is free under a riser is none of it. */
function bearingSolids(request: FitRequest, surfaces: readonly Surface[]): Solid[] {
  return bearingsOf(request, surfaces).flatMap(({ surface, container, width, depth, height }) => {
    const { x, y, z } = surface;
    const role = roleOf(container);
    // A box and a pull-out hold what is in them.
    if (role !== 'riser' && role !== 'turntable') return [];
    const under = role === 'riser' ? (container.underHeight ?? 0) : 0;
    const top = role === 'riser' ? height : (container.plateHeight ?? height);
    return [{ from: [x, y, z + under], to: [x + width, y + depth, z + top] } satisfies Solid];
  });
}

function toSolid(request: FitRequest, placement: Placement): Solid | undefined {
  const { x, y, z, turned } = placement;
  const container = request.containers.find(({ id }) => id === placement.containerId);
  if (!container) return undefined;
  const { outer } = asPlaced(container, placement);
  const [width, depth] = turned ? [outer.depth, outer.width] : [outer.width, outer.depth];
  const group = request.groups.find(({ id }) => id === placement.groupId);
  const over = group ? (overRimMm(container, group) ?? 0) : 0;
  return { from: [x, y, z], to: [x + width, y + depth, z + outer.height + over] };
}
