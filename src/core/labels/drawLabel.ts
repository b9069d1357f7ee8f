import { COLOUR_INKS, type MarkShape } from '../agree';
import { baselinesOf, waysToSet, type SetText } from './fitText';
import { BOTTOM_RATIO, textWidthMm } from './letters';
import type { LabelSpot } from './listLabels';
import { SHEET_GRIDS, TAG_MM, type LabelMedium, type SheetGrid } from './media';
import { nameLabels } from './nameLabels';
import { pictureStrokes } from './pictures';

/** A label as plain data in mm from its upper left corner; screen, SVG, PNG and PDF draw the same. */
export type LabelMark =
  | {
      readonly kind: 'text';
      /** Where it begins, and the line it stands on. */
      readonly x: number;
      readonly y: number;
      readonly sizeMm: number;
      readonly text: string;
    }
  | {
      readonly kind: 'strokes';
      readonly x: number;
      readonly y: number;
      readonly sizeMm: number;
      readonly d: string;
    }
  | {
      readonly kind: 'shape';
      readonly x: number;
      readonly y: number;
      readonly sizeMm: number;
      readonly d: string;
      readonly fill: string;
    };
export interface DrawnLabel {
  readonly key: string;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marks: readonly LabelMark[];
  readonly set: SetText;
}

/** What labels are made on, with its sizes. */
export interface LabelStock {
  readonly medium: LabelMedium;
  readonly gridId: string;
  readonly tapeMm: number;
}
export const gridOf = (id: string): SheetGrid =>
  SHEET_GRIDS.find((grid) => grid.id === id) ?? SHEET_GRIDS[0]!;

const PAD_MM = 2;
/** Of what is printed under the name: stock and the row behind. */
const NOTE_RATIO = 0.2;
const LEAST_NOTE_MM = 2;

/** In a box of 24 by 24. */
export const SHAPES: Readonly<Record<MarkShape, string>> = {
  circle: 'M12 2a10 10 0 1 0 .1 0z',
  square: 'M3 3h18v18H3z',
  triangle: 'M12 2l11 20H1z',
  diamond: 'M12 1l11 11-11 11L1 12z',
  star: 'M12 1l3 8h8l-6 5 2 9-7-5-7 5 2-9-6-5h8z',
  cross: 'M8 2h8v6h6v8h-6v6H8v-6H2V8h6z',
};

/** How large a label becomes on its medium; a sheet's cell may be larger than the side it goes to. */
export function labelSizeMm(
  spot: Pick<LabelSpot, 'widthMm' | 'heightMm'>,
  { medium, gridId, tapeMm }: LabelStock,
): { readonly widthMm: number; readonly heightMm: number; readonly isTooLarge: boolean } {
  if (medium === 'sheet') {
    const { cellMm } = gridOf(gridId);
    return {
      widthMm: cellMm.width,
      heightMm: cellMm.height,
      isTooLarge: cellMm.width > spot.widthMm + 1 || cellMm.height > spot.heightMm + 1,
    };
  }
  if (medium === 'tape')
    return {
      widthMm: spot.widthMm,
      heightMm: tapeMm,
      isTooLarge: tapeMm > spot.heightMm + 1,
    };
  if (medium === 'tags')
    return { widthMm: TAG_MM.width, heightMm: TAG_MM.height, isTooLarge: false };
  return { widthMm: spot.widthMm, heightMm: spot.heightMm, isTooLarge: false };
}

interface Boxes {
  readonly text: {
    readonly x: number;
    readonly y: number;
    readonly width: number;
    readonly height: number;
  };
  readonly marks: readonly LabelMark[];
  readonly note: { readonly text: string; readonly sizeMm: number; readonly y: number } | undefined;
  readonly second:
    { readonly text: string; readonly heightMm: number; readonly y: number } | undefined;
}

/** What stands beside and below the name, and what is left for the name. */
function boxesOf(spot: LabelSpot, stock: LabelStock): Boxes {
  const { widthMm, heightMm } = labelSizeMm(spot, stock);
  const isTag = stock.medium === 'tags';
  // A hole for the string.
  const top = isTag ? 14 : PAD_MM;
  let [x, y, width] = [PAD_MM, top, widthMm - 2 * PAD_MM];
  let height = heightMm - top - PAD_MM;
  const marks: LabelMark[] = [];
  const sideMm = isTag ? 18 : Math.min(height, widthMm / 4, 22);
  if (spot.picture) {
    marks.push({
      kind: 'strokes',
      x: isTag ? (widthMm - sideMm) / 2 : x,
      y: isTag ? y : y + (height - sideMm) / 2,
      sizeMm: sideMm,
      d: pictureStrokes(spot.picture),
    });
    if (isTag) {
      y += sideMm + PAD_MM;
      height -= sideMm + PAD_MM;
    } else {
      x += sideMm + PAD_MM;
      width -= sideMm + PAD_MM;
    }
  }
  if (spot.mark) {
    const markMm = Math.min(height, widthMm / 6, 10);
    marks.push({
      kind: 'shape',
      x: widthMm - PAD_MM - markMm,
      y: y + (height - markMm) / 2,
      sizeMm: markMm,
      d: SHAPES[spot.mark.shape],
      fill: COLOUR_INKS[spot.mark.colour],
    });
    width -= markMm + PAD_MM;
  }
  const noteText = notesOf(spot).join(', ');
  const noteMm = Math.max(LEAST_NOTE_MM, height * NOTE_RATIO);
  const hasNote = noteText !== '' && height > 3 * noteMm;
  const noteSize = hasNote
    ? Math.min(noteMm / 1.2, width / Math.max(0.001, textWidthMm(noteText, 1)))
    : 0;
  const note =
    hasNote && noteSize >= 1.4
      ? { text: noteText, sizeMm: noteSize, y: y + height - BOTTOM_RATIO * noteSize }
      : undefined;
  if (note) height -= noteMm;
  const secondMm = height * 0.3;
  const second =
    spot.second !== ''
      ? { text: spot.second, heightMm: secondMm, y: y + height - secondMm }
      : undefined;
  if (second) height -= secondMm;
  return { text: { x, y, width, height }, marks, note, second };
}

const notesOf = ({ stock, hides }: LabelSpot): string[] => [
  ...(stock ? [`${stock} stock`] : []),
  ...(hides.length > 0 ? [`behind: ${hides.join(', ')}`] : []),
];

/**
 * Draws a room's labels on a medium: each with its text in the fullest form that goes in and is read from where
 * one stands. `said` is on labels of the room that are made. `faults` are those whose name goes in at no size.
 */
export function drawLabels(
  spots: readonly LabelSpot[],
  stock: LabelStock,
  said: readonly string[] = [],
): { readonly drawn: readonly DrawnLabel[]; readonly faults: readonly string[] } {
  const boxes = spots.map((spot) => boxesOf(spot, stock));
  const named = nameLabels(
    spots.map(({ key, name, distanceMm }, i) => ({
      key,
      name,
      distanceMm,
      widthMm: boxes[i]!.text.width,
      heightMm: boxes[i]!.text.height,
    })),
    said,
  );
  return {
    drawn: named.flatMap((label, i) =>
      label.ok ? [draw(spots[i]!, { stock, box: boxes[i]!, set: label.set })] : [],
    ),
    faults: named.flatMap((label) => (label.ok ? [] : [label.key])),
  };
}

function draw(
  spot: LabelSpot,
  { stock, box, set }: { readonly stock: LabelStock; readonly box: Boxes; readonly set: SetText },
): DrawnLabel {
  const size = labelSizeMm(spot, stock);
  const widest = Math.max(...set.lines.map((line) => textWidthMm(line, set.sizeMm)));
  // Tape is cut where the text ends; everything else has its size.
  const spareMm = stock.medium === 'tape' ? Math.max(0, box.text.width - Math.max(widest, 10)) : 0;
  const middle = (lineMm: number): number => box.text.x + (box.text.width - spareMm - lineMm) / 2;
  const baselines = baselinesOf(set, box.text.height);
  const lines: LabelMark[] = set.lines.map((text, i) => ({
    kind: 'text',
    x: middle(textWidthMm(text, set.sizeMm)),
    y: box.text.y + baselines[i]!,
    sizeMm: set.sizeMm,
    text,
  }));
  const below: LabelMark[] = [];
  if (box.second) {
    const way = waysToSet(box.second.text, {
      widthMm: box.text.width - spareMm,
      heightMm: box.second.heightMm,
      distanceMm: spot.distanceMm,
    })[0];
    for (const [i, y] of way ? baselinesOf(way, box.second.heightMm).entries() : [])
      below.push({
        kind: 'text',
        x: middle(textWidthMm(way!.lines[i]!, way!.sizeMm)),
        y: box.second.y + y,
        sizeMm: way!.sizeMm,
        text: way!.lines[i]!,
      });
  }
  if (box.note) {
    const { text, sizeMm, y } = box.note;
    below.push({ kind: 'text', x: middle(textWidthMm(text, sizeMm)), y, sizeMm, text });
  }
  return {
    key: spot.key,
    widthMm: size.widthMm - spareMm,
    heightMm: size.heightMm,
    set,
    // A mark at the right end moves in with it.
    marks: [
      ...box.marks.map((mark) => (mark.kind === 'shape' ? { ...mark, x: mark.x - spareMm } : mark)),
      ...lines,
      ...below,
    ],
  };
}
