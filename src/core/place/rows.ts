import { bayInsideOf, usableLitresOf, type Bay } from '../look';
import { keptLitresOf, keptMassGOf, type Group, type Thing } from '../sort';
import { usesPerWeekOf } from './groupFacts';
import { WOULD_CRUSH } from './placingSchools';
import type { Places } from './zonesAnswer';
import type { ZoneGroup, ZonesRequest } from './zonesModel';
import { BACK_ROW_S, massOf, SUM_TOLERANCE } from './zonesProblem';

export type Row = 'front' | 'back';
/** By place: what share of its litres, above 0 and below 1, lies behind the front row. */
export type BackShares = Readonly<Record<string, number>>;

/** A back row that is shallower holds nothing worth the name. */
const LEAST_BACK_MM = 100;

/**
 * Which places have a back row, and how much of them it is: those at least 10 cm deeper than a front
 * row, which do not pull out. Empty where nobody has said how deep a front row is.
 */
export function backSharesOf(bays: readonly Bay[], rowDepthMm: number | undefined): BackShares {
  if (rowDepthMm === undefined) return {};
  return Object.fromEntries(
    bays.flatMap((bay) => {
      const { depthMm } = bayInsideOf(bay);
      const backMm = depthMm - rowDepthMm;
      return bay.pullOut || bay.outOfScope || backMm < LEAST_BACK_MM
        ? []
        : [[bay.id, backMm / depthMm] as const];
    }),
  );
}

/** What stands in a place, as far as rows ask. */
export interface Standing {
  readonly id: string;
  readonly litres: number;
  readonly massG: number;
  readonly usesPerWeek: number;
}
interface RowRoom {
  readonly litres: number;
  readonly maxLoadG?: number | undefined;
}

/**
 * Who stands in front and who behind: what is used most stands in front as long as there is room,
 * the reserve behind it. Where that does not go, the largest choose first. Undefined where neither
 * divides them: then the place has no rows to speak of.
 */
export function standInRows(
  place: RowRoom,
  backShare: number,
  groups: readonly Standing[],
): ReadonlyMap<string, Row> | undefined {
  const mostUsed = [...groups].sort((a, b) => b.usesPerWeek - a.usesPerWeek);
  const largest = [...groups].sort((a, b) => b.litres - a.litres || b.usesPerWeek - a.usesPerWeek);
  return fillRows(place, backShare, mostUsed) ?? fillRows(place, backShare, largest);
}

function fillRows(
  { litres, maxLoadG = Infinity }: RowRoom,
  backShare: number,
  groups: readonly Standing[],
): ReadonlyMap<string, Row> | undefined {
  const left = {
    back: { litres: litres * backShare, massG: maxLoadG * backShare },
    front: { litres: litres * (1 - backShare), massG: maxLoadG * (1 - backShare) },
  };
  const rows = new Map<string, Row>();
  for (const group of groups) {
    const fits = (row: Row) =>
      group.litres <= left[row].litres + SUM_TOLERANCE &&
      group.massG <= left[row].massG + SUM_TOLERANCE;
    const row = (['front', 'back'] as const).find(fits);
    if (!row) return undefined;
    left[row].litres -= group.litres;
    left[row].massG -= group.massG;
    rows.set(group.id, row);
  }
  return rows;
}

const toStanding = (group: ZoneGroup): Standing => ({
  id: group.id,
  litres: group.litres,
  massG: massOf(group),
  usesPerWeek: group.usesPerWeek,
});

/** In which row of a place each of the groups that live there stands; empty where it has no rows. */
export function rowsInPlace(
  bay: Bay,
  {
    groups,
    things,
    rowDepthMm,
  }: {
    /** Those that live there. */
    readonly groups: readonly Group[];
    readonly things: readonly Thing[];
    readonly rowDepthMm: number | undefined;
  },
): ReadonlyMap<string, Row> {
  const share = backSharesOf([bay], rowDepthMm)[bay.id];
  if (share === undefined) return new Map();
  const standing = groups.map((group) => ({
    id: group.id,
    litres: keptLitresOf(group, things),
    massG: keptMassGOf(group, things),
    usesPerWeek: usesPerWeekOf(group),
  }));
  const place = { litres: usableLitresOf(bay), maxLoadG: bay.maxLoadG ?? undefined };
  return standInRows(place, share, standing) ?? new Map<string, Row>();
}

/** In which row each group of an arrangement stands; those in places without rows are left out. */
export function rowsOfGroups(
  request: ZonesRequest,
  { backShares, places }: { readonly backShares: BackShares; readonly places: Places },
): ReadonlyMap<string, Row> {
  return new Map(
    [...findRows(request, { backShares, places }).values()].flatMap(({ rows }) => [...rows]),
  );
}

/** Seconds a week that an arrangement costs more since some of it stands behind. */
export const backRowSeconds = (
  groups: readonly Pick<ZoneGroup, 'id' | 'usesPerWeek'>[],
  rows: ReadonlyMap<string, Row>,
): number =>
  groups.reduce(
    (sum, { id, usesPerWeek }) => sum + (rows.get(id) === 'back' ? usesPerWeek * BACK_ROW_S : 0),
    0,
  );

const BACK = '#back';
/** The place that a row of a request belongs to. */
export const placeOfRow = (bayId: string): string =>
  bayId.endsWith(BACK) ? bayId.slice(0, -BACK.length) : bayId;

/**
 * The same request with each deep place as two bays, its front row and its back row, the load shared
 * by their depths. A place stays whole where what stands there does not divide, where a group would
 * else find room nowhere, and for what must never share a place with others: the engine keeps those
 * apart by bay, so one of each two is kept out of rows.
 */
export function splitIntoRows(
  request: ZonesRequest,
  { backShares, places }: { readonly backShares: BackShares; readonly places: Places },
): ZonesRequest {
  const loners = findLoners(request);
  const split = findRows(request, { backShares, places });
  const wholeIds = request.bays.filter(({ id }) => !split.has(id)).map(({ id }) => id);
  const rowIdsOf = (ids: readonly string[]) =>
    ids.flatMap((id) => (split.has(id) ? [id, `${id}${BACK}`] : [id]));
  return {
    ...request,
    bays: request.bays.flatMap((bay) => {
      const share = split.get(bay.id)?.share;
      if (share === undefined) return [bay];
      const part = (ratio: number) => ({
        litres: bay.litres * ratio,
        ...(bay.maxLoadG === undefined ? {} : { maxLoadG: bay.maxLoadG * ratio }),
      });
      return [
        { ...bay, ...part(1 - share), row: 'front' as const },
        { ...bay, ...part(share), id: `${bay.id}${BACK}`, row: 'back' as const },
      ];
    }),
    groups: request.groups.map((group) => {
      const { fixedBayId, onlyBayIds } = group;
      // A pin holds in the row in which it stands.
      const pinnedRow =
        fixedBayId === undefined ? undefined : split.get(fixedBayId)?.rows.get(group.id);
      const only = loners.has(group.id)
        ? (onlyBayIds ?? wholeIds).filter((id) => !split.has(id))
        : onlyBayIds && rowIdsOf(onlyBayIds);
      return {
        ...group,
        ...(pinnedRow === 'back' ? { fixedBayId: `${fixedBayId}${BACK}` } : {}),
        ...(only ? { onlyBayIds: only } : {}),
      };
    }),
  };
}

/** The places that have two rows while things stand as they do, and who stands in which. */
function findRows(
  request: ZonesRequest,
  { backShares, places }: { readonly backShares: BackShares; readonly places: Places },
) {
  const loners = findLoners(request);
  const split = new Map(
    request.bays.flatMap((bay) => {
      const share = backShares[bay.id];
      const here = request.groups.filter(({ id }) => places[id] === bay.id);
      const rows =
        share === undefined || here.some(({ id }) => loners.has(id))
          ? undefined
          : standInRows(bay, share, here.map(toStanding));
      return share !== undefined && rows ? [[bay.id as string, { share, rows }] as const] : [];
    }),
  );
  keepWholeForLargest(request, { split, loners });
  return split;
}

/**
 * Of each two that must never share a place, one; chemicals where there is food. What would crush
 * another thing does not, from another row.
 */
function findLoners({ groups, apart }: ZonesRequest): ReadonlySet<string> {
  const hasFood = groups.some(({ food }) => food);
  return new Set([
    ...apart.filter(({ why }) => why !== WOULD_CRUSH).map(({ a }) => a),
    ...groups.flatMap(({ id, hazard }) => (hasFood && hazard === 'chemical' ? [id] : [])),
  ]);
}

/** Takes rows away again where a group would fit no bay any more: from the smallest place that takes it. */
function keepWholeForLargest(
  request: ZonesRequest,
  {
    split,
    loners,
  }: {
    readonly split: Map<string, { readonly share: number }>;
    readonly loners: ReadonlySet<string>;
  },
): void {
  const bySize = [...request.bays].sort((a, b) => a.litres - b.litres);
  for (const group of [...request.groups].sort((a, b) => b.litres - a.litres)) {
    const takes = (bay: (typeof bySize)[number], ratio: number) =>
      (group.onlyBayIds?.includes(bay.id) ?? true) &&
      group.litres <= bay.litres * ratio + SUM_TOLERANCE &&
      massOf(group) <= (bay.maxLoadG ?? Infinity) * ratio + SUM_TOLERANCE;
    const largerShare = (bayId: string): number => {
      const share = split.get(bayId)?.share;
      if (share === undefined) return 1;
      return loners.has(group.id) ? 0 : Math.max(share, 1 - share);
    };
    if (bySize.some((bay) => takes(bay, largerShare(bay.id)))) continue;
    const whole = bySize.find((bay) => takes(bay, 1));
    if (whole) split.delete(whole.id);
  }
}
