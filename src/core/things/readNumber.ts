import { isWordAt, setOf, textAt, wholeAt, type Token } from './tokens';

const ONES: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  both: 2,
};
const TENS: Readonly<Record<string, number>> = {
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
};
const MANY: Readonly<Record<string, number>> = {
  dozen: 12,
  hundred: 100,
  thousand: 1000,
  score: 20,
  gross: 144,
};
/** "a few" and "several" are no numbers; so many are a fair beginning. */
const VAGUE: Readonly<Record<string, number>> = { 'a few': 3, several: 5, 'a couple of': 2 };

export interface ReadNumber {
  readonly value: number;
  /** Index of the token behind it. */
  readonly next: number;
}

/** The number that a single word says: "twelve". */
export const numberOfWord = (word: string): number | undefined => ONES[word];

const startsAt = (tokens: readonly Token[], at: number, words: string): boolean =>
  words.split(' ').every((word, i) => textAt(tokens, at + i) === word);

/** A number in digits or words at a token: `12`, `twelve`, `half a dozen`, `20 to 30`, `a couple of`. */
export function numberAt(tokens: readonly Token[], at: number): ReadNumber | undefined {
  if (startsAt(tokens, at, 'half a dozen')) return { value: 6, next: at + 3 };
  for (const [words, value] of Object.entries(VAGUE))
    if (startsAt(tokens, at, words)) return { value, next: at + words.split(' ').length };
  const first = digitsAt(tokens, at) ?? wordsAt(tokens, at);
  if (!first) return articleAt(tokens, at);
  const times = MANY[textAt(tokens, first.next)];
  return times === undefined ? first : { value: first.value * times, next: first.next + 1 };
}

const RANGE = setOf('- to');
function digitsAt(tokens: readonly Token[], at: number): ReadNumber | undefined {
  const value = wholeAt(tokens, at);
  if (value === undefined) return undefined;
  const upper = RANGE.has(textAt(tokens, at + 1)) ? wholeAt(tokens, at + 2) : undefined;
  return upper !== undefined && upper > value
    ? { value: Math.round((value + upper) / 2), next: at + 3 }
    : { value, next: at + 1 };
}

function wordsAt(tokens: readonly Token[], at: number): ReadNumber | undefined {
  const ten = TENS[textAt(tokens, at)];
  if (ten === undefined) {
    const one = ONES[textAt(tokens, at)];
    return one === undefined ? undefined : { value: one, next: at + 1 };
  }
  const behind = textAt(tokens, at + 1) === '-' ? at + 2 : at + 1;
  const one = ONES[textAt(tokens, behind)];
  return one !== undefined && one < 10
    ? { value: ten + one, next: behind + 1 }
    : { value: ten, next: at + 1 };
}

/** `a dozen`, `dozen`, `a shirt`. */
function articleAt(tokens: readonly Token[], at: number): ReadNumber | undefined {
  const isArticle = ['a', 'an'].includes(textAt(tokens, at));
  const behind = isArticle ? at + 1 : at;
  const many = MANY[textAt(tokens, behind)];
  if (many !== undefined && textAt(tokens, behind) !== 'score')
    return { value: many, next: behind + 1 };
  return isArticle && isWordAt(tokens, behind) ? { value: 1, next: behind } : undefined;
}
