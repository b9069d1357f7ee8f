'use client';

import { Checkbox } from '../primitives/Checkbox';
import { useState } from 'react';

import { BASKET, type KeptItem } from '@/core/place';
import { formatLitres, formatMass } from '@/core/shared';

export interface MovedGroup {
  readonly id: string;
  readonly name: string;
  readonly litres: number;
  readonly massG: number;
  readonly standsBayId: string | null;
  readonly bayId: string | null;
  readonly isOwn: boolean;
}

interface MoveLineProps {
  readonly item: KeptItem;
  readonly number: number;
  readonly isNext: boolean;
  readonly isBusy: boolean;
  /** An earlier line about the same group is open. */
  readonly isLocked: boolean;
  /** A word beside it: that what was said of it waits on this device. */
  readonly note?: string;
  readonly cleaningWord: string;
  readonly group: MovedGroup | undefined;
  readonly bays: readonly { readonly id: string; readonly name: string }[];
  readonly onTick: (isDone: boolean) => void;
  readonly onDeviate: (bayId: string | null) => void;
}

/** One line of the working list: tick it, or say where the thing really is. */
export function MoveLine({
  item,
  number,
  isNext,
  isBusy,
  isLocked,
  note,
  cleaningWord,
  group,
  bays,
  onTick,
  onDeviate,
}: MoveLineProps) {
  const [isElsewhere, setIsElsewhere] = useState(false);
  const isDone = item.doneAt !== null;
  const label =
    item.kind === 'clean'
      ? `${stopWords(item.bayId, { bays, outside: '' })} is empty: it is ${cleaningWord}`
      : `${group?.name ?? 'A group that is gone'}, from ` +
        `${stopWords(item.from, { bays, outside: 'where it waits' })} to ` +
        `${stopWords(item.to, { bays, outside: 'the tray' })}`;
  return (
    <li className={`border-t border-line ${isNext ? 'bg-rim-wash' : ''}`}>
      <div className="flex items-center gap-3 px-1.5 py-1">
        <label className="flex min-h-12 min-w-0 flex-1 items-center gap-3">
          <Checkbox
            isLarge
            aria-label={label}
            checked={isDone}
            disabled={isBusy || isLocked}
            onChange={(event) => onTick(event.target.checked)}
          />
          <span className="w-6 shrink-0 text-right font-mono text-[13.5px] text-soft">
            {number}
          </span>
          <b className="text-[13px] text-signal-deep empty:hidden">{note}</b>
          <span className={`min-w-0 flex-1 text-[15px] ${isDone ? 'text-soft line-through' : ''}`}>
            {item.kind === 'clean' ? (
              <b>{label}</b>
            ) : (
              <>
                <b>{group?.name ?? 'a group that is gone'}</b>{' '}
                {item.from === null ? (
                  ''
                ) : (
                  <span className="text-soft">{stopWords(item.from, { bays, outside: '' })}</span>
                )}{' '}
                <span aria-hidden="true">→</span>{' '}
                {stopWords(item.to, { bays, outside: 'the tray, without a place' })}
                {group && (
                  <span className="block font-mono text-[13px] text-soft">
                    {formatLitres(group.litres)} · {formatMass(group.massG)}
                    {item.carryCount > 1 ? ` · ${item.carryCount} carries` : ''}
                  </span>
                )}
              </>
            )}
          </span>
        </label>
        {item.kind === 'move' && !isDone && (
          <button
            type="button"
            aria-expanded={isElsewhere}
            onClick={() => setIsElsewhere(!isElsewhere)}
            className="no-print min-h-12 shrink-0 text-[13.5px] text-rim underline underline-offset-3"
          >
            it is elsewhere
          </button>
        )}
      </div>
      {isElsewhere && item.kind === 'move' && !isDone && (
        <div className="no-print flex flex-wrap items-center gap-2 px-1.5 pb-2 pl-[52px] text-[14px]">
          <select
            className="input w-auto"
            aria-label={`Where ${group?.name ?? 'it'} really is`}
            defaultValue=""
            onChange={(event) =>
              event.target.value !== '' &&
              onDeviate(event.target.value === 'basket' ? null : event.target.value)
            }
          >
            <option value="">it is really …</option>
            <option value="basket">in a basket</option>
            {bays.map(({ id, name }) => (
              <option key={id} value={id}>
                on {name}
              </option>
            ))}
          </select>
          <span className="text-soft">The rest is then worked out again.</span>
        </div>
      )}
    </li>
  );
}

/** Where a line leads from or to. */
export const stopWords = (
  bayId: string | null,
  {
    bays,
    outside,
  }: {
    readonly bays: readonly { readonly id: string; readonly name: string }[];
    readonly outside: string;
  },
): string => {
  if (bayId === null) return outside;
  if (bayId === BASKET) return 'a basket';
  return bays.find(({ id }) => id === bayId)?.name ?? 'a place that is gone';
};
