import { insideOf } from './contents';
import { bearingRoles, hangingRoles } from './codes';
import type { FitContainer, FitRequest, Placement, Surface } from './model';
import { clearOf, roleOf, type FitQuestion, type Zone } from './suitability';

type Box = NonNullable<FitRequest['bay']['obstacles']>[number];

/** A surface with its true sizes; mm. */
export interface Bearing {
  readonly surface: Surface;
  readonly index: number;
  readonly container: FitContainer;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
}

/**
 * A level: a rectangle on which containers stand, and how high they may be. Lengths mm, `x`, `y` and `z` where it
 * begins in the bay; obstacles from there.
 */
export interface Level {
  /** The surface that bears it; undefined: the bay's floor. */
  readonly on: number | undefined;
  readonly x: number;
  readonly y: number;
  readonly z: number;
  readonly width: number;
  readonly depth: number;
  readonly height: number;
  readonly obstacles: readonly Box[];
  /** It turns or comes out as a whole. */
  readonly isFree: boolean;
  readonly mostG: number;
  readonly takes: (container: FitContainer) => boolean;
}

/** Between what is under a riser and its plate, so that it comes out. */
const UNDER_MM = 5;
/** A plate is square at the corners for this: so many steps around a quarter. */
const CIRCLE_STEPS = 4;
/** A strip in front of a surface that is at least so deep is used for what is lower than it. */
export const STRIP_MM = 90;

export const widthOf = (surface: Surface, { outer }: FitContainer): number =>
  surface.width ?? (surface.turned ? outer.depth : outer.width);

export function bearingsOf(
  { containers }: Pick<FitRequest, 'containers'>,
  surfaces: readonly Surface[],
): Bearing[] {
  return surfaces.flatMap((surface, index) => {
    const container = containers.find(({ id }) => id === surface.containerId);
    if (!container) return [];
    const { width, depth, height } = container.outer;
    return [
      {
        surface,
        index,
        container,
        width: widthOf(surface, container),
        depth: surface.turned ? width : depth,
        height,
      },
    ];
  });
}

/** Height of the ground of a surface above the floor on which it stands. */
export function groundOf(container: FitContainer): number {
  const { outer, innerHeight, plateHeight = 0 } = container;
  switch (roleOf(container)) {
    case 'riser':
      return outer.height;
    case 'turntable':
      return plateHeight;
    default:
      return Math.max(0, outer.height - innerHeight);
  }
}

/**
 * The levels of a bay in which these surfaces stand and these containers hang: on each surface, under each riser that
 * nothing can stand before, and the floor that is left, last. What lies behind a surface is not reached and belongs
 * to none.
 */
export function levelsOf(
  request: FitRequest,
  surfaces: readonly Surface[],
  hung: readonly Box[] = [],
): Level[] {
  const bearings = bearingsOf(request, surfaces);
  const obstacles = [...(request.bay.obstacles ?? []), ...hung];
  const upper = bearings.flatMap((bearing) => levelsOn(request, bearing, bearings, obstacles));
  return [
    ...upper.filter(({ width, depth, height }) => Math.min(width, depth, height) > 0),
    floorLevel(request, bearings, obstacles),
  ];
}

function levelsOn(
  request: FitRequest,
  bearing: Bearing,
  bearings: readonly Bearing[],
  obstacles: readonly Box[],
): Level[] {
  const { surface, index, container, width, depth } = bearing;
  const { bay, clearances } = request;
  const role = roleOf(container);
  const { y0, z1 } = clearOf(request);
  const ground = surface.z + groundOf(container);
  const above = bearings.find((other) => other.surface.on === index);
  const top = above ? above.surface.z - clearances.between : z1;
  const level = (box: Omit<Level, 'obstacles' | 'isFree' | 'mostG' | 'takes'> & Partial<Level>) => {
    const full: Level = {
      obstacles: cutOut(obstacles, box),
      isFree: false,
      mostG: container.topLoadG ?? container.maxLoadG ?? Infinity,
      takes: isOrdinary,
      ...box,
    };
    return full;
  };
  if (role === 'turntable') {
    const rim = container.rim ?? 0;
    const across = width - 2 * rim;
    const plate = {
      on: index,
      x: surface.x + rim,
      y: surface.y + rim,
      z: ground,
      width: across,
      depth: across,
      height: top - ground,
    };
    return [
      level({
        ...plate,
        isFree: true,
        obstacles: [...cornersOf(across, clearances.between), ...cutOut(obstacles, plate)],
      }),
    ];
  }
  if (role === 'riser') {
    const underHeight = container.underHeight ?? 0;
    const leg = Math.max(0, (container.outer.width - (container.underWidth ?? 0)) / 2);
    const onTop = level({
      on: index,
      x: surface.x,
      y: surface.y,
      z: ground,
      width,
      depth,
      height: top - ground,
    });
    const isAtFront = surface.y < y0 + STRIP_MM;
    if (!isAtFront || surface.z > 0) return [onTop];
    const aside = leg + clearances.between;
    const under = level({
      on: undefined,
      x: surface.x + aside,
      y: surface.y,
      z: surface.z,
      width: width - 2 * aside,
      depth,
      height: underHeight - Math.max(UNDER_MM, clearances.between),
      mostG: Infinity,
    });
    return [under, onTop];
  }
  // A box or a pull-out: what is inside it.
  const inside = insideOf(container);
  const isAcross = container.outer.width < container.outer.depth;
  const [innerWidth, innerDepth] = isAcross
    ? [inside.width, inside.depth]
    : [inside.depth, inside.width];
  const [w, d] = surface.turned ? [innerDepth, innerWidth] : [innerWidth, innerDepth];
  const isPullOut = role === 'pull-out';
  return [
    level({
      on: index,
      x: surface.x + (width - w) / 2,
      y: surface.y + (depth - d) / 2,
      z: ground,
      width: w,
      depth: isPullOut ? Math.min(d, Math.max(container.travel ?? 0, 0) + d / 2) : d,
      height: Math.min(
        isPullOut ? bay.height - ground - clearances.top : inside.height,
        top - ground,
      ),
      isFree: true,
      takes: isPullOut ? isOrdinary : (one) => roleOf(one) === 'insert',
    }),
  ];
}

const isOrdinary = (container: FitContainer): boolean => roleOf(container) !== 'insert';

/** The floor with all that stands on it or reaches down to it in the way. */
function floorLevel(
  request: FitRequest,
  bearings: readonly Bearing[],
  obstacles: readonly Box[],
): Level {
  const { bay, clearances } = request;
  const clear = clearOf(request);
  const taken = bearings
    .filter(({ surface }) => surface.on === undefined)
    .flatMap(({ surface, container, width, height }): Box[] => {
      const label = container.name;
      const isStrip =
        roleOf(container) === 'riser' && surface.y >= clear.y0 + STRIP_MM && surface.z === 0;
      const column = { label, x: surface.x, width };
      if (!isStrip) return [{ ...column, y: 0, depth: bay.depth, z: 0, height: bay.height }];
      // Before a riser at the back stands what hides nothing on it.
      return [
        { ...column, y: surface.y, depth: bay.depth - surface.y, z: 0, height: bay.height },
        {
          ...column,
          y: 0,
          depth: surface.y,
          z: height + clearances.between,
          height: bay.height - height,
        },
      ];
    });
  const box = {
    x: clear.x0,
    y: clear.y0,
    z: 0,
    width: clear.x1 - clear.x0,
    depth: clear.y1 - clear.y0,
    height: clear.z1,
  };
  return {
    ...box,
    on: undefined,
    obstacles: cutOut([...obstacles, ...taken], box),
    isFree: false,
    mostG: Infinity,
    takes: bay.pullOut === true ? () => true : isOrdinary,
  };
}

/** What of the boxes reaches into a room, seen from its corner; a gap around it counts as well. */
function cutOut(
  boxes: readonly Box[],
  room: Pick<Level, 'x' | 'y' | 'z' | 'width' | 'depth' | 'height'>,
): Box[] {
  return boxes.flatMap((box) => {
    const [x0, x1] = [box.x - room.x, box.x + box.width - room.x];
    const [y0, y1] = [box.y - room.y, box.y + box.depth - room.y];
    const [z0, z1] = [Math.max(0, box.z - room.z), box.z + box.height - room.z];
    const isNear =
      x1 > -NEAR_MM &&
      x0 < room.width + NEAR_MM &&
      y1 > -NEAR_MM &&
      y0 < room.depth + NEAR_MM &&
      z1 > 0 &&
      z0 < room.height + NEAR_MM;
    return isNear
      ? [{ label: box.label, x: x0, y: y0, z: z0, width: x1 - x0, depth: y1 - y0, height: z1 - z0 }]
      : [];
  });
}
/** More than any gap that is asked for. */
const NEAR_MM = 60;

/** What of a square lies outside its circle, in steps that no corner of a box inside can cross. */
function cornersOf(across: number, gap: number): Box[] {
  const radius = across / 2;
  const boxes: Box[] = [];
  const angleAt = (step: number): number => ((step / CIRCLE_STEPS) * Math.PI) / 4;
  for (let step = 1; step <= CIRCLE_STEPS; step += 1) {
    // As deep as the circle is away at the end of the step, as wide as it is at its beginning.
    const deep = radius * (1 - Math.cos(angleAt(step)));
    const wide = radius * (1 - Math.sin(angleAt(step - 1)));
    boxes.push(...cornersAt(wide, deep, across, gap), ...cornersAt(deep, wide, across, gap));
  }
  return boxes;
}
/** A box in each of the four corners, so wide and deep, less the gap that is kept to it anyway. */
function cornersAt(width: number, depth: number, across: number, gap: number): Box[] {
  const [w, d] = [width - gap, depth - gap];
  if (w <= 0 || d <= 0) return [];
  return [0, 1].flatMap((right) =>
    [0, 1].map((back) => ({
      label: '',
      x: right ? across - w : 0,
      y: back ? across - d : 0,
      z: 0,
      width: w,
      depth: d,
      height: TALL_MM,
    })),
  );
}
const TALL_MM = 1e5;

/**
 * One question in which the levels lie beside each other on one floor, so that whatever chooses and stands containers
 * on a floor does so on all levels at once; and the way back.
 *
 *   z ▲  ┌─ riser top ─┐┌─ floor ──────┐    Between two levels a wall; above each a ceiling at its height.
 *     │  │             ││              │    Each level keeps its own load and its own rules (`zones`).
 *     └──┴─────────────┴┴──────────────┴▶ x
 */
export function layOutLevels(
  request: FitQuestion,
  levels: readonly Level[],
): {
  readonly question: FitQuestion;
  /** Where a placement stands in the bay. */
  readonly back: (placement: Placement) => Placement;
} {
  const gap = request.clearances.between;
  const depth = Math.max(...levels.map((level) => level.depth));
  const height = Math.max(...levels.map((level) => level.height));
  const from: number[] = [];
  const obstacles: Box[] = [];
  const wall = { label: '', z: 0, height: TALL_MM };
  let x = 0;
  for (const level of levels) {
    from.push(x);
    if (x > 0)
      obstacles.push({ ...wall, x: x - gap - 1, y: -gap, width: 1, depth: depth + 2 * gap });
    const across = { x: x - gap, width: level.width + 2 * gap };
    if (level.depth < depth)
      obstacles.push({
        ...wall,
        ...across,
        y: level.depth + gap,
        depth: depth - level.depth + gap,
      });
    if (level.height < height)
      obstacles.push({
        ...across,
        label: '',
        y: -gap,
        depth: depth + 2 * gap,
        z: level.height + gap,
        height: TALL_MM,
      });
    for (const box of level.obstacles) {
      const left = Math.max(box.x, -gap);
      const right = Math.min(box.x + box.width, level.width + gap);
      if (right > left) obstacles.push({ ...box, x: x + left, width: right - left });
    }
    x += level.width + 2 * gap + 1;
  }
  const zones = levels.map((level, i): Zone => ({
    x0: from[i]!,
    x1: from[i]! + level.width,
    baseMm: level.z,
    shiftMm: level.x - from[i]!,
    mostG: level.mostG,
    isFree: level.isFree,
    takes: level.takes,
  }));
  const { bay } = request;
  return {
    question: {
      ...request,
      bay: {
        ...bay,
        width: Math.max(1, x - 2 * gap - 1),
        depth,
        height,
        openingWidth: bay.openingWidth ?? bay.width,
        openingHeight: bay.openingHeight ?? bay.height,
        obstacles,
      },
      clearances: { ...request.clearances, side: 0, front: 0, back: 0, top: 0 },
      containers: request.containers.filter(
        (container) =>
          !bearingRoles.has(roleOf(container)) &&
          !hangingRoles.has(roleOf(container)) &&
          levels.some(({ takes }) => takes(container)),
      ),
      zones,
    },
    back: (placement) => {
      const level = zones.findIndex(
        ({ x0, x1 }) => placement.x >= x0 - 1e-6 && placement.x <= x1 + 1e-6,
      );
      const to = levels[level]!;
      return {
        ...placement,
        x: round(placement.x - from[level]! + to.x),
        y: round(placement.y + to.y),
        z: round(placement.z + to.z),
        ...(to.on === undefined ? {} : { on: to.on }),
      };
    },
  };
}
const round = (mm: number): number => Math.round(mm * 1e6) / 1e6;
