'use client';

import { formatDate } from '@/core/shared';
import type { KeptDeed } from '@/core/home';
import { sayDeed } from '../home/homeWords';
import type { ActionResult } from '../actionResult';
import { useMutation } from '../useMutation';

interface HistoryEntry {
  readonly seq: number;
  readonly deed: KeptDeed;
  readonly changedAt: string;
  readonly places: readonly { readonly groupId: string; readonly bayId: string | null }[];
}

/** How the shown arrangement came to be, and back to any state of it. */
export function DraftHistory({
  entries,
  onGoBack,
}: {
  entries: readonly HistoryEntry[];
  onGoBack: (places: HistoryEntry['places']) => Promise<ActionResult>;
}) {
  const { mutate } = useMutation();
  if (entries.length === 0) return null;
  const goBack = async (entry: HistoryEntry) => {
    await mutate(() => onGoBack(entry.places));
  };
  return (
    <details className="text-[14px]">
      <summary className="caption min-h-8 content-center max-md:min-h-12">
        How it came to be
      </summary>
      <ol className="divide-y divide-line">
        {entries.map((entry, i) => (
          <li key={entry.seq} className="flex items-baseline gap-2 py-1">
            <span className="min-w-0 flex-1">
              {sayDeed(entry.deed)}{' '}
              <time
                suppressHydrationWarning
                className="block text-[12.5px] text-soft"
                dateTime={entry.changedAt}
              >
                {formatDate(new Date(entry.changedAt), 'd MMM, HH:mm')}
              </time>
            </span>
            {i > 0 && (
              <button
                type="button"
                className="shrink-0 text-[13.5px] text-rim underline underline-offset-3 max-md:min-h-12"
                aria-label={`Back to: ${sayDeed(entry.deed)}`}
                onClick={() => void goBack(entry)}
              >
                back to this
              </button>
            )}
          </li>
        ))}
      </ol>
    </details>
  );
}
