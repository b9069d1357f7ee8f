import {
  OTHER_OFFER,
  toMaterialNeedId,
  type MaterialNeed,
  type Offer,
  type ShopAnswer,
  type ShopRequest,
} from '@/core/shop';
import { formatCount } from '@/core/shared';
import type { ShopLine, ShopList } from './ShopLists';

/** What one room gets of a line. */
export interface TripPart {
  readonly roomId: string;
  /** The room's own id of what it wants. */
  readonly needId: string;
  readonly containerId: string | null;
  readonly handNeedId: string | null;
  readonly materialKey: string | null;
  readonly pieces: number;
}
const NO_PART: Omit<TripPart, 'roomId' | 'needId' | 'pieces'> = {
  containerId: null,
  handNeedId: null,
  materialKey: null,
};
export type TripLine = ShopLine & { readonly parts: readonly TripPart[] };
export type TripList = Omit<ShopList, 'lines'> & { readonly lines: readonly TripLine[] };

interface TripFacts {
  readonly offers: readonly Offer[];
  readonly materialNeeds: readonly MaterialNeed[];
  readonly cardLeftMinor: Readonly<Record<string, number>>;
  readonly roomName: (roomId: string) => string;
}

/** The trip as lists per shop in the order of walking, each line with the rooms that get of it. */
export function toTripLists(
  request: ShopRequest,
  answer: ShopAnswer,
  facts: TripFacts,
): TripList[] {
  return answer.perShop.map((bill) => {
    const lines = answer.buys
      .flatMap(({ offerId, packs }) => {
        const offer = request.offers.find(({ id }) => id === offerId);
        return offer?.shopId === bill.shopId
          ? [toLine(request, answer, { offer, packs, facts })]
          : [];
      })
      .sort((a, b) => a.aisle.localeCompare(b.aisle, 'en', { numeric: true }));
    return {
      shopId: bill.shopId,
      shopName: request.shops.find(({ id }) => id === bill.shopId)?.name ?? bill.shopId,
      payMinor: bill.payMinor,
      cardLeftMinor: facts.cardLeftMinor[bill.shopId] ?? 0,
      lines: [...lines, ...deliveryOf(bill, lines)],
    };
  });
}

function toLine(
  request: ShopRequest,
  answer: ShopAnswer,
  {
    offer,
    packs,
    facts,
  }: {
    readonly offer: ShopRequest['offers'][number];
    readonly packs: number;
    readonly facts: TripFacts;
  },
): TripLine {
  const pieces = packs * offer.packSize;
  const parts = partsOf(request, answer, { offer, materialNeeds: facts.materialNeeds });
  const firstPart = parts[0] ?? NO_PART;
  const given = parts.reduce((sum, part) => sum + part.pieces, 0);
  const first = request.needs.find(({ id }) => offer.needIds?.includes(id));
  const listed = facts.offers.find(({ id }) => id === offer.id);
  const packWords =
    offer.packSize === 1
      ? formatCount(packs, 'piece')
      : `${formatCount(packs, 'pack')} of ${offer.packSize}`;
  return {
    key: offer.id,
    needId: parts[0]?.needId ?? null,
    containerId: firstPart.containerId,
    handNeedId: firstPart.handNeedId,
    materialKey: firstPart.materialKey,
    aisle: listed?.aisle ?? '',
    checkedAt: listed?.checkedAt ?? null,
    label: first?.name ?? offer.id,
    packs: pieces > given ? `${packWords}, ${pieces - given} more than needed` : packWords,
    pieces,
    priceMinor: packs * offer.priceMinor,
    goesTo: parts.map((part) => `${part.pieces} for the ${facts.roomName(part.roomId)}`).join(', '),
    parts,
  };
}

/** What each room gets of an offer, by the room's own id of what it wants. */
function partsOf(
  request: ShopRequest,
  answer: ShopAnswer,
  {
    offer,
    materialNeeds,
  }: {
    readonly offer: ShopRequest['offers'][number];
    readonly materialNeeds: readonly MaterialNeed[];
  },
): TripPart[] {
  const isOther = offer.id.startsWith(OTHER_OFFER);
  return answer.met.flatMap(({ needId, from = [] }): TripPart[] => {
    const units = from.find(({ offerId }) => offerId === offer.id)?.units ?? 0;
    const roomId = request.needs.find(({ id }) => id === needId)?.roomId;
    if (units === 0 || roomId === undefined) return [];
    const own = needId.slice(roomId.length + 1);
    const materialKey = materialNeeds.find(({ key }) => toMaterialNeedId(key) === own)?.key ?? null;
    return [
      {
        roomId,
        needId: own,
        containerId: isOther ? null : own,
        handNeedId: isOther && materialKey === null ? own : null,
        materialKey,
        pieces: units,
      },
    ];
  });
}

function deliveryOf(
  { shopId, deliveryMinor }: ShopAnswer['perShop'][number],
  lines: readonly TripLine[],
): TripLine[] {
  if (deliveryMinor === 0) return [];
  const pieces = new Map<string, number>();
  for (const { roomId, pieces: count } of lines.flatMap(({ parts }) => parts))
    pieces.set(roomId, (pieces.get(roomId) ?? 0) + count);
  return [
    {
      key: `delivery-${shopId}`,
      needId: null,
      containerId: null,
      handNeedId: null,
      materialKey: null,
      aisle: '',
      checkedAt: null,
      label: 'Delivery',
      packs: 'once for all rooms',
      pieces: 0,
      priceMinor: deliveryMinor,
      parts: [...pieces].map(([roomId, count]) => ({
        roomId,
        needId: '',
        containerId: null,
        handNeedId: null,
        materialKey: null,
        pieces: count,
      })),
    },
  ];
}
