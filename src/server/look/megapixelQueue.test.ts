import fc from 'fast-check';

import { WeightQueue } from './megapixelQueue';

test('never more than the allowance runs at once, all of it runs, in the order in which it came', () =>
  fc.assert(
    fc.asyncProperty(
      fc.array(fc.integer({ min: 0, max: 90 }), { minLength: 1, maxLength: 20 }),
      async (weights) => {
        const queue = new WeightQueue(60);
        const running = new Map<number, number>();
        const started: number[] = [];
        let most = 0;
        await Promise.all(
          weights.map((weight, i) =>
            queue.run(weight, async () => {
              started.push(i);
              running.set(i, Math.min(weight, 60));
              most = Math.max(
                most,
                [...running.values()].reduce((sum, each) => sum + each, 0),
              );
              await new Promise((resolve) => setImmediate(resolve));
              running.delete(i);
            }),
          ),
        );
        expect(most).toBeLessThanOrEqual(60);
        expect(started).toEqual(weights.map((_, i) => i));
      },
    ),
    { numRuns: 40 },
  ));

test('what fails gives its place back and tells only whoever asked', async () => {
  const queue = new WeightQueue(10);
  await expect(queue.run(10, () => Promise.reject(new Error('no')))).rejects.toThrow('no');
  expect(await queue.run(10, () => Promise.resolve('yes'))).toBe('yes');
});
