'use client';

import { Redo2, Undo2 } from 'lucide-react';

import type { KeptDeed } from '@/core/home';
import type { ActionResult } from '../actionResult';
import { sayDeed } from '../home/homeWords';
import { useKeys } from '../primitives/useKeys';
import { useMutation } from '../useMutation';

interface UndoBarProps {
  readonly projectId: string;
  readonly undo: KeptDeed | undefined;
  readonly redo: KeptDeed | undefined;
  readonly onMove: (projectId: string, way: 'undo' | 'redo') => Promise<ActionResult<KeptDeed>>;
}

/** Takes the last change back, or does it again; says which one that is. */
export function UndoBar({ projectId, undo, redo, onMove }: UndoBarProps) {
  const { mutate, isPending: isBusy } = useMutation();
  const move = (way: 'undo' | 'redo') => void mutate(() => onMove(projectId, way));
  useKeys({
    z: () => undo !== undefined && move('undo'),
    y: () => redo !== undefined && move('redo'),
  });
  if (undo === undefined && redo === undefined) return null;
  return (
    <div className="no-print border-t border-line pt-2 text-[13.5px]">
      {undo !== undefined && (
        <button
          type="button"
          disabled={isBusy}
          onClick={() => move('undo')}
          className="flex min-h-10 w-full items-center gap-2 text-left text-rim-deep"
        >
          <Undo2 size={16} className="shrink-0" aria-hidden="true" />
          <span className="min-w-0 flex-1">
            <b>Undo</b> <span className="text-soft">{sayDeed(undo)}</span>
          </span>{' '}
          <kbd>Z</kbd>
        </button>
      )}
      {redo !== undefined && (
        <button
          type="button"
          disabled={isBusy}
          onClick={() => move('redo')}
          className="flex min-h-10 w-full items-center gap-2 text-left text-rim-deep"
        >
          <Redo2 size={16} className="shrink-0" aria-hidden="true" />
          <span className="min-w-0 flex-1">
            <b>Do again</b> <span className="text-soft">{sayDeed(redo)}</span>
          </span>{' '}
          <kbd>Y</kbd>
        </button>
      )}
    </div>
  );
}
