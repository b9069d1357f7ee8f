'use client';

import {
  DndContext,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import clsx from 'clsx';
import { Check, Pin } from 'lucide-react';
import type { KeyboardEvent } from 'react';

import { addDays, daysBetween, weekdayOf } from '@/core/shared';
import { visitDayWords, WEEKDAYS } from './visitWords';

/** A visit as it stands on the board. */
export interface BoardVisit {
  readonly id: string;
  readonly day: string;
  readonly times: string;
  /** The home, or what is to be done. */
  readonly title: string;
  readonly note: string;
  readonly state: 'lived' | 'here' | 'planned' | 'pinned' | 'proposed' | 'replaced';
}
/** What else falls on a day. */
export interface DayMark {
  readonly day: string;
  readonly words: string;
  readonly kind: 'ready' | 'away' | 'due';
}

interface WeeksBoardProps {
  readonly today: string;
  readonly visits: readonly BoardVisit[];
  readonly marks: readonly DayMark[];
  /** A planned visit is put on another day: by dragging, or with Shift and an arrow key. */
  readonly onMove: (visitId: string, day: string) => void;
  readonly onOpen: (visitId: string) => void;
}

const LEAST_WEEKS = 3;
const MOST_WEEKS = 16;
const STEPS: Readonly<Record<string, number>> = {
  ArrowLeft: -1,
  ArrowRight: 1,
  ArrowUp: -7,
  ArrowDown: 7,
};

/** Weeks below each other, a column a day: visits are dragged from day to day. */
export function WeeksBoard({ today, visits, marks, onMove, onOpen }: WeeksBoardProps) {
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 6 } }));
  const monday = addDays(today, 1 - weekdayOf(today));
  const last = [...visits, ...marks].reduce(
    (day, each) => (each.day > day ? each.day : day),
    today,
  );
  const count = Math.min(
    MOST_WEEKS,
    Math.max(LEAST_WEEKS, Math.floor(daysBetween(monday, last) / 7) + 1),
  );
  const isMovable = ({ state }: BoardVisit) =>
    state === 'planned' || state === 'pinned' || state === 'replaced';
  const move = (visit: BoardVisit | undefined, day: string) => {
    if (visit && isMovable(visit) && day >= today && day !== visit.day) onMove(visit.id, day);
  };
  const drop = ({ active, over }: DragEndEvent) => {
    if (over)
      move(
        visits.find(({ id }) => id === active.id),
        String(over.id),
      );
  };
  return (
    <DndContext id="weeks" sensors={sensors} onDragEnd={drop}>
      <table className="w-full table-fixed border-collapse max-md:hidden" aria-label="Weeks">
        <thead>
          <tr>
            {WEEKDAYS.map((name) => (
              <th key={name} className="caption pb-1 text-left font-[650]">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: count }, (_, week) => (
            <tr key={week}>
              {WEEKDAYS.map((name, i) => {
                const day = addDays(monday, week * 7 + i);
                return (
                  <DayCell
                    key={name}
                    day={day}
                    today={today}
                    marks={marks.filter((mark) => mark.day === day)}
                  >
                    {visits
                      .filter((visit) => visit.day === day)
                      .map((visit) => (
                        <VisitChip
                          key={visit.id}
                          visit={visit}
                          isMovable={isMovable(visit)}
                          onOpen={() => onOpen(visit.id)}
                          onStep={(by) => move(visit, addDays(visit.day, by))}
                        />
                      ))}
                  </DayCell>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </DndContext>
  );
}

function DayCell({
  day,
  today,
  marks,
  children,
}: {
  readonly day: string;
  readonly today: string;
  readonly marks: readonly DayMark[];
  readonly children: React.ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: day, disabled: day < today });
  const isAway = marks.some(({ kind }) => kind === 'away');
  const [, month = '', date = ''] = day.split('-');
  const isFirst = date === '01' || day === today;
  return (
    <td
      ref={setNodeRef}
      className={clsx(
        'h-[76px] border border-line p-1 align-top',
        day < today && 'bg-well/60',
        isAway && 'bg-well',
        day === today && 'shadow-[inset_0_3px_0_var(--color-rim)]',
        isOver && 'bg-rim-wash',
      )}
    >
      <span
        data-day={day}
        className={clsx('block text-[13px]', day === today ? 'font-bold' : 'text-soft')}
      >
        {isFirst ? visitDayWords(day).slice(4) : `${Number(date)}`}
        <span className="sr-only">{isFirst ? '' : ` of month ${Number(month)}`}</span>
      </span>
      {children}
      {marks.map(({ words, kind }) => (
        <span
          key={words}
          className={clsx(
            'mt-0.5 block text-[13px] leading-tight',
            kind === 'ready' ? 'font-[650] text-signal-deep' : 'text-soft',
          )}
        >
          {words}
        </span>
      ))}
    </td>
  );
}

const CHIP_LOOKS: Readonly<Record<BoardVisit['state'], string>> = {
  lived: 'border-line bg-well text-soft',
  here: 'border-rim bg-rim text-white',
  planned: 'border-rim bg-sheet',
  pinned: 'border-rim bg-rim-wash',
  proposed: 'border-dashed border-rim bg-transparent',
  replaced: 'border-line bg-transparent text-soft line-through',
};

const STATE_WORDS: Readonly<Record<BoardVisit['state'], string>> = {
  lived: 'lived',
  here: 'under way',
  planned: 'planned',
  pinned: 'pinned',
  proposed: 'proposed',
  replaced: 'planned, the proposal puts others in its place',
};

function VisitChip({
  visit,
  isMovable,
  onOpen,
  onStep,
}: {
  readonly visit: BoardVisit;
  readonly isMovable: boolean;
  readonly onOpen: () => void;
  readonly onStep: (days: number) => void;
}) {
  const { setNodeRef, listeners, transform, isDragging } = useDraggable({
    id: visit.id,
    disabled: !isMovable,
  });
  const keys = (event: KeyboardEvent) => {
    const by = event.shiftKey ? STEPS[event.key] : undefined;
    if (by === undefined || !isMovable) return;
    event.preventDefault();
    onStep(by);
  };
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...listeners}
      className={clsx(
        'mt-1 block w-full rounded-[4px] border-[1.5px] px-1.5 py-1 text-left text-[13px] leading-tight',
        CHIP_LOOKS[visit.state],
        isMovable && 'cursor-grab touch-none',
        isDragging && 'relative z-10 shadow-lg',
      )}
      style={transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined}
      aria-label={`${visitDayWords(visit.day)}, ${visit.times}, ${visit.title}, ${STATE_WORDS[visit.state]}`}
      title={isMovable ? 'Drag it to another day, or Shift and an arrow key' : undefined}
      onKeyDown={keys}
      onClick={onOpen}
      disabled={visit.state === 'proposed'}
    >
      <span className="flex items-center gap-1 whitespace-nowrap">
        {visit.times}
        {visit.state === 'pinned' && <Pin size={12} aria-hidden="true" />}
        {visit.state === 'lived' && <Check size={13} aria-hidden="true" />}
      </span>
      <span className="block truncate font-[650]">{visit.title}</span>
      {visit.note !== '' && <span className="block truncate">{visit.note}</span>}
    </button>
  );
}
