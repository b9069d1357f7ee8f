import clsx from 'clsx';
import { formatLength, formatMoney, type Currency, type LengthUnit } from '@/core/shared';
import type { CutAnswer, CutRequest } from '@/core/shop';
import { cutReasonWords } from './shopWords';

interface CutPlanProps {
  readonly request: CutRequest;
  readonly answer: CutAnswer;
  readonly boardNames: Readonly<Record<string, string>>;
  readonly pieceNames: Readonly<Record<string, string>>;
  readonly measureUnit: LengthUnit;
  readonly currency: Currency;
}

/** How each board is cut, to one scale, with what is left of it. */
export function CutPlan({
  request,
  answer,
  boardNames,
  pieceNames,
  measureUnit,
  currency,
}: CutPlanProps) {
  if (answer.objective === null)
    return (
      <>
        {answer.reasons.map((reason) => (
          <p key={reason.subject} role="alert" className="warn mt-2">
            {cutReasonWords(reason, { piece: (id) => pieceNames[id] ?? id, unit: measureUnit })}
          </p>
        ))}
      </>
    );
  const longestMm = Math.max(...request.stock.map(({ lengthMm }) => lengthMm));
  const boards = answer.patterns.reduce((sum, { count }) => sum + count, 0);
  return (
    <section aria-label="Cutting plan" className="mt-2">
      <p role="status" className="text-[15px]">
        <b className="font-mono">{boards}</b> {boards === 1 ? 'board' : 'boards'},{' '}
        <b className="font-mono">{formatMoney(answer.costMinor, currency)}</b>;{' '}
        {answer.status === 'optimal'
          ? 'no cheaper way to cut them exists, that is proven.'
          : `at least ${formatMoney(Math.ceil(answer.bound ?? 0), currency)} in any way.`}
      </p>
      <ul className="mt-2 grid gap-2">
        {answer.patterns.map(({ stockId, count, pieces, wasteMm }, i) => {
          const board = request.stock.find(({ id }) => id === stockId);
          if (!board) return null;
          const each = pieces
            .flatMap(({ id, n }) =>
              Array.from({ length: n }, () => request.pieces.find((piece) => piece.id === id)),
            )
            .filter((piece) => piece !== undefined);
          return (
            <li key={i}>
              <p className="text-[13.5px]">
                <b className="font-mono">{count} ×</b> {boardNames[stockId]},{' '}
                {formatLength(board.lengthMm, measureUnit)};{' '}
                {wasteMm < 0.05 ? 'nothing is left' : `${formatLength(wasteMm, measureUnit)} left`}
              </p>
              <div
                className="flex h-9 border border-ink bg-[repeating-linear-gradient(45deg,#eee7d8_0_3px,#fff_3px_8px)]"
                style={{ width: `${(100 * board.lengthMm) / longestMm}%` }}
                title={`${wasteMm} mm left`}
              >
                {each.map((piece, k) => (
                  <span
                    key={k}
                    className={clsx(
                      'grid min-w-0 place-content-center overflow-hidden border-r border-ink bg-kraft text-center',
                      'text-[12px] leading-tight whitespace-nowrap',
                    )}
                    style={{
                      width: `${(100 * (piece.lengthMm + (k < each.length - 1 ? request.kerfMm : 0))) / board.lengthMm}%`,
                    }}
                    title={`${pieceNames[piece.id] ?? ''}, ${formatLength(piece.lengthMm, measureUnit)}`}
                  >
                    <span className="truncate px-0.5">{pieceNames[piece.id]}</span>
                    <span className="truncate px-0.5 font-mono text-[11.5px]">
                      {formatLength(piece.lengthMm, measureUnit)}
                    </span>
                  </span>
                ))}
              </div>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
