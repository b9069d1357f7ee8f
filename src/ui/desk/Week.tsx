import { addDays, daysBetween } from '@/core/shared';
import type { Visit } from '@/core/visits';
import { Link } from '../primitives/Link';
import { timesWords, visitDayWords } from '../visits/visitWords';

interface WeekProps {
  readonly today: string;
  readonly visits: readonly {
    readonly visit: Pick<Visit, 'id' | 'day' | 'fromMinute' | 'toMinute' | 'people'>;
    readonly homeName: string;
    readonly projectId: string;
  }[];
  /** Homes that have to be ready on a day. */
  readonly ready: readonly { readonly day: string; readonly homeName: string }[];
}

const DAYS = 7;

/** The next seven days over all homes, today first; nothing where nothing is planned in them. */
export function Week({ today, visits, ready }: WeekProps) {
  const isNear = (day: string) => {
    const away = daysBetween(today, day);
    return away >= 0 && away < DAYS;
  };
  if (!visits.some(({ visit }) => isNear(visit.day)) && !ready.some(({ day }) => isNear(day)))
    return null;
  return (
    <section aria-label="The next seven days" className="mb-4">
      <ol className="grid gap-2 md:grid-cols-7">
        {Array.from({ length: DAYS }, (_, i) => addDays(today, i)).map((day) => {
          const here = visits.filter(({ visit }) => visit.day === day);
          const due = ready.filter((each) => each.day === day);
          const isFree = here.length + due.length === 0;
          return (
            <li
              key={day}
              className={`panel px-2.5 py-2 text-[14px] ${day === today ? 'border-t-4 border-t-rim' : ''} ${
                isFree ? 'max-md:hidden' : ''
              }`}
            >
              <b className={isFree ? 'text-soft' : ''}>
                {day === today ? 'Today' : visitDayWords(day)}
              </b>
              <ul>
                {here.map(({ visit, homeName, projectId }) => (
                  <li key={visit.id} className="mt-1 leading-snug">
                    <Link
                      href={`/projects/${projectId}/home/days`}
                      className="inline-block text-rim underline underline-offset-3 max-md:min-h-11 max-md:content-center"
                    >
                      {homeName}
                    </Link>
                    <span className="block font-mono text-[13px]">{timesWords(visit)}</span>
                    <span className="text-[13px] text-soft">{visit.people.join(', ')}</span>
                  </li>
                ))}
                {due.map(({ homeName }) => (
                  <li key={homeName} className="mt-1 text-[13.5px] text-signal-deep">
                    {homeName} has to be ready
                  </li>
                ))}
              </ul>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
