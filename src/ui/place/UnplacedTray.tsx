'use client';
import clsx from 'clsx';

import { useDroppable } from '@dnd-kit/core';
import type { ReactNode } from 'react';

import { keptLitresOf, type Group } from '@/core/sort';
import { GroupTag, type TagProps } from './GroupTag';

interface UnplacedTrayProps extends TagProps {
  readonly groups: readonly Group[];
  readonly isTarget: boolean;
  /** What happened last, and why what is held must not be there. */
  readonly status: ReactNode;
  readonly onPutHere: (() => void) | undefined;
}

/** Groups without a place, above the drawing so that they are seen first. */
export function UnplacedTray({
  groups,
  isTarget,
  status,
  onPutHere,
  ...tagProps
}: UnplacedTrayProps) {
  const { setNodeRef, isOver } = useDroppable({ id: 'tray' });
  return (
    <section
      ref={setNodeRef}
      aria-label="Without a place"
      className={clsx(
        'relative mb-2.5 flex min-h-[46px] flex-wrap items-center gap-2 rounded-[7px] border',
        'border-dashed px-3 py-1',
        isTarget || isOver ? 'border-rim bg-rim-wash' : 'border-line bg-sheet',
      )}
    >
      <h2 className="caption mr-1 font-text">Without a place</h2>
      {groups.length === 0 && (
        <span className="text-[14px] text-soft">Every group has a place.</span>
      )}
      {groups.map((group) => (
        <GroupTag
          key={group.id}
          group={group}
          litres={keptLitresOf(group, tagProps.things)}
          isWide
          {...tagProps}
        />
      ))}
      {onPutHere && (
        <button
          type="button"
          aria-label="Put it back in the tray"
          onClick={onPutHere}
          className="min-h-9 px-2 text-[13.5px] text-rim underline underline-offset-3 max-md:min-h-12"
          tabIndex={-1}
        >
          put here
        </button>
      )}
      <p
        role="status"
        className="ml-auto max-w-[46%] text-right text-[13.5px] leading-tight text-soft max-md:ml-0 max-md:max-w-full max-md:text-left"
      >
        {status}
      </p>
    </section>
  );
}
