import { kinds } from './kinds';
import { findKind } from './parseThing';
import { stemsOf } from './stems';

test('every kind has a size that a hand could believe', () => {
  for (const { words, litres, massG } of kinds) {
    expect([words[0], litres > 0, massG > 0]).toEqual([words[0], true, true]);
    // Batteries and screws are the densest things that people store by the handful.
    expect([words[0], massG / litres <= 1300]).toEqual([words[0], true]);
  }
});

test('no word stands for two kinds, or it would depend on their order', () => {
  const stems = kinds.flatMap(({ words }) => [
    ...new Set(words.map((word) => stemsOf(word).join(' '))),
  ]);
  const doubled = stems.filter((stem, i) => stems.indexOf(stem) !== i);
  // "lead" is for dogs and cables, "fork" for gardens and tables, "file" for wood: the first one stands.
  expect(doubled.filter((stem) => !['fork', 'glove', 'mitten'].includes(stem))).toEqual([]);
});

test.each([
  ['beach towels', 'beach towel'],
  ['tea towel', 'tea towel'],
  ['old bath towel', 'bath towel'],
  ['box of photo albums', 'photo album'],
  ['tin of paint', 'paint tin'],
  ['first aid kit', 'first aid kit'],
  ['plastic tubs without lid', 'tub'],
  ['paint brushes', 'paintbrush'],
])('%s is the longest kind that it names', (text, word) =>
  expect(
    findKind(text)?.words.some(
      (other) => other === word || stemsOf(other).join(' ') === stemsOf(word).join(' '),
    ),
  ).toBe(true),
);

test('what is said after a comma is about the thing, not the thing', () => {
  expect(findKind('scarves, box torn')?.words).toContain('scarf');
  expect(findKind('something, from the towel shelf')).toBeUndefined();
});
