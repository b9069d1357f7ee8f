import { fitAims, type FitAim, type FitAnswer } from './model';
import type { Stood } from './planFlat';

interface AimMeans {
  /**
   * Works one aim out, no worse than what is known to stand; tells the first answer before it is
   * bettered.
   */
  readonly plan: (
    prefer: FitAim,
    known: readonly Stood[],
    onFirst: (answer: FitAnswer) => void,
  ) => Promise<FitAnswer>;
  /** Told of every answer, and how many turns are over. */
  readonly show: (prefer: FitAim, answer: FitAnswer, doneCount: number) => void;
  /** Whether nobody waits for the rest any more. */
  readonly isOver: () => boolean;
}

/** Each aim, and money once more. */
export const AIM_TURNS = fitAims.length + 1;

/**
 * Works all aims out, one after the other. What stands for one stands for the others too, so each
 * begins with what was found before it;
 * money has one more turn where another aim came upon something cheaper. Ends with the turns that are over.
 */
export async function workOutAims({ plan, show, isOver }: AimMeans): Promise<number> {
  const known = new Map<FitAim, FitAnswer>();
  const work = async (prefer: FitAim, turn: number): Promise<void> => {
    const tell = (answer: FitAnswer, doneCount: number): void => {
      if (!isOver()) show(prefer, answer, doneCount);
    };
    const answer = await plan(
      prefer,
      [...known.values()].map(({ placements, surfaces }) => ({
        placements,
        ...(surfaces && { surfaces }),
      })),
      (first) => tell(first, turn),
    );
    tell(answer, turn + 1);
    if (answer.objective !== null) known.set(prefer, answer);
  };
  for (const [turn, prefer] of fitAims.entries()) {
    if (isOver()) return turn;
    await work(prefer, turn);
  }
  const leastMinor = known.get('cost')?.costMinor ?? Infinity;
  if (!isOver() && [...known.values()].some(({ costMinor }) => costMinor < leastMinor))
    await work('cost', fitAims.length);
  return AIM_TURNS;
}
