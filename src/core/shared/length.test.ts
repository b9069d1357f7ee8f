import fc from 'fast-check';

import { formatLength, lengthUnits, parseLength, smallestMm, spreadMm } from './length';

const mmOf = (text: string, unit: 'mm' | 'cm' | 'in' = 'mm') => {
  const length = parseLength(text, unit);
  return length.ok ? length.value.mm : length.error;
};

test.each([
  ['36,5 cm', 365],
  ['14 3/8"', 365.1],
  ['14-3/8 in', 365.1],
  [`1' 4"`, 406.4],
  [`1' 4`, 406.4],
  [`1’ 4½”`, 419.1],
  ['1.2m', 1200],
  ['1 m 20 cm', 1200],
  ['365', 365],
  ['  365 mm ', 365],
  ['3/4 in', 19.1],
  ['0,125 m', 125],
  [',5 cm', 5],
  ['5 ft', 1524],
  [`6''`, 152.4],
  ['2 feet 3 inches', 685.8],
  ['12.34 cm', 123.4],
  ['0', 0],
])('reads %s as %d mm', (text, mm) => expect(mmOf(text)).toBe(mm));

test('a bare number takes the unit of the household', () => {
  expect(mmOf('36.5', 'cm')).toBe(365);
  expect(mmOf('14 3/8', 'in')).toBe(365.1);
});

test.each([
  ['', { code: 'length_empty' }],
  ['abc', { code: 'length_unreadable', atIndex: 0, found: 'abc' }],
  ['12 furlongs', { code: 'length_unreadable', atIndex: 3, found: 'furlongs' }],
  ['20 30', { code: 'length_unreadable', atIndex: 3, found: '30' }],
  ['4" 1\'', { code: 'length_unreadable', atIndex: 3, found: "1'" }],
  ['3/0 in', { code: 'length_unreadable', atIndex: 0, found: '3/0 in' }],
  ['-5', { code: 'length_unreadable', atIndex: 0, found: '-5' }],
  ['1,250', { code: 'length_comma_ambiguous', atIndex: 1 }],
  ['101 m', { code: 'length_out_of_range', mm: 101_000 }],
])('refuses %j and says where', (text, error) => expect(mmOf(text)).toEqual(error));

test('what is written back reads the same to 0.1 mm, in every unit', () =>
  fc.assert(
    fc.property(fc.constantFrom(...lengthUnits), fc.integer({ min: 0, max: 60_000 }), (unit, n) => {
      // Inches and feet are written in sixteenths, so their values are made from sixteenths.
      const mm = unit === 'in' || unit === 'ft' ? Math.round((n * 254) / 16) / 10 : n / 10;
      const read = parseLength(formatLength(mm, unit), 'mm');
      expect(read.ok && Math.abs(read.value.mm - mm)).toBeLessThanOrEqual(0.1 + 1e-9);
    }),
  ));

test('any text is read or refused with a place inside it, never thrown at', () =>
  fc.assert(
    fc.property(
      fc.string({ maxLength: 12, unit: fc.constantFrom(...'0123456789 .,/-\'"cmift½x') }),
      (text) => {
        const read = parseLength(text, 'mm');
        if (!read.ok && 'atIndex' in read.error)
          expect(read.error.atIndex).toBeLessThan(text.length);
        if (read.ok) expect(read.value.mm).toBeGreaterThanOrEqual(0);
      },
    ),
  ));

test('the smallest of three readings counts, and their spread is known', () => {
  const readings = [
    { mm: 365, text: '' },
    { mm: 358.5, text: '' },
    { mm: 361, text: '' },
  ];
  expect(smallestMm(readings)).toBe(358.5);
  expect(spreadMm(readings)).toBe(6.5);
});
