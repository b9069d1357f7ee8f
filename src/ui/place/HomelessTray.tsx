'use client';

import { useDroppable } from '@dnd-kit/core';

import { keptLitresOf, type Group } from '@/core/sort';
import { GroupTag } from './GroupTag';
import type { TagProps } from './FrontBoard';

interface HomelessTrayProps extends TagProps {
  readonly groups: readonly Group[];
  readonly isTarget: boolean;
  readonly onPutHere: (() => void) | undefined;
}

/** Groups that have no home yet, above the drawing so that they are seen first. */
export function HomelessTray({ groups, isTarget, onPutHere, ...tagProps }: HomelessTrayProps) {
  const { setNodeRef, isOver } = useDroppable({ id: 'tray' });
  return (
    <section
      ref={setNodeRef}
      aria-label="No home yet"
      className={`relative mb-3 flex min-h-[52px] flex-wrap items-center gap-2 rounded-[7px] border border-dashed px-3 py-2 ${isTarget || isOver ? 'border-rim bg-rim-wash' : 'border-line bg-sheet'}`}
    >
      <h2 className="caption mr-1 font-text">No home yet</h2>
      {groups.length === 0 && <span className="text-[14px] text-soft">Every group has a place.</span>}
      {groups.map((group) => <GroupTag key={group.id} group={group} litres={keptLitresOf(group, tagProps.things)} isWide {...tagProps} />)}
      {onPutHere && <button type="button" aria-label="Put it back in the tray" onClick={onPutHere} className="absolute inset-y-0 right-0 w-24 rounded text-[13px] text-rim underline" tabIndex={-1}>put here</button>}
    </section>
  );
}
