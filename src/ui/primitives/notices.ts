/** A word on what just happened. */
export interface Notice {
  readonly id: number;
  /** A fault stays until it is closed. */
  readonly kind: 'done' | 'fault';
  readonly words: string;
  /** The project of which the last change can be taken back from here. */
  readonly undoOf?: string | undefined;
}

let notices: readonly Notice[] = [];
let nextId = 1;
const listeners = new Set<() => void>();
const NONE: readonly Notice[] = [];

function change(next: readonly Notice[]): void {
  notices = next;
  for (const listener of listeners) listener();
}

/** Shows a notice; the same words once. */
export function showNotice(notice: Omit<Notice, 'id'>): void {
  const others = notices.filter(({ words }) => words !== notice.words);
  change([...others.slice(-2), { ...notice, id: nextId++ }]);
}
export const closeNotice = (id: number): void => change(notices.filter((each) => each.id !== id));

/** For `useSyncExternalStore`. */
export const noticeStore = {
  subscribe: (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  get: () => notices,
  getOnServer: () => NONE,
};
