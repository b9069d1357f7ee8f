import type { LeftElsewhere } from './leftElsewhere';
import { containerIdsOf, type ContainerProduct, type TakenFit } from '../fit';
import type { Currency } from '../shared';
import { keptPiecesOf } from './findLeftovers';
import { toMaterialNeedId, type MaterialNeed } from './materialNeeds';
import { shopRequestSchema, type Priority, type ShopRequest } from './model';
import type { GiftCard, HandNeed, Offer, Purchase, Shop, Shortage } from './records';

/** One container that the taken fits of a room call for. */
export interface ContainerNeed {
  readonly container: ContainerProduct;
  /** Pieces in all taken fits of the room. */
  readonly qty: number;
  /** Pieces that are owned, already bought, or left over in another room. */
  readonly hadQty: number;
  /** Of them those that are to be fetched from another room. */
  readonly elsewhereQty: number;
  /** The rooms in which those lie. */
  readonly elsewhereRooms: readonly string[];
  readonly priority: Priority;
}

/** What the list of a room is worked out from. */
export interface RoomShopping {
  readonly fits: readonly TakenFit[];
  readonly containers: readonly ContainerProduct[];
  readonly offers: readonly Offer[];
  readonly shops: readonly Shop[];
  readonly purchases: readonly Purchase[];
  /** Pieces of a container that lie left over in other rooms, and are not wanted by those before this one. */
  readonly leftElsewhere?: ReadonlyMap<string, LeftElsewhere>;
  /** Only where it was changed; otherwise a must. */
  readonly priorities: ReadonlyMap<string, Priority>;
  /** Things to buy that no fit calls for. */
  readonly handNeeds: readonly HandNeed[];
  /** What boards, liners, paint, labels and fixings call for. */
  readonly materialNeeds: readonly MaterialNeed[];
  readonly giftCards: readonly GiftCard[];
  /** What shops did not have, as somebody said in front of the shelf. */
  readonly shortages: readonly Shortage[];
  /** Of the whole project: a gift card may have been used for another room. */
  readonly cardPurchases: readonly Purchase[];
  readonly budgetMinor: number;
  readonly currency: Currency;
}

/** Counts the containers of the taken fits, with what is already there. */
export function listNeeds(
  room: Pick<RoomShopping, 'fits' | 'containers' | 'purchases' | 'priorities' | 'leftElsewhere'>,
): ContainerNeed[] {
  const wanted = new Map<string, number>();
  for (const id of room.fits.flatMap((fit) => containerIdsOf(fit.answer)))
    wanted.set(id, (wanted.get(id) ?? 0) + 1);
  return [...wanted].flatMap(([id, qty]) => {
    const container = room.containers.find((candidate) => candidate.id === id);
    if (!container) return [];
    const bought = room.purchases
      .filter((purchase) => purchase.containerId === id)
      .reduce((sum, purchase) => sum + keptPiecesOf(purchase), 0);
    const here = Math.min(qty, (container.ownedCount ?? 0) + bought);
    const left = room.leftElsewhere?.get(id);
    const elsewhereQty = Math.min(qty - here, left?.pieces ?? 0);
    const hadQty = here + elsewhereQty;
    return [
      {
        container,
        qty,
        hadQty,
        elsewhereQty,
        elsewhereRooms: elsewhereQty > 0 ? (left?.roomNames ?? []) : [],
        priority: room.priorities.get(id) ?? ('must' as const),
      },
    ];
  });
}

/** What is still on the gift cards of a shop. */
export function cardLeftMinorOf(
  shop: Pick<Shop, 'id' | 'name'>,
  { giftCards, cardPurchases }: Pick<RoomShopping, 'giftCards' | 'cardPurchases'>,
): number {
  const onCards = giftCards
    .filter(({ shopId }) => shopId === shop.id)
    .reduce((sum, card) => sum + card.amountMinor, 0);
  const used = cardPurchases
    .filter(({ shopName }) => shopName === shop.name)
    .reduce((sum, purchase) => sum + purchase.cardMinor, 0);
  return Math.max(0, onCards - used);
}

/** The offer of what is not a container has the need's id after this. */
export const OTHER_OFFER = 'other-';

/**
 * A line of the list that is no container: put down by hand, or called for by the materials. Sold
 * at one shop at one price.
 */
interface OtherNeed extends Pick<
  HandNeed,
  'name' | 'qty' | 'priority' | 'packSize' | 'priceMinor'
> {
  /** In the shop request. */
  readonly id: string;
  readonly shopId: string;
  readonly hadQty: number;
}

/** What was put down by hand, then what the materials call for. */
export function listOtherNeeds({
  handNeeds,
  materialNeeds,
  purchases,
}: Pick<RoomShopping, 'handNeeds' | 'materialNeeds' | 'purchases'>): OtherNeed[] {
  const had = (qty: number, isOf: (purchase: Purchase) => boolean) =>
    Math.min(
      qty,
      purchases.filter(isOf).reduce((sum, purchase) => sum + keptPiecesOf(purchase), 0),
    );
  return [
    ...handNeeds.map((need) => ({
      ...need,
      hadQty: had(need.qty, ({ handNeedId }) => handNeedId === need.id),
    })),
    ...materialNeeds.map((need) => ({
      ...need,
      id: toMaterialNeedId(need.key),
      hadQty: had(need.qty, ({ materialKey }) => materialKey === need.key),
    })),
  ];
}

/** What was paid, less what was paid back. */
export const spentMinorOf = (purchases: readonly Purchase[]): number =>
  purchases.reduce((sum, purchase) => sum + ownMinorOf(purchase), 0);

/** What a purchase took out of the budget: what a card paid, and what was paid back, did not. */
export const ownMinorOf = ({ paidMinor, cardMinor, refundMinor }: Purchase): number =>
  Math.max(0, paidMinor - cardMinor - refundMinor);

/**
 * The `shop` request of a room: what is still to buy, at the shops that price in the project's
 * currency, within what is left of the room's share. A budget already overspent counts as 0.
 */
export function toShopRequest(room: RoomShopping): ShopRequest {
  const needs = listNeeds(room);
  const shops = room.shops.filter((shop) => shop.currency === room.currency);
  // A shop that prices in another currency cannot be added up with the rest.
  const others = listOtherNeeds(room).filter((need) => shops.some(({ id }) => id === need.shopId));
  const isOnList = (offer: Offer) =>
    needs.some(({ container }) => container.id === offer.containerId) &&
    shops.some(({ id }) => id === offer.shopId);
  const mostPacks = (needId: string, shopId: string, inStock: number | null) => {
    const isShort = room.shortages.some(
      (shortage) => shortage.needId === needId && shortage.shopId === shopId,
    );
    if (isShort) return { maxPacks: 0 };
    return inStock === null ? {} : { maxPacks: inStock };
  };
  return shopRequestSchema.parse({
    needs: [
      ...needs.map(({ container, qty, priority }) => ({
        id: container.id,
        name: container.name,
        qty,
        priority,
      })),
      ...others.map(({ id, name, qty, priority }) => ({ id, name, qty, priority })),
    ],
    offers: [
      ...room.offers.filter(isOnList).map((offer) => ({
        id: offer.id,
        shopId: offer.shopId,
        needId: offer.containerId,
        packSize: offer.packSize,
        priceMinor: offer.priceMinor,
        ...mostPacks(offer.containerId, offer.shopId, offer.inStock),
      })),
      ...others.map((need) => ({
        id: `${OTHER_OFFER}${need.id}`,
        shopId: need.shopId,
        needId: need.id,
        packSize: need.packSize,
        priceMinor: need.priceMinor,
        ...mostPacks(need.id, need.shopId, null),
      })),
    ],
    shops: shops.map((shop) => ({
      id: shop.id,
      name: shop.name,
      deliveryMinor: shop.deliveryMinor,
      ...(shop.freeOverMinor === null ? {} : { freeOverMinor: shop.freeOverMinor }),
    })),
    owned: [
      ...needs.map(({ container, hadQty }) => ({ needId: container.id, qty: hadQty })),
      ...others.map(({ id, hadQty }) => ({ needId: id, qty: hadQty })),
    ],
    credits: shops
      .map((shop) => ({ shopId: shop.id, amountMinor: cardLeftMinorOf(shop, room) }))
      .filter(({ amountMinor }) => amountMinor > 0),
    budgetMinor: Math.max(0, room.budgetMinor - spentMinorOf(room.purchases)),
    timeLimitMs: 2000,
  });
}

/** Least price of one piece on offer in a currency; undefined where nobody sells it. */
export function findUnitPriceMinor(
  containerId: string,
  offers: readonly Offer[],
  shops: readonly Shop[],
  currency: Currency,
): number | undefined {
  const prices = offers
    .filter(
      (offer) =>
        offer.containerId === containerId &&
        shops.some((shop) => shop.id === offer.shopId && shop.currency === currency),
    )
    .map((offer) => Math.ceil(offer.priceMinor / offer.packSize));
  return prices.length === 0 ? undefined : Math.min(...prices);
}

/**
 * Pieces of a container that can still be had in a currency: what shops said of their stock, less where somebody
 * stood before an empty shelf. `Infinity` where a shop's stock is not known; 0 where nobody sells it.
 */
export function stockOf(
  containerId: string,
  offers: readonly Offer[],
  shops: readonly Shop[],
  { currency, shortages }: { readonly currency: Currency; readonly shortages: readonly Shortage[] },
): number {
  const isSold = (offer: Offer) =>
    offer.containerId === containerId &&
    shops.some((shop) => shop.id === offer.shopId && shop.currency === currency) &&
    !shortages.some(({ needId, shopId }) => needId === containerId && shopId === offer.shopId);
  return offers
    .filter(isSold)
    .reduce((sum, offer) => sum + (offer.inStock ?? Infinity) * offer.packSize, 0);
}
