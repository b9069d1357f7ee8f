'use client';
import clsx from 'clsx';

import { X } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useSyncExternalStore, type ReactNode } from 'react';

import { focusBack, focusFirst } from './lastFocus';
import { noticeStore, openSheet } from './notices';

export interface SheetProps {
  readonly isOpen: boolean;
  readonly onOpenChange: (isOpen: boolean) => void;
  readonly title: string;
  /** On a phone it rises from the foot, under the thumb. */
  readonly isAtFoot?: boolean;
  readonly children: ReactNode;
}

/** The sheet itself, once there is one. */
export function SheetDialog({ isOpen, onOpenChange, title, isAtFoot, children }: SheetProps) {
  return (
    <Dialog.Root open={isOpen} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="no-print fixed inset-0 z-40 bg-ink/35" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            event.preventDefault();
            if (event.currentTarget instanceof HTMLElement) focusFirst(event.currentTarget);
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            focusBack();
          }}
          className={clsx(
            'no-print fixed top-[9vh] left-1/2 z-50 max-h-[82vh] w-[min(600px,calc(100vw-24px))]',
            '-translate-x-1/2 overflow-auto rounded-[7px] border-t-4 border-rim bg-sheet p-4',
            isAtFoot && 'max-md:top-auto max-md:bottom-0 max-md:w-full max-md:rounded-b-none',
          )}
        >
          <div className="mb-3 flex items-center justify-between">
            <Dialog.Title className="text-[18px]">{title}</Dialog.Title>
            <Dialog.Close className="grid size-12 place-items-center rounded" aria-label="Close">
              <X size={18} />
            </Dialog.Close>
          </div>
          {children}
          <SheetNotices />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

/** What was done or failed, said where the eye is: the page below cannot be reached meanwhile. */
function SheetNotices() {
  useEffect(openSheet, []);
  const notices = useSyncExternalStore(
    noticeStore.subscribe,
    noticeStore.get,
    noticeStore.getOnServer,
  );
  return notices.map(({ id, kind, words }) => (
    <p
      key={id}
      role={kind === 'fault' ? 'alert' : 'status'}
      className={`mt-3 text-[14.5px] ${kind === 'fault' ? 'text-signal-deep' : 'text-soft'}`}
    >
      {words}
    </p>
  ));
}
