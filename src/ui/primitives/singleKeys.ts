const NAME = 'tin-box.single-keys';

/** Whether single letters and digits act on this device; they do until somebody switches them off. */
export function areSingleKeysOn(): boolean {
  try {
    return window.localStorage.getItem(NAME) !== 'off';
  } catch {
    // A browser that keeps nothing: as if nobody had said anything.
    return true;
  }
}
export function switchSingleKeys(isOn: boolean): void {
  try {
    if (isOn) window.localStorage.removeItem(NAME);
    else window.localStorage.setItem(NAME, 'off');
  } catch {
    // The switch is back at the next page; nothing else is lost.
  }
}
