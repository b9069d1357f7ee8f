import fc from 'fast-check';

import {
  addWeighing,
  findKind,
  kindKeyOf,
  kinds,
  kindSizeSchema,
  noKindSize,
  parseThing,
  withKindSizes,
} from '.';

const towel = (sizes: Parameters<typeof withKindSizes>[0]) =>
  findKind('towel', withKindSizes(sizes));

test('what nobody corrected stands as shipped', () => {
  expect(withKindSizes([]).map(({ words, litres, massG }) => ({ words, litres, massG }))).toEqual(
    kinds,
  );
  expect(towel([])).toMatchObject({ litresFrom: 'assumed', massFrom: 'assumed' });
});

test('the scale overrules what was typed, and that what was shipped', () => {
  const typed = { ...noKindSize('bath towel'), litres: 4, massG: 600 };
  expect(towel([typed])).toMatchObject({
    litres: 4,
    massG: 600,
    litresFrom: 'typed',
    massFrom: 'typed',
  });
  expect(towel([addWeighing(typed, { count: 4, massG: 1800 })])).toMatchObject({
    litres: 4,
    massG: 450,
    massFrom: 'weighed',
    weighedCount: 4,
  });
  expect(
    parseThing('10 towels', {
      groups: [],
      things: [],
      kinds: withKindSizes([addWeighing(typed, { count: 4, massG: 1800 })]),
    }),
  ).toMatchObject({ litres: 40, massG: 4500 });
});

test('a piece weighs the mean of all that was on the scale, in whatever order', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          count: fc.integer({ min: 1, max: 20 }),
          massG: fc.integer({ min: 1, max: 20_000 }),
        }),
        { minLength: 1, maxLength: 8 },
      ),
      (weighings) => {
        const after = (list: typeof weighings) =>
          towel([list.reduce(addWeighing, noKindSize('bath towel'))])?.massG ?? 0;
        const [pieces, grams] = weighings.reduce(
          ([c, m], { count, massG }) => [c + count, m + massG],
          [0, 0],
        );
        expect(after(weighings)).toBeCloseTo((grams ?? 0) / (pieces ?? 1), 9);
        expect(after([...weighings].reverse())).toBeCloseTo(after(weighings), 9);
      },
    ),
  ));

test('every kind has a key of its own', () => {
  const keys = kinds.map(kindKeyOf);
  expect(new Set(keys).size).toBe(keys.length);
  expect(keys.every((key) => kindSizeSchema.safeParse(noKindSize(key)).success)).toBe(true);
});
