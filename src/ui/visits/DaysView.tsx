'use client';

import { Plus } from 'lucide-react';
import { useState } from 'react';

import type { Terms } from '@/core/agree';
import { formatCount } from '@/core/shared';
import {
  visitStateOf,
  type BringLine,
  type OrderLine,
  type Visit,
  type VisitWork,
} from '@/core/visits';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { DaysTerms } from './DaysTerms';
import { Proposal } from './Proposal';
import { VisitCard, type VisitActs } from './VisitCard';
import {
  emptyVisit,
  toTypedDays,
  toTypedVisit,
  type DaysTyped,
  type VisitTyped,
} from './visitForm';
import { VisitSheet, type SectionChoice } from './VisitSheet';
import { WeeksBoard, type BoardVisit, type DayMark } from './WeeksBoard';
import { toBoardVisits, useProposal, type ProposalActs } from './useProposal';
import { orderByWords, timesWords, visitDayWords } from './visitWords';
import { boardStateOf } from './boardState';
import { hoursWords } from '../agree/agreeWords';

interface DaysViewProps {
  readonly projectId: string;
  readonly visits: readonly Visit[];
  /** In the order of the work, those that are not done. */
  readonly sections: readonly SectionChoice[];
  /** By visit, of those that are not over. */
  readonly bring: Readonly<Record<string, readonly BringLine[]>>;
  /** By visit, of those that are not only planned. */
  readonly work: Readonly<Record<string, VisitWork>>;
  /** What of the open work is in no visit. */
  readonly unplanned: readonly { readonly sectionId: string; readonly minutes: number }[];
  /** What has to be ordered, by the day by which at the latest. */
  readonly orders: readonly OrderLine[];
  readonly terms: Terms;
  readonly readyBy: string | null;
  readonly today: string;
  readonly acts: VisitActs & {
    readonly onSave: (typed: VisitTyped) => Promise<ActionResult>;
    readonly onMove: (visitId: string, day: string) => Promise<ActionResult>;
    readonly onTerms: (typed: DaysTyped) => Promise<ActionResult>;
  } & ProposalActs;
}

/** The days of a home: today, those planned, and those lived. */
export function DaysView(props: DaysViewProps) {
  const { projectId, visits, sections, bring, work, terms, readyBy, today, acts } = props;
  const [edited, setEdited] = useState<VisitTyped>();
  const { proposal, isPending, ask, take, leave, change } = useProposal(acts);
  const isOver = (visit: Visit) => visitStateOf(visit) === 'lived';
  const isLive = (visit: Visit) =>
    !isOver(visit) && (visit.day === today || visit.arrivedAt !== null);
  const missed = visits.filter((visit) => visit.day < today && visitStateOf(visit) === 'planned');
  const nowLists: readonly NamedList[] = [
    ['Today', visits.filter(isLive)],
    ['Planned and gone by: was it lived? Move it, or remove it', missed],
  ];
  const laterLists: readonly NamedList[] = [
    ['Planned', visits.filter((visit) => !isOver(visit) && !isLive(visit) && visit.day > today)],
    ['Lived', visits.filter(isOver).toReversed()],
  ];
  // Without a visit what follows is another plan.
  const remove = async (visitId: string) => {
    const result = await acts.onRemove(visitId);
    if (result.ok) void ask();
    return result;
  };
  const toList = ([title, list]: NamedList) =>
    list.length === 0 ? null : (
      <section key={title} aria-label={title}>
        <h2 className="mb-1.5 text-[18px]">
          {title} <span className="text-soft">{formatCount(list.length, 'visit')}</span>
        </h2>
        <ul className="grid gap-2.5">
          {list.map((visit) => (
            <VisitCard
              key={`${visit.id} ${visit.leftAt}`}
              visit={visit}
              sections={sections}
              isToday={visit.day === today}
              terms={terms}
              bring={bring[visit.id] ?? []}
              work={work[visit.id] ?? NO_WORK}
              acts={{ ...acts, onRemove: remove }}
              onEdit={() => setEdited(toTypedVisit(visit))}
            />
          ))}
        </ul>
      </section>
    );
  return (
    <div className="grid gap-4">
      <div className="flex flex-wrap items-center gap-2.5">
        <h1 className="mr-auto text-[24px]">Days</h1>
        <Button onClick={() => setEdited(emptyVisit(today, terms, []))}>
          <Plus size={16} aria-hidden="true" /> Plan a visit
        </Button>
        {visits.length > 0 && (
          <>
            <a className={buttonClass('quiet')} href={`/api/projects/${projectId}/visits?as=ics`}>
              Calendar file
            </a>
            <a className={buttonClass('quiet')} href={`/api/projects/${projectId}/visits?as=csv`}>
              Time sheet, CSV
            </a>
          </>
        )}
      </div>
      {nowLists.map(toList)}
      <WeeksBoard
        today={today}
        visits={[
          ...visits.map((visit) =>
            toBoardVisit(visit, {
              sections,
              state: boardStateOf(visit, {
                isReplaced: (proposal?.answer.visits.length ?? 0) > 0,
                today,
              }),
            }),
          ),
          ...(proposal ? toBoardVisits(proposal) : []),
        ]}
        marks={marksOf(terms, readyBy)}
        onMove={(id, day) => void change(() => acts.onMove(id, day))}
        onOpen={(id) => {
          const visit = visits.find((each) => each.id === id);
          if (visit) setEdited(toTypedVisit(visit));
        }}
      />
      {!proposal && <Unplanned {...props} hasVisits={visits.length > 0} />}
      <Proposal
        proposal={proposal}
        leads={{ [projectId]: terms.days.people[0] ?? '' }}
        isPending={isPending}
        onAsk={() => void ask()}
        onTake={() => void take()}
        onLeave={leave}
      />
      <OrderBy orders={props.orders} terms={terms} today={today} />
      {laterLists.map(toList)}
      <DaysTerms typed={toTypedDays(terms)} onSave={acts.onTerms} />
      {edited && (
        <VisitSheet
          key={edited.id}
          typed={edited}
          sections={sections}
          onSave={acts.onSave}
          onDone={() => setEdited(undefined)}
        />
      )}
    </div>
  );
}

type NamedList = readonly [title: string, visits: readonly Visit[]];

const NO_WORK: VisitWork = {
  decidedCount: 0,
  keptCount: 0,
  sessionCount: 0,
  moveCount: 0,
  boxCount: 0,
  purchaseCount: 0,
};

const toBoardVisit = (
  visit: Visit,
  { sections, state }: { sections: readonly SectionChoice[]; state: BoardVisit['state'] },
): BoardVisit => ({
  id: visit.id,
  day: visit.day,
  times: timesWords(visit),
  title:
    visit.sectionIds
      .flatMap((id) => sections.find((section) => section.id === id)?.name ?? [])
      .join(', ') || 'Visit',
  note: visit.people.join(', '),
  state,
});

const marksOf = ({ days }: Terms, readyBy: string | null): DayMark[] => [
  ...days.clientAway.map((day) => ({ day, words: 'the client cannot', kind: 'away' as const })),
  ...(readyBy === null ? [] : [{ day: readyBy, words: 'has to be ready', kind: 'ready' as const }]),
];

/** What is left over and in no visit: after a visit that ran late, or one that was left out. */
function Unplanned({
  unplanned,
  sections,
  hasVisits,
}: Pick<DaysViewProps, 'unplanned' | 'sections'> & { readonly hasVisits: boolean }) {
  const minutes = unplanned.reduce((sum, each) => sum + each.minutes, 0);
  if (!hasVisits || minutes < LEAST_TOLD_MINUTES) return null;
  const names = unplanned.map(
    ({ sectionId, minutes: left }) =>
      `${sections.find(({ id }) => id === sectionId)?.name ?? 'a section'} ${hoursWords(left)}`,
  );
  return (
    <p className="warn" role="status">
      <b>In no visit yet: about {hoursWords(minutes)}</b> ({names.join(', ')}). Propose days to see
      what follows.
    </p>
  );
}
const LEAST_TOLD_MINUTES = 15;

/** The latest day to order each thing, counted back from the visit that sets its room up. */
function OrderBy({
  orders,
  terms,
  today,
}: {
  readonly orders: readonly OrderLine[];
  readonly terms: Terms;
  readonly today: string;
}) {
  if (orders.length === 0) return null;
  const { orderLowDays, orderHighDays } = terms.days;
  return (
    <section aria-label="Order by" className="panel p-4">
      <h2 className="text-[18px]">Order by</h2>
      <p className="mt-0.5 text-[14px] text-soft">
        Counted back from the last visit planned in the room; orders take {orderLowDays} to{' '}
        {orderHighDays} days, as set below.
      </p>
      <ul className="mt-1 divide-y divide-line">
        {orders.map((order) => (
          <li key={order.roomName} className="py-1.5 text-[14.5px]">
            <b>{orderByWords(order, today)}</b>: {order.names.join(', ')}{' '}
            <span className="text-soft">
              for {order.roomName.toLowerCase()} on {visitDayWords(order.neededOn)}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
