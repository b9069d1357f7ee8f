import { z } from 'zod';

const requestId = z.string().min(1).max(100);
const money = z.number().int().min(0).max(1e9);
const count = z.number().int().min(0).max(1e9);

export const priorities = ['must', 'should', 'nice'] as const;
export const prioritySchema = z.enum(priorities);
export type Priority = z.infer<typeof prioritySchema>;
/** Weight of one *should* unit against one *nice* unit. */
export const WISH_WEIGHT = { must: 0, should: 3, nice: 1 } as const;

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

/** What the `shop` engine answers. `objective` is the least to pay at the best value; `bound` proves it. */
export interface ShopAnswer {
  /** `unknown`: in the time nothing was found that pays every must, nor that there is nothing. */
  readonly status: 'optimal' | 'feasible' | 'infeasible' | 'unknown';
  readonly objective: number | null;
  readonly bound: number | null;
  readonly elapsedMs: number;
  readonly buys: readonly { readonly offerId: string; readonly packs: number }[];
  readonly met: readonly {
    readonly needId: string;
    readonly qty: number;
    readonly short: number;
    /** From which buys, where rooms are planned together. */
    readonly from?: readonly { readonly offerId: string; readonly units: number }[];
  }[];
  readonly payMinor: number;
  /** What each room pays, where rooms are planned together; adds up to `payMinor`. */
  readonly perRoom?: readonly { readonly roomId: string; readonly payMinor: number }[];
  readonly perShop: readonly ShopBill[];
  readonly leftovers: readonly { readonly needId: string; readonly qty: number }[];
  readonly dropped: readonly string[];
  /** Where the musts cost more than there is: the least money that would do. */
  readonly leastBudgetMinor?: number;
  readonly reasons: readonly ShopReason[];
}
export interface ShopBill {
  readonly shopId: string;
  readonly goodsMinor: number;
  readonly deliveryMinor: number;
  readonly creditMinor: number;
  readonly payMinor: number;
}
/** Why the musts cannot be bought, or no way to buy them was found. */
export type ShopReason =
  | {
      readonly code: 'must_not_on_offer';
      /** The need's id. */
      readonly subject: string;
      /** Pieces. */
      readonly lack: number;
      readonly onOffer: number;
    }
  | {
      readonly code: 'budget_too_small';
      readonly subject: 'budgetMinor';
      readonly leastMinor: number;
      readonly budgetMinor: number;
    }
  /** A room's part of the cheapest trip, and what it may pay. */
  | {
      readonly code: 'room_budget_too_small';
      /** The room's id. */
      readonly subject: string;
      readonly wantedMinor: number;
      readonly budgetMinor: number;
    }
  /** Offers that serve several musts hold enough for each, but not for all together. */
  | {
      readonly code: 'offers_run_out';
      /** The id of a need that stays short; `offers` where none was made out. */
      readonly subject: string;
      /** Pieces of it that no offer is left for. */
      readonly lack: number;
      /** The other musts that the same offers serve, a few of them. */
      readonly beside: readonly string[];
    }
  | { readonly code: 'time_ran_out'; readonly subject: 'timeLimitMs' };
