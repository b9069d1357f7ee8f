/** Opens *Find* from anywhere on a page. */
export const FIND_EVENT = 'tin-box-find';
export const openFind = (): void => void window.dispatchEvent(new Event(FIND_EVENT));
