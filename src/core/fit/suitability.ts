import { insideOf, isForPlaces, overRimMm, pieceG, piecesIn } from './contents';
import { bearingRoles } from './codes';
import type {
  Clearances,
  FitContainer,
  FitGroup,
  FitReason,
  FitRequest,
  GroupFault,
} from './model';

const innerWidthOf = (container: FitContainer): number =>
  container.innerWidth ?? Math.min(container.outer.width, container.outer.depth);

export const roleOf = ({ role = 'box' }: FitContainer) => role;

/** Whether two belong to what somebody calls one group: it, or kinds of it. */
export const isOneGroup = (a: FitGroup, b: FitGroup): boolean =>
  a === b || a.id === b.id || (a.of !== undefined && a.of === b.of);

export const groupMassG = (group: FitGroup): number => group.massG ?? group.litres * 300;

/** Materials that draw damp. */
export const DAMP_SHY: ReadonlySet<FitContainer['material']> = new Set<FitContainer['material']>([
  'card',
  'wicker',
  'wood',
  'fabric',
]);

/** The space in which containers may stand. */
export interface Clear {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
  readonly z1: number;
}
export function clearOf({ bay, clearances }: Pick<FitRequest, 'bay' | 'clearances'>): Clear {
  const { side, front, back, top }: Clearances = clearances;
  return { x0: side, x1: bay.width - side, y0: front, y1: bay.depth - back, z1: bay.height - top };
}

/**
 * Side of a square around a round container's centre that overlaps no other such square, nor a box
 * with its gap on the right and at the back: the one within
 * the circle, a little less where a box's corner may reach into the gap. The square around the
 * circle may be overlapped.
 */
const squareWithinMm = ({ outer }: FitContainer, gap: number): number =>
  Math.max(1, outer.width * Math.SQRT1_2 - 2 * gap * (1 - Math.SQRT1_2));

/** One way round that a container may lie, its gap included. */
export interface Lie {
  readonly width: number;
  readonly depth: number;
}
/**
 * Floor that a container surely takes, in each way round in which it goes into the bay: whatever
 * keeps its distance does not overlap it.
 */
export function liesOf(request: FitRequest, container: FitContainer): Lie[] {
  const { outer, shape, turnable } = container;
  const gap = request.clearances.between;
  const { x0, x1, y0, y1 } = clearOf(request);
  const square = squareWithinMm(container, gap);
  const [width, depth] =
    shape === 'round' ? [square, square] : [outer.width + gap, outer.depth + gap];
  const lies =
    (turnable ?? true) && width !== depth
      ? [
          { width, depth },
          { width: depth, depth: width },
        ]
      : [{ width, depth }];
  return lies.filter(
    (lie) => lie.width <= x1 - x0 + gap + 1e-6 && lie.depth <= y1 - y0 + gap + 1e-6,
  );
}

/** Why a container cannot stand in this bay at all, in figures; undefined where it can. */
export function findBayFault(request: FitRequest, container: FitContainer): FitReason | undefined {
  const { bay } = request;
  const clear = clearOf(request);
  const subject = container.id;
  const { width, depth, height } = container.outer;
  const canTurn = container.turnable ?? true;
  if (bay.moist && DAMP_SHY.has(container.material))
    return { code: 'draws_damp', subject, material: container.material };
  const roleFault = findRoleFault(request, container);
  if (roleFault) return roleFault;
  const tooHigh: FitReason = {
    code: 'container_too_high',
    subject,
    heightMm: height,
    freeMm: Math.max(0, clear.z1),
    toLiftMm: request.clearances.top,
  };
  // A board goes in at an angle, and stands from wall to wall.
  if (roleOf(container) === 'divider') return height > clear.z1 ? tooHigh : undefined;
  // An opening that nobody measured is none: then the inside says what is too large.
  const { openingHeight = Infinity, openingWidth = Infinity } = bay;
  const doesNotPass = (side: 'high' | 'wide', sizeMm: number, openingMm: number): FitReason => ({
    code: 'container_does_not_pass',
    subject,
    side,
    sizeMm,
    openingMm,
  });
  if (height > openingHeight) return doesNotPass('high', height, openingHeight);
  const narrowest = canTurn ? Math.min(width, depth) : width;
  if (narrowest > openingWidth) return doesNotPass('wide', narrowest, openingWidth);
  if (height > clear.z1) return tooHigh;
  const roomWidth = clear.x1 - clear.x0;
  const roomDepth = clear.y1 - clear.y0;
  const fits = (w: number, d: number) => w <= roomWidth && d <= roomDepth;
  if (fits(width, depth) || (canTurn && fits(depth, width))) return undefined;
  return {
    code: 'container_too_big',
    subject,
    widthMm: width,
    depthMm: depth,
    floorWidthMm: Math.max(0, roomWidth),
    floorDepthMm: Math.max(0, roomDepth),
  };
}

/** Why what a container does cannot be done in this bay. */
function findRoleFault(
  { bay, containers }: FitRequest,
  container: FitContainer,
): FitReason | undefined {
  const subject = container.id;
  switch (roleOf(container)) {
    case 'under-shelf':
      if (bay.shelfThickness === undefined) return { code: 'needs_shelf_thickness', subject };
      if (bay.shelfThickness > (container.clipMost ?? 0))
        return {
          code: 'shelf_too_thick',
          subject,
          shelfMm: bay.shelfThickness,
          clipMm: container.clipMost ?? 0,
        };
      return undefined;
    case 'insert':
      // A drawer is a container itself.
      return bay.pullOut === true || containers.some((host) => takesInsert(host, container))
        ? undefined
        : { code: 'needs_a_container', subject };
    case 'divider': {
      const spans = bay.pullOut === true && [bay.width, bay.depth].some(reachOf(container));
      return spans || containers.some((host) => takesDivider(host, container))
        ? undefined
        : { code: 'needs_a_container', subject };
    }
    default:
      return undefined;
  }
}

/** Whether an insert goes into this one, the rim no lower than it is high. */
export function takesInsert(host: FitContainer, insert: FitContainer): boolean {
  if (roleOf(insert) !== 'insert') return false;
  const { outer } = insert;
  if (roleOf(host) !== 'box' || host.shape === 'round' || host.lid) return false;
  const inside = insideOf(host);
  return (
    Math.min(outer.width, outer.depth) <= inside.width + 1e-6 &&
    Math.max(outer.width, outer.depth) <= inside.depth + 1e-6 &&
    outer.height <= inside.height + 1e-6
  );
}

/** A board that does not move may be shorter by so much, and one that does holds by its ends; mm. */
const SHORT_MM = 5;

/** Whether a divider reaches from wall to wall over so many mm. */
export const reachOf =
  ({ outer, mostWidth }: FitContainer) =>
  (lengthMm: number): boolean =>
    outer.width <= lengthMm + 1e-6 && lengthMm <= (mostWidth ?? outer.width) + SHORT_MM;

/** Whether a divider goes into this one, along or across, no higher than its rim. */
export function takesDivider(host: FitContainer, divider: FitContainer): boolean {
  if (roleOf(divider) !== 'divider') return false;
  if (roleOf(host) !== 'box' || host.shape === 'round' || host.lid) return false;
  const inside = insideOf(host);
  return (
    divider.outer.height <= inside.height + 1e-6 &&
    [inside.width, inside.depth].some(reachOf(divider))
  );
}

/** Why a container does not suit what the group asks for; undefined where it does. */
export function findGroupFault(container: FitContainer, group: FitGroup): GroupFault | undefined {
  return (
    findWishFault(container, group) ??
    findContentFault(container, group) ??
    findPieceFault(container, group)
  );
}

/** What the content's largest, heaviest and longest things ask for. */
function findContentFault(container: FitContainer, group: FitGroup): GroupFault | undefined {
  const { tallestMm = 0, longestMm = 0, heaviestG = 0, mayLie = false, pour } = group;
  if (heaviestG > (container.maxLoadG ?? Infinity)) return { fault: 'too_weak' };
  if (pour && container.innerLitres < pour.packLitres - 1e-9) return { fault: 'takes_no_pack' };
  const { depth, height } = insideOf(container);
  if (overRimMm(container, group) === undefined)
    return { fault: 'too_low', hasMm: height, needsMm: tallestMm };
  if (longestMm > depth && !(mayLie && longestMm <= height))
    return { fault: 'too_short', hasMm: depth, needsMm: longestMm };
  return undefined;
}

/** What a number of things of one size asks for. */
function findPieceFault(container: FitContainer, group: FitGroup): GroupFault | undefined {
  const role = roleOf(container);
  const { pieces, hangs } = group;
  if ((role === 'rail' || role === 'hooks') !== (hangs !== undefined))
    return { fault: hangs ? 'hangs' : 'does_not_hang' };
  if (hangs && (pieceG(group) ?? 0) > (container.hookLoadG ?? Infinity))
    return { fault: 'too_weak' };
  if (role === 'rack' && pieces?.shape !== 'round') return { fault: 'not_round' };
  if (role === 'rack' && pieces && !isForPlaces(container, pieces))
    return {
      fault: 'too_wide_for_a_place',
      hasMm: container.placeDiameter ?? 0,
      needsMm: pieces.width,
    };
  return pieces && piecesIn(container, pieces, group.mayLie) < 1
    ? { fault: 'holds_no_piece' }
    : undefined;
}

function findLookFault(container: FitContainer, group: FitGroup): GroupFault | undefined {
  if (group.lid === 'required' && !container.lid) return { fault: 'no_lid' };
  if (group.lid === 'forbidden' && container.lid) return { fault: 'lid' };
  if (group.see === 'clear' && !container.clear) return { fault: 'not_clear' };
  if (group.see === 'opaque' && container.clear) return { fault: 'clear' };
  if (group.colour !== undefined && group.colour !== container.colour) return { fault: 'colour' };
  if (group.line !== undefined && group.line !== container.line) return { fault: 'line' };
  return undefined;
}

function findWishFault(container: FitContainer, group: FitGroup): GroupFault | undefined {
  const role = roleOf(container);
  const isByPieces = role === 'rack' || role === 'rail' || role === 'hooks';
  const isBare = bearingRoles.has(role) || role === 'divider';
  if (isBare || (container.innerLitres <= 0 && !isByPieces)) return { fault: 'holds_nothing' };
  const look = findLookFault(container, group);
  if (look) return look;
  const { minInnerHeight = 0, minInnerWidth = 0 } = group;
  if (minInnerHeight > container.innerHeight)
    return { fault: 'too_low', hasMm: container.innerHeight, needsMm: minInnerHeight };
  const innerWidth = innerWidthOf(container);
  if (minInnerWidth > innerWidth)
    return { fault: 'too_narrow', hasMm: innerWidth, needsMm: minInnerWidth };
  return undefined;
}

/**
 * A group that may stand in this container only; several pins of a group leave it the choice
 * between them.
 */
export interface FitPin {
  readonly groupId: string;
  readonly containerId: string;
}
/** A stretch of the floor, from `x0` to `x1`, with rules of its own: a level. Lengths mm. */
export interface Zone {
  readonly x0: number;
  readonly x1: number;
  /** How high it lies, and how far right of where it is drawn here. */
  readonly baseMm: number;
  readonly shiftMm: number;
  readonly mostG: number;
  /** It turns or comes out as a whole: nothing on it is in the way of another. */
  readonly isFree: boolean;
  readonly takes: (container: FitContainer) => boolean;
}
/** A request with what somebody has pinned, and levels beside each other; the open format has neither. */
export type FitQuestion = FitRequest & {
  readonly pins?: readonly FitPin[];
  readonly zones?: readonly Zone[];
  /** Surfaces that an answer is to use, by id. */
  readonly uses?: readonly string[];
  /** Containers that are made for one group only, by id. */
  readonly onlyFor?: ReadonlyMap<string, string>;
};

/** Whether a container suits a group, and no pin gives the group to another. */
export function suits(
  { pins = [], onlyFor }: FitQuestion,
  container: FitContainer,
  group: FitGroup,
): boolean {
  if (!pinsAllow(pins, container, group)) return false;
  const only = onlyFor?.get(container.id);
  // A stand-in for a group is one for each of its kinds.
  if (only !== undefined && only !== group.id && only !== group.of) return false;
  return findGroupFault(container, group) === undefined;
}
function pinsAllow(pins: readonly FitPin[], container: FitContainer, group: FitGroup): boolean {
  const own = pins.filter(({ groupId }) => groupId === group.id);
  return own.length === 0 || own.some(({ containerId }) => containerId === container.id);
}

/** One reason a container that cannot be used here, by the first measure that rules it out. */
export function explainUnused(request: FitRequest): FitReason[] {
  return request.containers.flatMap((container): FitReason[] => {
    const bayFault = findBayFault(request, container);
    if (bayFault) return [bayFault];
    // What bears, and a board by itself, hold nothing; that is no fault of theirs.
    if (bearingRoles.has(roleOf(container)) || roleOf(container) === 'divider') return [];
    const [first] = request.groups;
    const why = first && findGroupFault(container, first);
    const suitsAny = request.groups.some((group) => findGroupFault(container, group) === undefined);
    if (!why || suitsAny) return [];
    return [{ code: 'no_container_suits', subject: container.id, groupId: first.id, why }];
  });
}
