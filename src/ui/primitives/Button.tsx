import clsx from 'clsx';
import type { ButtonHTMLAttributes } from 'react';

export type ButtonLook = 'main' | 'quiet' | 'plain';

const LOOKS: Readonly<Record<ButtonLook, string>> = {
  main: 'border-rim bg-rim text-white hover:bg-rim-deep',
  quiet: 'border-rim bg-transparent text-rim-deep hover:bg-rim-wash',
  plain: 'border-line bg-sheet text-ink hover:bg-white',
};

/** The look of a button, for links that act like one. */
export const buttonClass = (look: ButtonLook, extra?: string): string =>
  clsx(
    'inline-flex min-h-10 items-center justify-center gap-2 rounded-[5px] border-[1.5px] px-3.5 ' +
      'py-2 text-[14.5px] leading-tight font-[650] disabled:opacity-50 max-md:min-h-12',
    LOOKS[look],
    extra,
  );

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: ButtonLook;
}

export function Button({ look = 'plain', className, type = 'button', ...rest }: ButtonProps) {
  return <button type={type} className={buttonClass(look, className)} {...rest} />;
}
