import type { ContainerProduct, TakenFit } from '../fit';
import type { Currency } from '../shared';
import { keptPiecesOf } from './findLeftovers';
import { shopRequestSchema, type Priority, type ShopRequest } from './model';
import type { Offer, Purchase, Shop } from './records';

/** One container that the taken fits of a room call for. */
export interface ContainerNeed {
  readonly container: ContainerProduct;
  /** Pieces in all taken fits of the room. */
  readonly qty: number;
  /** Pieces that are owned or already bought. */
  readonly hadQty: number;
  readonly priority: Priority;
}

/** What the list of a room is worked out from. */
export interface RoomShopping {
  readonly fits: readonly TakenFit[];
  readonly containers: readonly ContainerProduct[];
  readonly offers: readonly Offer[];
  readonly shops: readonly Shop[];
  readonly purchases: readonly Purchase[];
  /** Only where it was changed; otherwise a must. */
  readonly priorities: ReadonlyMap<string, Priority>;
  readonly budgetMinor: number;
  readonly currency: Currency;
}

/** Counts the containers of the taken fits, with what is already there. */
export function listNeeds(room: Omit<RoomShopping, 'offers' | 'shops' | 'budgetMinor' | 'currency'>): ContainerNeed[] {
  const wanted = new Map<string, number>();
  for (const { containerId } of room.fits.flatMap((fit) => fit.answer.placements)) {
    wanted.set(containerId, (wanted.get(containerId) ?? 0) + 1);
  }
  return [...wanted].flatMap(([id, qty]) => {
    const container = room.containers.find((candidate) => candidate.id === id);
    if (!container) return [];
    const bought = room.purchases
      .filter((purchase) => purchase.containerId === id)
      .reduce((sum, purchase) => sum + keptPiecesOf(purchase), 0);
    const hadQty = Math.min(qty, (container.ownedCount ?? 0) + bought);
    return [{ container, qty, hadQty, priority: room.priorities.get(id) ?? ('must' as const) }];
  });
}

/** What was paid, less what was paid back. */
export const spentMinorOf = (purchases: readonly Purchase[]): number =>
  purchases.reduce((sum, purchase) => sum + purchase.paidMinor - purchase.refundMinor, 0);

/**
 * The `shop` request of a room: what is still to buy, at the shops that price in the project's
 * currency, within what is left of the room's share. A budget already overspent counts as 0.
 */
export function toShopRequest(room: RoomShopping): ShopRequest {
  const needs = listNeeds(room);
  const shops = room.shops.filter((shop) => shop.currency === room.currency);
  const isOnList = (offer: Offer) =>
    needs.some(({ container }) => container.id === offer.containerId) && shops.some(({ id }) => id === offer.shopId);
  return shopRequestSchema.parse({
    needs: needs.map(({ container, qty, priority }) => ({ id: container.id, name: container.name, qty, priority })),
    offers: room.offers.filter(isOnList).map((offer) => ({
      id: offer.id, shopId: offer.shopId, needId: offer.containerId, packSize: offer.packSize, priceMinor: offer.priceMinor,
    })),
    shops: shops.map((shop) => ({
      id: shop.id, name: shop.name, deliveryMinor: shop.deliveryMinor,
      ...(shop.freeOverMinor === null ? {} : { freeOverMinor: shop.freeOverMinor }),
    })),
    owned: needs.map(({ container, hadQty }) => ({ needId: container.id, qty: hadQty })),
    budgetMinor: Math.max(0, room.budgetMinor - spentMinorOf(room.purchases)),
    timeLimitMs: 2000,
  });
}

/** Least price of one piece on offer in a currency; undefined where nobody sells it. */
export function findUnitPriceMinor(containerId: string, offers: readonly Offer[], shops: readonly Shop[], currency: Currency): number | undefined {
  const prices = offers
    .filter((offer) => offer.containerId === containerId && shops.some((shop) => shop.id === offer.shopId && shop.currency === currency))
    .map((offer) => Math.ceil(offer.priceMinor / offer.packSize));
  return prices.length === 0 ? undefined : Math.min(...prices);
}
