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

/** Faults of what was tried before; trying again takes them away. */
export const closeFaults = (): void => {
  if (notices.some(({ kind }) => kind === 'fault'))
    change(notices.filter(({ kind }) => kind !== 'fault'));
};

/** How many sheets lie over the page: notices are shown on the uppermost, where they can be reached. */
let openSheets = 0;
export function openSheet(): () => void {
  openSheets += 1;
  change([...notices]);
  return () => {
    openSheets -= 1;
    change([...notices]);
  };
}

/** For `useSyncExternalStore`. */
export const noticeStore = {
  subscribe: (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
  get: () => notices,
  getOnServer: () => NONE,
  isOverlaid: () => openSheets > 0,
  isOverlaidOnServer: () => false,
};
