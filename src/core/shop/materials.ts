import { z } from 'zod';
import { bayIdSchema, lengthSchema, priceMinorSchema, roomIdSchema, shopIdSchema } from '../shared';
import { bayInsideOf, type Unit } from '../look';
import { cutRequestSchema, type CutRequest } from './cutModel';
import { prioritySchema } from './model';
import { rollRequestSchema, type RollRequest } from './rollModel';
import { wallKinds, OFF_LIST, toStockId, toPieceId, MATERIALS_MS } from './materialCodes';

const name = z.string().trim().min(1).max(60);

const count = z.number().int().min(0).max(1000);

export const wallKindSchema = z.enum(wallKinds);

export type WallKind = z.infer<typeof wallKindSchema>;

/** Paint, by the makers' figures on the can. */
const paintSchema = z.object({
  surfaces: z
    .array(z.object({ name, width: lengthSchema, height: lengthSchema, qty: count }))
    .max(60),
  coats: z.number().int().min(1).max(6),
  squareMetresPerLitre: z.number().positive().max(40),
  canLitres: z.number().positive().max(100),
  priceMinor: priceMinorSchema,
  /** From one coat to the next. */
  dryHours: z.number().min(0).max(200),
  /** From the last coat until things may stand on it. */
  cureDays: z.number().min(0).max(60),
});

export type Paint = Readonly<z.infer<typeof paintSchema>>;

/** Label tape: one label for every container of the taken fits, and spare ones. */
const labelTapeSchema = z.object({
  /** Height of a capital letter. */
  letter: lengthSchema,
  cassette: lengthSchema,
  priceMinor: priceMinorSchema,
  spareCount: count,
});

export type LabelTape = Readonly<z.infer<typeof labelTapeSchema>>;

const fixingsSchema = z.object({
  rows: z
    .array(
      z.object({
        name,
        things: count,
        each: z.number().int().min(1).max(50),
        wall: wallKindSchema,
      }),
    )
    .max(60),
  packs: z
    .array(
      z.object({
        wall: wallKindSchema,
        packSize: z.number().int().min(1).max(1000),
        priceMinor: priceMinorSchema,
      }),
    )
    .max(wallKinds.length),
});

export type Fixings = Readonly<z.infer<typeof fixingsSchema>>;

/** Where it is bought and how much it is wanted; without a shop it stays off the list. */
const buyingSchema = z.object({ shopId: shopIdSchema.nullable(), priority: prioritySchema });

const allBuyingSchema = z.object({
  boards: buyingSchema.default(OFF_LIST),
  panel: buyingSchema.default(OFF_LIST),
  roll: buyingSchema.default(OFF_LIST),
  paint: buyingSchema.default(OFF_LIST),
  labels: buyingSchema.default(OFF_LIST),
  fixings: buyingSchema.default(OFF_LIST),
});

/**
 * What there is of boards, each known by an id of its own, so that what was approved and bought
 * stays with it; kept lists of before are known by their order.
 */
const boardsSchema = z
  .array(
    z.object({
      id: z.string().min(1).max(60).optional(),
      name,
      length: lengthSchema,
      priceMinor: priceMinorSchema,
      available: count.nullable(),
    }),
  )
  .max(30)
  .transform((boards) => boards.map((board, i) => ({ ...board, id: board.id ?? `${i}` })))
  .refine(
    (boards) => new Set(boards.map(({ id }) => id)).size === boards.length,
    'Two boards have one id',
  );

/**
 * Boards, liners, paint, labels and fixings of a room: what is bought, and what is made of it. Its
 * id is the room's.
 */
export const materialsSchema = z.object({
  id: roomIdSchema,
  boards: boardsSchema,
  /** What the saw takes away. */
  kerf: lengthSchema,
  /** The longest board that the car takes; null: any. */
  carLength: lengthSchema.nullable(),
  cuts: z.array(z.object({ name, length: lengthSchema, qty: count })).max(100),
  roll: z
    .object({ width: lengthSchema, length: lengthSchema, priceMinor: priceMinorSchema })
    .nullable(),
  /** The sheet that false floors are cut from. */
  panel: z
    .object({ width: lengthSchema, length: lengthSchema, priceMinor: priceMinorSchema })
    .nullable()
    .default(null),
  /** Places that are lined. */
  linedBayIds: z.array(bayIdSchema).max(300),
  paint: paintSchema.nullable().default(null),
  labels: labelTapeSchema.nullable().default(null),
  fixings: fixingsSchema.default({ rows: [], packs: [] }),
  buying: allBuyingSchema.default(() => allBuyingSchema.parse({})),
});

export type Materials = Readonly<z.infer<typeof materialsSchema>>;

export type MaterialsInput = Readonly<z.input<typeof materialsSchema>>;

/**
 * Asks the `cut` engine; boards by their ids, pieces by their place in the list. Boards that the
 * car does not take are left out.
 */
export function toCutRequest({ boards, kerf, carLength, cuts }: Materials): CutRequest {
  return cutRequestSchema.parse({
    kerfMm: kerf.mm,
    timeLimitMs: MATERIALS_MS,
    stock: boards.flatMap(({ id, length, priceMinor, available }) =>
      carLength !== null && length.mm > carLength.mm
        ? []
        : [
            {
              id: toStockId(id),
              lengthMm: length.mm,
              priceMinor,
              ...(available === null ? {} : { available }),
            },
          ],
    ),
    pieces: cuts.map(({ length, qty }, i) => ({ id: toPieceId(i), lengthMm: length.mm, qty })),
  });
}

/**
 * Asks the `roll` engine for a liner for each lined place, as wide and as deep as its smallest
 * reading; undefined without a roll.
 */
export function toRollRequest(
  { roll, linedBayIds }: Materials,
  units: readonly Unit[],
): RollRequest | undefined {
  if (!roll) return undefined;
  const bays = units.flatMap((unit) => unit.bays).filter(({ id }) => linedBayIds.includes(id));
  return rollRequestSchema.parse({
    roll: { widthMm: roll.width.mm, lengthMm: roll.length.mm, priceMinor: roll.priceMinor },
    timeLimitMs: MATERIALS_MS,
    pieces: bays.map((bay) => ({
      id: bay.id,
      widthMm: bayInsideOf(bay).widthMm,
      depthMm: bayInsideOf(bay).depthMm,
      qty: 1,
    })),
  });
}
