import { z } from 'zod';

const requestId = z.string().min(1).max(100);
const amount = z.number().min(0).max(1e9);
const positive = z.number().positive('must be more than 0').max(1e9);
const mostBoxes = z.number().int().positive('must be more than 0').max(1e9);

const loadSchema = z.strictObject({
  id: requestId,
  litres: amount,
  massG: amount,
  destinationId: requestId,
  /** At most 5 kg stand on it in its box. */
  fragile: z.boolean().default(false),
  longMm: amount.optional(),
});
export type Load = Readonly<z.infer<typeof loadSchema>>;

const destinationSchema = z.strictObject({
  id: requestId,
  name: z.string().max(200),
  /** One way from home. */
  minutes: amount,
  /** When it takes things in, in minutes of the day; open at all times where none are given. */
  hours: z
    .array(z.strictObject({ from: amount, to: amount }))
    .max(50)
    .optional(),
  /** From stopping there to driving on. */
  unloadMinutes: amount.optional(),
  /** Of one trip. */
  maxBoxes: mostBoxes.optional(),
});

/** Above a fragile load in a box. */
export const MOST_ABOVE_FRAGILE_G = 5000;

/**
 * What the `haul` engine is asked: what leaves and where to, the box, the car and the ways.
 * `unloadMinutes` and `maxBoxes` beside the destinations hold for those that do not say their own.
 * Source: docs/engines.md.
 */
export const haulRequestSchema = z
  .strictObject({
    loads: z.array(loadSchema).max(2000),
    box: z
      .strictObject({ litres: positive.default(50), maxG: positive.default(15_000) })
      .prefault({}),
    car: z.strictObject({ litres: positive, maxG: positive, longMm: positive.optional() }),
    destinations: z.array(destinationSchema).max(30),
    /** From row to column, in the order of `destinations`; without it there and back for each. */
    driveMinutes: z.array(z.array(amount)).optional(),
    /** When a trip can leave, in minutes of the day; each once. Needed where there are hours. */
    departures: z.array(amount).max(60).optional(),
    unloadMinutes: amount.optional(),
    maxBoxes: mostBoxes.optional(),
    /** No trip is longer, with waiting. */
    mostMinutes: amount.optional(),
    /** Loads that never share a box, or never a trip. */
    conflicts: z
      .array(z.strictObject({ a: requestId, b: requestId, in: z.enum(['box', 'trip']) }))
      .max(20_000)
      .optional(),
    /** Boxes that are packed, from the bottom up: they stay as they are. */
    packed: z
      .array(z.strictObject({ destinationId: requestId, loadIds: z.array(requestId).min(1) }))
      .max(2000)
      .optional(),
    seed: z.number().int().min(0).max(1e9).default(1),
    timeLimitMs: amount.default(1000),
  })
  .superRefine((request, context) => {
    for (const { message, path } of findMistakes(request))
      context.addIssue({ code: 'custom', message, path: [...path] });
  });
export type HaulRequest = Readonly<z.infer<typeof haulRequestSchema>>;
export type HaulRequestInput = z.input<typeof haulRequestSchema>;

/** A box, or a load that is larger than one. `loadIds` from the bottom up. */
export interface HaulBox {
  readonly destinationId: string;
  readonly loadIds: readonly string[];
  readonly massG: number;
  readonly litres: number;
}
/** From home by its destinations in their order, and home. `minutes` has unloading and waiting in it. */
export interface HaulTrip {
  readonly boxIndexes: readonly number[];
  readonly destinationIds: readonly string[];
  readonly minutes: number;
  /** When it leaves, where departures were given. */
  readonly departure?: number;
}
/**
 * What the `haul` engine answers: fewest boxes, then fewest trips, then least minutes. `objective` is
 * the number of boxes; `optimal` only where all three aims are proven, each beside its bound.
 */
export interface HaulAnswer {
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  readonly objective: number | null;
  readonly bound: number | null;
  readonly elapsedMs: number;
  readonly boxes: readonly HaulBox[];
  readonly trips: readonly HaulTrip[];
  readonly minutes: number | null;
  /** Proven: no arrangement has fewer boxes; with so many none fewer trips; with so many none less time. */
  readonly bounds: { readonly boxes: number; readonly trips: number; readonly minutes: number };
  readonly reasons: readonly HaulReason[];
}

/** Why nothing can be arranged. `subject` is a load, a destination, or `trips`. */
export type HaulReason =
  | {
      readonly code: 'load_too_large' | 'load_too_heavy' | 'load_too_long';
      readonly subject: string;
      readonly needs: number;
      readonly has: number;
    }
  /** An empty box already takes more than the car has. */
  | {
      readonly code: 'box_too_large';
      readonly subject: string;
      readonly needs: number;
      readonly has: number;
    }
  /** A box that is packed breaks a rule; the load is its lowest. */
  | {
      readonly code: 'packed_too_full' | 'packed_too_heavy' | 'packed_crushes';
      readonly subject: string;
      readonly needs: number;
      readonly has: number;
    }
  | { readonly code: 'packed_conflict'; readonly subject: string; readonly other: string }
  /** No departure gets there while it is open. */
  | {
      readonly code: 'never_open';
      readonly subject: string;
      readonly departures: readonly number[];
      readonly hours: readonly { readonly from: number; readonly to: number }[];
      readonly minutes: number;
    }
  | {
      readonly code: 'too_few_departures';
      readonly subject: string;
      readonly needs: number;
      readonly has: number;
    }
  /** Every way to fill the departures was looked at. */
  | { readonly code: 'no_arrangement'; readonly subject: string };

interface Mistake {
  readonly message: string;
  readonly path: readonly (string | number)[];
}
type Parsed = Omit<z.infer<typeof haulRequestSchema>, never>;

function findMistakes(request: Parsed): Mistake[] {
  return [
    ...findDoubles(request.destinations, 'destinations'),
    ...findDoubles(request.loads, 'loads'),
    ...findStrangers(request),
    ...findWrongHours(request),
    ...findWrongTable(request),
    ...findWrongPacked(request),
  ];
}

function findDoubles(list: readonly { readonly id: string }[], name: string): Mistake[] {
  const seen = new Set<string>();
  return list.flatMap(({ id }, i) => {
    if (seen.has(id)) return [{ message: `the id "${id}" occurs twice`, path: [name, i, 'id'] }];
    seen.add(id);
    return [];
  });
}

function findStrangers({ loads, destinations, conflicts = [] }: Parsed): Mistake[] {
  const places = new Set(destinations.map(({ id }) => id));
  const known = new Set(loads.map(({ id }) => id));
  return [
    ...loads.flatMap(({ destinationId }, i) =>
      places.has(destinationId)
        ? []
        : [
            {
              message: `there is no destination "${destinationId}"`,
              path: ['loads', i, 'destinationId'],
            },
          ],
    ),
    ...conflicts.flatMap(({ a, b }, i) => [
      ...([['a', a] as const, ['b', b] as const] as const).flatMap(([field, id]) =>
        known.has(id)
          ? []
          : [{ message: `there is no load "${id}"`, path: ['conflicts', i, field] }],
      ),
      ...(a === b
        ? [{ message: `"${a}" cannot conflict with itself`, path: ['conflicts', i, 'b'] }]
        : []),
    ]),
  ];
}

function findWrongHours({ destinations, departures }: Parsed): Mistake[] {
  return destinations.flatMap(({ hours = [] }, i) => {
    const sorted = [...hours.entries()].sort(([, a], [, b]) => a.from - b.from);
    return [
      ...hours.flatMap(({ from, to }, j) =>
        to < from
          ? [{ message: 'it closes before it opens', path: ['destinations', i, 'hours', j, 'to'] }]
          : [],
      ),
      ...sorted.flatMap(([j, { from }], k) => {
        const before = sorted[k - 1];
        return before && from < before[1].to
          ? [
              {
                message: `these hours overlap hours ${before[0]}`,
                path: ['destinations', i, 'hours', j, 'from'],
              },
            ]
          : [];
      }),
      ...(hours.length > 0 && departures === undefined
        ? [{ message: 'hours need departures', path: ['departures'] }]
        : []),
    ];
  });
}

function findWrongTable({ destinations, driveMinutes }: Parsed): Mistake[] {
  if (!driveMinutes) return [];
  const count = destinations.length;
  if (driveMinutes.length !== count)
    return [{ message: `there must be ${count} rows`, path: ['driveMinutes'] }];
  return driveMinutes.flatMap((row, i) =>
    row.length === count
      ? []
      : [{ message: `there must be ${count} columns`, path: ['driveMinutes', i] }],
  );
}

function findWrongPacked({ loads, destinations, packed = [] }: Parsed): Mistake[] {
  const goesTo = new Map(loads.map(({ id, destinationId }) => [id, destinationId]));
  const places = new Set(destinations.map(({ id }) => id));
  const seen = new Set<string>();
  return packed.flatMap(({ destinationId, loadIds }, i) => [
    ...(places.has(destinationId)
      ? []
      : [
          {
            message: `there is no destination "${destinationId}"`,
            path: ['packed', i, 'destinationId'],
          },
        ]),
    ...loadIds.flatMap((id, j) => {
      const path = ['packed', i, 'loadIds', j];
      const place = goesTo.get(id);
      if (place === undefined) return [{ message: `there is no load "${id}"`, path }];
      if (seen.has(id)) return [{ message: `"${id}" is packed twice`, path }];
      seen.add(id);
      return place === destinationId
        ? []
        : [{ message: `"${id}" goes to "${place}", not to "${destinationId}"`, path }];
    }),
  ]);
}
