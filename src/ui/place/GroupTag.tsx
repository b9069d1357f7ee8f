'use client';
import clsx from 'clsx';

import { useDraggable } from '@dnd-kit/core';

import { TriangleAlert } from 'lucide-react';

import { cautionsOfGroup } from '@/core/place';
import { formatLitres } from '@/core/shared';
import { type Group, type Thing } from '@/core/sort';
import type { CautionCode } from '@/core/things';
import { cautionNames } from '../sort/sortWords';
import { type Carried } from './carryKey';
import { type KeyboardEvent } from 'react';

export interface TagProps {
  readonly things: readonly Thing[];
  readonly carried: Carried | undefined;
  readonly onKeyDown: (event: KeyboardEvent, group: Group) => void;
  readonly onTap: (group: Group) => void;
}

interface GroupTagProps extends TagProps {
  readonly group: Group;
  readonly litres: number;
  readonly isWide?: boolean;
  /** Stands two in a row, where a place holds many. */
  readonly isHalf?: boolean;
  /** Stands in the back row of its place. */
  readonly isBehind?: boolean;
  /** A proposal would put it elsewhere. */
  readonly isLeaving?: boolean;
}

/** These call for care when a thing leaves, and not where it lives: they are told, and not marked. */
const ON_LEAVING: ReadonlySet<CautionCode> = new Set([
  'electrical',
  'data_device',
  'paper_private',
]);

/** A tag at rest: dashed in the back row, crossed out where a proposal takes it away. */
const restLook = ({
  isBehind,
  isLeaving,
}: Required<Pick<GroupTagProps, 'isBehind' | 'isLeaving'>>): string =>
  clsx(isBehind && 'bg-sheet! border-dashed!', isLeaving && 'line-through');

/** Where a proposal would put a group: seen on the drawing, not to be picked up. */
export function ArrivingTag({ name }: { readonly name: string }) {
  return (
    <span
      className={
        'tag max-w-full shrink-0 truncate border-[1.5px] border-dashed border-rim bg-sheet! ' +
        'text-[13px] leading-tight text-rim-deep'
      }
    >
      <span aria-hidden="true">+ </span>
      {name}
      <span className="sr-only"> would come here</span>
    </span>
  );
}

/** What is told of a group by voice and on resting on it: litres, row, care, whether it would move. */
function tagLabel(
  { name }: Group,
  {
    litres,
    isBehind,
    isLeaving,
    cautions,
  }: {
    readonly litres: number;
    readonly isBehind: boolean;
    readonly isLeaving: boolean;
    readonly cautions: readonly CautionCode[];
  },
): string {
  return [
    `${name}, ${formatLitres(litres)}${isBehind ? ', back row' : ''}${isLeaving ? ', would move' : ''}`,
    ...(cautions.length > 0
      ? [`take care: ${cautions.map((code) => cautionNames[code]).join(', ')}`]
      : []),
  ].join('; ');
}

/** A paper tag. Drag it; or Enter, arrows, Enter; or tap it, then a place. */
export function GroupTag({
  group,
  litres,
  carried,
  onKeyDown,
  onTap,
  isWide = false,
  isHalf = false,
  isBehind = false,
  isLeaving = false,
}: GroupTagProps) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: group.id });
  const isCarried = carried?.groupId === group.id;
  const all = cautionsOfGroup(group);
  const cautions = all.filter((code) => !ON_LEAVING.has(code)).map((code) => cautionNames[code]);
  const label = tagLabel(group, { litres, isBehind, isLeaving, cautions: all });
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...listeners}
      onKeyDown={(event) => onKeyDown(event, group)}
      onClick={() => onTap(group)}
      aria-pressed={isCarried}
      aria-label={label}
      title={label}
      className={clsx(
        'tag shrink-0 touch-none truncate text-left text-[13px] leading-tight max-md:min-h-8',
        'focus-visible:bg-rim-mid focus-visible:outline-none',
        isHalf ? 'max-w-[calc(50%-1px)]' : 'max-w-full',
        isWide ? 'min-h-9 pr-3' : 'md:py-[2px]!',
        group.front && 'underline decoration-2 underline-offset-2',
        isDragging && 'opacity-40',
        isCarried ? 'bg-rim! text-white!' : restLook({ isBehind, isLeaving }),
      )}
    >
      {cautions.length > 0 && (
        <TriangleAlert size={12} className="mr-1 inline shrink-0 align-[-1px]" aria-hidden="true" />
      )}
      {group.name}
      {isWide && cautions.length > 0 && (
        <span className="ml-2 font-normal">take care: {cautions.join(', ')}</span>
      )}
      {isWide && (
        <span className={`ml-2 font-normal ${isCarried ? '' : 'text-[#5d5125]'}`}>
          {formatLitres(litres)}
        </span>
      )}
    </button>
  );
}
