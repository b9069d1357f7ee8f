import { fitLabel, formatLength, formatLitres, smallestMm, type LengthUnit } from '../shared';
import { arrangeFront, type FrontUnit } from './arrangeFront';
import { askewMeasuresOf, bayInsideOf, usableLitresOf, type BayFront } from './layOutUnit';
import type { Bay, Unit } from './model';
import { dimension, type Mark, type Role, type Sketch } from './sketch';
import type { Rect } from './traceWalls';

interface DrawOptions {
  readonly measureUnit: LengthUnit;
  /** Width of a thin line in drawing mm; see Sketch. */
  readonly penMm: number;
}

const LINE_PENS = 16;

/**
 * What is drawn inside a bay instead of its measures. `rect` is where it stands on the page, in
 * drawing mm.
 */
type FillBay = (bay: Bay, rect: Rect) => readonly Mark[];

/**
 * A room's units from the front on one floor line, with their dimensions. Heights count up from the
 * floor at y = 0.
 */
export function drawFront(units: readonly Unit[], options: DrawOptions, fillBay?: FillBay): Sketch {
  const view = arrangeFront(units);
  const pen = options.penMm;
  const marks = view.units.flatMap((front) => {
    const unit = units.find(({ id }) => id === front.unitId);
    return unit
      ? drawUnitFront(unit, front, { ...options, isAlone: units.length === 1 }, fillBay)
      : [];
  });
  const floor: Mark = {
    kind: 'line',
    role: 'floor',
    points: [
      { x: -10 * pen, y: 0 },
      { x: view.widthMm + 26 * pen, y: 0 },
    ],
  };
  return {
    x: -14 * pen,
    y: -view.heightMm - 16 * pen,
    width: view.widthMm + 60 * pen,
    depth: view.heightMm + 70 * pen,
    penMm: pen,
    marks: [...marks, floor],
  };
}

function drawUnitFront(
  unit: Unit,
  front: FrontUnit,
  { isAlone, ...options }: DrawOptions & { readonly isAlone: boolean },
  fillBay?: FillBay,
): Mark[] {
  const pen = options.penMm;
  const x = front.xMm;
  const top = -(unit.floorGap.mm + unit.height.mm);
  const bays = front.layout.bays.flatMap((bayFront) => {
    const bay = unit.bays.find(({ id }) => id === bayFront.bayId);
    return bay
      ? drawBayFront(bay, bayFront, x, { ...options, ...(fillBay ? { fillBay } : {}) })
      : [];
  });
  const width = fitLabel(
    formatLength(unit.width.mm, options.measureUnit),
    unit.width.mm + 10 * pen,
    12 * pen,
  );
  return [
    { kind: 'rect', role: 'unit', x, y: top, width: unit.width.mm, depth: unit.height.mm },
    ...bays,
    ...dimension({ x, y: 20 * pen }, { x: x + unit.width.mm, y: 20 * pen }, width, pen),
    ...dimension(
      { x: x + unit.width.mm + 10 * pen, y: top },
      { x: x + unit.width.mm + 10 * pen, y: top + unit.height.mm },
      formatLength(unit.height.mm, options.measureUnit),
      pen,
    ),
    {
      kind: 'text',
      role: 'name',
      x: x + unit.width.mm / 2,
      y: 46 * pen,
      text: fitLabel(
        unit.name,
        isAlone ? Math.max(unit.width.mm, 90 * pen) : unit.width.mm + 22 * pen,
        13 * pen,
      ),
      pens: 13,
      anchor: 'middle',
    },
  ];
}

function drawBayFront(
  bay: Bay,
  front: BayFront,
  unitX: number,
  { measureUnit, penMm: pen, fillBay }: DrawOptions & { readonly fillBay?: FillBay },
): Mark[] {
  const rect = {
    x: unitX + front.xMm,
    y: -(front.zMm + front.heightMm),
    width: front.widthMm,
    depth: front.heightMm,
  };
  if (fillBay && !bay.outOfScope)
    return [{ kind: 'rect', role: bayRole(bay), ...rect, title: bay.name }, ...fillBay(bay, rect)];
  const sizes = bayMeasureWords(bay, measureUnit);
  const size = sizes[0] ?? '';
  const room = rect.width - 14 * pen;
  const lines: {
    readonly text: string;
    readonly role: 'name' | 'measure' | 'note';
    readonly pens: number;
  }[] = [
    { text: fitLabel(bay.name, room, 13 * pen), role: 'name' as const, pens: 13 },
    { text: firstThatFits(sizes, room, 13 * pen), role: 'measure' as const, pens: 12 },
    {
      text: fitLabel(noteOfBay(bay), room, 12.5 * pen),
      role: 'note' as const,
      pens: 12.5,
    },
  ].slice(0, Math.max(1, Math.floor((rect.depth / pen - 4) / LINE_PENS)));
  // Where something stands in the bay, its labels keep to the foot of it.
  const firstY =
    bay.obstacles.length > 0
      ? rect.y + rect.depth - ((lines.length - 1) * LINE_PENS + 7) * pen
      : rect.y + rect.depth / 2 - ((lines.length - 1) * (LINE_PENS / 2) - 4.5) * pen;
  return [
    {
      kind: 'rect',
      role: bayRole(bay),
      ...rect,
      title: `${bay.name}: ${size} inside${askewMeasuresOf(bay).length > 0 ? '; readings differ' : ''}`,
    },
    ...bay.obstacles.map((box): Mark => ({
      kind: 'rect',
      role: 'obstacle',
      x: rect.x + box.x,
      y: rect.y + rect.depth - box.z - box.height,
      width: box.width,
      depth: box.height,
      title: box.label,
    })),
    ...lines.map((line, i): Mark => ({
      kind: 'text',
      x: rect.x + rect.width / 2,
      y: firstY + i * LINE_PENS * pen,
      anchor: 'middle',
      ...line,
    })),
  ];
}

function bayRole(bay: Bay): Role {
  if (bay.outOfScope) return 'bay-out';
  if (askewMeasuresOf(bay).length > 0) return 'bay-askew';
  return bay.isUsual ? 'bay-usual' : 'bay';
}

/** `79.8 × 36.5 × 36.51 cm`: width, height, depth, the unit said once; and shorter ways to say it. */
function bayMeasureWords(bay: Bay, measureUnit: LengthUnit): readonly string[] {
  const inside = bayInsideOf(bay);
  const [width, height, depth] = [inside.widthMm, inside.heightMm, inside.depthMm].map((mm) =>
    formatLength(mm, measureUnit),
  );
  const across = `${width?.replace(/ \w+$/, '')} × ${height?.replace(/ \w+$/, '')}`;
  return [`${across} × ${depth}`, `${across} × ${depth?.replace(/ \w+$/, '')}`, across];
}

const firstThatFits = (texts: readonly string[], widthMm: number, sizeMm: number): string =>
  texts.find((text) => fitLabel(text, widthMm, sizeMm) === text) ??
  fitLabel(texts.at(-1) ?? '', widthMm, sizeMm);

/**
 * A unit from above: the outline, the inside of each column at its deepest, obstacles, leaves and drawers.
 * The wall is at the top, the front at the bottom of the page.
 */
export function drawUnitPlan(unit: Unit, { measureUnit, penMm: pen }: DrawOptions): Sketch {
  const view = arrangeFront([unit]).units[0];
  const [width, depth] = [unit.width.mm, unit.depth.mm];
  const columns = [...new Set(unit.bays.map(({ columnIndex }) => columnIndex))].map(
    (columnIndex) => {
      const bays = unit.bays.filter((bay) => bay.columnIndex === columnIndex);
      return {
        bays,
        deepest: bays.reduce((a, b) =>
          smallestMm(b.depthReadings) > smallestMm(a.depthReadings) ? b : a,
        ),
      };
    },
  );
  const insides = columns.flatMap(({ bays, deepest }): Mark[] => {
    const front = view?.layout.bays.find(({ bayId }) => bayId === deepest.id);
    if (!front) return [];
    // Obstacles count from the front left corner of their bay; the back is toward the wall, at the top.
    const frontY = (depth + front.depthMm) / 2;
    const rect = {
      x: front.xMm,
      y: frontY - front.depthMm,
      width: front.widthMm,
      depth: front.depthMm,
    };
    const obstacles = bays
      .flatMap((bay) => bay.obstacles)
      .map((box): Mark => ({
        kind: 'rect',
        role: 'obstacle',
        x: rect.x + box.x,
        y: frontY - box.y - box.depth,
        width: box.width,
        depth: box.depth,
        title: box.label,
      }));
    const label = fitLabel(
      `${formatLength(front.depthMm, measureUnit)} deep`,
      rect.width - 10 * pen,
      12 * pen,
    );
    return [
      { kind: 'rect', role: 'bay', ...rect },
      ...obstacles,
      {
        kind: 'text',
        role: 'measure',
        x: rect.x + rect.width / 2,
        y: rect.y + rect.depth - 8 * pen,
        text: label,
        pens: 12,
        anchor: 'middle',
      },
    ];
  });
  const ways = drawWays(unit, pen);
  const reachMm = ways.reachMm;
  return {
    x: -12 * pen,
    y: -28 * pen,
    width: width + 54 * pen,
    depth: depth + reachMm + 40 * pen,
    penMm: pen,
    marks: [
      { kind: 'rect', role: 'unit', x: 0, y: 0, width, depth },
      ...insides,
      ...ways.marks,
      {
        kind: 'line',
        role: 'floor',
        points: [
          { x: -8 * pen, y: 0 },
          { x: width + 8 * pen, y: 0 },
        ],
      },
      ...dimension(
        { x: 0, y: -12 * pen },
        { x: width, y: -12 * pen },
        formatLength(width, measureUnit),
        pen,
      ),
      ...dimension(
        { x: width + 12 * pen, y: 0 },
        { x: width + 12 * pen, y: depth },
        formatLength(depth, measureUnit),
        pen,
      ),
    ],
  };
}

/** The ways of a unit's leaves and drawers before its front. */
function drawWays(
  unit: Unit,
  pen: number,
): { readonly marks: readonly Mark[]; readonly reachMm: number } {
  const [width, front] = [unit.width.mm, unit.depth.mm];
  const sweep = (hingeX: number, shutX: number): Mark => ({
    kind: 'sweep',
    role: 'path',
    hinge: { x: hingeX, y: front },
    shut: { x: shutX, y: front },
    open: { x: hingeX, y: front + Math.abs(shutX - hingeX) },
  });
  const leaves: Readonly<Record<Unit['door'], readonly Mark[]>> = {
    none: [],
    slides: [],
    left: [sweep(0, width)],
    right: [sweep(width, 0)],
    pair: [sweep(0, width / 2), sweep(width, width / 2)],
  };
  const leafMm = leafMmOf(unit.door, width);
  const drawerMm = Math.max(
    0,
    ...unit.bays
      .filter(({ pullOut }) => pullOut)
      .map(({ depthReadings }) => smallestMm(depthReadings)),
  );
  const drawer: Mark[] =
    drawerMm > 0 ? [{ kind: 'rect', role: 'path', x: 0, y: front, width, depth: drawerMm }] : [];
  return { marks: [...leaves[unit.door], ...drawer], reachMm: Math.max(leafMm, drawerMm, 4 * pen) };
}

function noteOfBay(bay: Bay): string {
  if (bay.outOfScope) return 'not in scope';
  return bay.isUsual ? 'not measured yet' : formatLitres(usableLitresOf(bay));
}

/** How far a door swings out: each of a pair half of the width. */
function leafMmOf(door: Unit['door'], width: number): number {
  if (door === 'pair') return width / 2;
  return door === 'left' || door === 'right' ? width : 0;
}
