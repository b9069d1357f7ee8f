import { usableLitresOf, bayInsideOf, type Bay } from '../look';
import { keptLitresOf, type Group, type Thing } from '../sort';
import { seasonOf, usesPerWeekOf } from './groupFacts';
import { bentRulesOf, secondsElsewhere } from './judgeArrangement';
import type { Places } from './zonesAnswer';
import type { ZonesRequest } from './zonesModel';
import { secondsOfUse, SUM_TOLERANCE } from './zonesProblem';

/** Something to do at the start of a month, 1 to 12. */
export type SeasonalSwap =
  /** In one deep place: what comes to the front, and what goes behind it. */
  | {
      readonly kind: 'rows';
      readonly month: number;
      readonly bayId: string;
      readonly frontIds: readonly string[];
      readonly backIds: readonly string[];
    }
  /** Two groups change places; `secondsPerWeek` is what that saves while the season lasts. */
  | {
      readonly kind: 'exchange';
      readonly month: number;
      readonly aId: string;
      readonly aBayId: string;
      readonly bId: string;
      readonly bBayId: string;
      readonly secondsPerWeek: number;
    };

/** A place at least so deep has a front row and a back row. */
const TWO_ROWS_FROM_MM = 400;
/** An exchange that saves less in a week is not worth carrying. */
const LEAST_SAVING_S = 5;

interface SeasonRequest {
  readonly bays: readonly Bay[];
  readonly groups: readonly Group[];
  readonly things: readonly Thing[];
  readonly places: Places;
  /**
   * Litres of a place in another room, less what others have there; only those that groups of this
   * room live in are asked for.
   */
  readonly litresElsewhere?: (bayId: string) => number;
  /** The zones request of a month. */
  readonly requestOf: (month: number) => ZonesRequest;
}

/**
 * What changes with the seasons, month by month: the rows of deep places, where the front half is
 * filled by what is used most
 * in that month; and pairs of seasonal groups that save steps by changing places, and change back
 * later. The year is gone
 * through twice, so that it ends where it began; the second time is told. O(months × seasonal groups²).
 */
export function planSeasons(request: SeasonRequest): SeasonalSwap[] {
  const seasonal = request.groups.filter(
    (group) => seasonOf(group) !== undefined && request.places[group.id],
  );
  if (seasonal.length === 0) return [];
  const months = [...new Set(seasonal.flatMap((group) => startsOf(group)))].sort((a, b) => a - b);
  let places = request.places;
  /** What stands in the front row of each deep place, from one month to the next. */
  const fronts = new Map<string, ReadonlySet<string>>();
  const lap = (): SeasonalSwap[] =>
    months.flatMap((month) => {
      const swaps = exchanges({ ...request, places }, seasonal, month);
      for (const { aId, aBayId, bId, bBayId } of swaps)
        places = { ...places, [aId]: bBayId, [bId]: aBayId };
      return [...swaps, ...rowSwaps({ ...request, places }, { seasonal, month, fronts })];
    });
  lap();
  return lap();
}

/** The month in which a group comes into use, and the one after it goes out of use. */
function startsOf(group: Group): number[] {
  const season = seasonOf(group);
  return season ? [season.from, (season.to % 12) + 1] : [];
}

function rowSwaps(
  { bays, groups, things, places }: SeasonRequest,
  {
    seasonal,
    month,
    fronts,
  }: {
    readonly seasonal: readonly Group[];
    readonly month: number;
    readonly fronts: Map<string, ReadonlySet<string>>;
  },
): SeasonalSwap[] {
  return bays
    .filter((bay) => bayInsideOf(bay).depthMm >= TWO_ROWS_FROM_MM)
    .flatMap((bay): SeasonalSwap[] => {
      const here = groups.filter(({ id }) => places[id] === bay.id);
      if (here.length < 2 || !here.some((group) => seasonal.includes(group))) return [];
      const before = fronts.get(bay.id);
      const after = frontRow(here, things, {
        month,
        litres: usableLitresOf(bay) / 2,
        was: before ?? new Set(),
      });
      fronts.set(bay.id, after);
      if (!before) return [];
      const frontIds = here
        .filter(({ id }) => after.has(id) && !before.has(id))
        .map(({ id }) => id);
      const backIds = here.filter(({ id }) => before.has(id) && !after.has(id)).map(({ id }) => id);
      return frontIds.length + backIds.length === 0
        ? []
        : [{ kind: 'rows', month, bayId: bay.id, frontIds, backIds }];
    });
}

/**
 * The groups used most in a month, for as long as half of the place holds them; the most used one
 * in any case. Of equals those that were in front stay.
 */
function frontRow(
  here: readonly Group[],
  things: readonly Thing[],
  {
    month,
    litres,
    was,
  }: { readonly month: number; readonly litres: number; readonly was: ReadonlySet<string> },
): ReadonlySet<string> {
  const byUse = [...here].sort(
    (a, b) =>
      usesPerWeekOf(b, month) - usesPerWeekOf(a, month) ||
      Number(was.has(b.id)) - Number(was.has(a.id)) ||
      a.position - b.position,
  );
  const front = new Set<string>();
  let left = litres;
  for (const group of byUse) {
    const own = keptLitresOf(group, things);
    if (front.size > 0 && own > left) break;
    front.add(group.id);
    left -= own;
  }
  return front.size === here.length && here.length > 1 ? new Set([...front].slice(0, -1)) : front;
}

function exchanges(
  { places, requestOf, things, groups, litresElsewhere = () => 0 }: SeasonRequest,
  seasonal: readonly Group[],
  month: number,
): Extract<SeasonalSwap, { kind: 'exchange' }>[] {
  const request = requestOf(month);
  const zoneOf = (id: string) => request.groups.find((group) => group.id === id);
  const secondsAt = (id: string, bayId: string) => {
    const [group, bay] = [zoneOf(id), request.bays.find((other) => other.id === bayId)];
    if (!group) return Infinity;
    return group.usesPerWeek * (bay ? secondsOfUse(request, group, bay) : secondsElsewhere());
  };
  /** What goes into another room's place must fit beside what stays there of this room. */
  const fitsElsewhere = (moved: Group, bayId: string, after: Places) =>
    request.bays.some(({ id }) => id === bayId) ||
    groups.reduce(
      (sum, group) =>
        sum +
        (group.id === moved.id || after[group.id] === bayId ? keptLitresOf(group, things) : 0),
      0,
    ) <=
      litresElsewhere(bayId) + SUM_TOLERANCE;
  const found: Extract<SeasonalSwap, { kind: 'exchange' }>[] = [];
  seasonal.forEach((a, i) =>
    seasonal.slice(i + 1).forEach((b) => {
      const [aBayId, bBayId] = [places[a.id], places[b.id]];
      if (!aBayId || !bBayId || aBayId === bBayId || a.placing.isPinned || b.placing.isPinned)
        return;
      const swapped = { ...places, [a.id]: bBayId, [b.id]: aBayId };
      if (!fitsElsewhere(a, bBayId, swapped) || !fitsElsewhere(b, aBayId, swapped)) return;
      if (
        [
          ...bentRulesOf(request, { groupId: a.id, bayId: bBayId, places: swapped }),
          ...bentRulesOf(request, { groupId: b.id, bayId: aBayId, places: swapped }),
        ].length > 0
      )
        return;
      const saved =
        secondsAt(a.id, aBayId) +
        secondsAt(b.id, bBayId) -
        secondsAt(a.id, bBayId) -
        secondsAt(b.id, aBayId);
      if (saved >= LEAST_SAVING_S)
        found.push({
          kind: 'exchange',
          month,
          aId: a.id,
          aBayId,
          bId: b.id,
          bBayId,
          secondsPerWeek: saved,
        });
    }),
  );
  // Each group changes places once in a month, the best exchange first.
  const taken = new Set<string>();
  return found
    .sort((x, y) => y.secondsPerWeek - x.secondsPerWeek)
    .filter(({ aId, bId }) => {
      if (taken.has(aId) || taken.has(bId)) return false;
      taken.add(aId).add(bId);
      return true;
    });
}
