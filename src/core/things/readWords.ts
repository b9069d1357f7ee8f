import { singular } from 'pluralize';

/** American spellings, and variants of one spelling, as the vocabulary has them. */
const SPELLINGS: Readonly<Record<string, string>> = {
  color: 'colour',
  colored: 'coloured',
  coloring: 'colouring',
  gray: 'grey',
  mold: 'mould',
  moldy: 'mouldy',
  tire: 'tyre',
  pajama: 'pyjama',
  yogurt: 'yoghurt',
  aluminum: 'aluminium',
  fiber: 'fibre',
  microfiber: 'microfibre',
  cozy: 'cosy',
  sulfur: 'sulphur',
  moisturizer: 'moisturiser',
  organizer: 'organiser',
  sanitizer: 'sanitiser',
  fertilizer: 'fertiliser',
  jewelry: 'jewellery',
  mustache: 'moustache',
  ax: 'axe',
  plow: 'plough',
  donut: 'doughnut',
  omelet: 'omelette',
  license: 'licence',
  program: 'programme',
  catalog: 'catalogue',
  inhaller: 'inhaler',
  woollen: 'wool',
  woolen: 'wool',
  woolly: 'wool',
  wooly: 'wool',
};
/** What the inflection rules get wrong, both numbers. */
const ODD_ONES: Readonly<Record<string, string>> = {
  lens: 'lens',
  lenses: 'lens',
  canvas: 'canvas',
  canvases: 'canvas',
  clothes: 'clothes',
  dice: 'dice',
  data: 'data',
  media: 'media',
  axes: 'axe',
  fuses: 'fuse',
  saris: 'sari',
  tutus: 'tutu',
  mangas: 'manga',
  congas: 'conga',
  ramens: 'ramen',
  mousses: 'mousse',
  salves: 'salve',
  gouaches: 'gouache',
  muses: 'muse',
  excuses: 'excuse',
  candelabra: 'candelabra',
  candelabras: 'candelabra',
  cloches: 'cloche',
  caches: 'cache',
  creches: 'creche',
  quiches: 'quiche',
  brioches: 'brioche',
  moustaches: 'moustache',
  aches: 'ache',
  headaches: 'headache',
  toothaches: 'toothache',
  swiss: 'swiss',
  gas: 'gas',
  iris: 'iris',
  pus: 'pus',
  this: 'this',
  is: 'is',
  his: 'his',
  its: 'its',
  us: 'us',
};
const SMALL_WORDS = new Set([
  'and',
  'of',
  'the',
  'in',
  'a',
  'an',
  'for',
  'with',
  'to',
  'my',
  'our',
]);

const known = new Map<string, string>();
/** Words are few, lines are many; a browser's tab does not outlive this. */
const MOST_KNOWN = 50_000;

/**
 * A word in its one form: lower case, singular, British spelling. "knives", "Knife" and the slip of a
 * key "knivess" meet. What ends in -ie and -y is one.
 */
export function stemOf(word: string): string {
  const before = known.get(word);
  if (before !== undefined) return before;
  const stem = workOutStem(word.toLowerCase());
  if (known.size < MOST_KNOWN) known.set(word, stem);
  return stem;
}

function workOutStem(word: string): string {
  const odd = ODD_ONES[word];
  if (odd !== undefined) return odd;
  const single = word.length < 3 ? word : singular(word.replace(/([^aeious])ss$/, '$1s'));
  const spelled = SPELLINGS[single] ?? single;
  return spelled.length > 4 ? spelled.replace(/ie$/, 'y') : spelled;
}

/** Words in lower case, hyphens apart, endings as they stand: "T-shirts" is "t", "shirts". */
export const wordsOf = (text: string): string[] =>
  text
    .toLowerCase()
    // "clip-on lamp": no lamp that lies on something.
    .replace(/(\p{L})-(in|on|up)(?![\p{L}\p{N}])/gu, '$1$2')
    .replace(/[’']s\b/g, '')
    .replace(/(\p{L})[’'](?=\p{L})/gu, '$1')
    .split(/[^\p{L}\p{N}]+/u)
    .filter((word) => word.length > 0);

/** The words that carry the meaning, in their one form. */
export const stemsOf = (text: string): string[] =>
  wordsOf(text)
    .filter((word) => !SMALL_WORDS.has(word))
    .map(stemOf);
