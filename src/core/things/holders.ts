import { stemOf } from './readWords';
import type { Range } from './readVocabulary';

/** What holds things, and the room it takes. */
export interface Holder {
  readonly id: string;
  /**
   * Litres it takes up, by how large a piece of what is in it is: nobody keeps buttons in a moving box.
   * The first list entry is for pieces up to 0.01 l, then 0.1, 0.5 and above.
   */
  readonly litres: readonly [number, number, number, number];
  readonly tareG: number;
  /** What things are bought in; of a kind that is sold so it is one piece. */
  readonly isPack: boolean;
  /** Nothing around it: a pile, a bundle, a handful. */
  readonly isHeap: boolean;
  /** Gives way, so that half a bag takes half the room. */
  readonly isSoft: boolean;
}

const holder = (
  words: string,
  litres: readonly number[],
  tareG: number,
  traits: readonly ('pack' | 'heap' | 'soft')[] = [],
): readonly [string, Holder][] => {
  const [a = 1, b = a, c = b, d = c] = litres;
  const all = words.split('|');
  return all.map((word) => [
    stemOf(word),
    {
      id: all[0] ?? word,
      litres: [a, b, c, d],
      tareG,
      isPack: traits.includes('pack'),
      isHeap: traits.includes('heap'),
      isSoft: traits.includes('soft') || traits.includes('heap'),
    },
  ]);
};

/**
 * Source: our own stated assumptions, outside sizes of what people keep things in. A word alone holds
 * by what is in it; "moving box" and the like are kinds of the vocabulary.
 */
const holders: ReadonlyMap<string, Holder> = new Map([
  ...holder('box|boxful', [1.5, 5, 18, 35], 400, ['pack']),
  ...holder('bag|bagful|carrier', [1.2, 4, 15, 30], 40, ['pack', 'soft']),
  ...holder('sack', [20, 30, 50, 60], 100, ['soft']),
  ...holder('case', [2, 8, 25, 40], 1200),
  ...holder('crate', [15, 25, 40, 45], 1500),
  ...holder('shoebox', [8], 180),
  ...holder('drawer|drawerful', [12, 18, 25, 30], 0),
  ...holder('jar', [0.9], 350, ['pack']),
  ...holder('tin|can', [0.8, 2, 5, 6], 150, ['pack']),
  ...holder('tub', [1.2, 2, 6, 20], 120, ['pack']),
  ...holder('bottle', [1.2], 300, ['pack']),
  ...holder('tube', [0.2, 0.4, 3, 6], 20, ['pack']),
  ...holder('pot', [0.6, 1.2, 3, 4], 120, ['pack']),
  ...holder('packet|pack|pouch', [0.3, 1, 3, 8], 15, ['pack', 'soft']),
  ...holder('sachet|blister', [0.02, 0.03, 0.05, 0.05], 1, ['pack', 'soft']),
  ...holder('carton', [1, 3, 20, 35], 200, ['pack']),
  ...holder('basket|basketful', [10, 15, 25, 32], 700),
  ...holder('hamper', [30], 2000),
  ...holder('bucket|pail', [14], 500),
  ...holder('tray', [2, 5, 8, 10], 400, ['pack']),
  ...holder('bowl', [2.5, 3, 5, 6], 500),
  ...holder('bin', [15, 20, 30, 40], 1200),
  ...holder('chest|trunk', [100, 120, 150, 180], 12_000),
  ...holder('suitcase', [80], 3500),
  ...holder('shelf|shelve|shelfful', [20, 30, 45, 50], 0),
  ...holder('cupboard', [120, 150, 200, 250], 0),
  ...holder('wardrobe', [400], 0),
  ...holder('boot|carload|vanload', [300], 0),
  ...holder('folder|wallet', [0.6], 60),
  ...holder('binder', [6], 700),
  ...holder('album', [4], 1200),
  ...holder('rack', [15, 20, 30, 40], 1500),
  ...holder('punnet', [1], 20, ['pack']),
  ...holder('net', [1, 2, 4, 6], 10, ['pack', 'soft']),
  ...holder('bundle|bunch', [0.8, 2, 6, 15], 0, ['heap']),
  ...holder('stack|pile|heap|mountain|load|batch', [1.5, 4, 12, 25], 0, ['heap']),
  ...holder('row', [1, 3, 8, 20], 0, ['heap']),
  ...holder('handful', [0.2, 0.3, 0.5, 1], 0, ['heap']),
  ...holder('armful', [4, 8, 20, 30], 0, ['heap']),
  ...holder('collection|lot|assortment|mix', [1.5, 4, 12, 25], 0, ['heap']),
]);
export const findHolder = (word: string): Holder | undefined => holders.get(stemOf(word));

/** Two words that are a holder of their own size. */
const qualified: ReadonlyMap<string, Holder> = new Map(
  (
    [
      ['shoe box', 8, 180],
      ['bin bag|bin liner|black bag|rubbish bag|refuse sack|garbage bag|trash bag', 50, 40, 'soft'],
      ['carrier bag|plastic bag', 12, 15, 'soft'],
      ['shopping bag|tote bag', 18, 100, 'soft'],
      ['paper bag|gift bag', 6, 40, 'soft'],
      ['freezer bag|sandwich bag|zip bag', 1.5, 8, 'soft'],
      ['moving box|removal box|packing box|tea chest', 65, 900],
      ['banana box|fruit box', 45, 900],
      ['storage box|plastic box|archive box', 35, 1400],
      ['cardboard box', 35, 600],
      ['jam jar', 0.7, 250],
      ['biscuit tin|cake tin|cookie tin|sweet tin', 5, 300],
      ['laundry basket|washing basket', 50, 1200],
      ['wine box|wine case', 18, 700],
      ['pencil case|wash bag|sponge bag', 2, 120],
      ['sports bag|holdall', 40, 900],
      ['ice cream tub', 2, 60],
      ['margarine tub|takeaway tub', 0.8, 25],
    ] as const
  ).flatMap(([words, litres, tareG, soft]) =>
    words.split('|').map((word): [string, Holder] => [
      word,
      {
        id: word,
        litres: [litres, litres, litres, litres],
        tareG,
        isPack: false,
        isHeap: false,
        isSoft: soft !== undefined,
      },
    ]),
  ),
);
/** A holder by its word and the one before it: "shoe", "boxes". */
export const findHolderAt = (before: string | undefined, word: string): Holder | undefined =>
  (before === undefined ? undefined : qualified.get(`${before} ${stemOf(word)}`)) ??
  findHolder(word);

/** Words for one piece of a kind: "a roll of tape", "3 balls of wool", "a bar of soap". */
const PIECE_WORDS = new Set(
  (
    'roll piece length sheet bar ball reel skein spool loaf head slice strip stick block bit coil panel ' +
    'item copy clove sprig lump cake tablet card'
  ).split(' '),
);
export const isPieceWord = (word: string): boolean => PIECE_WORDS.has(stemOf(word));

/** Between which litres a holder's truth lies, by the litres of one piece in it. */
export function holderLitres(found: Holder, pieceLitres: number | undefined): Range {
  const [tiny, small, middle, large] = found.litres;
  if (pieceLitres === undefined)
    return { value: Math.sqrt(small * large), low: tiny, high: large * 1.5 };
  const value = [0.01, 0.1, 0.5].reduce(
    (before, limit, i) => (pieceLitres > limit ? (found.litres[i + 1] ?? before) : before),
    tiny,
  );
  void middle;
  return { value, low: value / 2, high: value * 2 };
}
