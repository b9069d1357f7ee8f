'use client';

import clsx from 'clsx';
import {
  useId,
  type InputHTMLAttributes,
  type ReactNode,
  type Ref,
  type SelectHTMLAttributes,
} from 'react';

import { Checkbox } from './Checkbox';
import { useLengthKeys } from './LengthKeys';

interface FieldFrame {
  readonly label: string;
  readonly error?: string | undefined;
  readonly hint?: string | undefined;
  readonly className?: string | undefined;
  /** Must be filled: said beside the label, and to assistive technology. */
  readonly isNeeded?: boolean;
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
  isNeeded,
  measure,
  isLength,
  ...rest
}: TextFieldProps) {
  const id = useId();
  const lengthKeys = useLengthKeys();
  return (
    <Frame
      id={id}
      label={label}
      error={error}
      hint={hint}
      className={className}
      hideLabel={hideLabel ?? false}
      isNeeded={isNeeded ?? false}
    >
      <input
        id={id}
        className={clsx('input', (measure ?? isLength) && 'measure')}
        data-length={isLength ? '' : undefined}
        inputMode={isLength ? lengthKeys : undefined}
        aria-required={isNeeded}
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
  isNeeded,
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
      isNeeded={isNeeded ?? false}
    >
      <select
        id={id}
        className="input"
        aria-required={isNeeded}
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
      <Checkbox {...rest} />
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
  readonly isNeeded: boolean;
  readonly children: ReactNode;
}

function Frame({ id, label, error, hint, className, hideLabel, isNeeded, children }: FrameProps) {
  return (
    <div className={clsx(isNeeded && '@container', className)}>
      <div className={clsx('flex items-baseline justify-between gap-2', !hideLabel && 'mb-1')}>
        <label htmlFor={id} className={hideLabel ? 'sr-only' : 'caption'}>
          {label}
        </label>
        {isNeeded && !hideLabel && (
          <span aria-hidden="true" className="shrink-0 text-[12px] text-soft">
            <span className="@max-[150px]:hidden">needed</span>
            <span className="hidden @max-[150px]:inline">*</span>
          </span>
        )}
      </div>
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
