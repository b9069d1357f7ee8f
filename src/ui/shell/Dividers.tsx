import clsx from 'clsx';
import Link from 'next/link';

import { steps, type RoomProgress, type Step } from '@/core/desk';
import { stepStatus, stepWords } from './stepWords';

interface DividersProps {
  readonly base: string;
  readonly activeStep: Step;
  readonly progress: RoomProgress;
}

/** The steps of the job in their order; a word says what is missing. Nothing is locked. */
export function Dividers({ base, activeStep, progress }: DividersProps) {
  return (
    <nav
      aria-label="Steps"
      className={clsx(
        'no-print flex flex-col gap-[5px] border-r border-line bg-well pt-3.5 [grid-area:div]',
        'max-md:flex-row max-md:gap-1 max-md:overflow-x-auto max-md:border-r-0 max-md:border-b',
        'max-md:px-2 max-md:pt-1.5',
      )}
    >
      {steps.map((step, i) => {
        const { word, isMissing } = stepStatus(step, progress);
        const isActive = step === activeStep;
        return (
          <Link
            key={step}
            href={`${base}/${step}`}
            aria-current={isActive ? 'step' : undefined}
            title={`${stepWords[step]} (${i + 1})`}
            className={clsx(
              'ml-2 flex min-h-[50px] flex-col justify-center rounded-l-[7px] border border-r-0 ' +
                'border-line py-1.5 pr-1 font-head text-[14.5px] font-[620] max-md:ml-0 max-md:min-h-11 ' +
                'max-md:flex-1 max-md:shrink-0 max-md:items-center max-md:rounded-t-[7px] ' +
                'max-md:rounded-b-none max-md:border-r max-md:border-b-0 max-md:px-1.5 max-md:text-[13.5px]',
              isActive
                ? '-mr-px border-l-4 border-l-rim bg-paper pl-[9px] text-rim-deep max-md:mr-0 ' +
                    'max-md:border-t-[3px] max-md:border-t-rim max-md:border-l-line'
                : 'bg-[#f0e9da] pl-[11px] text-[#4c463a]',
            )}
          >
            {stepWords[step]}
            {word !== '' && (
              <small
                className={clsx(
                  'font-text text-[12px] leading-tight font-normal whitespace-nowrap max-md:hidden',
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
