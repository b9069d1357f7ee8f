import Link from 'next/link';

import type { NextStep } from '@/core/desk';
import { nextStepWords, stepWords } from './stepWords';

/** The next three things to do in this room; a link goes where it is done. */
export function NextThings({ next, base }: { next: readonly NextStep[]; base: string }) {
  return (
    <section>
      <h2 className="caption mb-1.5 font-text">Next in this room</h2>
      {next.length === 0 && (
        <p className="text-[14.5px]">Nothing is missing here. Look again in two weeks.</p>
      )}
      <ol className="grid gap-1">
        {next.slice(0, 3).map((item, i) => (
          <li key={i}>
            <Link
              href={`${base}/${item.step}`}
              className="block rounded py-1 text-[14.5px] leading-snug hover:bg-rim-wash"
            >
              {nextStepWords(item)}{' '}
              <span className="text-[13px] whitespace-nowrap text-soft">
                in {stepWords[item.step]}
              </span>
            </Link>
          </li>
        ))}
      </ol>
    </section>
  );
}
