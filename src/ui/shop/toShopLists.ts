import {
  OTHER_OFFER,
  toMaterialNeedId,
  type MaterialNeed,
  type Offer,
  type ShopAnswer,
  type ShopRequest,
} from '@/core/shop';
import { formatCount } from '@/core/shared';
import type { ShopList, ShopLine } from './ShopLists';

/**
 * The engine's answer as lists per shop, in the order of walking (the shop's aisles by their number), with a
 * line for a delivery that is due.
 */
export function toShopLists(
  request: ShopRequest,
  answer: ShopAnswer,
  {
    offers,
    materialNeeds,
    cardLeftOf,
  }: {
    readonly offers: readonly Offer[];
    readonly materialNeeds: readonly MaterialNeed[];
    readonly cardLeftOf: (shopId: string) => number;
  },
): ShopList[] {
  return answer.perShop.map((bill) => {
    const buys = answer.buys.flatMap(({ offerId, packs }) => {
      const offer = request.offers.find(
        ({ id, shopId }) => id === offerId && shopId === bill.shopId,
      );
      return offer ? [{ offer, packs }] : [];
    });
    const lines = buys.map(({ offer, packs }): ShopLine => {
      const needId = offer.needId ?? offer.needIds?.[0] ?? '';
      const pieces = packs * offer.packSize;
      const name = request.needs.find(({ id }) => id === needId)?.name ?? needId;
      const packWords =
        offer.packSize === 1
          ? formatCount(packs, 'piece')
          : `${formatCount(packs, 'pack')} of ${offer.packSize}`;
      const spare = answer.leftovers.find((left) => left.needId === needId)?.qty ?? 0;
      const isOther = offer.id.startsWith(OTHER_OFFER);
      const materialKey =
        materialNeeds.find(({ key }) => toMaterialNeedId(key) === needId)?.key ?? null;
      const listed = offers.find(({ id }) => id === offer.id);
      return {
        key: offer.id,
        needId,
        containerId: isOther ? null : needId,
        handNeedId: isOther && materialKey === null ? needId : null,
        materialKey,
        aisle: listed?.aisle ?? '',
        checkedAt: listed?.checkedAt ?? null,
        label: name,
        packs: spare > 0 ? `${packWords}, ${spare} more than needed` : packWords,
        pieces,
        priceMinor: packs * offer.priceMinor,
      };
    });
    const delivery: ShopLine[] =
      bill.deliveryMinor > 0
        ? [
            {
              key: `delivery-${bill.shopId}`,
              needId: null,
              containerId: null,
              handNeedId: null,
              materialKey: null,
              aisle: '',
              checkedAt: null,
              label: 'Delivery',
              packs: 'once for this list',
              pieces: 0,
              priceMinor: bill.deliveryMinor,
            },
          ]
        : [];
    return {
      shopId: bill.shopId,
      shopName: request.shops.find(({ id }) => id === bill.shopId)?.name ?? bill.shopId,
      payMinor: bill.payMinor,
      cardLeftMinor: cardLeftOf(bill.shopId),
      lines: [
        ...lines.sort((a, b) => a.aisle.localeCompare(b.aisle, 'en', { numeric: true })),
        ...delivery,
      ],
    };
  });
}
