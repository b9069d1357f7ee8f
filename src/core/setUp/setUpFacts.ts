import { containerIdsOf, type ContainerProduct, type TakenFit } from '../fit';
import { layOutUnit, type Picture, type Unit, type VantagePoint } from '../look';
import {
  isFragileGroup,
  standInRows,
  backSharesOf,
  usesPerWeekOf,
  type KeptMoveList,
} from '../place';
import { falseFloorsOf, type Materials } from '../shop';
import { pairPictures } from '../show';
import { isKept, keptLitresOf, keptMassGOf, type Group, type Thing } from '../sort';
import type { SetUpFacts, UnitToSetUp } from './listTasks';
import { loadUnit, type LoadAnswer } from './loadUnit';
import { doneTasksOf } from './doneTasks';
import { taskIdOf, type DoneTask } from './taskKinds';
import type { SetUp, UnitSetUp } from './model';
import { checkTipping, type TipAnswer } from './tipCheck';

/** A room's own records, as far as setting it up asks. Groups may be of other rooms: what lives here counts. */
export interface SetUpRecordsOfRoom {
  readonly setUp: SetUp;
  readonly units: readonly Unit[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly fits: readonly TakenFit[];
  readonly products: readonly ContainerProduct[];
  readonly materials: Materials | undefined;
  readonly vantagePoints: readonly VantagePoint[];
  readonly pictures: readonly Picture[];
  readonly moveList: KeptMoveList | undefined;
  readonly liftLimitG: number;
  readonly rowDepthMm: number | undefined;
  /** Labels that are still to be made, by the unit they go to. */
  readonly labelCounts: Readonly<Record<string, number>>;
}

/** A piece as long takes two, whatever it weighs. */
const LONG_MM = 1500;
const AS_IT_STANDS = { comes: 'stays', massG: null, isAnchored: null } as const;

export const unitSetUpOf = (setUp: Pick<SetUp, 'units'>, unitId: UnitSetUp['unitId']): UnitSetUp =>
  setUp.units.find((each) => each.unitId === unitId) ?? { unitId, ...AS_IT_STANDS };

const groupsIn = (unit: Unit, groups: readonly Group[]): readonly Group[] =>
  groups.filter(({ bayId }) => unit.bays.some(({ id, outOfScope }) => id === bayId && !outOfScope));

/** Whether a unit stands with what will be in it. */
export function tippingOf(
  unit: Unit,
  { setUp, groups, things }: Pick<SetUpRecordsOfRoom, 'setUp' | 'groups' | 'things'>,
): TipAnswer {
  return checkTipping({
    unit,
    massG: unitSetUpOf(setUp, unit.id).massG ?? undefined,
    loads: groupsIn(unit, groups).map((group) => ({
      bayId: group.bayId ?? '',
      massG: keptMassGOf(group, things),
    })),
  });
}

/** In which order a unit is filled with what is to live in it. */
export function loadingOf(
  unit: Unit,
  {
    groups,
    things,
    liftLimitG,
    rowDepthMm,
  }: Pick<SetUpRecordsOfRoom, 'groups' | 'things' | 'liftLimitG' | 'rowDepthMm'>,
): LoadAnswer {
  const layout = layOutUnit(unit);
  const own = groupsIn(unit, groups).filter((group) => keptLitresOf(group, things) > 0);
  const backShares = backSharesOf(unit.bays, rowDepthMm);
  const rowsOf = new Map(
    unit.bays.map((bay) => {
      const back = backShares[bay.id];
      const here = own.filter(({ bayId }) => bayId === bay.id);
      const rows =
        back === undefined
          ? undefined
          : standInRows(
              { litres: here.reduce((sum, group) => sum + keptLitresOf(group, things), 0) },
              back,
              here.map((group) => ({
                id: group.id,
                litres: keptLitresOf(group, things),
                massG: keptMassGOf(group, things),
                usesPerWeek: usesPerWeekOf(group),
              })),
            );
      return [bay.id as string, rows] as const;
    }),
  );
  return loadUnit({
    places: unit.bays
      .filter(({ outOfScope }) => !outOfScope)
      .map((bay) => ({
        id: bay.id,
        zMm:
          (layout.ok ? layout.value.bays.find(({ bayId }) => bayId === bay.id)?.zMm : undefined) ??
          bay.rowIndex,
        maxLoadG: bay.maxLoadG ?? undefined,
      })),
    groups: own.map((group) => ({
      id: group.id,
      placeId: group.bayId ?? '',
      massG: keptMassGOf(group, things),
      row: rowsOf.get(group.bayId ?? '')?.get(group.id),
      usesPerWeek: usesPerWeekOf(group),
      isFragile: isFragileGroup(group),
    })),
    liftLimitG,
  });
}

/** What was decided for a room that has to be carried out. */
export function setUpFactsOf(records: SetUpRecordsOfRoom): SetUpFacts {
  const { units, materials, vantagePoints, pictures, moveList, liftLimitG } = records;
  const paint = materials?.paint ?? null;
  return {
    units: units
      .map((unit, i) => unitFactsOf(records, unit, units.slice(0, i)))
      .filter(({ placeCount }) => placeCount > 0),
    paint: paint && {
      surfaces: paint.surfaces.map(({ name, width, height, qty }) => ({
        name,
        squareMetres: (width.mm * height.mm * qty) / 1_000_000,
        heightMm: height.mm,
      })),
      coats: paint.coats,
      dryHours: paint.dryHours,
      cureDays: paint.cureDays,
    },
    pieceCount: (materials?.cuts ?? []).reduce((sum, { qty }) => sum + qty, 0),
    fixings: materials?.fixings.rows ?? [],
    spotCount: pairPictures(vantagePoints, pictures).filter(({ after }) => !after).length,
    carryCount: (moveList?.items ?? []).reduce(
      (sum, item) => sum + (item.kind === 'move' ? item.carryCount : 0),
      0,
    ),
    liftLimitG,
  };
}

function unitFactsOf(
  records: SetUpRecordsOfRoom,
  unit: Unit,
  before: readonly Unit[],
): UnitToSetUp {
  const { setUp, things, fits, products, materials, liftLimitG, labelCounts } = records;
  const bays = unit.bays.filter(({ outOfScope }) => !outOfScope);
  const groups = groupsIn(unit, records.groups);
  const { comes, isAnchored } = unitSetUpOf(setUp, unit.id);
  const tipping = tippingOf(unit, records);
  const standing = fits
    .filter(({ bayId }) => bays.some(({ id }) => id === bayId))
    .flatMap(({ answer }) => containerIdsOf(answer));
  const isOwned = (containerId: string) =>
    products.some(({ id, ownedCount }) => id === containerId && ownedCount !== null);
  const isAlike = (other: Unit) =>
    other.kind === unit.kind &&
    other.width.mm === unit.width.mm &&
    other.depth.mm === unit.depth.mm &&
    other.height.mm === unit.height.mm;
  return {
    id: unit.id,
    name: unit.name,
    comes,
    needsTwo:
      tipping.emptyG.likely > liftLimitG ||
      Math.max(unit.width.mm, unit.height.mm, unit.depth.mm) >= LONG_MM,
    alikeBefore: before.filter(
      (other) => isAlike(other) && unitSetUpOf(setUp, other.id).comes !== 'stays',
    ).length,
    heightMm: unit.floorGap.mm + unit.height.mm,
    wantsAnchoring: tipping.wantsAnchoring,
    isAnchored: isAnchored === true,
    placeCount: bays.length,
    linedCount: bays.filter(({ id }) => materials?.linedBayIds.includes(id)).length,
    floorCount: falseFloorsOf([unit]).length,
    ownedCount: standing.filter(isOwned).length,
    containerCount: standing.length,
    litres: groups.reduce((sum, group) => sum + keptLitresOf(group, things), 0),
    // Of a single piece: a group is carried in baskets.
    heaviestG: things
      .filter((thing) => isKept(thing) && groups.some(({ id }) => id === thing.groupId))
      .reduce((most, { massG, count }) => Math.max(most, massG / Math.max(1, count)), 0),
    labelCount: labelCounts[unit.id] ?? 0,
  };
}

/** What is done: what was ticked, and the moves where each of them is ticked in their own list. */
export function doneOf(setUp: SetUp, moveList: KeptMoveList | undefined): readonly DoneTask[] {
  const moments = (moveList?.items ?? []).map(({ doneAt }) => doneAt);
  const isMoved = moments.length > 0 && moments.every((moment) => moment !== null);
  return [
    ...doneTasksOf(setUp).filter(({ taskId }) => taskId !== 'move'),
    ...(isMoved ? [{ taskId: 'move', doneAt: moments.map(String).sort().at(-1)! }] : []),
  ];
}

/** Units that should be fixed to the wall, loaded as they will be, and are not yet. */
export function unanchoredOf(
  records: Pick<SetUpRecordsOfRoom, 'setUp' | 'units' | 'groups' | 'things'>,
): readonly { readonly unit: Unit; readonly tipping: TipAnswer }[] {
  const done = new Set(doneTasksOf(records.setUp).map(({ taskId }) => taskId));
  return records.units.flatMap((unit) => {
    const tipping = tippingOf(unit, records);
    const isFixed =
      unitSetUpOf(records.setUp, unit.id).isAnchored === true ||
      done.has(taskIdOf('secure', unit.id));
    return tipping.wantsAnchoring && !isFixed ? [{ unit, tipping }] : [];
  });
}
