import clsx from 'clsx';
import type { ReactNode } from 'react';

import { Tray } from './Tray';

interface FrameProps {
  readonly lid: ReactNode;
  readonly dividers?: ReactNode;
  readonly tray?: ReactNode;
  /** On a phone the tray lies below the work, or slides up over its foot. */
  readonly trayOnPhone?: 'below' | 'slides';
  readonly children: ReactNode;
}

/** Lid, dividers, worktop, tray: the one layout in which every step finds its place. */
export function Frame({ lid, dividers, tray, trayOnPhone = 'slides', children }: FrameProps) {
  return (
    <div
      className={clsx(
        'shell min-h-dvh md:grid md:h-dvh md:grid-rows-[auto_1fr]',
        tray === undefined
          ? "md:[grid-template-areas:'lid_lid'_'div_work']"
          : "md:[grid-template-areas:'lid_lid'_'div_work'] beside:[grid-template-areas:'lid_lid_lid'_'div_work_tray']!",
        dividers ? 'md:grid-cols-[108px_minmax(0,1fr)]' : 'md:grid-cols-[0_minmax(0,1fr)]',
        // Its column is there before the tray is, so that nothing moves when it comes.
        tray !== undefined &&
          (dividers
            ? 'beside:grid-cols-[108px_minmax(0,1fr)_280px]!'
            : 'beside:grid-cols-[0_minmax(0,1fr)_280px]!'),
      )}
    >
      <a
        href="#work"
        className="sr-only z-50 bg-sheet p-3 font-bold text-rim-deep focus:not-sr-only focus:fixed focus:top-1 focus:left-1"
      >
        To the work
      </a>
      {lid}
      {dividers}
      <main
        id="work"
        tabIndex={-1}
        className={clsx(
          // What is hidden for the eye is placed in here, and does not lengthen the document.
          'worktop relative min-w-0 p-4 outline-none [grid-area:work] md:overflow-y-auto md:px-5',
          tray !== undefined &&
            (trayOnPhone === 'slides' ? 'has-tray folded:pb-20' : 'tablet:pb-20'),
        )}
      >
        {children}
      </main>
      {tray !== undefined && <Tray onPhone={trayOnPhone}>{tray}</Tray>}
    </div>
  );
}
