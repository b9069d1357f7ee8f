import type { RoomProgress } from '@/core/desk';
import { formatCount, formatLitres, formatMass } from '@/core/shared';
import {
  addUp,
  leavesHome,
  leavingStatesOf,
  openDebts,
  sumLeaving,
  waitsForClient,
  type Carry,
  type OpenLists,
  type Thing,
} from '@/core/sort';
import { sayLeaving } from './sortWords';
import { nextStepWords } from '../shell/stepWords';
import { Link } from '../primitives/Link';

interface SortTrayProps {
  readonly things: readonly Thing[];
  readonly carries: readonly Carry[];
  readonly progress: RoomProgress;
  readonly outOfScopeNames: readonly string[];
  readonly lists: OpenLists;
  /** The addresses of sorting in this room and in the home; their pages stand behind them. */
  readonly href: string;
  readonly homeHref: string;
}

/** What must not be forgotten while sorting: the pictures, the questions, what has left. */
export function SortTray({
  things,
  carries,
  progress,
  outOfScopeNames,
  lists,
  href,
  homeHref,
}: SortTrayProps) {
  const pictures = progress.next.filter(
    (next) => next.code === 'take_before' || next.code === 'add_vantage_point',
  );
  const states = sumLeaving(things, leavingStatesOf(things, carries), leavesHome);
  const leaving = addUp(Object.values(states));
  const debts = openDebts(carries).length;
  const questions = things.filter(waitsForClient);
  return (
    <>
      {pictures.map((next, i) => (
        <p key={i} className="warn">
          <b>Before anyone moves anything:</b> {nextStepWords(next)}. What is moved cannot be
          photographed any more.
        </p>
      ))}
      {outOfScopeNames.length > 0 && (
        <p className="text-[14px] text-soft">Not this time: {outOfScopeNames.join(', ')}.</p>
      )}
      {leaving.count > 0 && (
        <section>
          <h2 className="caption mb-1 font-text">Leaves the home</h2>
          <p>
            <b className="font-mono text-[20px]">{leaving.count}</b>{' '}
            <span className="text-[14px] text-soft">
              {leaving.count === 1 ? 'thing' : 'things'} · {formatLitres(leaving.litres)} ·{' '}
              {formatMass(leaving.massG)}
            </span>
          </p>
          <p className="text-[14px] text-soft">{sayLeaving(states)}</p>
        </section>
      )}
      {questions.length > 0 && (
        <section>
          <h2 className="caption mb-1 font-text">
            {formatCount(questions.length, 'question')} for the client
          </h2>
          <ul className="grid gap-1 text-[14.5px]">
            {questions.slice(0, 6).map((thing) => (
              <li key={thing.id}>
                {thing.count === 1 ? '' : `${thing.count} `}
                {thing.name}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section>
        <h2 className="caption mb-1 font-text">What waits</h2>
        <Link
          href={homeHref}
          className="block rounded py-1 text-[14.5px] leading-snug text-rim underline underline-offset-3 max-md:min-h-12"
        >
          {lists.comingIn.length} coming in, {lists.noHome.length} without a home,{' '}
          {lists.ask.length} to ask, {lists.later.length} for later
          {debts > 0 && `, ${debts} out unsorted`}
        </Link>
      </section>
      <nav aria-label="Pages of sorting" className="flex flex-wrap gap-x-4">
        {(
          [
            [`${homeHref}/count`, 'How many are enough'],
            [`${href}/dates`, 'Dates'],
            [`${href}/results`, 'Results'],
          ] as const
        ).map(([page, label]) => (
          <Link
            key={page}
            href={page}
            className="py-1 text-[14.5px] text-rim underline underline-offset-3 max-md:min-h-12"
          >
            {label}
          </Link>
        ))}
      </nav>
    </>
  );
}
