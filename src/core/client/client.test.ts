import fc from 'fast-check';

import { clientPageIdSchema, decisionIdSchema, roomIdSchema, thingIdSchema } from '../shared';
import type { Thing } from '../sort';
import {
  answerFileSchema,
  askedFor,
  askedSchema,
  goesOverSomething,
  pageStateOf,
  readAnswerFile,
  sayings,
  standingOf,
  writeAnswerText,
  type Asked,
  type HomeNow,
} from '.';

const saidAt = '2026-11-30T10:00:00.000Z';
const id = fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9_-]{0,20}$/);
const fileArbitrary = fc.record({
  format: fc.constant('tin-box-answers' as const),
  version: fc.constant(1 as const),
  pageId: id.map((each) => clientPageIdSchema.parse(each)),
  answers: fc.array(
    fc.record({
      id,
      key: fc.string({ minLength: 1, maxLength: 40 }),
      says: fc.constantFrom(...sayings),
      words: fc.string({ unit: 'grapheme', maxLength: 60 }).map((words) => words.trim()),
      by: fc.string({ unit: 'grapheme', maxLength: 10 }).map((words) => words.trim()),
      saidAt: fc.constant(saidAt),
    }),
    { minLength: 1, maxLength: 8 },
  ),
});

test('an answer file comes out of a message as it went in, whatever stands around it', () => {
  fc.assert(
    fc.property(fileArbitrary, fc.string(), fc.string(), (raw, before, after) => {
      const file = answerFileSchema.parse(raw);
      const message = `${before.replaceAll('[', '')}\n${writeAnswerText(file)}\r\n${after}`;
      // Mail programs break lines and put blanks before them.
      const mailed = message.replaceAll('\n', '\n  ');
      expect(readAnswerFile(mailed)).toEqual({ ok: true, value: file });
      expect(readAnswerFile(JSON.stringify(file))).toEqual({ ok: true, value: file });
    }),
  );
});

test('whatever is dropped in, it is read as data or refused with a reason', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.json(),
        fc.string().map((s) => `[tin-box-answers ${s}]`),
      ),
      (raw) => {
        const read = readAnswerFile(raw);
        if (!read.ok) expect(['no_answers', 'too_long', 'damaged']).toContain(read.error.code);
      },
    ),
  );
  expect(readAnswerFile('x'.repeat(200_001))).toMatchObject({ error: { code: 'too_long' } });
  const cut = writeAnswerText(
    answerFileSchema.parse(fc.sample(fileArbitrary, { numRuns: 1, seed: 4 })[0]),
  );
  expect(readAnswerFile(cut.replace(/.{9}\]$/, ']'))).toMatchObject({ error: { code: 'damaged' } });
});

const asked = askedSchema.parse({
  about: 'thing',
  key: 'thing t1',
  thingId: thingIdSchema.parse('t1'),
  decisionId: decisionIdSchema.parse('d1'),
  roomId: roomIdSchema.parse('r1'),
  roomName: 'Hall',
  name: 'lamp',
  count: 1,
  known: [],
  pictureId: null,
});
const line = askedSchema.parse({
  about: 'purchase',
  key: 'line r1 n1',
  roomId: roomIdSchema.parse('r1'),
  roomName: 'Hall',
  needId: 'n1',
  name: 'tray',
  qty: 2,
  lineMinor: 500,
  known: [],
});
const agreement = askedSchema.parse({
  about: 'agreement',
  key: 'agreement',
  lines: [{ key: 'goals', label: 'Goals', value: 'Sit down' }],
});
const thing = (decisionId: string, verdict: Thing['verdict']): Thing => ({
  id: thingIdSchema.parse('t1'),
  decisionId: decisionIdSchema.parse(decisionId),
  decidedAt: saidAt,
  roomId: roomIdSchema.parse('r1'),
  name: 'lamp',
  count: 1,
  verdict,
  reasons: [],
  groupId: null,
  to: '',
  litres: 1,
  massG: 1,
});
const home = (change: Partial<HomeNow>): HomeNow => ({
  things: [],
  lines: [],
  agreementLines: [],
  ...change,
});
const lineNow = { roomId: 'r1', needId: 'n1', qty: 2, lineMinor: 500, isBought: false };

test.each<[string, Asked, HomeNow, string, boolean]>([
  ['as it was', asked, home({ things: [thing('d1', 'ask')] }), 'same', false],
  ['asked anew', asked, home({ things: [thing('d2', 'ask')] }), 'asked_anew', true],
  ['decided', asked, home({ things: [thing('d2', 'donate')] }), 'decided', true],
  ['gone', asked, home({}), 'gone', true],
  ['the same line', line, home({ lines: [lineNow] }), 'same', false],
  ['dearer', line, home({ lines: [{ ...lineNow, lineMinor: 501 }] }), 'dearer', false],
  ['cheaper', line, home({ lines: [{ ...lineNow, lineMinor: 499 }] }), 'cheaper', false],
  ['more of it', line, home({ lines: [{ ...lineNow, qty: 3 }] }), 'more', true],
  ['bought', line, home({ lines: [{ ...lineNow, isBought: true }] }), 'bought', true],
  ['off the list', line, home({}), 'off_the_list', true],
  [
    'the same agreement',
    agreement,
    home({ agreementLines: [{ key: 'goals', label: 'Goals', value: 'Sit down' }] }),
    'same',
    false,
  ],
  [
    'another agreement',
    agreement,
    home({ agreementLines: [{ key: 'goals', label: 'Goals', value: 'Eat' }] }),
    'agreement_changed',
    true,
  ],
])('a question and what has become of it: %s', (_, question, now, is, isOver) => {
  const standing = standingOf(question, now);
  expect(standing.is).toBe(is);
  expect(goesOverSomething(standing)).toBe(isOver);
});

test('an answer counts only where its page asked that, and where it may be said to it', () => {
  const given = { id: 'a1', key: 'thing t1', words: '', by: '', saidAt } as never as Parameters<
    typeof askedFor
  >[1];
  expect(askedFor([asked, line], { ...given, says: 'keep' })).toBe(asked);
  expect(askedFor([asked, line], { ...given, says: 'yes' })).toBeUndefined();
  expect(askedFor([line], { ...given, says: 'keep' })).toBeUndefined();
});

test('a page is open until it ends or is revoked', () => {
  const page = { endsAt: '2026-12-01T00:00:00.000Z', revokedAt: null };
  expect(pageStateOf(page, saidAt)).toBe('open');
  expect(pageStateOf(page, '2026-12-01T00:00:00.000Z')).toBe('ended');
  expect(pageStateOf({ ...page, revokedAt: saidAt }, saidAt)).toBe('revoked');
  expect(pageStateOf({ endsAt: null, revokedAt: null }, '2099-01-01T00:00:00.000Z')).toBe('open');
});
