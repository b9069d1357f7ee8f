import type { Random } from '@/core/shared';

/** A pack that the stall sells; prices in minor units, tax included. */
interface StallOffer {
  readonly id: string;
  readonly name: string;
  readonly packSize: number;
  readonly priceMinor: number;
  readonly inStock: number;
  readonly aisle: string;
}

export const stallMoods = ['well', 'slow', 'down'] as const;
export type StallMood = (typeof stallMoods)[number];

export interface Stall {
  readonly offers: () => readonly StallOffer[];
  readonly mood: () => StallMood;
  readonly setMood: (mood: StallMood) => void;
  /** No more of it until it is put back; false where there is no such offer. */
  readonly sellOut: (offerId: string) => boolean;
  readonly restock: () => void;
  /** Moves about a third of the prices by up to a tenth, up or down, to the next 5. */
  readonly changePrices: () => number;
}

/**
 * The goods of a simulated shop, whose stock and prices move when they are told to. Repeatable by
 * `random`.
 */
export function createStall(goods: readonly Omit<StallOffer, 'inStock'>[], random: Random): Stall {
  let offers: StallOffer[] = goods.map((good) => ({
    ...good,
    inStock: 4 + Math.floor(random() * 30),
  }));
  let mood: StallMood = 'well';
  return {
    offers: () => offers,
    mood: () => mood,
    setMood: (next) => {
      mood = next;
    },
    sellOut: (offerId) => {
      const isThere = offers.some(({ id }) => id === offerId);
      offers = offers.map((offer) => (offer.id === offerId ? { ...offer, inStock: 0 } : offer));
      return isThere;
    },
    restock: () => {
      offers = offers.map((offer) => (offer.inStock === 0 ? { ...offer, inStock: 12 } : offer));
    },
    changePrices: () => {
      let changed = 0;
      offers = offers.map((offer) => {
        if (random() >= 1 / 3) return offer;
        changed += 1;
        return {
          ...offer,
          priceMinor: Math.max(5, Math.round((offer.priceMinor * (0.9 + random() * 0.2)) / 5) * 5),
        };
      });
      return changed;
    },
  };
}
