'use client';
import clsx from 'clsx';

import { X } from 'lucide-react';
import { Toast } from 'radix-ui';

import type { ActionResult } from '../actionResult';
import { Button } from './Button';
import { closeNotice, showNotice, type Notice } from './notices';

/** So long a notice of something done stays, in ms; one of a fault stays until it is closed. */
const DONE_MS = 7000;

export interface NoticesProps {
  readonly onUndo: (projectId: string, way: 'undo') => Promise<ActionResult<unknown>>;
}

/** What was done or failed, in the order in which it was said. */
export function NoticeToasts({
  shown,
  onUndo,
}: NoticesProps & { readonly shown: readonly Notice[] }) {
  const undo = async ({ id, undoOf }: Notice) => {
    closeNotice(id);
    if (undoOf === undefined) return;
    const result = await onUndo(undoOf, 'undo');
    if (!result.ok) showNotice({ kind: 'fault', words: result.message });
  };
  return (
    <Toast.Provider label="Notice" swipeDirection="down">
      {shown.map((notice) => (
        <Toast.Root
          key={notice.id}
          type={notice.kind === 'fault' ? 'foreground' : 'background'}
          duration={notice.kind === 'fault' ? Infinity : DONE_MS}
          onOpenChange={(isOpen) => !isOpen && closeNotice(notice.id)}
          className={clsx(
            'panel flex items-center gap-3 border-l-4 bg-sheet py-2 pr-2 pl-3.5 shadow-md',
            notice.kind === 'fault' ? 'border-l-signal' : 'border-l-rim',
          )}
        >
          <Toast.Description className="min-w-0 flex-1 text-[15px]">
            {notice.words}
          </Toast.Description>
          {notice.undoOf !== undefined && (
            <Toast.Action asChild altText="Undo, or press Z">
              <Button look="quiet" onClick={() => void undo(notice)}>
                Undo
              </Button>
            </Toast.Action>
          )}
          <Toast.Close
            aria-label="Close the notice"
            className="grid size-10 shrink-0 place-items-center rounded hover:bg-well max-md:size-12"
          >
            <X size={16} />
          </Toast.Close>
        </Toast.Root>
      ))}
      <Toast.Viewport
        label="Notices ({hotkey})"
        className="no-print fixed bottom-4 left-1/2 z-50 grid w-[min(560px,calc(100%-24px))] -translate-x-1/2 gap-2 max-md:bottom-24"
      />
    </Toast.Provider>
  );
}
