import clsx from 'clsx';

/** How something looks that is chosen or not, wherever it can be. */
export const choiceLook = (isChosen: boolean, className?: string): string =>
  clsx(
    'min-h-9 rounded-[5px] border-[1.5px] px-2.5 text-[13.5px] max-md:min-h-12',
    isChosen ? 'border-rim bg-white font-[650] text-rim-deep' : 'border-line',
    className,
  );
