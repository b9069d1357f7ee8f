/** Every area that bays and then stations name, in that order, once each. */
export const areasOf = (request: {
  readonly bays: readonly { readonly areaId?: string | undefined }[];
  readonly stations: readonly { readonly areaId?: string | undefined }[];
}): string[] => [
  ...new Set([...request.bays, ...request.stations].flatMap(({ areaId }) => areaId ?? [])),
];

/** A row names two known areas, or is one line of a table that has a line and a column for each area. */
export function checkDistances(
  request: Parameters<typeof areasOf>[0] & {
    readonly distances?: readonly (readonly (string | number)[])[] | undefined;
  },
  refuse: (message: string, path: (string | number)[]) => void,
): void {
  const areas = areasOf(request);
  const rows = request.distances ?? [];
  const isTable = rows.some((row) => typeof row[0] !== 'string');
  if (isTable && rows.length !== areas.length)
    refuse(`a table has a line for each of the ${areas.length} areas`, ['distances']);
  const known = new Set<string>(areas);
  rows.forEach((row, i) => {
    if (isTable) {
      if (row.length !== areas.length || row.some((value) => typeof value === 'string'))
        refuse(`a line has metres to each of the ${areas.length} areas`, ['distances', i]);
      else
        row.forEach((metres, j) => {
          if (metres !== rows[j]?.[i]) refuse('it is as far back as there', ['distances', i, j]);
        });
    } else
      [0, 1].forEach((j) => {
        if (!known.has(String(row[j])))
          refuse(`no bay and no station is in an area "${row[j]}"`, ['distances', i, j]);
      });
  });
}

/**
 * Where each group lives; null or missing: nowhere yet. A bay that the request does not know is in
 * another room.
 */
export type Places = Readonly<Record<string, string | null>>;

type WhyCode =
  | 'near_station'
  | 'in_reach'
  | 'kept_safe'
  | 'with_partner'
  | 'pinned'
  | 'only_place'
  | 'kept_apart'
  | 'made_room';

export interface ZoneWhy {
  readonly groupId: string;
  readonly code: WhyCode;
  readonly facts: Readonly<Record<string, number | string>>;
}

/** Why a group must not stand in a bay. */
export type ZoneRule =
  'litres' | 'load' | 'hazard' | 'avoid' | 'self_serve' | 'step' | 'breaks' | 'pin' | 'kept_in';

/** A rule that a group would break in a bay, with the figures of both. */
export type BrokenRule =
  | { readonly rule: 'litres'; readonly needLitres: number; readonly hasLitres: number }
  | { readonly rule: 'load'; readonly massG: number; readonly bearsG: number }
  | { readonly rule: 'hazard'; readonly safeFromMm: number }
  | { readonly rule: 'avoid'; readonly traits: readonly ('moist' | 'warm' | 'light')[] }
  | { readonly rule: 'self_serve' | 'step' | 'breaks' | 'pin' | 'kept_in' };

/** In a reason about one group: of how many bays it has the choice, where that is not all. */
interface OfGroup {
  /** The group's id. */
  readonly subject: string;
  readonly keptToBays?: number;
}

/** Why a bay's pins do not go together; `subject` is the bay's id. */
export type PinsReason =
  | {
      readonly code: 'pins_overfill_bay';
      readonly subject: string;
      readonly needLitres: number;
      readonly hasLitres: number;
    }
  | {
      readonly code: 'pins_overload_bay';
      readonly subject: string;
      readonly massG: number;
      readonly bearsG: number;
    }
  | {
      readonly code: 'pins_clash';
      readonly subject: string;
      readonly groupIds: readonly [string, string];
      /** In the words of whoever said that they must be apart; undefined for chemicals and food. */
      readonly why: string | undefined;
    };

/**
 * Groups that have a place each and none together. `groupIds`: these alone have none already; not
 * given where it takes many. `bayIds`: the only ones that they have; the litres, where these lack.
 */
export interface ClashReason {
  readonly code: 'cannot_all_fit';
  readonly subject: '';
  readonly groupIds?: readonly string[];
  readonly bayIds?: readonly string[];
  readonly needLitres?: number;
  readonly haveLitres?: number;
}

/** Why no arrangement can be, or was found; litres, grams and mm as in the request. */
export type ZonesReason =
  | { readonly code: 'no_bays' | 'time_ran_out'; readonly subject: '' }
  | ClashReason
  | {
      readonly code: 'not_enough_litres';
      readonly subject: '';
      readonly needLitres: number;
      readonly haveLitres: number;
    }
  | {
      readonly code: 'not_enough_load';
      readonly subject: '';
      readonly massG: number;
      readonly bearG: number;
    }
  | PinsReason
  | GroupReason;

/** Why no bay may hold one group. */
export type GroupReason = OfGroup &
  (
    | {
        readonly code: 'larger_than_every_bay';
        readonly litres: number;
        readonly largestBayId: string;
        readonly largestLitres: number;
      }
    | { readonly code: 'heavier_than_every_bay'; readonly massG: number }
    | { readonly code: 'nobody_reaches' | 'kept_to_no_bay' }
    | { readonly code: 'no_safe_place'; readonly safeFromMm: number }
    | {
        readonly code: 'pin_breaks_rule' | 'no_fit_place';
        /** The pinned bay, or the first of those that were tried. */
        readonly bayId: string;
        readonly broken: readonly BrokenRule[];
      }
  );

/**
 * What the `zones` engine answers. `objective` is seconds a week with the `together` terms in
 * metres; `bound` is proven below it.
 */
export interface ZonesAnswer {
  /** `unknown`: nothing was found in the time, nor that there is nothing; `bound` is what is proven so far. */
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  readonly objective: number | null;
  readonly bound: number | null;
  readonly elapsedMs: number;
  readonly assignment: readonly { readonly groupId: string; readonly bayId: string }[];
  /** Without the `together` terms, as are the metres, bends and stretches. */
  readonly secondsPerWeek: number;
  readonly walkedMetresPerWeek: number;
  readonly bendsPerWeek: number;
  readonly stretchesPerWeek: number;
  readonly why: readonly ZoneWhy[];
  readonly reasons: readonly ZonesReason[];
}
