import type { Waiting } from './waiting';

/**
 * Holds what is made from that moment until the browser's database has it: that one answers later,
 * and the page may be gone by then. A key each, so that no tab writes over another's.
 */
export interface OutboxJournal<T extends Waiting> {
  readonly write: (entries: readonly T[]) => void;
  /** Oldest first. */
  readonly read: () => T[];
  readonly clear: (ids: readonly string[]) => void;
}

interface JournalOptions<T> {
  readonly storage: () => Storage;
  readonly prefix: string;
  /** Reads what lies under a key, of this version or an older one; undefined where it is nonsense. */
  readonly parse: (value: unknown) => T | undefined;
  readonly compare: (a: T, b: T) => number;
}

export function createOutboxJournal<T extends Waiting>({
  storage,
  prefix,
  parse,
  compare,
}: JournalOptions<T>): OutboxJournal<T> {
  return {
    write: (entries) => {
      for (const entry of entries) storage().setItem(`${prefix}${entry.id}`, JSON.stringify(entry));
    },
    read: () =>
      Array.from({ length: storage().length }, (_, i) => storage().key(i) ?? '')
        .filter((key) => key.startsWith(prefix))
        .flatMap((key) => parse(readJson(storage().getItem(key))) ?? [])
        .sort(compare),
    clear: (ids) => {
      for (const id of ids) storage().removeItem(`${prefix}${id}`);
    },
  };
}

/** Reads what lies under a key; undefined where it is nothing or nonsense. */
export function readJson(text: string | null): unknown {
  try {
    return text === null ? undefined : JSON.parse(text);
  } catch {
    return undefined;
  }
}
