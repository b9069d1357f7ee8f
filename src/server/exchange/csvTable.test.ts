import fc from 'fast-check';
import Papa from 'papaparse';

import { readCsvTable, readLongCsvTable, writeCsvTable } from './csvTable';
import { decodeText } from './decodeText';

const columns = ['name', 'note'] as const;
const cellArb = fc.string({ maxLength: 12, unit: fc.constantFrom(...'ab ,;"\'=+-@\té|') });
const rowsArb = fc.array(fc.record({ name: cellArb, note: cellArb }), { maxLength: 12 });

test('every cell of every table reads back, and none starts like a formula', () =>
  fc.assert(
    fc.property(rowsArb, (rows) => {
      const text = writeCsvTable(columns, rows);
      const full = rows
        .map(({ name, note }) => ({ name: name.trim(), note: note.trim() }))
        .filter(({ name, note }) => name !== '' || note !== '');
      expect(readCsvTable(text, columns, []).rows.map(({ row }) => row)).toEqual(full);
      const cells = Papa.parse<string[]>(text, { delimiter: ',' }).data.flat();
      expect(cells.filter((cell) => /^[=+\-@\t]/.test(cell))).toEqual([]);
    }),
  ));

test('a table begins with the mark by which spreadsheet programs know UTF-8', () =>
  expect(Buffer.from(writeCsvTable(columns, []))).toEqual(Buffer.from('\uFEFFname,note\r\n')));

/** A long table is cut at any letter: in a quoted cell, in a line end, in a pair of quotes. */
test('read with pauses, a table is what it is read at once: rows, lines and faults', async () => {
  const oddArb = fc.string({ maxLength: 30, unit: fc.constantFrom(...'a,"\n\r;') });
  await fc.assert(
    fc.asyncProperty(fc.array(rowsArb, { minLength: 1 }), oddArb, async (parts, tail) => {
      const filler = { name: 'long\n"quoted"\nname '.repeat(40), note: 'é'.repeat(300) };
      const rows = parts.flatMap((part) => [...part, ...Array.from({ length: 12 }, () => filler)]);
      const text = writeCsvTable(columns, [...rows, ...rows, ...rows]) + tail;
      const atOnce = readCsvTable(text, columns, ['name']);
      const paused: unknown[] = [];
      const faults = await readLongCsvTable(text, { columns, needed: ['name'] }, (some) => {
        paused.push(...some);
      });
      expect(paused).toEqual(atOnce.rows);
      expect(faults.length).toBe(atOnce.faults.length);
    }),
    { numRuns: 30 },
  );
});

const WORDS = 'name;note\r\nCafé – “späti”;œ €\r\n';
const utf16 = (isLittle: boolean, isMarked: boolean) => {
  const bytes = Buffer.from((isMarked ? '\uFEFF' : '') + WORDS, 'utf16le');
  return isLittle ? bytes : bytes.swap16();
};
const windows1252 = Buffer.from(
  [...WORDS].map(
    (letter) =>
      ({ '–': 0x96, '“': 0x93, '”': 0x94, œ: 0x9c, '€': 0x80 })[letter] ?? letter.charCodeAt(0),
  ),
);
test.each([
  ['UTF-8', Buffer.from(WORDS)],
  ['UTF-8 with its mark', Buffer.from(`\uFEFF${WORDS}`)],
  ['UTF-16, little end first, with its mark', utf16(true, true)],
  ['UTF-16, big end first, with its mark', utf16(false, true)],
  ['UTF-16 without a mark', utf16(true, false)],
  ['UTF-16, big end first, without a mark', utf16(false, false)],
  ['Windows-1252', windows1252],
])('text in %s is read as it was written', (_, bytes) =>
  expect(decodeText(bytes).replace(/^\uFEFF/, '')).toBe(WORDS),
);
