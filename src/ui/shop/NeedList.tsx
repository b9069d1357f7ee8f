'use client';

import { X } from 'lucide-react';
import { useParams } from 'next/navigation';
import { useState } from 'react';

import { formatCount, formatMoney, type Currency, type RoomId, toId } from '@/core/shared';
import { priorities, type ApprovalState, type Priority } from '@/core/shop';
import type { ClientAnswer } from '@/core/client';
import type { ActionResult } from '../actionResult';
import { sayingWords } from '../client/clientWords';
import { WAITS_WORDS } from '../field/fieldWords';
import { useFieldAct, useWaitingCommands } from '../field/useFieldAct';
import { dayWords } from '../home/homeWords';
import { Checkbox } from '../primitives/Checkbox';
import { Link } from '../primitives/Link';
import { useMutation } from '../useMutation';
import { SideScroll } from '../primitives/SideScroll';

interface NeedRow {
  readonly needId: string;
  readonly name: string;
  readonly qty: number;
  readonly hadQty: number;
  readonly elsewhereQty: number;
  readonly elsewhereRooms: readonly string[];
  /**
   * What calls for it; only a container's priority is changed here, only what was put down by hand
   * is taken off here.
   */
  readonly from: 'fit' | 'owned' | 'hand' | 'material';
  readonly priority: Priority;
  /** Pieces that the plan leaves out. */
  readonly shortQty: number;
  /** Pieces that nobody has. */
  readonly lackQty: number;
  /** Paid, and still to pay. */
  readonly lineMinor: number;
  readonly approval: ApprovalState;
  /** What the client said last on their page; undefined: nothing. */
  readonly said: ClientAnswer | undefined;
}

interface NeedListProps {
  readonly needs: readonly NeedRow[];
  readonly currency: Currency;
  /** Where answers are taken. */
  readonly answersHref: string;
  readonly onPriority: (containerId: string, priority: Priority) => Promise<ActionResult>;
  readonly onRemove: (handNeedId: string) => Promise<ActionResult>;
}

export const PRIORITY_WORDS: Readonly<Record<Priority, string>> = {
  must: 'must be',
  should: 'should be',
  nice: 'would be nice',
};

/**
 * Everything the room calls for, what is there, how much each is wanted, what the line comes to,
 * and the client's yes to it.
 */
export function NeedList({ needs, currency, answersHref, onPriority, onRemove }: NeedListProps) {
  const { mutate } = useMutation();
  const { act } = useFieldAct();
  const roomId = toId<RoomId>(useParams<{ roomId: string }>().roomId);
  return (
    <SideScroll label="What the room wants" className="">
      <table className="stacks w-full text-[14px]">
        <thead>
          <tr className="text-left text-[13px] text-soft">
            <th className="py-1 font-bold">What</th>
            <th className="px-2 py-1 text-right font-bold">Wanted</th>
            <th className="px-2 py-1 text-right font-bold">There</th>
            <th className="py-1 pl-4 font-bold max-sm:pl-2">How much</th>
            <th className="px-2 py-1 text-right font-bold">Comes to</th>
            <th className="py-1 pl-3 font-bold">Client</th>
          </tr>
        </thead>
        <tbody>
          {needs.map((need) => (
            <tr key={need.needId} className="border-t border-line align-middle">
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                {need.name}
                {need.from === 'material' && (
                  <span className="text-soft">, from the materials</span>
                )}
                {need.from === 'hand' && (
                  <button
                    type="button"
                    aria-label={`Take ${need.name} off the list`}
                    className="no-print ml-1 inline-grid size-8 place-items-center rounded align-middle hover:bg-well max-md:size-12"
                    onClick={() => void mutate(() => onRemove(need.needId), { offersUndo: true })}
                  >
                    <X size={14} />
                  </button>
                )}
                {need.elsewhereQty > 0 && (
                  <span className="block text-[13px]">
                    {formatCount(need.elsewhereQty, 'piece')} left over in{' '}
                    {need.elsewhereRooms.join(' and ')}: fetch{' '}
                    {need.elsewhereQty === 1 ? 'it' : 'them'} from there
                  </span>
                )}
                {need.shortQty > 0 && (
                  <span className="block text-[13px] text-signal-deep">
                    {formatCount(need.shortQty, 'piece')} left out
                  </span>
                )}
                {need.lackQty > 0 && (
                  <span className="block text-[13px] text-signal-deep">
                    {formatCount(need.lackQty, 'piece')} not to be had
                  </span>
                )}
              </th>
              <td data-head="Wanted" className="px-2 py-1 text-right font-mono">
                {need.qty}
              </td>
              <td data-head="There" className="px-2 py-1 text-right font-mono text-soft">
                {need.hadQty}
              </td>
              <td data-head="How much" className="py-1 pl-4 max-sm:pl-2">
                {need.from === 'owned' && <span className="text-soft">the home has it</span>}
                {(need.from === 'hand' || need.from === 'material') &&
                  PRIORITY_WORDS[need.priority]}
                {need.from === 'fit' && (
                  <select
                    className="input min-h-9 w-auto py-1 max-md:min-h-12"
                    aria-label={`How much ${need.name} is wanted`}
                    value={need.priority}
                    onChange={(event) =>
                      void mutate(() => onPriority(need.needId, event.target.value as Priority))
                    }
                  >
                    {priorities.map((priority) => (
                      <option key={priority} value={priority}>
                        {PRIORITY_WORDS[priority]}
                      </option>
                    ))}
                  </select>
                )}
              </td>
              <td data-head="Comes to" className="px-2 py-1 text-right font-mono whitespace-nowrap">
                {need.from === 'owned' ? '' : formatMoney(need.lineMinor, currency)}
              </td>
              <td data-head="Client" className="py-1 pl-3">
                {need.from !== 'owned' && (
                  <Approve
                    key={need.approval.is}
                    need={need}
                    currency={currency}
                    onApprove={(isApproved) =>
                      act({ kind: 'approved', roomId, needId: need.needId, isApproved })
                    }
                  />
                )}
                {need.said && <Said said={need.said} answersHref={answersHref} />}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </SideScroll>
  );
}

/** What the client said on their page, where it is not the yes that is ticked already. */
function Said({
  said: { says, by, saidAt, state, words },
  answersHref,
}: {
  readonly said: ClientAnswer;
  readonly answersHref: string;
}) {
  if (says === 'yes' && state === 'taken') return null;
  const what = `${by}, ${dayWords(saidAt)}: ${sayingWords[says].toLowerCase()}`;
  return (
    <span className="block text-[13px] leading-snug">
      <b>{what}</b>
      {words !== '' && <span className="block text-soft">“{words}”</span>}
      {state === 'waits' && (
        <Link
          href={answersHref}
          className="inline-flex min-h-9 items-center text-rim underline underline-offset-3 max-md:min-h-12"
        >
          take it
        </Link>
      )}
    </span>
  );
}

/**
 * The client's yes, seen at once; one that is not kept is taken back. A line that has become dearer
 * is asked about again.
 */
function Approve({
  need,
  currency,
  onApprove,
}: {
  readonly need: NeedRow;
  readonly currency: Currency;
  readonly onApprove: (isApproved: boolean) => Promise<ActionResult>;
}) {
  const [typed, setTyped] = useState<boolean>();
  const waiting = useWaitingCommands().findLast(
    (each) => each.kind === 'approved' && each.needId === need.needId,
  );
  const isApproved =
    typed ?? (waiting?.kind === 'approved' ? waiting.isApproved : need.approval.is === 'approved');
  const change = async (next: boolean) => {
    setTyped(next);
    const result = await onApprove(next);
    if (!result.ok) setTyped(undefined);
  };
  return (
    <label className="flex min-h-9 items-center gap-1.5 max-md:min-h-12">
      <Checkbox
        aria-label={`Client approves ${need.name}`}
        checked={isApproved}
        onChange={(event) => void change(event.target.checked)}
      />
      {need.approval.is === 'dearer' && !isApproved ? (
        <span className="text-[13px] font-[650] text-signal-deep">
          yes was to {formatMoney(need.approval.approvedMinor, currency)}
        </span>
      ) : (
        'yes'
      )}
      {waiting && <b className="text-[13px] text-signal-deep">{WAITS_WORDS}</b>}
    </label>
  );
}
