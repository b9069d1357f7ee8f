import { findPhrase, headStemsOf } from './findPhrase';

/**
 * What a plain new one costs, in minor units of money, by the words of its kind.
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
