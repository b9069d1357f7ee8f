import { type Thing } from './model';
import { verdicts, type Verdict } from './verdicts';

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
    (sum, { count, litres, massG }) => ({
      count: sum.count + count,
      litres: sum.litres + litres,
      massG: sum.massG + massG,
    }),
    NOTHING,
  );

/** Totals by verdict, every verdict named. */
export function tallyByVerdict(
  things: readonly (Measured & Pick<Thing, 'verdict'>)[],
): Readonly<Record<Verdict, Amount>> {
  const sums = Object.fromEntries(verdicts.map((verdict) => [verdict, { ...NOTHING }])) as Record<
    Verdict,
    { count: number; litres: number; massG: number }
  >;
  for (const { verdict, count, litres, massG } of things) {
    const sum = sums[verdict];
    sum.count += count;
    sum.litres += litres;
    sum.massG += massG;
  }
  return sums;
}
