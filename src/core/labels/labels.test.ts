import { openSync } from 'fontkit';
import fc from 'fast-check';

import { fillSheets, tapeLengthMm } from './fillSheets';
import { waysToSet } from './fitText';
import { formsOf } from './forms';
import { readableFromMm, readableSizeMm, textHeightMm, textWidthMm } from './letters';
import { nameLabels } from './nameLabels';
import { pictureFor, pictureNames, pictureStrokes } from './pictures';

const FONT =
  'node_modules/@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff';
const font = openSync(FONT);
const wordArb = fc.stringMatching(/^[A-Za-z]{1,14}$/);
const nameArb = fc.array(wordArb, { minLength: 1, maxLength: 5 }).map((words) => words.join(' '));
const placeArb = fc.record({
  widthMm: fc.double({ min: 8, max: 120, noNaN: true }),
  heightMm: fc.double({ min: 5, max: 60, noNaN: true }),
  distanceMm: fc.integer({ min: 300, max: 2500 }),
});

test('letters are as wide as the font says, and no stroke leaves its line', () => {
  fc.assert(
    fc.property(fc.stringMatching(/^[ -~ÄÖÜäöüßéèçñ£€]{1,30}$/), (text) => {
      const glyphs = [...text].map((letter) => font.glyphForCodePoint(letter.codePointAt(0) ?? 0));
      const width = glyphs.reduce((sum, { advanceWidth }) => sum + advanceWidth, 0);
      expect(textWidthMm(text, 10)).toBeCloseTo((width * 10) / font.unitsPerEm, 6);
      for (const { bbox } of glyphs) {
        expect(bbox.maxY).toBeLessThanOrEqual(880);
        expect(bbox.minY).toBeGreaterThanOrEqual(-210);
      }
    }),
  );
});

test('no text is wider or higher than its place, whatever the name', () => {
  fc.assert(
    fc.property(nameArb, placeArb, (name, place) => {
      for (const { lines, sizeMm, isReadable, text } of waysToSet(name, place)) {
        for (const line of lines)
          expect(textWidthMm(line, sizeMm)).toBeLessThanOrEqual(place.widthMm + 1e-9);
        expect(textHeightMm(lines.length, sizeMm)).toBeLessThanOrEqual(place.heightMm + 1e-9);
        expect(isReadable).toBe(sizeMm >= readableSizeMm(place.distanceMm));
        // Nothing is lost where a line ends.
        const letters = (said: string) => said.replace(/[-\s]/g, '');
        expect(letters(lines.join(''))).toBe(letters(text));
      }
    }),
    { numRuns: 60 },
  );
});

test('two labels of a room never say the same, and each that goes in has a text', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.tuple(fc.oneof(nameArb, fc.constantFrom('Pasta', 'pasta', 'Pasta 2')), placeArb),
        {
          maxLength: 12,
        },
      ),
      (raw) => {
        const named = nameLabels(raw.map(([name, place], i) => ({ key: `${i}`, name, ...place })));
        const texts = named.flatMap((each) =>
          each.ok ? [each.set.text.toLowerCase().replace(/[.\s-]+/g, ' ')] : [],
        );
        expect(new Set(texts).size).toBe(texts.length);
        named.forEach((each, i) => {
          expect(each.key).toBe(`${i}`);
          if (!each.ok) expect(raw[i]![1].widthMm).toBeLessThan(60);
        });
      },
    ),
    { numRuns: 60 },
  );
});

test('a name is shortened step by step: brackets, small words, then its longest word', () => {
  const forms = formsOf('Decorations for the winter (lights, ribbon)');
  expect(forms.slice(0, 3)).toEqual([
    'Decorations for the winter (lights, ribbon)',
    'Decorations for the winter',
    'Decorations winter',
  ]);
  expect(forms.at(-1)).toMatch(/^Deco/);
  const place = { widthMm: 60, heightMm: 30, distanceMm: 800 };
  expect(
    nameLabels(['Pasta', 'Rice', 'Pasta'].map((name, i) => ({ key: `${i}`, name, ...place }))),
  ).toMatchObject([
    { set: { text: 'Pasta\u00a01' } },
    { set: { text: 'Rice' } },
    { set: { text: 'Pasta\u00a02' } },
  ]);
  const [nothing] = nameLabels([
    { key: 'k', name: 'W'.repeat(80), widthMm: 20, heightMm: 4, distanceMm: 500 },
  ]);
  expect(nothing?.ok).toBe(false);
});

test('letters grow with the distance they are read from', () => {
  expect(readableSizeMm(1000)).toBeCloseTo(10.56, 1);
  expect(readableFromMm(readableSizeMm(640))).toBeCloseTo(640);
});

/** Every choice of begun sheets, tried. */
function fewestSheets(count: number, cells: number, begun: readonly (readonly number[])[]) {
  let best = { newSheets: Infinity, sheets: Infinity };
  for (let chosen = 0; chosen < 2 ** begun.length; chosen++) {
    const used = begun.filter((_, i) => (chosen >> i) % 2 === 1);
    const room = used.reduce((sum, gone) => sum + cells - new Set(gone).size, 0);
    if (used.some((gone) => new Set(gone).size === cells)) continue;
    const newSheets = Math.max(0, Math.ceil((count - room) / cells));
    const sheets = used.length + newSheets;
    if (newSheets < best.newSheets || (newSheets === best.newSheets && sheets < best.sheets))
      best = { newSheets, sheets };
  }
  return best;
}

test('sheets are the fewest, no cell is used twice, and begun sheets come first', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 20 }),
      fc.integer({ min: 1, max: 6 }),
      fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 5 }), { maxLength: 6 }), { maxLength: 4 }),
      (count, cells, raw) => {
        const begun = raw.map((used) => used.filter((cell) => cell < cells));
        const filled = fillSheets(count, cells, begun);
        const least = fewestSheets(count, cells, begun);
        expect(filled.places).toHaveLength(count);
        expect(filled.newSheets).toBe(least.newSheets);
        expect(filled.sheets).toBe(least.sheets);
        const seen = new Set(filled.places.map(({ sheet, cell }) => `${sheet} ${cell}`));
        expect(seen.size).toBe(count);
        for (const { sheet, cell } of filled.places) {
          expect(cell).toBeLessThan(cells);
          expect(begun[sheet]?.includes(cell) ?? false).toBe(false);
        }
      },
    ),
  );
});

test('tape in one go saves a leader for each label but the first, less the cut marks', () => {
  expect(tapeLengthMm([40, 50, 60])).toEqual({ togetherMm: 183, singlyMm: 225, savedMm: 42 });
  expect(tapeLengthMm([]).togetherMm).toBe(0);
});

test('each picture has strokes inside its box, and the longest word decides', () => {
  for (const name of pictureNames) expect(pictureStrokes(name)).toMatch(/^M/);
  expect(pictureFor('Football boots')).toBe('ball');
  expect(pictureFor('Odd socks')).toBe('sock');
  expect(pictureFor('Xylo')).toBe('box');
});
