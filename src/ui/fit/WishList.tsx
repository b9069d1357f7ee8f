'use client';

import { X } from 'lucide-react';

import type { FitQuestion } from '@/core/fit';

interface WishListProps {
  readonly request: FitQuestion;
  readonly forbidden: readonly { readonly id: string; readonly name: string }[];
  readonly onWish: (wish: unknown) => Promise<void>;
}

/** What is wanted of this place whatever is cheapest; each can be let go. */
export function WishList({ request, forbidden, onWish }: WishListProps) {
  const pins = (request.pins ?? []).map((pin) => ({
    key: `${pin.groupId}-${pin.containerId}`,
    words:
      `${request.groups.find(({ id }) => id === pin.groupId)?.name ?? ''}: only ` +
      `${request.containers.find(({ id }) => id === pin.containerId)?.name ?? ''}`,
    undo: { kind: 'unpin', groupId: pin.groupId },
  }));
  const nevers = forbidden.map(({ id, name }) => ({
    key: id,
    words: `not here: ${name}`,
    undo: { kind: 'allow', containerId: id },
  }));
  if (pins.length + nevers.length === 0) return null;
  return (
    <section aria-label="Wanted here" className="text-[13.5px]">
      <h3 className="caption font-text">Wanted here</h3>
      <ul>
        {[...pins, ...nevers].map(({ key, words, undo }) => (
          <li key={key} className="flex items-center gap-1">
            <span className="min-w-0 flex-1">{words}</span>
            <button
              type="button"
              aria-label={`Let go: ${words}`}
              className="grid size-8 shrink-0 place-items-center rounded hover:bg-well max-md:size-11"
              onClick={() => void onWish(undo)}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
