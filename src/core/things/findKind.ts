import { stemOf, stemsOf, wordsOf } from './readWords';
import type { Family, Kind } from './readVocabulary';

/** Something that is known by phrases. */
interface Worded {
  readonly words: readonly string[];
}
interface PhraseIndex<W> {
  readonly byKey: ReadonlyMap<string, W>;
  readonly mostWords: number;
}
export interface Match<W> {
  readonly entry: W;
  /** Index of the word behind the phrase, and how many words it has. */
  readonly end: number;
  readonly length: number;
}

/** Phrases without blanks and hyphens, so that "hair dryer", "hair-dryer" and "hairdryer" are one. */
export function indexPhrases<W extends Worded>(entries: readonly W[]): PhraseIndex<W> {
  const byKey = new Map<string, W>();
  let mostWords = 1;
  for (const entry of entries) {
    for (const phrase of entry.words) {
      const stems = stemsOf(phrase);
      mostWords = Math.max(mostWords, stems.length);
      const key = stems.join('');
      if (key !== '' && !byKey.has(key)) byKey.set(key, entry);
    }
  }
  return { byKey, mostWords };
}

/**
 * The phrase that ends furthest right, the longest of those: what stands last names the thing ("cat food
 * bowl" is a bowl). O(stems × words of the longest phrase).
 */
export function findLastPhrase<W extends Worded>(
  { byKey, mostWords }: PhraseIndex<W>,
  stems: readonly string[],
): Match<W> | undefined {
  for (let end = stems.length; end > 0; end -= 1) {
    for (let from = Math.max(0, end - mostWords - 1); from < end; from += 1) {
      const entry = byKey.get(stems.slice(from, end).join(''));
      if (entry !== undefined) return { entry, end, length: end - from };
    }
  }
  return undefined;
}

/** Every phrase that stands in the stems, each with its place. */
export function findAllPhrases<W extends Worded>(
  { byKey, mostWords }: PhraseIndex<W>,
  stems: readonly string[],
): W[] {
  const found = new Set<W>();
  for (let end = stems.length; end > 0; end -= 1)
    for (let from = Math.max(0, end - mostWords - 1); from < end; from += 1) {
      const entry = byKey.get(stems.slice(from, end).join(''));
      if (entry !== undefined) found.add(entry);
    }
  return [...found];
}

/** What is said of a thing and not what it is stands behind such a word: "knives from the boat". */
const ASIDE = new Set(
  (
    'with without from for in on at by about under behind beside next near that which who never not missing ' +
    'incl including plus but because still found used bought broken cracked unused like as to'
  ).split(' '),
);

/** Before the comma: the thing, and perhaps what is said about it. */
const leadWordsOf = (text: string): string[] =>
  wordsOf(text.split(/[,;(]/).find((part) => /\p{L}/u.test(part)) ?? text);
const asideIn = (words: readonly string[], from: number): number =>
  words.findIndex((word, i) => i >= from && ASIDE.has(word));

/** The part of a line that names the thing: before the comma, before what is said about it. */
export function headWordsOf(text: string): string[] {
  const words = leadWordsOf(text);
  const at = asideIn(words, 1);
  return at > 0 ? words.slice(0, at) : words;
}

/** "car seat for a baby": the thing with the first of what is said about it; undefined where nothing is. */
function wordsAcross(text: string): string[] | undefined {
  const words = leadWordsOf(text);
  const at = asideIn(words, 1);
  if (at < 0) return undefined;
  const next = asideIn(words, at + 2);
  return words.slice(0, next > 0 ? next : words.length).filter((_, i) => i !== at);
}

/** What stands behind a comma or in brackets, where it is a word or two. */
function tailWordsOf(text: string): string[] {
  const tail = /[,(]\s*([^,;()]+)/.exec(text)?.[1];
  const words = tail === undefined ? [] : wordsOf(tail);
  return words.length <= 2 ? words : [];
}

/** "old, rusty spanner": the thing is named further on. */
const SAYS_LITTLE = new Set(
  'old new big small large little broken rusty empty used spare odd misc various assorted dirty'.split(
    ' ',
  ),
);

const SMALL = new Set(['and', 'of', 'the', 'in', 'a', 'an', 'for', 'with', 'to', 'my', 'our']);

export interface Named<O extends Worded> {
  /** The organizer's own, which go before the shipped ones. */
  readonly own: O | undefined;
  readonly kind: Kind | undefined;
  readonly family: Family | undefined;
  /** Words of the thing that the phrase does not say: "large", "children's". */
  readonly others: readonly string[];
  /** Words of the phrase that was found; 0 where none was. */
  readonly length: number;
  /** The last word of the phrase as it was typed, to tell one from several. */
  readonly lastWord: string;
}

/** Finds kinds by the words of a line, made once a vocabulary. */
export interface KindFinder<O extends Worded> {
  readonly find: (thing: string) => Named<O>;
  readonly kindsIn: (text: string) => Kind[];
  readonly familiesIn: (text: string) => Family[];
}

export function createKindFinder<O extends Worded>(
  kinds: readonly Kind[],
  families: readonly Family[],
  own: readonly O[],
): KindFinder<O> {
  const kindIndex = indexPhrases(kinds);
  const familyIndex = indexPhrases(families);
  const ownIndex = indexPhrases(own);
  const lookUp = (words: readonly string[]): Named<O> | undefined => {
    const told = words.filter((word) => !SMALL.has(word));
    const stems = told.map(stemOf);
    const mine = findLastPhrase(ownIndex, stems);
    const kind = findLastPhrase(kindIndex, stems);
    const family = findLastPhrase(familyIndex, stems);
    const best = [mine, kind, family]
      .filter((match) => match !== undefined)
      .reduce<Match<Worded> | undefined>(
        (before, match) => (before && before.end >= match.end ? before : match),
        undefined,
      );
    if (!best) return undefined;
    return {
      own: best === mine ? mine.entry : undefined,
      kind: kind && kind.end >= best.end ? kind.entry : undefined,
      family: best === family ? family.entry : undefined,
      others: stems.filter((_, i) => i < best.end - best.length || i >= best.end),
      length: best.length,
      lastWord: told[best.end - 1] ?? '',
    };
  };
  /** "duvet, double", "lawn mower (petrol)": what stands behind belongs in front. */
  const turnedOf = (thing: string, head: readonly string[], plain: Named<O> | undefined) => {
    const tail = tailWordsOf(thing);
    const turned = tail.length === 0 ? undefined : lookUp([...tail, ...head]);
    const isLonger = turned?.kind && turned.length > (plain?.length ?? 0);
    return isLonger && turned.lastWord === head.at(-1) ? turned : undefined;
  };
  /** A kind whose name reaches over the small word: "clothes rack on wheels". */
  const acrossOf = (thing: string, head: readonly string[], plain: Named<O> | undefined) => {
    const across = wordsAcross(thing);
    const whole = across && lookUp(across);
    if (!across || !whole?.kind || whole.length <= (plain?.length ?? 0)) return undefined;
    const behind = lookUp(across.slice(head.length));
    return behind?.length === whole.length ? undefined : whole;
  };
  return {
    find: (thing) => {
      const head = headWordsOf(thing);
      const plain = lookUp(head);
      const longest = turnedOf(thing, head, plain) ?? acrossOf(thing, head, plain) ?? plain;
      return (
        longest ??
        (head.every((word) => SAYS_LITTLE.has(word)) ? lookUp(wordsOf(thing)) : undefined) ??
        lookUp(withoutCompounds(head, kindIndex)) ?? {
          own: undefined,
          kind: undefined,
          family: undefined,
          others: head.map(stemOf),
          length: 0,
          lastWord: head.at(-1) ?? '',
        }
      );
    },
    kindsIn: (text) => findAllPhrases(kindIndex, stemsOf(text)),
    familiesIn: (text) => findAllPhrases(familyIndex, stemsOf(text)),
  };
}

/** "nightlamp" is not known, but "lamp" is. */
function withoutCompounds(words: readonly string[], index: PhraseIndex<Kind>): string[] {
  const last = words.at(-1);
  if (last === undefined) return [];
  const stem = stemOf(last);
  for (let from = 2; stem.length - from >= 4; from += 1)
    if (index.byKey.has(stem.slice(from))) return [...words.slice(0, -1), stem.slice(from)];
  return [];
}
