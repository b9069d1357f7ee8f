import { formatMoney, type Currency } from '@/core/shared';

interface BudgetBarProps {
  readonly spentMinor: number;
  readonly plannedMinor: number;
  readonly budgetMinor: number;
  readonly currency: Currency;
}

/** Bought, still planned, and the room's share, on one scale. */
export function BudgetBar({ spentMinor, plannedMinor, budgetMinor, currency }: BudgetBarProps) {
  const whole = Math.max(budgetMinor, spentMinor + plannedMinor, 1);
  const share = (minor: number) => `${(minor / whole) * 100}%`;
  const left = budgetMinor - spentMinor - plannedMinor;
  return (
    <div>
      <div aria-hidden="true" className="relative h-4">
        <div
          className="absolute inset-y-0 left-0 rounded-[3px] border-[1.5px] border-ink bg-white"
          style={{ width: share(budgetMinor) }}
        />
        <div
          className="absolute inset-y-[1.5px] left-[1.5px] bg-rim-mid"
          style={{ width: share(spentMinor) }}
        />
        <div
          className="absolute inset-y-[1.5px] bg-rim"
          style={{
            left: share(spentMinor),
            width: share(Math.max(0, Math.min(plannedMinor, budgetMinor - spentMinor))),
          }}
        />
        {left < 0 && (
          <div
            className="absolute inset-y-[1.5px] right-0 bg-[repeating-linear-gradient(135deg,#c8641b_0_4px,#f0b98c_4px_8px)]"
            style={{ left: share(Math.max(budgetMinor, spentMinor)) }}
          />
        )}
      </div>
      <p className="mt-1.5 flex flex-wrap justify-between gap-x-5 text-[14px]">
        <span>
          <b className="font-mono">{formatMoney(spentMinor, currency)}</b> bought
        </span>
        <span>
          <b className="font-mono">{formatMoney(plannedMinor, currency)}</b> still to buy
        </span>
        <span className={left < 0 ? 'font-bold text-signal-deep' : ''}>
          <b className="font-mono">{formatMoney(Math.abs(left), currency)}</b>{' '}
          {left < 0 ? 'over' : 'left'}
        </span>
        <span className="text-soft">
          of <span className="font-mono">{formatMoney(budgetMinor, currency)}</span>
        </span>
      </p>
    </div>
  );
}
