import type { OpenBox } from './leaving';
import type { Carry } from './sessionModel';

/** What stands in a box now, and whether it has to go out. */
interface BoxNow extends OpenBox {
  /** 0..1 and beyond, by litres or weight, whichever is nearer its limit. */
  readonly fullRatio: number;
  readonly isDue: boolean;
}

/** The basket or box that is carried. */
const CARRY_LITRES = 45;
/** Called for a little before it is full: the last handful has to go in as well. */
const DUE_FROM = 0.9;

/** How full each box is, the fullest first; a box can go out at any fill. */
export const boxesNow = (boxes: readonly OpenBox[], liftLimitG: number): BoxNow[] =>
  boxes
    .map((box) => {
      const fullRatio = Math.max(box.litres / CARRY_LITRES, box.massG / liftLimitG);
      return { ...box, fullRatio, isDue: fullRatio >= DUE_FROM };
    })
    .sort((a, b) => b.fullRatio - a.fullRatio);

/** Into how many carries a box goes: by litres and by what one person lifts. */
export const carryCountOf = (box: Pick<OpenBox, 'litres' | 'massG'>, liftLimitG: number): number =>
  Math.max(
    1,
    Math.ceil(box.litres / CARRY_LITRES - 1e-9),
    Math.ceil(box.massG / liftLimitG - 1e-9),
  );

/** What was carried out unsorted and is not settled, the most pressing first. */
export const openDebts = (carries: readonly Carry[]): Carry[] =>
  carries
    .filter((carry) => carry.verdict === null && carry.settledAt === null)
    .sort(
      (a, b) =>
        (a.dueOn ?? '9999').localeCompare(b.dueOn ?? '9999') ||
        a.carriedAt.localeCompare(b.carriedAt),
    );
