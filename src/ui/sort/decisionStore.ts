import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

import type { DecisionEvent } from '@/core/sort';

/** A decision that the server has not answered for. */
export interface WaitingDecision {
  readonly projectId: string;
  readonly event: DecisionEvent;
  /** This device's clock when it was decided, and the server's time as it was last heard before. */
  readonly deviceAt: string;
  readonly knownAt: string | null;
  /** Why it was refused; empty while it can still go. */
  readonly problem: string;
}

/** Where decisions lie until they are kept: one list a browser, whichever of its tabs they were made in. */
export interface DecisionStore {
  /** Oldest first. */
  readonly getAll: () => Promise<WaitingDecision[]>;
  readonly put: (entries: readonly WaitingDecision[]) => Promise<void>;
  readonly delete: (ids: readonly string[]) => Promise<void>;
}

interface StoreSchema extends DBSchema {
  waiting: {
    key: number;
    value: WaitingDecision & { readonly id: string };
    indexes: { id: string };
  };
}

/** The browser's own database, opened when it is first needed. */
export function createDecisionStore(): DecisionStore {
  let opening: Promise<IDBPDatabase<StoreSchema>> | undefined;
  const open = () =>
    (opening ??= openDB<StoreSchema>('tin-box-decisions', 1, {
      upgrade: (database) => {
        const store = database.createObjectStore('waiting', { autoIncrement: true });
        store.createIndex('id', 'id', { unique: true });
      },
    }));
  return {
    getAll: async () => (typeof indexedDB === 'undefined' ? [] : (await open()).getAll('waiting')),
    put: async (entries) => {
      const change = (await open()).transaction('waiting', 'readwrite', { durability: 'strict' });
      for (const entry of entries) {
        const id = entry.event.id;
        const key = await change.store.index('id').getKey(id);
        await (key === undefined
          ? change.store.add({ ...entry, id })
          : change.store.put({ ...entry, id }, key));
      }
      await change.done;
    },
    delete: async (ids) => {
      const change = (await open()).transaction('waiting', 'readwrite');
      for (const id of ids) {
        const key = await change.store.index('id').getKey(id);
        if (key !== undefined) await change.store.delete(key);
      }
      await change.done;
    },
  };
}
