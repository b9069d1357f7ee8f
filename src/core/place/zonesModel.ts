import { z } from 'zod';
import { checkDistances } from './zonesAnswer';

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

export type ZonesRequest = Readonly<z.infer<typeof zonesRequestSchema>>;

export type ZonesRequestInput = z.input<typeof zonesRequestSchema>;
