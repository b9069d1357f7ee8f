import 'server-only';

import { arrangeFront, bayInsideOf, type Bay, type Unit } from '@/core/look';
import {
  backSharesOf,
  bayLevelOf,
  isAway,
  judgeArrangement,
  rowsOfGroups,
  type ArrangedScope,
  type ArrangementJudgement,
  type ArrangementRef,
  type BackShares,
  type BayLevel,
  type ZonesRequest,
} from '@/core/place';
import { draftIdSchema } from '@/core/shared';
import type { Group } from '@/core/sort';
import { draftsOf, groupsIn, isWithin, resolveArrangement } from './drafts';
import { fragileIdsOf, zonesOf, type LookedAt } from './zonesOfRoom';
import type { Records } from '@/data/records';

/** So long a proposal is improved before it is shown as final; the first one is there at once. */
const PROPOSAL_MS = 4000;

/** One arrangement of a room, or of the whole home, with all that is said of it. */
interface ArrangementView {
  readonly slips: readonly {
    readonly ref: string;
    readonly name: string;
    readonly isChosen: boolean;
  }[];
  readonly shownRef: ArrangementRef;
  /** Of the whole home, where this arrangement has them. */
  readonly groups: readonly Group[];
  readonly levels: readonly { readonly bay: Bay; readonly level: BayLevel }[];
  /** Places of another room, and of the whole home, with their room. */
  readonly bayNames: Readonly<Record<string, string>>;
  readonly zones: ZonesRequest | undefined;
  readonly fragileIds: readonly string[];
  /** Of the places that have a back row: how much of them it is. */
  readonly backShares: BackShares;
  readonly judged: ArrangementJudgement | undefined;
  /** Groups that live outside their room. */
  readonly awayIds: readonly string[];
  readonly judgedToday: ArrangementJudgement | undefined;
  /**
   * What it asks a week, with all it counts; undefined while a group has no home here or stands
   * where it must not.
   */
  readonly minutesNow: number | undefined;
  readonly shelves: readonly {
    readonly bayId: string;
    readonly belowBayId: string;
    readonly name: string;
    readonly heightMm: number;
    readonly belowHeightMm: number;
  }[];
}

/** What an arrangement is shown from. */
type ArrangementName =
  | 'drafts'
  | 'fixtures'
  | 'groups'
  | 'passages'
  | 'people'
  | 'project'
  | 'rooms'
  | 'things'
  | 'units';

interface Arranged {
  readonly records: Records<ArrangementName> & LookedAt;
  readonly scope: ArrangedScope;
}

/**
 * What the arrangements are called, today's first; before there are drafts the chosen one has no id
 * of its own.
 */
export function slipsOf({ records, scope }: Arranged): ArrangementView['slips'] {
  const drafts = draftsOf(records, scope);
  return [
    { ref: 'today', name: 'As it is today', isChosen: false },
    ...(drafts.length === 0
      ? [{ ref: 'chosen', name: 'The plan', isChosen: true }]
      : drafts.map(({ id, name, places }) => ({ ref: id, name, isChosen: places === null }))),
  ];
}

/** The arrangement that was asked for; the chosen one where there is none of that name. */
export function readRef(
  arranged: Arranged,
  asked: string | readonly string[] | undefined,
): ArrangementRef {
  const slips = slipsOf(arranged);
  const found = slips.find(({ ref }) => ref === asked) ?? slips.find(({ isChosen }) => isChosen);
  if (found === undefined || found.ref === 'chosen') return 'chosen';
  return found.ref === 'today' ? 'today' : draftIdSchema.parse(found.ref);
}

export function loadArrangement(
  arranged: Arranged,
  asked: string | readonly string[] | undefined,
): ArrangementView {
  const { records, scope } = arranged;
  const shownRef = readRef(arranged, asked);
  const units = records.units.filter((unit) => scope === null || unit.roomId === scope);
  const bays = units.flatMap((unit) => unit.bays);
  const backShares = backSharesOf(bays, records.project.rowDepth?.mm);
  const judge = (ref: ArrangementRef) => {
    const groups = groupsIn(records, scope, resolveArrangement(records, scope, ref));
    const zones = zonesOf(records, scope, { groups, timeLimitMs: PROPOSAL_MS });
    const fragileIds = fragileIdsOf(groups);
    const awayIds = groups
      .filter((group) => isWithin(scope)(group) && isAway(records.units, group))
      .map(({ id }) => id);
    const places = Object.fromEntries(groups.map(({ id, bayId }) => [id, bayId]));
    return {
      groups,
      zones,
      fragileIds,
      awayIds,
      judged:
        zones &&
        judgeArrangement(zones, {
          places,
          rows: rowsOfGroups(zones, { backShares, places }),
          fragileIds: new Set(fragileIds),
        }),
    };
  };
  const shown = judge(shownRef);
  const fronts = arrangeFront(units).units.flatMap((unit) => unit.layout.bays);
  const levels = bays.map((bay) => ({
    bay,
    level: bayLevelOf({
      bay,
      reachMm: fronts.find(({ bayId }) => bayId === bay.id)?.zMm ?? 0,
      groups: shown.groups,
      things: records.things,
      people: records.people,
    }),
  }));
  return {
    slips: slipsOf(arranged),
    shownRef,
    ...shown,
    backShares,
    levels,
    bayNames: bayNamesOf(arranged),
    judgedToday: judge('today').judged,
    minutesNow: minutesOf(shown.judged),
    shelves: units.flatMap(shelvesOf),
  };
}

const bayNamesOf = ({ records, scope }: Arranged): Record<string, string> =>
  Object.fromEntries(
    records.units.flatMap((unit) => {
      const room =
        unit.roomId === scope
          ? undefined
          : records.rooms.find(({ id }) => id === unit.roomId)?.name.toLowerCase();
      return unit.bays.map(
        ({ id, name }) => [id, room === undefined ? name : `${name}, ${room}`] as const,
      );
    }),
  );

const minutesOf = (judged: ArrangementJudgement | undefined): number | undefined =>
  judged && judged.unplacedIds.length + judged.elsewhereIds.length + judged.bent.length === 0
    ? (judged.secondsPerWeek + judged.pairSecondsPerWeek) / 60
    : undefined;

/**
 * Shelves that can move: between two places one above the other in a unit with holes for them, or
 * open shelving and cupboards.
 */
function shelvesOf(unit: Unit): ArrangementView['shelves'] {
  if (unit.kind === 'drawers') return [];
  return unit.bays.flatMap((bay) => {
    const below = unit.bays.find(
      (other) => other.columnIndex === bay.columnIndex && other.rowIndex === bay.rowIndex - 1,
    );
    return below && !bay.outOfScope && !below.outOfScope
      ? [
          {
            bayId: bay.id,
            belowBayId: below.id,
            name: `under ${bay.name}`,
            heightMm: bayInsideOf(bay).heightMm,
            belowHeightMm: bayInsideOf(below).heightMm,
          },
        ]
      : [];
  });
}
