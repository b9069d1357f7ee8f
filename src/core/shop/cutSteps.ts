import { LENGTH_TOLERANCE_MM, type CutProblem } from './cutPatterns';

/** Lengths are told in tenths at most; others are not counted in steps. */
const STEPS_A_MM = 10;
/** Longer boards than this, in steps, take too long to work through one by one: three metres in tenths. */
const MOST_STEPS = 30_000;

/** Lengths in whole millimetres where all are whole, else in tenths. */
export interface Steps {
  readonly pieces: Int32Array;
  readonly stock: Int32Array;
}

/** Undefined where lengths are finer than tenths of a millimetre, or boards too long for it. */
export function toSteps({ pieceMm, stockMm }: CutProblem): Steps | undefined {
  const isWhole = [...pieceMm, ...stockMm].every(
    (mm) => Math.abs(mm - Math.round(mm)) <= LENGTH_TOLERANCE_MM,
  );
  const aMm = isWhole ? 1 : STEPS_A_MM;
  const stepsOf = (mm: number): number => Math.round(mm * aMm);
  const isFine = [...pieceMm, ...stockMm].some(
    (mm) => Math.abs(mm * aMm - stepsOf(mm)) > LENGTH_TOLERANCE_MM * aMm,
  );
  if (isFine || Math.max(...stockMm) * aMm > MOST_STEPS) return undefined;
  return { pieces: Int32Array.from(pieceMm, stepsOf), stock: Int32Array.from(stockMm, stepsOf) };
}
