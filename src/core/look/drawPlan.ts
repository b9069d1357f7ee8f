import { fitLabel, formatLength, type LengthUnit } from '../shared';
import { placeAll, type PlacedFixture, type PlacedUnit, type PlanClash } from './findPlanClashes';
import type { Fixture, RoomCheck, Unit } from './model';
import { rectAt } from './placeInPlan';
import { dimension, type Mark, type Sketch } from './sketch';
import { rectsOverlap, type Outline, type Point, type Rect, type Wall } from './traceWalls';

interface PlanDrawing {
  readonly outline: Outline;
  readonly units: readonly Unit[];
  readonly fixtures: readonly Fixture[];
  readonly checks: readonly RoomCheck[];
  readonly clashes: readonly PlanClash[];
  readonly measureUnit: LengthUnit;
  readonly penMm: number;
}

const MARGIN_PENS = 58;
/** Dimensions of walls run this far outside; names of what is in a wall stand between. */
const DIMENSION_PENS = 36;

/**
 * A room from above, to scale: walls with their lengths, what is in them, clear spaces, units with
 * their ways, and what clashes.
 */
export function drawPlan(plan: PlanDrawing): Sketch {
  const { outline, penMm: pen } = plan;
  const placed = placeAll(outline, plan.units, plan.fixtures);
  const margin = MARGIN_PENS * pen;
  return {
    x: -margin,
    y: -margin,
    width: outline.widthMm + 2 * margin,
    depth: outline.depthMm + 2 * margin,
    penMm: pen,
    marks: [
      { kind: 'line', role: 'wall', points: outline.walls.map(({ from }) => from), isClosed: true },
      ...plan.checks.flatMap((check) => drawClearSpace(check, plan)),
      ...placed.fixtures.flatMap((fixture) => drawFixture(fixture, pen)),
      ...placed.units.flatMap((unit) => drawUnit(unit)),
      ...plan.clashes.map(({ rect }): Mark => ({
        kind: 'rect',
        role: 'clash',
        ...atLeast(rect, 6 * pen),
      })),
      // Names come last, so that nothing hides them.
      ...plan.checks.flatMap((check) => nameClearSpace(check, plan)),
      ...placed.units.flatMap(({ rect, unit }) => nameIn(rect, unit.name, 'name', pen)),
      ...placed.fixtures.flatMap((fixture) =>
        nameFixture(
          fixture,
          placed.units.some(({ rect }) => rectsOverlap(rect, fixture.rect)),
          pen,
        ),
      ),
      ...outline.walls.flatMap((wall) => wallDimension(wall, plan.measureUnit, pen)),
    ],
  };
}

/** A clash along a line still has to be seen. */
const atLeast = (rect: Rect, mm: number): Rect => ({
  ...rect,
  width: Math.max(rect.width, mm),
  depth: Math.max(rect.depth, mm),
});

/** The wall's length, outside the room. */
function wallDimension(wall: Wall, measureUnit: LengthUnit, pen: number): Mark[] {
  const out = -DIMENSION_PENS * pen;
  const shift = ({ x, y }: Point): Point => ({
    x: x + wall.inward.x * out,
    y: y + wall.inward.y * out,
  });
  const label = fitLabel(formatLength(wall.lengthMm, measureUnit), wall.lengthMm, 12 * pen);
  const [from, to] = [shift(wall.from), shift(wall.to)];
  const isForward = from.x < to.x || from.y < to.y;
  // Measures stand on the far side of their line, away from the names beside the wall.
  return dimension(
    isForward ? from : to,
    isForward ? to : from,
    label,
    pen,
    wall.inward.x > 0 ? 'left' : 'right',
  );
}

function drawUnit({ unit, rect, leaves, pullOut }: PlacedUnit): Mark[] {
  const isHigh = unit.floorGap.mm > 1200;
  return [
    ...leaves.map(({ hinge, square, radiusMm }): Mark => ({
      kind: 'sweep',
      role: 'path',
      hinge,
      ...leafEnds(hinge, square, radiusMm, rect),
    })),
    ...(pullOut ? [{ kind: 'rect', role: 'path', ...pullOut } as const] : []),
    { kind: 'rect', role: isHigh ? 'path' : 'unit', ...rect, title: unit.name },
  ];
}

/** Shut, a leaf lies along the front it belongs to; open, it stands out from it. */
function leafEnds(
  hinge: Point,
  square: Rect,
  radiusMm: number,
  front: Rect,
): { readonly shut: Point; readonly open: Point } {
  const far = {
    x: Math.abs(square.x - hinge.x) < 1 ? hinge.x + radiusMm : hinge.x - radiusMm,
    y: Math.abs(square.y - hinge.y) < 1 ? hinge.y + radiusMm : hinge.y - radiusMm,
  };
  const isFrontAcross =
    Math.abs(hinge.y - front.y) < 1 || Math.abs(hinge.y - front.y - front.depth) < 1;
  const onSide = Math.abs(hinge.x - front.x) < 1 || Math.abs(hinge.x - front.x - front.width) < 1;
  const across = { shut: { x: far.x, y: hinge.y }, open: { x: hinge.x, y: far.y } };
  const upright = { shut: { x: hinge.x, y: far.y }, open: { x: far.x, y: hinge.y } };
  // At a corner both would do; the square lies off the front, which tells them apart.
  const liesBelowOrAbove =
    square.y >= front.y + front.depth - 1 || square.y + square.depth <= front.y + 1;
  return isFrontAcross && (!onSide || liesBelowOrAbove) ? across : upright;
}

function drawFixture({ fixture, rect, wall, leaf }: PlacedFixture, pen: number): Mark[] {
  const onWall = thicken(rect, wall, 5 * pen);
  if (fixture.kind === 'door') {
    const isUpright = wall.along.x === 0;
    const swing: Mark[] = leaf
      ? [
          {
            kind: 'sweep',
            role: 'door',
            hinge: leaf.hinge,
            ...leafEnds(
              leaf.hinge,
              leaf.square,
              leaf.radiusMm,
              isUpright ? { ...rect, width: 0 } : { ...rect, depth: 0 },
            ),
          },
        ]
      : [];
    return [{ kind: 'rect', role: 'window', ...onWall, title: fixture.name }, ...swing];
  }
  if (fixture.kind === 'window')
    return [{ kind: 'rect', role: 'window', ...onWall, title: fixture.name }];
  if (fixture.depth.mm > 0)
    return [
      {
        kind: 'rect',
        role: fixture.kind === 'station' ? 'station' : 'fixture',
        ...rect,
        title: fixture.name,
      },
    ];
  return [{ kind: 'rect', role: 'fixture', ...onWall, title: fixture.name }];
}

/** What lies in a wall is drawn as thick as the wall. */
function thicken(rect: Rect, wall: Wall, mm: number): Rect {
  return wall.along.x === 0
    ? { ...rect, x: rect.x - mm / 2, width: mm }
    : { ...rect, y: rect.y - mm / 2, depth: mm };
}

/**
 * What stands in the room carries its name; what is in a wall, or too thin for it, has it outside
 * the wall.
 */
function nameFixture(
  { fixture, rect, wall }: PlacedFixture,
  isShared: boolean,
  pen: number,
): Mark[] {
  // A bed with boxes under it: the boxes' name is in the middle, the bed's above it.
  const room = isShared ? { ...rect, depth: rect.depth - 40 * pen } : rect;
  const inside = fixture.depth.mm > 0 ? nameIn(room, fixture.name, 'note', pen) : [];
  if (inside.length > 0) return inside;
  const isUpright = wall.along.x === 0;
  const off = { near: -10 * pen, far: -19 * pen };
  const edge = isUpright ? wall.from.x : wall.from.y;
  // What stands out from the wall, but too little to be written on, is named on its room side.
  if (fixture.depth.mm > 0) {
    const beyond = fixture.depth.mm + 6 * pen;
    const ahead = (isUpright ? wall.inward.x : wall.inward.y) > 0 ? beyond + 9 * pen : -beyond;
    const spot = isUpright
      ? { x: edge + ahead, y: rect.y + rect.depth / 2 }
      : { x: rect.x + rect.width / 2, y: edge + ahead };
    return [
      {
        kind: 'text',
        role: 'note',
        text: fixture.name,
        pens: 12,
        anchor: 'middle',
        isTurned: isUpright,
        ...spot,
      },
    ];
  }
  // Letters stand on their baseline: below and right of a wall they need their own height more.
  const shift = (isUpright ? wall.inward.x : wall.inward.y) > 0 ? off.near : -off.far;
  const at = isUpright
    ? { x: edge + shift, y: rect.y + rect.depth / 2 }
    : { x: rect.x + rect.width / 2, y: edge + shift };
  return [
    {
      kind: 'text',
      role: 'note',
      text: fitLabel(
        fixture.name,
        Math.max(110 * pen, isUpright ? rect.depth : rect.width),
        12 * pen,
      ),
      pens: 12,
      anchor: 'middle',
      isTurned: isUpright,
      ...at,
    },
  ];
}

/** Where a clear space was put on the floor. */
const clearRect = ({ clear }: RoomCheck, outline: Outline): Rect | undefined =>
  clear?.place && clear.surface === 'floor'
    ? rectAt(outline, clear.place, { widthMm: clear.width.mm, depthMm: clear.depth.mm })
    : undefined;

function drawClearSpace(check: RoomCheck, { outline }: PlanDrawing): Mark[] {
  const rect = clearRect(check, outline);
  return rect ? [{ kind: 'rect', role: 'clear', ...rect, title: check.text }] : [];
}

function nameClearSpace(
  check: RoomCheck,
  { outline, penMm: pen, measureUnit }: PlanDrawing,
): Mark[] {
  const { clear } = check;
  const rect = clearRect(check, outline);
  if (!clear || !rect) return [];
  const size = `${formatLength(clear.width.mm, measureUnit).replace(/ \w+$/, '')} × ${formatLength(clear.depth.mm, measureUnit)}`;
  return [
    {
      kind: 'text',
      role: 'note',
      x: rect.x + rect.width / 2,
      y: rect.y + rect.depth - 8 * pen,
      text: fitLabel(size, rect.width - 4 * pen, 12 * pen),
      pens: 12,
      anchor: 'middle',
    },
  ];
}

/** A name in the middle of its rectangle; along the longer side where that shows more of it. */
function nameIn(rect: Rect, name: string, role: 'name' | 'note', pen: number): Mark[] {
  const isTurned = rect.depth > rect.width * 1.5;
  const text = fitLabel(name, (isTurned ? rect.depth : rect.width) - 10 * pen, 13 * pen);
  const across = isTurned ? rect.width : rect.depth;
  if (text === '' || across < 15 * pen) return [];
  const middle = {
    x: rect.x + rect.width / 2 + (isTurned ? 4.5 * pen : 0),
    y: rect.y + rect.depth / 2 + (isTurned ? 0 : 4.5 * pen),
  };
  return [{ kind: 'text', role, ...middle, text, pens: 13, anchor: 'middle', isTurned }];
}
