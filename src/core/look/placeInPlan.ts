import { toLength, toTenthMm, type LengthUnit } from '../shared';
import type { WallPlace } from './model';
import type { Outline, Point, Rect, Wall } from './traceWalls';

/** The footprint of something with its back along a wall: `width` along it, `depth` into the room. */
export interface Footprint {
  readonly widthMm: number;
  readonly depthMm: number;
}

/** The rectangle that something takes in the plan. Undefined where the plan has no such wall. */
export function rectAt(outline: Outline, place: WallPlace, size: Footprint): Rect | undefined {
  const wall = outline.walls[place.wallIndex];
  return wall && rectOnWall(wall, { alongMm: place.along.mm, offMm: place.off.mm, ...size });
}

/** A rectangle that begins `alongMm` from the wall's first corner and `offMm` from the wall. */
export function rectOnWall(
  wall: Wall,
  {
    alongMm,
    offMm,
    widthMm,
    depthMm,
  }: Footprint & { readonly alongMm: number; readonly offMm: number },
): Rect {
  const corner = (along: number, off: number): Point => ({
    x: wall.from.x + wall.along.x * along + wall.inward.x * off,
    y: wall.from.y + wall.along.y * along + wall.inward.y * off,
  });
  const [a, b] = [corner(alongMm, offMm), corner(alongMm + widthMm, offMm + depthMm)];
  return {
    x: toTenthMm(Math.min(a.x, b.x)),
    y: toTenthMm(Math.min(a.y, b.y)),
    width: toTenthMm(Math.abs(b.x - a.x)),
    depth: toTenthMm(Math.abs(b.y - a.y)),
  };
}

/** Where a tape would say that something is: distances from its wall and from that wall's two corners. */
interface TapeDistances {
  readonly fromStartMm: number;
  readonly toEndMm: number;
  readonly offMm: number;
}
export const tapeDistancesOf = (wall: Wall, place: WallPlace, size: Footprint): TapeDistances => ({
  fromStartMm: place.along.mm,
  toEndMm: toTenthMm(wall.lengthMm - place.along.mm - size.widthMm),
  offMm: place.off.mm,
});

/** Closer than this, a dragged thing jumps to the wall, the corner, or its neighbour's side. */
const SNAP_MM = 70;
/** Hand and eye set things to whole centimetres. */
const STEP_MM = 10;

interface Snap {
  readonly outline: Outline;
  readonly size: Footprint;
  /** What stands there already. */
  readonly others: readonly Rect[];
  readonly unit: LengthUnit;
}

/**
 * The place for something whose middle is dropped at a point: its back to the nearest wall, on it
 * where it is near enough, and against a corner or a neighbour where one is near. Never past the wall's ends
 * where the wall is long enough.
 */
export function placeNear(point: Point, { outline, size, others, unit }: Snap): WallPlace {
  const candidates = outline.walls.map((wall) => {
    const fromStart =
      (point.x - wall.from.x) * wall.along.x + (point.y - wall.from.y) * wall.along.y;
    const off =
      (point.x - wall.from.x) * wall.inward.x +
      (point.y - wall.from.y) * wall.inward.y -
      size.depthMm / 2;
    const isBeside =
      fromStart >= 0 && fromStart <= wall.lengthMm && off > -size.depthMm / 2 - SNAP_MM;
    return {
      wall,
      alongMm: fromStart - size.widthMm / 2,
      offMm: off,
      rank: isBeside ? Math.abs(off) : Infinity,
    };
  });
  const nearest = candidates.reduce((best, next) => (next.rank < best.rank ? next : best));
  const offMm = nearest.offMm < SNAP_MM ? 0 : roundTo(nearest.offMm);
  const stops = stopsAlong(nearest.wall, { offMm, size, others });
  const near = stops
    .filter((stop) => Math.abs(stop - nearest.alongMm) < SNAP_MM)
    .sort((a, b) => Math.abs(a - nearest.alongMm) - Math.abs(b - nearest.alongMm))[0];
  return toPlace(nearest.wall, { alongMm: near ?? roundTo(nearest.alongMm), offMm }, size, unit);
}

/** Moves something by so much along its wall and off it; to the next wall where `walls` is given. */
export function shiftPlace(
  place: WallPlace,
  shift: { readonly alongMm?: number; readonly offMm?: number; readonly walls?: number },
  { outline, size, unit }: Omit<Snap, 'others'>,
): WallPlace {
  const count = outline.walls.length;
  const wallIndex = (((place.wallIndex + (shift.walls ?? 0)) % count) + count) % count;
  const wall = outline.walls[wallIndex];
  if (!wall) return place;
  return toPlace(
    wall,
    { alongMm: place.along.mm + (shift.alongMm ?? 0), offMm: place.off.mm + (shift.offMm ?? 0) },
    size,
    unit,
  );
}

/** Corners of the wall and sides of neighbours that stand in the same depth, as starts for this width. */
function stopsAlong(
  wall: Wall,
  {
    offMm,
    size,
    others,
  }: { readonly offMm: number; readonly size: Footprint; readonly others: readonly Rect[] },
): number[] {
  const band = rectOnWall(wall, {
    alongMm: 0,
    offMm,
    widthMm: wall.lengthMm,
    depthMm: size.depthMm,
  });
  const inBand = others.filter(
    (rect) =>
      rect.x < band.x + band.width &&
      band.x < rect.x + rect.width &&
      rect.y < band.y + band.depth &&
      band.y < rect.y + rect.depth,
  );
  const sides = inBand.flatMap((rect) => {
    const ends = [rect, { x: rect.x + rect.width, y: rect.y + rect.depth }].map(
      (corner) => (corner.x - wall.from.x) * wall.along.x + (corner.y - wall.from.y) * wall.along.y,
    );
    return [Math.max(...ends), Math.min(...ends) - size.widthMm];
  });
  return [0, wall.lengthMm - size.widthMm, ...sides];
}

function toPlace(
  wall: Wall,
  { alongMm, offMm }: { readonly alongMm: number; readonly offMm: number },
  size: Footprint,
  unit: LengthUnit,
): WallPlace {
  const along = Math.max(0, Math.min(alongMm, wall.lengthMm - size.widthMm));
  return {
    wallIndex: wall.wallIndex,
    along: toLength(along, unit),
    off: toLength(Math.max(0, offMm), unit),
  };
}

const roundTo = (mm: number): number => Math.round(mm / STEP_MM) * STEP_MM;

/**
 * The first place along the walls where something stands free, against a corner or a neighbour; the
 * first corner where there is none.
 */
export function firstFreePlace(
  { outline, size, others, unit }: Snap,
  isFree: (rect: Rect) => boolean,
): WallPlace {
  for (const wall of outline.walls) {
    const stops = stopsAlong(wall, { offMm: 0, size, others }).filter(
      (stop) => stop >= 0 && stop + size.widthMm <= wall.lengthMm + 0.5,
    );
    for (const alongMm of stops.sort((a, b) => a - b)) {
      if (isFree(rectOnWall(wall, { alongMm, offMm: 0, ...size })))
        return toPlace(wall, { alongMm, offMm: 0 }, size, unit);
    }
  }
  return { wallIndex: 0, along: toLength(0, unit), off: toLength(0, unit) };
}
