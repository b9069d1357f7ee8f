import { z } from 'zod';

import { containerIdSchema, currencySchema, offerIdSchema, priceMinorSchema, purchaseIdSchema, roomIdSchema, shopIdSchema } from '../shared';

/** A shop as the organizer's price list knows it. */
export const shopSchema = z.object({
  id: shopIdSchema,
  name: z.string().trim().min(1).max(80),
  currency: currencySchema,
  deliveryMinor: priceMinorSchema,
  /** Goods from this sum are delivered free; null: delivery is always due. */
  freeOverMinor: priceMinorSchema.nullable(),
});
export type Shop = Readonly<z.infer<typeof shopSchema>>;

/** A container in a pack at a shop, tax included. */
export const offerSchema = z.object({
  id: offerIdSchema,
  shopId: shopIdSchema,
  containerId: containerIdSchema,
  packSize: z.number().int().min(1).max(1000),
  priceMinor: priceMinorSchema,
});
export type Offer = Readonly<z.infer<typeof offerSchema>>;

/** Something that was paid for: packs of a container, or a delivery (no container, no pieces). */
export const purchaseSchema = z.object({
  id: purchaseIdSchema,
  roomId: roomIdSchema,
  containerId: containerIdSchema.nullable(),
  shopName: z.string().trim().min(1).max(80),
  label: z.string().trim().min(1).max(120),
  pieces: z.number().int().min(0).max(100_000),
  paidMinor: priceMinorSchema,
  boughtAt: z.iso.datetime(),
  /** Until when the shop takes it back; null: nobody has said. */
  returnBy: z.iso.date().nullable().default(null),
  returnedPieces: z.number().int().min(0).max(100_000).default(0),
  /** Paid back for them. */
  refundMinor: priceMinorSchema.default(0),
});
export type Purchase = Readonly<z.infer<typeof purchaseSchema>>;
