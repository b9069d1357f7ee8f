'use client';
import clsx from 'clsx';

import { useDroppable } from '@dnd-kit/core';
import type { ReactNode } from 'react';

import type { Bay } from '@/core/look';
import type { BayLevel } from '@/core/place';
import { formatLitres } from '@/core/shared';
import { placeWarningWords } from './placeWords';

interface BaySlotProps {
  readonly bay: Bay;
  readonly level: BayLevel;
  /** A carried tag is held over it. */
  readonly isOver: boolean;
  readonly isCarrying: boolean;
  /** Why what is held over it must not be there. */
  readonly against: readonly string[];
  readonly onPut: () => void;
  readonly at: {
    readonly left: number;
    readonly bottom: number;
    readonly width: number;
    readonly height: number;
  };
  readonly children: ReactNode;
}

/** One place, to scale, filled to the level of what lives there. */
export function BaySlot({
  bay,
  level,
  isOver,
  isCarrying,
  against,
  onPut,
  at,
  children,
}: BaySlotProps) {
  const { setNodeRef, isOver: isDraggedOver } = useDroppable({
    id: bay.id,
    disabled: bay.outOfScope,
  });
  const warnings = level.warnings.map((warning) => placeWarningWords(warning));
  const isHot = warnings.length > 0;
  if (bay.outOfScope) {
    return (
      <div
        className="absolute grid place-items-center border border-dashed border-soft p-1 text-center text-[13px] leading-tight text-soft"
        style={at}
      >
        {bay.name}: not in scope
      </div>
    );
  }
  const overLook = against.length > 0 ? 'border-signal outline-signal' : 'border-rim outline-rim';
  const restLook = isHot ? 'border-signal' : 'border-ink';
  return (
    <div
      ref={setNodeRef}
      role="group"
      aria-label={
        `${bay.name}, ${formatLitres(level.keptLitres)} of ${formatLitres(level.usableLitres)}` +
        `${isHot ? `: ${warnings.join('; ')}` : ''}`
      }
      title={warnings.join('; ')}
      className={clsx(
        'absolute overflow-hidden border-[1.5px] bg-[#fffdf8]',
        isOver || isDraggedOver ? `z-10 outline-3 ${overLook}` : restLook,
      )}
      style={at}
    >
      <div
        aria-hidden="true"
        className={`absolute inset-x-0 bottom-0 ${isHot ? 'overfull' : 'bg-rim-pale'}`}
        style={{ height: `${Math.min(1, level.fillRatio) * 100}%` }}
      />
      <div className="relative flex h-full flex-col">
        <div className="flex min-h-0 flex-1 flex-wrap content-start gap-0.5 overflow-y-auto p-0.5">
          {children}
        </div>
        <span
          aria-hidden="true"
          className={clsx(
            'pointer-events-none shrink-0 self-end px-1 font-mono text-[11.5px] leading-tight',
            isHot ? 'font-bold text-signal-deep' : 'text-soft',
          )}
        >
          {formatLitres(level.keptLitres).replace(' l', '')}/{formatLitres(level.usableLitres)}
        </span>
      </div>
      {against.length > 0 && (
        <span
          className={clsx(
            'pointer-events-none absolute inset-x-0 top-0 bg-signal-wash px-1.5 py-1 text-[12.5px]',
            'leading-tight font-[650] text-signal-deep',
          )}
        >
          {against.join('; ')}
        </span>
      )}
      {isCarrying && (
        <button
          type="button"
          aria-label={`Put it on ${bay.name}`}
          onClick={onPut}
          className="absolute inset-0 z-10"
          tabIndex={-1}
        />
      )}
    </div>
  );
}
