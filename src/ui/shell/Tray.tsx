'use client';
import clsx from 'clsx';

import { ChevronUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';

interface TrayProps {
  readonly onPhone: 'below' | 'slides';
  readonly children: ReactNode;
}

/** What comes with the step: beside the work on a desk; on a phone below it, or sliding up over its foot. */
export function Tray({ onPhone, children }: TrayProps) {
  const [isUp, setIsUp] = useState(false);
  const slides = onPhone === 'slides';
  const place = slides
    ? 'max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-20 max-md:max-h-[75dvh] max-md:border-t-4 max-md:border-rim max-md:p-0'
    : 'max-md:border-t';
  return (
    <aside
      aria-label="Tray"
      className={clsx(
        'no-print flex flex-col border-line bg-sheet p-4 [grid-area:tray] max-md:border-l-0',
        'md:relative md:w-[280px] md:overflow-y-auto md:border-l',
        place,
      )}
    >
      {slides && (
        <button
          type="button"
          aria-expanded={isUp}
          onClick={() => setIsUp(!isUp)}
          className="flex min-h-12 items-center justify-between px-4 font-[650] text-rim-deep md:hidden"
        >
          Tray: what is next, undo{' '}
          <ChevronUp size={18} aria-hidden="true" className={isUp ? 'rotate-180' : ''} />
        </button>
      )}
      <div
        className={clsx(
          'flex flex-1 flex-col gap-3.5',
          slides
            ? `max-md:overflow-y-auto max-md:px-4 max-md:pb-5 ${isUp ? '' : 'max-md:hidden'}`
            : '',
        )}
      >
        {children}
      </div>
    </aside>
  );
}
