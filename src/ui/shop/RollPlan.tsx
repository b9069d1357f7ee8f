import {
  fitLabel,
  formatCount,
  formatLength,
  formatMoney,
  type Currency,
  type LengthUnit,
} from '@/core/shared';
import type { RollAnswer, RollRequest } from '@/core/shop';
import { rollReasonWords } from './shopWords';

interface RollPlanProps {
  readonly request: RollRequest;
  readonly answer: RollAnswer;
  /** What is bought, and what the saw takes of it; a roll is cut with scissors. */
  readonly of: 'roll' | 'sheet';
  readonly kerfMm?: number;
  readonly pieceNames: Readonly<Record<string, string>>;
  readonly measureUnit: LengthUnit;
  readonly currency: Currency;
}

/** Where each piece lies on its roll or sheet, to scale: it runs to the right. */
export function RollPlan({
  request,
  answer,
  of,
  kerfMm = 0,
  pieceNames,
  measureUnit,
  currency,
}: RollPlanProps) {
  if (answer.status === 'infeasible')
    return (
      <>
        {answer.reasons.map((reason) => (
          <p key={reason.subject} role="alert" className="warn mt-2">
            {rollReasonWords(reason, {
              piece: (id) => pieceNames[id] ?? id,
              unit: measureUnit,
              of,
            })}
          </p>
        ))}
      </>
    );
  const { roll, pieces } = request;
  const shareOver = answer.leastLengthMm > 0 ? answer.usedLengthMm / answer.leastLengthMm - 1 : 0;
  const rolls = Array.from({ length: answer.rolls }, (_, r) =>
    answer.placed.filter((piece) => piece.roll === r),
  );
  return (
    <section aria-label={of === 'roll' ? 'Liner plan' : 'Sheet plan'} className="mt-2">
      <p role="status" className="text-[15px]">
        <b className="font-mono">{formatCount(answer.rolls, of)}</b>,{' '}
        <b className="font-mono">{formatMoney(answer.rolls * roll.priceMinor, currency)}</b>
        {answer.status === 'optimal' ? ', fewer do not do' : ''};{' '}
        <span className="font-mono">{formatLength(answer.usedLengthMm, measureUnit)}</span> are
        used,{' '}
        {shareOver < 5e-4
          ? 'no way uses less.'
          : `at most ${(100 * shareOver).toFixed(1)} % more than any way must.`}
      </p>
      {rolls.map((placed, r) => {
        const sizes = placed.map((piece) => {
          const { widthMm = 0, depthMm = 0 } = pieces.find(({ id }) => id === piece.id) ?? {};
          return {
            ...piece,
            across: piece.turned ? depthMm : widthMm,
            along: piece.turned ? widthMm : depthMm,
          };
        });
        const words = ({ along, across }: { along: number; across: number }): string =>
          [along, across]
            .map((mm) => formatLength(Math.round(10 * (mm - kerfMm)) / 10, measureUnit))
            .join(' × ');
        const name = `${of === 'roll' ? 'Roll' : 'Sheet'} ${r + 1}`;
        const endMm = Math.max(1, ...sizes.map(({ y, along }) => y + along));
        const pen = Math.max(endMm / 830, roll.widthMm / 300);
        return (
          <svg
            key={r}
            role="img"
            aria-label={`${name}: ${formatCount(placed.length, 'piece')} on ${formatLength(endMm, measureUnit)}`}
            className="mt-2 block w-full"
            viewBox={`${-2 * pen} ${-2 * pen} ${endMm + 4 * pen} ${roll.widthMm + 4 * pen}`}
            style={{ maxHeight: 300 }}
          >
            <rect
              x={0}
              y={0}
              width={endMm}
              height={roll.widthMm}
              fill="#eee7d8"
              stroke="#22201b"
              strokeWidth={1.5 * pen}
            />
            {sizes.map(({ id, x, y, across, along }, i) => (
              <g key={i}>
                <rect
                  x={y}
                  y={x}
                  width={along}
                  height={across}
                  fill="#ecd9b0"
                  stroke="#22201b"
                  strokeWidth={pen}
                />
                <text
                  x={y + along / 2}
                  y={x + across / 2 - pen}
                  textAnchor="middle"
                  fontSize={12 * pen}
                  fontWeight={650}
                  fill="#22201b"
                >
                  {fitLabel(pieceNames[id] ?? '', along - 6 * pen, 12 * pen)}
                </text>
                <text
                  x={y + along / 2}
                  y={x + across / 2 + 13 * pen}
                  textAnchor="middle"
                  fontSize={11 * pen}
                  fill="#514b3f"
                  className="font-mono"
                >
                  {fitLabel(words({ along, across }), along - 6 * pen, 11 * pen)}
                </text>
              </g>
            ))}
          </svg>
        );
      })}
    </section>
  );
}
