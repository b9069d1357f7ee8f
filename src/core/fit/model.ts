import { z } from 'zod';
import {
  lidWishes,
  seeWishes,
  materials,
  fitAims,
  containerRoles,
  type ContainerRole,
  type RoleField,
  NEEDED,
  KINDS_OFF_LITRES,
} from './codes';

/** Ids inside a request are the caller's own; any short text will do. */
const requestId = z.string().min(1).max(100);

const amount = z.number().min(0).max(1e9);

const count = z.number().int().min(0).max(1e9);

const size = z.number().positive().max(1e9);

const obstacleSchema = z.strictObject({
  x: amount,
  y: amount,
  z: amount,
  width: size,
  depth: size,
  height: size,
  label: z.string().max(100),
});

/** What hangs on a door as a whole. */
const doorBaySchema = z.strictObject({
  /** What it may reach into the unit when the door shuts, in mm. */
  swing: size,
  /** What the hinges bear, the door's own boards apart. */
  maxLoadG: amount,
});

const fitBaySchema = z.strictObject({
  id: requestId,
  width: size,
  depth: size,
  height: size,
  /** Default: as wide and high as the inside. */
  openingWidth: size.optional(),
  openingHeight: size.optional(),
  /** Where the opening begins, from the left and from the bottom. Default: in the middle; at the bottom. */
  openingLeft: amount.optional(),
  openingBottom: amount.optional(),
  /** On which side the door hangs, and what of the opening it takes away where it stands open. */
  hinge: z.enum(['left', 'right']).optional(),
  doorTakes: amount.optional(),
  /** What stands up at the front edge and has to be lifted over. */
  lip: amount.optional(),
  /** Of the shelf above; where it is not known, nothing is hung on it. */
  shelfThickness: amount.optional(),
  /** A false floor raises everything by so much. */
  falseFloor: amount.optional(),
  onDoor: doorBaySchema.optional(),
  /** From the room's floor to the bottom of the bay: what must be seen is looked for from there. */
  bottom: amount.optional(),
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

/** Things of one size that are counted: rolls, bottles, jars, files. Lengths mm as they stand. */
const piecesSchema = z.strictObject({
  shape: z.enum(['round', 'box']),
  width: size,
  /** Default: as wide. */
  depth: size.optional(),
  height: size,
  count: z.number().int().min(1).max(10_000),
});

export type Pieces = Readonly<z.infer<typeof piecesSchema>>;

/** One of the kinds in a group, which wants a container of its own. */
const kindSchema = z.strictObject({ name: z.string().min(1).max(200), litres: size });

const fitGroupSchema = z.strictObject({
  id: requestId,
  name: z.string().max(200),
  /** With `kinds`: the sum of theirs. */
  litres: amount,
  kinds: z.array(kindSchema).min(1).max(40).optional(),
  pieces: piecesSchema.optional(),
  tallestMm: size.optional(),
  longestMm: size.optional(),
  heaviestG: amount.optional(),
  /** Whether what is tall or long may lie on its side. */
  mayLie: z.boolean().optional(),
  /**
   * The tallest may reach over the rim of a container without a lid, two fifths of it within; that container counts as
   * high as what stands in it, and bears nothing.
   */
  overRim: z.boolean().optional(),
  /** Nothing may be stacked on it. */
  crushable: z.boolean().optional(),
  colour: z.string().min(1).max(100).optional(),
  line: z.string().min(1).max(100).optional(),
  /** What one person owns stands in one colour, and in no other person's. */
  ownerId: requestId.optional(),
  /** It is poured from packs of so many litres; a container takes a whole one. */
  pour: z.strictObject({ packLitres: size }).optional(),
  /** It hangs by its top from a hook, and reaches so far down. */
  hangs: z.strictObject({ dropMm: size }).optional(),
  /** Eyes of its user above the room's floor: higher than that only what is see-through. */
  eyeMm: size.optional(),
  /** Default: 300 g a litre. */
  massG: amount.optional(),
  minInnerHeight: amount.optional(),
  minInnerWidth: amount.optional(),
  lid: z.enum(lidWishes).optional(),
  see: z.enum(seeWishes).optional(),
  /** Nothing of another group may stand in front of it. */
  front: z.boolean().optional(),
});

/** `of` is no part of the open format: the group that is asked for, where this is one of its kinds. */
export type FitGroup = Readonly<z.infer<typeof fitGroupSchema>> & { readonly of?: string };

/** What a role cannot do without, and what contradicts itself; said by its field. */
function checkContainer(
  container: {
    readonly [field in RoleField]?: number | undefined;
  } & {
    readonly outer: { readonly width: number; readonly depth: number; readonly height: number };
    readonly shape?: 'box' | 'round' | undefined;
    readonly role?: ContainerRole | undefined;
  },
  context: z.RefinementCtx,
): void {
  const { outer, shape, role = 'box' } = container;
  const refuse = (message: string, ...path: string[]): void =>
    context.addIssue({ code: 'custom', message, path });
  if (shape === 'round' && outer.width !== outer.depth)
    refuse('a round container is as wide as it is deep', 'outer', 'depth');
  for (const field of NEEDED[role] ?? [])
    if (container[field] === undefined) refuse(`a ${role} says its ${field}`, field);
  if (role === 'turntable' && shape !== 'round') refuse('a turntable is round', 'shape');
  const isBelow = (field: RoleField, most: number, words: string): void => {
    if ((container[field] ?? 0) > most) refuse(words, field);
  };
  isBelow('underHeight', outer.height, 'more is free under it than it is high');
  isBelow('underWidth', outer.width, 'more is free under it than it is wide');
  isBelow('plateHeight', outer.height, 'its plate is higher than it is');
  isBelow('rim', outer.width / 2, 'its rim leaves nothing of the plate');
  isBelow('placeDiameter', Math.max(outer.width, outer.depth), 'a place is wider than all of it');
  if (container.mostWidth !== undefined && container.mostWidth < outer.width)
    refuse('it is narrower pulled out than pushed together', 'mostWidth');
  if (role === 'divider' && outer.depth >= outer.width)
    refuse('a divider is thicker than it is long', 'outer', 'depth');
}

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
    /** Default: what the litres, the inner height and width leave. */
    innerDepth: amount.optional(),
    colour: z.string().max(100).optional(),
    /** What it does; default: it holds one group, as a box. */
    role: z.enum(containerRoles).optional(),
    /** Riser: what is free between its legs. */
    underHeight: size.optional(),
    underWidth: size.optional(),
    /**
     * Riser or divider that is pulled out: the widest. `outer.width` is the narrowest. A divider is as long as it is
     * wide, as thick as it is deep.
     */
    mostWidth: size.optional(),
    /** Riser, turntable, pull-out: what may stand on it. */
    topLoadG: amount.optional(),
    /** Turntable: height of its plate above what it stands on, and what its rim takes on each side. */
    plateHeight: size.optional(),
    rim: amount.optional(),
    /** Turntable that stands on another one: from plate to plate. */
    levelGap: size.optional(),
    /** Rail and hooks: how many things hang, and what each hook bears. */
    hooks: count.optional(),
    hookLoadG: amount.optional(),
    /** Rack: how many places, for what is round and no wider. */
    places: count.optional(),
    placeDiameter: size.optional(),
    /** Pull-out: how far it comes out. */
    travel: size.optional(),
    /** Under-shelf: the thickest shelf that it is pushed onto. */
    clipMost: size.optional(),
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
    /** So many of them lie there already, left over: they cost nothing. */
    spare: count.optional(),
    turnable: z.boolean().optional(),
  })
  .superRefine(checkContainer);

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
    request.groups.forEach(({ kinds, pieces, hangs, litres }, i) => {
      const refuse = (field: string, message: string): void =>
        context.addIssue({ code: 'custom', message, path: ['groups', i, field] });
      if (kinds && pieces)
        refuse('pieces', 'kinds are told by litres, pieces by number: one of them');
      if (hangs && !pieces) refuse('hangs', 'what hangs is counted: it says its pieces');
      const sum = (kinds ?? []).reduce((all, kind) => all + kind.litres, 0);
      if (kinds && Math.abs(sum - litres) > KINDS_OFF_LITRES * Math.max(1, kinds.length))
        refuse('litres', `the kinds hold ${sum.toFixed(2)} l together`);
    });
  });

export type FitRequest = Readonly<z.infer<typeof fitRequestSchema>>;

export type FitRequestInput = z.input<typeof fitRequestSchema>;

const mm = z.number();

/** What keeps a container from a group; mm inside. */
const groupFaultSchema = z.discriminatedUnion('fault', [
  z.strictObject({
    fault: z.enum([
      'holds_nothing',
      'no_lid',
      'lid',
      'not_clear',
      'clear',
      'colour',
      'line',
      'too_weak',
      'takes_no_pack',
      'not_round',
      'does_not_hang',
      'holds_no_piece',
      'hangs',
    ]),
  }),
  z.strictObject({
    fault: z.enum(['too_low', 'too_narrow', 'too_short', 'too_wide_for_a_place']),
    hasMm: mm,
    needsMm: mm,
  }),
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
  /** A pack of which no container takes all. */
  z.strictObject({ code: z.literal('pack_left'), subject: z.string(), litres: z.number() }),
  z.strictObject({ code: z.literal('needs_a_container'), subject: z.string() }),
  z.strictObject({ code: z.literal('needs_shelf_thickness'), subject: z.string() }),
  z.strictObject({
    code: z.literal('shelf_too_thick'),
    subject: z.string(),
    shelfMm: mm,
    clipMm: mm,
  }),
  /** Nothing that goes in suits the group. */
  z.strictObject({ code: z.literal('none_suits'), subject: z.string() }),
  /** All pieces that suit the group hold less than it has; so many of the largest would do. */
  z.strictObject({
    code: z.literal('too_few_pieces'),
    subject: z.string(),
    containerId: z.string(),
    available: count,
    wanted: count,
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

/**
 * A compartment, as wide and deep as it is inside. What ends it is a divider's board, behind it or, turned, to its right;
 * `wall`: the wall of the drawer or box does, and no board is bought.
 */
const cellSchema = z.strictObject({ width: size, depth: size, wall: z.boolean().optional() });

export type Cell = Readonly<z.infer<typeof cellSchema>>;

const placementSchema = z.strictObject({
  containerId: requestId,
  groupId: requestId,
  x: amount,
  y: amount,
  z: amount,
  turned: z.boolean(),
  /** Which of the group's kinds, from 0. */
  kind: count.optional(),
  /** On or in which of the answer's surfaces; not given: on the floor of the bay, or hung. */
  on: count.optional(),
  /** Of a divider: the compartment that it ends, in which the group lies. */
  cell: cellSchema.optional(),
});

export type Placement = Readonly<z.infer<typeof placementSchema>>;

/** What bears others: a riser, a turntable, a pull-out, a box with inserts. */
const surfaceSchema = z.strictObject({
  containerId: requestId,
  x: amount,
  y: amount,
  z: amount,
  turned: z.boolean(),
  /** As wide as it is pulled out, where that can be chosen. */
  width: size.optional(),
  /** The surface that it stands on itself. */
  on: count.optional(),
});

export type Surface = Readonly<z.infer<typeof surfaceSchema>>;

/**
 * What the `fit` engine answers. `objective` and `bound` are of the first aim of `prefer`.
 * `infeasible`: proven that not everything goes in; `unknown`: nothing was found in which it does.
 */
export const fitAnswerSchema = z.strictObject({
  status: z.enum(['optimal', 'feasible', 'infeasible', 'unknown']),
  objective: z.number().nullable(),
  bound: z.number().nullable(),
  elapsedMs: z.number(),
  placements: z.array(placementSchema).max(1000),
  /** Not given: everything stands on the floor of the bay. */
  surfaces: z.array(surfaceSchema).max(50).optional(),
  /** What has to be moved to take out all that is used daily, once each. */
  movements: z.number().optional(),
  costMinor: z.number(),
  usedLitres: z.number(),
  freeLitres: z.number(),
  unmet: z.array(z.strictObject({ groupId: requestId, litres: z.number() })),
  reasons: z.array(fitReasonSchema),
});

export type FitAnswer = Readonly<z.infer<typeof fitAnswerSchema>>;
