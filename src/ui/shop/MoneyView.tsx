import { formatMoney, type Currency } from '@/core/shared';
import type { BudgetSums } from '@/core/shop';
import { BudgetBar } from './BudgetBar';
import { Link } from '../primitives/Link';
import { SideScroll } from '../primitives/SideScroll';

interface MoneyViewProps {
  readonly rooms: readonly {
    readonly name: string;
    readonly href: string;
    readonly sums: BudgetSums;
    readonly isShort: boolean;
  }[];
  readonly home: BudgetSums;
  readonly payers: readonly { readonly paidBy: string; readonly minor: number }[];
  readonly cards: readonly {
    readonly shopName: string;
    readonly onCardsMinor: number;
    readonly leftMinor: number;
  }[];
  readonly fee: {
    readonly hoursWords: string;
    readonly soFarMinor: number;
    readonly likelyMinor: number;
    readonly highMinor: number;
  };
  /** What sales brought the client, after fees. */
  readonly soldMinor: number;
  readonly currency: Currency;
}

const COLUMNS: readonly (readonly [label: string, of: (sums: BudgetSums) => number])[] = [
  ['Share', (sums) => sums.shareMinor],
  ['Planned', (sums) => sums.plannedMinor],
  ['Approved', (sums) => sums.approvedMinor],
  ['Bought', (sums) => sums.boughtMinor],
  ['By gift card', (sums) => sums.cardMinor],
  ['Came back', (sums) => sums.returnedMinor],
  ['Left', (sums) => sums.leftMinor],
];

/** The whole home's money on one sheet: the budget, each room's share of it, who paid, and the fee apart. */
export function MoneyView({
  rooms,
  home,
  payers,
  cards,
  fee,
  soldMinor,
  currency,
}: MoneyViewProps) {
  const money = (minor: number) => formatMoney(minor, currency);
  const sharesMinor = rooms.reduce((sum, { sums }) => sum + sums.shareMinor, 0);
  const ownMinor = Math.max(0, home.boughtMinor - home.cardMinor - home.returnedMinor);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3.5">
      <section aria-label="The home's budget" className="panel border-t-4 border-t-rim p-4">
        <BudgetBar
          spentMinor={ownMinor}
          plannedMinor={Math.max(0, home.plannedMinor - ownMinor)}
          budgetMinor={home.shareMinor}
          currency={currency}
        />
        {sharesMinor !== home.shareMinor && (
          <p
            className={`mt-2 text-[14px] ${sharesMinor > home.shareMinor ? 'font-[650] text-signal-deep' : 'text-soft'}`}
          >
            {sharesMinor > home.shareMinor
              ? `The rooms’ shares come to ${money(sharesMinor)}, ${money(sharesMinor - home.shareMinor)} more than the budget.`
              : `${money(home.shareMinor - sharesMinor)} of the budget is given to no room yet.`}
          </p>
        )}
      </section>
      <section aria-label="Room by room" className="panel px-4 py-3">
        <SideScroll label="Money, room by room">
          <table className="stacks w-full text-[14px]">
            <thead>
              <tr className="text-[13px] text-soft">
                <th className="py-1 text-left font-bold">Room</th>
                {COLUMNS.map(([label]) => (
                  <th key={label} className="px-2 py-1 text-right font-bold whitespace-nowrap">
                    {label}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rooms.map(({ name, href, sums, isShort }) => (
                <tr key={href} className="border-t border-line">
                  <th scope="row" className="py-1.5 pr-3 text-left font-[650]">
                    <Link className="text-rim underline underline-offset-3" href={href}>
                      {name}
                    </Link>
                    {isShort && (
                      <span className="block text-[13px] font-normal text-signal-deep">
                        not to be had within its share
                      </span>
                    )}
                  </th>
                  {COLUMNS.map(([label, of]) => (
                    <Sum key={label} head={label} minor={of(sums)} currency={currency} />
                  ))}
                </tr>
              ))}
              <tr className="border-t-2 border-ink font-bold">
                <th scope="row" className="py-1.5 pr-3 text-left">
                  The home
                </th>
                {COLUMNS.map(([label, of]) => (
                  <Sum key={label} head={label} minor={of(home)} currency={currency} />
                ))}
              </tr>
            </tbody>
          </table>
        </SideScroll>
        <p className="mt-1 text-[13.5px] text-soft">
          Planned is everything on the lists: what is bought, and the cheapest way to the rest.
          Approved is what the client said yes to, deliveries and gift cards left aside.
        </p>
      </section>
      <div className="grid gap-3.5 md:grid-cols-3">
        <section aria-label="Who paid" className="panel px-4 py-3">
          <h2 className="mb-1 text-[17px]">Who paid</h2>
          {payers.length === 0 ? (
            <p className="text-[14px] text-soft">Nothing is bought yet.</p>
          ) : (
            <dl className="text-[14.5px]">
              {payers.map(({ paidBy, minor }) => (
                <Line
                  key={paidBy}
                  label={paidBy === '' ? 'nobody has said' : paidBy}
                  words={money(minor)}
                />
              ))}
            </dl>
          )}
        </section>
        <section aria-label="Gift cards" className="panel px-4 py-3">
          <h2 className="mb-1 text-[17px]">Gift cards</h2>
          {cards.length === 0 ? (
            <p className="text-[14px] text-soft">
              None noted. They are put down on a room’s shopping list.
            </p>
          ) : (
            <dl className="text-[14.5px]">
              {cards.map(({ shopName, onCardsMinor, leftMinor }) => (
                <Line
                  key={shopName}
                  label={`${shopName}, of ${money(onCardsMinor)}`}
                  words={`${money(leftMinor)} left`}
                />
              ))}
            </dl>
          )}
        </section>
        <section aria-label="Fee" className="panel px-4 py-3">
          <h2 className="mb-1 text-[17px]">Fee, apart from the budget</h2>
          <dl className="text-[14.5px]">
            <Line label={`${fee.hoursWords} so far`} words={money(fee.soFarMinor)} />
            <Line label="as estimated, likely" words={money(fee.likelyMinor)} />
            <Line label="at most, in four of five cases" words={money(fee.highMinor)} />
          </dl>
        </section>
        {soldMinor > 0 && (
          <section aria-label="Sold for the client" className="panel px-4 py-3">
            <h2 className="mb-1 text-[17px]">Sold for the client</h2>
            <dl className="text-[14.5px]">
              <Line label="after fees, the client’s own" words={money(soldMinor)} />
            </dl>
          </section>
        )}
      </div>
    </div>
  );
}

function Sum({ head, minor, currency }: { head: string; minor: number; currency: Currency }) {
  const cell = 'px-2 py-1.5 text-right font-mono whitespace-nowrap';
  if (minor === 0)
    return (
      <td data-head={head} className={`${cell} text-soft`}>
        –
      </td>
    );
  if (minor < 0)
    return (
      <td data-head={head} className={`${cell} text-signal-deep`}>
        {formatMoney(-minor, currency)} over
      </td>
    );
  return (
    <td data-head={head} className={cell}>
      {formatMoney(minor, currency)}
    </td>
  );
}

const Line = ({ label, words }: { label: string; words: string }) => (
  <div className="flex justify-between gap-3">
    <dt>{label}</dt>
    <dd className="font-mono whitespace-nowrap">{words}</dd>
  </div>
);
