import { fitAims, type FitAim } from './codes';
import type { FitAnswer } from './model';
import type { Stood } from './planFlat';
import { unmetLitresOf } from './restateLitres';

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
  /** How the place stands as it was taken, where it was: every aim begins with it. */
  readonly taken?: Stood;
}

const SAME_LITRES = 1e-6;
const isWhole = ({ objective }: FitAnswer): boolean => objective !== null;

/** Each aim, and money once more. */
export const AIM_TURNS = fitAims.length + 1;

/**
 * Works all aims out, one after the other, each no worse than what was taken. What stands for one stands for the others too, so each
 * begins with what was found before it;
 * money has one more turn where another aim came upon something cheaper. What leaves litres out is shown for no aim where
 * another one leaves out fewer. Ends with the turns that are over.
 */
export async function workOutAims({ plan, show, isOver, taken }: AimMeans): Promise<number> {
  const known = new Map<FitAim, FitAnswer>();
  const work = async (prefer: FitAim, turn: number): Promise<void> => {
    const tell = (answer: FitAnswer, doneCount: number): void => {
      if (!isOver()) show(prefer, answer, doneCount);
    };
    const answer = await plan(
      prefer,
      [...(taken ? [taken] : []), ...known.values()].map(({ placements, surfaces }) => ({
        placements,
        ...(surfaces && { surfaces }),
      })),
      (first) => tell(first, turn),
    );
    tell(answer, turn + 1);
    if (answer.placements.length > 0) known.set(prefer, answer);
  };
  for (const [turn, prefer] of fitAims.entries()) {
    if (isOver()) return turn;
    await work(prefer, turn);
  }
  const cost = known.get('cost');
  const leastMinor = cost && isWhole(cost) ? cost.costMinor : Infinity;
  const isCheaper = [...known.values()].some(
    (answer) => isWhole(answer) && answer.costMinor < leastMinor,
  );
  if (!isOver() && isCheaper) await work('cost', fitAims.length);
  // Where not everything stands, what leaves out least is best for every aim.
  const [fullest] = [...known.values()].sort((a, b) => unmetLitresOf(a) - unmetLitresOf(b));
  for (const [prefer, answer] of known)
    if (fullest && !isOver() && unmetLitresOf(answer) > unmetLitresOf(fullest) + SAME_LITRES)
      show(prefer, fullest, AIM_TURNS);
  return AIM_TURNS;
}
