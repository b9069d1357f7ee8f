import { useEffect, useRef, useState } from 'react';

import { costOfWish, type FitAnswer, type FitQuestion, type WishCost } from '@/core/fit';
import { FitRunner } from './FitRunner';

/** So long the question without the wish is worked out. */
const WITHOUT_MS = 1500;

/**
 * What each wish costs, asked one at a time: the place is worked out once more without it, by money. Costs belong to
 * the question they were asked of; another one forgets them.
 */
export function useWishCosts(question: FitQuestion, withIt: FitAnswer | undefined) {
  const facts = JSON.stringify(question);
  const [known, setKnown] = useState<{
    readonly facts: string;
    readonly costs: Readonly<Record<string, WishCost | 'asked'>>;
  }>({ facts, costs: {} });
  const runner = useRef<FitRunner>(undefined);
  useEffect(() => () => runner.current?.close(), []);
  const costs = known.facts === facts ? known.costs : {};
  const put = (key: string, cost: WishCost | 'asked'): void =>
    setKnown((before) => ({
      facts,
      costs: { ...(before.facts === facts ? before.costs : {}), [key]: cost },
    }));
  const ask = async (key: string, without: FitQuestion): Promise<void> => {
    if (!withIt) return;
    runner.current?.close();
    const own = new FitRunner(() => undefined);
    runner.current = own;
    put(key, 'asked');
    const answer = await own.plan(
      { ...without, prefer: 'cost', timeLimitMs: WITHOUT_MS },
      [],
      () => undefined,
    );
    put(key, costOfWish(withIt, answer));
    own.close();
  };
  return { costs, ask };
}
