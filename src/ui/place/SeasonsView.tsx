import { isInSeason, type SeasonalSwap } from '@/core/place';
import { buttonClass } from '../primitives/Button';
import { minutesWords, MONTH_NAMES } from './placeWords';
import { SideScroll } from '../primitives/SideScroll';

interface SeasonsViewProps {
  readonly swaps: readonly SeasonalSwap[];
  readonly seasonal: readonly {
    readonly id: string;
    readonly name: string;
    readonly from: number;
    readonly to: number;
    readonly isPlaced: boolean;
  }[];
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly bayNames: Readonly<Record<string, string>>;
  readonly calendarHref: string;
}

/** The year of a room: when which group is in use, and what to change at the start of a month. */
export function SeasonsView({ swaps, seasonal, groups, bayNames, calendarHref }: SeasonsViewProps) {
  const nameOf = (id: string) => groups.find((group) => group.id === id)?.name ?? '';
  const months = [...new Set(swaps.map(({ month }) => month))];
  if (seasonal.length === 0)
    return (
      <p className="panel p-5 text-[16px]">
        No group here has a season. Give one its months under “Groups of this room”, or in its name:
        “Beach towels, May to September”.
      </p>
    );
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      <section aria-label="The year" className="panel border-t-4 border-t-rim p-4">
        <h2 className="mb-2 text-[17px]">When it is in use</h2>
        <SideScroll label="The year, month by month">
          <table className="w-full border-separate border-spacing-x-0.5 border-spacing-y-1 text-[14px] max-md:table-fixed md:min-w-[520px]">
            <thead>
              <tr>
                <td className="max-md:w-[104px]" />
                {MONTH_NAMES.map((month) => (
                  <th
                    key={month}
                    scope="col"
                    className="w-[6%] text-center text-[12.5px] font-normal text-soft"
                  >
                    <abbr title={month} className="no-underline">
                      {month.charAt(0)}
                      <span className="max-md:hidden">{month.slice(1, 3)}</span>
                    </abbr>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {seasonal.map(({ id, name, from, to }) => (
                <tr key={id}>
                  <th scope="row" className="pr-3 text-left font-[650]">
                    {name}
                  </th>
                  {MONTH_NAMES.map((month, i) => {
                    const isIn = isInSeason({ from, to }, i + 1);
                    return (
                      <td key={month} className={`h-6 ${isIn ? 'bg-rim-mid' : 'bg-well'}`}>
                        <span className="sr-only">{isIn ? 'in use' : 'put by'}</span>
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        </SideScroll>
      </section>
      <section aria-label="What to change" className="panel p-4">
        <h2 className="text-[17px]">What to change, and when</h2>
        {swaps.length === 0 && (
          <p className="mt-1 text-[14.5px] text-soft">
            Nothing: what has a season stands alone in its place, and no exchange would save a step
            worth carrying for.
          </p>
        )}
        {months.map((month) => (
          <div key={month} className="mt-2 border-t border-line pt-2">
            <h3 className="text-[15px]">1 {MONTH_NAMES[month - 1]}</h3>
            <ul className="text-[14.5px]">
              {swaps
                .filter((swap) => swap.month === month)
                .map((swap) => (
                  <li
                    key={swap.kind === 'rows' ? swap.bayId : swap.aId + swap.bId}
                    className="py-0.5"
                  >
                    {swap.kind === 'rows' ? (
                      <>
                        <b>{bayNames[swap.bayId]}:</b>{' '}
                        {[
                          ...swap.frontIds.map((id) => `${nameOf(id)} to the front`),
                          ...swap.backIds.map((id) => `${nameOf(id)} behind`),
                        ].join(', ')}
                      </>
                    ) : (
                      <>
                        <b>{nameOf(swap.aId)}</b> to {bayNames[swap.bBayId]},{' '}
                        <b>{nameOf(swap.bId)}</b> to {bayNames[swap.aBayId]}: saves{' '}
                        {minutesWords(swap.secondsPerWeek)} a week while it lasts
                      </>
                    )}
                  </li>
                ))}
            </ul>
          </div>
        ))}
        {swaps.length > 0 && (
          <a className={buttonClass('quiet', 'mt-3')} href={calendarHref} download>
            Reminders as a calendar file
          </a>
        )}
      </section>
    </div>
  );
}
