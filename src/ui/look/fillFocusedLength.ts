/** Fields that a distance meter may fill are marked so. */
export const isLengthField = (target: EventTarget | null): target is HTMLInputElement =>
  target instanceof HTMLInputElement && target.dataset.length !== undefined;

/**
 * Types a reading into a field as a hand would, then moves the focus to the field that wants the next
 * one: another reading of the same measure while its readings disagree, else the next that is empty or
 * holds a usual size. Returns the field's name; undefined where the target is no length field.
 */
export function fillFocusedLength(text: string, target: EventTarget | null): string | undefined {
  if (!isLengthField(target)) return undefined;
  const name = target.getAttribute('aria-label') ?? target.labels?.[0]?.textContent ?? 'this field';
  typeInto(target, text);
  // The form has to take the reading in before it is known what is wanted next.
  requestAnimationFrame(() => requestAnimationFrame(() => moveOn(target)));
  return name;
}

/** React listens for `input` on the element's own setter, so a plain assignment would go unnoticed. */
function typeInto(field: HTMLInputElement, text: string): void {
  const setter = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')?.set;
  setter?.call(field, text);
  delete field.dataset.usual;
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

function moveOn(field: HTMLInputElement): void {
  const readings = field.closest<HTMLElement>('[data-readings]');
  const isLastReading = readings && fieldsIn(readings).every((other) => other.value.trim() !== '');
  if (readings && isLastReading && readings.dataset.readings === 'askew') {
    readings.querySelector<HTMLButtonElement>('[data-add-reading]')?.click();
    requestAnimationFrame(() => fieldsIn(readings).at(-1)?.focus());
    return;
  }
  const all = fieldsIn(field.form ?? document.body);
  const next = all
    .slice(all.indexOf(field) + 1)
    .find((other) => other.value.trim() === '' || other.dataset.usual !== undefined);
  // Nothing is left to measure: the focus stays, so that a reading too many is seen and not lost.
  next?.focus();
  next?.scrollIntoView({ block: 'center' });
}

/** Length fields that are on screen, in reading order; what lies in a closed fold waits. */
const fieldsIn = (root: ParentNode): HTMLInputElement[] =>
  [...root.querySelectorAll<HTMLInputElement>('input[data-length]')].filter((field) =>
    field.checkVisibility(),
  );
