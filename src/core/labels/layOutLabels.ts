import { gridOf, type DrawnLabel, type LabelStock } from './drawLabel';
import { CUT_GAP_MM, fillSheets, tapeLengthMm } from './fillSheets';
import { PAPERS, TAG_MM, type SheetGrid } from './media';

/** A label where it is printed: mm from the page's upper left corner. */
interface PlacedLabel {
  readonly x: number;
  readonly y: number;
  readonly label: DrawnLabel;
  /** Its cell on a sheet. */
  readonly cell: number | undefined;
}
/** A sheet, a strip of tape or a page of tags, to scale. */
export interface LabelPage {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly labels: readonly PlacedLabel[];
  /** Where it is cut. */
  readonly cuts: readonly {
    readonly x1: number;
    readonly y1: number;
    readonly x2: number;
    readonly y2: number;
  }[];
  /** Cells that are gone already. */
  readonly used: readonly number[];
  readonly isBegun: boolean;
}
export interface LaidOutLabels {
  readonly pages: readonly LabelPage[];
  /** Of tape. */
  readonly tape: ReturnType<typeof tapeLengthMm> | undefined;
}

export const cellCornerMm = (grid: SheetGrid, cell: number) => ({
  x: grid.marginMm.left + (cell % grid.columns) * grid.pitchMm.x,
  y: grid.marginMm.top + Math.floor(cell / grid.columns) * grid.pitchMm.y,
});

/** Puts drawn labels onto what they are made on: the first free cells of begun sheets, one strip of tape, tags. */
export function layOutLabels(
  drawn: readonly DrawnLabel[],
  stock: LabelStock,
  begun: readonly (readonly number[])[],
): LaidOutLabels {
  if (stock.medium === 'sheet')
    return { pages: sheetPages(drawn, gridOf(stock.gridId), begun), tape: undefined };
  if (stock.medium === 'tape') {
    const tape = tapeLengthMm(drawn.map(({ widthMm }) => widthMm));
    return { pages: drawn.length === 0 ? [] : [tapePage(drawn, stock.tapeMm)], tape };
  }
  if (stock.medium === 'tags') return { pages: tagPages(drawn), tape: undefined };
  return { pages: [], tape: undefined };
}

function sheetPages(
  drawn: readonly DrawnLabel[],
  grid: SheetGrid,
  begun: readonly (readonly number[])[],
): LabelPage[] {
  const { places } = fillSheets(drawn.length, grid.columns * grid.rows, begun);
  const sheets = [...new Set(places.map(({ sheet }) => sheet))];
  return sheets.map((sheet) => ({
    widthMm: PAPERS[grid.paper].width,
    heightMm: PAPERS[grid.paper].height,
    cuts: [],
    used: begun[sheet] ?? [],
    isBegun: sheet < begun.length,
    labels: places.flatMap((place, i) => {
      const label = drawn[i];
      return place.sheet === sheet && label
        ? [{ ...cellCornerMm(grid, place.cell), label, cell: place.cell }]
        : [];
    }),
  }));
}

function tapePage(drawn: readonly DrawnLabel[], tapeMm: number): LabelPage {
  let x = 0;
  const labels: PlacedLabel[] = [];
  const cuts: { x1: number; y1: number; x2: number; y2: number }[] = [];
  drawn.forEach((label, i) => {
    if (i > 0) {
      cuts.push({ x1: x + CUT_GAP_MM / 2, y1: 0, x2: x + CUT_GAP_MM / 2, y2: tapeMm });
      x += CUT_GAP_MM;
    }
    labels.push({ x, y: 0, label, cell: undefined });
    x += label.widthMm;
  });
  return { widthMm: x, heightMm: tapeMm, labels, cuts, used: [], isBegun: false };
}

const TAG_COLUMNS = 4;
const TAG_ROWS = 3;
function tagPages(drawn: readonly DrawnLabel[]): LabelPage[] {
  const { width, height } = PAPERS.A4;
  const left = (width - TAG_COLUMNS * TAG_MM.width) / 2;
  const top = (height - TAG_ROWS * TAG_MM.height) / 2;
  const each = TAG_COLUMNS * TAG_ROWS;
  return Array.from({ length: Math.ceil(drawn.length / each) }, (_, page) => ({
    widthMm: width,
    heightMm: height,
    used: [],
    isBegun: false,
    labels: drawn.slice(page * each, (page + 1) * each).map((label, i) => ({
      x: left + (i % TAG_COLUMNS) * TAG_MM.width,
      y: top + Math.floor(i / TAG_COLUMNS) * TAG_MM.height,
      label,
      cell: undefined,
    })),
    cuts: [
      ...Array.from({ length: TAG_COLUMNS + 1 }, (__, i) => ({
        x1: left + i * TAG_MM.width,
        y1: top,
        x2: left + i * TAG_MM.width,
        y2: top + TAG_ROWS * TAG_MM.height,
      })),
      ...Array.from({ length: TAG_ROWS + 1 }, (__, i) => ({
        x1: left,
        y1: top + i * TAG_MM.height,
        x2: left + TAG_COLUMNS * TAG_MM.width,
        y2: top + i * TAG_MM.height,
      })),
    ],
  }));
}
