import 'server-only';

import {
  drawFront,
  drawPlan,
  drawUnitPlan,
  findPlanClashes,
  toSvg,
  toSvgMarks,
  traceWalls,
  type Sketch,
} from '@/core/look';
import { type ArrangementRef, type Draft, drawPlaces } from '@/core/place';
import { formatLength, type LengthUnit, type RoomId, type UnitId } from '@/core/shared';
import type { Records } from '@/data/records';
import { draftsOf, groupsIn, resolveArrangement } from '../place/drafts';
import { escapeHtml as text, openPaper, PAPER_STYLE } from '../show/paper';

/** Scales at which drawings are made: a metre is 100 mm at 1:10 and 50 mm at 1:20. */
export type DrawingScale = 10 | 20;
type DrawingKind = 'plan' | 'front' | 'unit' | 'places';

export interface Drawing {
  readonly title: string;
  readonly sketches: readonly { readonly caption: string; readonly sketch: Sketch }[];
}

/** A thin line on paper, in mm; letters follow it. */
const PEN_ON_PAPER_MM = 0.26;

/**
 * What is drawn of a room: its plan, its units from the front, or one unit from the front and
 * above. Undefined where there is none.
 */
export function gatherDrawing(
  records: Records<'drafts' | 'fixtures' | 'groups' | 'project' | 'rooms' | 'things' | 'units'>,
  request: {
    readonly roomId: RoomId;
    readonly kind: DrawingKind;
    readonly unitId: UnitId | undefined;
    readonly scale: DrawingScale;
    /** Which arrangement, where places are drawn. */ readonly draft?: ArrangementRef | undefined;
  },
): Drawing | undefined {
  const room = records.rooms.find(({ id }) => id === request.roomId);
  const units = records.units.filter(({ roomId }) => roomId === request.roomId);
  if (!room) return undefined;
  const options = {
    measureUnit: records.project.units as LengthUnit,
    penMm: PEN_ON_PAPER_MM * request.scale,
  };
  if (request.kind === 'front')
    return units.length === 0
      ? undefined
      : {
          title: `${room.name}, from the front`,
          sketches: [{ caption: 'From the front', sketch: drawFront(units, options) }],
        };
  if (request.kind === 'places') {
    // A room may be drawn as a draft of the whole home has it.
    const scope =
      records.drafts.find(({ id }) => id === request.draft)?.roomId === null ? null : room.id;
    const arrangement = resolveArrangement(records, scope, request.draft ?? 'chosen');
    const chosen = draftsOf(records, scope).find(({ places }) => places === null);
    const ownName = arrangement === 'chosen' ? (chosen?.name ?? 'the plan') : undefined;
    const name =
      arrangement === 'today' ? 'as it is today' : (ownName ?? (arrangement as Draft).name);
    return units.length === 0
      ? undefined
      : {
          title: `${room.name}, ${name}`,
          sketches: [
            {
              caption: 'Where everything lives',
              sketch: drawPlaces({
                units,
                groups: groupsIn(records, scope, arrangement),
                things: records.things,
                ...options,
              }),
            },
          ],
        };
  }
  if (request.kind === 'unit') {
    const unit = units.find(({ id }) => id === request.unitId);
    return (
      unit && {
        title: `${room.name}, ${unit.name}`,
        sketches: [
          { caption: 'From the front', sketch: drawFront([unit], options) },
          { caption: 'From above', sketch: drawUnitPlan(unit, options) },
        ],
      }
    );
  }
  const outline = room.plan && traceWalls(room.plan);
  if (!outline?.ok) return undefined;
  const fixtures = records.fixtures.filter(({ roomId }) => roomId === room.id);
  const clashes = findPlanClashes({ outline: outline.value, units, fixtures, checks: room.checks });
  return {
    title: `${room.name}, from above`,
    sketches: [
      {
        caption: 'From above',
        sketch: drawPlan({
          outline: outline.value,
          units,
          fixtures,
          checks: room.checks,
          clashes,
          ...options,
        }),
      },
    ],
  };
}

/** One SVG file at its scale; a unit's two views stand one under the other. */
export function drawingSvg(drawing: Drawing, scale: DrawingScale): string {
  return toSvg(stack(drawing.sketches.map(({ sketch }) => sketch)), {
    scale,
    title: drawing.title,
  });
}

function stack(sketches: readonly Sketch[]): Sketch {
  const [first, ...others] = sketches;
  if (!first) throw new Error('invariant: a drawing has at least one sketch');
  return others.reduce((top, below) => {
    const [dx, dy] = [top.x - below.x, top.y + top.depth - below.y];
    const marks = below.marks.map((mark) => {
      if (mark.kind === 'line')
        return { ...mark, points: mark.points.map(({ x, y }) => ({ x: x + dx, y: y + dy })) };
      if (mark.kind !== 'sweep') return { ...mark, x: mark.x + dx, y: mark.y + dy };
      const move = ({ x, y }: { readonly x: number; readonly y: number }) => ({
        x: x + dx,
        y: y + dy,
      });
      return { ...mark, hinge: move(mark.hinge), shut: move(mark.shut), open: move(mark.open) };
    });
    return {
      ...top,
      width: Math.max(top.width, below.width),
      depth: top.depth + below.depth,
      marks: [...top.marks, ...marks],
    };
  }, first);
}

/** What fits on an A4 sheet inside its margins, in mm; sheets that belong together overlap a little. */
const SHEET_MM = { width: 182, height: 236, overlap: 8 } as const;

/**
 * Pages to print at 100 %: each drawing at its scale, cut into A4 sheets where it is larger, with a
 * bar to check the printer.
 */
export function drawingPages(
  drawing: Drawing,
  {
    scale,
    home,
    day,
    fontCss,
  }: {
    readonly scale: DrawingScale;
    readonly home: string;
    readonly day: string;
    readonly fontCss: string;
  },
): string {
  const sheets = drawing.sketches.flatMap(({ caption, sketch }) =>
    tilesOf(sketch, scale).map((tile, i, all) =>
      renderSheet({
        caption,
        sketch,
        scale,
        tile,
        note: all.length > 1 ? `, sheet ${i + 1} of ${all.length}` : '',
      }),
    ),
  );
  return `${openPaper({ title: `${drawing.title}, 1:${scale}`, style: `${fontCss}${PAPER_STYLE}${STYLE}`, home, day })}
<main><h1>${text(drawing.title)} <small>1:${scale}, print at 100 %</small></h1>${sheets.join('')}</main></body></html>`;
}

interface Tile {
  readonly x: number;
  readonly y: number;
  readonly widthMm: number;
  readonly heightMm: number;
}

/** The parts of a sketch that fit a sheet each, in paper mm from its corner. */
export function tilesOf(sketch: Sketch, scale: number): Tile[] {
  const [width, height] = [sketch.width / scale, sketch.depth / scale];
  const starts = (size: number, sheet: number) =>
    Array.from(
      { length: Math.max(1, Math.ceil((size - SHEET_MM.overlap) / (sheet - SHEET_MM.overlap))) },
      (_, i) => i * (sheet - SHEET_MM.overlap),
    );
  return starts(height, SHEET_MM.height).flatMap((y) =>
    starts(width, SHEET_MM.width).map((x) => ({
      x,
      y,
      widthMm: Math.min(SHEET_MM.width, width - x),
      heightMm: Math.min(SHEET_MM.height, height - y),
    })),
  );
}

function renderSheet({
  caption,
  sketch,
  scale,
  tile,
  note,
}: {
  readonly caption: string;
  readonly sketch: Sketch;
  readonly scale: number;
  readonly tile: Tile;
  readonly note: string;
}): string {
  const view = `${sketch.x + tile.x * scale} ${sketch.y + tile.y * scale} ${tile.widthMm * scale} ${tile.heightMm * scale}`;
  const bar = formatLength(500, 'cm');
  return `<figure class="sheet"><figcaption>${text(caption + note)}</figcaption>
<svg width="${tile.widthMm}mm" height="${tile.heightMm}mm" viewBox="${view}">${toSvgMarks(sketch)}</svg>
<div class="bar" style="width:${500 / scale}mm">${bar}</div></figure>`;
}

const STYLE = `
h1 small{font-size:14px;font-weight:400}
.sheet{margin:14px 0 0;break-inside:avoid;break-after:page}.sheet:last-child{break-after:auto}
svg{display:block;background:#fff}
.bar{border:1px solid #22201b;border-top:0;height:2.5mm;margin-top:3mm;font-size:11px;line-height:8mm}
@media print{h1{font-size:14pt}.sheet{margin:4px 0 0}}
`;
