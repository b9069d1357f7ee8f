import { learnFirm, learningSchema, type FirmLearned } from '@/core/learn';
import { factorWords, fitNotes, labelNotes, shareWords, shopNotes } from './learnWords';

const nothing = learnFirm([], learningSchema.parse({}));
const learned = (change: Partial<FirmLearned>): FirmLearned => ({ ...nothing, ...change });
const place = { litres: 34, containerIds: new Set(['bin']) };

test.each([
  [
    { factor: 1.28, low: 0.86, high: 1.93, count: 4 },
    '× 1.3, four in five between × 0.9 and × 1.9',
  ],
  [
    { factor: 1.04, low: 0.7, high: 1.5, count: 0 },
    'as assumed, four in five between × 0.7 and × 1.5',
  ],
  [{ factor: 0.8, low: 0.5, high: 1.2, count: 9 }, '× 0.8, four in five between × 0.5 and × 1.2'],
])(
  '%j carries one digit behind the point, and what is too small to act on is none',
  (figure, words) => expect(factorWords(figure).replaceAll('\u00a0', ' ')).toBe(words),
);

test('a share is told as it was seen, and with the assumption beside it', () => {
  expect(shareWords({ share: 0.62, hits: 1, count: 1 }, 'place')).toBe(
    '1 of 1 place, so about 6 in 10',
  );
  expect(shareWords({ share: 0.8, hits: 0, count: 0 }, 'place')).toBe('8 in 10, assumed');
});

test('where nothing was learnt nothing is said beside the work', () => {
  expect([fitNotes(nothing, place), shopNotes(nothing), labelNotes(nothing)]).toEqual([[], [], []]);
});

test('at a place it says what it comes to here, and of containers that could stand here only', () => {
  const used = { share: 0.5, hits: 2, count: 4 };
  const notes = fitNotes(
    learned({
      fullness: { ...nothing.fullness, litres: { factor: 1.2, low: 0.9, high: 1.5, count: 7 } },
      containers: [
        { containerId: 'bin' as never, name: 'Bin', used },
        { containerId: 'other' as never, name: 'Other', used },
        { containerId: 'bin' as never, name: 'Seldom', used: { ...used, count: 2 } },
      ],
      lidsOn: { share: 0.6, hits: 2, count: 4 },
    }),
    place,
  ).map((note) => note.replaceAll('\u00a0', ' '));
  expect(notes).toEqual([
    'Later on places held × 1.2 of what was planned (7 places): 34 l here would be about 41 l.',
    'Lids stay on: 2 of 4 places, so about 6 in 10.',
    'Bin: in use at 2 of 4 looks.',
  ]);
  expect(fitNotes(learned({}), { ...place, litres: 0 })).toEqual([]);
});

test('labels are compared only where both kinds of search are known', () => {
  const some = { share: 0.9, hits: 5, count: 5 };
  expect(labelNotes(learned({ found: { ...nothing.found, labelled: some } }))).toEqual([]);
  expect(
    labelNotes(
      learned({
        found: { labelled: some, unlabelled: { share: 0.5, hits: 2, count: 4 } },
        labels: [{ medium: 'tape', stays: some }],
      }),
    ),
  ).toEqual([
    'Labels on tape that were still there: 5 of 5 places, so about 9 in 10.',
    'Found at the first try: with a label 5 of 5 things, so about 9 in 10, without 2 of 4 things, so about 5 in 10.',
  ]);
});
