import fc from 'fast-check';

import { aGroup } from '@test/builders';
import { cautionsFor } from './cautions';
import { parseThing } from './parseThing';

const groups = [
  aGroup({ id: 'scarves', name: 'Scarves & hats' }),
  aGroup({ id: 'bed', name: 'Bed linen' }),
  aGroup({ id: 'tools', name: 'Hand tools' }),
];
const parse = (text: string, things: Parameters<typeof parseThing>[1]['things'] = []) =>
  parseThing(text, { groups, things });

test.each([
  [
    '6 wool scarves, moth holes in two',
    6,
    'wool scarves, moth holes in two',
    ['worn_out'],
    'scarves',
  ],
  ['six scarves', 6, 'scarves', [], 'scarves'],
  ['broken umbrella', 1, 'broken umbrella', ['broken'], undefined],
  ['a pair of boots, outgrown', 1, 'boots, outgrown', ['outgrown'], undefined],
  ['bed sheets x4', 4, 'bed sheets', [], 'bed'],
  ['hats: 12', 12, 'hats', [], 'scarves'],
  ['half a dozen knives', 6, 'knives', [], undefined],
  ['3x hammer', 3, 'hammer', [], undefined],
  ['5 of 6 bowls', 5, 'bowls, 5 of 6', [], undefined],
  ['tub 18 x 12', 1, 'tub 18 x 12', [], undefined],
  ['18 x 12 tub', 1, '18 x 12 tub', [], undefined],
  [
    '2 spare lids, never used',
    2,
    'spare lids, never used',
    ['more_than_enough', 'never_used'],
    undefined,
  ],
])('understands %j', (text, count, name, reasons, groupId) =>
  expect(parse(text)).toMatchObject({ count, name, reasons, groupId }),
);

test.each(['', '   ', '12', '3.5', '!!'])('there is nothing in hand yet in %j', (text) =>
  expect(parse(text)).toBeUndefined(),
);

test('what was put in a group before suggests it again', () =>
  expect(parse('2 chisels', [{ name: 'chisel', groupId: groups[2]?.id ?? null }])?.groupId).toBe(
    'tools',
  ));

test('size grows with the number, and a guess says that it is one', () => {
  expect(parse('10 bath towels')).toMatchObject({ litres: 32, massG: 5000, isSizeKnown: true });
  expect(parse('3 frobs')).toMatchObject({ litres: 6, isSizeKnown: false });
});

test.each([
  ['bottle of bleach', 1000, ['chemical']],
  ['pack of tablets, out of date', 60, ['medicine']],
  ['kitchen knives', 300, ['blade']],
  ['power bank', 200, ['battery']],
  ['tins of paint', 3000, ['hazardous_waste']],
  ['bank statements', 100, ['paper_private']],
  ['scarves, moth holes', 100, ['mould_pest']],
  ['books', 16_000, ['heavy']],
  ['books', 15_000, []],
])('%s of %d g calls for %j', (name, massG, cautions) =>
  expect(cautionsFor(name, massG)).toEqual(cautions),
);

test('any typing is understood or not, and never thrown at', () =>
  fc.assert(
    fc.property(fc.string({ maxLength: 60 }), (text) => {
      const parsed = parse(text);
      if (!parsed) return;
      expect(parsed.count).toBeGreaterThanOrEqual(1);
      expect(parsed.count).toBeLessThanOrEqual(10_000);
      expect(parsed.litres).toBeGreaterThanOrEqual(0);
      expect(parsed.name).not.toBe('');
    }),
  ));
