'use client';
import clsx from 'clsx';

import {
  CircleDollarSign,
  Columns3,
  Footprints,
  Hand,
  Recycle,
  type LucideIcon,
} from 'lucide-react';
import { RadioGroup } from 'radix-ui';

import {
  boughtOf,
  containerIdsOf,
  unmetLitresOf,
  type FitAim,
  type FitAnswer,
  type FitRequest,
} from '@/core/fit';
import { formatCount, formatLitres, formatMoney, type Currency } from '@/core/shared';
import { aimWords } from './fitWords';
import type { TillSum } from './useTills';

const ICONS: Readonly<Record<FitAim, LucideIcon>> = {
  cost: CircleDollarSign,
  uniform: Columns3,
  reuse: Recycle,
  easy: Hand,
  daily: Footprints,
};

interface AnswerCardProps {
  readonly aim: FitAim;
  /** Another name than its aim's, and the value it is chosen by. */
  readonly title?: string;
  readonly value?: string;
  readonly answer: FitAnswer | undefined;
  /** Undefined until the shopping list was worked out with it. */
  readonly till: TillSum | undefined;
  readonly request: FitRequest;
  readonly currency: Currency;
  readonly isChosen: boolean;
  readonly isTaken: boolean;
}

/** One of the ways, with what it costs and what it leaves. */
export function AnswerCard({
  aim,
  title,
  value = aim,
  answer,
  till,
  request,
  currency,
  isChosen,
  isTaken,
}: AnswerCardProps) {
  const Icon = ICONS[aim];
  const { name, about } = aimWords[aim];
  return (
    <RadioGroup.Item
      value={value}
      className={clsx(
        'panel w-full px-3 py-2 text-left',
        isChosen
          ? 'border-2 border-t-4 border-rim bg-white!'
          : 'border-2 border-t-2 border-transparent shadow-none outline-1 outline-line',
      )}
    >
      <span className="flex items-center justify-between gap-2">
        <span className="flex items-center gap-1.5 font-head text-[15px] font-[650]">
          <Icon size={16} className="shrink-0 text-rim" aria-hidden="true" /> {title ?? name}
        </span>
        {isTaken && <span className="text-[12.5px] font-bold text-rim">taken</span>}
      </span>
      {answer ? (
        <CardFigures aim={aim} answer={answer} till={till} request={request} currency={currency} />
      ) : (
        <span className="mt-1 block text-[13px] text-soft">{about}; working it out…</span>
      )}
    </RadioGroup.Item>
  );
}

function CardFigures({
  aim,
  answer,
  till,
  request,
  currency,
}: {
  aim: FitAim;
  answer: FitAnswer;
  till: TillSum | undefined;
  request: FitRequest;
  currency: Currency;
}) {
  const ids = containerIdsOf(answer);
  const bought = boughtOf(
    ids.flatMap((id) => request.containers.find((container) => container.id === id) ?? []),
  ).length;
  const unmetLitres = unmetLitresOf(answer);
  return (
    <>
      <span className="block leading-snug">
        <b className="font-mono text-[19px]">
          {formatMoney(till?.addsMinor ?? answer.costMinor, currency)}
        </b>{' '}
        <span className="text-[13px] text-soft">{till ? 'at the till' : 'by the piece'}</span>
      </span>
      {till && (
        <span className="block text-[13px] leading-snug text-soft">
          the room’s list then: {formatMoney(till.payMinor, currency)}
          {till.lackQty > 0 && `, without ${formatCount(till.lackQty, 'piece')} that nobody has`}
        </span>
      )}
      <span className="block text-[13px] leading-snug text-soft">
        {wordContainers(answer, request)}
      </span>
      {unmetLitres > 0 ? (
        <span className="mt-0.5 block text-[13px] font-[650] text-signal-deep">
          {formatLitres(unmetLitres)} have no container
        </span>
      ) : (
        <span className="mt-0.5 flex justify-between gap-2 text-[13px]">
          <b>{bought} to buy</b> <span className="text-soft">{wordProof(aim, answer)}</span>
        </span>
      )}
    </>
  );
}

/** "2 deep trays, 1 tub of your own": what stands there, most first. */
function wordContainers(answer: FitAnswer, request: FitRequest): string {
  const counts = new Map<string, number>();
  for (const id of containerIdsOf(answer)) counts.set(id, (counts.get(id) ?? 0) + 1);
  if (counts.size === 0) return 'nothing goes in';
  const parts = [...counts]
    .sort((a, b) => b[1] - a[1])
    .map(([id, count]) => {
      const container = request.containers.find((each) => each.id === id);
      const left = Math.min(count, container?.spare ?? 0);
      const words = `${count} × ${container?.name ?? id}`;
      return left > 0 ? `${words} (${left} left over from before)` : words;
    });
  return parts.length > 3
    ? `${parts.slice(0, 2).join(', ')}, ${formatCount(parts.length - 2, 'other kind')}`
    : parts.join(', ');
}

const MOST_USEFUL_GAP = 0.5;

/** What is proven about it, in a word. */
function wordProof(aim: FitAim, { status, objective, bound }: FitAnswer): string {
  if (aim === 'daily' && objective !== null)
    return `${formatCount(objective, 'movement')}${wordMovements(status, bound ?? 0)}`;
  if (status === 'optimal') return 'best possible, proven';
  if (objective === null || bound === null) return '';
  if (aim === 'uniform' || aim === 'reuse') return `no fewer than ${Math.ceil(bound)}, proven`;
  const gap = (objective - bound) / bound;
  // Beyond this a bound tells nobody anything.
  if (bound === 0 || gap > MOST_USEFUL_GAP) return 'no useful bound yet';
  return `at most ${Math.ceil(gap * 100)} % above the best possible`;
}

/** Of movements the least that is proven, where that is not what is reached. */
const wordMovements = (status: FitAnswer['status'], bound: number): string =>
  status === 'optimal' ? ', fewer cannot be' : `, at least ${formatCount(bound, 'movement')}`;
