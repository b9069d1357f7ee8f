/** What had the focus last outside of sheets: there it goes back when one is put away. */
let last: HTMLElement | undefined;

if (typeof document !== 'undefined')
  document.addEventListener('focusin', ({ target }) => {
    if (target instanceof HTMLElement && target.closest('[role="dialog"]') === null) last = target;
  });

/** Gives the focus back to where it was before a sheet; the worktop has it where that is gone. */
export function focusBack(): void {
  const to = last?.isConnected ? last : document.querySelector<HTMLElement>('main');
  to?.focus();
}

/** The first field of a sheet, or the first thing in it that is no way to close it. */
export function focusFirst(sheet: HTMLElement): void {
  if (sheet.contains(document.activeElement)) return;
  const field =
    sheet.querySelector<HTMLElement>('input:not([type="hidden"]), select, textarea') ??
    sheet.querySelector<HTMLElement>('a[href], button:not([aria-label="Close"])') ??
    sheet;
  field.focus();
}
