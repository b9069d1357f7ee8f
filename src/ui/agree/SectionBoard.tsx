'use client';

import dynamic from 'next/dynamic';
import clsx from 'clsx';

import { ArrowDown, Check, ArrowUp, Pencil, Plus, X } from 'lucide-react';
import { useState } from 'react';

import { contentKinds, type ContentKind, type Section, type SectionEstimate } from '@/core/agree';
import type { ActionResult } from '../actionResult';
import { Checkbox } from '../primitives/Checkbox';
import { Button } from '../primitives/Button';
import { contentKindWords, hoursWords } from './agreeWords';
import type { SectionTyped } from './sectionForm';
import type { SectionRoom } from './SectionSheet';
import { useAtRest } from '../primitives/useAtRest';
import { useMutation } from '../useMutation';

const loadSheet = () => import('./SectionSheet');
const SectionSheet = dynamic(() => loadSheet().then((part) => part.SectionSheet));

interface SectionBoardProps {
  readonly estimates: readonly SectionEstimate[];
  readonly rooms: readonly SectionRoom[];
  /** Undefined where sections of every room are shown. */
  readonly activeRoomId: string | undefined;
  readonly onSave: (typed: SectionTyped) => Promise<ActionResult>;
  readonly onSuggest: (roomId: string) => Promise<ActionResult>;
  /** Undefined where the order is not to be changed: it is the home's. */
  readonly onMove: ((sectionId: string, way: 'up' | 'down') => Promise<ActionResult>) | undefined;
  readonly onRemove: (sectionId: string) => Promise<ActionResult>;
}

const FULLNESS = [50, 75, 100, 120, 150] as const;
const FULL_WORDS: Readonly<Record<number, string>> = {
  50: 'half full',
  75: 'three quarters',
  100: 'full',
  120: 'crammed',
  150: 'spilling out',
};

const toTyped = ({
  id,
  roomId,
  name,
  inScope,
  bayIds,
  content,
  fullPercent,
}: Section): SectionTyped => ({
  id,
  roomId,
  name,
  inScope,
  bayIds: [...bayIds],
  content,
  fullPercent,
});

/**
 * Sections in the order of the work, each with its time drawn to one scale; what is not done this
 * time stays to be seen.
 */
export function SectionBoard({
  estimates,
  rooms,
  activeRoomId,
  onSave,
  onSuggest,
  onMove,
  onRemove,
}: SectionBoardProps) {
  const { mutate, isPending } = useMutation();
  const [editing, setEditing] = useState<SectionTyped>();
  useAtRest(loadSheet);
  const longestMinutes = Math.max(60, ...estimates.map(({ highMinutes }) => highMinutes));
  const taken = new Set<string>(estimates.flatMap(({ section }) => section.bayIds));
  const hasLong = estimates.some(
    (each) => each.section.inScope && !each.isDone && !each.isOneVisit,
  );
  const undivided = rooms.filter(({ bays }) => bays.some(({ id }) => !taken.has(id)));
  const newRoomId = activeRoomId ?? rooms[0]?.id;
  return (
    <section aria-label="Sections">
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-2">
        <h2 className="text-[18px]">Sections, in the order of the work</h2>
        <p className="text-[13.5px] text-soft">
          {hasLong ? (
            <>
              <b className="text-signal-deep">Orange hours</b> are more than one visit: divide
              those, so that something is finished each time.
            </>
          ) : (
            'Each small enough to finish in one visit.'
          )}
        </p>
      </div>
      {estimates.length === 0 && (
        <p className="panel p-4 text-[15px]">
          Divide the rooms into sections that can be finished: the drawers one day, the cupboards
          another. Begin with one for each unit.
        </p>
      )}
      <ol className="grid gap-1.5">
        {estimates.map((estimate, i) => (
          <SectionRow
            key={estimate.section.id}
            estimate={estimate}
            roomName={rooms.find(({ id }) => id === estimate.section.roomId)?.name ?? ''}
            longestMinutes={longestMinutes}
            isHere={estimate.section.roomId === activeRoomId}
            isPending={isPending}
            isFirst={i === 0}
            isLast={i === estimates.length - 1}
            onChange={(change) =>
              void mutate(() => onSave({ ...toTyped(estimate.section), ...change }))
            }
            onEdit={() => setEditing(toTyped(estimate.section))}
            onMove={onMove && ((way) => void mutate(() => onMove(estimate.section.id, way)))}
            onRemove={() => void mutate(() => onRemove(estimate.section.id))}
          />
        ))}
      </ol>
      <div className="mt-2 flex flex-wrap gap-2">
        {undivided.map(({ id, name }) => (
          <Button
            key={id}
            look={estimates.length === 0 ? 'main' : 'quiet'}
            disabled={isPending}
            onClick={() => void mutate(() => onSuggest(id))}
          >
            One section a unit, {name.toLowerCase()}
          </Button>
        ))}
        {newRoomId !== undefined && (
          <Button
            onClick={() =>
              setEditing({
                id: '',
                roomId: newRoomId,
                name: '',
                inScope: true,
                bayIds: [],
                content: 'mixed',
                fullPercent: 100,
              })
            }
          >
            <Plus size={16} aria-hidden="true" /> A section
          </Button>
        )}
      </div>
      {editing && (
        <SectionSheet
          key={editing.id}
          typed={editing}
          rooms={rooms}
          onSave={onSave}
          onDone={() => setEditing(undefined)}
        />
      )}
    </section>
  );
}

interface SectionRowProps {
  readonly estimate: SectionEstimate;
  readonly roomName: string;
  readonly longestMinutes: number;
  readonly isHere: boolean;
  readonly isPending: boolean;
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly onChange: (change: Partial<SectionTyped>) => void;
  readonly onEdit: () => void;
  readonly onMove: ((way: 'up' | 'down') => void) | undefined;
  readonly onRemove: () => void;
}

function SectionRow({
  estimate,
  roomName,
  longestMinutes,
  isHere,
  isPending,
  isFirst,
  isLast,
  onChange,
  onEdit,
  onMove,
  onRemove,
}: SectionRowProps) {
  const { section } = estimate;
  const icon =
    'grid size-9 shrink-0 place-items-center rounded hover:bg-well disabled:opacity-30 max-md:size-12';
  return (
    <li
      className={clsx(
        'panel grid items-center gap-x-3 gap-y-1.5 px-2 py-1.5 md:max-[1279px]:flex',
        'md:max-[1279px]:flex-wrap md:max-[1279px]:[&>*:not(:first-child,:last-child)]:flex-1',
        'md:max-[1279px]:[&>*:not(:first-child,:last-child)]:basis-[140px]',
        'min-[1280px]:grid-cols-[76px_minmax(120px,1fr)_minmax(120px,200px)_150px_120px_auto]',
        isHere ? 'border-l-4 border-l-rim' : '',
        section.inScope ? '' : 'border-dashed bg-transparent',
      )}
    >
      <span className="flex">
        <button
          type="button"
          className={icon}
          disabled={isFirst || isPending || !onMove}
          aria-label={`${section.name} earlier`}
          onClick={() => onMove?.('up')}
        >
          <ArrowUp size={15} />
        </button>
        <button
          type="button"
          className={icon}
          disabled={isLast || isPending || !onMove}
          aria-label={`${section.name} later`}
          onClick={() => onMove?.('down')}
        >
          <ArrowDown size={15} />
        </button>
      </span>
      <span className="min-w-0 leading-tight">
        <b className="block truncate text-[14.5px] font-[650]">{section.name}</b>
        <span className="block truncate text-[13px] text-soft">{roomName}</span>
      </span>
      <SectionState estimate={estimate} longestMinutes={longestMinutes} />
      <select
        className="input min-h-9 py-1 text-[13.5px]"
        aria-label={`What lies in ${section.name}`}
        value={section.content}
        onChange={(event) => onChange({ content: event.target.value as ContentKind })}
      >
        {contentKinds.map((kind) => (
          <option key={kind} value={kind}>
            {contentKindWords[kind]}
          </option>
        ))}
      </select>
      <select
        className="input min-h-9 py-1 text-[13.5px]"
        aria-label={`How full ${section.name} is`}
        value={FULLNESS.find((each) => each >= section.fullPercent) ?? 150}
        onChange={(event) => onChange({ fullPercent: Number(event.target.value) })}
      >
        {FULLNESS.map((each) => (
          <option key={each} value={each}>
            {FULL_WORDS[each]}
          </option>
        ))}
      </select>
      <span className="flex items-center justify-end">
        <label className="flex min-h-9 items-center gap-1.5 pr-1 text-[13.5px]">
          <Checkbox
            checked={section.inScope}
            onChange={(event) => onChange({ inScope: event.target.checked })}
          />{' '}
          in scope
        </label>
        <button
          type="button"
          className={icon}
          aria-label={`Change the section ${section.name}`}
          onClick={onEdit}
        >
          <Pencil size={15} />
        </button>
        <button
          type="button"
          className={icon}
          aria-label={`Remove the section ${section.name}`}
          onClick={onRemove}
        >
          <X size={15} />
        </button>
      </span>
    </li>
  );
}

/** The likely time as a bar, the range as a line, to one scale over all sections. */
function HoursBar({
  estimate,
  longestMinutes,
}: {
  estimate: SectionEstimate;
  longestMinutes: number;
}) {
  const at = (minutes: number) => `${(minutes / longestMinutes) * 100}%`;
  return (
    <span
      className="flex items-center gap-2"
      title={`${hoursWords(estimate.lowMinutes)} to ${hoursWords(estimate.highMinutes)}`}
    >
      <span aria-hidden="true" className="relative h-3.5 min-w-0 flex-1">
        <i
          className="absolute inset-y-0 left-0 rounded-sm bg-rim-mid"
          style={{ width: at(estimate.likelyMinutes) }}
        />
        <i
          className="absolute top-[6px] h-0.5 bg-rim"
          style={{
            left: at(estimate.lowMinutes),
            width: at(estimate.highMinutes - estimate.lowMinutes),
          }}
        />
      </span>
      <span
        className={`measure w-[56px] shrink-0 text-right text-[13px] ${estimate.isOneVisit ? '' : 'font-bold text-signal-deep'}`}
      >
        {hoursWords(estimate.likelyMinutes)}
        {!estimate.isOneVisit && <span className="sr-only">, more than one visit</span>}
      </span>
    </span>
  );
}

/** Not this time, done, or how long it takes. */
function SectionState({
  estimate,
  longestMinutes,
}: {
  readonly estimate: SectionEstimate;
  readonly longestMinutes: number;
}) {
  if (!estimate.section.inScope)
    return <span className="text-[13.5px] text-soft">not this time</span>;
  if (!estimate.isDone) return <HoursBar estimate={estimate} longestMinutes={longestMinutes} />;
  return (
    <span className="flex items-center gap-1.5 text-[13.5px] text-soft">
      <Check size={15} aria-hidden="true" /> done, {hoursWords(estimate.likelyMinutes)} assumed
    </span>
  );
}
