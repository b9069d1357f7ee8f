'use client';

import { X } from 'lucide-react';
import { useRouter } from 'next/navigation';

import type { ContainerProduct } from '@/core/fit';
import type { ActionResult } from '../actionResult';

/** What the home has already, with its number; a line can be taken away and undone. */
export function OwnedList({ owned, onRemove }: { owned: readonly ContainerProduct[]; onRemove: (containerId: string) => Promise<ActionResult> }) {
  const router = useRouter();
  return (
    <ul className="text-[14px]">
      {owned.map((container) => (
        <li key={container.id} className="flex items-center gap-2">
          <span className="min-w-0 flex-1 truncate">{container.name}</span>
          <span className="font-mono text-[13.5px] text-soft">{container.ownedCount} ×</span>
          <button type="button" aria-label={`Remove ${container.name}`} className="grid size-8 place-items-center rounded hover:bg-well max-md:size-11" onClick={() => void onRemove(container.id).then(() => router.refresh())}><X size={14} /></button>
        </li>
      ))}
    </ul>
  );
}
