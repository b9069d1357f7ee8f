import { stemsOf, wordsOf } from './readWords';
import type { Kind } from './readVocabulary';

/** Something that never leaves without asking, taken apart once. */
interface Wish {
  readonly text: string;
  /** Each part by itself calls for asking: "letters and medals". */
  readonly parts: readonly {
    readonly stems: readonly string[];
    readonly kindIds: readonly string[];
  }[];
}
/** Words of a wish that name nothing. */
const EMPTY_WORDS = new Set(
  (
    'anything everything something all any every each thing stuff item please ask before client mine his her ' +
    'their its your it that this which was were is be been from by on at no not never without old or belonging ' +
    'belong belongs s one what ever whatever'
  ).split(' '),
);

/** Takes apart what the household has named: "Grandfather's tools", "letters and photographs". */
export function readMustAsk(
  texts: readonly string[],
  kindsIn: (text: string) => readonly Kind[],
): readonly Wish[] {
  return texts.map((text) => ({
    text,
    parts: text
      .split(/[,;/]|\band\b|\bor\b|&/i)
      .map((part) => ({
        stems: stemsOf(part).filter((stem) => !EMPTY_WORDS.has(stem)),
        kindIds: kindsIn(part).map(({ id }) => id),
      }))
      .filter(({ stems }) => stems.length > 0),
  }));
}

/**
 * The wish that a line touches: all words of a part stand in it, or the part is one word and names the
 * line's kind ("photographs" and "snapshots"). It errs towards asking.
 */
export function findMustAsk(
  wishes: readonly Wish[],
  { text, kind }: { readonly text: string; readonly kind: Kind | undefined },
): string | undefined {
  const stems = new Set([...stemsOf(text), ...wordsOf(text)]);
  return wishes.find(({ parts }) =>
    parts.some(
      (part) =>
        part.stems.every((stem) => stems.has(stem)) ||
        (part.stems.length === 1 && kind !== undefined && part.kindIds.includes(kind.id)),
    ),
  )?.text;
}
