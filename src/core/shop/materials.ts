import { z } from 'zod';

import { bayIdSchema, lengthSchema, priceMinorSchema, roomIdSchema } from '../shared';
import { bayInsideOf, type Unit } from '../look';
import { cutRequestSchema, type CutRequest } from './cutModel';
import { rollRequestSchema, type RollRequest } from './rollModel';

const name = z.string().trim().min(1).max(60);
const count = z.number().int().min(0).max(1000);

/** Boards and liners of a room: what is bought, and what is cut from it. Its id is the room's. */
export const materialsSchema = z.object({
  id: roomIdSchema,
  boards: z.array(z.object({ name, length: lengthSchema, priceMinor: priceMinorSchema, available: count.nullable() })).max(30),
  /** What the saw takes away. */
  kerf: lengthSchema,
  /** The longest board that the car takes; null: any. */
  carLength: lengthSchema.nullable(),
  cuts: z.array(z.object({ name, length: lengthSchema, qty: count })).max(100),
  roll: z.object({ width: lengthSchema, length: lengthSchema, priceMinor: priceMinorSchema }).nullable(),
  /** Places that are lined. */
  linedBayIds: z.array(bayIdSchema).max(300),
});
export type Materials = Readonly<z.infer<typeof materialsSchema>>;

/** So long each of the two is improved. */
const MATERIALS_MS = 1500;

/** Asks the `cut` engine; pieces and boards by their place in the lists. Boards that the car does not take are left out. */
export function toCutRequest({ boards, kerf, carLength, cuts }: Materials): CutRequest {
  return cutRequestSchema.parse({
    kerfMm: kerf.mm, timeLimitMs: MATERIALS_MS,
    stock: boards.flatMap(({ length, priceMinor, available }, i) => (carLength !== null && length.mm > carLength.mm ? [] : [{ id: `board-${i}`, lengthMm: length.mm, priceMinor, ...(available === null ? {} : { available }) }])),
    pieces: cuts.map(({ length, qty }, i) => ({ id: `cut-${i}`, lengthMm: length.mm, qty })),
  });
}

/** Asks the `roll` engine for a liner for each lined place, as wide and as deep as its smallest reading; undefined without a roll. */
export function toRollRequest({ roll, linedBayIds }: Materials, units: readonly Unit[]): RollRequest | undefined {
  if (!roll) return undefined;
  const bays = units.flatMap((unit) => unit.bays).filter(({ id }) => linedBayIds.includes(id));
  return rollRequestSchema.parse({
    roll: { widthMm: roll.width.mm, lengthMm: roll.length.mm, priceMinor: roll.priceMinor }, timeLimitMs: MATERIALS_MS,
    pieces: bays.map((bay) => ({ id: bay.id, widthMm: bayInsideOf(bay).widthMm, depthMm: bayInsideOf(bay).depthMm, qty: 1 })),
  });
}
