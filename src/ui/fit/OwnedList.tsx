'use client';

import { X } from 'lucide-react';

import type { ContainerProduct } from '@/core/fit';
import type { ActionResult } from '../actionResult';
import { useMutation } from '../useMutation';

/** What the home has already, with its number; a line can be taken away and undone. */
export function OwnedList({
  owned,
  onRemove,
}: {
  owned: readonly ContainerProduct[];
  onRemove: (containerId: string) => Promise<ActionResult>;
}) {
  const { mutate } = useMutation();
  return (
    <ul className="text-[14px]">
      {owned.map((container) => (
        <li key={container.id} className="flex items-start gap-2">
          {container.howTo === '' ? (
            <span className="min-w-0 flex-1 truncate">{container.name}</span>
          ) : (
            <details className="min-w-0 flex-1">
              <summary className="cursor-pointer truncate">{container.name}</summary>
              <ol className="mb-1 list-decimal pl-5 text-[13.5px] text-soft">
                {container.howTo.split('\n').map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ol>
            </details>
          )}
          <span className="pt-0.5 font-mono text-[13.5px] text-soft">{container.ownedCount} ×</span>
          <button
            type="button"
            aria-label={`Remove ${container.name}`}
            className="grid size-8 place-items-center rounded hover:bg-well max-md:size-11"
            onClick={() => void mutate(() => onRemove(container.id), { offersUndo: true })}
          >
            <X size={14} />
          </button>
        </li>
      ))}
    </ul>
  );
}
