import fc from 'fast-check';

import { formatMoneyInput, parseMoney } from './money';

test.each([
  ['140', 14000],
  ['9.80', 980],
  ['9,8', 980],
  ['£1 200.50', 120050],
  ['1,200', 120000],
  ['0', 0],
])('reads %s as %d minor units', (text, minor) =>
  expect(parseMoney(text)).toEqual({ ok: true, value: minor }),
);

test.each(['', 'about ten', '1.234', '-5', '1,20,0', '1e5'])('refuses %j', (text) =>
  expect(parseMoney(text).ok).toBe(false),
);

test('an amount written into an input reads back unchanged', () =>
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1_000_000_000 }), (minor) =>
      expect(parseMoney(formatMoneyInput(minor))).toEqual({ ok: true, value: minor }),
    ),
  ));
