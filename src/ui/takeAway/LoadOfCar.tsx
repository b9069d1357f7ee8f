'use client';

import { useDraggable, useDroppable } from '@dnd-kit/core';
import clsx from 'clsx';
import { Pin } from 'lucide-react';

import { formatLitres, formatMass } from '@/core/shared';
import type { BoxState, LoadSlice } from '@/core/takeAway';

/** Of the drawing, in its own units: the inside of a car from the side, seats to the left. */
const WIDE = 600;
const HIGH = 120;
const CABIN = 96;

interface LoadOfCarProps {
  readonly tripId: string;
  readonly title: string;
  readonly slices: readonly LoadSlice[];
  readonly boxes: readonly BoxState[];
  /** In the order of the stops: what is unloaded first stands by the tailgate. */
  readonly stopIds: readonly string[];
  readonly roomLitres: number;
  readonly onOpen: (boxId: string) => void;
}

const HATCHES = ['none', 'lines', 'dots', 'cross'] as const;

/** The car from the side, filled to scale by litres: against the seats what comes out last. */
export function LoadOfCar({
  tripId,
  title,
  slices,
  boxes,
  stopIds,
  roomLitres,
  onOpen,
}: LoadOfCarProps) {
  const { setNodeRef, isOver } = useDroppable({ id: tripId });
  const used = slices.at(-1)?.toRatio ?? 0;
  const scale = Math.max(1, used);
  return (
    <div
      ref={setNodeRef}
      className={clsx('squared rounded-[6px] border p-2', isOver ? 'border-rim' : 'border-line')}
    >
      <div className="relative" style={{ aspectRatio: `${WIDE} / ${HIGH + 14}` }}>
        <svg
          viewBox={`0 0 ${WIDE} ${HIGH + 14}`}
          className="absolute inset-0 size-full"
          aria-hidden="true"
        >
          <path
            d={`M4 ${HIGH} V70 L44 64 L70 14 H${WIDE - 30} L${WIDE - 6} 60 V${HIGH} Z`}
            fill="#fbf8f1"
            stroke="#23407a"
            strokeWidth="2"
          />
          <path d={`M58 62 L78 22 H${CABIN - 2} V62 Z`} fill="#dfe5f0" stroke="#b9c4da" />
          <path d={`M${CABIN} 14 V${HIGH}`} stroke="#23407a" strokeWidth="3" />
          <circle cx="74" cy={HIGH} r="14" fill="#4b4640" />
          <circle cx={WIDE - 90} cy={HIGH} r="14" fill="#4b4640" />
        </svg>
        <ol
          aria-label={title}
          className="absolute flex items-end"
          style={{
            left: `${((CABIN + 4) / WIDE) * 100}%`,
            width: `${((WIDE - CABIN - 40) / WIDE) * 100}%`,
            top: '16%',
            bottom: '14%',
          }}
        >
          {slices.map(({ boxId, fromRatio, toRatio }) => {
            const state = boxes.find(({ box }) => box.id === boxId);
            return (
              state && (
                <Slice
                  key={boxId}
                  state={state}
                  widthPercent={(100 * (toRatio - fromRatio)) / scale}
                  hatch={
                    HATCHES[
                      Math.max(0, stopIds.indexOf(state.box.destinationId)) % HATCHES.length
                    ] ?? 'none'
                  }
                  onOpen={() => onOpen(boxId)}
                />
              )
            );
          })}
        </ol>
      </div>
      <p className="mt-1 flex flex-wrap justify-between gap-x-3 font-mono text-[13px] text-soft">
        <span>seats</span>
        <span>
          {Math.round(used * 100)} % of {formatLitres(roomLitres)}
        </span>
        <span>tailgate</span>
      </p>
    </div>
  );
}

function Slice({
  state,
  widthPercent,
  hatch,
  onOpen,
}: {
  readonly state: BoxState;
  readonly widthPercent: number;
  readonly hatch: (typeof HATCHES)[number];
  readonly onOpen: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: state.box.id,
  });
  const { number, isPinned, packedAt } = state.box;
  return (
    <li className="h-full min-w-0 p-px" style={{ width: `${widthPercent}%` }}>
      <button
        ref={setNodeRef}
        {...attributes}
        {...listeners}
        type="button"
        aria-label={`Box ${number}, ${state.destination?.name ?? 'no destination'}, ${formatMass(state.massG)}`}
        onClick={onOpen}
        style={
          transform ? { transform: `translate(${transform.x}px, ${transform.y}px)` } : undefined
        }
        className={clsx(
          'load-box relative flex size-full min-w-0 touch-none flex-col items-center justify-center',
          'rounded-[3px] border-[1.5px] border-kraft-line bg-kraft font-mono text-[13px] font-bold',
          packedAt === null && 'border-dashed',
          isDragging && 'z-20 opacity-80',
          state.faults.length > 0 && 'border-signal',
        )}
        data-hatch={hatch}
      >
        {isPinned && <Pin size={11} aria-hidden="true" className="absolute top-0.5 right-0.5" />}
        <span className="rounded bg-sheet/85 px-1">{number}</span>
      </button>
    </li>
  );
}
