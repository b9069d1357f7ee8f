'use client';

import clsx from 'clsx';
import {
  useId,
  type InputHTMLAttributes,
  type ReactNode,
  type Ref,
  type SelectHTMLAttributes,
} from 'react';

interface FieldFrame {
  readonly label: string;
  readonly error?: string | undefined;
  readonly hint?: string | undefined;
  readonly className?: string | undefined;
  /** Shows the label to screen readers only, where a heading above says it for the eye. */
  readonly hideLabel?: boolean;
}

type TextFieldProps = FieldFrame &
  Omit<InputHTMLAttributes<HTMLInputElement>, 'className'> & {
    readonly measure?: boolean;
    /** A length: a distance meter may fill it. */ readonly isLength?: boolean;
    readonly ref?: Ref<HTMLInputElement>;
  };

export function TextField({
  label,
  error,
  hint,
  className,
  hideLabel,
  measure,
  isLength,
  ...rest
}: TextFieldProps) {
  const id = useId();
  return (
    <Frame
      id={id}
      label={label}
      error={error}
      hint={hint}
      className={className}
      hideLabel={hideLabel ?? false}
    >
      <input
        id={id}
        className={clsx('input', (measure ?? isLength) && 'measure')}
        data-length={isLength ? '' : undefined}
        aria-invalid={error !== undefined}
        aria-describedby={`${id}-note`}
        autoComplete="off"
        {...rest}
      />
    </Frame>
  );
}

type SelectFieldProps = FieldFrame &
  Omit<SelectHTMLAttributes<HTMLSelectElement>, 'className'> & {
    readonly ref?: Ref<HTMLSelectElement>;
  };

export function SelectField({
  label,
  error,
  hint,
  className,
  hideLabel,
  children,
  ...rest
}: SelectFieldProps) {
  const id = useId();
  return (
    <Frame
      id={id}
      label={label}
      error={error}
      hint={hint}
      className={className}
      hideLabel={hideLabel ?? false}
    >
      <select
        id={id}
        className="input"
        aria-invalid={error !== undefined}
        aria-describedby={`${id}-note`}
        {...rest}
      >
        {children}
      </select>
    </Frame>
  );
}

type CheckFieldProps = Omit<InputHTMLAttributes<HTMLInputElement>, 'className' | 'type'> & {
  readonly label: string;
  readonly ref?: Ref<HTMLInputElement>;
};

export function CheckField({ label, ...rest }: CheckFieldProps) {
  return (
    <label className="flex min-h-10 items-center gap-2 text-[14.5px]">
      <input type="checkbox" className="size-[18px] accent-[#23407a]" {...rest} />
      {label}
    </label>
  );
}

interface FrameProps {
  readonly id: string;
  readonly label: string;
  readonly error: string | undefined;
  readonly hint: string | undefined;
  readonly className: string | undefined;
  readonly hideLabel: boolean;
  readonly children: ReactNode;
}

function Frame({ id, label, error, hint, className, hideLabel, children }: FrameProps) {
  return (
    <div className={className}>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'caption mb-1 block'}>
        {label}
      </label>
      {children}
      <p
        id={`${id}-note`}
        className={clsx('mt-1 text-[13px] empty:hidden', error ? 'text-signal-deep' : 'text-soft')}
        role={error ? 'alert' : undefined}
      >
        {error ?? hint}
      </p>
    </div>
  );
}
