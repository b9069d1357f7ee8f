/** Opens the sheet of keys from anywhere on a page. */
export const KEYS_EVENT = 'tin-box-keys';
export const openKeys = (): void => void window.dispatchEvent(new Event(KEYS_EVENT));
