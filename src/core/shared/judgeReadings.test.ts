import fc from 'fast-check';

import { judgeReadings } from './length';

const of = (...mms: number[]) => judgeReadings(mms.map((mm) => ({ mm, text: `${mm} mm` })));

test.each([
  [[563], 563, false, []],
  [[563, 566, 561.5], 561.5, false, []],
  [[563, 575], 563, true, []],
  [[563, 562, 575], 562, true, []],
  // A fourth reading settles it: three agree, the slanted one is set aside.
  [[563, 562, 575, 563.5], 562, false, [2]],
  // One that is too short cannot be explained by a slant; it counts, and is asked about.
  [[550, 563, 563, 563], 550, true, []],
  [[560, 565], 560, false, []],
] as const)('%j: %d counts, askew %s, set aside %j', (mms, countsMm, isAskew, slantedIndexes) => {
  expect(of(...mms)).toEqual({ countsMm, isAskew, slantedIndexes });
});

test('the order of the readings changes nothing but which is set aside', () =>
  fc.assert(
    fc.property(
      fc.array(
        fc.integer({ min: 5000, max: 5200 }).map((n) => n / 10),
        { minLength: 1, maxLength: 5 },
      ),
      (mms) => {
        const [there, back] = [of(...mms), of(...[...mms].reverse())];
        expect([there.countsMm, there.isAskew, there.slantedIndexes.length]).toEqual([
          back.countsMm,
          back.isAskew,
          back.slantedIndexes.length,
        ]);
        expect(there.countsMm).toBe(Math.min(...mms));
      },
    ),
  ));
