import { stemsOf } from '../things';

/** Something that is known by words, each a phrase of one or more: "fitted sheet". */
interface Worded {
  readonly words: readonly string[];
}
interface Found<W> {
  readonly entry: W;
  /** Letters of the phrase that was found, without endings. */
  readonly length: number;
}
interface PhraseIndex<W> {
  readonly byPhrase: ReadonlyMap<string, W>;
  readonly mostWords: number;
}

/** Lists do not change: their index is made once a list. */
const indexes = new WeakMap<readonly Worded[], PhraseIndex<Worded>>();

/**
 * Finds the entry whose longest phrase stands in a text of stems; of equally long ones that further
 * right, for what stands
 * last names the thing; of the same phrase in two entries the first. O(stems × words of the longest phrase).
 */
export function findPhrase<W extends Worded>(
  entries: readonly W[],
  stems: readonly string[],
): Found<W> | undefined {
  const { byPhrase, mostWords } = indexOf(entries);
  let best: Found<W> | undefined;
  for (let from = 0; from < stems.length; from += 1) {
    let phrase = '';
    for (let to = from; to < Math.min(stems.length, from + mostWords); to += 1) {
      phrase = to === from ? (stems[to] ?? '') : `${phrase} ${stems[to]}`;
      const entry = byPhrase.get(phrase);
      if (entry !== undefined && (!best || phrase.length >= best.length))
        best = { entry, length: phrase.length };
    }
  }
  return best;
}

function indexOf<W extends Worded>(entries: readonly W[]): PhraseIndex<W> {
  const known = indexes.get(entries) as PhraseIndex<W> | undefined;
  if (known) return known;
  const byPhrase = new Map<string, W>();
  let mostWords = 1;
  for (const entry of entries) {
    for (const word of entry.words) {
      const stems = stemsOf(word);
      mostWords = Math.max(mostWords, stems.length);
      const phrase = stems.join(' ');
      if (!byPhrase.has(phrase)) byPhrase.set(phrase, entry);
    }
  }
  const index = { byPhrase, mostWords };
  indexes.set(entries, index);
  return index;
}

/** What a name says before the comma, in stems: what follows is about the thing, not the thing. */
export const headStemsOf = (name: string): string[] => stemsOf(name.split(/[,;(]/)[0] ?? name);
