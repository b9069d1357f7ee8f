import type { WaitingDecision } from './decisionStore';

const PREFIX = 'tin-box-decision ';
/** Where earlier versions kept all that waited, as one list. */
const OLD_KEY = 'tin-box-decisions-waiting';

/**
 * Holds a decision from the moment it is made until the browser's database has it: that one answers
 * later, and the page may be gone by then. A key each, so that no tab writes over another's.
 */
export interface DecisionJournal {
  readonly write: (entries: readonly WaitingDecision[]) => void;
  readonly read: () => WaitingDecision[];
  readonly clear: (ids: readonly string[]) => void;
}

export function createDecisionJournal(storage: () => Storage): DecisionJournal {
  return {
    write: (entries) => {
      for (const entry of entries)
        storage().setItem(`${PREFIX}${entry.event.id}`, JSON.stringify(entry));
    },
    read: () => [...readOld(storage()), ...readKeys(storage())],
    clear: (ids) => {
      storage().removeItem(OLD_KEY);
      for (const id of ids) storage().removeItem(`${PREFIX}${id}`);
    },
  };
}

function readKeys(storage: Storage): WaitingDecision[] {
  const keys = Array.from({ length: storage.length }, (_, i) => storage.key(i) ?? '');
  return keys
    .filter((key) => key.startsWith(PREFIX))
    .flatMap((key) => parse<WaitingDecision>(storage.getItem(key)) ?? [])
    .sort((a, b) => a.deviceAt.localeCompare(b.deviceAt));
}

const readOld = (storage: Storage): WaitingDecision[] =>
  (
    parse<readonly Pick<WaitingDecision, 'projectId' | 'event'>[]>(storage.getItem(OLD_KEY)) ?? []
  ).map((entry) => ({ ...entry, deviceAt: entry.event.decidedAt, knownAt: null, problem: '' }));

function parse<T>(text: string | null): T | undefined {
  try {
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    return undefined;
  }
}
