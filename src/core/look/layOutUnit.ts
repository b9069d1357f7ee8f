import {
  err,
  freeLitresOf,
  judgeReadings,
  ok,
  smallestMm,
  type BayId,
  type Result,
} from '../shared';
import type { Bay, Unit } from './model';

/** The inside of a bay as it counts: the smallest reading each way, in mm. */
interface BayInside {
  readonly widthMm: number;
  readonly depthMm: number;
  readonly heightMm: number;
}

/** Where a bay stands in its unit's front view: mm from the unit's left edge and from the room's floor. */
export interface BayFront extends BayInside {
  readonly bayId: BayId;
  readonly xMm: number;
  readonly zMm: number;
}

export interface UnitLayout {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly floorGapMm: number;
  readonly bays: readonly BayFront[];
}

export type LayOutUnitError =
  | { readonly code: 'bays_wider_than_unit'; readonly sumMm: number; readonly unitMm: number }
  | {
      readonly code: 'bays_taller_than_unit';
      readonly columnIndex: number;
      readonly sumMm: number;
      readonly unitMm: number;
    }
  | {
      readonly code: 'bay_deeper_than_unit';
      readonly bayId: BayId;
      readonly bayMm: number;
      readonly unitMm: number;
    }
  | { readonly code: 'two_bays_in_one_place'; readonly bayId: BayId }
  | {
      readonly code: 'opening_larger';
      readonly bayId: BayId;
      readonly openingMm: number;
      readonly insideMm: number;
    }
  | { readonly code: 'obstacle_outside'; readonly bayId: BayId; readonly label: string };

type MeasuredBay = Pick<
  Bay,
  | 'id'
  | 'name'
  | 'columnIndex'
  | 'rowIndex'
  | 'widthReadings'
  | 'depthReadings'
  | 'heightReadings'
  | 'openingWidth'
  | 'openingHeight'
  | 'obstacles'
>;
type ReadBay = Pick<Bay, 'widthReadings' | 'depthReadings' | 'heightReadings'>;
type MeasuredUnit = Pick<Unit, 'width' | 'depth' | 'height' | 'floorGap'> & {
  readonly bays: readonly MeasuredBay[];
};

export const bayInsideOf = (bay: ReadBay): BayInside => ({
  widthMm: smallestMm(bay.widthReadings),
  depthMm: smallestMm(bay.depthReadings),
  heightMm: smallestMm(bay.heightReadings),
});

/**
 * Whether something can stand in a place at all. No form and no table lets in one that is nothing;
 * an old file may.
 */
export function hasInside(bay: Bay): boolean {
  const { widthMm, depthMm, heightMm } = bayInsideOf(bay);
  const openings = [bay.openingWidth, bay.openingHeight].flatMap((side) => side?.mm ?? []);
  return [widthMm, depthMm, heightMm, ...openings].every((mm) => mm > 0);
}

/** Litres that things can take: the inside less its obstacles. */
export function usableLitresOf(bay: Bay): number {
  const inside = bayInsideOf(bay);
  return freeLitresOf(
    { width: inside.widthMm, depth: inside.depthMm, height: inside.heightMm },
    bay.obstacles,
  );
}

/** Which measures of a bay want another reading. */
export const askewMeasuresOf = (bay: ReadBay): readonly ('width' | 'depth' | 'height')[] =>
  (['width', 'depth', 'height'] as const).filter(
    (measure) => judgeReadings(bay[`${measure}Readings`]).isAskew,
  );

/**
 * Places the bays of a unit in its front view. Columns run from the left, rows up from the floor;
 * what the inside measures leave of the outside is shared out evenly as boards.
 *
 *   ┌──────────────┐   board = (outside − Σ insides) / (bays + 1), per column and across
 *   │ ┌────┐ ┌───┐ │
 *   │ │ 01 │ │11 │ │
 *   │ ├────┤ ├───┤ │
 *   │ │ 00 │ │10 │ │
 *   └──────────────┘ ← floor gap below
 * Ensures: every bay lies inside the unit; bays do not overlap.
 * @errors every clash at once: `bays_wider_than_unit`, `bays_taller_than_unit` per column,
 * `bay_deeper_than_unit`, `two_bays_in_one_place`, `opening_larger` and `obstacle_outside` per bay.
 */
export function layOutUnit(unit: MeasuredUnit): Result<UnitLayout, readonly LayOutUnitError[]> {
  const insides = unit.bays.map((bay) => ({ bay, inside: bayInsideOf(bay) }));
  const columns = groupColumns(insides);
  const errors = findClashes(unit, columns);
  if (errors.length > 0) return err(errors);

  const sumWidthMm = columns.reduce((sum, column) => sum + widestOf(column), 0);
  const sideBoardMm = (unit.width.mm - sumWidthMm) / (columns.length + 1);
  const bays: BayFront[] = [];
  let xMm = sideBoardMm;
  for (const column of columns) {
    const sumHeightMm = column.reduce((sum, { inside }) => sum + inside.heightMm, 0);
    const shelfMm = (unit.height.mm - sumHeightMm) / (column.length + 1);
    let zMm = unit.floorGap.mm + shelfMm;
    for (const { bay, inside } of column) {
      bays.push({ bayId: bay.id, xMm, zMm, ...inside });
      zMm += inside.heightMm + shelfMm;
    }
    xMm += widestOf(column) + sideBoardMm;
  }
  return ok({
    widthMm: unit.width.mm,
    heightMm: unit.height.mm,
    floorGapMm: unit.floorGap.mm,
    bays,
  });
}

type Column = readonly { readonly bay: MeasuredBay; readonly inside: BayInside }[];

const widestOf = (column: Column): number =>
  Math.max(...column.map(({ inside }) => inside.widthMm));

function groupColumns(insides: Column): readonly Column[] {
  const indexes = [...new Set(insides.map(({ bay }) => bay.columnIndex))].sort((a, b) => a - b);
  return indexes.map((columnIndex) =>
    insides
      .filter(({ bay }) => bay.columnIndex === columnIndex)
      .sort((a, b) => a.bay.rowIndex - b.bay.rowIndex),
  );
}

function findClashes(unit: MeasuredUnit, columns: readonly Column[]): LayOutUnitError[] {
  const errors: LayOutUnitError[] = [];
  const sumMm = columns.reduce((sum, column) => sum + widestOf(column), 0);
  if (sumMm > unit.width.mm) {
    errors.push({ code: 'bays_wider_than_unit', sumMm, unitMm: unit.width.mm });
  }
  for (const column of columns) {
    const heightMm = column.reduce((sum, { inside }) => sum + inside.heightMm, 0);
    const columnIndex = column[0]?.bay.columnIndex ?? 0;
    if (heightMm > unit.height.mm) {
      errors.push({
        code: 'bays_taller_than_unit',
        columnIndex,
        sumMm: heightMm,
        unitMm: unit.height.mm,
      });
    }
    column.forEach(({ bay, inside }, i) => {
      if (inside.depthMm > unit.depth.mm) {
        errors.push({
          code: 'bay_deeper_than_unit',
          bayId: bay.id,
          bayMm: inside.depthMm,
          unitMm: unit.depth.mm,
        });
      }
      if (column[i + 1]?.bay.rowIndex === bay.rowIndex) {
        errors.push({ code: 'two_bays_in_one_place', bayId: bay.id });
      }
      errors.push(...findInnerClashes(bay, inside));
    });
  }
  return errors;
}

/** An opening is never larger than what is behind it, and what stands in a bay stands inside it. */
function findInnerClashes(bay: MeasuredBay, inside: BayInside): LayOutUnitError[] {
  const openings = [
    [bay.openingWidth, inside.widthMm],
    [bay.openingHeight, inside.heightMm],
  ] as const;
  const isOut = ({ x, y, z, width, depth, height }: MeasuredBay['obstacles'][number]) =>
    x + width > inside.widthMm || y + depth > inside.depthMm || z + height > inside.heightMm;
  return [
    ...openings.flatMap(([opening, insideMm]): LayOutUnitError[] =>
      opening && opening.mm > insideMm
        ? [{ code: 'opening_larger', bayId: bay.id, openingMm: opening.mm, insideMm }]
        : [],
    ),
    ...bay.obstacles
      .filter(isOut)
      .map(({ label }): LayOutUnitError => ({ code: 'obstacle_outside', bayId: bay.id, label })),
  ];
}

/** Furniture taller than this many times its depth tips when pulled or climbed on. */
const TIPPING_RATIO = 2;
/** Below this height a fall does little harm. */
const TIPPING_FROM_MM = 600;

/** Whether a unit wants fixing to the wall, judged by its height to depth; the house rules decide. */
export const wantsAnchoring = (unit: Pick<Unit, 'height' | 'depth' | 'kind'>): boolean =>
  unit.kind !== 'under-bed' &&
  unit.height.mm >= TIPPING_FROM_MM &&
  unit.height.mm > TIPPING_RATIO * unit.depth.mm;
