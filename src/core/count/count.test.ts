import fc from 'fast-check';

import { aDecision } from '@test/builders';
import { foldDecisions, type Thing } from '../sort';
import {
  countEnough,
  enoughOf,
  findOddPieces,
  findRepeats,
  findRim,
  findRule,
  findSets,
  litresOfBest,
  matchLids,
  matchPiles,
  piecesOf,
  RIM_TOLERANCE_MM,
  rimGapMm,
  shippedRules,
  type RimSize,
} from '.';

let nextId = 0;
const aThing = (change: Parameters<typeof aDecision>[0] = {}): Thing => {
  nextId += 1;
  const thing = foldDecisions([
    aDecision({ id: `d${nextId}`, thingId: `t${nextId}`, ...change }),
  ])[0];
  if (!thing) throw new Error('a decision makes a thing');
  return thing;
};
const family = { people: 4, beds: 3, guestPlaces: 2, washEveryDays: 7 };

describe('how many are enough', () => {
  test('a rule adds what people, beds, guests and days need', () => {
    const rule = {
      perHome: 2,
      perPerson: 1,
      perBed: 10,
      perGuestPlace: 100,
      perDay: 1000 / 7,
      perPersonDay: 0.5,
    };
    expect(enoughOf(rule, family)).toBe(2 + 4 + 30 + 200 + 1000 + 14);
  });

  test.each([
    ['tea towels', 'Tea towels'],
    ['6 hand towels, frayed', 'Hand towels'],
    ['bath towel', 'Bath towels'],
    ['pairs of socks', 'Socks'],
    ['odd thing, from the towel shelf', undefined],
    ['pillow cases', 'Pillowcases'],
    ['sheets of music', undefined],
    ['beach towels', 'Beach towels'],
    ['fitted sheets', 'Sheets'],
  ])('%s are counted by the rule %s', (name, rule) =>
    expect(findRule(shippedRules, name)?.name).toBe(rule),
  );

  test('no two shipped rules claim the same word', () => {
    const words = shippedRules.flatMap((rule) => rule.words);
    for (const word of words)
      expect([word, shippedRules.filter((rule) => rule.words.includes(word)).length]).toEqual([
        word,
        1,
      ]);
  });

  test('what is over is let go worst first, and what is dear stays', () => {
    const things = [
      aThing({ name: 'bath towels', count: 6, litres: 18 }),
      aThing({ name: 'towels, stained', count: 4, reasons: ['worn_out'], litres: 12 }),
      aThing({
        name: 'towel, from Gran',
        count: 5,
        reasons: ['sentimental', 'worn_out'],
        litres: 15,
      }),
      aThing({ name: 'towels', count: 9, verdict: 'donate' }),
      aThing({ name: 'towels', count: 2, verdict: 'ask' }),
    ];
    const line = countEnough(shippedRules, { ...family, people: 2, guestPlaces: 3 }, things)[0];
    expect(line).toMatchObject({ enough: 10, kept: 15, over: 5, short: 0, undecided: 2 });
    expect(line?.letGoFirst.map(({ thing, count }) => [thing.name, count])).toEqual([
      ['towels, stained', 4],
      ['bath towels', 1],
    ]);
  });

  test('kept is enough, more what is over, less what is short; and what goes first adds up', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            name: fc.constantFrom('towel', 'hat', 'tea towels', 'scarf', 'frob'),
            count: fc.integer({ min: 1, max: 30 }),
            verdict: fc.constantFrom('keep', 'donate', 'elsewhere', 'later'),
          }),
          { maxLength: 12 },
        ),
        fc.integer({ min: 0, max: 6 }),
        (piles, people) => {
          const things = piles.map((pile) => aThing(pile));
          const lines = countEnough(shippedRules, { ...family, people }, things);
          for (const { kept, enough, over, short, letGoFirst } of lines) {
            expect(kept).toBe(enough + over - short);
            expect(Math.min(over, short)).toBe(0);
            expect(piecesOf(letGoFirst)).toBe(over);
          }
          expect(lines.reduce((sum, { kept }) => sum + kept, 0)).toBe(
            piecesOf(
              things.filter(
                ({ name, verdict }) =>
                  name !== 'frob' && (verdict === 'keep' || verdict === 'elsewhere'),
              ),
            ),
          );
        },
      ),
    ));

  test('the best twenty leave the worst ones out', () => {
    const piles = [
      aThing({ name: 'hat', count: 10, litres: 10 }),
      aThing({ name: 'hat, torn', count: 10, litres: 30, reasons: ['worn_out'] }),
      aThing({ name: 'hat', count: 5, litres: 10, reasons: ['in_use'] }),
    ];
    expect([0, 5, 15, 20, 99].map((pieces) => litresOfBest(piles, pieces))).toEqual([
      0, 10, 20, 35, 50,
    ]);
  });
});

describe('lids to boxes', () => {
  test.each<[string, RimSize | undefined]>([
    ['tub 18 x 12', { kind: 'sides', longMm: 180, shortMm: 120 }],
    ['lid 12x18 cm', { kind: 'sides', longMm: 180, shortMm: 120 }],
    ['tub 180 × 120 mm', { kind: 'sides', longMm: 180, shortMm: 120 }],
    ['jar, 86 mm', { kind: 'round', diameterMm: 86 }],
    ['lid 8,5 cm, cracked', { kind: 'round', diameterMm: 85 }],
    ['tub', undefined],
    ['lid 3', undefined],
  ])('the rim of %j', (name, rim) => expect(findRim(name, 'cm')).toEqual(rim));

  test('lids go to the boxes that have no other, and what is left is named', () => {
    const match = matchLids(
      [
        aThing({ name: 'tub 18 x 12', count: 2 }),
        aThing({ name: 'box 18,2 x 12', count: 1 }),
        aThing({ name: 'lid 18 x 12', count: 2 }),
        aThing({ name: 'lid 12 x 18,4 cm' }),
        aThing({ name: 'lid 9 cm' }),
        aThing({ name: 'tub, no idea' }),
        aThing({ name: 'boxes of screws' }),
        aThing({ name: 'duvet covers' }),
        aThing({ name: 'lid 18 x 12', verdict: 'discard' }),
      ],
      'cm',
    );
    expect(piecesOf(match.pairs)).toBe(3);
    expect(match.boxesWithout).toEqual([]);
    expect(match.lidsWithout.map(({ thing, count }) => [thing.name, count])).toEqual([
      ['lid 9 cm', 1],
    ]);
    expect(match.unmeasured.map(({ name }) => name)).toEqual(['tub, no idea']);
  });

  test('no other way pairs more of them: against every way on small heaps', () => {
    const rim = fc
      .integer({ min: 80, max: 92 })
      .map((diameterMm): RimSize => ({ kind: 'round', diameterMm }));
    const piles = fc.array(fc.record({ rim, count: fc.integer({ min: 1, max: 2 }) }), {
      maxLength: 4,
    });
    fc.assert(
      fc.property(piles, piles, (boxes, lids) => {
        const flow = matchPiles(boxes, lids);
        flow.forEach((row, b) =>
          row.forEach((count, l) => {
            if (count > 0)
              expect(
                rimGapMm(boxes[b]?.rim as RimSize, lids[l]?.rim as RimSize),
              ).toBeLessThanOrEqual(RIM_TOLERANCE_MM);
          }),
        );
        flow.forEach((row, b) =>
          expect(row.reduce((sum, count) => sum + count, 0)).toBeLessThanOrEqual(
            boxes[b]?.count ?? 0,
          ),
        );
        lids.forEach((lid, l) =>
          expect(flow.reduce((sum, row) => sum + (row[l] ?? 0), 0)).toBeLessThanOrEqual(lid.count),
        );
        expect(flow.flat().reduce((sum, count) => sum + count, 0)).toBe(
          mostPairs(expand(boxes), expand(lids)),
        );
      }),
    );
  });
  const expand = (piles: readonly { readonly rim: RimSize; readonly count: number }[]): RimSize[] =>
    piles.flatMap(({ rim, count }) => Array.from({ length: count }, () => rim));
  /** Tries each lid, or none, on each box. */
  function mostPairs(boxes: readonly RimSize[], lids: readonly RimSize[]): number {
    const [box, ...others] = boxes;
    if (!box) return 0;
    const without = mostPairs(others, lids);
    const withLid = lids.flatMap((lid, l) =>
      rimGapMm(box, lid) <= RIM_TOLERANCE_MM
        ? [
            1 +
              mostPairs(
                others,
                lids.filter((_, i) => i !== l),
              ),
          ]
        : [],
    );
    return Math.max(without, ...withLid);
  }
});

test('parts of a set are counted together over the rooms, pieces inside a box by themselves', () => {
  const sets = findSets([
    aThing({ name: 'champagne glasses, 3 of 6', count: 3 }),
    aThing({ name: 'champagne glasses, 2 of 6', count: 2, roomId: 'attic' }),
    aThing({ name: 'jigsaw, 498 of 500 pieces' }),
    aThing({ name: 'spoons, 6 of 6', count: 6 }),
    aThing({ name: 'forks, 2 of 6', count: 2, verdict: 'donate' }),
    aThing({ name: 'plates, 7 of 6', count: 7 }),
  ]);
  expect(
    sets.map(({ name, present, expected, things }) => [name, present, expected, things.length]),
  ).toEqual([
    ['champagne glasses', 5, 6, 2],
    ['jigsaw', 498, 500, 1],
    ['spoons', 6, 6, 1],
  ]);
});

test('odd pieces of a kind are laid side by side, a lone one is not', () =>
  expect(
    findOddPieces([
      aThing({ name: 'odd sock, blue' }),
      aThing({ name: 'single socks', count: 2, roomId: 'attic' }),
      aThing({ name: 'odd glove' }),
    ]).map(({ name, count }) => [name, count]),
  ).toEqual([['sock, blue', 3]]));

test('what is kept in several rooms is found under its one name', () => {
  const repeats = findRepeats([
    aThing({ name: 'scissors', count: 2 }),
    aThing({ name: 'scissors, blunt', roomId: 'kitchen' }),
    aThing({ name: 'old scissors', roomId: 'attic' }),
    aThing({ name: 'scissors', roomId: 'shed', verdict: 'donate' }),
    aThing({ name: 'hats', count: 9 }),
  ]);
  expect(repeats).toEqual([
    {
      likeness: 'scissors',
      name: 'scissors',
      count: 4,
      rooms: [
        { roomId: 'hall', count: 2 },
        { roomId: 'kitchen', count: 1 },
        { roomId: 'attic', count: 1 },
      ],
    },
  ]);
});
