import type { FitReason } from '@/core/fit';
import { fitReasonWords } from './fitWords';

test.each<[FitReason, string]>([
  [
    { code: 'container_too_high', subject: 'tub', heightMm: 330, freeMm: 325, toLiftMm: 25 },
    '33 cm high, 32.5 cm is free under the 2.5 cm to lift it out',
  ],
  [
    {
      code: 'no_container_suits',
      subject: 'tub',
      groupId: 'hats',
      why: { fault: 'too_narrow', hasMm: 90, needsMm: 100 },
    },
    '9 cm wide inside, needs 10 cm, for Hats',
  ],
  [
    { code: 'not_enough_floor', subject: 'hats', litres: 5.04, isImpossible: true },
    'Hats: 5 l have no container; no choice of these containers covers everything in this place',
  ],
])('a reason is said in the household’s unit: %j', (reason, words) =>
  expect(fitReasonWords(reason, { group: (id) => (id === 'hats' ? 'Hats' : id), unit: 'cm' })).toBe(
    words,
  ),
);
