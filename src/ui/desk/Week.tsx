import type { ClientAnswer } from '@/core/client';
import { dueOnDay, type DueThing } from '@/core/desk';
import { addDays, daysBetween, formatCount } from '@/core/shared';
import { findDayWays, type DayWay, type Visit } from '@/core/visits';
import { saidAtWords } from '../client/clientWords';
import { Link } from '../primitives/Link';
import { timesWords, visitDayWords } from '../visits/visitWords';
import { dueWords } from './dueWords';

interface WeekProps {
  readonly today: string;
  readonly visits: readonly {
    readonly visit: Pick<Visit, 'id' | 'day' | 'fromMinute' | 'toMinute' | 'people'>;
    readonly homeName: string;
    readonly projectId: string;
    /** To this home from another. */
    readonly travelMinutes: number;
  }[];
  /** Homes that have to be ready on a day. */
  readonly ready: readonly { readonly day: string; readonly homeName: string }[];
  /** Returns, arrivals, debts, what was put off, second looks. */
  readonly due: readonly (DueThing & { readonly homeName: string })[];
  /** Things that wait for an answer, by home. */
  readonly questions: readonly {
    readonly homeName: string;
    readonly projectId: string;
    readonly count: number;
  }[];
  /** Answers of clients that wait to be taken, by home, with the last one. */
  readonly answers: readonly {
    readonly homeName: string;
    readonly projectId: string;
    readonly count: number;
    readonly last: ClientAnswer;
  }[];
}

const DAYS = 7;
const WEEK_LINK =
  'inline-flex min-h-9 items-center text-rim underline underline-offset-3 max-md:min-h-12';

/** The next seven days over all homes, today first; nothing where nothing is planned in them. */
export function Week({ today, visits, ready, due, questions, answers }: WeekProps) {
  const isNear = (day: string) => {
    const away = daysBetween(today, day);
    return away >= 0 && away < DAYS;
  };
  const isEmpty =
    !visits.some(({ visit }) => isNear(visit.day)) &&
    dueOnDay(due, today, today).length === 0 &&
    ![...ready, ...due].some(({ day }) => isNear(day)) &&
    questions.length === 0 &&
    answers.length === 0;
  return (
    <section aria-label="The next seven days" className="mb-4">
      <p className="mb-2 flex flex-wrap items-center gap-x-4 text-[14.5px]">
        <Link href="/days" className={WEEK_LINK}>
          {isEmpty ? 'Plan the days of all homes' : 'Days of all homes'}
        </Link>
        {answers.map(({ homeName, projectId, count, last }) => (
          <Link
            key={projectId}
            href={`/projects/${projectId}/home/show/client`}
            className={`${WEEK_LINK} font-[650]`}
          >
            {homeName}: {formatCount(count, 'answer')} to take ({saidAtWords(last)})
          </Link>
        ))}
        {questions.map(({ homeName, projectId, count }) => (
          <Link key={projectId} href={`/projects/${projectId}/home`} className={WEEK_LINK}>
            {homeName}: {formatCount(count, 'question')} for the client
          </Link>
        ))}
      </p>
      {!isEmpty && (
        <ol className="grid gap-2 md:grid-cols-7">
          {Array.from({ length: DAYS }, (_, i) => addDays(today, i)).map((day) => {
            const here = visits.filter(({ visit }) => visit.day === day);
            const readyHere = ready.filter((each) => each.day === day);
            const dueHere = dueOnDay(due, day, today);
            const isFree = here.length + readyHere.length + dueHere.length === 0;
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
                        className="inline-block text-rim underline underline-offset-3 max-md:min-h-12 max-md:content-center"
                      >
                        {homeName}
                      </Link>
                      <span className="block font-mono text-[13px]">{timesWords(visit)}</span>
                      <span className="text-[13px] text-soft">{visit.people.join(', ')}</span>
                    </li>
                  ))}
                  {findDayWays(here)
                    .map(wayWords)
                    .map((words) => (
                      <li key={words} className="mt-1 text-[13px] text-soft">
                        {words}
                      </li>
                    ))}
                  {readyHere.map(({ homeName }) => (
                    <li key={homeName} className="mt-1 text-[13.5px] text-signal-deep">
                      {homeName} has to be ready
                    </li>
                  ))}
                  {dueHere.map((each) => (
                    <li
                      key={`${each.code} ${each.name} ${each.homeName}`}
                      className="mt-1 text-[13.5px] leading-snug"
                    >
                      {dueWords(each)} <span className="text-soft">{each.homeName}</span>
                    </li>
                  ))}
                </ul>
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}

/** The way between two homes, and what there is between the visits where that is less. */
const wayWords = ({ homeName, wayMinutes, freeMinutes }: DayWay): string =>
  `${wayMinutes} min on the way to ${homeName}` +
  (freeMinutes < wayMinutes ? `, and ${Math.max(0, freeMinutes)} between the visits` : '');
