import { parseISO } from 'date-fns';

import type { SortResults } from '@/core/count';
import { formatCount, formatLitres, formatMass, formatDate } from '@/core/shared';
import type { LeavingSums, Session } from '@/core/sort';
import { choiceLook } from '../primitives/choiceLook';
import { buttonClass } from '../primitives/Button';
import { methodWords, reasonWords, sayLeaving, verdictWords } from '../sort/sortWords';
import { LitresChart, PaceChart } from './ResultCharts';
import { Link } from '../primitives/Link';

interface ResultsViewProps {
  readonly scope: 'session' | 'room' | 'project';
  /** Undefined for the home, which has no session of its own. */
  readonly roomName: string | undefined;
  readonly results: SortResults;
  /** How far what leaves has come. */
  readonly states: LeavingSums;
  /** Whether the sums rest on estimates or on scales. */
  readonly weighedWords: string;
  readonly sessions: readonly Session[];
  readonly session: Session | undefined;
  /** The address of this page, for another scope. */
  readonly href: string;
  readonly csvHref: string;
}

/** What came of a session, the room, the whole project: what was decided, why, how much left, how fast. */
export function ResultsView({
  scope,
  roomName,
  results,
  states,
  weighedWords,
  sessions,
  session,
  href,
  csvHref,
}: ResultsViewProps) {
  const { all, leaving } = results;
  const scopes = [
    { key: 'session', label: 'One session' },
    { key: 'room', label: roomName ?? '' },
  ] as const;
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
        <nav aria-label="Results of" className="flex flex-wrap gap-1.5">
          {(roomName === undefined ? [] : scopes).map(({ key, label }) => (
            <Link
              key={key}
              href={`${href}?of=${key}`}
              aria-current={scope === key ? 'page' : undefined}
              className={buttonClass(
                scope === key ? 'quiet' : 'plain',
                scope === key ? 'bg-rim-wash' : '',
              )}
            >
              {label}
            </Link>
          ))}
        </nav>
        <a className={buttonClass('plain')} href={csvHref} download>
          Things as CSV
        </a>
      </div>
      {scope === 'session' && <SessionChoice sessions={sessions} session={session} href={href} />}
      {all.count === 0 ? (
        <p className="panel p-4 text-[15px]">
          Nothing is decided here yet. The bench fills this page by itself.
        </p>
      ) : (
        <>
          <dl className="grid grid-cols-2 gap-3 md:grid-cols-4">
            <Figure
              label="gone through"
              value={String(all.count)}
              note={`${formatLitres(all.litres)} · ${formatMass(all.massG)}, ${weighedWords}`}
            />
            <Figure
              label={`decided to leave the home`}
              value={String(leaving.count)}
              note={sayLeaving(states)}
            />
            <Figure
              label="of it leaves"
              value={all.litres > 0 ? `${Math.round((100 * leaving.litres) / all.litres)} %` : '–'}
              note={`by litres, ${weighedWords}`}
            />
            <Figure
              label="decisions a minute"
              value={results.decisionsPerMinute > 0 ? results.decisionsPerMinute.toFixed(1) : '–'}
              note={`${formatCount(results.decisionCount, 'decision')}, interruptions left out`}
            />
          </dl>
          <div className="mt-3 grid grid-cols-1 items-start gap-3 lg:grid-cols-2">
            <section aria-label="By verdict" className="panel p-4">
              <h2 className="mb-1 text-[17px]">Where it goes, in litres</h2>
              <LitresChart
                rows={results.byVerdict.map(({ verdict, amount }) => ({
                  verdict,
                  litres: amount.litres,
                }))}
              />
              <table className="mt-2 w-full text-[14px]">
                <thead>
                  <tr className="text-left text-[13px] text-soft">
                    <th className="font-[650]">Verdict</th>
                    <th className="text-right font-[650]">Things</th>
                    <th className="text-right font-[650]">Litres</th>
                    <th className="text-right font-[650]">Weight</th>
                  </tr>
                </thead>
                <tbody>
                  {results.byVerdict.map(({ verdict, amount }) => (
                    <tr key={verdict} className="border-t border-line">
                      <th scope="row" className="py-1 text-left font-[650]">
                        {verdictWords[verdict]}
                      </th>
                      <td className="measure text-right">{amount.count}</td>
                      <td className="measure text-right">{formatLitres(amount.litres)}</td>
                      <td className="measure text-right">{formatMass(amount.massG)}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </section>
            <div className="grid grid-cols-1 gap-3">
              <section aria-label="By reason" className="panel p-4">
                <h2 className="mb-1 text-[17px]">Why</h2>
                {results.byReason.length === 0 && (
                  <p className="text-[14px] text-soft">No reason was given yet.</p>
                )}
                <ul className="text-[14.5px]">
                  {results.byReason.slice(0, 8).map(({ reason, amount }) => (
                    <li
                      key={reason}
                      className="flex justify-between gap-3 border-t border-line py-1 first:border-t-0"
                    >
                      <span>{reasonWords[reason]}</span>
                      <span className="text-soft">
                        <b className="font-mono text-ink">{amount.count}</b> ·{' '}
                        {formatLitres(amount.litres)}
                      </span>
                    </li>
                  ))}
                </ul>
              </section>
              {results.stretches.length > 1 && (
                <section aria-label="Pace" className="panel p-4">
                  <h2 className="mb-1 text-[17px]">Decisions in ten minutes</h2>
                  <PaceChart
                    rows={results.stretches.map(({ startedAt, count }) => ({
                      at: formatDate(parseISO(startedAt), 'HH:mm'),
                      count,
                    }))}
                  />
                </section>
              )}
            </div>
          </div>
        </>
      )}
    </>
  );
}

function Figure({ label, value, note }: { label: string; value: string; note: string }) {
  return (
    <div className="panel border-t-4 border-t-rim px-4 py-2.5">
      <dt className="sr-only">{label}</dt>
      <dd>
        <span className="font-mono text-[26px] leading-tight font-[650]">{value}</span>{' '}
        <span className="text-[14px]">{label}</span>
        <span className="block text-[13px] text-soft">{note}</span>
      </dd>
    </div>
  );
}

const dayOf = (session: Session): string => formatDate(parseISO(session.startedAt), 'd MMM, HH:mm');

function SessionChoice({
  sessions,
  session,
  href,
}: Pick<ResultsViewProps, 'sessions' | 'session' | 'href'>) {
  if (sessions.length === 0)
    return (
      <p className="mb-3 text-[14.5px] text-soft">
        No session was held in this room. Start one at the bench; decisions without a session are in
        the room’s results.
      </p>
    );
  return (
    <nav aria-label="Session" className="mb-3 flex flex-wrap gap-1.5 text-[14px]">
      {[...sessions]
        .reverse()
        .slice(0, 8)
        .map((each) => (
          <Link
            key={each.id}
            href={`${href}?of=session&session=${each.id}`}
            aria-current={each.id === session?.id ? 'page' : undefined}
            className={choiceLook(each.id === session?.id, 'py-1.5')}
          >
            {dayOf(each)}, {methodWords(each.method)}
            {each.endedAt === null ? ', going on' : ''}
          </Link>
        ))}
    </nav>
  );
}
