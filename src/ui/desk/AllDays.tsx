'use client';

import { useRouter } from 'next/navigation';

import type { DueThing } from '@/core/desk';
import { isSamePerson, visitStateOf, type Visit, type Worker } from '@/core/visits';
import type { ActionResult } from '../actionResult';
import { buttonClass } from '../primitives/Button';
import { Link } from '../primitives/Link';
import { boardStateOf } from '../visits/boardState';
import { Proposal } from '../visits/Proposal';
import {
  replacedHomesOf,
  toBoardVisits,
  useProposal,
  type ProposalActs,
} from '../visits/useProposal';
import type { WorkerTyped } from '../visits/visitForm';
import { timesWords, visitDayWords } from '../visits/visitWords';
import { WeeksBoard, type BoardVisit, type DayMark } from '../visits/WeeksBoard';
import { CalendarAddress } from './CalendarAddress';
import { dueWords } from './dueWords';
import { Workers } from './Workers';

interface AllDaysProps {
  readonly today: string;
  readonly homes: readonly {
    readonly id: string;
    readonly name: string;
    readonly readyBy: string | null;
    readonly people: readonly string[];
    readonly due: readonly DueThing[];
  }[];
  readonly visits: readonly {
    readonly visit: Visit;
    readonly projectId: string;
    readonly homeName: string;
  }[];
  readonly workers: readonly Worker[];
  readonly acts: ProposalActs & {
    readonly onMove: (projectId: string, visitId: string, day: string) => Promise<ActionResult>;
    readonly onWorker: (name: string, typed: WorkerTyped) => Promise<ActionResult>;
    readonly onRemoveWorker: (name: string) => Promise<ActionResult>;
  };
}

/** The days of all homes together: who is where, what is due, and days worked out for all in one go. */
export function AllDays({ today, homes, visits, workers, acts }: AllDaysProps) {
  const { proposal, isPending, ask, take, leave, change } = useProposal(acts);
  const router = useRouter();
  const projectOf = (id: string) => visits.find(({ visit }) => visit.id === id)?.projectId ?? '';
  const names = [...homes.flatMap(({ people }) => people), ...workers.map(({ name }) => name)];
  return (
    <div className="mx-auto grid max-w-[1180px] gap-4">
      <div className="flex flex-wrap items-center gap-2.5">
        <h1 className="mr-auto text-[24px]">Days of all homes</h1>
        <a className={buttonClass('quiet')} href="/api/calendar" download="tin-box.ics">
          Calendar file, all homes
        </a>
      </div>
      <WeeksBoard
        today={today}
        visits={[
          ...visits.map(({ visit, homeName, projectId }): BoardVisit => ({
            id: visit.id,
            day: visit.day,
            times: timesWords(visit),
            title: homeName,
            note: visit.people.join(', '),
            state: boardStateOf(visit, {
              isReplaced: proposal !== undefined && replacedHomesOf(proposal).includes(projectId),
              today,
            }),
          })),
          ...(proposal ? toBoardVisits(proposal) : []),
        ]}
        marks={homes.flatMap(({ name, readyBy, due }): DayMark[] => [
          ...(readyBy === null || readyBy < today
            ? []
            : [{ day: readyBy, words: `${name} has to be ready`, kind: 'ready' as const }]),
          ...due
            .filter(({ day }) => day >= today)
            .map((each) => ({ day: each.day, words: dueWords(each), kind: 'due' as const })),
        ])}
        onMove={(id, day) => void change(() => acts.onMove(projectOf(id), id, day))}
        onOpen={(id) => router.push(`/projects/${projectOf(id)}/home/days`)}
      />
      <Agenda visits={visits} today={today} />
      <Proposal
        proposal={proposal}
        leads={Object.fromEntries(homes.map(({ id, people }) => [id, people[0] ?? '']))}
        isPending={isPending}
        onAsk={() => void ask()}
        onTake={() => void take()}
        onLeave={leave}
      />
      <Workers
        workers={workers}
        names={names.filter(
          (name, i) => names.findIndex((other) => isSamePerson(other, name)) === i,
        )}
        onSave={acts.onWorker}
        onRemove={acts.onRemoveWorker}
      />
      <CalendarAddress />
    </div>
  );
}

/** On a phone, where no week goes across: the visits that are still to come. */
function Agenda({ visits, today }: Pick<AllDaysProps, 'visits' | 'today'>) {
  const coming = visits.filter(
    ({ visit }) => visit.day >= today && visitStateOf(visit) !== 'lived',
  );
  if (coming.length === 0) return null;
  return (
    <ul className="panel divide-y divide-line px-3 md:hidden" aria-label="Visits to come">
      {coming.map(({ visit, homeName, projectId }) => (
        <li key={visit.id} className="py-1 text-[14.5px]">
          <Link
            href={`/projects/${projectId}/home/days`}
            className="flex min-h-12 flex-wrap items-center gap-x-3"
          >
            <b>{visitDayWords(visit.day)}</b>
            <span className="font-mono text-[14px]">{timesWords(visit)}</span>
            <span className="text-rim underline underline-offset-3">{homeName}</span>
            <span className="text-soft">{visit.people.join(', ')}</span>
          </Link>
        </li>
      ))}
    </ul>
  );
}
