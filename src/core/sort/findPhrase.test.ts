import fc from 'fast-check';

import { findPhrase, headStemsOf } from '.';
import { stemsOf } from '../things';
import { vocabulary } from '../things/vocabulary';

const { kinds } = vocabulary;

/** As one would look through the list by hand: each phrase of each entry, wherever it stands in the text. */
function lookThrough<W extends { readonly words: readonly string[] }>(
  entries: readonly W[],
  stems: readonly string[],
): W | undefined {
  const text = ` ${stems.join(' ')} `;
  let best: { readonly entry: W; readonly length: number; readonly at: number } | undefined;
  for (const entry of entries) {
    for (const word of entry.words) {
      const phrase = stemsOf(word).join(' ');
      const at = text.lastIndexOf(` ${phrase} `);
      if (
        at >= 0 &&
        (!best || phrase.length > best.length || (phrase.length === best.length && at > best.at))
      )
        best = { entry, length: phrase.length, at };
    }
  }
  return best?.entry;
}

const wordArb = fc.constantFrom(
  'tea',
  'towel',
  'bath',
  'rail',
  'sheet',
  'music',
  'old',
  'fitted',
  'jar',
  'lid',
  'of',
  'hand',
  'frob',
  'spice',
);
test('the index finds what looking through the whole list finds', () =>
  fc.assert(
    fc.property(
      fc.array(wordArb, { maxLength: 6 }).map((words) => words.join(' ')),
      (name) => {
        const stems = headStemsOf(name);
        expect(findPhrase(kinds, stems)?.entry).toBe(lookThrough(kinds, stems));
      },
    ),
  ));

test('of one phrase in two entries the first counts, and a text without any has none', () => {
  const entries = [
    { words: ['fork'], where: 'garden' },
    { words: ['fork', 'spoon'], where: 'table' },
  ];
  expect(findPhrase(entries, ['old', 'fork'])).toEqual({ entry: entries[0], length: 4 });
  expect(findPhrase(entries, ['fork', 'spoon'])?.entry.where).toBe('table');
  expect(findPhrase(entries, [])).toBeUndefined();
});
