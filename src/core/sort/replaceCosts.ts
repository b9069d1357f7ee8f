import type { Currency } from '../shared';
import { findPhrase, headStemsOf } from './findPhrase';

/**
 * What a plain new one costs, in pence, by the words of its kind.
 * Source: our own stated assumptions, rounded to a note or a coin; they carry an opinion, never a sum.
 */
const replaceCosts: readonly { readonly words: readonly string[]; readonly minor: number }[] = [
  { words: ['violin'], minor: 20_000 },
  { words: ['suitcase', 'lamp', 'duvet', 'quilt', 'board game'], minor: 4000 },
  { words: ['drill', 'coat', 'rucksack', 'backpack', 'life jacket', 'first aid kit'], minor: 6000 },
  {
    words: ['boot', 'pair of boots', 'wellington', 'welly', 'shoe', 'pair of shoes', 'trainer'],
    minor: 5000,
  },
  {
    words: ['jacket', 'raincoat', 'anorak', 'iron', 'helmet', 'blanket', 'throw', 'curtain'],
    minor: 3500,
  },
  {
    words: [
      'jumper',
      'sweater',
      'cardigan',
      'trouser',
      'jeans',
      'dress',
      'saucepan',
      'pan',
      'watering can',
      'spade',
      'saw',
    ],
    minor: 2500,
  },
  {
    words: [
      'pillow',
      'duvet cover',
      'bath towel',
      'towel',
      'hammer',
      'torch',
      'umbrella',
      'recorder',
    ],
    minor: 1200,
  },
  {
    words: [
      'shirt',
      'blouse',
      't-shirt',
      'scarf',
      'hat',
      'sheet',
      'fitted sheet',
      'book',
      'jigsaw',
      'trowel',
      'spanner',
    ],
    minor: 800,
  },
  {
    words: [
      'mug',
      'cup',
      'plate',
      'bowl',
      'glass',
      'tumbler',
      'vase',
      'jar',
      'screwdriver',
      'tea towel',
      'picture frame',
      'brush',
      'cushion',
    ],
    minor: 400,
  },
  {
    words: [
      'face cloth',
      'sponge',
      'cleaning cloth',
      'duster',
      'pen',
      'pencil',
      'battery',
      'envelope',
      'lid',
      'tub',
      'coat hanger',
      'hanger',
      'candle',
      'magazine',
      'tote bag',
      'tape',
      'sandpaper',
      'flower pot',
      'packet of seeds',
      'sock',
    ],
    minor: 150,
  },
];

/** What one more of a thing would cost, new and plain; undefined where nothing is known. */
export const findReplaceCost = (name: string): number | undefined =>
  findPhrase(replaceCosts, headStemsOf(name))?.entry.minor;

/**
 * What a pound buys, in each currency: prices of plain goods, not a rate of exchange.
 * Source: our own stated assumptions, to one digit or two.
 */
const PER_POUND: Readonly<Record<Currency, number>> = {
  GBP: 1,
  EUR: 1.2,
  USD: 1.3,
  CAD: 1.7,
  AUD: 1.9,
  NZD: 2,
  CHF: 1.4,
  SEK: 13,
  NOK: 14,
  DKK: 9,
};

/** A cost to replace, said in a currency: minor units, rounded to one digit, since it is no more than a guess. */
export function sayableCostMinor(pence: number, currency: Currency): number {
  const minor = pence * PER_POUND[currency];
  if (minor <= 0) return 0;
  const step = 10 ** Math.floor(Math.log10(minor));
  // 15 and 25 are said as they are; more digits would feign a price.
  return Math.max(1, Math.round(minor / (step / 2))) * (step / 2);
}
