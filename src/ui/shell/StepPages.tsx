import clsx from 'clsx';
import Link from 'next/link';

interface StepPagesProps {
  /** What they are pages of, for screen readers: "sorting". */
  readonly of: string;
  readonly base: string;
  readonly pages: readonly (readonly [path: string, label: string])[];
  readonly active: string;
}

/** The pages of a step, side by side under one heading; the first has an empty path. */
export function StepPages({ of, base, pages, active }: StepPagesProps) {
  return (
    <nav
      aria-label={`Pages of ${of}`}
      className="no-print mb-3 flex items-center gap-1 overflow-x-auto border-b border-line"
    >
      {pages.map(([page, label]) => (
        <Link
          key={page}
          href={`${base}${page === '' ? '' : `/${page}`}`}
          aria-current={page === active ? 'page' : undefined}
          className={clsx(
            'min-h-9 shrink-0 border-b-[3px] px-2.5 py-1.5 text-[14.5px] whitespace-nowrap max-md:min-h-11 max-md:pt-2.5',
            page === active
              ? 'border-rim font-bold text-rim-deep'
              : 'border-transparent text-soft hover:text-ink',
          )}
        >
          {label}
        </Link>
      ))}
    </nav>
  );
}
