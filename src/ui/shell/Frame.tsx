import clsx from 'clsx';
import type { ReactNode } from 'react';

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
        "md:[grid-template-areas:'lid_lid_lid'_'div_work_tray']",
        dividers ? 'md:grid-cols-[108px_minmax(0,1fr)_auto]' : 'md:grid-cols-[0_minmax(0,1fr)_auto]',
      )}
    >
      {lid}
      {dividers}
      <main className={clsx('worktop min-w-0 p-4 [grid-area:work] md:overflow-y-auto md:px-5', tray !== undefined && trayOnPhone === 'slides' && 'max-md:pb-20')}>{children}</main>
      {tray !== undefined && <Tray onPhone={trayOnPhone}>{tray}</Tray>}
    </div>
  );
}

function Tray({ onPhone, children }: { onPhone: 'below' | 'slides'; children: ReactNode }) {
  if (onPhone === 'below') {
    return <aside aria-label="Tray" className="no-print flex flex-col gap-3.5 border-l border-line bg-sheet p-4 [grid-area:tray] max-md:border-t max-md:border-l-0 md:w-[280px] md:overflow-y-auto">{children}</aside>;
  }
  return (
    <>
      <aside aria-label="Tray" className="no-print hidden w-[280px] flex-col gap-3.5 overflow-y-auto border-l border-line bg-sheet p-4 [grid-area:tray] md:flex">{children}</aside>
      <details className="no-print fixed inset-x-0 bottom-0 z-20 max-h-[75dvh] overflow-y-auto border-t-4 border-rim bg-sheet md:hidden">
        <summary className="flex min-h-12 items-center px-4 font-[650] text-rim-deep">Tray: what is next, undo</summary>
        <div className="flex flex-col gap-3.5 px-4 pb-5">{children}</div>
      </details>
    </>
  );
}
