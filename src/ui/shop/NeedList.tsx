'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';

import { formatCount } from '@/core/shared';
import { priorities, type Priority } from '@/core/shop';
import type { ActionResult } from '../actionResult';

export interface NeedRow {
  readonly containerId: string;
  readonly name: string;
  readonly qty: number;
  readonly hadQty: number;
  readonly isOwned: boolean;
  readonly priority: Priority;
  /** Pieces that the plan leaves out. */
  readonly shortQty: number;
  readonly isApproved: boolean;
}

const PRIORITY_WORDS: Readonly<Record<Priority, string>> = { must: 'must be', should: 'should be', nice: 'would be nice' };

/** What the taken fits call for, what is there, and how much each is wanted. */
export function NeedList({ needs, onApprove, onPriority }: { needs: readonly NeedRow[]; onApprove: (containerId: string, isApproved: boolean) => Promise<ActionResult>; onPriority: (containerId: string, priority: Priority) => Promise<ActionResult> }) {
  const router = useRouter();
  return (
    <div className="overflow-x-auto">
    <table className="w-full text-[14px]">
      <thead>
        <tr className="text-left text-[13px] text-soft"><th className="py-1 font-bold">Container</th><th className="px-2 py-1 text-right font-bold">Wanted</th><th className="px-2 py-1 text-right font-bold">There</th><th className="py-1 pl-4 font-bold max-sm:pl-2">How much</th><th className="py-1 pl-3 font-bold">Client</th></tr>
      </thead>
      <tbody>
        {needs.map((need) => (
          <tr key={need.containerId} className="border-t border-line align-middle">
            <td className="py-1 pr-2">{need.name}{need.shortQty > 0 && <span className="block text-[13px] text-signal-deep">{formatCount(need.shortQty, 'piece')} left out</span>}</td>
            <td className="px-2 py-1 text-right font-mono">{need.qty}</td>
            <td className="px-2 py-1 text-right font-mono text-soft">{need.hadQty}</td>
            <td className="py-1 pl-4 max-sm:pl-2">
              {need.isOwned ? (
                <span className="text-soft">the home has it</span>
              ) : (
                <select className="input min-h-9 w-auto py-1 max-md:min-h-11" aria-label={`How much ${need.name} is wanted`} value={need.priority} onChange={(event) => void onPriority(need.containerId, event.target.value as Priority).then(() => router.refresh())}>
                  {priorities.map((priority) => <option key={priority} value={priority}>{PRIORITY_WORDS[priority]}</option>)}
                </select>
              )}
            </td>
            <td className="py-1 pl-3">{!need.isOwned && <Approve key={String(need.isApproved)} need={need} onApprove={(isApproved) => onApprove(need.containerId, isApproved).then((result) => { router.refresh(); return result; })} />}</td>
          </tr>
        ))}
      </tbody>
    </table>
    </div>
  );
}

/** The client's yes, seen at once; one that is not kept is taken back. */
function Approve({ need, onApprove }: { readonly need: NeedRow; readonly onApprove: (isApproved: boolean) => Promise<ActionResult> }) {
  const [isApproved, setIsApproved] = useState(need.isApproved);
  const change = async (next: boolean) => {
    setIsApproved(next);
    const result = await onApprove(next);
    if (!result.ok) setIsApproved(!next);
  };
  return (
    <label className="flex min-h-9 items-center gap-1.5 max-md:min-h-11">
      <input type="checkbox" className="size-[18px] accent-[#23407a]" aria-label={`Client approves ${need.name}`} checked={isApproved} onChange={(event) => void change(event.target.checked)} /> yes
    </label>
  );
}
