'use client';

import { useLayoutEffect, useRef, type InputHTMLAttributes, type Ref } from 'react';

type CheckboxProps = Omit<InputHTMLAttributes<HTMLInputElement>, 'type' | 'className'> & {
  /** For a list that is ticked by thumb. */
  readonly isLarge?: boolean;
  readonly ref?: Ref<HTMLInputElement>;
};

/**
 * A box to tick. A tick that was made before the page had woken up is made once more when it has; what the
 * browser alone brought back, as after a reload, is not a tick, and the box shows what is kept.
 */
export function Checkbox({ isLarge = false, ref, ...rest }: CheckboxProps) {
  const own = useRef<HTMLInputElement>(null);
  useLayoutEffect(() => {
    const box = own.current;
    if (!box || box.checked === box.defaultChecked) return;
    box.checked = box.defaultChecked;
    if (box.matches(':user-valid, :user-invalid')) box.click();
  }, []);
  return (
    <input
      {...rest}
      ref={(box) => {
        own.current = box;
        if (typeof ref === 'function') return ref(box);
        if (ref) ref.current = box;
        return undefined;
      }}
      type="checkbox"
      className={`shrink-0 accent-[#23407a] ${isLarge ? 'size-[22px]' : 'size-[18px]'}`}
    />
  );
}
