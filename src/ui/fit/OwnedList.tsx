'use client';

import { Pencil, X } from 'lucide-react';
import { useState } from 'react';

import type { ContainerProduct } from '@/core/fit';
import type { LengthUnit } from '@/core/shared';
import type { ActionResult } from '../actionResult';
import { Sheet } from '../primitives/Sheet';
import { useMutation } from '../useMutation';
import { OwnedForm } from './AddOwned';
import { toTypedContainer } from './containerForm';

/** What the home has already, with its number; a line can be corrected, or taken away and undone. */
export function OwnedList({
  owned,
  measureUnit,
  onChange,
  onRemove,
}: {
  owned: readonly ContainerProduct[];
  measureUnit: LengthUnit;
  onChange: (containerId: string, typed: unknown) => Promise<ActionResult>;
  onRemove: (containerId: string) => Promise<ActionResult>;
}) {
  const { mutate } = useMutation();
  const [changed, setChanged] = useState<ContainerProduct>();
  return (
    <>
      {changed && (
        <Sheet isOpen onOpenChange={() => setChanged(undefined)} title={changed.name}>
          <OwnedForm
            measureUnit={measureUnit}
            start={{ ...toTypedContainer(changed), count: String(changed.ownedCount ?? 1) }}
            submitWords="Keep these"
            onSave={(typed) => onChange(changed.id, typed)}
            onDone={() => setChanged(undefined)}
          />
        </Sheet>
      )}
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
            <span className="pt-0.5 font-mono text-[13.5px] text-soft">
              {container.ownedCount === 0 ? 'gone' : `${container.ownedCount} ×`}
            </span>
            <button
              type="button"
              aria-label={`Change ${container.name}`}
              className="grid size-8 place-items-center rounded hover:bg-well max-md:size-12"
              onClick={() => setChanged(container)}
            >
              <Pencil size={14} />
            </button>
            <button
              type="button"
              aria-label={`Remove ${container.name}`}
              className="grid size-8 place-items-center rounded hover:bg-well max-md:size-12"
              onClick={() => void mutate(() => onRemove(container.id), { offersUndo: true })}
            >
              <X size={14} />
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
