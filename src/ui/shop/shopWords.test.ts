import { cutReasonWords, rollReasonWords, shopReasonWords } from './shopWords';

const naming = { piece: (id: string) => (id === 'rail' ? 'Rail $&' : id), unit: 'mm' } as const;

test('what cannot be cut is named with its measures', () => {
  expect(
    cutReasonWords(
      { code: 'piece_longer_than_stock', subject: 'rail', lengthMm: 1200.5, longestMm: 1000 },
      naming,
    ),
  ).toBe('Rail $& is 1200.5 mm long, the longest board 1000 mm.');
  expect(cutReasonWords({ code: 'no_stock', subject: 'rail' }, naming)).toContain('no board');
  const piece = { subject: 'rail', widthMm: 700, depthMm: 650 };
  expect(
    rollReasonWords({ code: 'wider_than_roll', ...piece, mayTurn: false, rollMm: 600 }, naming),
  ).toBe('Rail $& is 700 mm × 650 mm and must not be turned, the roll is 600 mm wide.');
  expect(
    rollReasonWords(
      { code: 'longer_than_roll', ...piece, mayTurn: true, rollMm: 508 },
      {
        ...naming,
        unit: 'in',
      },
    ),
  ).toMatch(/, the roll is 20" long\.$/);
});

test('a must that stays short is named, with those that take from the same offers', () => {
  const names = { need: (id: string) => `<${id}>`, money: (minor: number) => `£${minor / 100}` };
  const say = (reason: Parameters<typeof shopReasonWords>[0]) => shopReasonWords(reason, names);
  const runOut = { code: 'offers_run_out', lack: 2, beside: ['tub', 'tray'] } as const;
  expect(say({ ...runOut, subject: 'bin' })).toBe(
    '<bin> stays 2 short: the offers hold enough for each must, and not for all together; <tub>, <tray> take from the same ones.',
  );
  expect(say({ ...runOut, subject: 'offers', lack: 0 })).not.toContain('<');
  expect(say({ code: 'must_not_on_offer', subject: 'bin', lack: 1, onOffer: 0 })).toBe(
    '<bin> is a must: 1 more is needed, the offers have 0.',
  );
  expect(
    say({
      code: 'budget_too_small',
      subject: 'budgetMinor',
      leastMinor: 2100,
      budgetMinor: 1500,
    }),
  ).toBe('The musts cost at least £21, the budget is £15.');
});
