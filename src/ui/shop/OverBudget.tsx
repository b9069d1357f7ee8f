import { formatMoney, type Currency } from '@/core/shared';
import type { ShopAnswer, ShopReason, ShopRequest, WayBack } from '@/core/shop';
import { shopReasonWords } from './shopWords';

interface OverBudgetProps {
  readonly request: ShopRequest;
  readonly answer: ShopAnswer;
  readonly waysBack: readonly WayBack[];
  readonly currency: Currency;
  /** On a list of several rooms. */
  readonly roomName?: (roomId: string) => string;
}

/** What can be done about it; nothing where the sums say it already. */
const WHAT_HELPS: Readonly<Record<ShopReason['code'], string>> = {
  must_not_on_offer: 'Add an offer, mark it “would be nice”, or take another fit.',
  offers_run_out: 'Add an offer, mark one of them “would be nice”, or take another fit.',
  time_ran_out: 'Load the page to try again.',
  budget_too_small: '',
  room_budget_too_small: 'Give the room more of the budget, or mark something “would be nice”.',
};

/** Over budget: by how much, and what would bring it back; or what nobody sells. */
export function OverBudget({ request, answer, waysBack, currency, roomName }: OverBudgetProps) {
  const nameOf = (id: string) => request.needs.find((need) => need.id === id)?.name ?? id;
  if (answer.leastBudgetMinor === undefined) {
    return (
      <div className="warn">
        {answer.reasons.map((reason) => (
          <p key={`${reason.code} ${reason.subject}`}>
            {shopReasonWords(reason, {
              need: nameOf,
              money: (minor) => formatMoney(minor, currency),
              ...(roomName ? { room: roomName } : {}),
            })}{' '}
            {WHAT_HELPS[reason.code]}
          </p>
        ))}
      </div>
    );
  }
  const over = answer.leastBudgetMinor - request.budgetMinor;
  const enough = waysBack.filter((way) => way.isEnough);
  const ways = enough.length > 0 ? enough : waysBack;
  return (
    <div className="warn text-[14.5px]!">
      <p>
        <b>{formatMoney(over, currency)} over what is left.</b>{' '}
        {answer.status === 'unknown'
          ? 'The cheapest way to buy the musts that was found in the time costs'
          : 'The musts cost at least'}{' '}
        {formatMoney(answer.leastBudgetMinor, currency)}
        {answer.status === 'unknown' ? '; a cheaper one was not ruled out' : ''};{' '}
        {formatMoney(request.budgetMinor, currency)} of{' '}
        {roomName ? 'the home’s budget' : 'this room’s share'} is left.
      </p>
      {ways.length > 0 && (
        <p className="mt-1.5">
          {enough.length > 0
            ? 'Any one of these brings it back:'
            : 'Nothing alone is enough. What each would save:'}
        </p>
      )}
      <ul className="list-disc pl-5">
        {ways.slice(0, 5).map((way) => (
          <li key={way.needIds.join()}>
            {way.needIds.map(nameOf).join(' and ')} left out:{' '}
            {formatMoney(way.savesMinor, currency)} less, {formatMoney(way.leastMinor, currency)} in
            all
          </li>
        ))}
      </ul>
      <p className="mt-1.5">Or raise this room’s share under Agree, or take a cheaper fit.</p>
    </div>
  );
}
