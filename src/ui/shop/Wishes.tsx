import { formatCount, formatMoney, type Currency } from '@/core/shared';
import type { ShopRequest, WishWeights } from '@/core/shop';

/** What is left out for the money, what each would cost, and what a little more money would buy. */
export function Wishes({
  request,
  wishes,
  currency,
}: {
  readonly request: ShopRequest;
  readonly wishes: WishWeights;
  readonly currency: Currency;
}) {
  if (wishes.dropped.length === 0) return null;
  const nameOf = (id: string) => request.needs.find((need) => need.id === id)?.name ?? id;
  return (
    <section aria-label="Left out" className="panel px-4 py-3">
      <h2 className="mb-1 text-[17px]">Left out to stay within the budget</h2>
      <ul className="divide-y divide-line text-[14.5px]">
        {wishes.dropped.map(({ needId, moreMinor }) => (
          <li key={needId} className="flex justify-between gap-4 py-1">
            <span>{nameOf(needId)}</span>
            <span>
              <b className="font-mono">{formatMoney(moreMinor, currency)}</b> more would buy it all
            </span>
          </li>
        ))}
      </ul>
      {wishes.nextStep && (
        <p className="mt-1 text-[14.5px]">
          {formatMoney(wishes.nextStep.stepMinor, currency)} more budget would buy{' '}
          {wishes.nextStep.bought
            .map(({ needId, qty }) => `${formatCount(qty, 'piece')} of ${nameOf(needId)}`)
            .join(' and ')}
          .
        </p>
      )}
    </section>
  );
}
