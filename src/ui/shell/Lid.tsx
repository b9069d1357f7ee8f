import clsx from 'clsx';
import type { ReactNode } from 'react';

import { Find } from './Find';
import { Mark } from './Mark';
import { Link } from '../primitives/Link';

interface LidScope {
  /** `home`, or the room's id. */
  readonly id: string;
  readonly name: string;
  readonly href: string;
  /** 0..1: how much of its work is done. */
  readonly doneRatio: number;
}

interface LidProps {
  readonly projectId?: string;
  readonly homeName?: string;
  readonly homeNote?: string;
  /** The home first, then its rooms. */
  readonly scopes?: readonly LidScope[];
  readonly activeId?: string | undefined;
  readonly addRoomHref?: string;
  readonly children?: ReactNode;
}

/** The slim band on top: whose home, the home and its rooms, find anything, what waits to be sent. */
export function Lid({
  projectId,
  homeName,
  homeNote,
  scopes = [],
  activeId,
  addRoomHref,
  children,
}: LidProps) {
  return (
    <header
      className={clsx(
        'no-print flex min-h-[60px] items-center gap-4 border-b-4 border-rim bg-sheet px-3.5',
        '[grid-area:lid] max-md:min-h-[52px] max-md:gap-2.5',
      )}
    >
      <Link
        href="/"
        className="flex min-h-12 min-w-12 shrink-0 items-center gap-2 font-head text-[17px] font-bold text-rim-deep"
        aria-label="Tin Box: all projects"
      >
        <Mark /> <span className="max-lg:hidden">Tin Box</span>
      </Link>
      {homeName !== undefined && (
        <div className="min-w-0 border-l border-line pl-3.5 text-[13px] leading-tight text-soft max-md:border-l-0 max-md:pl-0">
          <b className="block truncate font-head text-[15px] font-[650] text-ink">{homeName}</b>
          <span className="whitespace-nowrap max-md:hidden">{homeNote}</span>
        </div>
      )}
      <nav
        aria-label="Home and rooms"
        className={clsx(
          // What is hidden for the eye stays in here, and does not widen the page.
          'relative flex min-w-0 flex-1 items-center gap-1.5 overflow-x-auto py-1.5',
          scopes.length > 0 && 'max-md:hidden',
        )}
      >
        {scopes.map((scope) => (
          <Link
            key={scope.id}
            href={scope.href}
            aria-current={scope.id === activeId ? 'page' : undefined}
            className={clsx(
              'relative flex min-h-[34px] shrink-0 items-center overflow-hidden rounded-[5px] border-[1.5px] ' +
                'px-2.5 pb-1 text-[13.5px] whitespace-nowrap',
              scope.id === 'home' && 'mr-2 font-[620]',
              scope.id === activeId
                ? 'border-rim bg-white font-bold text-rim-deep'
                : 'border-line bg-paper',
            )}
          >
            {scope.name}
            <i
              aria-hidden="true"
              className="absolute bottom-0 left-0 h-1 bg-rim/75"
              style={{ width: `${scope.doneRatio * 100}%` }}
            />
          </Link>
        ))}
        {addRoomHref !== undefined && (
          <Link
            href={addRoomHref}
            className={clsx(
              'flex min-h-[34px] items-center rounded-[5px] border-[1.5px] border-dashed border-line',
              'px-2.5 text-[13.5px] whitespace-nowrap text-rim-deep max-md:min-h-12',
            )}
          >
            <span aria-hidden="true">+</span>
            <span className={clsx(scopes.length > 5 && 'sr-only')}>&nbsp;Room</span>
          </Link>
        )}
      </nav>
      {scopes.length > 0 && <span className="flex-1 md:hidden" />}
      <Find {...(projectId === undefined ? {} : { projectId })} />
      {children}
    </header>
  );
}
