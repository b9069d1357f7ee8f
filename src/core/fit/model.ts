import { z } from 'zod';

/** Ids inside a request are the caller's own; any short text will do. */
const requestId = z.string().min(1).max(100);
const amount = z.number().min(0).max(1e9);
const count = z.number().int().min(0).max(1e9);
const size = z.number().positive().max(1e9);

export const lidWishes = ['required', 'forbidden', 'any'] as const;
export const seeWishes = ['clear', 'opaque', 'any'] as const;
export const materials = ['plastic', 'wood', 'wicker', 'metal', 'glass', 'card', 'fabric'] as const;
export const fitAims = ['cost', 'uniform', 'reuse', 'easy'] as const;
export type FitAim = (typeof fitAims)[number];

const obstacleSchema = z.strictObject({
  x: amount,
  y: amount,
  z: amount,
  width: size,
  depth: size,
  height: size,
  label: z.string().max(100),
});

const fitBaySchema = z.strictObject({
  id: requestId,
  width: size,
  depth: size,
  height: size,
  /** Default: as wide and high as the inside. */
  openingWidth: size.optional(),
  openingHeight: size.optional(),
  maxLoadG: amount.optional(),
  pullOut: z.boolean().optional(),
  moist: z.boolean().optional(),
  dark: z.boolean().optional(),
  obstacles: z.array(obstacleSchema).max(50).optional(),
});

const clearancesSchema = z.strictObject({
  side: amount.default(3),
  between: amount.default(2),
  top: amount.default(25),
  front: amount.default(5),
  back: amount.default(0),
});
export type Clearances = Readonly<z.infer<typeof clearancesSchema>>;

const fitGroupSchema = z.strictObject({
  id: requestId,
  name: z.string().max(200),
  litres: amount,
  /** Default: 300 g a litre. */
  massG: amount.optional(),
  minInnerHeight: amount.optional(),
  minInnerWidth: amount.optional(),
  lid: z.enum(lidWishes).optional(),
  see: z.enum(seeWishes).optional(),
  /** Nothing of another group may stand in front of it. */
  front: z.boolean().optional(),
});
export type FitGroup = Readonly<z.infer<typeof fitGroupSchema>>;

const fitContainerSchema = z
  .strictObject({
    id: requestId,
    name: z.string().max(200),
    /** Outside at the widest, rims and handles included. */
    outer: z.strictObject({ width: size, depth: size, height: size }),
    innerLitres: amount,
    innerHeight: amount,
    /** Default: the smaller outer side. */
    innerWidth: amount.optional(),
    shape: z.enum(['box', 'round']).optional(),
    lid: z.boolean().optional(),
    clear: z.boolean().optional(),
    material: z.enum(materials),
    line: z.string().max(100).optional(),
    stackable: z.boolean().optional(),
    maxStack: count.optional(),
    tareG: amount.optional(),
    maxLoadG: amount.optional(),
    /** 0 for what is owned or made. */
    priceMinor: count,
    /** How many there are; default: as many as wanted. */
    available: count.optional(),
    turnable: z.boolean().optional(),
  })
  .refine(
    (container) => container.shape !== 'round' || container.outer.width === container.outer.depth,
    {
      message: 'a round container is as wide as it is deep',
      path: ['outer', 'depth'],
    },
  );
export type FitContainer = Readonly<z.infer<typeof fitContainerSchema>>;

function refuseDoubleIds(
  items: readonly { readonly id: string }[],
  listName: string,
  context: z.RefinementCtx,
): void {
  items.forEach((item, i) => {
    if (items.findIndex((other) => other.id === item.id) !== i) {
      context.addIssue({
        code: 'custom',
        message: `the id "${item.id}" occurs twice`,
        path: [listName, i, 'id'],
      });
    }
  });
}

/** What the `fit` engine is asked: lengths mm, mass g, money minor units. Source: docs/engines.md. */
export const fitRequestSchema = z
  .strictObject({
    bay: fitBaySchema,
    clearances: clearancesSchema.default({ side: 3, between: 2, top: 25, front: 5, back: 0 }),
    groups: z.array(fitGroupSchema).max(60),
    containers: z.array(fitContainerSchema).max(500),
    prefer: z.enum(fitAims).default('cost'),
    seed: z.number().int().min(0).max(1e9).default(1),
    timeLimitMs: z.number().min(0).max(1e9).default(1000),
  })
  .superRefine((request, context) => {
    refuseDoubleIds(request.groups, 'groups', context);
    refuseDoubleIds(request.containers, 'containers', context);
  });
export type FitRequest = Readonly<z.infer<typeof fitRequestSchema>>;
export type FitRequestInput = z.input<typeof fitRequestSchema>;

const mm = z.number();
/** What keeps a container from a group; mm inside. */
const groupFaultSchema = z.discriminatedUnion('fault', [
  z.strictObject({
    fault: z.enum(['holds_nothing', 'no_lid', 'lid', 'not_clear', 'clear']),
  }),
  z.strictObject({ fault: z.enum(['too_low', 'too_narrow']), hasMm: mm, needsMm: mm }),
]);
export type GroupFault = Readonly<z.infer<typeof groupFaultSchema>>;

/** Why something does not go in; `subject` is the group's or the container's id. Lengths in mm. */
const fitReasonSchema = z.discriminatedUnion('code', [
  z.strictObject({
    code: z.literal('no_container_suits'),
    subject: z.string(),
    groupId: z.string(),
    why: groupFaultSchema,
  }),
  z.strictObject({
    code: z.literal('draws_damp'),
    subject: z.string(),
    material: z.enum(materials),
  }),
  z.strictObject({
    code: z.literal('container_does_not_pass'),
    subject: z.string(),
    side: z.enum(['high', 'wide']),
    sizeMm: mm,
    openingMm: mm,
  }),
  z.strictObject({
    code: z.literal('container_too_high'),
    subject: z.string(),
    heightMm: mm,
    freeMm: mm,
    toLiftMm: mm,
  }),
  z.strictObject({
    code: z.literal('container_too_big'),
    subject: z.string(),
    widthMm: mm,
    depthMm: mm,
    floorWidthMm: mm,
    floorDepthMm: mm,
  }),
  z.strictObject({
    code: z.literal('not_enough_floor'),
    subject: z.string(),
    litres: z.number(),
    /** Proven, or only not found in the time. */
    isImpossible: z.boolean(),
  }),
]);
export type FitReason = Readonly<z.infer<typeof fitReasonSchema>>;

const placementSchema = z.strictObject({
  containerId: requestId,
  groupId: requestId,
  x: amount,
  y: amount,
  z: amount,
  turned: z.boolean(),
});
export type Placement = Readonly<z.infer<typeof placementSchema>>;

/** What the `fit` engine answers. `objective` and `bound` are of the first aim of `prefer`. */
export const fitAnswerSchema = z.strictObject({
  status: z.enum(['optimal', 'feasible', 'infeasible']),
  objective: z.number().nullable(),
  bound: z.number().nullable(),
  elapsedMs: z.number(),
  placements: z.array(placementSchema).max(1000),
  costMinor: z.number(),
  usedLitres: z.number(),
  freeLitres: z.number(),
  unmet: z.array(z.strictObject({ groupId: requestId, litres: z.number() })),
  reasons: z.array(fitReasonSchema),
});
export type FitAnswer = Readonly<z.infer<typeof fitAnswerSchema>>;
