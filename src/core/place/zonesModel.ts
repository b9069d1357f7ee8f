import { z } from 'zod';

const requestId = z.string().min(1).max(100);
const amount = z.number().min(0).max(1e9);

const zoneBaySchema = z.strictObject({
  id: requestId,
  litres: amount,
  maxLoadG: amount.optional(),
  /** In plan, mm; `z` is the height at which one reaches in. */
  x: amount,
  y: amount,
  z: amount,
  locked: z.boolean().default(false),
  moist: z.boolean().default(false),
  warm: z.boolean().default(false),
  light: z.boolean().default(false),
  row: z.enum(['front', 'back']).default('front'),
  unitId: z.string().max(100).optional(),
  /** Where it lies, for `distances`. */
  areaId: requestId.optional(),
});
export type ZoneBay = Readonly<z.infer<typeof zoneBaySchema>>;

const stationSchema = z.strictObject({
  id: requestId,
  name: z.string().max(200),
  x: amount,
  y: amount,
  /** Where it lies, for `distances`. */
  areaId: requestId.optional(),
});
export type ZoneStation = Readonly<z.infer<typeof stationSchema>>;
const zonePersonSchema = z.strictObject({
  id: requestId,
  heightMm: amount.positive('must be more than 0'),
  child: z.boolean().default(false),
  noStep: z.boolean().default(false),
});
export type ZonePerson = Readonly<z.infer<typeof zonePersonSchema>>;

const zoneGroupSchema = z.strictObject({
  id: requestId,
  name: z.string().max(200),
  litres: amount,
  /** 300 g a litre where it is missing. */
  massG: amount.optional(),
  usesPerWeek: amount,
  stationId: requestId,
  userIds: z.array(requestId).min(1).max(100),
  hazard: z.enum(['chemical', 'sharp', 'medicine']).optional(),
  avoid: z
    .array(z.enum(['moist', 'warm', 'light']))
    .max(3)
    .default([]),
  food: z.boolean().default(false),
  fixedBayId: requestId.optional(),
  /** It stands in one of these; any bay where it is missing. */
  onlyBayIds: z.array(requestId).max(1000).optional(),
  selfServe: z.boolean().default(false),
  /** Never above 1.05 of the height of its tallest user. */
  breaks: z.boolean().default(false),
  /** Of its uses a share is looked for in that bay first; where it stands elsewhere, that costs so many seconds. */
  sought: z
    .array(
      z.strictObject({
        bayId: requestId,
        share: z.number().min(0).max(1),
        seconds: z.number().min(0).max(3600),
      }),
    )
    .max(100)
    .optional(),
});
export type ZoneGroup = Readonly<z.infer<typeof zoneGroupSchema>>;

/** What the `zones` engine is asked. Source: docs/engines.md. */
export const zonesRequestSchema = z
  .strictObject({
    bays: z.array(zoneBaySchema).max(1000),
    stations: z.array(stationSchema).max(200),
    people: z.array(zonePersonSchema).max(100),
    groups: z.array(zoneGroupSchema).max(1000),
    together: z
      .array(z.strictObject({ a: requestId, b: requestId, weight: amount }))
      .max(2000)
      .default([]),
    apart: z
      .array(z.strictObject({ a: requestId, b: requestId, why: z.string().max(200) }))
      .max(2000)
      .default([]),
    /**
     * Metres on foot between two areas, both ways, in place of the straight line: `[areaId, areaId,
     * metres]`; or a table in metres, areas in the order in which bays and then stations name them.
     */
    distances: z
      .array(z.union([z.tuple([requestId, requestId, amount]), z.array(amount).max(2000)]))
      .max(200_000)
      .optional(),
    /** Whether what weighs more than 5 kg costs more where it is lifted low or high. */
    lifts: z.boolean().default(false),
    seed: z.number().int().min(0).max(1e9).default(1),
    timeLimitMs: amount.default(1000),
  })
  .superRefine((request, context) => {
    const refuse = (message: string, path: (string | number)[]) =>
      context.addIssue({ code: 'custom', message, path });
    const idsOf = (list: 'bays' | 'stations' | 'people' | 'groups'): ReadonlySet<string> => {
      const seen = new Set<string>();
      request[list].forEach(({ id }, i) => {
        if (seen.has(id)) refuse(`the id "${id}" occurs twice`, [list, i, 'id']);
        seen.add(id);
      });
      return seen;
    };
    const [bays, stations, people, groups] = [
      idsOf('bays'),
      idsOf('stations'),
      idsOf('people'),
      idsOf('groups'),
    ];
    request.groups.forEach((group, i) => {
      if (!stations.has(group.stationId))
        refuse(`there is no station "${group.stationId}"`, ['groups', i, 'stationId']);
      if (group.fixedBayId !== undefined && !bays.has(group.fixedBayId))
        refuse(`there is no bay "${group.fixedBayId}"`, ['groups', i, 'fixedBayId']);
      group.onlyBayIds?.forEach((id, j) => {
        if (!bays.has(id)) refuse(`there is no bay "${id}"`, ['groups', i, 'onlyBayIds', j]);
        if (group.onlyBayIds?.indexOf(id) !== j)
          refuse(`the id "${id}" occurs twice`, ['groups', i, 'onlyBayIds', j]);
      });
      group.sought?.forEach(({ bayId }, j) => {
        if (!bays.has(bayId))
          refuse(`there is no bay "${bayId}"`, ['groups', i, 'sought', j, 'bayId']);
      });
      if ((group.sought ?? []).reduce((sum, { share }) => sum + share, 0) > 1 + 1e-9)
        refuse('the shares come to more than 1', ['groups', i, 'sought']);
      group.userIds.forEach((id, j) => {
        if (!people.has(id)) refuse(`there is no person "${id}"`, ['groups', i, 'userIds', j]);
        if (group.userIds.indexOf(id) !== j)
          refuse(`the id "${id}" occurs twice`, ['groups', i, 'userIds', j]);
      });
    });
    checkDistances(request, refuse);
    for (const list of ['together', 'apart'] as const) {
      request[list].forEach(({ a, b }, i) => {
        if (!groups.has(a)) refuse(`there is no group "${a}"`, [list, i, 'a']);
        if (!groups.has(b)) refuse(`there is no group "${b}"`, [list, i, 'b']);
        if (a === b) refuse('a group is always with itself', [list, i, 'b']);
      });
    }
  });
/** Every area that bays and then stations name, in that order, once each. */
export const areasOf = (request: {
  readonly bays: readonly { readonly areaId?: string | undefined }[];
  readonly stations: readonly { readonly areaId?: string | undefined }[];
}): string[] => [
  ...new Set([...request.bays, ...request.stations].flatMap(({ areaId }) => areaId ?? [])),
];

/** A row names two known areas, or is one line of a table that has a line and a column for each area. */
function checkDistances(
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
export type ZonesRequest = Readonly<z.infer<typeof zonesRequestSchema>>;
export type ZonesRequestInput = z.input<typeof zonesRequestSchema>;

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
