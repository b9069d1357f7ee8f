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
});
export type ZoneBay = Readonly<z.infer<typeof zoneBaySchema>>;

const stationSchema = z.strictObject({
  id: requestId,
  name: z.string().max(200),
  x: amount,
  y: amount,
});
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
      group.userIds.forEach((id, j) => {
        if (!people.has(id)) refuse(`there is no person "${id}"`, ['groups', i, 'userIds', j]);
        if (group.userIds.indexOf(id) !== j)
          refuse(`the id "${id}" occurs twice`, ['groups', i, 'userIds', j]);
      });
    });
    for (const list of ['together', 'apart'] as const) {
      request[list].forEach(({ a, b }, i) => {
        if (!groups.has(a)) refuse(`there is no group "${a}"`, [list, i, 'a']);
        if (!groups.has(b)) refuse(`there is no group "${b}"`, [list, i, 'b']);
        if (a === b) refuse('a group is always with itself', [list, i, 'b']);
      });
    }
  });
export type ZonesRequest = Readonly<z.infer<typeof zonesRequestSchema>>;
export type ZonesRequestInput = z.input<typeof zonesRequestSchema>;

type WhyCode =
  | 'near_station'
  | 'in_reach'
  | 'kept_safe'
  | 'with_partner'
  | 'pinned'
  | 'only_place'
  | 'made_room';
export interface ZoneWhy {
  readonly groupId: string;
  readonly code: WhyCode;
  readonly facts: Readonly<Record<string, number | string>>;
}
export interface ZonesReason {
  readonly code:
    | 'no_bays'
    | 'larger_than_every_bay'
    | 'heavier_than_every_bay'
    | 'nobody_reaches'
    | 'no_safe_place'
    | 'no_fit_place'
    | 'pin_breaks_rule'
    | 'pins_overfill_bay'
    | 'pins_clash'
    | 'not_enough_litres'
    | 'not_enough_load'
    | 'cannot_all_fit'
    | 'time_ran_out';
  readonly message: string;
  readonly subject: string;
}

/**
 * What the `zones` engine answers. `objective` is seconds a week with the `together` terms in
 * metres; `bound` is proven below it.
 */
export interface ZonesAnswer {
  readonly status: 'optimal' | 'feasible' | 'infeasible';
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
