import { formsOf } from './forms';
import { waysToSet, type SetText, type TextPlace } from './fitText';

/** A label that wants its text. */
export interface Unnamed extends TextPlace {
  readonly key: string;
  readonly name: string;
}
export type NamedLabel =
  | { readonly key: string; readonly ok: true; readonly set: SetText }
  /** Nothing of its name goes into its place at any size. */
  | { readonly key: string; readonly ok: false };

const folded = (text: string): string => text.toLocaleLowerCase('en').replace(/[.\s-]+/g, ' ');

/**
 * Gives each label of a room its text: the fullest form that is read from where one stands, and never the
 * same on two. Names that are there several times are numbered, `Pasta 1`, `Pasta 2`; where two short forms
 * meet, the second takes its next one, and a number where it has none. `said` is on labels that are
 * made already: nobody says it again. Order in, order out.
 * Ensures: no two texts are the same, whatever capitals and spaces; no line is wider than its place.
 */
export function nameLabels(
  labels: readonly Unnamed[],
  said: readonly string[] = [],
): readonly NamedLabel[] {
  const sums = new Map(said.map((text) => [folded(text).replace(/ \d+$/, ''), 1]));
  for (const { name } of labels) sums.set(folded(name), (sums.get(folded(name)) ?? 0) + 1);
  const counts = new Map<string, number>();
  const taken = new Set(said.map(folded));
  return labels.map((label) => {
    const kind = folded(label.name);
    const isRepeated = (sums.get(kind) ?? 0) > 1;
    const from = isRepeated ? (counts.get(kind) ?? 0) + 1 : 0;
    // Of n labels at most n texts are taken, beside what was said before.
    for (let number = from; number <= from + labels.length + said.length; number++) {
      const ways = waysToSet(label.name, label, numbered(formsOf(label.name), number));
      if (ways.length === 0) return { key: label.key, ok: false };
      const isFree = ({ text }: SetText) => !taken.has(folded(text));
      // Where they are numbered anyway, the next number says more than a shorter word.
      const way = number === 0 ? ways.find(isFree) : ways.slice(0, 1).find(isFree);
      if (!way) continue;
      taken.add(folded(way.text));
      if (isRepeated) counts.set(kind, number);
      return { key: label.key, ok: true, set: way };
    }
    return { key: label.key, ok: false };
  });
}

/** 0: as they are. The number stays with the last word. */
const numbered = (forms: readonly string[], number: number): readonly string[] =>
  number === 0 ? forms : forms.map((form) => `${form}\u00a0${number}`);
