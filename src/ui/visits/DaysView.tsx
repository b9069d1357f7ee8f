'use client';

import { Plus } from 'lucide-react';
import { useState } from 'react';

import type { Terms } from '@/core/agree';
import { formatCount } from '@/core/shared';
import { visitStateOf, type BringLine, type DaysAnswer, type Visit } from '@/core/visits';
import type { ActionResult } from '../actionResult';
import { Button, buttonClass } from '../primitives/Button';
import { DaysTerms } from './DaysTerms';
import { ProposeDays } from './ProposeDays';
import { VisitCard, type VisitActs } from './VisitCard';
import {
  emptyVisit,
  toTypedDays,
  toTypedVisit,
  type DaysTyped,
  type VisitTyped,
} from './visitForm';
import { VisitSheet, type SectionChoice } from './VisitSheet';

interface DaysViewProps {
  readonly projectId: string;
  readonly visits: readonly Visit[];
  /** In the order of the work, those that are not done. */
  readonly sections: readonly SectionChoice[];
  /** By visit, of those that are not over. */
  readonly bring: Readonly<Record<string, readonly BringLine[]>>;
  readonly terms: Terms;
  readonly readyBy: string | null;
  readonly today: string;
  readonly acts: VisitActs & {
    readonly onSave: (typed: VisitTyped) => Promise<ActionResult>;
    readonly onAsk: () => Promise<ActionResult<DaysAnswer>>;
    readonly onTake: (visits: DaysAnswer['visits']) => Promise<ActionResult>;
    readonly onTerms: (typed: DaysTyped) => Promise<ActionResult>;
  };
}

/** The days of a home: today, those planned, and those lived. */
export function DaysView(props: DaysViewProps) {
  const { projectId, visits, sections, bring, terms, readyBy, today, acts } = props;
  const [edited, setEdited] = useState<VisitTyped>();
  const isOver = (visit: Visit) => visitStateOf(visit) === 'lived';
  const isLive = (visit: Visit) =>
    !isOver(visit) && (visit.day === today || visit.arrivedAt !== null);
  const missed = visits.filter((visit) => visit.day < today && visitStateOf(visit) === 'planned');
  const lists: readonly (readonly [string, readonly Visit[]])[] = [
    ['Today', visits.filter(isLive)],
    ['Planned and gone by: was it lived? Move it, or remove it', missed],
    ['Planned', visits.filter((visit) => !isOver(visit) && !isLive(visit) && visit.day > today)],
    ['Lived', visits.filter(isOver).toReversed()],
  ];
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
      {lists.map(([title, list]) =>
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
                  acts={acts}
                  onEdit={() => setEdited(toTypedVisit(visit))}
                />
              ))}
            </ul>
          </section>
        ),
      )}
      <ProposeDays readyBy={readyBy} sections={sections} onAsk={acts.onAsk} onTake={acts.onTake} />
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
