import { z } from 'zod';
import { priorities } from './codes';

const requestId = z.string().min(1).max(100);

const money = z.number().int().min(0).max(1e9);

const count = z.number().int().min(0).max(1e9);

export const prioritySchema = z.enum(priorities);

export type Priority = z.infer<typeof prioritySchema>;

const needSchema = z.strictObject({
  id: requestId,
  name: z.string().max(200),
  qty: count,
  priority: prioritySchema,
  /** What one unit is worth among wishes of the same priority. */
  value: z.number().min(0).max(1e9).default(1),
  /** Whose it is, where rooms are planned together. */
  roomId: requestId.optional(),
});

export type Need = Readonly<z.infer<typeof needSchema>>;

const shopOfferSchema = z
  .strictObject({
    id: requestId,
    shopId: requestId,
    /** Serves this need … */
    needId: requestId.optional(),
    /** … or any of these, unit by unit. */
    needIds: z.array(requestId).min(1).max(50).optional(),
    packSize: z.number().int().min(1).max(1e9),
    priceMinor: money,
    maxPacks: count.optional(),
  })
  .refine((offer) => (offer.needId === undefined) !== (offer.needIds === undefined), {
    message: 'give either needId or needIds',
    path: ['needId'],
  });

export type ShopOffer = Readonly<z.infer<typeof shopOfferSchema>>;

const shopOfRequestSchema = z.strictObject({
  id: requestId,
  name: z.string().max(200),
  deliveryMinor: money.default(0),
  /** Goods before credit that make delivery free; none given: always due. */
  freeOverMinor: money.optional(),
  visitMinutes: z.number().min(0).max(1e9).optional(),
});

/** What the `shop` engine is asked; money in minor units. Source: docs/engines.md. */
export const shopRequestSchema = z
  .strictObject({
    needs: z.array(needSchema).max(500),
    offers: z.array(shopOfferSchema).max(5000),
    shops: z.array(shopOfRequestSchema).max(100),
    owned: z.array(z.strictObject({ needId: requestId, qty: count })).default([]),
    credits: z.array(z.strictObject({ shopId: requestId, amountMinor: money })).default([]),
    budgetMinor: money,
    /** Rooms that are bought for in one trip, each with what it may pay. */
    rooms: z
      .array(z.strictObject({ id: requestId, budgetMinor: money }))
      .max(100)
      .optional(),
    seed: z.number().int().min(0).max(1e9).default(1),
    timeLimitMs: z.number().min(0).max(1e9).default(1000),
  })
  .superRefine((request, context) => {
    const refuse = (message: string, path: (string | number)[]) =>
      context.addIssue({ code: 'custom', message, path });
    const check = (ids: readonly string[], list: string, field: string) =>
      ids.forEach((id, i) => {
        if (ids.indexOf(id) !== i) refuse(`the id "${id}" occurs twice`, [list, i, field]);
      });
    check(
      request.needs.map(({ id }) => id),
      'needs',
      'id',
    );
    check(
      request.offers.map(({ id }) => id),
      'offers',
      'id',
    );
    check(
      request.shops.map(({ id }) => id),
      'shops',
      'id',
    );
    check(
      request.owned.map(({ needId }) => needId),
      'owned',
      'needId',
    );
    check(
      request.credits.map(({ shopId }) => shopId),
      'credits',
      'shopId',
    );
    if (request.rooms) {
      const roomIds = new Set(request.rooms.map(({ id }) => id));
      check([...request.rooms.map(({ id }) => id)], 'rooms', 'id');
      request.needs.forEach(({ roomId }, i) => {
        if (roomId === undefined)
          refuse('every need says its room, where there are rooms', ['needs', i, 'roomId']);
        else if (!roomIds.has(roomId))
          refuse(`there is no room "${roomId}"`, ['needs', i, 'roomId']);
      });
    }
    const needIds = new Set(request.needs.map(({ id }) => id));
    const shopIds = new Set(request.shops.map(({ id }) => id));
    request.offers.forEach((offer, i) => {
      if (!shopIds.has(offer.shopId))
        refuse(`there is no shop "${offer.shopId}"`, ['offers', i, 'shopId']);
      const served = offer.needIds ?? (offer.needId === undefined ? [] : [offer.needId]);
      served.forEach((id, j) => {
        const path = offer.needIds ? ['offers', i, 'needIds', j] : ['offers', i, 'needId'];
        if (!needIds.has(id)) refuse(`there is no need "${id}"`, path);
        if (served.indexOf(id) !== j) refuse(`the id "${id}" occurs twice`, path);
      });
    });
    request.owned.forEach(({ needId }, i) => {
      if (!needIds.has(needId)) refuse(`there is no need "${needId}"`, ['owned', i, 'needId']);
    });
    request.credits.forEach(({ shopId }, i) => {
      if (!shopIds.has(shopId)) refuse(`there is no shop "${shopId}"`, ['credits', i, 'shopId']);
    });
  });

export type ShopRequest = Readonly<z.infer<typeof shopRequestSchema>>;
