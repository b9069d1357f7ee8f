import { bearingRoles, hangingRoles, type ContainerRole } from './codes';
import type { FitContainer, FitGroup, Pieces, Placement } from './model';

/** Sizes inside, in mm, the width the smaller one. */
export interface Inside {
  readonly width: number;
  readonly depth: number;
  readonly height: number;
}

const MM3_A_LITRE = 1e6;

/**
 * A container as it stands: of a divider the compartment that it ends, its board included, as a box without a lid that
 * holds what lies in it no higher than the board. The container itself where it is no compartment.
 */
export function asPlaced(
  container: FitContainer,
  { cell, turned }: Pick<Placement, 'cell' | 'turned'>,
): FitContainer {
  if (!cell) return container;
  const { depth: thick, height } = container.outer;
  const board = cell.wall ? 0 : thick;
  const { width, depth } = cell;
  return {
    ...container,
    role: 'box',
    // Turned, the board runs from front to back.
    outer: turned
      ? { width: depth, depth: width + board, height }
      : { width, depth: depth + board, height },
    innerWidth: Math.min(width, depth),
    innerDepth: Math.max(width, depth),
    innerHeight: height,
    innerLitres: (width * depth * height) / MM3_A_LITRE,
    stackable: false,
    lid: false,
    tareG: cell.wall ? 0 : (container.tareG ?? 0),
    priceMinor: cell.wall ? 0 : container.priceMinor,
  };
}

/**
 * What is free inside a container. Where its depth is not given, it is what the litres leave beside height and width,
 * and no more than the outside.
 */
export function insideOf({
  outer,
  innerLitres,
  innerHeight,
  innerWidth,
  innerDepth,
  shape,
}: FitContainer): Inside {
  const width = innerWidth ?? Math.min(outer.width, outer.depth);
  const longest = Math.max(outer.width, outer.depth);
  const byLitres =
    width > 0 && innerHeight > 0 ? (innerLitres * MM3_A_LITRE) / (width * innerHeight) : longest;
  const depth = innerDepth ?? (shape === 'round' ? width : Math.min(longest, byLitres));
  return { width: Math.min(width, depth), depth: Math.max(width, depth), height: innerHeight };
}

/** So much of what reaches over a rim stands within at least, or it topples. */
const LEAST_WITHIN = 0.4;

/**
 * What of a group reaches over the rim of a container it stands in, in mm: 0 where it is within, or lies. Undefined where
 * it would have to and may not, or would topple.
 */
export function overRimMm(container: FitContainer, group: FitGroup): number | undefined {
  const { tallestMm = 0, mayLie = false, pieces } = group;
  const overRim = group.overRim === true && !pieces;
  const { depth, height } = insideOf(container);
  if (tallestMm <= height || (mayLie && tallestMm <= depth)) return 0;
  const stands =
    overRim &&
    !container.lid &&
    !WITHOUT_RIM.has(container.role ?? 'box') &&
    height >= LEAST_WITHIN * tallestMm;
  return stands ? tallestMm - height : undefined;
}
const WITHOUT_RIM: ReadonlySet<ContainerRole> = new Set<ContainerRole>([
  ...bearingRoles,
  ...hangingRoles,
  'rack',
]);

/** How many lie in a row of so many mm; a rounded size does not cost one. */
const inRow = (spaceMm: number, pieceMm: number): number => Math.floor(spaceMm / pieceMm + 1e-6);

/**
 * How many pieces of one size a container takes: in rows along its sides, upright, or on their side too where they may
 * lie; of what is round inside the square within it, but one wherever it goes in. A rack takes one a place, a hook
 * one each.
 */
export function piecesIn(container: FitContainer, pieces: Pieces, mayLie = false): number {
  const { role = 'box' } = container;
  if (role === 'rack')
    return isForPlaces(container, pieces) ? Math.min(container.places ?? 0, pieces.count) : 0;
  if (role === 'rail' || role === 'hooks') return Math.min(container.hooks ?? 0, pieces.count);
  const inside = insideOf(container);
  const { width: w, depth: d = pieces.width, height: h } = pieces;
  const ways: (readonly [across: number, inward: number, up: number])[] = [
    [w, d, h],
    [d, w, h],
    ...(mayLie
      ? ([
          [h, w, d],
          [h, d, w],
          [w, h, d],
          [d, h, w],
        ] as const)
      : []),
  ];
  const [width, depth] =
    container.shape === 'round'
      ? [inside.width * Math.SQRT1_2, inside.depth * Math.SQRT1_2]
      : [inside.width, inside.depth];
  const most = Math.max(
    ...ways.map(
      ([across, inward, up]) =>
        inRow(width, across) * inRow(depth, inward) * inRow(inside.height, up),
    ),
  );
  const isAlone =
    container.shape === 'round' && pieces.shape === 'round' && w <= inside.width + 1e-6;
  return isAlone ? Math.max(most, inRow(inside.height, h)) : most;
}

/** Whether pieces lie in a rack's places: round, and no wider. */
export const isForPlaces = (
  { placeDiameter = 0 }: FitContainer,
  { shape, width }: Pieces,
): boolean => shape === 'round' && width <= placeDiameter + 1e-6;

/** Mass of one piece of a group in g, where pieces are counted. */
export const pieceG = ({ pieces, massG, litres }: FitGroup): number | undefined =>
  pieces && (massG ?? litres * 300) / pieces.count;

/** Litres of a group that one container takes: all that is inside, or what its pieces make. */
export const litresIn = (container: FitContainer, group: FitGroup): number =>
  group.pieces
    ? (group.litres * piecesIn(container, group.pieces, group.mayLie)) / group.pieces.count
    : container.innerLitres;

/** What containers offer a group in litres, and what is lacking of it: of each kind by itself. */
export function offeredTo(
  group: FitGroup,
  placements: readonly Placement[],
  containers: readonly FitContainer[],
): { readonly offered: number; readonly lacking: number } {
  const byId = new Map(containers.map((container) => [container.id, container]));
  const own = placements.filter(({ groupId }) => groupId === group.id);
  const litresOf = (some: readonly Placement[]): number =>
    some.reduce((sum, placement) => {
      const container = byId.get(placement.containerId);
      return container ? sum + litresIn(asPlaced(container, placement), group) : sum;
    }, 0);
  const wanted = group.kinds?.map(({ litres }) => litres) ?? [group.litres];
  return {
    offered: litresOf(own),
    lacking: wanted.reduce(
      (sum, litres, i) =>
        sum +
        Math.max(0, litres - litresOf(group.kinds ? own.filter(({ kind }) => kind === i) : own)),
      0,
    ),
  };
}
