import clsx from 'clsx';
import Link from 'next/link';

const PAGES = [['', 'Bench'], ['count', 'Count'], ['dates', 'Dates'], ['lists', 'What waits'], ['results', 'Results']] as const;
export type SortPage = (typeof PAGES)[number][0];

/** The pages of sorting, side by side under one heading. */
export function SortPages({ projectId, roomId, active }: { projectId: string; roomId: string; active: SortPage }) {
  return (
    <nav aria-label="Pages of sorting" className="no-print mb-3 flex items-center gap-1 overflow-x-auto border-b border-line">
      {PAGES.map(([page, label]) => (
        <Link
          key={page}
          href={`/projects/${projectId}/rooms/${roomId}/sort${page === '' ? '' : `/${page}`}`}
          aria-current={page === active ? 'page' : undefined}
          className={clsx('min-h-9 shrink-0 border-b-[3px] px-2.5 py-1.5 text-[14.5px] whitespace-nowrap max-md:min-h-11 max-md:pt-2.5', page === active ? 'border-rim font-bold text-rim-deep' : 'border-transparent text-soft hover:text-ink')}
        >
          {label}
        </Link>
      ))}
    </nav>
  );
}
