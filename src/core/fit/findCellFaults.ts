import type { FitFault } from './fitFault';
import { groundUnder, innerOf, type Solid } from './findLevelFaults';
import type { Cell, FitContainer, FitRequest, Placement } from './model';

interface Item {
  readonly at: Placement;
  readonly what: FitContainer;
  readonly base: FitContainer;
  readonly w: number;
  readonly d: number;
  readonly h: number;
}

const EPS = 1e-3;
/** A board that is not pulled out may end so far before the wall; mm. */
const LOOSE_MM = 5;

/** Width and depth of a compartment with the board that ends it. */
export function footOfCell(
  { outer }: FitContainer,
  { width, depth, wall }: Cell,
  turned: boolean,
): { readonly w: number; readonly d: number } {
  const board = wall ? 0 : outer.depth;
  return turned ? { w: width + board, d: depth } : { w: width, d: depth + board };
}

/** What a compartment is as a container: open above, as high as its board. */
export function toCell(divider: FitContainer, cell: Cell, turned: boolean): FitContainer {
  const { w, d } = footOfCell(divider, cell, turned);
  const high = divider.outer.height;
  return {
    ...divider,
    outer: { width: w, depth: d, height: high },
    innerWidth: Math.min(cell.width, cell.depth),
    innerDepth: Math.max(cell.width, cell.depth),
    innerHeight: high,
    innerLitres: (cell.width / 100) * (cell.depth / 100) * (high / 100),
    stackable: false,
    lid: false,
    tareG: cell.wall ? 0 : (divider.tareG ?? 0),
  };
}

/**
 * Checks compartments: of dividers only; in a drawer, or in a box without a lid; the boards of one host in one direction,
 * from wall to wall; each closed at its near side by a wall or by another's board; the last one only at the wall; and
 * something else beside each.
 */
export function findCellFaults(
  request: FitRequest,
  items: readonly Item[],
  bearers: readonly Solid[],
  say: (rule: FitFault['rule'], subject: string) => void,
): void {
  for (const item of items) {
    const isDivider = item.base.role === 'divider';
    if (isDivider !== (item.at.cell !== undefined)) say('divider', item.base.id);
    else if (isDivider && !isClosed(request, items, item, bearers)) say('divider', item.base.id);
  }
}

function isClosed(
  request: FitRequest,
  items: readonly Item[],
  item: Item,
  bearers: readonly Solid[],
): boolean {
  const { at, base, h } = item;
  const host = hostOf(request, at, bearers);
  if (!host) return false;
  const beside = items.filter((other) => other !== item && other.at.on === at.on);
  const others = beside.filter((other) => other.at.cell);
  // Along the boards from wall to wall; across them from the near wall or another board.
  const [start, end, near, far, wall] = at.turned
    ? ([at.y, at.y + item.d, at.x, at.x + item.w, host.long.d] as const)
    : ([at.x, at.x + item.w, at.y, at.y + item.d, host.long.w] as const);
  const [from, to, first, last] = at.turned
    ? ([host.y, host.y + host.d, host.x, host.x + host.w] as const)
    : ([host.x, host.x + host.w, host.y, host.y + host.d] as const);
  const longest = base.mostWidth ?? base.outer.width;
  const isLong = base.outer.width <= wall + EPS && wall <= longest + LOOSE_MM + EPS;
  const spans = Math.abs(start - from) < EPS && Math.abs(end - to) < EPS;
  const ends = others.map((other) => (at.turned ? other.at.x + other.w : other.at.y + other.d));
  const isMet = [first, ...ends].some((edge) => Math.abs(edge - near) < EPS);
  const isLast = Math.abs(far - last) < EPS;
  return (
    // A board parts two things.
    beside.length > 0 &&
    isLong &&
    spans &&
    isMet &&
    h <= host.h + EPS &&
    others.every((other) => other.at.turned === at.turned) &&
    (!at.cell?.wall || isLast)
  );
}

/** Room inside the drawer or the box, and how long a board is that reaches from wall to wall. */
function hostOf(
  request: FitRequest,
  at: Placement,
  bearers: readonly Solid[],
):
  | {
      readonly x: number;
      readonly y: number;
      readonly w: number;
      readonly d: number;
      readonly h: number;
      readonly long: { readonly w: number; readonly d: number };
    }
  | undefined {
  const { bay, clearances: c } = request;
  if (at.on === undefined)
    return bay.pullOut === true
      ? {
          x: c.side,
          y: c.front,
          w: bay.width - 2 * c.side,
          d: bay.depth - c.front - c.back,
          h: bay.height - c.top,
          long: { w: bay.width, d: bay.depth },
        }
      : undefined;
  const solid = bearers.find(({ index }) => index === at.on);
  const isOpen =
    solid !== undefined &&
    (solid.what.role ?? 'box') === 'box' &&
    solid.what.lid !== true &&
    solid.what.shape !== 'round';
  if (!isOpen) return undefined;
  const [w, d] = innerOf(solid);
  return {
    x: solid.at.x + (solid.w - w) / 2,
    y: solid.at.y + (solid.d - d) / 2,
    w,
    d,
    h: Math.max(solid.what.innerHeight, solid.at.z + solid.h - groundUnder(request, at, bearers)),
    long: { w, d },
  };
}
