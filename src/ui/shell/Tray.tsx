'use client';
import clsx from 'clsx';

import { ChevronUp } from 'lucide-react';
import { useState, type ReactNode } from 'react';

interface TrayProps {
  readonly onPhone: 'below' | 'slides';
  readonly children: ReactNode;
}

/**
 * What comes with the step: beside the work where there is room for both; else it slides up over the
 * foot, or on a phone lies below the work.
 */
export function Tray({ onPhone, children }: TrayProps) {
  const [isUp, setIsUp] = useState(false);
  const slides = onPhone === 'slides';
  return (
    <aside
      aria-label="Tray"
      className={clsx(
        'no-print flex flex-col border-line bg-sheet [grid-area:tray]',
        'beside:relative beside:w-[280px] beside:overflow-y-auto beside:border-l beside:p-4',
        'tablet:fixed tablet:right-0 tablet:bottom-0 tablet:z-20 tablet:max-h-[75dvh] tablet:w-[420px]',
        'tablet:rounded-tl-[7px] tablet:border-t-4 tablet:border-l-4 tablet:border-rim md:flat:w-auto',
        slides
          ? 'max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-20 max-md:max-h-[75dvh] max-md:border-t-4 max-md:border-rim'
          : 'max-md:border-t max-md:p-4',
      )}
    >
      <button
        type="button"
        aria-expanded={isUp}
        onClick={() => setIsUp(!isUp)}
        className={clsx(
          'flex min-h-12 items-center justify-between gap-2 px-4 font-[650] text-rim-deep beside:hidden md:flat:min-h-9',
          !slides && 'max-md:hidden',
        )}
      >
        <span>
          Tray<span className="md:flat:hidden">: what is next, undo</span>
        </span>
        <ChevronUp size={18} aria-hidden="true" className={isUp ? 'rotate-180' : ''} />
      </button>
      <div
        className={clsx(
          'flex flex-1 flex-col gap-3.5',
          'tablet:overflow-y-auto tablet:px-4 tablet:pb-5',
          !isUp && 'tablet:hidden',
          slides && 'max-md:overflow-y-auto max-md:px-4 max-md:pb-5',
          slides && !isUp && 'max-md:hidden',
        )}
      >
        {children}
      </div>
    </aside>
  );
}
