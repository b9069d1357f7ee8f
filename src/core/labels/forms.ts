import { hyphenateSync } from 'hyphen/en-gb';

const JOINT = '\u00ad';

/** The parts of a word at which it may be broken: `acces`, `sories`. */
export const partsOfWord = (word: string): string[] =>
  hyphenateSync(word, { hyphenChar: JOINT, minWordLength: 6 })
    .split(JOINT)
    .filter((part) => part !== '');

/** Words that a short form does without. */
const SMALL_WORDS = new Set(['a', 'an', 'the', 'of', 'for', 'with', 'in', 'on', 'to', 'from']);
/** A word is not cut shorter than this. */
const LEAST_LETTERS = 4;
/** Nor to less than this share of its letters: what is left has to say it. */
const LEAST_SHARE = 0.4;

/**
 * Forms of a name from the fullest to the shortest, each of them once: without what stands in brackets,
 * with `&`, without small words, and then its longest word cut at a joint, again and again.
 */
export function formsOf(name: string): readonly string[] {
  const full = name.normalize('NFC').replace(/\s+/g, ' ').trim();
  const bare = full
    .replace(/\s*\([^)]*\)/g, '')
    .replace(/[,;:].*$/, '')
    .trim();
  const joined = (bare || full).replace(/ and /gi, ' & ');
  const words = joined.split(' ');
  const lean = words.filter(
    (word, i) => i === 0 || i === words.length - 1 || !SMALL_WORDS.has(word.toLowerCase()),
  );
  const forms = [full, bare, joined, lean.join(' ')].filter((form) => form !== '');
  const least = lean.map((word) => Math.max(LEAST_LETTERS, Math.ceil(word.length * LEAST_SHARE)));
  let current = lean;
  for (let next = cutLongest(current, least); next; next = cutLongest(current, least)) {
    forms.push(next.join(' '));
    current = next;
  }
  return [...new Set(forms)];
}

/** The words with the longest one shorter; undefined where none can be cut. */
function cutLongest(words: readonly string[], least: readonly number[]): string[] | undefined {
  const lengths = words.map((word, i) => (isCuttable(word, least[i]!) ? word.length : 0));
  const longest = Math.max(...lengths);
  if (longest === 0) return undefined;
  const at = lengths.indexOf(longest);
  return words.map((word, i) => (i === at ? cutWord(word, least[i]!) : word));
}

const isCuttable = (word: string, least: number): boolean =>
  !/\d/.test(word) && word.replace(/\.$/, '').length > least + 1;

function cutWord(word: string, least: number): string {
  const bare = word.replace(/\.$/, '');
  const parts = partsOfWord(bare);
  // Cut in a joint's next syllable before its vowel, where that is shorter; else by a letter.
  const joints = parts.slice(0, -1).map((_, i) => parts.slice(0, i + 1).join('').length);
  const shorter = joints.filter((length) => length >= least).at(-1) ?? bare.length - 2;
  return `${bare.slice(0, Math.max(least, shorter))}.`;
}
