'use client';

import clsx from 'clsx';
import { parseISO } from 'date-fns';
import { CalendarPlus, Coffee, LogIn, LogOut, Pencil, Pin, Play, Undo2, X } from 'lucide-react';

import type { Terms } from '@/core/agree';
import { formatCount, formatDate } from '@/core/shared';
import {
  breakMinutesOf,
  findEnergyFaults,
  stretchMinutesOf,
  visitMinutesOf,
  visitStateOf,
  type BringLine,
  type Visit,
  type VisitMark,
  type VisitWork,
} from '@/core/visits';
import { visitWith } from '@/core/field';
import type { ActionResult } from '../actionResult';
import { hoursWords } from '../agree/agreeWords';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { Button } from '../primitives/Button';
import { TextField } from '../primitives/Field';
import { useNow } from '../primitives/useNow';
import { useMutation } from '../useMutation';
import { useTypedForm } from '../useTypedForm';
import { visitNotesSchema } from './visitForm';
import { Packing, TickLine } from './Packing';
import type { SectionChoice } from './VisitSheet';
import { energyWords, ranWords, timesWords, visitDayWords, workWords } from './visitWords';

export interface VisitActs {
  readonly onRemove: (visitId: string) => Promise<ActionResult>;
}

interface VisitCardProps {
  readonly visit: Visit;
  readonly sections: readonly SectionChoice[];
  readonly isToday: boolean;
  readonly terms: Terms;
  readonly bring: readonly BringLine[];
  /** What happened between arriving and leaving. */
  readonly work: VisitWork;
  readonly acts: VisitActs;
  readonly onEdit: () => void;
}

/** One visit: its plan, and its taps on the day. */
export function VisitCard({
  visit: kept,
  sections,
  isToday,
  terms,
  bring,
  work,
  acts,
  onEdit,
}: VisitCardProps) {
  const { mutate, isPending } = useMutation();
  const visit = visitWith(kept, useWaitingCommands());
  const state = visitStateOf(visit);
  const own = visit.sectionIds.flatMap((id) => sections.find((section) => section.id === id) ?? []);
  const isLive = isToday || state === 'here' || state === 'break';
  return (
    <li
      id={visit.id}
      className={clsx('panel p-3.5', isLive && state !== 'lived' && 'border-t-4 border-t-rim')}
      aria-label={`Visit, ${visitDayWords(visit.day)}`}
    >
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="text-[17px]">
          {visitDayWords(visit.day)}
          {isToday && <span className="text-rim-deep">, today</span>}
        </h3>
        <span className="font-mono text-[14px]">{timesWords(visit)}</span>
        {visit.isPinned && (
          <span className="inline-flex items-center gap-1 text-[13.5px] text-soft">
            <Pin size={14} aria-hidden="true" /> pinned
          </span>
        )}
        <span className="ml-auto flex">
          <a
            aria-label={`Calendar file of the visit of ${visitDayWords(visit.day)}`}
            title="Calendar file"
            className="grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
            href={`/api/projects/${visit.projectId}/visits?as=ics&visit=${visit.id}`}
          >
            <CalendarPlus size={16} />
          </a>
          <button
            type="button"
            aria-label={`Change the visit of ${visitDayWords(visit.day)}`}
            className="grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
            onClick={onEdit}
          >
            <Pencil size={16} />
          </button>
          <button
            type="button"
            aria-label={`Remove the visit of ${visitDayWords(visit.day)}`}
            disabled={isPending}
            className="grid size-9 place-items-center rounded hover:bg-well max-md:size-12"
            onClick={() => void mutate(() => acts.onRemove(visit.id), { offersUndo: true })}
          >
            <X size={17} />
          </button>
        </span>
      </div>
      {own.length > 0 && (
        <p className="text-[14.5px]">
          {own.map(({ name, roomName }) => `${name}, ${roomName.toLowerCase()}`).join(' · ')}
        </p>
      )}
      <p className="text-[14px] text-soft">{planWords(visit)}</p>
      {state !== 'lived' &&
        warningsOf(visit, own, terms).map((words) => (
          <p key={words} className="warn mt-1.5">
            {words}
          </p>
        ))}
      {state !== 'lived' && bring.length > 0 && (
        <Packing visit={visit} bring={bring} isOpen={isLive} />
      )}
      {state !== 'planned' && own.length > 0 && (
        <Finished visit={visit} sections={own} isOpen={isLive} />
      )}
      {workWords(work) !== '' && <p className="mt-1 text-[14px]">{workWords(work)}</p>}
      {isLive && <Taps visit={visit} terms={terms} />}
      {state === 'lived' && <Lived visit={visit} />}
    </li>
  );
}

/** What is wrong with a plan: what it was for is done, or it asks too much of the client. */
const warningsOf = (
  visit: Visit,
  own: readonly SectionChoice[],
  { days }: Terms,
): readonly string[] => [
  ...(visitStateOf(visit) === 'planned' && own.length > 0 && own.every(({ isDone }) => isDone)
    ? ['What it was planned for is finished: change it, or remove it.']
    : []),
  ...(visit.clientThere
    ? findEnergyFaults(
        own.filter(({ isDone }) => !isDone),
        {
          mostHardMinutes: days.mostHardMinutes,
          visitMinutes: visit.toMinute - visit.fromMinute,
        },
      ).map(energyWords)
    : []),
];

const planWords = (visit: Visit): string =>
  [
    visit.people.join(', ') || 'nobody is named yet',
    visit.clientThere ? 'the client is there' : 'without the client',
    visit.parking && `park: ${visit.parking}`,
    visit.prepare && `the client prepares: ${visit.prepare}`,
  ]
    .filter(Boolean)
    .join(' · ');

/** The sections of a visit, ticked where they were finished on it. */
function Finished({
  visit,
  sections,
  isOpen,
}: {
  readonly visit: Visit;
  readonly sections: readonly SectionChoice[];
  readonly isOpen: boolean;
}) {
  const { act } = useFieldAct();
  const done = sections.filter(({ id }) => visit.doneSectionIds.includes(id)).length;
  return (
    <details open={isOpen} className="mt-1">
      <summary className="min-h-9 content-center text-[14px] text-rim max-md:min-h-12">
        Finished: {done} of {formatCount(sections.length, 'section')}
      </summary>
      <ul>
        {sections.map(({ id, name, roomName }) => (
          <li key={`${id} ${visit.doneSectionIds.includes(id)}`}>
            <TickLine
              isTicked={visit.doneSectionIds.includes(id)}
              onTick={() =>
                act({
                  kind: 'section_done',
                  visitId: visit.id,
                  sectionId: id,
                  isDone: !visit.doneSectionIds.includes(id),
                })
              }
            >
              {name}, {roomName.toLowerCase()}
            </TickLine>
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Arriving, breaks and leaving, one tap each, with the time at work. */
function Taps({ visit, terms }: Pick<VisitCardProps, 'visit' | 'terms'>) {
  const { act, isPending } = useFieldAct();
  const now = useNow(20_000);
  const state = visitStateOf(visit);
  const tap = (mark: VisitMark) => void act({ kind: 'visit_mark', visitId: visit.id, mark });
  if (state === 'lived') return null;
  if (state === 'planned')
    return (
      <Button
        look="main"
        className="mt-2 min-h-12"
        disabled={isPending}
        onClick={() => tap('arrive')}
      >
        <LogIn size={18} aria-hidden="true" /> Arrived
      </Button>
    );
  const at = now === undefined ? (visit.arrivedAt ?? '') : now.toISOString();
  const isBreakDue = stretchMinutesOf(visit, at) >= terms.days.stretchMinutes;
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      <p className="mr-2" role="status">
        <b className="font-mono text-[20px]">{ranWords(visitMinutesOf(visit, at) ?? 0)}</b>{' '}
        <span className="text-[14px] text-soft">
          at work
          {visit.breaks.length > 0 && `, breaks ${ranWords(breakMinutesOf(visit, at))}`}
        </span>
        {isBreakDue && <b className="block text-[14px] text-signal-deep">A break is due.</b>}
      </p>
      {state === 'here' ? (
        <Button className="min-h-12" disabled={isPending} onClick={() => tap('break')}>
          <Coffee size={18} aria-hidden="true" /> Break
        </Button>
      ) : (
        <Button look="main" className="min-h-12" disabled={isPending} onClick={() => tap('goOn')}>
          <Play size={18} aria-hidden="true" /> Go on
        </Button>
      )}
      <Button className="min-h-12" disabled={isPending} onClick={() => tap('leave')}>
        <LogOut size={18} aria-hidden="true" /> Left
      </Button>
    </div>
  );
}

/** How long it was, and what is noted of it. */
function Lived({ visit }: Pick<VisitCardProps, 'visit'>) {
  const { act, send } = useFieldAct();
  const clocked = visitMinutesOf({ ...visit, correctedMinutes: null }, visit.leftAt ?? '') ?? 0;
  const pause = breakMinutesOf(visit, visit.leftAt ?? '');
  const { register, errors, submit, isSaving } = useTypedForm({
    schema: visitNotesSchema,
    start: {
      done: visit.done,
      promised: visit.promised,
      next: visit.next,
      hours: visit.correctedMinutes === null ? '' : String(visit.correctedMinutes / 60),
    },
    save: (_, { hours, ...notes }) =>
      send({
        kind: 'visit_noted',
        visitId: visit.id,
        ...notes,
        correctedMinutes: hours === null ? null : Math.round(hours * 60),
      }),
  });
  return (
    <>
      <p className="mt-1 text-[14.5px]">
        <b className="font-mono">{hoursWords(visit.correctedMinutes ?? clocked)}</b> at work
        <span className="text-soft">
          {clockedWords(visit)}
          {visit.correctedMinutes !== null && `, corrected; the clock ran ${ranWords(clocked)}`}
          {pause > 0 && `, breaks ${ranWords(pause)}`}
        </span>
      </p>
      <details>
        <summary className="min-h-9 content-center text-[14px] text-rim max-md:min-h-12">
          What was done, promised, and is next
        </summary>
        <form className="grid gap-2 pt-1 sm:grid-cols-2" noValidate onSubmit={submit}>
          <TextField label="Done" error={errors.done?.message} {...register('done')} />
          <TextField label="Promised" error={errors.promised?.message} {...register('promised')} />
          <TextField label="Next" error={errors.next?.message} {...register('next')} />
          <TextField
            label="Hours at work, if the clock is wrong"
            measure
            inputMode="decimal"
            placeholder={String(Math.round(clocked / 6) / 10)}
            error={errors.hours?.message}
            {...register('hours')}
          />
          <div className="flex flex-wrap gap-2 sm:col-span-2">
            <Button type="submit" disabled={isSaving}>
              Keep
            </Button>
            <Button
              onClick={() => void act({ kind: 'visit_mark', visitId: visit.id, mark: 'goBack' })}
            >
              <Undo2 size={16} aria-hidden="true" /> Not over yet
            </Button>
          </div>
        </form>
      </details>
    </>
  );
}

/** `, 9:05 to 12:40`: the clock of whoever looks, as it was. */
const clockedWords = ({ arrivedAt, leftAt }: Visit): string =>
  arrivedAt !== null && leftAt !== null
    ? `, ${formatDate(parseISO(arrivedAt), 'H:mm')} to ${formatDate(parseISO(leftAt), 'H:mm')}`
    : '';
