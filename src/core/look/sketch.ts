import type { Point, Rect } from './traceWalls';

/**
 * A drawing to scale as plain data, in mm: the screen, SVG files and paper draw the same one. `pen` is the
 * width of a thin line in drawing mm; everything that does not belong to the scale is sized by it.
 */
export interface Sketch extends Rect {
  readonly penMm: number;
  readonly marks: readonly Mark[];
}

export type Role =
  | 'wall'
  | 'door'
  | 'window'
  | 'fixture'
  | 'station'
  | 'unit'
  | 'bay'
  | 'bay-usual'
  | 'bay-out'
  | 'bay-askew'
  | 'obstacle'
  | 'path'
  | 'clear'
  | 'clash'
  | 'dimension'
  | 'floor'
  | 'shelf'
  | 'level'
  | 'level-over'
  | 'tag'
  | 'tag-comes'
  | 'tag-leaves';
type TextRole = 'name' | 'measure' | 'note' | 'question';

export type Mark =
  | ({ readonly kind: 'rect'; readonly role: Role; readonly title?: string } & Rect)
  | {
      readonly kind: 'line';
      readonly role: Role;
      readonly points: readonly Point[];
      readonly isClosed?: boolean;
    }
  /** The way of a leaf: from its hinge to one end, round to the other, and back. */
  | {
      readonly kind: 'sweep';
      readonly role: Role;
      readonly hinge: Point;
      readonly shut: Point;
      readonly open: Point;
    }
  | {
      readonly kind: 'text';
      readonly role: TextRole;
      readonly x: number;
      readonly y: number;
      readonly text: string;
      readonly pens: number;
      readonly anchor: 'start' | 'middle' | 'end';
      readonly isTurned?: boolean;
    };

interface Ink {
  readonly fill: string;
  readonly stroke: string;
  readonly pens: number;
  readonly dashPens?: readonly number[];
}

const INK = '#22201b';
const SOFT = '#514b3f';
const RIM = '#23407a';
const SIGNAL = '#c8641b';

const INKS: Readonly<Record<Role, Ink>> = {
  wall: { fill: '#fffdf8', stroke: INK, pens: 4 },
  door: { fill: 'none', stroke: INK, pens: 1.2 },
  window: { fill: '#fffdf8', stroke: INK, pens: 1.2 },
  fixture: { fill: '#e8e1d2', stroke: INK, pens: 1.2 },
  station: { fill: '#f0e9da', stroke: SOFT, pens: 1.2 },
  unit: { fill: '#f0e9da', stroke: INK, pens: 1.6 },
  bay: { fill: '#fffdf8', stroke: INK, pens: 1.2 },
  'bay-usual': { fill: '#fffdf8', stroke: SIGNAL, pens: 1.4, dashPens: [2, 3] },
  'bay-out': { fill: 'none', stroke: INK, pens: 1.2, dashPens: [5, 5] },
  'bay-askew': { fill: '#fffdf8', stroke: SIGNAL, pens: 2.4 },
  obstacle: { fill: '#e8e1d2', stroke: SOFT, pens: 1, dashPens: [4, 3] },
  path: { fill: 'none', stroke: SOFT, pens: 1, dashPens: [4, 4] },
  clear: { fill: '#e3e8f1', stroke: RIM, pens: 1.4, dashPens: [7, 4] },
  clash: { fill: '#fbe7d3', stroke: SIGNAL, pens: 2 },
  dimension: { fill: 'none', stroke: SOFT, pens: 1 },
  floor: { fill: 'none', stroke: INK, pens: 3 },
  shelf: { fill: 'none', stroke: SOFT, pens: 1 },
  level: { fill: '#dfe5f0', stroke: 'none', pens: 0 },
  'level-over': { fill: '#f7d9bd', stroke: 'none', pens: 0 },
  tag: { fill: '#ecd9b0', stroke: '#c5a96b', pens: 1 },
  'tag-comes': { fill: '#fbf8f1', stroke: RIM, pens: 1.4, dashPens: [4, 2.5] },
  'tag-leaves': { fill: 'none', stroke: SOFT, pens: 1, dashPens: [2, 2] },
};
const TEXT_INKS: Readonly<
  Record<
    TextRole,
    { readonly fill: string; readonly family: 'text' | 'mono'; readonly weight: number }
  >
> = {
  name: { fill: INK, family: 'text', weight: 650 },
  measure: { fill: SOFT, family: 'mono', weight: 400 },
  note: { fill: SOFT, family: 'text', weight: 400 },
  question: { fill: '#7c3907', family: 'text', weight: 650 },
};

export const inkOf = (role: Role): Ink => INKS[role];
export const textInkOf = (role: TextRole) => TEXT_INKS[role];

/** The way of a leaf as an SVG path. */
export function sweepPath({ hinge, shut, open }: Extract<Mark, { kind: 'sweep' }>): string {
  const radius = Math.hypot(shut.x - hinge.x, shut.y - hinge.y);
  // Whether the leaf turns clockwise on the page, where y runs down.
  const isClockwise =
    (shut.x - hinge.x) * (open.y - hinge.y) - (shut.y - hinge.y) * (open.x - hinge.x) > 0;
  return `M${hinge.x} ${hinge.y}L${open.x} ${open.y}A${radius} ${radius} 0 0 ${isClockwise ? 0 : 1} ${shut.x} ${shut.y}`;
}

/**
 * A dimension as joiners write it: ticks at both ends, the measure over the line, or beside one
 * that stands, on the side that is said.
 */
export function dimension(
  from: Point,
  to: Point,
  label: string,
  penMm: number,
  side: 'right' | 'left' = 'right',
): Mark[] {
  const isUpright = from.x === to.x;
  const tick = 5 * penMm;
  const tickAt = ({ x, y }: Point): Mark => ({
    kind: 'line',
    role: 'dimension',
    points: isUpright
      ? [
          { x: x - tick, y },
          { x: x + tick, y },
        ]
      : [
          { x, y: y - tick },
          { x, y: y + tick },
        ],
  });
  const middle = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  return [
    tickAt(from),
    tickAt(to),
    { kind: 'line', role: 'dimension', points: [from, to] },
    isUpright
      ? {
          kind: 'text',
          role: 'measure',
          x: middle.x + (side === 'right' ? 14 : -5) * penMm,
          y: middle.y,
          text: label,
          pens: 12,
          anchor: 'middle',
          isTurned: true,
        }
      : {
          kind: 'text',
          role: 'measure',
          x: middle.x,
          y: middle.y - 4 * penMm,
          text: label,
          pens: 12,
          anchor: 'middle',
        },
  ];
}

const FAMILIES = {
  text: "'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', Verdana, sans-serif",
  mono: "'Atkinson Hyperlegible Mono', 'Courier New', monospace",
} as const;
const escapeXml = (text: string): string =>
  text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
const round = (mm: number): number => Math.round(mm * 100) / 100;

/** Writes a sketch as an SVG file of its real size divided by `scale`: at 20, a metre is 50 mm on paper. */
export function toSvg(
  sketch: Sketch,
  { scale, title }: { readonly scale: number; readonly title: string },
): string {
  const size =
    `width="${round(sketch.width / scale)}mm" height="${round(sketch.depth / scale)}mm" viewBox="` +
    `${round(sketch.x)} ${round(sketch.y)} ${round(sketch.width)} ${round(sketch.depth)}"`;
  return `<svg xmlns="http://www.w3.org/2000/svg" ${size}><title>${escapeXml(`${title}, 1:${scale}`)}</title>${toSvgMarks(sketch)}</svg>`;
}

/** The marks alone, for an SVG that shows a part of the sketch. */
export const toSvgMarks = (sketch: Sketch): string =>
  sketch.marks.map((mark) => markToSvg(mark, sketch.penMm)).join('');

function markToSvg(mark: Mark, penMm: number): string {
  if (mark.kind === 'text') {
    const ink = textInkOf(mark.role);
    const turn = mark.isTurned ? ` transform="rotate(-90 ${round(mark.x)} ${round(mark.y)})"` : '';
    return (
      `<text x="${round(mark.x)}" y="${round(mark.y)}" font-family="${FAMILIES[ink.family]}" ` +
      `font-size="${round(mark.pens * penMm)}" font-weight="${ink.weight}" fill="${ink.fill}" ` +
      `stroke="#fffdf8" stroke-width="${round(3 * penMm)}" stroke-linejoin="round" ` +
      `paint-order="stroke" text-anchor="${mark.anchor}"${turn}>${escapeXml(mark.text)}</text>`
    );
  }
  const ink = inkOf(mark.role);
  const dash = ink.dashPens
    ? ` stroke-dasharray="${ink.dashPens.map((pens) => round(pens * penMm)).join(' ')}"`
    : '';
  const paint = `fill="${ink.fill}" stroke="${ink.stroke}" stroke-width="${round(ink.pens * penMm)}"${dash}`;
  if (mark.kind === 'rect') {
    const title = mark.title === undefined ? '' : `<title>${escapeXml(mark.title)}</title>`;
    return (
      `<rect x="${round(mark.x)}" y="${round(mark.y)}" width="${round(mark.width)}" height="` +
      `${round(mark.depth)}" ${paint}>${title}</rect>`
    );
  }
  if (mark.kind === 'sweep') return `<path d="${sweepPath(mark)}" ${paint}/>`;
  return (
    '<path d="' +
    `${mark.points.map(({ x, y }, i) => `${i === 0 ? 'M' : 'L'}${round(x)} ${round(y)}`).join('')}` +
    `${mark.isClosed ? 'Z' : ''}" ${paint}/>`
  );
}
