import type { FitFault } from './fitFault';
import { isClose, type Body as Box } from './isClose';
import type { FitContainer, FitRequest, Placement, Surface } from './model';

/** A surface as a solid; mm. */
export interface Solid {
  readonly index: number;
  readonly at: Surface;
  readonly what: FitContainer;
  readonly w: number;
  readonly d: number;
  readonly h: number;
}
interface Item {
  readonly at: Placement;
  readonly what: FitContainer;
  readonly w: number;
  readonly d: number;
  readonly h: number;
  readonly massG: number;
}
type Say = (rule: FitFault['rule'], subject: string) => void;

const EPS = 1e-4;

/** Height of what something stands on above the bottom of the bay. */
export function groundUnder(
  { bay }: FitRequest,
  { on }: Pick<Placement, 'on'>,
  solids: readonly Solid[],
): number {
  const solid = solids.find(({ index }) => index === on);
  if (!solid) return bay.falseFloor ?? 0;
  const { what } = solid;
  if (what.role === 'riser') return solid.at.z + what.outer.height;
  if (what.role === 'turntable') return solid.at.z + (what.plateHeight ?? 0);
  return solid.at.z + Math.max(0, what.outer.height - what.innerHeight);
}

/**
 * Checks what bears others: that it stands itself, bears what is on it, that this stays within it and is met by
 * nothing, that a turntable turns and a pull-out comes out. Returns the surfaces as solids.
 */
export function findLevelFaults(
  request: FitRequest,
  items: readonly Item[],
  surfaces: readonly Surface[],
  say: Say,
): Solid[] {
  const solids = surfaces.flatMap((at, index): Solid[] => {
    const what = request.containers.find(({ id }) => id === at.containerId);
    if (!what) say('unknown_surface', at.containerId);
    if (!what) return [];
    const { width, depth, height } = what.outer;
    return [
      {
        index,
        at,
        what,
        w: at.width ?? (at.turned ? depth : width),
        d: at.turned ? width : depth,
        h: height,
      },
    ];
  });
  for (const solid of solids) checkSolid(request, solids, items, solid, say);
  for (const item of items) checkOn(request, solids, item, say);
  return solids;
}

/** Its parts: what is free under a riser is none of it. */
function partsOf({ at, what, w, d, h }: Solid): Box[] {
  const whole = { x: at.x, y: at.y, z: at.z, w, d, h };
  if (what.role === 'turntable') return [{ ...whole, h: what.plateHeight ?? h, isRound: true }];
  if (what.role !== 'riser') return [whole];
  const under = what.underHeight ?? 0;
  const leg = (what.outer.width - (what.underWidth ?? 0)) / 2;
  return [
    { ...whole, z: at.z + under, h: h - under },
    { ...whole, w: leg, h: under },
    { ...whole, x: at.x + w - leg, w: leg, h: under },
  ];
}

const boxOf = (item: Item): Box => ({
  x: item.at.x,
  y: item.at.y,
  z: item.at.z,
  w: item.w,
  d: item.d,
  h: item.h,
  isRound: item.what.shape === 'round',
});

/** Everything that stands on a surface, on what stands on it too. */
function allOn(solids: readonly Solid[], items: readonly Item[], solid: Solid): Item[] {
  return [
    ...items.filter(({ at }) => at.on === solid.index),
    ...solids
      .filter(({ at }) => at.on === solid.index)
      .flatMap((upper) => allOn(solids, items, upper)),
  ];
}

function checkSolid(
  request: FitRequest,
  solids: readonly Solid[],
  items: readonly Item[],
  solid: Solid,
  say: Say,
): void {
  const { bay, clearances: c } = request;
  const { at, what } = solid;
  checkStands(request, solids, solid, say);
  const massG =
    allOn(solids, items, solid).reduce((sum, item) => sum + item.massG, 0) +
    solids.reduce(
      (sum, upper) => sum + (upper.at.on === solid.index ? (upper.what.tareG ?? 0) : 0),
      0,
    );
  if (massG > (what.topLoadG ?? what.maxLoadG ?? Infinity) + EPS) say('surface_load', what.id);
  const obstacles = (bay.obstacles ?? []).map((o): Box => ({
    x: o.x,
    y: o.y,
    z: o.z,
    w: o.width,
    d: o.depth,
    h: o.height,
  }));
  const parts = partsOf(solid);
  const meets = (box: Box) => parts.some((part) => isClose(part, box, c.between));
  const isMet =
    obstacles.some(meets) ||
    solids.some(
      (other) =>
        other.index < solid.index &&
        other.index !== at.on &&
        other.at.on !== solid.index &&
        partsOf(other).some(meets),
    ) ||
    items.some((item) => item.at.on !== solid.index && meets(boxOf(item)));
  if (isMet) say('gap', what.id);
  if (what.role === 'turntable') checkTurns(solids, items, solid, obstacles, c.between, say);
  if (what.role === 'pull-out') checkPullOut(request, solids, items, solid, say);
}

/** That it may bear at all, goes in, and stands on the floor or on one like it. */
function checkStands(
  { bay, clearances: c }: FitRequest,
  solids: readonly Solid[],
  { at, what, w, d, h }: Solid,
  say: Say,
): void {
  if (!/^(riser|turntable|pull-out|box)$/.test(what.role ?? 'box')) say('surface', what.id);
  const isInside =
    at.x >= c.side - EPS &&
    at.x + w <= bay.width - c.side + EPS &&
    at.y >= c.front - EPS &&
    at.y + d <= bay.depth - c.back + EPS &&
    at.z + h <= bay.height + EPS;
  if (!isInside) say('outside_bay', what.id);
  const most = what.mostWidth ?? what.outer.width;
  if (at.width !== undefined && (at.width < what.outer.width - EPS || at.width > most + EPS))
    say('surface', what.id);
  if (!passes(bay, what)) say('opening', what.id);
  if (bay.moist && /^(card|wicker|wood|fabric)$/.test(what.material)) say('moist', what.id);
  const lower = solids.find(({ index }) => index === at.on);
  const stands =
    at.on === undefined
      ? Math.abs(at.z - (bay.falseFloor ?? 0)) < EPS
      : lower !== undefined && isTier(at, what, lower);
  if (!stands) say('support', what.id);
}

function passes(bay: FitRequest['bay'], { outer, turnable }: FitContainer): boolean {
  const faces = turnable === false ? [outer.width] : [outer.width, outer.depth];
  return (
    faces.some((face) => face <= (bay.openingWidth ?? bay.width) + EPS) &&
    outer.height <= (bay.openingHeight ?? bay.height) + EPS
  );
}

/** Only turntables stand on each other, and only those made for it. */
const isTier = (at: Surface, what: FitContainer, lower: Solid): boolean =>
  lower.what === what &&
  what.role === 'turntable' &&
  what.stackable === true &&
  Math.abs(at.z - lower.at.z - (what.levelGap ?? Infinity)) < EPS &&
  Math.hypot(at.x - lower.at.x, at.y - lower.at.y) < EPS;

/** The circle with what stands on it: nothing else in it as high as that reaches. */
function checkTurns(
  solids: readonly Solid[],
  items: readonly Item[],
  solid: Solid,
  obstacles: readonly Box[],
  gap: number,
  say: Say,
): void {
  const { at, w, d } = solid;
  const own = items.filter((item) => item.at.on === solid.index);
  const top = Math.max(at.z, ...own.map((item) => item.at.z + item.h));
  const swept: Box = { x: at.x, y: at.y, z: at.z, w, d, h: top - at.z, isRound: true };
  const others = [
    ...items.filter((item) => item.at.on !== solid.index).map(boxOf),
    ...obstacles,
    ...solids.filter((other) => other !== solid && other.index !== at.on).flatMap(partsOf),
  ];
  if (others.some((box) => isClose(swept, box, gap))) say('turns', solid.what.id);
}

/** It comes out through the opening, past the open door, with nothing before it. */
function checkPullOut(
  { bay }: FitRequest,
  solids: readonly Solid[],
  items: readonly Item[],
  { index, at, what, w }: Solid,
  say: Say,
): void {
  const openingWidth = bay.openingWidth ?? bay.width;
  const left = bay.openingLeft ?? (bay.width - openingWidth) / 2;
  const takes = bay.doorTakes ?? 0;
  const from = left + (bay.hinge === 'left' ? takes : 0);
  const to = left + openingWidth - (bay.hinge === 'right' ? takes : 0);
  const isBefore = (x: number, y: number, wide: number): boolean =>
    y < at.y - EPS && x < at.x + w - EPS && at.x < x + wide - EPS;
  const isBlocked =
    items.some((item) => item.at.on !== index && isBefore(item.at.x, item.at.y, item.w)) ||
    solids.some((other) => other.index !== index && isBefore(other.at.x, other.at.y, other.w));
  const isReached = items.every(
    (item) => item.at.on !== index || item.at.y - at.y <= (what.travel ?? 0) + EPS,
  );
  if (at.x < from - EPS || at.x + w > to + EPS || isBlocked || !isReached) say('pull_out', what.id);
}

/** What stands on or in a surface stays within it. */
function checkOn(request: FitRequest, solids: readonly Solid[], item: Item, say: Say): void {
  const { what } = item;
  const solid = solids.find(({ index }) => index === item.at.on);
  const role = solid && (solid.what.role ?? 'box');
  const isLaid = solid ? role === 'box' : request.bay.pullOut === true;
  if (what.role === 'insert' && !isLaid) say('insert', what.id);
  if (item.at.on === undefined) return;
  if (!solid) {
    say('unknown_surface', what.id);
    return;
  }
  if (role === 'turntable') {
    if (!isOnPlate(solid, item)) say('turns', what.id);
    return;
  }
  if (role === 'box' && what.role !== 'insert' && what.role !== 'divider') say('insert', what.id);
  const isLow =
    role !== 'box' ||
    item.at.z + item.h <=
      Math.max(
        solid.at.z + solid.h,
        groundUnder(request, item.at, solids) + solid.what.innerHeight,
      ) +
        EPS;
  if (!isWithin(solid, item) || !isLow) say(role === 'box' ? 'insert' : 'surface', what.id);
}

/** All corners, or the circle, within the plate less its rim. */
function isOnPlate(solid: Solid, { at, what, w, d }: Item): boolean {
  const radius = solid.w / 2 - (solid.what.rim ?? 0);
  const [cx, cy] = [solid.at.x + solid.w / 2, solid.at.y + solid.d / 2];
  const far =
    what.shape === 'round'
      ? Math.hypot(at.x + w / 2 - cx, at.y + d / 2 - cy) + w / 2
      : Math.max(
          ...[0, w].flatMap((dx) => [0, d].map((dy) => Math.hypot(at.x + dx - cx, at.y + dy - cy))),
        );
  return far <= radius + EPS;
}

function isWithin(solid: Solid, item: Item): boolean {
  const [w, d] = solid.what.role === 'riser' ? [solid.w, solid.d] : innerOf(solid);
  const [x, y] = [solid.at.x + (solid.w - w) / 2, solid.at.y + (solid.d - d) / 2];
  return (
    item.at.x >= x - EPS &&
    item.at.x + item.w <= x + w + EPS &&
    item.at.y >= y - EPS &&
    item.at.y + item.d <= y + d + EPS
  );
}

/** Inside of a box as it stands: the shorter side inside lies along the shorter side outside. */
export function innerOf({ what, w, d }: Solid): readonly [number, number] {
  const short = what.innerWidth ?? Math.min(what.outer.width, what.outer.depth);
  const whole = Math.max(what.outer.width, what.outer.depth);
  const byLitres =
    short * what.innerHeight > 0 ? (what.innerLitres * 1e6) / (short * what.innerHeight) : whole;
  const long = what.innerDepth ?? Math.min(whole, byLitres);
  const [a, b] = [Math.min(short, long), Math.max(short, long)];
  return w < d ? [a, b] : [b, a];
}
