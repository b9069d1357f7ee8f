import clsx from 'clsx';

import type { Step } from '@/core/desk';
import { stepHref, type Scope } from './scope';
import { stepRegistry } from './stepRegistry';
import { Link } from '../primitives/Link';

interface StepPagesProps {
  readonly scope: Scope;
  readonly step: Step;
  /** The path of the page that is shown. */
  readonly active: string;
}

/** The pages of a step, side by side under one heading; nothing where there is only one. */
export function StepPages({ scope, step, active }: StepPagesProps) {
  const entry = stepRegistry[step];
  const pages = scope.roomId === undefined ? entry.home : entry.room;
  if (pages.length === 1) return null;
  return (
    <PageTabs
      label={`Pages of ${entry.of}`}
      base={stepHref(scope, step)}
      pages={pages}
      active={active}
    />
  );
}

interface PageTabsProps {
  readonly label: string;
  /** The address of the first; the others lie below it. */
  readonly base: string;
  readonly pages: readonly (readonly [path: string, label: string])[];
  readonly active: string;
}

/** Pages side by side, one of them shown. */
export function PageTabs({ label, base, pages, active }: PageTabsProps) {
  return (
    <nav
      aria-label={label}
      className="no-print relative mb-3 flex items-center gap-1 overflow-x-auto border-b border-line"
    >
      {pages.map(([page, name]) => (
        <Link
          key={page}
          href={`${base}${page === '' ? '' : `/${page}`}`}
          aria-current={page === active ? 'page' : undefined}
          className={clsx(
            'min-h-9 shrink-0 border-b-[3px] px-2.5 py-1.5 text-[14.5px] whitespace-nowrap',
            'max-[359px]:px-1.5 max-md:min-h-12 max-md:pt-2.5',
            page === active
              ? 'border-rim font-bold text-rim-deep'
              : 'border-transparent text-soft hover:text-ink',
          )}
        >
          {name}
        </Link>
      ))}
    </nav>
  );
}
