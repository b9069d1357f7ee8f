import { err, ok, toTenthMm, type Result } from '../shared';

export type DivideColumnError =
  | { readonly code: 'shelf_outside'; readonly shelfMm: number; readonly insideMm: number }
  | { readonly code: 'shelves_too_close'; readonly shelfMm: number; readonly nextMm: number };

/** A bay between two shelves: where its floor is above the column's, and how high it is. */
interface ColumnBay {
  readonly floorMm: number;
  readonly heightMm: number;
  /** Index of the bay before the change that it shares most height with; undefined where there is none. */
  readonly fromIndex: number | undefined;
}

/** Lower than this, nothing can be put in or taken out. */
const MIN_BAY_MM = 30;

/**
 * Divides a column's inside height at shelf heights, each the upper face of a shelf above the column's floor.
 * Movable shelves go to the nearest hole. Bays keep what lay at their height: adding a shelf splits
 * one, leaving one out merges two.
 * Ensures: heights and shelves add up to the inside height; every old bay is kept by at most one new one.
 * @errors `shelf_outside` · `shelves_too_close`, each for every shelf concerned.
 */
export function divideColumn(request: {
  readonly insideMm: number;
  readonly shelfThicknessMm: number;
  readonly shelvesMm: readonly number[];
  readonly holePitchMm: number | undefined;
  /** Heights of today's bays, bottom first. */
  readonly before: readonly number[];
}): Result<readonly ColumnBay[], readonly DivideColumnError[]> {
  const { insideMm, shelfThicknessMm, holePitchMm, before } = request;
  // By where a shelf goes; errors name it by what was asked for.
  const askedFor = new Map(
    request.shelvesMm.map((shelf) => [toNearestHole(shelf, holePitchMm), shelf]),
  );
  const shelves = [...askedFor.keys()].sort((a, b) => a - b);
  const outside = shelves.filter(
    (shelf) => shelf - shelfThicknessMm < MIN_BAY_MM || shelf > insideMm - MIN_BAY_MM,
  );
  const close = shelves.filter(
    (shelf, i) => i > 0 && shelf - shelfThicknessMm - shelves[i - 1]! < MIN_BAY_MM,
  );
  const errors: DivideColumnError[] = [
    ...outside.map((shelf) => ({
      code: 'shelf_outside' as const,
      shelfMm: askedFor.get(shelf) ?? shelf,
      insideMm,
    })),
    ...close.map((nextMm) => ({
      code: 'shelves_too_close' as const,
      shelfMm: shelves[shelves.indexOf(nextMm) - 1]!,
      nextMm,
    })),
  ];
  if (errors.length > 0) return err(errors);
  const floors = [0, ...shelves];
  const bays = floors.map((floorMm, i) => {
    const ceiling = floors[i + 1] === undefined ? insideMm : floors[i + 1]! - shelfThicknessMm;
    return { floorMm, heightMm: toTenthMm(ceiling - floorMm) };
  });
  return ok(inherit(bays, before, shelfThicknessMm));
}

/** Where a shelf can go: the nearest whole number of holes. */
const toNearestHole = (mm: number, pitchMm: number | undefined): number =>
  pitchMm === undefined || pitchMm <= 0 ? mm : toTenthMm(Math.round(mm / pitchMm) * pitchMm);

/** Gives each old bay to the new one that it shares most height with, the largest share first. */
function inherit(
  bays: readonly Pick<ColumnBay, 'floorMm' | 'heightMm'>[],
  before: readonly number[],
  thicknessMm: number,
): ColumnBay[] {
  let floor = 0;
  const old = before.map((heightMm) => {
    const from = floor;
    floor += heightMm + thicknessMm;
    return { from, to: from + heightMm };
  });
  const shares = bays
    .flatMap((bay, i) =>
      old.map(({ from, to }, j) => ({
        i,
        j,
        mm: Math.min(to, bay.floorMm + bay.heightMm) - Math.max(from, bay.floorMm),
      })),
    )
    .filter(({ mm }) => mm > 0)
    .sort((a, b) => b.mm - a.mm || a.i - b.i || a.j - b.j);
  const fromOf = new Map<number, number>();
  for (const { i, j } of shares)
    if (!fromOf.has(i) && ![...fromOf.values()].includes(j)) fromOf.set(i, j);
  return bays.map((bay, i) => ({ ...bay, fromIndex: fromOf.get(i) }));
}

/** Boards are taken as so thick where nobody typed it and the measures do not tell. */
const USUAL_BOARD_MM = 18;
/** What the measures leave for each board; more than this is a plinth or a cornice, no board. */
const THICKEST_BOARD_MM = 60;

/**
 * A column as measured: how high it is inside and how thick its boards are.
 * `outsideMm` less the places is shared among the boards, as long as that can be a board.
 * `isAssumed`: the thickness is neither typed nor measured. `insideMm` is undefined where neither
 * places nor the outside tell it.
 */
export function readColumn({
  heightsMm,
  outsideMm,
  typedBoardMm,
}: {
  /** Of every place of the column, bottom first; empty where one is not measured. */
  readonly heightsMm: readonly number[];
  readonly outsideMm: number | undefined;
  readonly typedBoardMm: number | undefined;
}): {
  readonly insideMm: number | undefined;
  readonly boardMm: number;
  readonly isAssumed: boolean;
} {
  const sumMm = heightsMm.reduce((sum, mm) => sum + mm, 0);
  const shareMm =
    outsideMm === undefined || heightsMm.length < 2
      ? undefined
      : (outsideMm - sumMm) / (heightsMm.length + 1);
  const measuredMm =
    shareMm !== undefined && shareMm > 0 && shareMm <= THICKEST_BOARD_MM ? shareMm : undefined;
  const boardMm = typedBoardMm ?? measuredMm ?? USUAL_BOARD_MM;
  const isAssumed = typedBoardMm === undefined && measuredMm === undefined;
  if (heightsMm.length > 0)
    return { insideMm: sumMm + (heightsMm.length - 1) * boardMm, boardMm, isAssumed };
  return {
    insideMm: outsideMm === undefined ? undefined : outsideMm - 2 * boardMm,
    boardMm,
    isAssumed,
  };
}

/** Upper faces of the shelves between today's bays, bottom first. */
export function shelfHeightsOf(heightsMm: readonly number[], shelfThicknessMm: number): number[] {
  let floor = 0;
  return heightsMm.slice(0, -1).map((heightMm) => {
    floor = toTenthMm(floor + heightMm + shelfThicknessMm);
    return floor;
  });
}
