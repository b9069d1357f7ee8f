'use client';
import clsx from 'clsx';

import type { Ref } from 'react';

import { formatLitres } from '@/core/shared';
import { type Amount, type Verdict, boxLevelOf, traitsOf, verdicts } from '@/core/sort';
import { verdictWords } from './sortWords';
import { verdictLooks } from './verdictLooks';

interface VerdictBoxesProps {
  readonly ref: Ref<HTMLDivElement>;
  readonly tally: Readonly<Record<Verdict, Amount>>;
  readonly roomLitres: number;
  readonly onPick: (verdict: Verdict) => void;
}

/** Open boxes that fill: the level is that of the box being filled, by litres or weight. */
export function VerdictBoxes({ ref, tally, roomLitres, onPick }: VerdictBoxesProps) {
  return (
    <div
      ref={ref}
      role="group"
      aria-label="Verdicts"
      className={clsx(
        'mt-6 grid grid-cols-6 gap-x-3.5 gap-y-4.5 max-md:fixed max-md:inset-x-0 max-md:bottom-0',
        'max-md:z-20 max-md:mt-0 max-md:gap-1.5 max-md:border-t max-md:border-line max-md:bg-well',
        'max-md:p-2 max-md:pt-3 max-md:flat:static',
        'md:flat:sticky md:flat:-bottom-11 md:flat:z-10 md:flat:mt-2 md:flat:grid-cols-9',
        'md:flat:gap-1 md:flat:bg-paper md:flat:p-1',
      )}
    >
      {verdicts.map((verdict, i) => (
        <VerdictBox
          key={verdict}
          verdict={verdict}
          amount={tally[verdict]}
          isLarge={i < 3}
          roomLitres={roomLitres}

          onPick={onPick}
        />
      ))}
    </div>
  );
}

interface VerdictBoxProps extends Pick<VerdictBoxesProps, 'roomLitres' | 'onPick'> {
  readonly verdict: Verdict;
  readonly amount: Amount;
  readonly isLarge: boolean;
}

function VerdictBox({ verdict, amount, isLarge, roomLitres, onPick }: VerdictBoxProps) {
  const { icon: Icon, color } = verdictLooks[verdict];
  const box = boxLevelOf(amount);
  // What is kept fills the room; everything else fills boxes that are carried out.
  const { hasBox } = traitsOf(verdict);
  const level = !hasBox
    ? Math.min(1, roomLitres > 0 ? amount.litres / roomLitres : 0)
    : box.fillRatio;
  const note =
    !hasBox || box.boxNumber < 2
      ? formatLitres(amount.litres)
      : `${formatLitres(amount.litres)}, box ${box.boxNumber}`;
  return (
    <button
      type="button"
      onClick={() => onPick(verdict)}
      aria-keyshortcuts={traitsOf(verdict).key}
      aria-label={`${verdictWords[verdict]}: ${amount.count} so far, ${note}`}
      style={{ color }}
      className={clsx(
        '@container relative flex flex-col justify-between rounded-b-[6px] border-2 border-t-0 border-current',
        'bg-white text-left [overflow-wrap:normal] md:flat:col-span-1 md:flat:h-[50px] md:flat:overflow-hidden md:flat:px-1.5 md:flat:py-1',
        'md:flat:[&_kbd]:hidden md:flat:[&_span]:text-[12px] md:flat:[&_svg]:hidden',
        isLarge
          ? 'col-span-2 h-[104px] px-3.5 py-3 max-md:h-[70px] max-md:px-1.5 max-md:py-2'
          : 'h-[70px] px-2.5 py-2 max-md:col-span-2 max-md:h-[48px] max-md:px-1.5 max-md:py-1',
      )}
    >
      <span
        aria-hidden="true"
        className="absolute inset-x-0 bottom-0 rounded-b-[4px] bg-current opacity-[0.09] transition-[height] duration-300"
        style={{ height: `${level * 100}%` }}
      />
      {/* The open flaps: a box that has no lid yet. */}
      <svg
        aria-hidden="true"
        className="absolute -top-[9px] left-[-10px] max-md:hidden"
        width="12"
        height="11"
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
        strokeLinecap="round"
      >
        <path d="M9 10L2 2" />
      </svg>
      <svg
        aria-hidden="true"
        className="absolute -top-[9px] right-[-10px] max-md:hidden"
        width="12"
        height="11"
        fill="none"
        stroke="currentColor"
        strokeWidth="2"
        strokeLinecap="round"
      >
        <path d="M3 10l7-8" />
      </svg>
      <span
        className={clsx(
          'relative flex w-full items-center justify-between gap-1',
          isLarge
            ? 'font-head text-[20px] font-[680] max-md:text-[16px] @max-[70px]:text-[14px]'
            : 'text-[13.5px] font-bold @max-[70px]:text-[12px]',
        )}
      >
        <span className="flex min-w-0 items-center gap-1.5">
          <Icon
            size={isLarge ? 21 : 16}
            className="shrink-0 max-md:size-[17px] @max-[70px]:hidden"
            aria-hidden="true"
          />{' '}
          {verdictWords[verdict]}
        </span>
        <kbd className="max-md:hidden">{traitsOf(verdict).key}</kbd>
      </span>
      <span
        className={`relative text-soft ${isLarge ? 'text-[14px]' : 'text-[12.5px] max-md:leading-none'}`}
      >
        <b
          className={`font-mono font-[650] text-ink ${isLarge ? 'text-[26px] max-md:text-[18px]' : 'text-[16px] max-md:text-[13px]'}`}
        >
          {amount.count}
        </b>{' '}
        <span className="max-md:hidden">{note}</span>
      </span>
    </button>
  );
}
