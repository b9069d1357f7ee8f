import fc from 'fast-check';

import {
  createRandom,
  errorOf,
  learnFactor,
  learnShare,
  learnWithin,
  saidBefore,
  type Outcome,
} from '.';

const outcome = fc.record({
  estimated: fc.double({ min: 1, max: 1000, noNaN: true }),
  actual: fc.double({ min: 1, max: 1000, noNaN: true }),
});

test('what is learnt does not depend on the order, is the assumption without cases, the data with many', () => {
  fc.assert(
    fc.property(fc.array(outcome, { maxLength: 12 }), (outcomes) => {
      const learned = learnFactor(outcomes);
      expect(learnFactor([...outcomes].reverse())).toEqual(learned);
      expect(learned.low <= learned.factor && learned.factor <= learned.high).toBe(true);
      const mean = Math.exp(
        outcomes.reduce((sum, { estimated, actual }) => sum + Math.log(actual / estimated), 0) /
          Math.max(1, outcomes.length),
      );
      // Between the assumption and what the cases say.
      const [least, most] = [Math.min(1, mean), Math.max(1, mean)];
      expect(learned.factor).toBeGreaterThanOrEqual(least - 1e-9);
      expect(learned.factor).toBeLessThanOrEqual(most + 1e-9);
    }),
  );
  expect(learnFactor([])).toMatchObject({ factor: 1, count: 0 });
  // Without cases the range is the one that is thought of before.
  expect(learnFactor([], { cases: 2, low: 0.7, high: 1.6 })).toMatchObject({
    low: expect.closeTo(0.7, 9),
    high: expect.closeTo(1.6, 9),
  });
  const many: Outcome[] = Array.from({ length: 2000 }, () => ({ estimated: 10, actual: 20 }));
  expect(learnFactor(many).factor).toBeCloseTo(2, 2);
  expect(learnShare({ hits: 0, of: 0 }, 0.3)).toEqual({ share: 0.3, hits: 0, count: 0 });
  expect(learnShare({ hits: 900, of: 1000 }, 0.3).share).toBeCloseTo(0.9, 2);
  expect(learnFactor([{ estimated: 0, actual: 5 }]).count).toBe(0);
});

test('firms that differ from what is assumed are estimated better with what was learnt', () => {
  const random = createRandom(11);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  let [plain, learnt] = [0, 0];
  for (let firm = 0; firm < 200; firm += 1) {
    const pace = Math.exp(0.35 * normal());
    const room = (): Outcome => {
      const estimated = 30 + 300 * random();
      return { estimated, actual: estimated * pace * Math.exp(0.3 * normal()) };
    };
    const { factor } = learnFactor(Array.from({ length: 6 }, room));
    const heldOut = Array.from({ length: 20 }, room);
    plain += errorOf(heldOut, 1);
    learnt += errorOf(heldOut, factor);
  }
  expect(learnt).toBeLessThan(plain * 0.9);
});

test('a kind without cases is all kinds, with many its own, and its range holds four in five of what comes next', () => {
  const all = learnFactor([{ estimated: 10, actual: 15 }]);
  expect(learnWithin(all, [])).toMatchObject({
    factor: expect.closeTo(all.factor, 9),
    low: expect.closeTo(all.low, 9),
    high: expect.closeTo(all.high, 9),
    count: 0,
  });
  const many = Array.from({ length: 3000 }, (): Outcome => ({ estimated: 10, actual: 5 }));
  expect(learnWithin(all, many).factor).toBeCloseTo(0.5, 2);
  const random = createRandom(3);
  const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  let inside = 0;
  const firms = 2000;
  for (let firm = 0; firm < firms; firm += 1) {
    const pace = 0.25 * normal();
    const next = () => ({ estimated: 1, actual: Math.exp(pace + 0.3 * normal()) });
    const { low, high } = learnFactor(Array.from({ length: 8 }, next));
    const { actual } = next();
    if (low <= actual && actual <= high) inside += 1;
  }
  expect(inside / firms).toBeGreaterThan(0.76);
  expect(inside / firms).toBeLessThan(0.88);
});

test('what would have been said of a case knows only the ones before it', () =>
  fc.assert(
    fc.property(fc.array(outcome, { minLength: 1, maxLength: 8 }), (cases) => {
      const said = saidBefore(cases);
      expect(said[0]).toEqual(cases[0]);
      const last = cases.length - 1;
      const changed = [...cases.slice(0, last), { estimated: cases[last]!.estimated, actual: 999 }];
      expect(saidBefore(changed)[last]!.estimated).toBe(said[last]!.estimated);
    }),
  ));
