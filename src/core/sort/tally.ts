import { verdicts, type Thing, type Verdict } from './model';

/** Pieces, litres and grams of some things. */
export interface Amount {
  readonly count: number;
  readonly litres: number;
  readonly massG: number;
}

const NOTHING: Amount = { count: 0, litres: 0, massG: 0 };

type Measured = Pick<Thing, 'count' | 'litres' | 'massG'>;

export const addUp = (things: readonly Measured[]): Amount =>
  things.reduce(
    (sum, thing) => ({
      count: sum.count + thing.count,
      litres: sum.litres + thing.litres,
      massG: sum.massG + thing.massG,
    }),
    NOTHING,
  );

/** Totals by verdict, every verdict named. */
export function tallyByVerdict(
  things: readonly (Measured & Pick<Thing, 'verdict'>)[],
): Readonly<Record<Verdict, Amount>> {
  const entries = verdicts.map(
    (verdict) => [verdict, addUp(things.filter((thing) => thing.verdict === verdict))] as const,
  );
  return Object.fromEntries(entries) as Record<Verdict, Amount>;
}

/** Whether a thing with this verdict goes out of the home for good. */
export const leavesHome = (verdict: Verdict): boolean =>
  verdict === 'donate' || verdict === 'discard' || verdict === 'give' ||
  verdict === 'sell' || verdict === 'recycle';
