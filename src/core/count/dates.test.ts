import fc from 'fast-check';

import { aDecision } from '@test/builders';
import { findDay } from '../shared';
import { foldDecisions, parseThing } from '../sort';
import { datesCardOf, judgeDay, outcomeByDate, parsePack, usualPacks } from '.';

const TODAY = '2026-11-25';

test.each([
  ['paprika, best before 12/26', '2026-12-31', 'paprika'],
  ['use by 05.01.27 yeast', '2027-01-05', 'yeast'],
  ['flour exp Feb 2027', '2027-02-28', 'flour'],
  ['tablets 2028-02', undefined, ''],
  ['syrup, expires 2 Mar 2027, opened', '2027-03-02', 'syrup, opened'],
  ['oats 2027-01-05', '2027-01-05', 'oats'],
  ['half 1/2 litre jug', undefined, ''],
  ['exp 13/26 rice', undefined, ''],
  ['use by 30/02/2027', undefined, ''],
])('in %j stands the day %s', (text, day, rest) =>
  expect(findDay(text)).toEqual(day === undefined ? undefined : { day, rest }),
);

test.each([
  ['pap 1226', '2026-12-31'],
  ['3/27', '2027-03-31'],
  ['tablets 2028-02', '2028-02-29'],
  ['aug 28', '2028-08-31'],
  ['5.6.27', '2027-06-05'],
  ['9913', undefined],
])('where a date is expected, %j is %s', (text, day) =>
  expect(findDay(text, { isDateExpected: true })?.day).toBe(day),
);

test('every month that is written is read back as its last day', () =>
  fc.assert(
    fc.property(
      fc.integer({ min: 2000, max: 2099 }),
      fc.integer({ min: 1, max: 12 }),
      (year, month) => {
        const day = findDay(`rice, use by ${month}/${year}`)?.day;
        const next = new Date(`${day}T00:00:00Z`);
        expect(next.getUTCMonth() + 1).toBe(month);
        next.setUTCDate(next.getUTCDate() + 1);
        expect(next.getUTCDate()).toBe(1);
      },
    ),
  ));

test('the bench understands a day on a pack', () =>
  expect(
    parseThing('3 tins of beans, best before 10/26', { groups: [], things: [] }),
  ).toMatchObject({ count: 3, name: 'tins of beans', expiresOn: '2026-10-31' }));

describe('a pack called out in a drawer', () => {
  test.each([
    ['pap 1226', 'paprika', '2026-12-31', 1],
    ['cum 3/28', 'cumin', '2028-03-31', 1],
    ['2 ibu 0127', 'ibuprofen tablets', '2027-01-31', 2],
    ['saffron', 'saffron', undefined, 1],
    ['ras el hanout 6/27', 'ras el hanout', '2027-06-30', 1],
  ])('%j is %s', (typed, name, expiresOn, count) =>
    expect(parsePack(typed, usualPacks)).toMatchObject({ name, expiresOn, count }),
  );
  test('a date alone is one more of the last', () => {
    expect(parsePack('0528', usualPacks, 'cumin')).toMatchObject({
      name: 'cumin',
      expiresOn: '2028-05-31',
    });
    expect(parsePack('0528', usualPacks)).toBeUndefined();
  });
});

test.each([
  ['2026-11-24', 'out'],
  ['2026-11-25', 'soon'],
  ['2026-12-25', 'soon'],
  ['2026-12-26', 'good'],
])('%s is %s', (day, state) => expect(judgeDay(day, TODAY)).toBe(state));

test.each([
  ['cinnamon', '2026-10-31', 'discard', ''],
  ['jam', '2026-10-31', 'discard', ''],
  ['aspirin tablets', '2026-10-31', 'recycle', 'pharmacy'],
  ['nasal spray', '2026-10-31', 'recycle', 'pharmacy'],
  ['batteries', '2026-10-31', 'recycle', 'batteries'],
  ['aspirin tablets', '2027-10-31', 'keep', ''],
])('%s until %s: %s %s', (name, day, verdict, to) =>
  expect(outcomeByDate(parseThing(name)?.goesTo ?? [], day, TODAY)).toMatchObject({ verdict, to }),
);

test('the card puts the nearest first, names the one to use first, and what has no date', () => {
  const things = foldDecisions(
    [
      ['rice', '2027-05-31', 'keep'],
      ['cumin', '2026-12-01', 'keep'],
      ['rice', '2026-09-30', 'keep'],
      ['rice', '2027-01-31', 'keep'],
      ['salt', '2026-01-31', 'discard'],
      ['packet of yeast', undefined, 'keep'],
    ].map(([name, expiresOn, verdict], i) =>
      aDecision({ id: `d${i}`, thingId: `t${i}`, name, expiresOn, verdict }),
    ),
  );
  const card = datesCardOf(things, TODAY);
  const names = (list: typeof card.good) =>
    list.map(({ thing, daysLeft, useFirst }) => [thing.name, daysLeft, useFirst]);
  expect([names(card.out), names(card.soon), names(card.good)]).toEqual([
    [['rice', -56, false]],
    [['cumin', 6, false]],
    [
      ['rice', 67, true],
      ['rice', 187, false],
    ],
  ]);
  expect(card.undated.map(({ name }) => name)).toEqual(['packet of yeast']);
});

test('one name in singular and plural is one name', () => {
  expect(parsePack('tea bag 1226', ['tea bags'])).toMatchObject({ name: 'tea bags' });
  expect(parsePack('bootss 1226', ['boots'])).toMatchObject({ name: 'boots' });
});
