'use client';

import { useEffect, useState } from 'react';

import { containerIdsOf, type FitAnswer } from '@/core/fit';

/** What the tills take for the room's list with an answer, and for this place of it. */
export interface TillSum {
  readonly payMinor: number;
  readonly addsMinor: number;
  readonly lackQty: number;
}
type Placed = Pick<FitAnswer, 'placements' | 'surfaces'>;

/** Answers with the same containers cost the same, however they stand. */
const keyOf = (placed: Placed): string => containerIdsOf(placed).sort().join(' ');

/**
 * Asks what the tills take for each of the answers, one after the other, each kind of answer once; again after
 * `facts` changed. Gives what is known so far.
 */
export function useTills(
  answers: readonly (FitAnswer | undefined)[],
  facts: string,
  onTill: (placed: Placed) => Promise<TillSum | undefined>,
): (answer: FitAnswer | undefined) => TillSum | undefined {
  const [known, setKnown] = useState<Readonly<Record<string, TillSum | 'asked'>>>({});
  const factsOf = (placed: Placed) => `${facts} ${keyOf(placed)}`;
  const open = answers.find(
    (answer) => answer && answer.placements.length > 0 && known[factsOf(answer)] === undefined,
  );
  const isAsking = Object.values(known).includes('asked');
  useEffect(() => {
    if (!open || isAsking) return;
    const key = `${facts} ${keyOf(open)}`;
    const ask = async () => {
      setKnown((before) => ({ ...before, [key]: 'asked' }));
      const sum = await onTill({
        placements: open.placements,
        ...(open.surfaces && { surfaces: open.surfaces }),
      }).catch(() => undefined);
      setKnown((before) => ({ ...before, [key]: sum ?? NOT_KNOWN }));
    };
    void ask();
  }, [open, isAsking, facts, onTill]);
  return (answer) => {
    const sum = answer && known[factsOf(answer)];
    return sum === undefined || sum === 'asked' || sum === NOT_KNOWN ? undefined : sum;
  };
}
const NOT_KNOWN: TillSum = { payMinor: NaN, addsMinor: NaN, lackQty: NaN };
