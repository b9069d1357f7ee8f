import clsx from 'clsx';

import type { Step } from '@/core/desk';
import { Link } from '../primitives/Link';

/** A step of this scope: where it leads, and in a word how it stands. */
export interface DividerStep {
  readonly step: Step;
  readonly name: string;
  readonly href: string;
  readonly word: string;
  readonly isMissing: boolean;
}

interface DividersProps {
  readonly steps: readonly DividerStep[];
  readonly activeStep: Step | undefined;
}

/** The steps of the job in their order; a word says what is missing. Nothing is locked. */
export function Dividers({ steps, activeStep }: DividersProps) {
  return (
    <nav
      aria-label="Steps"
      className={clsx(
        'no-print flex flex-col gap-[5px] border-r border-line bg-well pt-3.5 [grid-area:div]',
        'overflow-y-auto max-md:hidden',
      )}
    >
      {steps.map(({ step, name, href, word, isMissing }, i) => {
        const isActive = step === activeStep;
        return (
          <Link
            key={step}
            href={href}
            aria-current={isActive ? 'step' : undefined}
            title={i < 9 ? `${name} (${i + 1})` : name}
            className={clsx(
              'ml-2 flex min-h-[50px] shrink-0 flex-col justify-center rounded-l-[7px] border border-r-0 ' +
                'border-line py-1.5 pr-1 font-head text-[14.5px] font-[620]',
              isActive
                ? 'border-l-4 border-l-rim bg-paper pl-[9px] text-rim-deep'
                : 'bg-[#f0e9da] pl-[11px] text-[#4c463a]',
            )}
          >
            {name}
            {word !== '' && (
              <small
                className={clsx(
                  'font-text text-[12px] leading-tight font-normal whitespace-nowrap',
                  isMissing ? 'text-signal-deep' : 'text-soft',
                )}
              >
                {isMissing && <span aria-hidden="true">? </span>}
                {word}
              </small>
            )}
          </Link>
        );
      })}
    </nav>
  );
}
