import { z } from 'zod';

import {
  containerIdSchema,
  currencySchema,
  giftCardIdSchema,
  handNeedIdSchema,
  offerIdSchema,
  priceMinorSchema,
  pictureIdSchema,
  projectIdSchema,
  purchaseIdSchema,
  receiptIdSchema,
  roomIdSchema,
  shopIdSchema,
} from '../shared';
import { prioritySchema } from './model';

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
  /** When the shop's service said so; null: from the price list kept by hand. */
  checkedAt: z.iso.datetime().nullable().default(null),
  /** Packs in stock when it was asked; null: not known. */
  inStock: z.number().int().min(0).max(1_000_000).nullable().default(null),
  /** Where it stands in the shop, "3 left"; lists go by it. */
  aisle: z.string().trim().max(20).default(''),
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
  /** Ordered, and to arrive on this day; null: it was taken along, or nobody has said. */
  deliverOn: z.iso.date().nullable().default(null),
  returnedPieces: z.number().int().min(0).max(100_000).default(0),
  /** Paid back for them. */
  refundMinor: priceMinorSchema.default(0),
  /** Who paid, in a word; empty: nobody has said. */
  paidBy: z.string().trim().max(40).default(''),
  /** The part that a gift card paid. */
  cardMinor: priceMinorSchema.default(0),
  /** What the list said; null: it was not on a list. */
  expectedMinor: priceMinorSchema.nullable().default(null),
  handNeedId: handNeedIdSchema.nullable().default(null),
  /** Which of the room's materials it is: `paint`, `boards-` and the board's id; null: none. */
  materialKey: z.string().min(1).max(60).nullable().default(null),
  /** On which receipt it stands; null: none is kept. */
  receiptId: receiptIdSchema.nullable().default(null),
});
export type Purchase = Readonly<z.infer<typeof purchaseSchema>>;

/** Something to buy that no fit calls for: paint, hooks, labels, anchors. */
export const handNeedSchema = z.object({
  id: handNeedIdSchema,
  roomId: roomIdSchema,
  name: z.string().trim().min(1).max(80),
  qty: z.number().int().min(1).max(10_000),
  priority: prioritySchema,
  shopId: shopIdSchema,
  packSize: z.number().int().min(1).max(1000),
  priceMinor: priceMinorSchema,
});
export type HandNeed = Readonly<z.infer<typeof handNeedSchema>>;

/** Money that is good at one shop only. */
export const giftCardSchema = z.object({
  id: giftCardIdSchema,
  projectId: projectIdSchema,
  shopId: shopIdSchema,
  amountMinor: priceMinorSchema,
});
export type GiftCard = Readonly<z.infer<typeof giftCardSchema>>;

/** What a till printed: its day and sum, with a picture where one was taken. */
export const receiptSchema = z.object({
  id: receiptIdSchema,
  projectId: projectIdSchema,
  shopName: z.string().trim().min(1).max(80),
  boughtOn: z.iso.date(),
  totalMinor: priceMinorSchema,
  pictureId: pictureIdSchema.nullable(),
});
export type Receipt = Readonly<z.infer<typeof receiptSchema>>;

/** What a shop did not have when somebody stood in front of its shelf; until it is said to be there again. */
export const shortageSchema = z.object({
  /** `room_shop_need`. */
  id: z.string().min(1).max(300),
  roomId: roomIdSchema,
  /** Of the shop request: a container, a thing put down by hand, a material. */
  needId: z.string().min(1).max(120),
  shopId: shopIdSchema,
  saidAt: z.iso.datetime(),
});
export type Shortage = Readonly<z.infer<typeof shortageSchema>>;
