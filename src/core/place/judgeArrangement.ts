import { reachOf } from '../look';
import { weekOfUse } from './explainZones';
import { WOULD_CRUSH } from './placingSchools';
import { backRowSeconds, rowsOfGroups, type BackShares, type Row } from './rows';
import type { Places, ZoneRule } from './zonesAnswer';
import type { ZoneBay, ZoneGroup, ZonesRequest } from './zonesModel';
import {
  brokenRules,
  massOf,
  metresBetween,
  secondsOfUse,
  SUM_TOLERANCE,
  usersOf,
} from './zonesProblem';

/** Why a group should not stand where it stands. */
export type BentRule =
  | { readonly code: ZoneRule | 'fragile_high'; readonly groupId: string; readonly bayId: string }
  | {
      readonly code: 'apart';
      readonly groupId: string;
      readonly otherId: string;
      readonly bayId: string;
      readonly why: string;
    };

/** What an arrangement asks of the household in a week, and what speaks against it. */
export interface ArrangementJudgement {
  readonly secondsPerWeek: number;
  readonly metresPerWeek: number;
  readonly bendsPerWeek: number;
  readonly stretchesPerWeek: number;
  /**
   * What the metres between groups that belong together count, in seconds a week; the engine's
   * objective has them too.
   */
  readonly pairSecondsPerWeek: number;
  readonly unplacedIds: readonly string[];
  /** Living in another room; counted with the metres assumed to it. */
  readonly elsewhereIds: readonly string[];
  /** Who needs a step for what they use. */
  readonly outOfReach: readonly { readonly groupId: string; readonly personId: string }[];
  readonly fullBayIds: readonly string[];
  readonly halfEmptyBayIds: readonly string[];
  readonly overfull: readonly { readonly bayId: string; readonly overLitres: number }[];
  readonly bent: readonly BentRule[];
}

/** A place in another room is taken to be so far away, there; the plan knows one room. */
export const OTHER_ROOM_METRES = 8;
/** From this height on nothing that breaks. */
const FRAGILE_BELOW_MM = 1500;
const FULL_RATIO = 0.9;
const HALF_EMPTY_RATIO = 0.5;

interface JudgeOptions {
  readonly places: Places;
  readonly fragileIds?: ReadonlySet<string>;
  /** Who stands behind, where places have rows; nobody where it is left out. */
  readonly rows?: ReadonlyMap<string, Row>;
}

/**
 * Adds up one arrangement, whether or not it keeps the rules. Seconds and metres as the `zones`
 * engine counts them.
 * Deterministic; lists in the order of the request.
 */
export function judgeArrangement(
  request: ZonesRequest,
  { places, fragileIds = new Set(), rows = new Map() }: JudgeOptions,
): ArrangementJudgement {
  const bayById = new Map(request.bays.map((bay) => [bay.id, bay]));
  const sums = { secondsPerWeek: 0, metresPerWeek: 0, bendsPerWeek: 0, stretchesPerWeek: 0 };
  const [unplacedIds, elsewhereIds]: [string[], string[]] = [[], []];
  const outOfReach: { groupId: string; personId: string }[] = [];
  const litresIn = new Map<string, number>();
  for (const group of request.groups) {
    const bayId = places[group.id] ?? null;
    const bay = bayId === null ? undefined : bayById.get(bayId);
    if (bayId === null) unplacedIds.push(group.id);
    else if (!bay) {
      elsewhereIds.push(group.id);
      sums.metresPerWeek += group.usesPerWeek * 2 * OTHER_ROOM_METRES;
      sums.secondsPerWeek += group.usesPerWeek * secondsElsewhere();
    } else {
      const week = weekOfUse(request, group, bay);
      sums.secondsPerWeek += week.secondsPerWeek;
      sums.metresPerWeek += week.walkedMetresPerWeek;
      sums.bendsPerWeek += week.bendsPerWeek;
      sums.stretchesPerWeek += week.stretchesPerWeek;
      litresIn.set(bay.id, (litresIn.get(bay.id) ?? 0) + group.litres);
      for (const user of usersOf(request, group))
        if (reachOf(bay.z, user.heightMm) === 'step')
          outOfReach.push({ groupId: group.id, personId: user.id });
    }
  }
  const ratioOf = (bay: ZoneBay) => (litresIn.get(bay.id) ?? 0) / Math.max(1e-9, bay.litres);
  const bayOf = (groupId: string) => bayById.get(places[groupId] ?? '');
  const pairSecondsPerWeek = request.together.reduce((sum, { a, b, weight }) => {
    const [first, second] = [bayOf(a), bayOf(b)];
    return first && second ? sum + weight * metresBetween(request, first, second) : sum;
  }, 0);
  return {
    ...sums,
    secondsPerWeek: sums.secondsPerWeek + backRowSeconds(request.groups, rows),
    pairSecondsPerWeek,
    unplacedIds,
    elsewhereIds,
    outOfReach,
    fullBayIds: request.bays.filter((bay) => ratioOf(bay) >= FULL_RATIO).map(({ id }) => id),
    halfEmptyBayIds: request.bays
      .filter((bay) => ratioOf(bay) < HALF_EMPTY_RATIO)
      .map(({ id }) => id),
    overfull: request.bays.flatMap((bay) =>
      (litresIn.get(bay.id) ?? 0) > bay.litres + SUM_TOLERANCE
        ? [{ bayId: bay.id, overLitres: (litresIn.get(bay.id) ?? 0) - bay.litres }]
        : [],
    ),
    bent: request.groups.flatMap((group) =>
      bentRulesOf(request, {
        groupId: group.id,
        bayId: places[group.id] ?? null,
        places,
        fragileIds,
        rows,
      }),
    ),
  };
}

/** One use in another room: there and back at 1.2 m/s, and an easy reach. */
export const secondsElsewhere = (): number => (2 * OTHER_ROOM_METRES) / 1.2 + 1;

/**
 * Every rule that a group would bend in a bay, with the others where they stand. Pins and the bays
 * a group is kept to bind proposals, not hands; room and load
 * count with what stands there already. Empty in another room's bay, whose rules that room knows.
 */
export function bentRulesOf(
  request: ZonesRequest,
  asked: {
    readonly groupId: string;
    readonly bayId: string | null;
    readonly places: Places;
    readonly fragileIds?: ReadonlySet<string>;
    readonly rows?: ReadonlyMap<string, Row>;
  },
): BentRule[] {
  const { groupId, bayId, places, fragileIds, rows } = asked;
  const group = request.groups.find(({ id }) => id === groupId);
  const bay = request.bays.find(({ id }) => id === bayId);
  if (!group || !bay) return [];
  const others = request.groups.filter(
    (other) => other.id !== group.id && places[other.id] === bay.id,
  );
  const codes = new Set<ZoneRule | 'fragile_high'>(
    brokenRules(request, group, bay).filter((rule) => rule !== 'pin' && rule !== 'kept_in'),
  );
  if (
    group.litres + others.reduce((sum, { litres }) => sum + litres, 0) >
    bay.litres + SUM_TOLERANCE
  )
    codes.add('litres');
  if (
    bay.maxLoadG !== undefined &&
    massOf(group) + others.reduce((sum, other) => sum + massOf(other), 0) >
      bay.maxLoadG + SUM_TOLERANCE
  )
    codes.add('load');
  if (fragileIds?.has(group.id) && bay.z >= FRAGILE_BELOW_MM) codes.add('fragile_high');
  const apart = others.flatMap((other): BentRule[] => {
    const said = request.apart.find(
      ({ a, b, why }) =>
        ((a === group.id && b === other.id) || (b === group.id && a === other.id)) &&
        !(why === WOULD_CRUSH && standInTwoRows(rows, a, b)),
    );
    const isPoisoned =
      (group.hazard === 'chemical' && other.food) || (other.hazard === 'chemical' && group.food);
    return said || isPoisoned
      ? [
          {
            code: 'apart',
            groupId: group.id,
            otherId: other.id,
            bayId: bay.id,
            why: isPoisoned ? 'chemicals never beside food' : (said?.why ?? ''),
          },
        ]
      : [];
  });
  return [
    ...[...codes].map((code): BentRule => ({ code, groupId: group.id, bayId: bay.id })),
    ...apart,
  ];
}

/** One in front, one behind: neither stands on the other. */
const standInTwoRows = (
  rows: ReadonlyMap<string, Row> | undefined,
  a: string,
  b: string,
): boolean =>
  rows?.get(a) !== undefined && rows.get(b) !== undefined && rows.get(a) !== rows.get(b);

/** What differs between two arrangements, group by group, what changes most first. */
export interface PlaceChange {
  readonly groupId: string;
  readonly fromBayId: string | null;
  readonly toBayId: string | null;
  /** More (or, negative, fewer) seconds a week; undefined where it has no home in one of the two. */
  readonly secondsPerWeek: number | undefined;
}

export function compareArrangements(
  request: ZonesRequest,
  {
    from,
    to,
    backShares = {},
  }: { readonly from: Places; readonly to: Places; readonly backShares?: BackShares },
): PlaceChange[] {
  const [rowsFrom, rowsTo] = [from, to].map((places) =>
    rowsOfGroups(request, { backShares, places }),
  );
  const secondsOf = (
    group: ZoneGroup,
    bayId: string | null,
    rows: ReadonlyMap<string, Row> | undefined,
  ): number | undefined => {
    if (bayId === null) return undefined;
    const bay = request.bays.find(({ id }) => id === bayId);
    const behind = rows ? backRowSeconds([group], rows) : 0;
    return (
      group.usesPerWeek * (bay ? secondsOfUse(request, group, bay) : secondsElsewhere()) + behind
    );
  };
  return request.groups
    .flatMap((group): PlaceChange[] => {
      const [fromBayId, toBayId] = [from[group.id] ?? null, to[group.id] ?? null];
      if (fromBayId === toBayId) return [];
      const [before, after] = [
        secondsOf(group, fromBayId, rowsFrom),
        secondsOf(group, toBayId, rowsTo),
      ];
      return [
        {
          groupId: group.id,
          fromBayId,
          toBayId,
          secondsPerWeek: before === undefined || after === undefined ? undefined : after - before,
        },
      ];
    })
    .sort((a, b) => Math.abs(b.secondsPerWeek ?? 0) - Math.abs(a.secondsPerWeek ?? 0));
}
