import { stemOf } from './readWords';

/** What an adjective makes of the size and weight of a kind. */
interface Effect {
  readonly litres: number;
  readonly massG: number;
}
const byWord = (table: Readonly<Record<string, string>>): ReadonlyMap<string, number> =>
  new Map(
    Object.entries(table).flatMap(([factor, words]) =>
      words.split(' ').map((word) => [stemOf(word), Number(factor)] as const),
    ),
  );

/** Source: our own stated assumptions, as shares of the usual piece's litres. */
const SIZE_WORDS = byWord({
  0.3: 'tiny mini miniature newborn dolls',
  0.4: 'travel pocket sample',
  0.5: 'a5 toddler half',
  0.6: 'small little kids childs childrens boys girls boy girl child junior short',
  0.8: 'thin light narrow slim summer',
  1.3: 'thick heavy long winter wide double',
  1.5: 'large big tall king a3',
  1.8: 'family superking',
  2.2: 'huge giant xl xxl jumbo oversized enormous',
});
/** Grams of a piece made of it, beside one of ceramic. */
const HEAVINESS: Readonly<Record<string, number>> = {
  ceramic: 1,
  china: 1,
  porcelain: 1,
  stone: 1.4,
  marble: 1.4,
  glass: 1,
  crystal: 1.2,
  metal: 0.7,
  steel: 0.7,
  brass: 1.1,
  pewter: 1,
  iron: 2,
  aluminium: 0.4,
  wood: 0.6,
  bamboo: 0.5,
  plastic: 0.3,
  melamine: 0.4,
  card: 0.15,
  paper: 0.1,
  wicker: 0.25,
  silicone: 0.4,
};
const MATERIAL_WORDS: Readonly<Record<string, string>> = { wooden: 'wood', cardboard: 'card' };

/** How the words beside a kind change its litres and grams: "large", "children's", "plastic". */
export function effectOf(others: readonly string[], material: string): Effect {
  let litres = 1;
  let heaviness = 1;
  for (const word of others) {
    litres *= SIZE_WORDS.get(word) ?? 1;
    const made = HEAVINESS[MATERIAL_WORDS[word] ?? word];
    const usual = HEAVINESS[material];
    if (made !== undefined && usual !== undefined && MATERIAL_WORDS[word] !== material)
      heaviness = made / usual;
  }
  const bounded = Math.min(4, Math.max(0.15, litres));
  return { litres: bounded, massG: bounded * heaviness };
}

const TWO_LEGGED = new Set(
  (
    'trousers jeans shorts leggings tights pyjamas dungarees overalls scissors pliers tongs tweezers shears ' +
    'secateurs clippers binoculars goggles spectacles sunglasses eyeglasses headphones earphones ' +
    'knickers pants boxers briefs underpants slacks chinos joggers pincers braces bellows handcuffs cords ' +
    'scales straighteners steps bagpipes leads lights bars earbuds dominoes draughts stairs ' +
    'culottes breeches jodhpurs drawers salopettes loppers snips'
  )
    .split(' ')
    .map(stemOf),
);
/** "a pair of trousers" is one thing; "a pair of candlesticks" are two. */
export const isTwoLegged = (word: string): boolean => TWO_LEGGED.has(stemOf(word));
