import fc from 'fast-check';

import { AddressLimits, defaultLimits } from './addressLimits';

test('an address has so many open at once and no more, whatever the others do; leaving twice is leaving once', () =>
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.constantFrom('a', 'b'), fc.boolean()), { maxLength: 60 }),
      (acts) => {
        const limits = new AddressLimits(
          { ...defaultLimits, openAtOnce: 3, strangersAMinute: 9 },
          () => 0,
        );
        const open = new Map<string, (() => void)[]>([
          ['a', []],
          ['b', []],
        ]);
        for (const [address, isEntering] of acts) {
          const mine = open.get(address) ?? [];
          if (isEntering) {
            const leave = limits.enter(address);
            expect(leave !== undefined).toBe(mine.length < 3);
            if (leave) mine.push(leave);
          } else {
            const leave = mine.pop();
            leave?.();
            leave?.();
          }
        }
      },
    ),
  ));

test('a stranger asks so often a minute, and again in the next', () => {
  let nowMs = 0;
  const limits = new AddressLimits(
    { ...defaultLimits, openAtOnce: 3, strangersAMinute: 2 },
    () => nowMs,
  );
  const ask = (address: string) => limits.admitStranger(address);
  expect([ask('a'), ask('a'), ask('a'), ask('b')]).toEqual([true, true, false, true]);
  nowMs = 60_000;
  expect(ask('a')).toBe(true);
});
